"""Slipway haul winch: one drum shaft in two tapered bearings, with its bevel set; three of them in the yard."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

SHEET = "Yard drawing HW-2, sheet 1"

HAUL_WINCH: dict[str, Any] = {
    "shafts": [
        shaft("input", "input, from the motor", carried=True, power="in", turns="clockwise"),
        shaft("drum-shaft", "drum shaft", line="upright", power="out"),
    ],
    "parts": [
        *on("input",
            part("cover", "input-cover-part", "Input cover", number="HW2-104"),
            part("taper_bearing", "pinion-outer", "Pinion bearing, outer", number="TB-3207"),
            part("taper_bearing", "pinion-inner", "Pinion bearing, inner", number="TB-3309"),
            part("bevel_pinion", "bevel-pinion", "Bevel pinion", number="HW2-120", teeth=13, identity=True, scarce=True),
            part("shaft", "input-shaft", "Input shaft", number="HW2-121")),
        *on("drum-shaft",
            part("cover", "drum-top-cover", "Drum shaft cover, top", number="HW2-204"),
            part("taper_bearing", "drum-top", "Drum bearing, top", number="TB-3311"),
            part("bevel_gear", "bevel-gear", "Bevel gear", number="HW2-221", teeth=47, identity=True, scarce=True),
            part("taper_bearing", "drum-bottom", "Drum bearing, bottom", number="TB-3311"),
            part("cover", "drum-bottom-cover", "Drum shaft cover, bottom", number="HW2-205"),
            part("seal", "drum-seal", "Drum seal", number="HW2-206", single_use=True, faces="lip to the oil"),
            part("shaft", "drum-shaft-part", "Drum shaft", number="HW2-210", safety=True)),
        part("housing", "housing", "Housing", number="HW2-001"),
    ],
    "meshes": [mesh("bevel-set", "Bevel set 13/47", "bevel-pinion", "bevel-gear", kind="bevel", toward="right", body="below")],
    "places": [
        place("drum-cover", "drum shaft cover", "drum-top-cover", "H2 ring"),
        place("bevel-mesh", "bevel mesh", "bevel-set"),
    ],
    "settings": [
        end_play("drum-end-play", "Drum shaft end play", "drum-cover", "dial-11", play(torque="60 N·m"),
                 limit("0.06", "0.12", f"{SHEET}, row drum"))
        | {"in_service": "0.25", "service_source": f"{SHEET}, note 3"},
    ],
    "lubricant": [{"key": "case", "label": "Gear oil, case", "what": "mineral gear oil, VG 320", "amount": "6 L",
                   "level": "to the middle of the glass"}],
    "cautions": ["Chock the cradle on the slip before the drum is let go: the rope still pulls."],
}  # fmt: skip
