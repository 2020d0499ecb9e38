"""The face of a ram's gauge: pressure outside, push inside, the wanted reading, the red line."""

from __future__ import annotations

import math
from typing import cast

from bornek.core.draw import nice_step
from bornek.core.errors import BornekError
from bornek.core.facts.reckoned import Reckoned
from bornek.core.fits.ram_gauge import RamGauge
from bornek.core.fits.sums import number_of
from bornek.core.quantities import UNITS
from bornek.core.scenes import Band, Dial, Tick
from bornek.core.settings.given import read_so_far
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_calculation

SWEEP = (-135.0, 135.0)
AROUND = 0.1
"""The wanted reading is shown as a band of a tenth to each side."""


def gauge_face(body: Reckoned) -> Dial | None:
    """None where what was given cannot be read any more."""
    kind = cast(RamGauge, find_calculation("fit_ram"))
    given, problems = read_so_far(kind, body.given, body.unit)
    if problems:
        return None
    ctx = Context(given=given, unit=body.unit)
    try:
        area, red = kind.area(ctx), kind.red_line(ctx)
    except (BornekError, KeyError):
        return None
    unit = str(given.get("unit", "MPa"))
    per = UNITS["pressure"][unit]
    force, reading = number_of(ctx, "force"), number_of(ctx, "reading")
    wanted = force / area / per if force is not None else None
    stop = red[0] / per if red is not None else None
    most = max([x for x in (wanted, stop, reading and reading / per) if x] or [100.0]) * 1.25
    step = nice_step(most, 8)
    hi = math.ceil(most / step) * step
    inner_step = nice_step(hi * per * area / 1000, 6)
    inner_hi = hi * per * area / 1000
    return Dial(
        label="Gauge of this ram",
        unit=unit,
        lo=0.0,
        hi=hi,
        sweep=SWEEP,
        ticks=tuple(
            Tick(n * step / 2, f"{n * step / 2:g}" if n % 2 == 0 else "")
            for n in range(round(2 * hi / step) + 1)
        ),
        inner_unit="kN",
        inner=tuple(
            Tick(n * inner_step / (per * area / 1000), f"{n * inner_step:g}")
            for n in range(int(inner_hi / inner_step) + 1)
        ),
        window=None
        if wanted is None
        else Band(wanted * (1 - AROUND), wanted * (1 + AROUND), f"{wanted:.3g}", wanted),
        stop=None if stop is None else Band(stop, hi, f"{stop:.3g}"),
        needle=None if reading is None else reading / per,
    )
