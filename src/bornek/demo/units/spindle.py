"""Lathe spindle: roller bearing on a taper at the nose, thrust bearing, drive gear, rear bearing."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, on, part, place, play, shaft

SPINDLE: dict[str, Any] = {
    "shafts": [shaft("spindle", "spindle")],
    "parts": [
        *on("spindle",
        part("chuck", "nose", "Spindle nose and chuck plate", number="LS-101", faces="match mark to the spindle",
             seat=True),
        part("cover", "front-cover-part", "Front cover", number="LS-104", faces="drain slot down"),
        part("oil_part", "front-seal", "Labyrinth ring", number="LS-105"),
        part("roller_bearing", "front-bearing", "Front bearing, two rows on a taper", number="CR-3018K", identity=True,
             scarce=True),
        part("spacer", "front-spacer", "Front spacer", number="LS-112", faces="stamped face to the nose"),
        part("thrust_bearing", "thrust", "Thrust bearing", number="TH-5216"),
        part("lock_washer", "front-lock", "Lock washer", number="LS-114", single_use=True),
        part("nut", "front-nut", "Front lock nut", number="LS-115"),
        part("gear", "drive-gear", "Drive gear", number="LS-120", teeth=64),
        part("spacer", "long-spacer", "Long spacer", number="LS-122", size=1.6),
        part("pulley", "cone-pulley", "Belt pulley", number="LS-130"),
        part("roller_bearing", "rear-bearing", "Rear bearing", number="CR-1014", identity=True),
        part("cover", "rear-cover-part", "Rear cover", number="LS-204"),
        part("felt", "rear-felt", "Rear felt", number="LS-205", single_use=True, inside="rear-cover", goes_in="inside"),
        part("lock_washer", "rear-lock", "Rear lock washer", number="LS-214", single_use=True),
        part("nut", "rear-nut", "Rear nut", number="LS-215"),
        part("shaft", "spindle-body", "Spindle", number="LS-110", safety=True)),
        part("key", "gear-key", "Key of the drive gear", number="K-10x8x50"),
        part("fastener", "front-screws", "Front cover screws", count=6, number="M8x25"),
        part("housing", "headstock", "Headstock", number="LS-001"),
    ],
    "places": [
        place("nose-runout", "spindle nose", "nose"),
        place("front-cover", "front cover", "front-cover-part", "P5 ring"),
        place("front-taper", "front bearing taper", "front-bearing"),
        place("front-nut-place", "front nut", "front-nut"),
        place("rear-cover", "rear cover", "rear-cover-part", "P5 ring", closed_by=["rear-cover-part"]),
    ],
    "settings": [
        end_play("thrust-play", "Spindle end play", "front-cover", "lever-2", play(torque="25 N·m"),
                 limit("0.004", "0.012", "Yard card LS-3, row thrust", basis="new parts"),
                 limit("0.006", "0.018", "Yard card LS-3, row thrust", basis="worn matched parts")),
        end_play("rear-play", "Rear cover clearance", "rear-cover", "lever-2", play(torque="18 N·m"),
                 limit("0.05", "0.15", "Yard card LS-3, row rear")),
        {"key": "nose-play", "label": "Front bearing on its taper", "kind": "taper_spindle", "place": "front-taper",
         "gauge": "lever-1",
         "given": {"span": "210", "overhang": "90", "pitch": "1.5", "rim": "88", "force_1": "100 N", "force_2": "200 N"},
         "limits": [limit("0.001", "0.006", "Yard card LS-3, row front bearing")]},
        {"key": "nose-runout", "label": "Runout at the nose", "kind": "crank_runout", "place": "nose-runout",
         "gauge": "lever-1",
         "given": {"ends": "one", "limit": "0.008", "convention": "tir", "source": "Yard card LS-3, row nose"}},
        {"key": "lift", "label": "Stiffness under a lift", "kind": "lift_deflection", "place": "front-nut-place",
         "gauge": "lever-1",
         "given": {"limit": "0.012", "limit_force": "300 N", "force_1": "150 N", "force_2": "300 N", "pitch": "1.5",
                   "source": "Yard card LS-3, row stiffness"}},
    ],
    "cautions": ["Driving back off the taper does damage: stop a little loose and creep up."],
}  # fmt: skip
