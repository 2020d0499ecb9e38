"""Travel gearbox of a quay crane: two countershafts share the load about a floating main shaft; one has the reverse."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import Row, end_play, lever, limit, mesh, on, part, place, play, shaft

SHEET = "Yard drawing TB-9, sheet 1"


def _countershaft(side: str, more: list[Row]) -> list[Row]:
    """Its own gears in their order; the lower one has the reverse besides."""
    name = f"Countershaft, {side}"
    return on(
        f"lay-{side}",
        part("cover", f"{side}-front-cover", f"{name}: front cover", number="TB-304"),
        part("taper_bearing", f"{side}-front", f"{name}: front bearing", number="TB-3007"),
        part("gear", f"{side}-drive", f"{name}: driven gear", number="TB-320", teeth=36),
        part("gear", f"{side}-second", f"{name}: second", number="TB-321", teeth=30),
        part("gear", f"{side}-first", f"{name}: first", number="TB-322", teeth=22),
        *more,
        part("taper_bearing", f"{side}-rear", f"{name}: rear bearing", number="TB-3007"),
        part("cover", f"{side}-rear-cover", f"{name}: rear cover", number="TB-305"),
        part("shaft", f"{side}-shaft", f"{name}: shaft", number="TB-310"),
    )


def _meshes(side: str, toward: str, back: str) -> list[Row]:
    return [
        mesh(
            f"constant-{side}", f"Constant pair 24/36, {side}", "input-gear", f"{side}-drive", toward=toward
        ),
        mesh(f"second-{side}", f"Second pair 30/30, {side}", f"{side}-second", "second", toward=back),
        mesh(f"first-{side}", f"First pair 22/38, {side}", f"{side}-first", "first", toward=back),
    ]


CRANE_BOX: dict[str, Any] = {
    "shafts": [
        shaft("input", "input", power="in", turns="clockwise"),
        shaft("main", "main shaft, output", after="input", power="out"),
        shaft("lay-upper", "countershaft, upper"),
        shaft("lay-lower", "countershaft, lower"),
        shaft("idler", "reverse idler"),
    ],
    "parts": [
        *on("input",
            part("coupling", "input-hub", "Input hub", number="TB-101"),
            part("cover", "input-cover-part", "Input cover", number="TB-104"),
            part("ball_bearing", "input-bearing", "Input bearing", number="BB-6309"),
            part("gear", "input-gear", "Input gear", number="TB-120", teeth=24),
            part("shaft", "input-shaft", "Input shaft", number="TB-110")),
        *on("main",
            part("dog", "dog-high", "Sliding dog, 2 and direct", number="TB-240", faces="groove to the rear"),
            part("gear", "second", "Second gear, floating", number="TB-230", teeth=30, free=True),
            part("gear", "first", "First gear, floating", number="TB-231", teeth=38, free=True),
            part("dog", "dog-low", "Sliding dog, 1 and reverse", number="TB-241", faces="groove to the front"),
            part("gear", "reverse", "Reverse gear, floating", number="TB-232", teeth=38, free=True),
            part("ball_bearing", "main-bearing", "Main shaft bearing", number="BB-6311"),
            part("cover", "output-cover-part", "Output cover", number="TB-204"),
            part("coupling", "output-flange", "Output flange", number="TB-250", safety=True),
            part("shaft", "main-shaft", "Main shaft", number="TB-210")),
        *_countershaft("upper", []),
        *_countershaft("lower", [part("gear", "lower-reverse", "Countershaft, lower: reverse", number="TB-323", teeth=16)]),
        *on("idler",
            part("bush", "idler-front", "Idler bush, front", number="TB-421"),
            part("gear", "idler-gear", "Reverse idler gear", number="TB-420", teeth=18),
            part("bush", "idler-rear", "Idler bush, rear", number="TB-421"),
            part("shaft", "idler-axle", "Idler axle", number="TB-422")),
        part("fork", "fork-high", "Shift fork, 2 and direct", number="TB-410"),
        part("fork", "fork-low", "Shift fork, 1 and reverse", number="TB-411"),
        part("rail", "rails", "Shift rails", count=2, number="TB-412"),
        part("interlock", "interlock-pin", "Interlock pin", number="TB-430", safety=True),
        part("housing", "case", "Gearbox case", number="TB-001"),
    ],
    "meshes": [
        *_meshes("lower", "below", "above"),
        *_meshes("upper", "above", "below"),
        mesh("reverse-idler", "Reverse to idler 16/18", "lower-reverse", "idler-gear", toward="below"),
        mesh("idler-reverse", "Idler to reverse gear 18/38", "idler-gear", "reverse", toward="out"),
    ],
    "levers": [
        lever("high", "High lever", "dog-high", second=("2", "second"), neutral=("neutral",), direct=("direct", "input-gear")),
        lever("low", "Low lever", "dog-low", first=("1", "first"), neutral=("neutral",), reverse=("reverse", "reverse"),
              back="reverse"),
    ],
    "interlocks": [{"key": "pin", "label": "Interlock pin", "one": "high", "other": "low"}],
    "timing": [
        {"key": "lower", "label": "Lower countershaft", "mesh": "constant-lower", "tooth": 1, "space": 1,
         "where": "the tooth over the keyway"},
        {"key": "upper", "label": "Upper countershaft", "mesh": "constant-upper", "tooth": 1, "space": 13,
         "where": "the tooth over the keyway"},
    ],
    "places": [
        place("input-cover", "input cover", "input-cover-part", "C3 ring"),
        place("dogs-high", "dog for 2 and direct", "dog-high"),
        place("dogs-low", "dog for 1 and reverse", "dog-low"),
        place("lower-cover", "lower countershaft cover", "lower-rear-cover", "C3 ring"),
        place("upper-cover", "upper countershaft cover", "upper-rear-cover", "C3 ring"),
        place("second-mesh", "second pair", "second-lower"),
    ],
    "settings": [
        end_play("lower-end-play", "Lower countershaft end play", "lower-cover", "dial-11", play(torque="48 N·m"),
                 limit("0.05", "0.12", SHEET)),
        end_play("upper-end-play", "Upper countershaft end play", "upper-cover", "dial-11", play(torque="48 N·m"),
                 limit("0.05", "0.12", SHEET)),
        {"key": "second-lash", "label": "Second pair, backlash", "kind": "spur_lash", "place": "second-mesh",
         "gauge": "dial-11", "given": {"module": "4", "meant": "transverse", "indicator_radius": "60", "centre": "120.05"},
         "limits": [limit("0.10", "0.25", f"{SHEET}, note 2")]},
    ],
    "cautions": ["The crane rolls in a wind: rail clamps on before the box is in neutral."],
}  # fmt: skip
