"""Driving a tapered bore up: clearance taken up, axial drive for it, and the rows that permit it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import RangeError
from bornek.core.tables.lookup import Row
from bornek.core.windows import Interval, Window

RIC, DRIVE = "ric_spherical_tapered_bore", "driveup_spherical_tapered"


def reduction(before: Interval, after: Interval) -> Interval:
    """Clearance taken up, from two brackets: [a₀ − b₁, b₀ − a₁], mm.

    >>> r = reduction(Interval(0.09, 0.10), Interval(0.05, 0.06))
    >>> round(r.a, 3), round(r.b, 3)
    (0.03, 0.05)
    """
    return Interval(round(before.a - after.b, 9), round(before.b - after.a, 9))


def axial_drive_mm(reduction_mm: float, taper: int, row: Row) -> tuple[float, float]:
    """Axial drive-up for a reduction, least and most.

    Equation: s = reduction × taper × k, k from the table's own row (s/(taper·reduction) at its ends),
    else 1.15 to 1.45. taper 12 or 30; mm.

    >>> from bornek.core.tables.lookup import row_for
    >>> lo, hi = axial_drive_mm(0.05, 12, row_for(DRIVE, 90))
    >>> round(lo, 3), round(hi, 3)
    (0.75, 0.778)
    """
    if taper not in (12, 30):
        raise RangeError(f"taper must be 12 or 30 (got {taper}).", field="taper")
    ends = []
    for end in ("min", "max"):
        column = f"driveup_1to{taper}_{end}_mm"
        if column in row.cells:
            ends.append(row.number(column) / (taper * row.number(f"reduction_{end}_mm")))
    factors = sorted(ends) or [1.15, 1.45]
    return reduction_mm * taper * factors[0], reduction_mm * taper * factors[-1]


@dataclass(frozen=True)
class Limits:
    """The bearing's rows: its group's clearance, the permitted reduction and the least residual."""

    clearance: Row
    drive: Row
    group: str
    taper: int

    def clearance_of(self, group: str) -> Window:
        lo, hi = (self.clearance.number(f"{group}_{end}_um") / 1000 for end in ("min", "max"))
        return Window(lo, hi, f"{self.clearance.name}, {group}")

    @property
    def reduction(self) -> tuple[float, float]:
        return self.drive.number("reduction_min_mm"), self.drive.number("reduction_max_mm")

    @property
    def residual(self) -> float:
        return self.drive.number(f"min_residual_{self.group}_mm")
