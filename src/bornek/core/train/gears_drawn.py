"""Gears seen from their ends, tooth in space: what is to be painted before they go together."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.scenes import GearDrawn, Gears
from bornek.core.train.timing import Timed
from bornek.core.units.definition import Part

WIDTH, HEIGHT = 620.0, 380.0
"""At most: the sheet is cut to the gears."""
CLOSE = 270.0
"""A close-up of one mesh is so wide and so high."""
CLOSE_MODULE = 16.0
CLOSE_TEETH = 2
"""Teeth to either side of the mesh: what fits without being cut."""
RIM_MODULES = 2.4
"""So much of the body is drawn under the teeth of a close-up."""
PAD = 8.0
TOOTH_MODULES = 2.25
HUB = 0.32
Point = tuple[float, float]


@dataclass(frozen=True)
class _Set:
    """A gear as it stands: its middle in modules, and how far its tooth 1 is turned from the top [deg]."""

    part: Part
    x: float
    y: float
    turned: float
    painted: tuple[int, ...]

    @property
    def radius(self) -> float:
        return self.part.teeth / 2

    @property
    def reach(self) -> float:
        return self.radius + 1


def draw_gears(label: str, found: Sequence[Timed]) -> Gears:
    """All marks on one gear in one drawing: the gear with the spaces in the middle, its mates where they lie.

    Raises nothing: marks that cannot stand right together are drawn each at its own tooth, and so do not fit.
    """
    first = found[0]
    middle = _space_gear(first, found)
    return _on_sheet(label, [middle, *(_mate(t, middle) for t in found)])


def _space_gear(first: Timed, found: Sequence[Timed]) -> _Set:
    teeth = first.other.teeth
    turned = first.toward_one - (first.mark.space - 0.5) * 360 / teeth
    painted = tuple(dict.fromkeys(n for t in found for n in t.other_teeth))
    return _Set(first.other, 0.0, 0.0, turned, painted)


def _mate(t: Timed, middle: _Set) -> _Set:
    """Its tooth points at the middle of the gear with the space."""
    a = math.radians(t.toward_one)
    apart = (t.one.teeth + t.other.teeth) / 2
    turned = t.toward_one + 180 - (t.mark.tooth - 1) * 360 / t.one.teeth
    return _Set(t.one, apart * math.sin(a), -apart * math.cos(a), turned, (t.mark.tooth,))


def close_up(t: Timed) -> Gears:
    """The tooth in its space, large: the teeth about the mesh alone.

    >>> from bornek.core.units.mesh import Mesh, TimingMark
    >>> t = Timed(TimingMark("t", "T", "m"), Mesh("m", "M", "a", "b", toward="below"), Part("b", "B", "gear", teeth=36),
    ...     Part("a", "A", "gear", teeth=24))
    >>> [len(g.painted) for g in close_up(t).gears]
    [2, 1]
    """
    middle = _space_gear(t, [t])
    a = math.radians(t.toward_one)
    at = (middle.radius * math.sin(a), -middle.radius * math.cos(a))
    sheet = _Sheet(CLOSE_MODULE, CLOSE / 2 - CLOSE_MODULE * at[0], CLOSE / 2 - CLOSE_MODULE * at[1])
    near = ((middle, t.toward_one), (_mate(t, middle), t.toward_one + 180))
    return Gears(t.mark.label, CLOSE, CLOSE, tuple(_drawn(g, sheet, toward) for g, toward in near))


@dataclass(frozen=True)
class _Sheet:
    """Modules to the sheet: so many to one, moved by."""

    per: float
    dx: float
    dy: float

    def at(self, g: _Set, turn: float, r: float) -> Point:
        a = math.radians(turn)
        x, y = g.x + r * math.sin(a), g.y - r * math.cos(a)
        return round(self.dx + self.per * x, 1), round(self.dy + self.per * y, 1)


def _on_sheet(label: str, gears: Sequence[_Set]) -> Gears:
    lo_x, hi_x = min(g.x - g.reach for g in gears), max(g.x + g.reach for g in gears)
    lo_y, hi_y = min(g.y - g.reach for g in gears), max(g.y + g.reach for g in gears)
    per = min((WIDTH - 2 * PAD) / (hi_x - lo_x), (HEIGHT - 2 * PAD) / (hi_y - lo_y))
    sheet = _Sheet(per, PAD - per * lo_x, PAD - per * lo_y)
    wide, high = per * (hi_x - lo_x) + 2 * PAD, per * (hi_y - lo_y) + 2 * PAD
    return Gears(label, round(wide, 1), round(high, 1), tuple(_drawn(g, sheet) for g in gears))


def _drawn(g: _Set, sheet: _Sheet, toward: float | None = None) -> GearDrawn:
    """All of it, or where it is seen close the teeth about `toward` alone."""
    step, cut = 360 / g.part.teeth, g.part.cut or g.part.teeth
    shown = list(range(1, cut + 1))
    if toward is not None:
        shown = sorted(
            (n for n in shown if _off(g, n, step, toward) <= (CLOSE_TEETH + 0.01) * step),
            key=lambda n: _turn(g, n, step, toward),
        )
    outline = [sheet.at(g, *p) for n in shown for p in _tooth(g, n, step)]
    if len(shown) < g.part.teeth:
        deep = g.radius * HUB if toward is None else g.reach - TOOTH_MODULES - RIM_MODULES
        ends = (shown[-1], 0.6), (shown[0], -0.6)
        outline += [sheet.at(g, g.turned + (n - 1 + by) * step, deep) for n, by in ends]
    painted = tuple(tuple(sheet.at(g, *p) for p in _tooth(g, n, step)) for n in g.painted if n in shown)
    named = (
        sheet.at(g, toward, g.reach - TOOTH_MODULES - 0.6 * RIM_MODULES)
        if toward is not None
        else sheet.at(g, 0, 0)
    )
    return GearDrawn(
        label=g.part.label,
        outline=tuple(outline),
        hub=round(sheet.per * g.radius * HUB / 2, 1) if toward is None else 0.0,
        middle=sheet.at(g, 0, 0),
        name_at=named,
        painted=painted,
    )


def _turn(g: _Set, number: int, step: float, toward: float) -> float:
    """How far a tooth stands from a direction, −180 to 180 clockwise."""
    return (g.turned + (number - 1) * step - toward + 180) % 360 - 180


def _off(g: _Set, number: int, step: float, toward: float) -> float:
    return abs(_turn(g, number, step, toward))


def _tooth(g: _Set, number: int, step: float) -> list[tuple[float, float]]:
    """Root, tip, tip, root of one tooth as (degrees, modules)."""
    at = g.turned + (number - 1) * step
    root, tip = g.reach - TOOTH_MODULES, g.reach
    return [
        (at - 0.36 * step, root),
        (at - 0.17 * step, tip),
        (at + 0.17 * step, tip),
        (at + 0.36 * step, root),
    ]
