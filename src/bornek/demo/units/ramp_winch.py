"""Right-angle bevel-helical drive of a ramp winch."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

SHEET = "Yard drawing RW-7, sheet 3"

RAMP_WINCH: dict[str, Any] = {
    "shafts": [
        shaft("input", "input, from the motor", carried=True, power="in", turns="clockwise"),
        shaft("cross", "cross shaft", line="upright"),
        shaft("output", "output, to the drum", line="upright", power="out"),
    ],
    "parts": [
        *on("input",
            part("coupling", "motor-coupling", "Motor coupling half", number="RW7-101"),
            part("cover", "input-cover-part", "Input cover", number="RW7-104", faces="oil hole down"),
            part("seal", "input-seal", "Input seal", number="RW7-105", single_use=True, faces="lip to the oil"),
            part("taper_bearing", "pinion-outer", "Pinion bearing, outer", number="TB-3208"),
            part("cage", "pinion-carrier", "Pinion bearing carrier", number="RW7-110"),
            part("taper_bearing", "pinion-inner", "Pinion bearing, inner", number="TB-3310"),
            part("bevel_pinion", "bevel-pinion", "Bevel pinion", number="RW7-120", teeth=14, identity=True, scarce=True),
            part("shaft", "input-shaft", "Input shaft", number="RW7-121")),
        *on("cross",
            part("cover", "cross-top-cover", "Cross shaft cover, top", number="RW7-204"),
            part("taper_bearing", "cross-top", "Cross shaft bearing, top", number="TB-3309"),
            part("gear", "helical-pinion", "Helical pinion", number="RW7-220", teeth=17),
            part("bevel_gear", "bevel-gear", "Bevel gear", number="RW7-221", teeth=39, identity=True, scarce=True),
            part("taper_bearing", "cross-bottom", "Cross shaft bearing, bottom", number="TB-3309"),
            part("cover", "cross-bottom-cover", "Cross shaft cover, bottom", number="RW7-205"),
            part("shaft", "cross-shaft", "Cross shaft", number="RW7-210")),
        *on("output",
            part("cover", "output-cover-part", "Output cover", number="RW7-304"),
            part("taper_bearing", "output-top", "Output bearing, top", number="TB-3312"),
            part("gear", "helical-gear", "Helical gear", number="RW7-320", teeth=71),
            part("taper_bearing", "output-bottom", "Output bearing, bottom", number="TB-3312"),
            part("cover", "drum-cover", "Drum side cover", number="RW7-305"),
            part("seal", "output-seal", "Output seal", number="RW7-306", single_use=True, faces="lip to the oil"),
            part("coupling", "drum-flange", "Drum flange", number="RW7-330", safety=True),
            part("shaft", "output-shaft", "Output shaft", number="RW7-310", safety=True)),
        part("key", "helical-key", "Key of the helical gear", number="K-18x11x90"),
        part("fastener", "cover-bolts", "Cover bolts M10", count=24, number="M10x35", single_use=False),
        part("fastener", "lock-plates", "Tab plates under the cover bolts", count=12, number="RW7-909", single_use=True,
             lock="tab"),
        part("breather", "breather", "Breather on the top cover", number="RW7-912"),
        part("housing", "housing", "Housing", number="RW7-001"),
    ],
    "meshes": [
        mesh("bevel-set", "Bevel set 14/39", "bevel-pinion", "bevel-gear", kind="bevel", toward="right", body="below"),
        mesh("helical-pair", "Helical pair 17/71", "helical-pinion", "helical-gear", toward="right"),
    ],
    "places": [
        place("input-cover", "input cover", "input-cover-part", "C3 ring"),
        place("pinion-depth", "pinion carrier flange", "pinion-carrier", "C3 ring"),
        place("cross-cover", "cross shaft cover", "cross-top-cover", "C3 ring"),
        place("bevel-mesh", "bevel mesh", "bevel-set"),
        place("output-cover", "output cover", "output-cover-part", "C3 ring"),
        place("drum-seat", "drum flange", "drum-flange"),
    ],
    "settings": [
        end_play("output-end-play", "Output shaft end play", "output-cover", "dial-11", play(torque="80 N·m"),
                 limit("0.06", "0.12", f"{SHEET}, row output", edition="edition 2", serial_from="RW7-0300"),
                 limit("0.08", "0.15", f"{SHEET}, row output", edition="edition 1", serial_to="RW7-0299")),
        end_play("input-preload", "Input shaft preload", "input-cover", "dial-11",
                 {"meant": "preload", "sense": "adds", "torque": "45 N·m", "drag_least": "1.2 N·m",
                  "drag_greatest": "2.4 N·m",
                  "not_verified": ["Input shaft straightness: no centres left to turn it on"]},
                 limit("0.03", "0.10", f"{SHEET}, row input", edition="edition 2", text="preload by shims",
                       meant="preload")),
        end_play("cross-end-play", "Cross shaft end play", "cross-cover", "dial-11", play(torque="80 N·m"),
                 limit("0.04", "0.09", f"{SHEET}, row cross", edition="edition 2")),
    ],
    "lubricant": [
        {"key": "case", "label": "Gear oil, case", "what": "mineral gear oil, VG 220", "amount": "3.2 L",
         "level": "to the lower plug, standing level", "change_hours": 50.0},
        {"key": "outer-grease", "label": "Grease, pinion outer bearing", "what": "lithium grease, grade 2",
         "amount": "a third full"},
    ],
    "prove": [
        {"key": "drum-block", "label": "Block under the drum", "words": "out, and the rope clear of it?", "must": True},
        {"key": "brake-holds", "label": "Brake holds the empty drum", "when": "running",
         "words": "let go at the middle of the travel, no creep?"},
        {"key": "foot-bolts", "label": "Foot bolts, 200 N·m", "when": "after", "due_days": 14.0,
         "words": "cold, under lock-out, after two weeks of work"},
    ],
    "run_in": [
        {"key": "no-load", "label": "No load", "words": "empty drum, 300 rpm, both ways by turns", "minutes": 40.0,
         "limit": "80 °C", "source": SHEET},
        {"key": "half-load", "label": "Half load", "words": "ramp at half travel, no vehicle on it", "minutes": 60.0,
         "limit": "85 °C", "source": SHEET},
    ],
    "second_person": True,
    "cautions": ["Block the drum before the output flange is let go: the rope may still pull."],
}  # fmt: skip
