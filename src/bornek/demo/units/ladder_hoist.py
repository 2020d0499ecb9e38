"""Bucket ladder's head shaft on two roller bearings with sleeves, and the hoist pinion on its crush spacer."""

from __future__ import annotations

from typing import Any

from bornek.demo.units.words import mesh, on, part, place, shaft

LADDER_HOIST: dict[str, Any] = {
    "shafts": [shaft("head", "ladder head shaft"), shaft("hoist", "hoist pinion")],
    "parts": [
        *on("head",
            part("cover", "head-cover-left", "Head cover, left", number="DL-104"),
            part("nut", "sleeve-nut", "Nut of the sleeve", number="DL-115"),
            part("lock_washer", "sleeve-lock", "Lock washer of the sleeve", number="DL-114", single_use=True),
            part("spherical_bearing", "head-left", "Head bearing, left, on its sleeve", number="22218 EK", identity=True),
            part("drum", "tumbler", "Top tumbler", number="DL-530", safety=True, seat=True),
            part("gear", "head-gear", "Head gear", number="DL-520", teeth=71),
            part("spherical_bearing", "head-right", "Head bearing, right", number="22218 EK", identity=True),
            part("cover", "head-cover-right", "Head cover, right", number="DL-105"),
            part("shaft", "head-shaft", "Head shaft", number="DL-510", safety=True)),
        *on("hoist",
            part("coupling", "hoist-flange", "Hoist flange", number="DL-201"),
            part("nut", "pinion-nut", "Pinion nut", number="DL-203", single_use=True),
            part("seal", "hoist-seal", "Hoist seal", number="DL-206", single_use=True, faces="lip to the oil",
                 goes_in="outside"),
            part("taper_bearing", "hoist-outer", "Pinion bearing, outer", number="TB-3108"),
            part("spacer", "crush-spacer", "Crush spacer", number="DL-212", single_use=True),
            part("gear", "hoist-pinion", "Hoist pinion", number="DL-220", teeth=17, seat=True),
            part("taper_bearing", "hoist-inner", "Pinion bearing, inner", number="TB-3210"),
            part("shaft", "hoist-shaft", "Pinion shaft", number="DL-210", safety=True)),
        part("housing", "ladder-frame", "Ladder head frame", number="DL-001"),
    ],
    "meshes": [mesh("hoist-pair", "Hoist pair 17/71", "hoist-pinion", "head-gear", toward="below")],
    "places": [
        place("head-sleeve", "left head bearing on its sleeve", "head-left"),
        place("pinion-nut-place", "pinion nut", "pinion-nut"),
    ],
    "settings": [
        {"key": "head-drive-up", "label": "Head bearing drive-up", "kind": "taper_clearance", "place": "head-sleeve",
         "gauge": "blades-3", "given": {"designation": "22218 EK", "pitch": "2", "slots": "8", "source": "Yard chart B-1"}},
        {"key": "pinion-drag", "label": "Pinion preload by drag", "kind": "rolling_drag", "place": "pinion-nut-place",
         "gauge": "scale-2",
         "given": {"read_as": "force", "scale": "kgf", "limit_as": "force", "radius": "60 mm", "bearings": "new",
                   "new_least": "34 N", "new_greatest": "40 N", "run_in_least": "18 N", "run_in_greatest": "22 N",
                   "adjuster": "crush", "source": "Yard card DL-2, row pinion"}},
    ],
    "cautions": ["The ladder hangs on the head shaft: pin it at the stem before a bearing is touched."],
}  # fmt: skip
