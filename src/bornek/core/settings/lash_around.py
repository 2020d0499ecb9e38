"""What every backlash read around a wheel shares: its stations, its results, its circle."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace

from bornek.core.gauges import Gauge
from bornek.core.readings import budget, spread
from bornek.core.scenes import Circle, Ray, Trace
from bornek.core.settings.common import source_lines
from bornek.core.settings.kind import Result, Slot
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Sum

RIM_SHARE = 1.4
SCATTER_PRIOR_MM = 0.004
LEAST_SPREAD_MM = 0.01


def lash_slot(n: int, places: int, posture: str) -> Slot:
    """Station n of so many, at equal angles around the wheel: an indicator's travel on a tooth."""
    step = f" Then {360 / places:.0f}° on to the next." if places else ""
    return Slot(
        key=f"lash.{n}",
        label=f"Backlash, tooth {n}",
        group="Backlash",
        axes={"tooth": n, "angle": round(360 * (n - 1) / places)},
        quantity="length",
        nature="travel",
        posture=f"{posture}{step}",
        plausible=(0.0, 3.0),
        peers="lash",
    )


def around_wheel(
    found: Mapping[int, float],
    places: int,
    said: Callable[[float], str],
    unit: str,
    least: float,
    at: str = "tooth",
) -> Circle:
    """The readings by place about the wheel, the first at the top: nearer the middle is tighter. `least`: a spread below
    which it is not drawn larger."""
    found = dict(sorted(found.items()))
    mean = sum(found.values()) / len(found)
    most = max([least, *(abs(v - mean) for v in found.values())])
    rim = RIM_SHARE * most
    points = {n: (360 * (n - 1) / places, rim + v - mean) for n, v in found.items()}
    tight = min(found, key=found.__getitem__)
    rays = (Ray(*points[tight], f"tightest {said(found[tight])} at {at} {tight}"),)
    trace = Trace("backlash", tuple(points.values()))
    return Circle(
        "Backlash around the wheel",
        unit,
        rays=rays,
        radius=rim + most,
        zero_label="1",
        rim=rim,
        traces=(trace,),
    )


def lash_results(
    values: Sequence[float],
    gauges: Sequence[Gauge],
    windows: tuple[Window, Window | None],
    most: float,
    per: float,
    scatter: float = SCATTER_PRIOR_MM,
) -> list[Result]:
    """Mean around, the tightest tooth, and how much it varies, at most `most`; each reading is `per` of what the limit
    means. `windows`: the one in force, and the other school's. `scatter`: of one reading."""
    window, other = windows
    total = Sum()
    total.mean(f"Mean of {len(values)}", list(values))
    if per != 1.0:
        total.line("As the limit means it", f"× {per:.3f}", sum(values) / len(values) * per)
    total.line("Tightest tooth", "the least of them", min(values) * per)
    parts = budget({str(i): [v] for i, v in enumerate(values)}, gauges, "travel", scatter)
    value = Normal(parts.mean * per, parts.u * per)
    one = replace(parts, scatter=scatter, n=1)
    tight = Normal(min(values) * per, one.u * per)
    below, worse = replace(window, hi=None), value.v - tight.v
    limit = Window(None, most, window.source)
    around = Normal(spread(values) * per, math.hypot(one.resolution, one.scatter) * math.sqrt(2) * per)
    return [
        Result(
            key="backlash",
            label="Backlash",
            quantity="length",
            value=value,
            window=window,
            working=total.working(*source_lines(window)),
            verdict=verdict(value, window),
            steer=replace(window, lo=window.low + worse) if window.low + worse < window.high else None,
            other=other,
            readings=tuple(v * per for v in values),
        ),
        Result(
            key="tightest",
            label="Backlash at the tightest tooth",
            quantity="length",
            value=tight,
            window=below,
            verdict=verdict(tight, below),
            strip=False,
        ),
        Result(
            key="variation",
            label="Variation around",
            quantity="length",
            value=around,
            window=limit,
            role="target" if len(values) > 1 else "info",
            strip=False,
            verdict=verdict(around, limit),
        ),
    ]
