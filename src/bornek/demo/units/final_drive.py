"""Two-sided final drive of a chain ferry: pinion, ring gear, and a wheel on each side."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.final_drive_steps import FINAL_DRIVE_STEPS
from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

SHEET = "Yard drawing CF-12, sheet 1"


def _side(hand: str, flip: bool) -> list[dict[str, Any]]:
    """Outer or inner first: the left wheel stands at the low end of its shaft."""
    wheel = part("drum", f"{hand}-wheel", f"Chain wheel, {hand}", number="CF-530", teeth=9, safety=True)
    seal = part(
        "seal",
        f"{hand}-wheel-seal",
        f"Wheel seal, {hand}",
        number="CF-506",
        single_use=True,
        faces="lip to the oil",
        goes_in="outside",
    )
    cover = part("cover", f"{hand}-cover-part", f"Wheel cover, {hand}", number="CF-504")
    outer = part("taper_bearing", f"{hand}-outer", f"Wheel bearing, {hand} outer", number="TB-3315")
    gear = part(
        "gear", f"{hand}-gear", f"Final gear, {hand}", number="CF-520", teeth=58, identity=True, seat=True
    )
    inner = part("taper_bearing", f"{hand}-inner", f"Wheel bearing, {hand} inner", number="TB-3313")
    own = part("shaft", f"{hand}-shaft", f"Wheel shaft, {hand}", number="CF-510", safety=True)
    row = [wheel, seal, cover, outer, gear, inner]
    return on(f"wheel-{hand}", *(reversed(row) if flip else row), own)


FINAL_DRIVE: dict[str, Any] = {
    "shafts": [
        shaft("pinion", "pinion, from the engine", line="upright", carried=True, built="outside", power="in",
              turns="clockwise"),
        shaft("cross", "cross shaft", built="outside"),
        shaft("wheel-left", "left chain wheel", built="outside", power="out"),
        shaft("wheel-right", "right chain wheel", after="wheel-left", built="outside", power="out"),
    ],
    "parts": [
        *on("pinion",
            part("coupling", "engine-flange", "Engine flange", number="CF-101"),
            part("nut", "pinion-nut", "Pinion nut", number="CF-103"),
            part("taper_bearing", "pinion-outer", "Pinion bearing, outer", number="TB-3211"),
            part("cage", "pinion-carrier", "Pinion carrier", number="CF-110"),
            part("taper_bearing", "pinion-inner", "Pinion bearing, inner", number="TB-3312"),
            part("bevel_pinion", "pinion", "Bevel pinion", number="CF-120", teeth=11, identity=True, scarce=True),
            part("shaft", "pinion-shaft", "Pinion shaft", number="CF-121")),
        *on("cross",
            part("cover", "carrier-cover-left", "Carrier cover, left", number="CF-204"),
            part("taper_bearing", "carrier-left", "Carrier bearing, left", number="TB-3313"),
            part("gear", "drive-left", "Drive pinion, left", number="CF-220", teeth=15),
            part("bevel_gear", "ring-gear", "Ring gear", number="CF-221", teeth=43, identity=True, scarce=True, size=0.9,
                 seat=True),
            part("gear", "drive-right", "Drive pinion, right", number="CF-220", teeth=15),
            part("taper_bearing", "carrier-right", "Carrier bearing, right", number="TB-3313"),
            part("cover", "carrier-cover-right", "Carrier cover, right", number="CF-205"),
            part("shaft", "cross-shaft", "Cross shaft", number="CF-210", mass_kg=48.0)),
        *_side("left", False),
        *_side("right", True),
        part("other", "retainer-left", "Bearing retainer, left", number="CF-214", inside="left-bore", mass_kg=1.2),
        part("other", "retainer-right", "Bearing retainer, right", number="CF-215", inside="left-bore", mass_kg=1.2),
        part("fastener", "ring-bolts", "Ring gear bolts", count=12, number="M14x45", single_use=True, safety=True),
        part("lock_washer", "ring-tabs", "Ring gear bolt tabs", count=6, number="CF-231", single_use=True),
        part("fastener", "carrier-shims-wire", "Locking wire", number="1.2 mm", single_use=True),
        part("housing", "housing", "Housing", number="CF-001"),
    ],
    "meshes": [
        mesh("ring-set", "Ring gear and pinion 11/43", "pinion", "ring-gear", kind="bevel", toward="below",
             body="right"),
        mesh("final-left", "Final pair, left 15/58", "drive-left", "left-gear", toward="below"),
        mesh("final-right", "Final pair, right 15/58", "drive-right", "right-gear", toward="below"),
    ],
    "places": [
        place("pinion-depth", "pinion carrier flange", "pinion-carrier", "C3 ring"),
        place("ring-mesh", "ring gear mesh", "ring-set"),
        place("carrier-left-pack", "left carrier cover", "carrier-cover-left", "C3 ring"),
        place("carrier-right-pack", "right carrier cover", "carrier-cover-right", "C3 ring"),
        place("wheel-cover", "left wheel cover", "left-cover-part", "C3 ring"),
        place("wheel-cover-right", "right wheel cover", "right-cover-part", "C3 ring"),
        place("left-bore", "left bore", "carrier-left", closed_by=["carrier-cover-left"]),
    ],
    "settings": [
        end_play("wheel-end-play", "Chain wheel end play", "wheel-cover", "dial-11", play(torque="120 N·m"),
                 limit("0.05", "0.10", SHEET)),
        end_play("wheel-right-end-play", "Right wheel end play", "wheel-cover-right", "dial-11",
                 play(torque="120 N·m"), limit("0.05", "0.10", SHEET)),
        end_play("carrier-preload", "Carrier bearing preload", "carrier-right-pack", "dial-11",
                 {"meant": "preload", "sense": "adds", "torque": "95 N·m", "drag_least": "3 N·m",
                  "drag_greatest": "5 N·m"},
                 limit("0.05", "0.12", f"{SHEET}, note 4", text="carrier preload", meant="preload"),
                 rests_on=["carrier-left-pack"]),
        {"key": "ring-set", "label": "Ring gear and pinion 11/43", "kind": "bevel_mesh", "place": "ring-mesh",
         "gauge": "dial-11", "given": {
             "ran_with": "0.23", "pinion_sense": "out", "pinion_place": "pinion-depth", "left_sense": "out",
             "left_place": "carrier-left-pack", "right_place": "carrier-right-pack", "carrier_total": "1.55",
             "geometry": "known", "module": "7", "face": "55", "spiral_angle": 35, "hand": "left",
             "cutter": "114.3", "torque": "1500 N·m"},
         "limits": [limit("0.15", "0.20", f"{SHEET}, note 6", text="ring gear backlash, new gears")],
         "rests_on": ["pinion-depth", "carrier-left-pack", "carrier-right-pack"]},
    ],
    "steps": FINAL_DRIVE_STEPS,
    "cautions": ["Each chain wheel weighs more than a man can hold: sling it before its cover comes off."],
}  # fmt: skip
