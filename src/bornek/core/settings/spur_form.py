"""What a pair of spur or helical gears is asked for, and what the limit's backlash is for each mm read."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.mesh.lash import normal_lash, transverse_lash
from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field

INDICATOR, WIRE, SHIMS = "indicator", "wire", "shims"
LEAST_PLACES, MOST_PLACES = 4, 12
BEYOND = 1.1


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form([*_limits(given), *_gears(), *_centre(given)], aim=False)


def _limits(given: Mapping[str, Any]) -> list[Field]:
    by_indicator = given.get("method", INDICATOR) == INDICATOR
    meant = [("transverse", "across the tooth at the pitch circle"), ("normal", "square to the tooth face")]
    if by_indicator:
        meant.insert(0, ("as_read", "as read in the same set-up"))
    return [
        Field("method", "It is read", "choice", default=INDICATOR,
              options=((INDICATOR, "by an indicator on a tooth"), (WIRE, "by a soft wire squeezed in both flanks"))),
        Field("least", "Least backlash", "length", lo=0, hi=5),
        Field("greatest", "Greatest backlash", "length", lo=0, hi=5),
        Field("meant", "The limit means backlash", "choice", default=meant[0][0], options=tuple(meant),
              why="Asked, never guessed."),
        *([Field("indicator_radius", "The indicator stands at radius", "length", required=given.get("meant", "as_read") != "as_read",
                 lo=1, hi=5000)] if by_indicator else []),
        Field(key="variation", label="Greatest variation around", quantity="length", default=0.05, lo=0, hi=1),
        Field(key="places", label="Places around the gear", quantity="count", default=LEAST_PLACES, lo=LEAST_PLACES,
              hi=MOST_PLACES),
    ]  # fmt: skip


def _gears() -> list[Field]:
    return [
        Field("z1", "Teeth of the pinion", "count", lo=5, hi=400),
        Field("z2", "Teeth of the gear", "count", lo=5, hi=500),
        Field("module", "Module, square to the tooth", "length", lo=0.2, hi=60),
        Field(key="helix", label="Helix angle", quantity="angle", default=0.0, lo=0, hi=45),
        Field(key="pressure_angle", label="Pressure angle, square to the tooth", quantity="angle", default=20.0, lo=14, hi=30),
    ]  # fmt: skip


def _centre(given: Mapping[str, Any]) -> list[Field]:
    shims = given.get("adjust", "none") == SHIMS
    return [
        Field("centre", "Centre distance, as measured", "length", required=False, lo=1, hi=10_000,
              why="What it differs from the gears' own is backlash."),
        Field("adjust", "The centre distance", "choice", default="none",
              options=(("none", "is fixed by the case"), (SHIMS, "is set by shims under bearing blocks"))),
        *([Field("sense", "Adding shims brings the axes", "choice", options=(("apart", "apart"), ("together", "together")))]
          if shims else []),
    ]  # fmt: skip


def across_of(given: Mapping[str, Any]) -> float:
    """Transverse backlash at the gear's pitch circle for each mm that an indicator reads."""
    radius = given.get("indicator_radius")
    if radius is None:
        return 1.0
    helix = math.radians(float(given["helix"]))
    pitch = float(given["module"]) * int(given["z2"]) / (2 * math.cos(helix))
    if float(radius) > BEYOND * pitch:
        raise RangeError(
            f"The indicator stands at {float(radius):g} mm, beyond the teeth: their pitch circle is at {pitch:.1f} mm.",
            field="indicator_radius",
            next_step="Measure from the gear's axis, not across it.",
        )
    return transverse_lash(1.0, pitch / float(radius), 0.0, helix)


def per_reading(given: Mapping[str, Any]) -> float:
    """What the limit's backlash is for each mm read; a wire's reading is across the tooth already."""
    if given["meant"] == "as_read":
        return 1.0
    across = 1.0 if given["method"] == WIRE else across_of(given)
    if given["meant"] == "transverse":
        return across
    return normal_lash(
        across, math.radians(float(given["helix"])), math.radians(float(given["pressure_angle"]))
    )
