"""The two flanks as they are drawn: what was painted, what is wanted, and what the next move is expected to bring."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache

import numpy as np

from bornek.core.errors import InputError
from bornek.core.mesh.bevel_set import BevelSet, Side
from bornek.core.mesh.contact import Contact, Shift, contact
from bornek.core.mesh.flank import flank_of
from bornek.core.mesh.outline import outline
from bornek.core.scenes import Flank, Patch
from bornek.core.settings.records import Paint

Point = tuple[float, float]
PAINTED = 0.5
"""A cell is drawn as painted from half of it on."""
REACH_POINTS = 13


def centroid(mask: Sequence[Sequence[float]]) -> tuple[float, float, float]:
    """Centre of painted contact and its share of the flank: x toe to heel, y root to tip, 0 to 1.

    Rows root to tip, columns toe to heel, each cell a share 0 to 1. Raises InputError on a mask
    with no paint or ragged rows.

    >>> centroid([[0, 1], [0, 1]])
    (0.75, 0.5, 0.5)
    """
    width = len(mask[0]) if mask else 0
    if width == 0 or any(len(row) != width for row in mask):
        raise InputError("The painted flank needs rows of one length.", field="mask")
    total = sum(sum(row) for row in mask)
    if total <= 0:
        raise InputError(
            "Nothing is painted on the flank.", field="mask", next_step="Paint the contact first."
        )
    x = sum(v * (j + 0.5) / width for row in mask for j, v in enumerate(row)) / total
    y = sum(v * (i + 0.5) / len(mask) for i, row in enumerate(mask) for v in row) / total
    return x, y, total / (width * len(mask))


def painted_patch(role: str, paint: Paint) -> Patch:
    """The cells that carry paint, and their middle."""
    x, y, _ = centroid(paint.mask)
    rows = len(paint.mask)
    cells = tuple(
        ((j + 0.5) / len(row), (i + 0.5) / rows)
        for i, row in enumerate(paint.mask)
        for j, v in enumerate(row)
        if v >= PAINTED
    )
    return Patch(role, cells, (x, y))  # type: ignore[arg-type]


def ring(c: Contact, centre: Point | None = None) -> Patch | None:
    """A reckoned pattern as a ring; laid about `centre` where that is better known than the model knows it."""
    points = outline(c)
    if not points:
        return None
    at = centre or (c.x, c.y)
    dx, dy = at[0] - c.x, at[1] - c.y
    moved = tuple((_inside(px + dx), _inside(py + dy)) for px, py in points)
    return Patch("predicted", (), (_inside(at[0]), _inside(at[1])), moved)


def _inside(v: float) -> float:
    return round(min(max(v, 0.0), 1.0), 3)


def bare_flank(label: str, flank: str, s: BevelSet | None, side: Side) -> Flank:
    """The flank itself: how it tapers, and where the pinion's tooth ends."""
    scene = Flank(label, flank, ())  # type: ignore[arg-type]
    if s is None:
        return scene
    return replace(scene, taper=round(s.face / s.outer_cone_mm, 3), reach=reach_line(s, side))


@lru_cache(maxsize=64)
def reach_line(s: BevelSet, side: Side) -> tuple[Point, ...]:
    """From toe to heel, how far up the gear's tooth the pinion's tip comes: below it nothing touches."""
    f = flank_of(s, side)
    height = np.array([np.interp(0.0, f.reach[:, j], f.y[:, j]) for j in range(f.x.shape[1])])
    at = np.linspace(0, 1, REACH_POINTS)
    line = np.interp(at, f.x[0], height)
    return tuple((round(float(x), 3), round(float(y), 3)) for x, y in zip(at, line, strict=True))


@lru_cache(maxsize=16)
def _at(s: BevelSet, side: Side, shift: Shift) -> Contact:
    return contact(s, side, shift)


def expected_ring(
    s: BevelSet,
    side: Side,
    standing: Shift,
    by: tuple[float, float],
    centre: Point | None,
    painted: Point | None,
) -> Patch | None:
    """The pattern after the members moved out by (pinion, gear): the model's shape there. Its middle is `centre` where
    the advice knows one; else what was painted, moved as the model moves."""
    then = Shift(standing.pinion + by[0], standing.gear + by[1], standing.up, standing.angle)
    after = _at(s, side, then)
    if after.share == 0:
        return None
    if centre is None and painted is not None:
        now = _at(s, side, standing)
        if now.share > 0:
            centre = (painted[0] + after.x - now.x, painted[1] + after.y - now.y)
    return ring(after, centre)
