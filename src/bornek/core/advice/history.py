"""The rounds of a setting as they were replayed: what stood, what was found, and what is believed of each quantity."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any, Literal

from bornek.core.advice.belief import UM, Belief
from bornek.core.advice.domains import travel
from bornek.core.advice.memory import Pool
from bornek.core.quantities import Speech
from bornek.core.settings.kind import Outcome
from bornek.core.settings.knobs import Drag, Knob, Response
from bornek.core.settings.records import EXCHANGED, Predicted
from bornek.core.settings.state import State
from bornek.core.windows import Value, Window

States = Mapping[str, State]


@dataclass(frozen=True)
class Row:
    """One quantity that the adjusters bring in: its window and aim, and what is believed of its answer.

    `per` turns its unit into the belief's: µm for a length; a share, an angle, or a length that scatters by
    less than 2 µm, so that its reassembly scatter counts as 6.
    """

    key: str
    label: str
    quantity: str
    window: Window
    aim: float
    belief: Belief
    per: float
    k0: tuple[float, ...]
    rho: tuple[float, ...]
    s_a: float
    s_r: float
    repeats: int
    harm: Literal["low", "high", ""]
    harm_at: float
    drag: Drag | None = None
    unit: str = ""
    learned: tuple[int, ...] = ()
    """The rounds that the belief has learned, in order."""

    def expect(self, x: Sequence[float]) -> tuple[float, float]:
        """Value and sd in the row's unit at the knobs' travels x [µm]."""
        y, sd = self.belief.predict(x)
        return y / self.per + self.aim, sd / self.per


@dataclass(frozen=True)
class Round:
    """One round as replayed: the states in it, what was found, predicted, and how it was taken."""

    number: int
    states: States | None
    outcome: Outcome
    values: Mapping[str, Value]
    promised: Mapping[str, Predicted]
    flagged: bool = False
    held_out: bool = False
    either: bool = False
    """Flagged, but a unit that answers otherwise would look just the same."""
    doubted: int = 0
    """The round that is likelier off than any other; 0 where two are equally likely."""
    act_kind: str = ""
    first: str = ""
    """The row that is spoken of where there is room for one."""

    @property
    def found(self) -> Value | None:
        return self.values.get(self.first)

    @property
    def predicted(self) -> Predicted | None:
        return self.promised.get(self.first)


@dataclass(frozen=True)
class History:
    rounds: tuple[Round, ...]
    rows: tuple[Row, ...]
    knobs: tuple[Knob, ...]
    response: Response
    start: Mapping[str, float] = field(default_factory=dict)
    """Each knob's travel in the first round."""
    pool: Pool | None = None
    """What finished jobs of the type say, where it is used."""
    sense_asked: bool = False
    """Finished jobs of the type answered the other way than was given."""
    says: Callable[[Mapping[str, Predicted], Speech], str] = field(
        default=lambda p, s: "", repr=False, compare=False
    )
    """How the kind says what a move is expected to bring; empty where it has no words of its own."""
    memo: dict[Any, Any] = field(default_factory=dict, init=False, repr=False, compare=False)
    """What was made of these rounds, kept for who asks again."""

    @property
    def last(self) -> Round:
        return self.rounds[-1]

    @property
    def standing(self) -> tuple[Round, ...]:
        """The rounds that were read on the parts that are in now."""
        begun = max((i for i, r in enumerate(self.rounds) if r.act_kind == EXCHANGED), default=0)
        return self.rounds[begun:]

    @property
    def row(self) -> Row:
        return self.rows[0]

    @property
    def knob(self) -> Knob:
        return self.knobs[0]

    def travels(self, states: States) -> list[float]:
        """The knobs' travels since the first round [µm], in the knobs' order."""
        return [(travel(k.domain, states[k.key]) - self.start.get(k.key, 0.0)) * UM for k in self.knobs]

    def steps(self, states: States) -> dict[str, float]:
        """How far each knob goes from where it is to these states, in its own unit."""
        now = self.travels(self.last.states or states)
        then = self.travels(states)
        return {k.key: (b - a) / UM for k, a, b in zip(self.knobs, now, then, strict=True)}

    def expect(self, states: States) -> dict[str, tuple[float, float]]:
        """Value and sd of every row at these states."""
        x = self.travels(states)
        return {row.key: row.expect(x) for row in self.rows}
