"""Radial play at a nose by a nut on a taper: what was drawn up does not come back."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, ClassVar

from bornek.core.practice.rigs.faults import DEAD_NEEDLE, WRONG_SPOT
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.pried import PriedRig, given_of, spread_over
from bornek.core.settings.kind import Slot
from bornek.core.windows import Window

LEAST_MM, GREATEST_MM = 0.001, 0.006
SPAN_MM, OVERHANG_MM = 210.0, 90.0
FORCES = {"1": 100.0, "2": 200.0}
DECLARED = -0.0002951388888888889
"""mm of play for each degree: pitch 1.5 mm over a taper of 1:12, less what the rings give."""


class NoseRig(PriedRig):
    """The gauge stands outboard; what it reads is the play at the front bearing by L/(L + c), and its give."""

    sort = "taper"
    kind = "taper_spindle"
    title = "Nut on a taper"
    knob = "nut"
    division = 0.001
    gauge: ClassVar[Mapping[str, Any]] = {"unit": "mm", "division": 0.001, "interpolation": 0.5}
    faults = (DEAD_NEEDLE, WRONG_SPOT)

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.k = -DECLARED * max(1 + 0.15 * self.stream.n(1), 0.5)
        self.y0 = spread_over(self, 0.009, 0.022, 2)
        self.s_a, self.s_r = 0.0005, 0.0003
        self.give = 0.0
        self.elastic = spread_over(self, 1e-5, 4e-5, 3)

    def response(self) -> float:
        return -self.k

    def book(self) -> dict[str, Any]:
        return given_of(
            f"Rig card {self.number}",
            least=LEAST_MM,
            greatest=GREATEST_MM,
            span=SPAN_MM,
            overhang=OVERHANG_MM,
            pitch=1.5,
            rim=88,
            force_1=FORCES["1"],
            force_2=FORCES["2"],
        )

    def right_given(self) -> dict[str, Any]:
        return self.book()

    def found(self) -> None:
        return None

    def declared(self) -> float:
        return DECLARED

    def set_to(self, wanted: float) -> float:
        return round(max(wanted, 0.0) / 0.5) * 0.5

    def window(self) -> Window:
        return Window(LEAST_MM, GREATEST_MM, f"Rig card {self.number}", "new parts", "", None)

    def harmed(self, value: float) -> bool:
        """Past the window: the ring must be driven back."""
        return value < LEAST_MM - 0.001

    def shown_at(self, slot: Slot, play: float, handled: Handled, repeat: int) -> float:
        force = FORCES[slot.key.split(".")[1]]
        return play * (SPAN_MM + OVERHANG_MM) / SPAN_MM + self.elastic * force
