"""Vertical sump pump motor on a plain thrust bearing, set by its nut."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import limit, on, part, place, shaft

SUMP_MOTOR: dict[str, Any] = {
    "shafts": [shaft("motor", "motor shaft, to the pump", line="upright")],
    "parts": [
        *on("motor",
            part("lock_washer", "top-lock", "Lock washer, 17 tabs", number="SM-214", single_use=True),
            part("nut", "top-nut", "Thrust nut, 4 slots", number="SM-215"),
            part("spacer", "thrust-carrier", "Thrust carrier", number="SM-210"),
            part("thrust_bearing", "thrust-bearing", "Plain thrust bearing", number="PT-160", identity=True),
            part("rotor", "rotor", "Rotor with shaft ends", number="SM-300", identity=True),
            part("ball_bearing", "guide-bearing", "Lower guide bearing", number="BB-6312"),
            part("cover", "guide-cap", "Cap of the guide bearing", number="SM-404"),
            part("coupling", "pump-coupling", "Pump coupling half", number="SM-410", faces="match mark to the pump half"),
            part("shaft", "motor-shaft", "Motor shaft", number="SM-310", safety=True)),
        part("housing", "stator-frame", "Stator frame", number="SM-001"),
    ],
    "places": [
        place("nut-place", "thrust nut", "top-nut"),
        place("coupling-end", "coupling end", "pump-coupling"),
    ],
    "settings": [
        {"key": "nut-end-play", "label": "End play by the nut", "kind": "thrust_nut", "place": "nut-place",
         "gauge": "dial-11", "given": {"pitch": "2", "tabs": "17", "slots": "4", "first_lock": "2.1"},
         "limits": [limit("0.18", "0.28", "Yard drawing SM-3, note 2")]},
        {"key": "float", "label": "Float at the coupling", "kind": "float_check", "place": "coupling-end",
         "gauge": "dial-11",
         "given": {"size": "30 kW", "axial": "0.35", "radial": "0.18", "hours": "6000",
                   "earlier": ["0 0.21 0.050 new", "2000 0.22 0.071", "4000 0.235 0.088"],
                   "source": "Yard sheet V-1, motors 22 to 45 kW"}},
    ],
    "cautions": ["The rotor hangs on its jack while the nut is set: sling it as well."],
}  # fmt: skip
