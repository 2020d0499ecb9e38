"""A two-row tapered bearing in half section on its bench: cup, cones, spacer, and where each depth is taken."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.core.scenes import Section, SectionLabel, SectionShape

WIDE, HIGH = 330.0, 236.0
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
SPACER = ((147.0, 136.0), (183.0, 136.0), (183.0, 150.0), (147.0, 150.0))
CUP_FACES, FRONT_FACES = (90.0, 240.0), (147.0, 183.0)
MEASURED = {
    "A": ((FRONT_FACES[0], 190.0), (CUP_FACES[1], 190.0)),
    "B": ((CUP_FACES[0], 216.0), (FRONT_FACES[1], 216.0)),
    "W": ((CUP_FACES[0], 24.0), (CUP_FACES[1], 24.0)),
    "S": ((FRONT_FACES[0], 164.0), (FRONT_FACES[1], 164.0)),
}
"""Between which faces each size lies. The cup stands on one cone: its depth runs from the cup's far face down to
that cone's front face. Both depths less the cup's width are the room that the spacer fills."""
SIDE = {"A": 1, "B": -1, "S": 1}
"""On which side of its line a size is written; that of the cup stands over it."""
END = 6.0
LETTER, LINE = 8.0, 20.0


def draw_two_rows(sizes: Mapping[str, str]) -> Section:
    """`sizes`: what was read of A, B, W and S in words; what is missing stands as its letter.

    >>> [label.text for label in draw_two_rows({"A": "31.118"}).labels]
    ['A 31.118', 'B', 'W', 'S']
    """
    shapes = [SectionShape("cut", CUP)]
    shapes += [SectionShape("race", cone) for cone in CONES]
    shapes += [SectionShape("roller", roller) for roller in ROLLERS]
    shapes.append(SectionShape("shim", SPACER))
    labels = []
    for key, (start, end) in MEASURED.items():
        shapes += _dimension(start, end)
        text = f"{key} {sizes[key]}" if key in sizes else key
        wide = LETTER * len(text) + 8
        if key == "W":
            x, y = (start[0] + end[0] - wide) / 2, 0.0
        else:
            x, y = (end[0] + END if SIDE[key] > 0 else start[0] - END - wide), start[1] - LINE / 2
        labels.append(SectionLabel(text, x, y, wide, LINE))
    return Section(
        "Two-row bearing: where each size is taken", WIDE, HIGH, tuple(shapes), labels=tuple(labels)
    )


def _dimension(start: tuple[float, float], end: tuple[float, float]) -> list[SectionShape]:
    """A line between two faces with an end stroke at each."""
    strokes = [(start, end)]
    strokes += [((x, y - END), (x, y + END)) for x, y in (start, end)]
    return [SectionShape("edge", stroke, closed=False) for stroke in strokes]
