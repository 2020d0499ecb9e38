"""What holds for every kind's own drawing of the thing: it lies on its sheet, and what turns is alike on both sides."""

from __future__ import annotations

from collections import Counter

import pytest

from bornek.core.scenes import Section
from bornek.core.settings.registry import kinds

LETTER = 7.1
"""As wide as a letter is in the page's own type at its size there, over a few words."""
DRAWN = {kind.id: kind.thing() for kind in kinds()}
TURNED = {
    "crank_runout": (0, 165.0), "plain_bearing": (0, 146.0), "seat_size": (1, 118.0), "shim_pack_end_play": (1, 118.0),
    "side_clearance": (1, 128.0), "two_row_bench": (0, 165.0), "worm_lash": (0, 106.0),
}  # fmt: skip
"""By the kind: across which line (0 upright, 1 level) all of it is alike."""


def outlines(drawn: Section) -> list[tuple[str, tuple[tuple[float, float], ...]]]:
    return [(s.role, s.points) for s in drawn.shapes if s.closed]


def area(points: tuple[tuple[float, float], ...]) -> float:
    turned = zip(points, (*points[1:], points[0]), strict=True)
    return abs(sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in turned)) / 2


@pytest.mark.parametrize("kind", DRAWN)
def test_every_outline_lies_on_its_sheet_and_has_a_size(kind: str) -> None:
    drawn = DRAWN[kind]
    assert drawn is not None
    for shape in drawn.shapes:
        assert all(0 <= x <= drawn.width and 0 <= y <= drawn.height for x, y in shape.points), shape
    assert all(area(points) > 10 for _, points in outlines(drawn))


@pytest.mark.parametrize("kind", DRAWN)
def test_every_word_stands_on_its_sheet(kind: str) -> None:
    drawn = DRAWN[kind]
    assert drawn is not None
    for w in drawn.labels:
        assert w.x >= 0 and w.x + LETTER * len(w.text) <= drawn.width, w.text
        assert 0 <= w.y <= drawn.height - w.h, w.text


@pytest.mark.parametrize("kind", TURNED)
def test_what_turns_is_alike_on_both_sides_of_its_axis(kind: str) -> None:
    """All but the gauge, which stands on one side."""
    axis, middle = TURNED[kind]
    drawn = DRAWN[kind]
    assert drawn is not None

    def shape(points: tuple[tuple[float, float], ...], mirrored: bool) -> tuple[tuple[float, float], ...]:
        seen = [
            tuple(2 * middle - v if mirrored and i == axis else v for i, v in enumerate(p)) for p in points
        ]
        return tuple(sorted((round(x, 3), round(y, 3)) for x, y in seen))

    here = Counter((role, shape(points, False)) for role, points in outlines(drawn))
    there = Counter((role, shape(points, True)) for role, points in outlines(drawn))
    assert here == there
