"""What a bevel pair is asked for, and the set that the model makes of it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from functools import lru_cache
from typing import Any

from bornek.core.errors import BornekError
from bornek.core.mesh.bevel_set import CUTTER_PER_RM, UNKNOWN_BIAS, BevelSet, Side
from bornek.core.mesh.first_depth import FARTHER, NEARER
from bornek.core.mesh.turning import OTHER, hand_of, loaded_flank
from bornek.core.settings.common import whole_form
from bornek.core.settings.kind import Field

WHERE = "Shims move there, and what rests on it is read again."
LEAST_TEETH, MOST_TEETH = 4, 12
KNOWN = "known"
WAYS = (("out", "moves it out, away from the other gear"), ("in", "moves it in, deeper into mesh"),
        ("unknown", "nobody knows yet"))  # fmt: skip
HOLDS = (
    ("block", "by a block in the teeth of another pair"),
    ("gears", "by two gears in at once"),
    ("person", "by a second person"),
)
STRAIGHT_DEPTH, SPIRAL_DEPTH = 2.0, 1.7
"""Working depth in outer modules."""
ADDENDUM = {False: (0.54, 0.46), True: (0.46, 0.39)}
"""Gear addendum in outer modules: a + b/(z2/z1)², straight and spiral."""


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form(
        [*_limits(given), *_packs(), *_geometry(given), *_running(), *_first(given), *_housing(given)]
    )


def _limits(given: Mapping[str, Any]) -> list[Field]:
    as_read = given.get("meant", "as_read") == "as_read"
    return [
        Field("least", "Least backlash", "length", lo=0, hi=5),
        Field("greatest", "Greatest backlash", "length", lo=0, hi=5),
        Field("meant", "The limit means backlash", "choice", default="as_read", why="Asked, never guessed.", options=(
            ("as_read", "as read in the same set-up"), ("transverse", "across the tooth at the outer pitch circle"),
            ("normal", "square to the tooth face"))),
        *([] if as_read else [
            Field("indicator_radius", "The indicator stands at radius", "length", lo=1, hi=5000),
            *([] if given.get("geometry") == KNOWN else [
                Field("outer_radius", "The gear's outer pitch radius", "length", lo=1, hi=5000)]),
            Field(key="indicator_angle", label="Off square to the tooth", quantity="angle", default=0.0, lo=0, hi=60)]),
        Field(key="variation", label="Greatest variation around", quantity="length", default=0.05, lo=0, hi=1),
        Field(key="teeth", label="Teeth read around", quantity="count", default=LEAST_TEETH, lo=LEAST_TEETH, hi=MOST_TEETH),
        Field("ran_with", "Backlash it ran with, as found", "length", required=False, lo=0, hi=5,
              why="A worn pair that ran well goes back to it, where the job's school says so."),
        Field(key="ran_give", label="Give about that", quantity="length", default=0.03, lo=0.005, hi=0.5),
        Field("ran", "By its witness it ran", "choice", default="cannot tell",
              options=(("well", "well"), ("badly", "badly"), ("cannot tell", "cannot tell"))),
    ]  # fmt: skip


def _packs() -> list[Field]:
    return [
        Field("pinion_sense", "Adding pinion shims", "choice", options=WAYS),
        Field("pinion_place", "Pinion shims lie at", "place", required=False, why=WHERE),
        Field("left_sense", "Adding shims at the left of the gear", "choice", options=WAYS, default="out"),
        Field("left_place", "Left carrier shims lie at", "place", required=False, why=WHERE),
        Field("right_place", "Right carrier shims lie at", "place", required=False, why=WHERE),
        Field("carrier_total", "Carrier shims, both sides together", "length", lo=0.1, hi=20,
              why="What leaves one side goes to the other: the carrier bearings keep their preload."),
    ]  # fmt: skip


def _geometry(given: Mapping[str, Any]) -> list[Field]:
    known = given.get("geometry") == KNOWN
    asked = [
        Field("geometry", "Teeth and cones of the pair", "choice", default="unknown",
              options=((KNOWN, "known: the contact is reckoned ahead"), ("unknown", "not known: by paint alone"))),
        Field("pinion_angle", "Pinion pitch angle", "angle", required=not known, lo=5, hi=85),
        Field(key="pressure_angle", label="Pressure angle", quantity="angle", default=20.0, lo=10, hi=30),
        Field(key="spiral_angle", label="Spiral angle", quantity="angle", default=0.0, lo=0, hi=50),
        Field(key="offset", label="Pinion axis passes the gear's by", quantity="length", default=0.0, lo=0, hi=500,
              why="A hypoid pair: no rule here holds for it."),
    ]  # fmt: skip
    if not known:
        return asked
    spiral = float(given.get("spiral_angle", 0.0) or 0.0) > 0
    return [
        *asked,
        Field("z1", "Pinion teeth", "count", lo=5, hi=200),
        Field("z2", "Gear teeth", "count", lo=5, hi=200),
        Field("module", "Module at the outer end", "length", lo=0.5, hi=40),
        Field("face", "Face width", "length", lo=1, hi=500),
        *([Field("hand", "The pinion's hand", "choice", options=(("left", "left"), ("right", "right"))),
           Field("cutter", "Cutter radius", "length", required=False, lo=5, hi=1000, why="Empty: nobody knows it.")]
          if spiral else []),
    ]  # fmt: skip


def _running() -> list[Field]:
    return [
        Field("driver", "At work it is driven by", "choice", default="pinion",
              options=(("pinion", "the pinion"), ("gear", "the gear"))),
        Field("forward", "Going forward the pinion turns, seen from its shaft's end", "choice", required=False,
              options=(("clockwise", "clockwise"), ("counter-clockwise", "counter-clockwise"))),
        Field("hold", "The pinion is held", "choice", options=HOLDS, default="block"),
        Field("torque", "Torque on the gear at work", "torque", required=False, lo=1, hi=1_000_000,
              why="For the contact under load, as the model has it."),
        Field(key="pinion_play", label="Pinion end play", quantity="length", default=0.0, lo=0, hi=2),
    ]  # fmt: skip


def _first(given: Mapping[str, Any]) -> list[Field]:
    way = given.get("depth_way", "found")
    asked = [
        Field("depth_way", "The pinion goes in first", "choice", default="found", options=(
            ("found", "with the pack as found"), ("gauge", "by gauge block and arbor"), ("mark", "by the mark on it"),
            ("flush", "with the heel ends flush (straight, new pair)"))),
    ]  # fmt: skip
    if way == "gauge":
        asked += [
            Field("depth_gap", "Gap from block to the pinion's seat", "length", lo=0, hi=50),
            Field("depth_block", "Gauge block, with the arbor's radius", "length", lo=1, hi=2000),
            Field("distance", "Mounting distance marked", "length", lo=1, hi=2000),
        ]
    if way == "mark":
        asked += [
            Field("reference_pack", "Reference pack", "length", lo=0.05, hi=20),
            Field("mark", "Mark on the pinion", "length", lo=-2, hi=2),
            Field("mark_convention", "The mark means", "choice",
                  options=((FARTHER, FARTHER), (NEARER, NEARER), ("not known", "nobody knows"))),
        ]  # fmt: skip
    return asked


def _housing(given: Mapping[str, Any]) -> list[Field]:
    asked = [
        Field("housing", "The pair sits", "choice", default="own",
              options=(("own", "in the housing it ran in"), ("other", "in another housing"))),
    ]  # fmt: skip
    if given.get("housing") == "other":
        asked += [
            Field("pack_with_set", "Pinion pack it came with", "length", lo=0, hi=20),
            Field("pack_of_housing", "Pinion pack this housing had", "length", lo=0, hi=20),
            Field(
                key="housing_tolerance",
                label="Housings may differ by",
                quantity="length",
                default=0.1,
                lo=0,
                hi=2,
            ),
        ]
    return asked


HYPOID = (
    "The axes pass each other: a hypoid pair. Neither contact nor move is reckoned here; go by the maker's manual. "
    "What is read and painted is judged and kept."
)


def why_no_set(given: Mapping[str, Any]) -> str:
    """Why the model has nothing to say of this pair, in words; empty where it has."""
    if given.get("offset"):
        return HYPOID
    if given.get("geometry") != KNOWN:
        return ""
    try:
        make_set(given)
    except BornekError as error:
        return f"The contact cannot be reckoned ahead: {error.message} Paint is judged all the same."
    return ""


def set_of(given: Mapping[str, Any]) -> BevelSet | None:
    """The pair as the model has it; None where its geometry is not known or lies outside the model."""
    if given.get("offset") or given.get("geometry") != KNOWN:
        return None
    try:
        return make_set(given)
    except BornekError:
        return None


def make_set(given: Mapping[str, Any]) -> BevelSet:
    """What was given as a set; what nobody measures is taken from the usual proportions of such gears: depth, addendum,
    on a spiral pair bias 0.8, and rc = 1.2 Rm where nobody knows the cutter. Raises RangeError."""
    return _made(
        int(given["z1"]),
        int(given["z2"]),
        float(given["module"]),
        float(given["face"]),
        float(given["spiral_angle"]),
        float(given.get("cutter") or 0.0),
        float(given["pressure_angle"]),
        str(given.get("hand", "left")),
    )


@lru_cache(maxsize=64)
def _made(
    z1: int, z2: int, module: float, face: float, spiral: float, cutter: float, pressure: float, hand: str
) -> BevelSet:
    curved = spiral > 0
    depth = (SPIRAL_DEPTH if curved else STRAIGHT_DEPTH) * module
    a, b = ADDENDUM[curved]
    mean_cone = module * z2 / (2 * math.sin(math.atan2(z2, z1))) - face / 2
    return BevelSet(
        z1=z1,
        z2=z2,
        module=module,
        face=face,
        spiral_deg=spiral,
        cutter=(cutter or CUTTER_PER_RM * mean_cone) if curved else None,
        pressure_deg=pressure,
        depth=depth,
        gear_addendum=round(module * (a + b / (z2 / z1) ** 2), 4),
        hand=hand_of("left" if hand == "left" else "right"),
        bias=UNKNOWN_BIAS if curved else 0.0,
    )


def model_side(s: BevelSet, given: Mapping[str, Any], flank: Side) -> Side:
    """The model's flank for the one called `flank` at the bench: drive is the one that is loaded going forward."""
    forward = given.get("forward")
    if forward is None:
        return flank
    loaded = loaded_flank(s, forward, given.get("driver", "pinion"))
    return loaded if flank == "drive" else OTHER[loaded]
