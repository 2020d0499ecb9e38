"""Worm rotary table: the worm is drawn turned into the plane, upright beside its wheel."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

ROTARY_TABLE: dict[str, Any] = {
    "shafts": [
        shaft("worm", "worm, turned into the plane", line="upright", power="in", turns="clockwise"),
        shaft("table", "table spindle", line="upright", power="out"),
    ],
    "parts": [
        *on("worm",
            part("ball_bearing", "worm-upper", "Worm bearing, blind end", number="BB-7205"),
            part("worm", "worm-body", "Worm", number="RT-120", teeth=1, identity=True, scarce=True),
            part("ball_bearing", "worm-lower", "Worm bearing, drive end", number="BB-7205"),
            part("cover", "worm-cover-part", "Worm cover", number="RT-104"),
            part("pulley", "hand-wheel", "Hand wheel", number="RT-101", size=0.8),
            part("shaft", "worm-shaft", "Worm shaft", number="RT-121")),
        *on("table",
            part("table", "table-plate", "Table", number="RT-201", faces="zero mark to the vernier"),
            part("thrust_bearing", "table-thrust", "Table thrust ring", number="RT-210"),
            part("roller_bearing", "table-upper", "Table bearing, upper", number="CR-2024"),
            part("worm_wheel", "worm-wheel", "Worm wheel", number="RT-220", teeth=90, identity=True, scarce=True, size=0.85),
            part("ball_bearing", "table-lower", "Table bearing, lower", number="BB-6018"),
            part("cover", "lower-cover-part", "Lower cover", number="RT-304"),
            part("lock_washer", "table-lock", "Lock washer", number="RT-314", single_use=True),
            part("nut", "table-nut", "Table nut", number="RT-315"),
            part("shaft", "table-spindle", "Table spindle", number="RT-310", safety=True)),
        part("cage", "worm-carrier", "Eccentric worm carrier", number="RT-130"),
        part("other", "thrust-button", "Thrust button at the worm's end", number="RT-131"),
        part("fastener", "clamp-bolts", "Table clamp bolts", count=3, number="RT-401"),
        part("key", "wheel-key", "Key of the worm wheel", number="K-8x7x32"),
        part("housing", "base", "Base casting", number="RT-001"),
    ],
    "meshes": [
        mesh("worm-mesh", "Worm and wheel 1/90", "worm-body", "worm-wheel", kind="worm", toward="right", hand="right"),
    ],
    "places": [
        place("worm-cover", "worm cover", "worm-cover-part", "P5 ring"),
        place("worm-lash", "worm mesh", "worm-mesh"),
        place("table-face", "table face", "table-plate"),
        place("lower-cover", "lower cover", "lower-cover-part", "P5 ring"),
        place("table-nut-place", "table nut", "table-nut"),
    ],
    "settings": [
        end_play("worm-end-play", "Worm end play", "worm-cover", "lever-2", play(torque="12 N·m"),
                 limit("0.005", "0.020", "Yard card RT-2, row worm")),
        end_play("table-end-play", "Table end play", "lower-cover", "lever-2", play(torque="20 N·m"),
                 limit("0.005", "0.015", "Yard card RT-2, row table")),
        {"key": "worm-lost-motion", "label": "Worm and wheel, lost motion", "kind": "worm_lash", "place": "worm-lash",
         "gauge": "protractor-8", "given": {
             "limit_as": "wheel", "lead": "7.854", "throw": "1.5", "pitch_radius": "112.5", "radius": "200",
             "small_part": "Thrust button"},
         "limits": [limit("1.0", "3.0", "Yard card RT-2, row lost motion")],
         "rests_on": ["worm-cover"]},
        {"key": "feed-feel", "label": "Worm nut by feel", "kind": "feel_nut", "place": "table-nut-place",
         "gauge": "lever-2",
         "given": {"axis": "table feed", "what": "bearings", "band": "taught", "taught": ["2.1 s", "2.0 s", "2.2 s", "2.1 s"],
                   "play_most": "0.01", "pitch": "1.5", "source": "Yard card RT-2; taught by the long axis"}},
    ],
    "cautions": ["The table drops when its nut is off: block it before the lower cover is let go."],
}  # fmt: skip
