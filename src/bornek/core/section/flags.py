"""Finds free places for the flags and shaft names: none overlaps another, none hides a spot.

Every position on a 10-unit grid is a candidate. Its cost is what it covers of the drawing, how far it is
from its spot, and how many leaders cross; overlaps are forbidden. Greedy, the names first, then each is placed
afresh with all others known.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.scenes import SectionShape

Point = tuple[float, float]
Box = tuple[float, float, float, float]
STEP = 10
CELL = 5
ROOM = 8.0
SPOT_ROOM = 12.0
KEPT = 1000
TRIED = 40
SWEEPS = 2
NAME_PULL = 8.0
"""How much harder a shaft's name is drawn to the end of its shaft than a flag to its spot: it has no leader."""


@dataclass(frozen=True)
class Wanted:
    """A box of w by h that wants to be near its spot; `led` ones get a leader."""

    spot: Point
    w: float
    h: float
    led: bool = True


def place_boxes(
    wanted: Sequence[Wanted], shapes: Sequence[SectionShape], width: float, height: float
) -> list[Box]:
    """A box (x0, y0, x1, y1) for each, in the order given."""
    inked = _ink(shapes, width, height)
    led = np.array([w.spot for w in wanted if w.led]).reshape(-1, 2)
    sizes = {(w.w, w.h) for w in wanted}
    grids = {size: _grid(*size, inked, led, width, height) for size in sizes}
    choices = [_choices(w, grids[w.w, w.h]) for w in wanted]
    boxes: list[Box | None] = [None] * len(wanted)
    order = sorted(range(len(wanted)), key=lambda i: (wanted[i].led, _room(wanted, i)))
    for _ in range(SWEEPS):
        for i in order:
            boxes[i] = None
            boxes[i] = _best(i, wanted, boxes, choices[i])
    return [b for b in boxes if b is not None]


def leader_end(spot: Point, box: Box) -> Point:
    """Where a leader from the spot meets the box: its nearest point."""
    return min(max(spot[0], box[0]), box[2]), min(max(spot[1], box[1]), box[3])


def _room(wanted: Sequence[Wanted], i: int) -> float:
    x, y = wanted[i].spot
    return min((abs(x - w.spot[0]) + abs(y - w.spot[1]) for n, w in enumerate(wanted) if n != i), default=0.0)


