"""Vertical pump motor: thrust bearing under the top cover, guide bearing below the rotor."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, on, part, place, play, shaft

PUMP_MOTOR: dict[str, Any] = {
    "shafts": [shaft("motor", "motor shaft, to the pump", line="upright")],
    "parts": [
        *on("motor",
        part("lock_washer", "top-lock", "Top lock washer", number="DP-214", single_use=True),
        part("nut", "top-nut", "Thrust nut", number="DP-215"),
        part("cover", "thrust-cover-part", "Thrust cover", number="DP-204"),
        part("spherical_bearing", "thrust-bearing", "Thrust bearing", number="SR-9416", identity=True),
        part("spacer", "thrust-sleeve", "Thrust sleeve", number="DP-210"),
        part("oil_part", "slinger", "Oil slinger", number="DP-212", faces="dish up"),
        part("rotor", "rotor", "Rotor with shaft ends", number="DP-300", identity=True),
        part("ball_bearing", "guide-bearing", "Guide bearing", number="BB-6316"),
        part("cover", "guide-cover", "Guide cover", number="DP-404"),
        part("seal", "guide-seal", "Guide seal", number="DP-405", single_use=True, faces="lip to the grease"),
        part("coupling", "pump-coupling", "Pump coupling half", number="DP-410", faces="match mark to the pump half"),
        part("shaft", "motor-shaft", "Motor shaft", number="DP-310", safety=True)),
        part("key", "coupling-key", "Coupling key", number="K-16x10x70"),
        part("fastener", "thrust-screws", "Thrust cover screws", count=8, number="M12x40"),
        part("housing", "stator-frame", "Stator frame", number="DP-001"),
    ],
    "places": [
        place("thrust-cover", "thrust cover", "thrust-cover-part", "P5 ring"),
        place("nut-place", "thrust nut", "top-nut"),
        place("air-gap", "air gap at the rotor", "rotor"),
        place("guide-place", "guide cover", "guide-cover"),
        place("coupling-gap", "coupling gap", "pump-coupling"),
    ],
    "settings": [
        end_play("thrust-end-play", "Thrust bearing end play", "thrust-cover", "dial-11",
                 play(torque="55 N·m", temporary=["Old lip seal in the cover, as a guide only"]),
                 limit("0.10", "0.18", "Yard drawing DP-2, note 6")),
        {"key": "spring-end-play", "label": "End play over the springs", "kind": "spring_thrust_nut",
         "place": "nut-place", "gauge": "dial-11",
         "given": {"pitch": "2", "tabs": "17", "slots": "4", "first_lock": "2.1"},
         "limits": [limit("0.18", "0.28", "Yard drawing DP-2, note 7")]},
    ],
    "cautions": ["Electrical isolation is for those who hold the licence: proved dead before the terminal box is opened.",
                 "The rotor stands on its jacks only while it is slung as well."],
}  # fmt: skip
