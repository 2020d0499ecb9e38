"""Quillmere Lock and Ferry Yard: its people, gauges, shims and unit types. All invented."""

from __future__ import annotations

from typing import Any

MECHANICS = (("oda", "Oda Brisk"), ("marl", "Marl Tennick"), ("jun", "Jun Havers"))

GAUGES: tuple[dict[str, Any], ...] = (
    {"id": "dial-11", "name": "Dial 11", "unit": "mm", "division": 0.01, "interpolation": 0.5,
     "calibration_u": 0.002, "due": "2027-05-01"},
    {"id": "dial-4", "name": "Dial 4, in thou", "unit": "thou", "division": 1.0, "interpolation": 0.5,
     "calibration_u": 0.003, "due": "2027-02-15"},
    {"id": "lever-2", "name": "Lever 2", "unit": "mm", "division": 0.002, "interpolation": 0.5,
     "calibration_u": 0.001, "due": "2027-03-20"},
    {"id": "depth-9", "name": "Depth micrometer 9", "unit": "mm", "division": 0.002, "interpolation": 0.5,
     "calibration_u": 0.001, "due": "2027-04-10"},
    {"id": "depth-7", "name": "Depth micrometer 7", "unit": "mm", "division": 0.01, "interpolation": 0.5,
     "calibration_u": 0.002, "due": "2026-06-30"},
)  # fmt: skip

DRAWER = {
    "C3 ring": {0.05: 6, 0.08: 4, 0.10: 8, 0.15: 5, 0.20: 6, 0.25: 4, 0.50: 3},
    "P5 ring": {0.05: 4, 0.10: 6, 0.20: 5, 0.25: 4, 0.50: 4},
    "K2 split": {0.0508: 5, 0.0762: 5, 0.127: 6, 0.254: 6, 0.508: 4},
}


def _play(least: str, greatest: str, torque: str, source: str, **more: Any) -> dict[str, Any]:
    return {"meant": "play", "least": least, "greatest": greatest, "sense": "adds", "torque": torque,
            "source": source} | more  # fmt: skip


TYPES: tuple[tuple[str, str, dict[str, Any]], ...] = (
    ("ramp-winch", "Ramp winch drive, right-angle", {
        "places": [
            {"key": "output-cover", "label": "output cover", "shim_form": "C3 ring"},
            {"key": "input-cover", "label": "input cover", "shim_form": "C3 ring"},
        ],
        "settings": [
            {"key": "output-end-play", "label": "Output shaft end play", "kind": "shim_pack_end_play",
             "place": "output-cover", "gauge": "dial-11",
             "given": _play("0.06", "0.12", "80 N·m", "Yard drawing RW-7, sheet 3, row output",
                            edition="edition 2")},
            {"key": "input-preload", "label": "Input shaft preload", "kind": "shim_pack_end_play",
             "place": "input-cover", "gauge": "dial-11",
             "given": {"meant": "preload", "least": "0.03", "greatest": "0.10", "sense": "adds",
                       "torque": "45 N·m", "source": "Yard drawing RW-7, sheet 3, row input",
                       "edition": "edition 2", "drag_least": "1.2 N·m", "drag_greatest": "2.4 N·m",
                       "not_verified": ["Input shaft straightness: no centres left to turn it on"]}},
        ],
    }),
    ("capstan", "Quay capstan drive", {
        "places": [{"key": "head-cover", "label": "head cover", "shim_form": "K2 split"}],
        "settings": [
            {"key": "head-end-play", "label": "Head shaft end play", "kind": "shim_pack_end_play",
             "place": "head-cover", "gauge": "dial-4",
             "given": _play("3 thou", "6 thou", "60 lb-ft", "Yard card C-9, row head", housing="soft")},
        ],
    }),
    ("drain-pump", "Lock drain pump", {
        "places": [
            {"key": "thrust-cover", "label": "thrust cover", "shim_form": "P5 ring"},
        ],
        "settings": [
            {"key": "thrust-end-play", "label": "Thrust bearing end play", "kind": "shim_pack_end_play",
             "place": "thrust-cover", "gauge": "dial-11",
             "given": _play("0.10", "0.18", "55 N·m", "Yard drawing DP-2, note 6",
                            temporary=["Old lip seal in the cover, as a guide only"])},
        ],
    }),
    ("worm-box", "Lock worm box", {
        "places": [{"key": "worm-spacer", "label": "worm bearing spacer", "shim_form": "none"}],
        "settings": [
            {"key": "worm-bench", "label": "Worm bearing bench setting", "kind": "two_row_bench",
             "place": "worm-spacer", "gauge": "depth-9",
             "given": {"least": "0.05", "greatest": "0.11", "source": "Yard card WB-4, bearing sheet",
                       "half_angle": "15", "cone_fit": "0.030", "cup_fit": "-0.01"}},
        ],
    }),
    ("chain-ferry", "Chain ferry final drive", {
        "places": [{"key": "wheel-cover", "label": "wheel cover", "shim_form": "C3 ring"}],
        "settings": [
            {"key": "wheel-end-play", "label": "Chain wheel end play", "kind": "shim_pack_end_play",
             "place": "wheel-cover", "gauge": "dial-11",
             "given": _play("0.05", "0.10", "120 N·m", "Yard drawing CF-12, sheet 1")},
        ],
    }),
)  # fmt: skip

JOBS: tuple[dict[str, Any], ...] = (
    {"id": "w17", "unit": {"id": "u-w17", "tag": "W-17", "name": "Ferry Wickerel ramp winch",
                           "serial": "RW7-0412"},
     "revision": "ramp-winch.1", "complaint": "Drum creeps back under load; output seal wet",
     "bench": "bench 2", "waits_for": ""},
    {"id": "c09", "unit": {"id": "u-c09", "tag": "C-09", "name": "East quay capstan", "serial": "QC-1177"},
     "revision": "capstan.1", "complaint": "Head rocks when the rope jumps", "bench": "bench 1",
     "length_unit": "thou", "waits_for": ""},
    {"id": "p22", "unit": {"id": "u-p22", "tag": "P-22", "name": "Third Lock drain pump", "serial": "DP2-093"},
     "revision": "drain-pump.1", "complaint": "Runs hot after an hour", "bench": "bench 3",
     "waits_for": ""},
    {"id": "g04", "unit": {"id": "u-g04", "tag": "G-04", "name": "Ambry Lock worm box", "serial": "WB4-021"},
     "revision": "worm-box.1", "complaint": "Worm knocks when reversed", "bench": "bench 4", "waits_for": ""},
    {"id": "f12", "unit": {"id": "u-f12", "tag": "F-12", "name": "Chain ferry Dunnagh drive",
                           "serial": "CF12-007"},
     "revision": "chain-ferry.1", "complaint": "Growls on the inward run", "bench": "floor",
     "waits_for": "bearing cup, promised Monday"},
    {"id": "w11", "unit": {"id": "u-w11", "tag": "W-11", "name": "Ambry Lock gate winch",
                           "serial": "RW7-0388"},
     "revision": "ramp-winch.1", "complaint": "Yearly strip", "bench": "rack", "waits_for": ""},
)  # fmt: skip
