"""The build order of the chain ferry's final drive, as the yard's card has it: one step stands too late."""

from __future__ import annotations

from typing import Any

Row = dict[str, Any]


def step(key: str, label: str, *parts: str, **more: Any) -> Row:
    return {"key": key, "label": label, "parts": list(parts), **more}


SEALED: Row = {
    "consumables": ["sealant"], "open_minutes": 45.0, "torque": "95 N·m", "stages": ["30", "65"], "bolts": 10,
    "minutes": 30.0,
}  # fmt: skip

FINAL_DRIVE_STEPS: list[Row] = [
    step("housing-washed", "Housing washed, bores blown out", minutes=40.0, consumables=["solvent"],
         hold="no chip, no sealant left in a bore"),
    step("cups-in", "Bearing cups into both carriers", resource="press", minutes=25.0, tools=["Cup driver set"],
         needs=["housing-washed"]),
    step("ring-gear-on", "Ring gear onto the cross shaft", "cross-shaft", "ring-gear", "ring-bolts", "ring-tabs",
         torque="140 N·m", stages=["60", "110"], bolts=12, resource="press", minutes=60.0,
         needs=["housing-washed"]),
    step("drive-pinions-on", "Drive pinions onto the cross shaft", "drive-left", "drive-right", resource="press",
         minutes=30.0, needs=["ring-gear-on"]),
    step("cones-heated", "Carrier bearings into the oven", wait="heat", wait_minutes=50.0, alone="yes",
         resource="oven", minutes=5.0),
    step("cones-on", "Carrier bearings onto the cross shaft", "carrier-left", "carrier-right", minutes=15.0,
         needs=["drive-pinions-on", "cups-in", "cones-heated"]),
    step("cross-shaft-in", "Cross shaft in, ring gear to the right", resource="crane", minutes=40.0, hands=2,
         side="right", lift="the two M16 eye bolts of the shaft ends", needs=["cones-on"],
         wrong_way="both wheels run backwards", support="the cross shaft on two padded stands", turn="cross"),
    step("right-cover-dry", "Right carrier cover, dry", "carrier-cover-right", fit="dry", minutes=20.0,
         needs=["cross-shaft-in"]),
    step("left-cover-dry", "Left carrier cover, dry", "carrier-cover-left", fit="dry", minutes=20.0,
         needs=["cross-shaft-in"]),
    step("carrier-preload-set", "Carrier preload by drag", setting="carrier-preload", minutes=45.0,
         needs=["right-cover-dry", "left-cover-dry"]),
    step("pinion-dry", "Pinion in its carrier, dry", "pinion", "pinion-carrier", fit="dry", way_round="slots at 6",
         mark_at=6.0, wrong_way="the pinion bearing runs dry", minutes=45.0),
    step("backlash-seen", "Backlash and pattern", hold="backlash and pattern as it ran before, 0.20 to 0.26",
         minutes=60.0, needs=["carrier-preload-set", "pinion-dry"]),
    step("left-cover", "Left carrier cover, for good", "carrier-cover-left", way_round="oil slot down",
         mark_at=6.0, wrong_way="Slot on top: the bearing runs dry, nothing shows it.", hole="oil slot",
         needs=["carrier-preload-set", "backlash-seen"], turn="cross", **SEALED),
    step("right-cover", "Right carrier cover, for good", "carrier-cover-right", way_round="oil slot down",
         mark_at=6.0, wrong_way="Slot on top: the bearing runs dry, nothing shows it.", hole="oil slot",
         needs=["left-cover"], turn="cross", **SEALED),
    step("joints-cure", "Joints cure", wait="cure", wait_minutes=120.0, minutes=5.0, needs=["right-cover"]),
    step("retainers-in", "Bearing retainers, left and right", "retainer-left", "retainer-right", torque="22 N·m",
         bolts=4, minutes=20.0, needs=["cross-shaft-in"]),
    step("pinion-in", "Pinion in its carrier, for good", "pinion-shaft", "pinion", "pinion-inner", "pinion-carrier",
         "pinion-outer", "pinion-nut", way_round="slots at 6", mark_at=6.0, torque="220 N·m", minutes=60.0,
         wrong_way="the pinion bearing runs dry", needs=["joints-cure"], turn="pinion"),
    step("flange-on", "Engine flange", "engine-flange", resource="press", minutes=20.0, needs=["pinion-in"]),
    step("left-wheel-in", "Left wheel shaft with its gear", "left-shaft", "left-inner", "left-gear", "left-outer",
         resource="crane", lift="the eye of the wheel shaft", minutes=60.0, hands=2, needs=["retainers-in"]),
    step("left-wheel-cover", "Left wheel cover", "left-cover-part", torque="120 N·m", bolts=8, minutes=30.0,
         needs=["left-wheel-in"], turn="wheel-left"),
    step("left-wheel-set", "Left wheel end play", setting="wheel-end-play", minutes=30.0),
    step("left-wheel-on", "Left seal and wheel", "left-wheel-seal", "left-wheel", minutes=30.0, resource="crane",
         lift="the rim shackle of the wheel", needs=["left-wheel-set"]),
    step("right-wheel-in", "Right wheel shaft with its gear", "right-shaft", "right-inner", "right-gear",
         "right-outer", resource="crane", lift="the eye of the wheel shaft", minutes=60.0, hands=2,
         needs=["retainers-in"]),
    step("right-wheel-cover", "Right wheel cover", "right-cover-part", torque="120 N·m", bolts=8, minutes=30.0,
         needs=["right-wheel-in"], turn="wheel-right"),
    step("right-wheel-set", "Right wheel end play", setting="wheel-right-end-play", minutes=30.0),
    step("right-wheel-on", "Right seal and wheel", "right-wheel-seal", "right-wheel", minutes=30.0, resource="crane",
         lift="the rim shackle of the wheel", needs=["right-wheel-set"]),
    step("oil-in", "Oil to the level plug", consumables=["gear oil, 14 L"], minutes=20.0,
         needs=["left-wheel-on", "right-wheel-on", "flange-on"]),
]  # fmt: skip
