"""A bearing on a tapered sleeve, driven up by feeler blades: its clearance goes, and does not come back."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, ClassVar

from bornek.core.practice.rigs.bench_rig import Blades, Pull
from bornek.core.practice.rigs.faults import DIRT
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.pried import PriedRig, given_of, spread_over
from bornek.core.settings.kind import Slot
from bornek.core.sheet import Sheet
from bornek.core.windows import Interval, Window

LEAST_MM, GREATEST_MM, RESIDUAL_MM = 0.03, 0.04, 0.025
SIZES = tuple(round(0.02 + 0.005 * i, 3) for i in range(16))
TILT_MM = 0.003


class FeelerRig(PriedRig):
    """The quantity is the reduction; blades read what is left."""

    sort = "feelers"
    kind = "taper_clearance"
    title = "Feelers in a tapered bore"
    knob = "drive"
    gauge: ClassVar[Mapping[str, Any]] = {"unit": "mm", "division": 0.005, "interpolation": 1.0}
    faults = (DIRT,)
    dirt = -0.004

    def __init__(self, number: int) -> None:
        super().__init__(number)
        self.k = 1 / 15 * max(1 + 0.08 * self.stream.n(1), 0.7)
        self.unmounted = spread_over(self, 0.060, 0.073, 2)
        self.y0 = 0.0
        self.s_a, self.s_r, self.give = 0.0012, 0.0006, 0.0
        self.seats = spread_over(self, 0.0, 0.06, 3)

    def book(self) -> dict[str, Any]:
        return given_of("Yard chart for tapered bores", bore=60)

    def right_given(self) -> dict[str, Any]:
        return self.book()

    def found(self) -> None:
        return None

    def declared(self) -> float:
        return 1 / 15

    def true(self, handled: Handled, assembly: int | None = None) -> float:
        """The first assembly is the bearing as it lies on the bench."""
        number = handled.assembly if assembly is None else assembly
        return 0.0 if number == 1 else max(super().true(handled, number), 0.0)

    def set_to(self, wanted: float) -> float:
        return round(max(wanted, 0.0) / 0.01) * 0.01

    def window(self) -> Window:
        return Window(LEAST_MM, GREATEST_MM, "Yard chart for tapered bores", "new parts", "", None)

    def harmed(self, value: float) -> bool:
        """So much of the clearance is gone that the bearing runs hot."""
        return value > GREATEST_MM + 0.003 or self.unmounted - value < RESIDUAL_MM - 0.003

    def pull(self, slot: Slot, handled: Handled, repeat: int) -> Pull | None:
        return None

    def blades(self, slot: Slot, handled: Handled, repeat: int) -> Blades | None:
        if slot.accepts != "between":
            return None
        tilt = TILT_MM * self.stream.n(14, handled.assembly) * (1 if "near" in slot.key else -1) / 2
        noise = self.s_r * self.stream.n(8, 64 * handled.assembly + sum(map(ord, slot.key)) % 61)
        return Blades(SIZES, self.unmounted - self.true(handled) + tilt + noise)

    def read_value(self, sheet: Sheet) -> float | None:
        """The middle of the blades' reduction; none in the first round."""
        found = next((r for r in sheet.outcome.results if r.key == "reduction"), None)
        value = found.value if found else None
        if value is None:
            return 0.0 if sheet.round == 1 else None
        return (value.a + value.b) / 2 if isinstance(value, Interval) else float(getattr(value, "v", 0.0))

    def done(self, sheet: Sheet) -> bool:
        """The blades are too coarse to prove it: in is what their middle says."""
        value = self.read_value(sheet)
        return sheet.round > 1 and value is not None and self.window().holds(value)
