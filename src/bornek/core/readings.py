"""Readings → value ± u, with the budget opened, the spread judged and slips asked about."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.gauges import Gauge
from bornek.core.quantities import Speech
from bornek.core.uncertainty import expanded
from bornek.core.windows import AtMost, Normal, Window
from bornek.core.working import Sum

Nature = Literal["travel", "size", "force", "time", "angle", "count", "paint", "confirm"]


@dataclass(frozen=True)
class Budget:
    """Standard uncertainties in the readings' own unit; `u` is their root sum of squares."""

    mean: float
    resolution: float
    calibration: float
    scatter: float
    n: int

    @property
    def u(self) -> float:
        return math.sqrt(self.resolution**2 + self.calibration**2 + self.scatter**2)


def resolution_u(gauge: Gauge, nature: Nature) -> float:
    """Rectangular distribution: r/√12 for one reading, r/√6 for a travel (two readings).

    >>> round(resolution_u(Gauge("g", "dial"), "travel"), 5)
    0.00204
    """
    return gauge.resolution / math.sqrt(6 if nature == "travel" else 12)


def budget(by_position: Mapping[str, Sequence[float]], gauge: Gauge, nature: Nature, floor: float) -> Budget:
    """Mean and uncertainty of repeats at one or more positions.

    The scatter is the larger of s_within/√n and s_between/√positions; s_within is never taken
    below `floor`, the kind's prior for one reading: three equal readings do not make it 0.
    Units: those of the readings. Source: GUM type A and B evaluation.

    >>> b = budget({"up": [0.24, 0.25, 0.245]}, Gauge("g", "dial"), "travel", 0.0035)
    >>> round(b.mean, 3), round(b.u, 4)
    (0.245, 0.0041)
    """
    groups = [list(g) for g in by_position.values() if g]
    values = [v for group in groups for v in group]
    n = len(values)
    freedom = sum(len(g) - 1 for g in groups)
    squares = sum((v - sum(g) / len(g)) ** 2 for g in groups for v in g)
    within = max(math.sqrt(squares / freedom) if freedom else 0.0, floor) / math.sqrt(n)
    between = _sd([sum(g) / len(g) for g in groups]) / math.sqrt(len(groups))
    return Budget(sum(values) / n, resolution_u(gauge, nature), gauge.calibration_u, max(within, between), n)


def _sd(values: Sequence[float]) -> float:
    if len(values) < 2:
        return 0.0
    mean = sum(values) / len(values)
    return math.sqrt(sum((v - mean) ** 2 for v in values) / (len(values) - 1))


def spread(values: Sequence[float]) -> float:
    return max(values) - min(values) if values else 0.0


def show_budget(total: Sum, parts: Budget, gauge: Gauge, nature: Nature, per_unit: float = 1) -> None:
    """Writes the budget's lines; `per_unit` turns the core's unit into the shown one."""
    root = "√6" if nature == "travel" else "√12"
    why = " (a travel is two readings)" if nature == "travel" else ""
    shown = [x * per_unit for x in (parts.scatter, parts.resolution, parts.calibration)]
    places = total.places + 1
    fine = Sum(places)
    fine.line("Scatter of repeats", f"the larger of within and between positions, n = {parts.n}", shown[0])
    fine.line("Gauge", f"{gauge.resolution * per_unit:.4g} can be told apart, ÷ {root}{why}", shown[1])
    due = f", due {gauge.due}" if gauge.due else ""
    late = " OVERDUE" if gauge.overdue else ""
    fine.line("Calibration", f"card of {gauge.name}{due}{late}", shown[2])
    squares = " + ".join(f"{x:.{places}f}²" for x in shown)
    fine.line("Give or take", f"2 × √({squares})", expanded(parts.u) * per_unit, main=True)
    total.lines.extend(fine.lines)


def censor_limit_mm(gauge: Gauge) -> float:
    """Below this a travel cannot be told from none: the larger of 2 µm and the resolution."""
    return max(0.002, gauge.resolution)


def travel_value(by_position: Mapping[str, Sequence[float]], gauge: Gauge, floor: float) -> Normal | AtMost:
    """Value of a travel: a mean with its u, or, when the needle never moved, a censored one.

    >>> travel_value({"up": [0.0, 0.0]}, Gauge("g", "dial"), 0.0035)
    AtMost(c=0.005)
    """
    limit = censor_limit_mm(gauge)
    if all(abs(v) <= limit for g in by_position.values() for v in g):
        return AtMost(limit)
    parts = budget(by_position, gauge, "travel", floor)
    return Normal(parts.mean, parts.u)


@dataclass(frozen=True)
class Slip:
    """A reading that looks mistyped: what it may have been meant to be, and why."""

    factor: float
    meant: float
    words: str


_FACTORS = (
    (10.0, "about ten times too large"),
    (0.1, "about ten times too small"),
    (25.4, "about 25.4 times too large, as if inches were mixed in"),
    (1 / 25.4, "about 25.4 times too small, as if inches were mixed in"),
    (1000.0, "about a thousand times too large"),
    (0.001, "about a thousand times too small"),
)


def find_slips(value: float, peers: Sequence[float], plausible: tuple[float, float] | None) -> list[Slip]:
    """Ask about a value that is about ×10, ×25.4 or ×1000 from its peers or the plausible span.

    `peers` are readings of the same quantity already taken; without them `plausible` decides.
    Likeliest first; empty when the value is fine. Zero is never a slip (it is censored).

    >>> find_slips(1.45, [0.145, 0.14], None)[0].meant
    0.145
    >>> find_slips(0.15, [0.145], (0, 1))
    []
    """
    size = abs(value)
    span = _expected_span(size, [abs(p) for p in peers if p != 0], plausible)
    if size == 0 or span is None:
        return []
    lo, hi = span
    middle = math.log(max((lo + hi) / 2, 1e-9))
    hits = [
        (abs(math.log(size / factor) - middle), factor, why)
        for factor, why in _FACTORS
        if max(lo, 1e-9) <= size / factor <= hi
    ]
    return [Slip(factor, round(value / factor, 6), why) for _, factor, why in sorted(hits)]


def _expected_span(
    size: float, peers: Sequence[float], plausible: tuple[float, float] | None
) -> tuple[float, float] | None:
    """The span in which the value was to be expected, or None when it lies there."""
    if peers:
        middle = sorted(peers)[len(peers) // 2]
        reach = max(0.3 * middle, 0.02)
        if abs(size - middle) <= reach:
            return None
        return middle - reach, middle + reach
    if plausible is None or plausible[0] <= size <= plausible[1]:
        return None
    return plausible


def coarse_gauge(window: Window | None, gauge: Gauge, speech: Speech) -> tuple[str, bool] | None:
    """A sentence when the gauge is coarse for the window, and whether that is serious.

    Below ten times the resolution a note, below four times a strong warning.
    """
    if window is None or math.isinf(window.half):
        return None
    ratio = 2 * window.half / gauge.resolution
    if ratio >= 10:
        return None
    words = (
        f"The window is only {ratio:.1f} times what {gauge.name} can tell "
        f"({speech.spread(gauge.resolution)} {speech.unit})."
    )
    return (words + " Take a finer gauge.", True) if ratio < 4 else (words, False)
