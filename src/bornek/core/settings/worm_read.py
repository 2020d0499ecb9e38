"""What a round of a worm and wheel read: lost motion by place, the worm's float taken off, what the clamp adds."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from statistics import fmean, stdev

from bornek.core.gauges import UNKNOWN, Gauge
from bornek.core.mesh.worm import float_at_handle_deg
from bornek.core.readings import budget
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import sift
from bornek.core.settings.worm_form import MEASURED
from bornek.core.settings.worm_stations import around_slots, before_clamping, float_slots
from bornek.core.windows import Normal

SCATTER_DEG = 0.15
"""What one lost motion scatters by when the same place is rocked again."""
FLOAT_SCATTER_MM = 0.003
PROTRACTOR = Gauge("", "no protractor named", "deg", 1.0, 0.5, 0.1, "angle")
LEAST_CLAMPINGS = 2


@dataclass(frozen=True)
class Read:
    """Lost motion at the handle by place, the worm's float taken off [deg]; `u` of one of them."""

    places: Mapping[int, float]
    u: float
    float_deg: float
    float_u: float

    def whole(self, ctx: Context) -> bool:
        """Whether every place was read, and the float that is to be taken off is known."""
        measured = ctx.given["float"] != MEASURED or self.float_u > 0
        return measured and len(self.places) == int(ctx.given["places"])


def of_quantity(gauge: Gauge, otherwise: Gauge) -> Gauge:
    """The gauge, or where it measures something else than was read what is usual: degrees are not read by a dial.

    >>> of_quantity(UNKNOWN, PROTRACTOR).name
    'no protractor named'
    """
    return gauge if gauge.quantity == otherwise.quantity else otherwise


def read_of(ctx: Context) -> Read | None:
    """What the round's own places read; None while none was."""
    slots = around_slots(ctx)
    sifted = sift(slots, ctx.now())
    found = {
        n: v
        for n, s in enumerate(slots, 1)
        if (e := sifted.counted.get(s.key)) and (v := e.number) is not None
    }
    if not found:
        return None
    off, off_u = float_of(ctx)
    gauges = [of_quantity(g, PROTRACTOR) for g in sifted.gauges(slots, ctx)]
    one = budget({str(n): [v] for n, v in found.items()}, gauges, "travel", SCATTER_DEG)
    u = math.hypot(one.resolution, one.calibration, SCATTER_DEG)
    return Read({n: v - off for n, v in found.items()}, u, off, off_u)


def float_of(ctx: Context) -> tuple[float, float]:
    """What the worm's end float adds at the handle, with its standard uncertainty [deg]; 0 where it is in it."""
    first = ctx.at(max(ctx.first_round, 1))
    slots = float_slots(first)
    sifted = sift(slots, first.now())
    values = [v for g in sifted.numbers(slots).values() for v in g]
    if not values:
        return 0.0, 0.0
    gauges = [of_quantity(g, UNKNOWN) for g in sifted.gauges(slots, first)]
    parts = budget({"float": values}, gauges, "travel", FLOAT_SCATTER_MM)
    lead = float(ctx.given["lead"])
    return float_at_handle_deg(parts.mean, lead), float_at_handle_deg(parts.u, lead)


def tightest_before(ctx: Context) -> int:
    """The tightest place of the last round that was read."""
    for number in range(ctx.round - 1, 0, -1):
        read = read_of(ctx.at(number))
        if read is not None and read.places:
            return min(read.places, key=read.places.__getitem__)
    return 1


def clamp_of(ctx: Context) -> Normal | None:
    """What clamping adds at the handle [deg], once it was read before and after at least twice."""
    added = []
    for number in range(2, ctx.round + 1):
        then = ctx.at(number)
        read, slots = read_of(then), before_clamping(then, tightest_before(then))
        snug = sift(slots, then.now()).counted.get("snug")
        if read is None or snug is None or snug.number is None:
            continue
        clamped = read.places.get(int(slots[0].axes["place"]))
        if clamped is not None:
            added.append(clamped - (snug.number - read.float_deg))
    if len(added) < LEAST_CLAMPINGS:
        return None
    scatter = max(stdev(added), SCATTER_DEG * math.sqrt(2))
    return Normal(fmean(added), scatter / math.sqrt(len(added)))
