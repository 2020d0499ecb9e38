"""Quillmere Lock and Ferry Yard: its people, gauges, shims and unit types. All invented."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.compressor import COMPRESSOR
from bornek.demo.units.crane_box import CRANE_BOX
from bornek.demo.units.final_drive import FINAL_DRIVE
from bornek.demo.units.gearbox import GEARBOX
from bornek.demo.units.haul_winch import HAUL_WINCH
from bornek.demo.units.ladder_hoist import LADDER_HOIST
from bornek.demo.units.pump_motor import PUMP_MOTOR
from bornek.demo.units.ramp_winch import RAMP_WINCH
from bornek.demo.units.rotary_table import ROTARY_TABLE
from bornek.demo.units.small import CAPSTAN, WORM_BOX
from bornek.demo.units.spindle import SPINDLE
from bornek.demo.units.steering_gear import STEERING_GEAR
from bornek.demo.units.sump_motor import SUMP_MOTOR

MECHANICS = (("oda", "Oda Brisk"), ("marl", "Marl Tennick"), ("jun", "Jun Havers"))

GAUGES: tuple[dict[str, Any], ...] = (
    {"id": "dial-11", "takes": ["travel"], "name": "Dial 11", "unit": "mm", "division": 0.01, "interpolation": 0.5,
     "calibration_u": 0.002, "due": "2027-05-01"},
    {"id": "dial-4", "takes": ["travel"], "name": "Dial 4, in thou", "unit": "thou", "division": 1.0, "interpolation": 0.5,
     "calibration_u": 0.003, "due": "2027-02-15"},
    {"id": "lever-2", "takes": ["travel"], "name": "Lever 2", "unit": "mm", "division": 0.002, "interpolation": 0.5,
     "calibration_u": 0.001, "due": "2027-03-20"},
    {"id": "depth-9", "takes": ["depth"], "name": "Depth micrometer 9", "unit": "mm", "division": 0.002, "interpolation": 0.5,
     "calibration_u": 0.001, "due": "2027-04-10"},
    {"id": "depth-7", "takes": ["depth"], "name": "Depth micrometer 7", "unit": "mm", "division": 0.01, "interpolation": 0.5,
     "calibration_u": 0.002, "due": "2026-06-30"},
    {"id": "lever-1", "takes": ["travel"], "name": "Lever 1, fine", "unit": "mm", "division": 0.001, "interpolation": 0.5,
     "calibration_u": 0.0003, "due": "2027-06-15"},
    {"id": "blades-3", "takes": ["gap"], "name": "Feeler blades 3", "unit": "mm", "division": 0.01, "interpolation": 1.0,
     "calibration_u": 0.001, "due": "2027-01-31"},
    {"id": "mic-5", "takes": ["outside"], "name": "Micrometer 5", "unit": "mm", "division": 0.01, "interpolation": 0.1,
     "calibration_u": 0.001, "due": "2027-04-10"},
    {"id": "bore-6", "takes": ["inside"], "name": "Bore gauge 6", "unit": "mm", "division": 0.001, "interpolation": 1.0,
     "calibration_u": 0.001, "due": "2027-04-10"},
    {"id": "scale-2", "takes": ["force"], "name": "Spring scale 2", "quantity": "force", "unit": "kgf", "division": 0.05,
     "interpolation": 0.5, "calibration_u": 0.2, "due": "2027-02-28"},
    {"id": "protractor-8", "takes": ["angle"], "name": "Protractor 8", "quantity": "angle", "unit": "deg", "division": 0.5,
     "interpolation": 0.5, "calibration_u": 0.05, "due": "2027-05-20"},
)  # fmt: skip

TALKING: tuple[tuple[dict[str, Any], dict[str, Any]], ...] = tuple(
    (
        {
            "id": f"lever-{n}",
            "takes": ["travel"],
            "name": f"Lever {n}, simulated",
            "unit": "mm",
            "division": 0.001,
            "interpolation": 1.0,
            "calibration_u": 0.003,
            "due": "2027-05-15",
        },
        {"port": f"socket://127.0.0.1:{port}", "pattern": "{value} {unit}", "pedal": "PEDAL", "talks": True},
    )
    for n, port in ((6, 8471), (7, 8472))
)
"""Gauges whose needles can be heard: the simulated ones that ship with the application."""

DRAWER = {
    "C3 ring": {0.05: 6, 0.08: 4, 0.10: 8, 0.15: 5, 0.20: 6, 0.25: 4, 0.50: 3},
    "P5 ring": {0.05: 4, 0.10: 6, 0.20: 5, 0.25: 4, 0.50: 4},
    "H2 ring": {0.05: 6, 0.08: 6, 0.10: 6, 0.15: 6, 0.20: 4, 0.25: 6, 0.50: 6},
    "GB washer": {2.40: 1, 2.50: 2, 2.60: 2, 2.70: 2, 2.80: 1},
    "K2 split": {0.0508: 5, 0.0762: 5, 0.127: 6, 0.254: 6, 0.508: 4},
}


LIMIT_TABLES: tuple[dict[str, str], ...] = (
    {"id": "limits-v1", "name": "Yard sheet V-1", "kind": "float_check", "source": "Yard sheet V-1, float of motors",
     "csv": "row,over,incl,axial,radial\nto 22 kW,0,180,0.25,0.12\n22 to 45 kW,180,225,0.35,0.18\n"
            "45 to 90 kW,225,280,0.45,0.24\n"},
    {"id": "limits-s3", "name": "Yard sheet S-3", "kind": "shim_pack_end_play",
     "source": "Yard sheet S-3, tapered pairs by bore",
     "csv": "row,over,incl,least,greatest\nto 50,0,50,0.03,0.08\n50 to 80,50,80,0.05,0.10\n80 to 120,80,120,0.06,0.12\n"},
)  # fmt: skip


TYPES: tuple[tuple[str, str, dict[str, Any]], ...] = (
    ("ramp-winch", "Ramp winch drive, right-angle", RAMP_WINCH),
    ("capstan", "Quay capstan drive", CAPSTAN),
    ("drain-pump", "Lock drain pump, vertical motor", PUMP_MOTOR),
    ("worm-box", "Lock worm box", WORM_BOX),
    ("chain-ferry", "Chain ferry final drive", FINAL_DRIVE),
    ("lathe-spindle", "Yard lathe spindle", SPINDLE),
    ("dredger-gearbox", "Dredger gearbox, constant mesh", GEARBOX),
    ("rotary-table", "Worm rotary table", ROTARY_TABLE),
    ("ladder-hoist", "Bucket ladder head and hoist", LADDER_HOIST),
    ("sump-motor", "Sump pump, vertical motor", SUMP_MOTOR),
    ("compressor", "Workshop air compressor", COMPRESSOR),
    ("steering-gear", "Steering gear, sectors in eccentric covers", STEERING_GEAR),
    ("haul-winch", "Slipway haul winch", HAUL_WINCH),
    ("crane-box", "Crane travel gearbox, twin countershafts", CRANE_BOX),
)

JOBS: tuple[dict[str, Any], ...] = (
    {
        "id": "w17",
        "unit": {"id": "u-w17", "tag": "W-17", "name": "Ferry Wickerel ramp winch", "serial": "RW7-0412"},
        "revision": "ramp-winch.1",
        "complaint": "Drum creeps back under load; output seal wet",
        "known": "Bevel set came out of W-08 when its housing cracked.",
        "basis": "worn matched parts",
        "schools": {"backlash": "B"},
        "serials": {"bevel-pinion": "SET-1439-07", "bevel-gear": "SET-1439-07"},
        "bench": "bench 2",
        "waits_for": "",
    },
    {
        "id": "c09",
        "unit": {"id": "u-c09", "tag": "C-09", "name": "East quay capstan", "serial": "QC-1177"},
        "revision": "capstan.1",
        "complaint": "Head rocks when the rope jumps",
        "bench": "bench 1",
        "length_unit": "thou",
        "waits_for": "",
    },
    {
        "id": "p22",
        "unit": {"id": "u-p22", "tag": "P-22", "name": "Third Lock drain pump", "serial": "DP2-093"},
        "revision": "drain-pump.1",
        "complaint": "Runs hot after an hour",
        "bench": "bench 3",
        "waits_for": "",
    },
    {
        "id": "g04",
        "unit": {"id": "u-g04", "tag": "G-04", "name": "Ambry Lock worm box", "serial": "WB4-021"},
        "revision": "worm-box.1",
        "complaint": "Worm knocks when reversed",
        "bench": "bench 4",
        "waits_for": "",
    },
    {
        "id": "f12",
        "unit": {"id": "u-f12", "tag": "F-12", "name": "Chain ferry Dunnagh drive", "serial": "CF12-007"},
        "revision": "chain-ferry.1",
        "complaint": "Growls on the inward run",
        "schools": {"backlash": "B"},
        "basis": "worn matched parts",
        "bench": "floor",
        "waits_for": "bearing cup, promised Monday",
    },
    {
        "id": "w11",
        "unit": {"id": "u-w11", "tag": "W-11", "name": "Ambry Lock gate winch", "serial": "RW7-0388"},
        "revision": "ramp-winch.1",
        "complaint": "Yearly strip",
        "bench": "rack",
        "waits_for": "",
    },
    {
        "id": "l03",
        "unit": {"id": "u-l03", "tag": "L-03", "name": "Yard lathe headstock", "serial": "LS-0031"},
        "revision": "lathe-spindle.1",
        "complaint": "Chatters on facing cuts; nose warm after ten minutes",
        "known": "Front bearing was drawn up by ear last winter.",
        "basis": "worn matched parts",
        "schools": {"spindle": "B", "reuse": "B"},
        "bench": "lathe bay",
        "waits_for": "",
    },
    {
        "id": "k08",
        "unit": {"id": "u-k08", "tag": "K-08", "name": "Dredger Pell gearbox", "serial": "GB5-0117"},
        "revision": "dredger-gearbox.1",
        "complaint": "Jumps out of second; metal in the oil",
        "stands": "field",
        "bench": "dredger, engine room",
        "waits_for": "",
    },
    {
        "id": "t05",
        "unit": {"id": "u-t05", "tag": "T-05", "name": "Boring mill rotary table", "serial": "RT2-009"},
        "revision": "rotary-table.1",
        "complaint": "Table creeps when clamped; lash felt at the hand wheel",
        "bench": "bench 5",
        "waits_for": "",
    },
    {
        "id": "d02",
        "unit": {"id": "u-d02", "tag": "D-02", "name": "Dredger Pell ladder head", "serial": "DL2-006"},
        "revision": "ladder-hoist.1",
        "complaint": "Left head bearing ran hot",
        "bench": "floor",
        "waits_for": "",
    },
    {
        "id": "s31",
        "unit": {"id": "u-s31", "tag": "S-31", "name": "Slip dock sump motor", "serial": "SM3-051"},
        "revision": "sump-motor.1",
        "complaint": "Rattles when it starts",
        "bench": "bench 6",
        "waits_for": "",
    },
    {
        "id": "a06",
        "unit": {"id": "u-a06", "tag": "A-06", "name": "Smithy air compressor", "serial": "AC1-014"},
        "revision": "compressor.1",
        "complaint": "Knocks; new rod fitted",
        "bench": "bench 6",
        "waits_for": "",
    },
    {
        "id": "v18",
        "unit": {
            "id": "u-v18",
            "tag": "V-18",
            "name": "Pilot cutter Sallow steering gear",
            "serial": "SG3-044",
        },
        "revision": "steering-gear.1",
        "complaint": "Dead place in the middle of the wheel",
        "basis": "worn matched parts",
        "bench": "bench 2",
        "waits_for": "",
    },
    {
        "id": "r15",
        "unit": {"id": "u-r15", "tag": "R-15", "name": "Quay crane travel gearbox", "serial": "TB9-018"},
        "revision": "crane-box.1",
        "complaint": "Growls in first; whines in second",
        "bench": "floor",
        "waits_for": "",
    },
    {
        "id": "w26",
        "unit": {"id": "u-w26", "tag": "W-26", "name": "Lower stage ramp winch", "serial": "RW7-0461"},
        "revision": "ramp-winch.1",
        "complaint": "Output seal wet",
        "bench": "test stand",
        "waits_for": "",
    },
)
OLD_JOB: dict[str, Any] = {
    "id": "w08", "unit": {"id": "u-w08", "tag": "W-08", "name": "Old Ambry ramp winch", "serial": "RW7-0309"},
    "revision": "ramp-winch.1", "complaint": "Housing cracked at the feet", "basis": "worn matched parts",
    "serials": {"bevel-pinion": "SET-1439-07", "bevel-gear": "SET-1439-07"}, "bench": "scrap", "waits_for": "",
}  # fmt: skip
