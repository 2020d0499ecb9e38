"""Backlash as it was read around the gear, as the limit means it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from bornek.core.around import degrees_of, first_harmonic
from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.mesh.bevel_set import BevelSet
from bornek.core.mesh.lash import normal_lash, transverse_lash
from bornek.core.quantities import Speech
from bornek.core.readings import budget, spread
from bornek.core.scenes import Circle, Ray, Trace
from bornek.core.settings.bevel_form import KNOWN
from bornek.core.settings.bevel_limits import Force
from bornek.core.settings.common import source_lines
from bornek.core.settings.kind import Result
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Sum

SCATTER_PRIOR_MM = 0.004
RIM_SHARE = 1.4
LEAST_SPREAD_MM = 0.01
BEYOND = 1.02
"""An indicator farther out than this share of the outer pitch radius touches no tooth."""


def per_reading(given: Mapping[str, Any], s: BevelSet | None) -> float:
    """What the limit's backlash is for each mm that the indicator reads.

    As read: 1. Transverse: (r_e/r)/(cos ψ(r)·cos θ). Normal: that times cos ψ·cos α.

    >>> per_reading({"meant": "as_read"}, None)
    1.0
    """
    if given.get("meant", "as_read") == "as_read":
        return 1.0
    radius, outer = float(given["indicator_radius"]), _outer_radius(given)
    if radius > BEYOND * outer:
        raise RangeError(
            f"The indicator stands at {radius:g} mm, beyond the teeth: they end at {outer:.1f} mm.",
            field="indicator_radius",
            next_step="Measure from the gear's axis, not across it.",
        )
    spiral = math.radians(float(given["spiral_angle"]))
    if s is not None and s.spiral:
        spiral = s.spiral_at(s.outer_cone_mm * radius / outer)
    off = math.radians(float(given.get("indicator_angle", 0.0)))
    across = transverse_lash(1.0, outer / radius, off, spiral)
    if given["meant"] == "transverse":
        return across
    return normal_lash(across, spiral, math.radians(float(given["pressure_angle"])))


def _outer_radius(given: Mapping[str, Any]) -> float:
    """Outer pitch radius of the gear, m·z2/2 [mm], or as it was measured."""
    if given.get("geometry") == KNOWN:
        return float(given["module"]) * float(given["z2"]) / 2
    return float(given["outer_radius"])


def lash_results(
    values: Sequence[float],
    gauges: Sequence[Gauge],
    given: Mapping[str, Any],
    force: Force,
    per: float,
) -> list[Result]:
    """Mean around, the tightest tooth, and how much it varies; in the limit's own meaning."""
    window = force.lash
    total = Sum()
    total.mean(f"Mean of {len(values)}", list(values))
    if per != 1.0:
        total.line("As the limit means it", f"× {per:.3f}", sum(values) / len(values) * per)
    total.line("Tightest tooth", "the least of them", min(values) * per)
    parts = budget({str(i): [v] for i, v in enumerate(values)}, gauges, "travel", SCATTER_PRIOR_MM)
    value = Normal(parts.mean * per, parts.u * per)
    one = replace(parts, scatter=SCATTER_PRIOR_MM, n=1)
    tight = Normal(min(values) * per, one.u * per)
    below, worse = replace(window, hi=None), value.v - tight.v
    limit = Window(None, given["variation"], window.source)
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
            other=force.other,
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


def tightest_at(values: Sequence[float]) -> float:
    """Where around the gear the backlash is least, by the first harmonic of readings at equal angles [deg].

    >>> round(tightest_at([0.30, 0.34, 0.30, 0.26]))
    270
    """
    return degrees_of(-first_harmonic(values, 4))


def around_wheel(read: Mapping[int, float], teeth: int, per: float, say: Speech) -> Circle:
    """The readings by tooth about the wheel, tooth 1 at the top: nearer the middle is tighter."""
    found = {n: v * per for n, v in sorted(read.items())}
    mean = sum(found.values()) / len(found)
    most = max([LEAST_SPREAD_MM, *(abs(v - mean) for v in found.values())])
    rim = RIM_SHARE * most
    at = {n: (360 * (n - 1) / teeth, rim + v - mean) for n, v in found.items()}
    points = tuple(at.values())
    tight = min(found, key=found.__getitem__)
    rays = (Ray(*at[tight], f"tightest {say.number(found[tight])} at tooth {tight}"),)
    return Circle(
        "Backlash around the wheel", say.unit, rim + most, rays, "1", rim, (Trace("backlash", points),)
    )
