"""Which drawer draws which type of scene on paper; every type of the closed set has one."""

from __future__ import annotations

from collections.abc import Callable

from reportlab.graphics.shapes import Drawing

from bornek.report.flank_mark import draw_flank
from bornek.report.gear_marks import draw_gears, draw_ring
from bornek.report.groups_mark import draw_groups
from bornek.report.life_mark import draw_life
from bornek.report.marks import draw_log, draw_pack, draw_readout
from bornek.report.paint import Scene
from bornek.report.round_marks import draw_bolts, draw_dial
from bornek.report.section_mark import draw_section
from bornek.report.small_marks import draw_circle, draw_ladder, draw_steps, draw_table

DRAWERS: dict[str, Callable[[Scene, float], Drawing]] = {
    "readout": draw_readout,
    "log": draw_log,
    "pack": draw_pack,
    "circle": draw_circle,
    "flank": draw_flank,
    "ladder": draw_ladder,
    "steps": draw_steps,
    "section": draw_section,
    "table": draw_table,
    "bolts": draw_bolts,
    "dial": draw_dial,
    "groups": draw_groups,
    "gears": draw_gears,
    "ring": draw_ring,
    "life": draw_life,
}
NARROW = {"pack": 190.0, "flank": 240.0}
"""Drawings that do not need the whole width of the sheet."""


def draw(scene: Scene, width: float) -> Drawing:
    """One scene at the width that suits it, at most `width`."""
    return DRAWERS[scene["type"]](scene, min(width, NARROW.get(scene["type"], width)))
