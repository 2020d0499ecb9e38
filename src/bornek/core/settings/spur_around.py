"""What the readings around a pair of gears tell besides: its runout, what the centre distance makes, as a table."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from bornek.core.around import first_harmonic
from bornek.core.draw import value_label
from bornek.core.mesh.spur import centre_mm, lash_by_centre_mm, runout_of_lash_mm, transverse_pressure_deg
from bornek.core.quantities import Speech
from bornek.core.readings import resolution_u
from bornek.core.scenes import Table
from bornek.core.settings.kind import Result, speech
from bornek.core.settings.lash_around import SCATTER_PRIOR_MM
from bornek.core.settings.records import Context
from bornek.core.settings.spur_form import INDICATOR, LEAST_PLACES, WIRE, across_of
from bornek.core.windows import Normal
from bornek.core.working import Line, Working

WIRE_SCATTER_MM = 0.008
"""A wire is squeezed a little otherwise each time."""


def scatter_of(ctx: Context) -> float:
    return SCATTER_PRIOR_MM if ctx.given["method"] == INDICATOR else WIRE_SCATTER_MM


def table_of(results: Sequence[Result], say: Speech) -> Table:
    """What else the readings around tell, each with its limit and verdict."""
    rows = [
        (
            r.label,
            value_label(r.value, say),
            r.window.words(say) if r.window is not None else "",
            r.verdict.words if r.window is not None else "",
        )
        for r in results[1:]
    ]
    return Table("Around the gear", ("", "Found", "Limit", ""), tuple(rows))


def by_centre(ctx: Context) -> list[Result]:
    """What the measured centre distance makes of backlash, against the gears' own."""
    if ctx.given.get("centre") is None:
        return []
    z1, z2, helix = int(ctx.given["z1"]), int(ctx.given["z2"]), float(ctx.given["helix"])
    module, pressure = float(ctx.given["module"]), float(ctx.given["pressure_angle"])
    own, say = centre_mm(z1, z2, module, helix), speech(ctx)
    apart = float(ctx.given["centre"]) - own
    lash = lash_by_centre_mm(apart, pressure, helix)
    lines = (
        Line("The gears' own centre distance", f"{module:g} × ({z1} + {z2}) ÷ (2 × cos {helix:g}°)", f"{own:.3f} mm"),
        Line("It stands apart by", f"{float(ctx.given['centre']):.3f} − {own:.3f}", say.number(apart)),
        Line("That is backlash", f"2 × tan {transverse_pressure_deg(pressure, helix):.2f}° × {say.number(apart)}",
             say.number(lash), True),
    )  # fmt: skip
    u = resolution_u(ctx.find_gauge(), "size")
    return [
        Result(
            key="by_centre",
            label="Backlash that the centre distance gives",
            quantity="length",
            value=Normal(lash, lash_by_centre_mm(u, pressure, helix)),
            role="info",
            strip=False,
            working=Working(lines),
        )
    ]


def runout(ctx: Context, read: Mapping[int, float]) -> list[Result]:
    """The gear's runout as the lash around has it: its first harmonic, as the axes would have to move."""
    pressure, helix = float(ctx.given["pressure_angle"]), float(ctx.given["helix"])
    across = 1.0 if ctx.given["method"] == WIRE else across_of(ctx.given)
    swing = abs(first_harmonic([v * across for _, v in sorted(read.items())], LEAST_PLACES))
    value = runout_of_lash_mm(swing, pressure, helix)
    u = runout_of_lash_mm(scatter_of(ctx) * math.sqrt(2 / len(read)), pressure, helix)
    angle = transverse_pressure_deg(pressure, helix)
    say = speech(ctx)
    line = Line(
        "Runout by the lash around",
        f"2 × {say.number(swing)} ÷ (2 × tan {angle:.2f}°)",
        say.number(value),
        True,
    )
    return [
        Result(
            key="runout",
            label="Runout of the gear, by its lash",
            quantity="length",
            value=Normal(value, u),
            role="info",
            strip=False,
            working=Working((line,)),
        )
    ]
