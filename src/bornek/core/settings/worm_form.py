"""What a worm and wheel are asked for, and in what their limit is said."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.mesh.worm import at_wheel_deg, length_at_mm
from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field

LEAST_PLACES, MOST_PLACES = 4, 12
WHEEL, HANDLE, LENGTH = "wheel", "handle", "length"
ECCENTRIC, MEASURED, APART = "eccentric", "measured", "apart"


@dataclass(frozen=True)
class Said:
    """In what a limit is said: quantity and its unit; `per` of it for each degree at the handle."""

    quantity: str
    unit: str
    per: float


def said_of(given: Mapping[str, Any]) -> Said:
    """In what the limit is said, and how much of it a degree at the handle is.

    >>> round(said_of({"limit_as": "wheel", "starts": 1, "teeth": 60}).per * 60, 3)
    1.0
    """
    ratio = ratio_of(given)
    if given["limit_as"] == HANDLE:
        return Said("angle", "deg", 1.0)
    if given["limit_as"] == WHEEL:
        return Said("angle", "arcmin", at_wheel_deg(1.0, ratio))
    return Said("length", "", length_at_mm(at_wheel_deg(1.0, ratio), float(given["radius"])))


def ratio_of(given: Mapping[str, Any]) -> float:
    return int(given["teeth"]) / int(given["starts"])


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form([*_limits(given), *_worm(given), *_carrier(given)], aim=False)


def _limits(given: Mapping[str, Any]) -> list[Field]:
    as_said = given.get("limit_as", WHEEL)
    ends = (("least", "Least lost motion"), ("greatest", "Greatest lost motion"))
    if as_said == LENGTH:
        limits = [Field(key, label, "length", lo=0, hi=20) for key, label in ends]
    else:
        unit = "arcmin" if as_said == WHEEL else "deg"
        limits = [
            Field(key=key, label=label, quantity="angle", lo=0, hi=90, unit=unit) for key, label in ends
        ]
    return [
        Field("limit_as", "The limit is said as", "choice", default=WHEEL, why="Asked, never guessed.", options=(
            (WHEEL, "arc minutes at the wheel"), (HANDLE, "degrees at the handle"), (LENGTH, "a length at a radius"))),
        *limits,
        Field("radius", "Radius for the length", "length", required=as_said == LENGTH, lo=1, hi=5000,
              why="What the lost motion comes to out there."),
        Field(key="places", label="Places around the wheel", quantity="count", default=LEAST_PLACES, lo=LEAST_PLACES,
              hi=MOST_PLACES),
    ]  # fmt: skip


def _worm(given: Mapping[str, Any]) -> list[Field]:
    measured = given.get("float", MEASURED) == MEASURED
    return [
        Field(key="starts", label="Starts of the worm", quantity="count", default=1, lo=1, hi=12),
        Field("teeth", "Teeth of the wheel", "count", lo=10, hi=500),
        Field("float", "The worm's own end float", "choice", default=MEASURED,
              options=((MEASURED, "is measured and taken off"), ("included", "is in what is read"))),
        *([Field("lead", "Lead of the worm, one turn", "length", lo=0.1, hi=500)] if measured else []),
    ]  # fmt: skip


def _carrier(given: Mapping[str, Any]) -> list[Field]:
    asked = [
        Field("carrier", "The worm sits in", "choice", default=ECCENTRIC,
              options=((ECCENTRIC, "an eccentric carrier"), ("fixed", "fixed bearings"))),
        Field("first", "It is read", "choice", default="found",
              options=(("found", "as it stands together"), (APART, "after it was put together"))),
        Field("small_part", "Small loose part at the worm's end", "text", required=False,
              why="A button or a ball that stays on the tray when the worm goes in."),
    ]  # fmt: skip
    if given.get("carrier", ECCENTRIC) != ECCENTRIC:
        return asked
    return [
        *asked,
        Field("throw", "Throw of the carrier", "length", lo=0.05, hi=50, why="Half of what it moves in half a turn."),
        Field(key="deepest", label="Deepest mesh at", quantity="angle", default=0.0, lo=-360, hi=360,
              why="On the carrier's own scale."),
        Field(key="pressure_angle", label="Pressure angle, along the worm", quantity="angle", default=20.0, lo=10, hi=35),
        Field("pitch_radius", "Pitch radius of the wheel", "length", lo=5, hi=5000),
    ]  # fmt: skip
