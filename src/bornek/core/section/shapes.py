"""The outline of each kind of part, in its own frame: u along the shaft, v out from its line.

Every outline is drawn once for v > 0 and mirrored. Roles say what a line or a face is; the page and the
PDF paint them alike.
"""

from __future__ import annotations

import math
from collections.abc import Callable

from bornek.core.scenes import SectionShape
from bornek.core.section import nested_shapes
from bornek.core.section.lengths import TOOTH
from bornek.core.section.outline import Outline, Point, edge, face
from bornek.core.section.place_parts import Spot

SEAL = 9.0


def _round(role: str, u: float, v: float, r: float) -> Outline:
    turn = [2 * math.pi * i / 20 for i in range(20)]
    return role, tuple((u + r * math.cos(t), v + r * math.sin(t)) for t in turn), True


def _gear(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    hub = min(h + 5, h * 1.3) if r > 50 else h
    rim = (
        [face("part", -h, h, s.near, r)]
        if r < 46
        else [
            face("part", -hub, hub, s.near, s.near + 12),
            face("part", -h * 0.45, h * 0.45, s.near + 12, r - 22),
            face("part", -h, h, r - 22, r),
        ]
    )
    return [*rim, edge("edge", (-h, r - TOOTH), (h, r - TOOTH))]


def _bevel_pinion(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    back, front = -h * flip, h * flip
    return [
        (
            "part",
            (
                (back, s.near * 0.6),
                (back, r * 0.86),
                (back + 8 * flip, r),
                (front, r * 0.52),
                (front, s.near * 0.6),
            ),
            True,
        ),
        edge("edge", (back + 14 * flip, r * 0.72), (front, r * 0.36)),
    ]


def _bevel_gear(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    back, front = h * flip, -h * flip
    return [
        (
            "part",
            (
                (back, s.near),
                (back, s.near + 22),
                (back - 22 * flip, s.near + 28),
                (front + 22 * flip, r - 4),
                (front + 12 * flip, r),
                (front, r - 30),
                (front + 16 * flip, s.near + 28),
                (front + 22 * flip, s.near),
            ),
            True,
        ),
        edge("edge", (front + 20 * flip, r - 10), (front + 8 * flip, r - 34)),
    ]


def _worm(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    turns = [
        edge("edge", (u, -r), (u + 10, r))
        for u in [-h + 8 + 14 * i for i in range(int((2 * h - 18) // 14) + 1)]
    ]
    return [face("part", -h, h, 0, r), *turns]


def _worm_wheel(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    return [
        face("part", -h, h, s.near, s.near + 14),
        face("part", -h * 0.5, h * 0.5, s.near + 14, r - 26),
        (
            "part",
            ((-h, r - 26), (h, r - 26), (h, r), (h * 0.5, r - 7), (0, r - 9), (-h * 0.5, r - 7), (-h, r)),
            True,
        ),
    ]


def _taper(s: Spot, flip: int) -> list[Outline]:
    h, r, v = s.along / 2, s.radius, s.near
    third = (r - v) / 3
    thin, thick = -h * flip, h * flip
    return [
        (
            "race",
            ((thin, v), (thick * 0.9, v), (thick * 0.9, v + third * 1.3), (thin, v + third * 0.6)),
            True,
        ),
        (
            "race",
            ((thin * 0.9, r), (thick, r), (thick, v + third * 2.5), (thin * 0.9, v + third * 1.9)),
            True,
        ),
        (
            "roller",
            (
                (thin * 0.72, v + third * 0.75),
                (thick * 0.75, v + third * 1.3),
                (thick * 0.7, v + third * 2.35),
                (thin * 0.76, v + third * 1.85),
            ),
            True,
        ),
    ]


def _rings(s: Spot, rolling: Outline) -> list[Outline]:
    h, r = s.along / 2, s.radius
    third = (r - s.near) / 3
    return [
        face("race", -h, h, s.near, s.near + third * 0.9),
        face("race", -h, h, r - third * 0.9, r),
        rolling,
    ]


def _ball(s: Spot, flip: int) -> list[Outline]:
    middle = (s.radius + s.near) / 2
    return _rings(s, _round("roller", 0, middle, (s.radius - s.near) * 0.29))


def _roller(s: Spot, flip: int) -> list[Outline]:
    h, third = s.along / 2, (s.radius - s.near) / 3
    return _rings(s, face("roller", -h * 0.7, h * 0.7, s.near + third * 0.9, s.radius - third * 0.9))


def _thrust(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    return [
        face("race", -h, -h * 0.45, s.near, r),
        face("race", h * 0.45, h, s.near, r),
        face("roller", -h * 0.45, h * 0.45, s.near + 7, r - 5),
    ]


def _bush(s: Spot, flip: int) -> list[Outline]:
    h = s.along / 2
    return [face("race", -h, h, s.near, s.radius)]


def _cover(s: Spot, flip: int) -> list[Outline]:
    return [face("cut", -s.along / 2, s.along / 2, s.near + 3, s.radius)]


def _nut(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    return [face("part", -h, h, s.near - 2, r), edge("edge", (-h, r * 0.72), (h, r * 0.72))]


def _plain(s: Spot, flip: int) -> list[Outline]:
    return [face("part", -s.along / 2, s.along / 2, s.near - 1, s.radius)]


def _flange(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    near, far = -h * flip, h * flip
    return [
        face("part", min(near, far), max(near, far), s.near - 2, min(r * 0.5, s.near + 18)),
        face("part", min(far * 0.1, far), max(far * 0.1, far), s.near - 2, r),
    ]


def _dog(s: Spot, flip: int) -> list[Outline]:
    h, r = s.along / 2, s.radius
    return [
        (
            "part",
            (
                (-h, s.near),
                (h, s.near),
                (h, r),
                (h * 0.35, r),
                (h * 0.35, r - 8),
                (-h * 0.35, r - 8),
                (-h * 0.35, r),
                (-h, r),
            ),
            True,
        )
    ]


_OUTLINES: dict[str, Callable[[Spot, int], list[Outline]]] = {
    "gear": _gear, "bevel_pinion": _bevel_pinion, "bevel_gear": _bevel_gear, "worm": _worm,
    "worm_wheel": _worm_wheel, "taper": _taper, "ball": _ball, "roller": _roller, "thrust": _thrust,
    "bush": _bush, "cover": _cover, "nut": _nut, "washer": _plain, "spacer": _plain, "flange": _flange,
    "block": _plain, "dog": _dog, "ring_gear": nested_shapes.ring_gear, "carrier": nested_shapes.carrier,
    "discs": nested_shapes.discs, "cup": nested_shapes.cup,
}  # fmt: skip


class Frame:
    """Turns a shaft's own (u, v) into the drawing's (x, y)."""

    def __init__(self, upright: bool, line: float) -> None:
        self.upright, self.line = upright, line

    def at(self, u: float, v: float) -> Point:
        return (self.line + v, u) if self.upright else (u, self.line + v)

    def box(self, role: str, u0: float, u1: float, v0: float, v1: float, part: str = "") -> SectionShape:
        return SectionShape(
            role, tuple(self.at(u, v) for u, v in ((u0, v0), (u1, v0), (u1, v1), (u0, v1))), part
        )


def draw_part(s: Spot, frame: Frame, flip: int) -> list[SectionShape]:
    """The shapes of one part on its shaft, both sides of the line."""
    outlines = _OUTLINES.get(s.part.about.shape)
    if outlines is None:
        return []
    found = []
    for role, points, closed in outlines(s, flip):
        across = min(v for _, v in points) < 0
        for side in (1,) if across else (1, -1):
            found.append(
                SectionShape(role, tuple(frame.at(s.at + u, side * v) for u, v in points), s.part.key, closed)
            )
    return found


def draw_seal(u: float, frame: Frame, part: str, near: float) -> list[SectionShape]:
    """A seal in its cover's bore: a small box on either side of the shaft."""
    return [frame.box("seal", u - 5, u + 5, side * near, side * (near + SEAL), part) for side in (1, -1)]
