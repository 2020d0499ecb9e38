"""A step of the build: what is done, what it takes, what it needs, what waits after it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

from bornek.core.units.prove import Again

Fit = Literal["final", "dry", "temporary"]
Wait = Literal["", "soak", "cure", "heat", "chill", "settle", "lead"]
Resource = Literal["", "press", "crane", "oven", "freezer", "ram"]

USUAL_MINUTES = 15.0
"""Hands of a step that says nothing of its time [min]."""
WAIT_WORDS: dict[str, str] = {
    "soak": "soaks",
    "cure": "cures",
    "heat": "heats",
    "chill": "cools down",
    "settle": "settles",
    "lead": "is on its way",
}
LEFT_ALONE = frozenset({"soak", "cure", "settle", "lead"})
"""Waits that need nobody near; heat and cold do unless the step says that the oven has a thermostat and a limit."""


@dataclass(frozen=True)
class BuildStep:
    """`parts` go in whole unless `counts` says how many of one. `needs`: steps before it. `closes`: places that it
    closes besides those that its parts close. `wrong_way`: what happens when it sits the wrong way round; `mark_at`:
    the hour at which its mark belongs, seen from outside. `takes_out`: parts that were put in only to help.
    `hold`: what somebody must see before it goes on. `setting`: what is set, done when that is signed. `stages`:
    torques before the last. `alone`: whether its wait may be left alone, empty as the wait's sort says. `open_minutes`:
    from the first bead to the last bolt of `open_until` (this step if empty). `locates`: the joint's thickness
    holds parts in their place. `hole`: what must line up. `lift`: the rated point it hangs on. `minutes`: of hands.
    `turn`: the shaft to be turned by hand after it. `again`: when its torque is checked once more."""

    key: str
    label: str
    parts: tuple[str, ...] = ()
    counts: dict[str, int] = field(default_factory=dict)
    needs: tuple[str, ...] = ()
    closes: tuple[str, ...] = ()
    side: str = ""
    way_round: str = ""
    wrong_way: str = ""
    mark_at: float = 0
    fit: Fit = "final"
    takes_out: tuple[str, ...] = ()
    hold: str = ""
    setting: str = ""
    torque: str = ""
    bolts: int = 0
    stages: tuple[str, ...] = ()
    wait: Wait = ""
    wait_minutes: float = 0
    alone: Literal["", "yes", "no"] = ""
    open_minutes: float = 0
    open_until: str = ""
    consumables: tuple[str, ...] = ()
    locates: bool = False
    hole: str = ""
    lift: str = ""
    support: str = ""
    tools: tuple[str, ...] = ()
    resource: Resource = ""
    minutes: float = 0
    hands: int = 1
    split: bool = False
    turn: str = ""
    again: Again = ""

    @property
    def hands_minutes(self) -> float:
        """
        >>> BuildStep("a", "Cover on").hands_minutes
        15.0
        """
        return self.minutes or USUAL_MINUTES

    @property
    def may_be_left(self) -> bool:
        """Whether nobody need be near while it waits.

        >>> BuildStep("a", "Felts", wait="soak").may_be_left, BuildStep("b", "Hub", wait="heat").may_be_left
        (True, False)
        """
        return self.alone == "yes" or (self.alone == "" and self.wait in LEFT_ALONE)

    def count_of(self, part: str, whole: int) -> int:
        """How many of a part it takes."""
        return self.counts.get(part, whole)
