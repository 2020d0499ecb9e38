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
    """Standard uncertainties in the readings' own unit; `u` is their root sum of squares.

    `gauges` are those that were used, with the share of the readings that each took: what a gauge is off by
    is common to all of its readings.
    """

    mean: float
    resolution: float
    scatter: float
    n: int
    gauges: tuple[tuple[Gauge, float], ...] = ()
    temperature: float = 0.0

    @property
    def calibration(self) -> float:
        return common_offset([(1.0, self)])

    @property
    def u(self) -> float:
        return combined([(1.0, self)])


def common_offset(parts: Sequence[tuple[float, Budget]]) -> float:
    """Standard uncertainty of Σ c·mean by what the gauges are off: one common offset per gauge, which adds up
    or cancels over the parts that it read.

    >>> g = Gauge("g", "dial", calibration_u=0.002)
    >>> one = Budget(1.0, 0.0, 0.0, 1, ((g, 1.0),))
    >>> common_offset([(1, one), (1, one)]), common_offset([(1, one), (-1, one)])
    (0.004, 0.0)
    """
    share: dict[str, float] = {}
    cards: dict[str, float] = {}
    for factor, part in parts:
        for gauge, n in part.gauges:
            share[gauge.id] = share.get(gauge.id, 0.0) + factor * n
            cards[gauge.id] = gauge.calibration_u
    return math.sqrt(sum((share[key] * card) ** 2 for key, card in cards.items()))


def combined(parts: Sequence[tuple[float, Budget]]) -> float:
    """Standard uncertainty of Σ c·mean: resolution, scatter and temperature in squares, offsets by gauge."""
    apart = sum(c * c * (p.resolution**2 + p.scatter**2 + p.temperature**2) for c, p in parts)
    return math.sqrt(apart + common_offset(parts) ** 2)


def resolution_u(gauge: Gauge, nature: Nature) -> float:
    """Rectangular distribution: r/√12 for one reading, r/√6 for a travel (two readings).

    >>> round(resolution_u(Gauge("g", "dial"), "travel"), 5)
    0.00204
    """
    return gauge.resolution / math.sqrt(6 if nature == "travel" else 12)


def budget(
    by_position: Mapping[str, Sequence[float]], gauges: Gauge | Sequence[Gauge], nature: Nature, floor: float
) -> Budget:
    """Mean and uncertainty of repeats at one or more positions.

    The scatter is the larger of s_within/√n and s_between/√positions; s_within is never taken
    below `floor`, the kind's prior for one reading: three equal readings do not make it 0.
    `gauges`: the one that read all, or each reading's own in order. Units: those of the readings.
    Source: GUM type A and B evaluation.

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
    used = [gauges] * n if isinstance(gauges, Gauge) else list(gauges)
    steps = math.sqrt(sum(resolution_u(g, nature) ** 2 for g in used) / n)
    by_id = {g.id: g for g in used}
    shares = tuple((g, sum(x.id == key for x in used) / n) for key, g in by_id.items())
    return Budget(sum(values) / n, steps, max(within, between), n, shares)


def expected_u(gauge: Gauge, nature: Nature, floor: float, n: int) -> float:
    """Standard uncertainty to expect of the mean of n readings, before any was taken.

    >>> round(expected_u(Gauge("g", "dial"), "travel", 0.0035, 6), 4)
    0.0032
    """
    return math.hypot(resolution_u(gauge, nature), gauge.calibration_u, floor / math.sqrt(n))


def _sd(values: Sequence[float]) -> float:
    if len(values) < 2:
        return 0.0
    mean = sum(values) / len(values)
    return math.sqrt(sum((v - mean) ** 2 for v in values) / (len(values) - 1))


def spread(values: Sequence[float]) -> float:
    return max(values) - min(values) if values else 0.0


def show_budget(total: Sum, parts: Budget, nature: Nature, per_unit: float = 1) -> None:
    """Writes the budget's lines; `per_unit` turns the core's unit into the shown one."""
    root = "√6" if nature == "travel" else "√12"
    why = " (a travel is two readings)" if nature == "travel" else ""
    shown = [x * per_unit for x in (parts.scatter, parts.resolution, parts.calibration)]
    places = total.places + 1
    fine = Sum(places)
    fine.line("Scatter of repeats", f"the larger of within and between positions, n = {parts.n}", shown[0])
    gauges = [g for g, _ in parts.gauges]
    steps = ", ".join(dict.fromkeys(f"{g.resolution * per_unit:.4g}" for g in gauges))
    fine.line("Gauge", f"{steps} can be told apart, ÷ {root}{why}", shown[1])
    fine.line("Calibration", f"card of {', '.join(_card(g) for g in gauges)}", shown[2])
    if parts.temperature:
        shown.append(parts.temperature * per_unit)
        fine.line("Temperature", "gauge and part within 1 K of what was given", shown[3])
    squares = " + ".join(f"{x:.{places}f}²" for x in shown)
    fine.line("Give or take", f"2 × √({squares})", expanded(parts.u) * per_unit, main=True)
    total.lines.extend(fine.lines)


def _card(gauge: Gauge) -> str:
    due = f", due {gauge.due}" if gauge.due else ""
    return f"{gauge.name}{due}{' OVERDUE' if gauge.overdue else ''}"


def censor_limit_mm(gauge: Gauge) -> float:
    """Below this a travel cannot be told from none: the larger of 2 µm and the resolution."""
    return max(0.002, gauge.resolution)


def travel_value(
    by_position: Mapping[str, Sequence[float]], gauges: Gauge | Sequence[Gauge], floor: float
) -> Normal | AtMost:
    """Value of a travel: a mean with its u, or, when the needle never moved, a censored one.

    >>> travel_value({"up": [0.0, 0.0]}, Gauge("g", "dial"), 0.0035)
    AtMost(c=0.005)
    """
    used = [gauges] if isinstance(gauges, Gauge) else list(gauges)
    limit = max(censor_limit_mm(g) for g in used)
    if all(abs(v) <= limit for g in by_position.values() for v in g):
        return AtMost(limit)
    parts = budget(by_position, gauges, "travel", floor)
    return Normal(parts.mean, parts.u)


@dataclass(frozen=True)
class Slip:
    """A reading that looks mistyped: what it may have been meant to be, and why."""

    factor: float
    meant: float
    words: str
    stands: bool = True
    """Whether it counts once somebody says that it was meant so: nothing below zero does."""


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
    >>> find_slips(30.0, [], (49.0, 51.0))[0].words
    'outside 49 to 51, where it was to be expected'
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
    if not hits and not peers:
        return [Slip(1.0, value, f"outside {lo:g} to {hi:g}, where it was to be expected")]
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
        near = max(0.3 * middle, 0.005)
        return middle - near, middle + near
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
