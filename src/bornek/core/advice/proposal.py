"""A move and its rivals, as the advice hands them on."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.advice.history import States
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Predicted

ALTERNATIVES = 2
"""So many others are shown beside the best."""


@dataclass(frozen=True)
class Candidate:
    """What every adjuster could be brought to, with what to expect of each quantity. `p_in` is the chance
    that all land in."""

    states: States
    predicted: Mapping[str, Predicted]
    p_in: float
    p_harm: float
    rounds: float
    handled: int

    def position(self, knob: Knob) -> float:
        return self.states[knob.key].position


@dataclass(frozen=True)
class Proposal:
    """The move and its rivals. `stay` says that nothing should be changed and why."""

    best: Candidate | None
    alternatives: tuple[Candidate, ...] = ()
    stay: str = ""
    now_in: float = 0.0
    provable: bool = True
    missing: float | None = None
    missing_p: float = 0.0
    missing_at: str = ""
    seating: bool = False
    left_out: int = 0
    """Thicknesses of the drawer that were not tried: there are too many to join them all."""
    tells: bool = False
    """The move is made to find out in which way the adjuster works."""

    @property
    def moves(self) -> bool:
        """Whether `best` is to be done, and not only what would be done."""
        return self.best is not None and self.stay in ("", "loosen")
