"""A photo of a marked tooth laid under its flank by four corners, and a first paint from its lighter or darker patches."""

from __future__ import annotations

import io
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from bornek.core.errors import InputError
from bornek.core.facts.witness import FLANK_COLUMNS, FLANK_ROWS
from bornek.core.plain import dump

WIDE, HIGH = 840, 300
PER_CELL = 10
LEVELS = 256
MOST_PAINTED = 0.6
"""A patch that covers more of the flank than this is no contact but the flank itself."""
LEAST_AREA = 1e-4
Corners = Sequence[tuple[float, float]]
Array = NDArray[np.floating[Any]]


@dataclass(frozen=True)
class FirstPaint:
    """Masks like a painted flank's: where the photo is lighter, and where it is darker. The mechanic corrects them."""

    lighter: list[list[float]]
    darker: list[list[float]]


def read_corners(text: str) -> list[tuple[float, float]]:
    """ "x1,y1,…,x4,y4" as shares of the photo, from its upper left: toe and root, heel and root, heel and tip, toe and tip.

    Raises InputError unless they are four corners of a true quadrangle inside the photo.
    """
    next_step = "Put the four corners on the flank: toe root, heel root, heel tip, toe tip."
    try:
        numbers = [float(part) for part in text.split(",")]
    except ValueError:
        numbers = []
    if len(numbers) != 8 or not all(-0.001 <= v <= 1.001 for v in numbers):
        raise InputError("Four corners are eight numbers from 0 to 1.", field="corners", next_step=next_step)
    corners = list(zip(numbers[::2], numbers[1::2], strict=True))
    turns = [_turn(*(corners[(i + k) % 4] for k in range(3))) for i in range(4)]
    if min(map(abs, turns)) < LEAST_AREA or len({t > 0 for t in turns}) != 1:
        raise InputError("The four corners cross, or lie on one line.", field="corners", next_step=next_step)
    return corners


def _turn(a: tuple[float, float], b: tuple[float, float], c: tuple[float, float]) -> float:
    return (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])


def under_flank(data: bytes, corners: Corners, taper: float) -> bytes:
    """The photo bent so that its corners lie on those of the drawn flank, lower at the toe by `taper`; JPEG."""
    if not 0 <= taper < 0.9:
        raise InputError("The taper is 0 to 0.9.", field="taper")
    rise = HIGH * taper / 2
    target = [(0, HIGH - rise), (WIDE, HIGH), (WIDE, 0), (0, rise)]
    bent = _bent(data, corners, target, (WIDE, HIGH), "RGB")
    out = io.BytesIO()
    bent.save(out, "JPEG", quality=82)
    return out.getvalue()


def first_paint(data: bytes, corners: Corners) -> dict[str, Any]:
    """Cells that stand out light or dark against the flank, by the level that parts its greys best.

    Source: Otsu's method; the level between the two is where the variance between them is greatest.
    """
    wide, high = FLANK_COLUMNS * PER_CELL, FLANK_ROWS * PER_CELL
    target = [(0, high), (wide, high), (wide, 0), (0, 0)]
    grey = np.asarray(_bent(data, corners, target, (wide, high), "L"), dtype=float)
    level = _parting(grey)
    masks = []
    for stands_out in (grey > level, grey <= level):
        cells = stands_out.reshape(FLANK_ROWS, PER_CELL, FLANK_COLUMNS, PER_CELL).mean(axis=(1, 3))
        mask = np.where(cells > 0.5, 1.0, 0.0)[::-1]  # a photo counts downward, a flank from its root up
        masks.append(mask.tolist() if mask.mean() <= MOST_PAINTED else np.zeros_like(mask).tolist())
    found: dict[str, Any] = dump(FirstPaint(masks[0], masks[1]))
    return found


def _parting(grey: Array) -> float:
    counts = np.histogram(grey, bins=LEVELS, range=(0, LEVELS))[0].astype(float)
    levels = np.arange(LEVELS)
    below = counts.cumsum()
    above = below[-1] - below
    sums = (counts * levels).cumsum()
    with np.errstate(divide="ignore", invalid="ignore"):
        apart = sums / below - (sums[-1] - sums) / above
        between = np.nan_to_num(below * above * apart**2)
    return float(np.argmax(between))


def _bent(
    data: bytes, corners: Corners, target: Sequence[tuple[float, float]], size: tuple[int, int], mode: str
) -> Image.Image:
    with Image.open(io.BytesIO(data)) as image:
        photo = image.convert(mode)
    source = [(x * photo.width, y * photo.height) for x, y in corners]
    bent: Image.Image = photo.transform(
        size, Image.Transform.PERSPECTIVE, _perspective(target, source), Image.Resampling.BILINEAR
    )
    return bent


def _perspective(to: Sequence[tuple[float, float]], at: Sequence[tuple[float, float]]) -> tuple[float, ...]:
    """The eight numbers by which a point of the drawing finds its point of the photo."""
    rows, right = [], []
    for (x, y), (u, v) in zip(to, at, strict=True):
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]]
        right += [u, v]
    return tuple(float(c) for c in np.linalg.solve(np.array(rows, dtype=float), np.array(right)))
