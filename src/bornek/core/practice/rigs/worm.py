"""Backlash of a worm gear by an eccentric carrier, read as lost motion at the handle."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import Any, ClassVar

from bornek.core.practice.rigs.bench_rig import MOST_PUSH_N, PUSH_STEP_N, Pull, Told
from bornek.core.practice.rigs.faults import DEAD_NEEDLE, DIRT
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.pried import PriedRig, given_of, needle_at, spread_over
from bornek.core.settings.kind import Slot
from bornek.core.settings.state import State
from bornek.core.windows import Window

TEETH, LEAD_MM, THROW_MM, RADIUS_MM = 90, 7.854, 1.5, 112.5
DECLARED = 0.3707370362994
"""Degrees at the wheel for each mm that the axes go apart."""
PLACES_DEG = (0.006, 0.0, 0.004, 0.009)
"""What the wheel's four places stand off its tightest."""
HANDLE_NOISE_DEG = 0.06


class WormRig(PriedRig):
    """Backlash at the wheel's tightest place [°], by the carrier's way [mm]."""

    sort = "worm"
    kind = "worm_lash"
    title = "Worm by an eccentric carrier"
    knob = "carrier"
    gauge: ClassVar[Mapping[str, Any]] = {"unit": "mm", "division": 0.01, "interpolation": 0.5}
    more_gauges: ClassVar[tuple[Mapping[str, Any], ...]] = (
        {"quantity": "angle", "unit": "deg", "division": 0.1, "interpolation": 0.5},
    )
    faults = (DEAD_NEEDLE, DIRT)
    dirt = 0.0

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.k = DECLARED * max(1 + 0.15 * self.stream.n(1), 0.6)
        self.least, self.greatest = 1 / 60, 3 / 60
        self.y0 = (self.least + self.greatest) / 2 + spread_over(self, 0.03, 0.10, 2)
        self.s_a, self.s_r, self.give = 0.0012, 0.0, 0.0
        self.float = spread_over(self, 0.01, 0.04, 3)
        self.start = round(spread_over(self, 80, 100, 4))

    def book(self) -> dict[str, Any]:
        return given_of(
            f"Rig card {self.number}",
            least="1",
            greatest="3",
            teeth=TEETH,
            lead=LEAD_MM,
            throw=THROW_MM,
            pitch_radius=RADIUS_MM,
            radius=200,
            small_part="Button",
        )

    def right_given(self) -> dict[str, Any]:
        return self.book()

    def found(self) -> float:
        return float(self.start)

    def declared(self) -> float:
        return DECLARED

    def at_mm(self, state: State) -> float:
        return -THROW_MM * math.cos(math.radians(state.position))

    def set_to(self, wanted: float) -> float:
        share = min(max(-wanted / THROW_MM, -1.0), 1.0)
        return round(math.degrees(math.acos(share)) * 2) / 2

    def window(self) -> Window:
        return Window(self.least, self.greatest, f"Rig card {self.number}", "new parts", "", 0.0)

    def harmed(self, value: float) -> bool:
        """It binds."""
        return value < -0.01

    def pull(self, slot: Slot, handled: Handled, repeat: int) -> Pull | None:
        if slot.key.startswith("float"):
            return super().pull(slot, handled, repeat)
        if not slot.key.startswith(("lash", "snug")):
            return None
        at = self._handle(slot, handled, repeat)
        steps = int(MOST_PUSH_N / PUSH_STEP_N) + 1
        return Pull(tuple(round(needle_at(at, 0.0, PUSH_STEP_N * i, 0.1), 4) for i in range(steps)), 0.1, "°")

    def play(self, handled: Handled) -> float:
        return self.float

    def _handle(self, slot: Slot, handled: Handled, repeat: int) -> float:
        """Lost motion at the handle: the wheel's backlash through the ratio, and the worm's float."""
        place = PLACES_DEG[(int(slot.key.split(".")[1]) - 1) % 4] if "." in slot.key else 0.006
        noise = HANDLE_NOISE_DEG * self.stream.n(
            15, 64 * handled.assembly + 8 * repeat + sum(map(ord, slot.key)) % 7
        )
        return max(TEETH * max(self.true(handled) + place, 0.0) + 360 * self.float / LEAD_MM + noise, 0.0)

    def told(self, slot: Slot, handled: Handled) -> Told | None:
        if slot.key != "feel":
            return super().told(slot, handled)
        tight = self.true(handled)
        if self.fault == DIRT and not handled.put_right(DIRT):
            return Told("It turns, with a grain in it at one place.", "crunchy")
        return (
            Told("It drags at one place.", "stiff")
            if tight < 0
            else Told("It turns smoothly all round.", "smooth")
        )
