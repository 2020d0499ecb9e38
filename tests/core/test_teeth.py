"""Damaged teeth: their pattern, their mates, hunting, and the ring that they are drawn on."""

import math
from collections.abc import Sequence

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.parts.inspection import mates_of
from bornek.core.parts.teeth import ToothMark, draw_ring, hunting_words, pattern_words
from winch import WINCH


@pytest.mark.parametrize(
    ("marked", "says"),
    [
        ([5], "One tooth"),
        ([5, 6, 7], "side by side"),
        ([39, 1, 2], "side by side"),
        (range(1, 40), "All round"),
        (range(1, 19, 2), "On one side"),
        ([1, 9, 20, 31], "Scattered"),
    ],
)
def test_the_pattern_of_damaged_teeth(marked: Sequence[int], says: str) -> None:
    assert says in pattern_words(39, marked)


def test_evenly_spaced_damage_points_to_one_tooth_of_the_mate() -> None:
    assert "one bad tooth on the mate" in pattern_words(60, [3, 18, 33, 48], 15)
    assert "Runout" in pattern_words(60, [1, 21, 41], 15)


@given(st.integers(5, 120), st.integers(5, 120))
def test_hunting_is_the_common_factor(z1: int, z2: int) -> None:
    words = hunting_words(z1, z2)
    assert ("hunt" in words) == (math.gcd(z1, z2) == 1)


def test_mates_come_from_the_meshes() -> None:
    assert [(me.teeth, other.teeth) for me, other, _ in mates_of(WINCH, "bevel-pinion")] == [(14, 39)]


@given(st.integers(6, 200))
def test_the_ring_is_drawn_inside_its_sheet_without_overlap(total: int) -> None:
    ring = draw_ring("gear", total, [ToothMark(1, "drive", "pits")])
    assert len(ring.teeth) == total
    assert all(0 <= x <= ring.size and 0 <= y <= ring.size for tooth in ring.teeth for x, y in tooth.points)
    ends = [
        math.atan2(t.points[3][0] - 200, 200 - t.points[3][1]) % (2 * math.pi)
        for t in ring.teeth[: total // 2]
    ]
    starts = [math.atan2(t.points[0][0] - 200, 200 - t.points[0][1]) for t in ring.teeth[1 : total // 2]]
    assert all(end < start for end, start in zip(ends, starts, strict=False))
    assert (ring.teeth[0].drive, ring.teeth[0].coast) == ("pits", "")
