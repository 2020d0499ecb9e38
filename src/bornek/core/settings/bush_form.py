"""What a plain bearing is asked for, and the clearance that is wanted of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.settings.common import temperature_fields, whole_form
from bornek.core.settings.kind import Field
from bornek.core.settings.places_around import FORM_LIMIT


def share_of_mm(diameter_mm: float, per_mille: float) -> float:
    """A clearance given as a share of the diameter.

    Equation: c = d · s / 1000, d [mm] 1 to 2000, s [‰] 0 to 10. Source: definition. Raises RangeError outside.

    >>> share_of_mm(50, 1.2)
    0.06
    """
    if not 1 <= diameter_mm <= 2000:
        raise RangeError(f"diameter must be 1 to 2000 mm (got {diameter_mm:g}).", field="diameter")
    if not 0 <= per_mille <= 10:
        raise RangeError(
            f"A share must be 0 to 10 per mille (got {per_mille:g}). Was it per cent?", field="share"
        )
    return round(diameter_mm * per_mille / 1000, 9)


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    own = [
        Field(
            "method",
            "Measured",
            "choice",
            default="gauges",
            options=(
                ("gauges", "bore and journal, each by gauge"),
                ("strip", "soft wire or strip squeezed under the cap"),
            ),
        ),
        Field("diameter", "Diameter", "length", lo=1, hi=2000),
        Field(key="least", label="Least clearance", quantity="length", required=False, lo=0, hi=5),
        Field(key="greatest", label="Greatest clearance", quantity="length", required=False, lo=0, hi=5),
        *(
            Field(
                f"{end}_share", f"or {end}, per mille of the diameter", "number", required=False, lo=0, hi=10
            )
            for end in ("least", "greatest")
        ),
        FORM_LIMIT,
        Field(
            "remedy",
            "Can be brought right by",
            "choice",
            default="none",
            options=(
                ("none", "re-use or replace only"),
                ("ream", "a bush reamed or honed to size"),
                ("cap_shims", "shims under the cap, the same on both sides"),
                ("scrape", "scraping"),
            ),
        ),
        Field(
            key="torque",
            label="Cap bolt torque",
            quantity="torque",
            required=given.get("method") == "strip",
            lo=0,
            hi=5000,
        ),
    ]
    return whole_form([*own, *temperature_fields("Parts'")])


def ends_given(given: Mapping[str, Any]) -> tuple[float | None, float | None]:
    """Least and greatest clearance [mm], given in length or as a share. Raises RangeError where neither is given."""
    least, greatest = (_end(given, name) for name in ("least", "greatest"))
    if least is None and greatest is None:
        raise RangeError(
            "No least or greatest clearance is given.",
            field="least",
            next_step="Give it in length, or as a share of the diameter.",
        )
    return least, greatest


def _end(given: Mapping[str, Any], name: str) -> float | None:
    length, share = given.get(name), given.get(f"{name}_share")
    if length is not None or share is None:
        return length
    return share_of_mm(float(given["diameter"]), float(share))
