"""End play by shims under a cover."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, ClassVar

from bornek.core.practice.rigs.faults import (
    BENT,
    DEAD_NEEDLE,
    DECIMAL,
    DIRT,
    LOOSE_COVER,
    STUCK_SHIM,
    UNPROVEN_ZERO,
    WRONG_SIDE,
    WRONG_SPOT,
)
from bornek.core.practice.rigs.pried import PriedRig, given_of, spread_over
from bornek.core.windows import Window

THICKNESSES = (0.05, 0.08, 0.10, 0.15, 0.20, 0.25, 0.50)
UNCOUNTED_MM = 0.10


class ShimRig(PriedRig):
    """The response lies about 1 and the scatter of reassembly at 3 to 10 µm."""

    sort = "shims"
    kind = "shim_pack_end_play"
    title = "End play by shims"
    knob = "pack"
    shim_form = "R ring"
    drawer: ClassVar[Mapping[float, int]] = dict.fromkeys(THICKNESSES, 6)
    gauge: ClassVar[Mapping[str, Any]] = {
        "takes": ["travel"],
        "unit": "mm",
        "division": 0.01,
        "interpolation": 0.5,
    }
    faults: ClassVar[tuple[str, ...]] = (
        DIRT,
        LOOSE_COVER,
        STUCK_SHIM,
        DEAD_NEEDLE,
        WRONG_SPOT,
        BENT,
        WRONG_SIDE,
        DECIMAL,
        UNPROVEN_ZERO,
    )

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.k = max(1 + 0.08 * self.stream.n(1), 0.75)
        least = round(spread_over(self, 0.04, 0.10, 2), 2)
        self.least, self.greatest = least, round(least + spread_over(self, 0.05, 0.08, 3), 2)
        aim, size = (self.least + self.greatest) / 2, spread_over(self, 0.06, 0.30, 4)
        self.y0 = aim - 0.5 * size - self.greatest if self.fault == UNPROVEN_ZERO else aim + size
        self.s_a = 0.001 * spread_over(self, 3, 10, 5)
        self.s_r = 0.001 * spread_over(self, 2, 5, 6)
        self.give = spread_over(self, 5e-5, 2e-4, 10)
        picked = [THICKNESSES[int(len(THICKNESSES) * self.stream.u(11, i))] for i in range(2)]
        self.pack = sorted((0.50, 0.25, *picked), reverse=True)

    def book(self) -> dict[str, Any]:
        slip = 10.0 if self.fault == DECIMAL else 1.0
        return self._given(self.least * slip, self.greatest * slip, "adds")

    def right_given(self) -> dict[str, Any]:
        return self._given(self.least, self.greatest, "adds" if self.response() > 0 else "takes")

    def _given(self, least: float, greatest: float, sense: str) -> dict[str, Any]:
        return given_of(
            f"Rig card {self.number}",
            least=round(least, 3),
            greatest=round(greatest, 3),
            sense=sense,
            torque=60,
        )

    def found(self) -> list[float]:
        return self.pack

    def recounted(self) -> list[float]:
        return sorted((*self.pack, UNCOUNTED_MM), reverse=True)

    def declared(self) -> float:
        return -1.0 if self.fault == WRONG_SIDE else 1.0

    def uncounted(self) -> float:
        return UNCOUNTED_MM

    def window(self) -> Window:
        return Window(self.least, self.greatest, f"Rig card {self.number}", "new parts", "", 0.0)