def _ink(shapes: Sequence[SectionShape], width: float, height: float) -> np.ndarray:
    """Summed-area table of what is drawn; housing counts half."""
    grid = np.zeros((int(height // CELL) + 2, int(width // CELL) + 2))
    for shape in shapes:
        if not shape.closed:
            continue
        xs, ys = [p[0] for p in shape.points], [p[1] for p in shape.points]
        a, b = int(max(min(ys), 0) // CELL), int(max(max(ys), 0) // CELL) + 1
        c, d = int(max(min(xs), 0) // CELL), int(max(max(xs), 0) // CELL) + 1
        grid[a:b, c:d] = np.maximum(grid[a:b, c:d], 0.6 if shape.role in ("cut", "half") else 1.0)
    table = np.zeros((grid.shape[0] + 1, grid.shape[1] + 1))
    table[1:, 1:] = grid.cumsum(0).cumsum(1)
    return table


def _grid(w: float, h: float, ink: np.ndarray, led: np.ndarray, width: float, height: float) -> np.ndarray:
    """Every position of a box w by h: x0, y0, x1, y1, share of ink, 1 if it hides a spot."""
    xs, ys = (
        a.ravel() for a in np.meshgrid(np.arange(4, width - w - 3, STEP), np.arange(4, height - h - 3, STEP))
    )
    x1, y1 = xs + w, ys + h
    hides = np.zeros(xs.shape, dtype=bool)
    for x, y in led:
        hides |= (xs < x + SPOT_ROOM) & (x1 > x - SPOT_ROOM) & (ys < y + SPOT_ROOM) & (y1 > y - SPOT_ROOM)
    return np.stack((xs, ys, x1, y1, _covered(ink, xs, ys, x1, y1), hides))


def _choices(me: Wanted, grid: np.ndarray) -> np.ndarray:
    """The cheapest boxes for one item, others left aside: x0, y0, x1, y1, cost."""
    xs, ys, x1, y1, covered, hides = grid
    far = np.hypot(np.clip(me.spot[0], xs, x1) - me.spot[0], np.clip(me.spot[1], ys, y1) - me.spot[1])
    cost = (0.8 if me.led else NAME_PULL) * np.abs(far - (26 if me.led else 8))
    cost += (700 if me.led else 3000) * covered + (30 if me.led else 600) * (covered > 0.01) + 1e4 * hides
    cheap: np.ndarray = np.stack((xs, ys, x1, y1, cost))[:, _least(cost, KEPT)]
    return cheap


def _least(cost: np.ndarray, count: int) -> np.ndarray:
    """Where the smallest stand, in rising order; equal ones in their own order."""
    if count < len(cost):
        edge = np.partition(cost, count)[count]
        near = np.flatnonzero(cost <= edge)
    else:
        near = np.arange(len(cost))
    order: np.ndarray = near[np.argsort(cost[near], kind="stable")][:count]
    return order


def _best(i: int, wanted: Sequence[Wanted], boxes: Sequence[Box | None], choices: np.ndarray) -> Box:
    x0, y0, x1, y1, alone = choices
    others = [b for n, b in enumerate(boxes) if b is not None and n != i]
    a0, b0, a1, b1 = np.array(others).reshape(-1, 4, 1).transpose(1, 0, 2)
    over = (x0 < a1 + ROOM) & (x1 > a0 - ROOM) & (y0 < b1 + ROOM) & (y1 > b0 - ROOM)
    cost = alone + 1e5 * over.sum(0)
    best, least = 0, float("inf")
    for c in _least(cost, TRIED):
        if cost[c] >= least:
            break
        box: Box = tuple(float(x) for x in choices[:4, c])  # type: ignore[assignment]
        more = _crossed(i, box, wanted, boxes) if wanted[i].led else _on_leaders(i, box, wanted, boxes)
        if cost[c] + more < least:
            best, least = int(c), float(cost[c] + more)
    return float(x0[best]), float(y0[best]), float(x1[best]), float(y1[best])


def _covered(ink: np.ndarray, x0: np.ndarray, y0: np.ndarray, x1: np.ndarray, y1: np.ndarray) -> np.ndarray:
    a, b = (y0 // CELL).astype(int), np.minimum(y1 // CELL + 1, ink.shape[0] - 1).astype(int)
    c, d = (x0 // CELL).astype(int), np.minimum(x1 // CELL + 1, ink.shape[1] - 1).astype(int)
    inked: np.ndarray = ink[b, d] - ink[a, d] - ink[b, c] + ink[a, c]
    share: np.ndarray = inked / np.maximum((b - a) * (d - c), 1)
    return share


def _crossed(i: int, box: Box, wanted: Sequence[Wanted], boxes: Sequence[Box | None]) -> float:
    """What a leader costs that crosses other leaders, runs through boxes or close by spots."""
    start, cost = wanted[i].spot, 0.0
    end = leader_end(start, box)
    for n, other in enumerate(boxes):
        if n == i:
            continue
        led = wanted[n].led
        if led and _distance(wanted[n].spot, start, end) < SPOT_ROOM:
            cost += 300
        if other is None:
            continue
        if _through(start, end, other):
            cost += 2000
        if led:
            far = leader_end(wanted[n].spot, other)
            cost += 800 * _cross(start, end, wanted[n].spot, far) + 2000 * _through(wanted[n].spot, far, box)
    return cost


def _on_leaders(i: int, box: Box, wanted: Sequence[Wanted], boxes: Sequence[Box | None]) -> float:
    """A name may not lie on a leader."""
    return sum(
        500.0 * _through(w.spot, leader_end(w.spot, other), box)
        for n, (w, other) in enumerate(zip(wanted, boxes, strict=True))
        if n != i and other is not None and w.led
    )


def _side(p: Point, q: Point, r: Point) -> float:
    return (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])


def _cross(a: Point, b: Point, c: Point, d: Point) -> bool:
    return _side(a, b, c) * _side(a, b, d) < 0 and _side(c, d, a) * _side(c, d, b) < 0


def _through(a: Point, b: Point, box: Box) -> bool:
    x0, y0, x1, y1 = box
    if x0 < b[0] < x1 and y0 < b[1] < y1:
        return True
    return _cross(a, b, (x0, y0), (x1, y1)) or _cross(a, b, (x0, y1), (x1, y0))


def _distance(p: Point, a: Point, b: Point) -> float:
    dx, dy = b[0] - a[0], b[1] - a[1]
    length = dx * dx + dy * dy
    t = 0.0 if length == 0 else min(max(((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / length, 0.0), 1.0)
    return math.hypot(p[0] - a[0] - t * dx, p[1] - a[1] - t * dy)
