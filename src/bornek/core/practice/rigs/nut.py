"""End play by a thrust nut with lock tabs: the nut stops only where a tab meets a slot."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, ClassVar

from bornek.core.practice.rigs.faults import DEAD_NEEDLE, DECIMAL, WRONG_SPOT
from bornek.core.practice.rigs.pried import PriedRig, given_of, spread_over
from bornek.core.settings.state import Position, State
from bornek.core.windows import Window

TABS, SLOTS = 17, 4
LOCKS_DEG = 360 / (TABS * SLOTS)


class NutRig(PriedRig):
    """A degree of the nut answers by the pitch, less what the thread gives."""

    sort = "nut"
    kind = "spring_thrust_nut"
    title = "Thrust nut with lock tabs"
    knob = "nut"
    gauge: ClassVar[Mapping[str, Any]] = {"unit": "mm", "division": 0.01, "interpolation": 0.5}
    faults = (DEAD_NEEDLE, WRONG_SPOT, DECIMAL)

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.pitch = (1.5, 2.0, 3.0)[int(3 * self.stream.u(2))]
        self.least = round(spread_over(self, 0.12, 0.22, 3), 2)
        self.greatest = round(self.least + spread_over(self, 0.07, 0.12, 4), 2)
        self.k = self.pitch / 360 * max(1 + 0.12 * self.stream.n(1), 0.6)
        aim = (self.least + self.greatest) / 2
        self.y0 = aim + spread_over(self, 0.08, 0.40, 5)
        self.s_a = 0.001 * spread_over(self, 4, 9, 6)
        self.s_r = 0.001 * spread_over(self, 2, 5, 10)
        self.give = spread_over(self, 5e-5, 2e-4, 11)

    def book(self) -> dict[str, Any]:
        slip = 10.0 if self.fault == DECIMAL else 1.0
        return self._given(slip)

    def right_given(self) -> dict[str, Any]:
        return self._given(1.0)

    def _given(self, slip: float) -> dict[str, Any]:
        return given_of(
            f"Rig card {self.number}",
            least=round(self.least * slip, 3),
            greatest=round(self.greatest * slip, 3),
            pitch=self.pitch,
            tabs=TABS,
            slots=SLOTS,
        )

    def found(self) -> None:
        return None

    def found_state(self) -> State:
        """Counted from snug, as the play that is read says it."""
        return Position(self.y0 / self.declared(), "deg", LOCKS_DEG)

    def declared(self) -> float:
        return self.pitch / 360

    def set_to(self, wanted: float) -> float:
        return max(round(wanted / LOCKS_DEG), 0) * LOCKS_DEG

    def window(self) -> Window:
        return Window(self.least, self.greatest, f"Rig card {self.number}", "new parts", "", 0.0)

    def harmed(self, value: float) -> bool:
        """The plates are pressed."""
        return value < 0
