"""The small ones: a quay capstan's head and a lock's worm box."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import end_play, limit, mesh, on, part, place, play, shaft

CAPSTAN: dict[str, Any] = {
    "shafts": [shaft("head", "capstan head", line="upright")],
    "parts": [
        *on("head",
            part("drum", "head-drum", "Capstan head", number="QC-530", safety=True),
            part("seal", "head-seal", "Head seal", number="QC-506", single_use=True, faces="lip to the oil"),
            part("cover", "head-cover-part", "Head cover", number="QC-504"),
            part("taper_bearing", "head-upper", "Head bearing, upper", number="TB-3014"),
            part("gear", "head-gear", "Head gear", number="QC-520", teeth=62),
            part("taper_bearing", "head-lower", "Head bearing, lower", number="TB-3012"),
            part("shaft", "head-shaft", "Head shaft", number="QC-510", safety=True)),
        part("fastener", "head-bolts", "Cover bolts", count=8, number="1/2x1-1/4"),
        part("housing", "pedestal", "Pedestal", number="QC-001"),
    ],
    "places": [place("head-cover", "head cover", "head-cover-part", "K2 split")],
    "settings": [
        end_play("head-end-play", "Head shaft end play", "head-cover", "dial-4",
                 play(torque="60 lb-ft", housing="soft"), limit("3 thou", "6 thou", "Yard card C-9, row head")),
    ],
    "cautions": ["A rope under load turns the head: take it off the drum first."],
}  # fmt: skip

WORM_BOX: dict[str, Any] = {
    "shafts": [shaft("worm", "worm, turned into the plane", line="upright", power="in", turns="clockwise"),
               shaft("wheel", "gate spindle", line="upright", power="out")],
    "parts": [
        *on("worm",
            part("cover", "worm-cover-part", "Worm cover", number="WB-104"),
            part("taper_bearing", "worm-cone-a", "Two-row bearing, first cone", number="TD-4409", identity=True),
            part("spacer", "worm-spacer-ring", "Bearing spacer", number="WB-112"),
            part("taper_bearing", "worm-cone-b", "Two-row bearing, second cone", number="TD-4409", flip=True),
            part("worm", "worm-body", "Worm", number="WB-120", teeth=2),
            part("ball_bearing", "worm-far", "Worm bearing, far end", number="BB-6309"),
            part("shaft", "worm-shaft", "Worm shaft", number="WB-121")),
        *on("wheel",
            part("ball_bearing", "wheel-upper", "Wheel bearing, upper", number="BB-6212"),
            part("worm_wheel", "worm-wheel", "Worm wheel", number="WB-220", teeth=47, size=0.8),
            part("ball_bearing", "wheel-lower", "Wheel bearing, lower", number="BB-6212"),
            part("coupling", "gate-flange", "Gate flange", number="WB-250", safety=True),
            part("shaft", "wheel-shaft", "Gate spindle", number="WB-210", safety=True)),
        part("housing", "box", "Worm box", number="WB-001"),
    ],
    "meshes": [mesh("worm-mesh", "Worm and wheel 2/47", "worm-body", "worm-wheel", kind="worm", hand="left")],
    "places": [place("worm-spacer", "worm bearing spacer", "worm-spacer-ring"),
               place("worm-lash", "worm mesh", "worm-mesh")],
    "settings": [
        {"key": "worm-bench", "label": "Worm bearing bench setting", "kind": "two_row_bench",
         "place": "worm-spacer", "gauge": "depth-9",
         "given": {"half_angle": "15", "cone_fit": "0.030", "cup_fit": "-0.01"},
         "limits": [limit("0.05", "0.11", "Yard card WB-4, bearing sheet")]},
    ],
    "cautions": ["The gate hangs on this box: pin the gate before the worm is drawn."],
}  # fmt: skip
