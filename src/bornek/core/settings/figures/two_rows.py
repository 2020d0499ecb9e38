"""A two-row tapered bearing in half section on its bench: cup, cones, spacer, and where each depth is taken."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure

CUP = ((90.0, 42.0), (240.0, 42.0), (240.0, 84.0), (165.0, 64.0), (90.0, 84.0))
"""A double cup: its two races fall towards its ends."""
CONES = (
    ((45.0, 150.0), (147.0, 150.0), (147.0, 113.0), (63.0, 132.0), (45.0, 132.0)),
    ((285.0, 150.0), (183.0, 150.0), (183.0, 113.0), (267.0, 132.0), (285.0, 132.0)),
)
ROLLERS = (
    ((69.0, 126.0), (142.0, 109.0), (142.0, 74.0), (78.0, 91.0)),
    ((261.0, 126.0), (188.0, 109.0), (188.0, 74.0), (252.0, 91.0)),
)
CUP_FACES, FRONT_FACES = (90.0, 240.0), (147.0, 183.0)
MEASURED = {
    "A": ((FRONT_FACES[0], 190.0), (CUP_FACES[1], 190.0), 1),
    "B": ((CUP_FACES[0], 216.0), (FRONT_FACES[1], 216.0), -1),
    "W": ((CUP_FACES[0], 24.0), (CUP_FACES[1], 24.0), 0),
    "S": ((FRONT_FACES[0], 164.0), (FRONT_FACES[1], 164.0), 1),
}
"""Between which faces each size lies, and on which side of its line it is written. The cup stands on one cone: its
depth runs from the cup's far face down to that cone's front face. Both depths less the cup's width are the room
that the spacer fills."""


def draw_two_rows(sizes: Mapping[str, str]) -> Section:
    """`sizes`: what was read of A, B, W and S in words; what is missing stands as its letter.

    >>> [label.text for label in draw_two_rows({"A": "31.118"}).labels]
    ['A 31.118', 'B', 'W', 'S']
    """
    f = Figure("Two-row bearing: where each size is taken")
    f.poly("cut", *CUP)
    for cone in CONES:
        f.poly("race", *cone)
    for roller in ROLLERS:
        f.poly("roller", *roller)
    f.box("shim", FRONT_FACES[0], 136, FRONT_FACES[1], 150)
    for key, (start, end, side) in MEASURED.items():
        f.dimension(start, end, f"{key} {sizes[key]}" if key in sizes else key, side)
    return f.scene()
