"""Constant-mesh gearbox: input and main shaft in line, countershaft below, three sliding dogs' worth."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, lever, limit, mesh, on, part, place, play, shaft

GEARBOX: dict[str, Any] = {
    "shafts": [
        shaft("input", "input", power="in", turns="clockwise"),
        shaft("main", "main shaft, output", after="input", power="out"),
        shaft("counter", "countershaft"),
    ],
    "parts": [
        *on("input",
            part("coupling", "clutch-hub", "Clutch hub", number="GB-101"),
            part("cover", "input-cover-part", "Input cover", number="GB-104"),
            part("seal", "input-seal", "Input seal", number="GB-105", single_use=True, faces="lip to the oil"),
            part("ball_bearing", "input-bearing", "Input bearing", number="BB-6310"),
            part("gear", "input-gear", "Input gear", number="GB-120", teeth=23),
            part("shaft", "input-shaft", "Input shaft", number="GB-110")),
        *on("main",
            part("dog", "dog-high", "Sliding dog, 3 and direct", number="GB-240", faces="groove to the rear"),
            part("gear", "third", "Third gear, free on its bush", number="GB-230", teeth=29, free=True),
            part("gear", "second", "Second gear, free on its bush", number="GB-231", teeth=36, free=True),
            part("dog", "dog-low", "Sliding dog, 1 and 2", number="GB-241", faces="groove to the front"),
            part("gear", "first", "First gear, free on its bush", number="GB-232", teeth=43, free=True),
            part("ball_bearing", "main-bearing", "Main shaft bearing", number="BB-6312"),
            part("cover", "output-cover-part", "Output cover", number="GB-204"),
            part("seal", "output-seal", "Output seal", number="GB-205", single_use=True, faces="lip to the oil"),
            part("coupling", "output-flange", "Output flange", number="GB-250", safety=True),
            part("shaft", "main-shaft", "Main shaft", number="GB-210")),
        *on("counter",
            part("cover", "counter-front-cover", "Countershaft cover, front", number="GB-304"),
            part("taper_bearing", "counter-front", "Countershaft bearing, front", number="TB-3007"),
            part("gear", "counter-drive", "Countershaft driven gear", number="GB-320", teeth=41),
            part("gear", "counter-third", "Countershaft third", number="GB-321", teeth=35),
            part("gear", "counter-second", "Countershaft second", number="GB-322", teeth=28),
            part("gear", "counter-first", "Countershaft first", number="GB-323", teeth=21),
            part("taper_bearing", "counter-rear", "Countershaft bearing, rear", number="TB-3007"),
            part("cover", "counter-rear-cover", "Countershaft cover, rear", number="GB-305"),
            part("shaft", "counter-shaft", "Countershaft", number="GB-310")),
        part("fork", "fork-high", "Shift fork, 3 and direct", number="GB-410"),
        part("fork", "fork-low", "Shift fork, 1 and 2", number="GB-411"),
        part("rail", "rails", "Shift rails", count=2, number="GB-420"),
        part("interlock", "interlock-pin", "Interlock pin and balls", count=3, number="GB-430", safety=True),
        part("bush", "gear-bushes", "Bushes of the free gears", count=3, number="GB-233"),
        part("snap_ring", "main-rings", "Snap rings of the main shaft", count=4, number="SR-50", single_use=True),
        part("fastener", "thrust-washers", "Thrust washers", count=4, number="GB-234"),
        part("housing", "case", "Gearbox case", number="GB-001"),
    ],
    "meshes": [
        mesh("constant", "Constant pair 23/41", "input-gear", "counter-drive", toward="below"),
        mesh("third-pair", "Third pair 35/29", "counter-third", "third", toward="above"),
        mesh("second-pair", "Second pair 28/36", "counter-second", "second", toward="above"),
        mesh("first-pair", "First pair 21/43", "counter-first", "first", toward="above"),
    ],
    "levers": [
        lever("high", "High lever", "dog-high", third=("3", "third"), neutral=("neutral",), direct=("direct", "input-gear")),
        lever("low", "Low lever", "dog-low", first=("1", "first"), neutral=("neutral",), second=("2", "second")),
    ],
    "interlocks": [{"key": "pin", "label": "Interlock pin and balls", "one": "high", "other": "low"}],
    "places": [
        place("input-cover", "input cover", "input-cover-part", "C3 ring"),
        place("dogs-high", "dog for 3 and direct", "dog-high"),
        place("dogs-low", "dog for 1 and 2", "dog-low"),
        place("output-cover", "output cover", "output-cover-part", "C3 ring"),
        place("counter-cover", "countershaft rear cover", "counter-rear-cover", "C3 ring"),
        place("constant-mesh", "constant pair", "constant"),
        place("second-washer", "washer of second gear", "second", "GB washer"),
    ],
    "settings": [
        end_play("counter-end-play", "Countershaft end play", "counter-cover", "dial-11", play(torque="48 N·m"),
                 limit("0.05", "0.12", "Yard drawing GB-5, sheet 2")),
        end_play("input-end-play", "Input shaft end play", "input-cover", "dial-11", play(torque="30 N·m"),
                 limit("0.10", "0.30", "Yard drawing GB-5, sheet 2")),
        {"key": "second-side", "label": "Side clearance of second gear", "kind": "side_clearance",
         "place": "second-washer", "gauge": "blades-3",
         "given": {"pair": "second and third", "order": "third washer from the front"},
         "limits": [limit("0.20", "0.35", "Yard drawing GB-5, sheet 3")]},
    ],
    "lubricant": [
        {"key": "case", "label": "Gear oil, case", "what": "gear oil, VG 150", "amount": "11 L",
         "level": "to the middle of the glass", "change_hours": 100.0},
    ],
    "prove": [
        {"key": "interlock-cloth", "label": "Cloth over the interlock bores", "words": "out again?", "must": True},
    ],
    "run_in": [
        {"key": "neutral", "label": "Neutral", "words": "engine at idle", "minutes": 20.0, "limit": "75 °C",
         "source": "Yard drawing GB-5, sheet 4"},
        {"key": "each-gear", "label": "Every gear", "words": "pump off, five minutes a gear", "minutes": 30.0,
         "limit": "85 °C", "source": "Yard drawing GB-5, sheet 4"},
    ],
    "cautions": ["Interlock springs are under load: cover the bore with a cloth before the plug comes out."],
}  # fmt: skip
