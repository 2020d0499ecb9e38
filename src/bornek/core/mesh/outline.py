"""The outline of a pattern as a ring of points about its middle: as many at every shift, so that two can be blended."""

from __future__ import annotations

import numpy as np
from scipy.ndimage import map_coordinates

from bornek.core.mesh.contact import Contact

RAYS, SAMPLES = 32, 64
UP = 0.4
"""A flank is about so high for its length: rays are spread evenly on it as it is drawn."""


def outline(c: Contact) -> tuple[tuple[float, float], ...]:
    """(x, y) where each of 32 rays from the centre leaves what is touched; empty if nothing is.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> from bornek.core.mesh.contact import contact
    >>> ring = outline(contact(S1, "drive"))
    >>> len(ring), all(0 <= x <= 1 and 0 <= y <= 1 for x, y in ring)
    (32, True)
    """
    if c.share == 0:
        return ()
    turn = np.arange(RAYS) * 2 * np.pi / RAYS
    dx, dy = np.cos(turn), np.sin(turn) / UP
    with np.errstate(divide="ignore"):
        reach_x = np.where(dx > 0, (1 - c.x) / dx, np.where(dx < 0, -c.x / dx, np.inf))
        reach_y = np.where(dy > 0, (1 - c.y) / dy, np.where(dy < 0, -c.y / dy, np.inf))
    reach = np.minimum(reach_x, reach_y)
    r = reach[:, None] * np.linspace(0, 1, SAMPLES)
    x, y = c.x + r * dx[:, None], c.y + r * dy[:, None]
    rows, columns = c.level.shape
    field = np.where(c.active, c.level, np.maximum(c.level, 1e-3))
    level = map_coordinates(field, [y * rows - 0.5, x * columns - 0.5], order=1, mode="nearest")
    outside = level > 0
    first = np.where(outside.any(axis=1), outside.argmax(axis=1), SAMPLES - 1)
    ray = np.arange(RAYS)
    before = np.maximum(first - 1, 0)
    a, b = level[ray, before], level[ray, first]
    share = np.where(outside[ray, first] & (b > a), np.clip(-a / np.where(b > a, b - a, 1), 0, 1), 1.0)
    end = r[ray, before] + share * (r[ray, first] - r[ray, before])
    points = zip(c.x + end * dx, c.y + end * dy, strict=True)
    return tuple((round(float(px), 3), round(float(py), 3)) for px, py in points)
