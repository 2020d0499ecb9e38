"""Workshop air compressor: a built-up crank between two roller bearings."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import on, part, place, shaft

COMPRESSOR: dict[str, Any] = {
    "shafts": [shaft("crank", "built-up crank")],
    "parts": [
        *on("crank",
            part("pulley", "fly-wheel", "Fly wheel", number="AC-101", safety=True),
            part("cover", "crank-cover", "Crank cover", number="AC-104"),
            part("ball_bearing", "crank-left", "Main bearing, left", number="BB-6308"),
            part("other", "rim-left", "Left rim of the crank", number="AC-121"),
            part("bush", "crankpin", "Crankpin with its rod", number="AC-125"),
            part("other", "rim-right", "Right rim of the crank", number="AC-122"),
            part("ball_bearing", "crank-right", "Main bearing, right", number="BB-6307"),
            part("shaft", "crank-ends", "Crank ends", number="AC-120", safety=True)),
        part("housing", "crankcase", "Crankcase", number="AC-001"),
    ],
    "places": [place("crank-line", "crank ends", "crankpin")],
    "settings": [
        {"key": "crank-runout", "label": "Crank runout, both ends", "kind": "crank_runout", "place": "crank-line",
         "gauge": "lever-2",
         "given": {"ends": "two", "limit": "0.03", "convention": "tir", "gauges": "outboard",
                   "unchecked": ["Rod side shake"], "source": "Yard card AC-1, row crank"}},
    ],
    "cautions": ["The air receiver is blown off and its valve chained before the belt comes off."],
}  # fmt: skip
