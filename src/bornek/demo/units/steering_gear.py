"""Steering gear of a pilot cutter: two sectors, the output's shaft in eccentric covers."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

SHEET = "Yard card SG-3"

STEERING_GEAR: dict[str, Any] = {
    "shafts": [
        shaft("wheel", "input, from the wheel", power="in", turns="clockwise"),
        shaft("rudder", "output, to the rudder arm", power="out"),
    ],
    "parts": [
        *on("wheel",
            part("coupling", "wheel-arm", "Wheel arm", number="SG-101", safety=True),
            part("cover", "wheel-cover-part", "Input cover", number="SG-104"),
            part("bush", "wheel-bush-a", "Input bush, wheel side", number="SG-112"),
            part("gear", "input-sector", "Input sector", number="SG-120", teeth=24, cut=7),
            part("bush", "wheel-bush-b", "Input bush, far side", number="SG-113"),
            part("shaft", "wheel-shaft", "Input shaft", number="SG-110", safety=True)),
        *on("rudder",
            part("cover", "eccentric-a", "Eccentric cover, wheel side", number="SG-204"),
            part("bush", "rudder-bush-a", "Output bush, wheel side", number="SG-212"),
            part("gear", "output-sector", "Output sector", number="SG-220", teeth=36, cut=11),
            part("bush", "rudder-bush-b", "Output bush, rudder side", number="SG-213"),
            part("cover", "eccentric-b", "Eccentric cover, rudder side", number="SG-205"),
            part("seal", "rudder-seal", "Output seal", number="SG-206", single_use=True, faces="lip to the grease"),
            part("coupling", "rudder-arm", "Rudder arm", number="SG-230", safety=True),
            part("shaft", "rudder-shaft", "Output shaft", number="SG-210", safety=True)),
        part("fastener", "cover-screws", "Cover screws M8", count=16, number="M8x25"),
        part("housing", "case", "Steering case", number="SG-001"),
    ],
    "meshes": [
        mesh("sectors", "Sectors 24/36", "input-sector", "output-sector", kind="sector", toward="below"),
    ],
    "timing": [
        {"key": "middle", "label": "Middle tooth in middle space", "mesh": "sectors", "tooth_on": "driver", "tooth": 4,
         "space": 5, "where": "punch mark on its tip"},
    ],
    "covers": [
        {"key": "covers", "label": "Eccentric covers of the output", "part": "eccentric-a", "mesh": "sectors", "holes": 8,
         "throw": 1.2, "angle": 88.0},
    ],
    "places": [
        place("eccentric", "eccentric cover", "eccentric-a"),
        place("sector-mesh", "sector mesh", "sectors"),
        place("wheel-cover", "input cover", "wheel-cover-part", "C3 ring"),
    ],
    "settings": [
        {"key": "sector-lash", "label": "Sectors, lost motion", "kind": "sector_cover", "place": "eccentric",
         "gauge": "dial-11", "given": {"sense": "apart", "torque": "22 N·m", "goes_first": "The output sector"},
         "limits": [limit("", "0.08", f"{SHEET}, row sectors")]},
        end_play("wheel-end-play", "Input end play", "wheel-cover", "dial-11", play(torque="22 N·m"),
                 limit("0.05", "0.15", f"{SHEET}, row input")),
    ],
    "cautions": ["Chain the rudder before the sectors come out of mesh: a swell turns the arm."],
}  # fmt: skip
