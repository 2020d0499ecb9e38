"""Kinds of part: what each is called, how it is drawn in section, what group it is inspected with.

`along` and `radius` are in drawing units before scaling; a gear's radius comes from its mesh.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Shape = Literal[
    "gear",
    "bevel_pinion",
    "bevel_gear",
    "worm",
    "worm_wheel",
    "ring_gear",
    "carrier",
    "discs",
    "cup",
    "taper",
    "ball",
    "roller",
    "thrust",
    "bush",
    "seal",
    "cover",
    "cage",
    "nut",
    "washer",
    "spacer",
    "flange",
    "block",
    "dog",
    "shaft",
    "none",
]


@dataclass(frozen=True)
class PartKind:
    label: str
    shape: Shape
    along: float
    radius: float
    group: str


PART_KINDS: dict[str, PartKind] = {
    "shaft": PartKind("shaft", "shaft", 0, 12, "shaft"),
    "gear": PartKind("gear", "gear", 36, 60, "gear"),
    "bevel_pinion": PartKind("bevel pinion", "bevel_pinion", 46, 34, "gear"),
    "bevel_gear": PartKind("bevel or ring gear", "bevel_gear", 46, 92, "gear"),
    "worm": PartKind("worm", "worm", 88, 24, "gear"),
    "worm_wheel": PartKind("worm wheel", "worm_wheel", 34, 110, "gear"),
    "ring_gear": PartKind("internal ring gear", "ring_gear", 36, 110, "gear"),
    "planet_carrier": PartKind("planet carrier", "carrier", 16, 84, "shaft"),
    "taper_bearing": PartKind("tapered roller bearing", "taper", 36, 44, "rolling_bearing"),
    "ball_bearing": PartKind("ball bearing", "ball", 28, 40, "rolling_bearing"),
    "roller_bearing": PartKind("cylindrical roller bearing", "roller", 30, 42, "rolling_bearing"),
    "spherical_bearing": PartKind("spherical roller bearing", "roller", 36, 46, "rolling_bearing"),
    "thrust_bearing": PartKind("thrust bearing", "thrust", 34, 42, "rolling_bearing"),
    "bush": PartKind("bush or plain bearing", "bush", 40, 24, "bush"),
    "seal": PartKind("seal", "seal", 0, 28, "seal"),
    "felt": PartKind("felt ring", "seal", 0, 28, "seal"),
    "cover": PartKind("cover", "cover", 20, 62, "housing"),
    "cage": PartKind("bearing carrier", "cage", 16, 70, "housing"),
    "housing": PartKind("housing", "none", 0, 0, "housing"),
    "nut": PartKind("lock nut", "nut", 18, 28, "nut"),
    "lock_washer": PartKind("lock washer", "washer", 6, 30, "lock_washer"),
    "spacer": PartKind("spacer", "spacer", 22, 20, "spacer"),
    "coupling": PartKind("coupling or flange", "flange", 26, 44, "shaft"),
    "discs": PartKind("brake or clutch discs", "discs", 48, 74, "spline"),
    "brake_drum": PartKind("brake or clutch drum", "cup", 46, 88, "spline"),
    "rotor": PartKind("rotor", "block", 130, 66, "shaft"),
    "drum": PartKind("drum, wheel or sprocket", "flange", 34, 84, "gear"),
    "table": PartKind("table or face plate", "flange", 30, 150, "housing"),
    "chuck": PartKind("spindle nose", "flange", 30, 58, "shaft"),
    "pulley": PartKind("pulley", "block", 44, 60, "shaft"),
    "dog": PartKind("sliding dog or sleeve", "dog", 34, 36, "fork"),
    "fork": PartKind("shift fork", "none", 0, 0, "fork"),
    "rail": PartKind("shift rail", "none", 0, 0, "fork"),
    "interlock": PartKind("interlock or detent", "none", 0, 0, "interlock"),
    "spline": PartKind("splined hub", "block", 34, 30, "spline"),
    "key": PartKind("key", "none", 0, 0, "key"),
    "fastener": PartKind("bolt, screw or washer", "none", 0, 0, "fastener"),
    "oil_part": PartKind("oil ring, slinger or pump", "washer", 8, 40, "housing"),
    "breather": PartKind("breather or vent", "none", 0, 0, "housing"),
    "snap_ring": PartKind("snap ring", "washer", 5, 20, "fastener"),
    "other": PartKind("other part", "spacer", 18, 20, "spacer"),
}

FAMILIES: tuple[tuple[str, tuple[str, ...]], ...] = (
    (
        "Bearings",
        ("taper_bearing", "ball_bearing", "roller_bearing", "spherical_bearing", "thrust_bearing", "bush"),
    ),
    ("Gears", ("gear", "bevel_pinion", "bevel_gear", "worm", "worm_wheel", "ring_gear", "planet_carrier")),
    ("Covers and seals", ("cover", "cage", "seal", "felt")),
    ("Nuts and spacers", ("nut", "lock_washer", "spacer", "snap_ring", "oil_part")),
    ("Ends and drives", ("coupling", "pulley", "drum", "rotor", "chuck", "table", "spline")),
    ("Clutch and brake", ("discs", "brake_drum", "dog", "fork", "rail", "interlock")),
    ("Else", ("shaft", "housing", "fastener", "key", "breather", "other")),
)
"""Kinds as they stand together where one is chosen; each stands once."""

GEARS = frozenset({"gear", "bevel_pinion", "bevel_gear", "worm", "worm_wheel", "ring_gear"})
BEARINGS = frozenset({"taper_bearing", "ball_bearing", "roller_bearing", "spherical_bearing", "bush"})
"""Bearings that a housing wall carries; a thrust bearing needs none of its own."""
POSITION = GEARS | BEARINGS | {"thrust_bearing", "cover", "cage", "nut", "spacer", "shaft"}
"""Parts whose removal ends what could be read of the shaft as it stood."""
