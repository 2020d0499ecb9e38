"""Parts inspected: geometry of the tooth ring, seals, words of verdicts, each against a case worked by hand."""

import math
from types import SimpleNamespace
from typing import Any

import pytest

from bornek.core.errors import InputError, RangeError
from bornek.core.facts.kind import Fact
from bornek.core.facts.received import Received
from bornek.core.facts.seal_set import SealSet
from bornek.core.facts.teeth import TeethMarked
from bornek.core.parts.inspection import by_school, seal_of, teeth_of, verdict_words
from bornek.core.parts.orders import width_difference_mm
from bornek.core.parts.seal_track import LIP_MM, fill_words, judge_track, lip_words
from bornek.core.parts.teeth import ToothMark, draw_ring, hunting_words, pattern_words
from bornek.core.parts.verdicts import Basis, check_choice, judge
from bornek.core.units.definition import Part


def ring_of(total: int, *marks: ToothMark) -> Any:
    return draw_ring("Gear", total, marks)


def polar(at: tuple[float, float], size: float) -> tuple[float, float]:
    """Turn from the top clockwise, and radius."""
    x, y = at[0] - size / 2, size / 2 - at[1]
    return (math.atan2(x, y) / (2 * math.pi)) % 1, math.hypot(x, y)


def test_teeth_stand_at_equal_angles_from_the_top_clockwise() -> None:
    ring = ring_of(12)
    for i, shape in enumerate(ring.teeth):
        turn, radius = polar(shape.at, ring.size)
        assert turn == pytest.approx(i / 12, abs=1e-3)
        root = ring.size / 2 - 8 - 46
        assert radius == pytest.approx(root - 14, abs=0.02)


def test_a_tooth_is_wider_at_its_root_and_reaches_the_tip_circle() -> None:
    ring = ring_of(20)
    outer, root = ring.size / 2 - 8, ring.size / 2 - 8 - 46
    corners = [polar(p, ring.size) for p in ring.teeth[5].points]
    assert [r for _, r in corners] == pytest.approx([root, outer, outer, root], abs=0.02)
    turns = [t for t, _ in corners]
    assert turns == pytest.approx(
        [(5 - 0.34) / 20, (5 - 0.2) / 20, (5 + 0.2) / 20, (5 + 0.34) / 20], abs=1e-3
    )


@pytest.mark.parametrize(("total", "depth"), [(10, 46.0), (50, 30.0), (150, 22.0)])
def test_many_teeth_are_drawn_shorter_between_two_bounds(total: int, depth: float) -> None:
    ring = ring_of(total)
    radii = [polar(p, ring.size)[1] for p in ring.teeth[0].points]
    assert max(radii) - min(radii) == pytest.approx(depth, abs=0.03)


def test_a_drawing_is_told_in_hundredths() -> None:
    numbers = [n for shape in ring_of(13).teeth for point in (*shape.points, shape.at) for n in point]
    assert all(n == round(n, 2) for n in numbers)


def test_marks_stand_on_their_own_tooth_and_flank() -> None:
    ring = ring_of(
        9, ToothMark(3, "drive", "pitted"), ToothMark(4, "both", "chipped"), ToothMark(9, "tip", "worn")
    )
    said = {s.number: (s.drive, s.coast, s.tip) for s in ring.teeth}
    assert said[3] == ("pitted", "", "")
    assert said[4] == ("chipped", "chipped", "")
    assert said[9] == ("", "", "worn")
    assert said[1] == said[2] == ("", "", "")


@pytest.mark.parametrize("teeth", [(0, 10), (10, 0), (1001, 10), (10, 1001)])
def test_tooth_counts_have_a_range(teeth: tuple[int, int]) -> None:
    with pytest.raises(RangeError):
        hunting_words(*teeth)
    assert "share 1000" in hunting_words(1000, 1000)
    assert "hunt" in hunting_words(1, 1)


@pytest.mark.parametrize(
    ("total", "marked", "says"),
    [
        (40, [1, 2, 3], "3 teeth side by side"),
        (40, [40, 1, 2], "3 teeth side by side"),
        (40, [1, 5, 10], "3 teeth side by side"),
        (40, [1, 5, 11], "On one side"),
        (40, [1, 4, 8, 12, 15], "On one side"),
        (12, [1, 2, 4], "3 teeth side by side"),
        (40, [1, 9, 22, 30], "Scattered"),
        (40, [1, 21], "Every 20th tooth: something"),
        (33, [1, 12, 23], "Every 11th tooth: something"),
        (63, [1, 22, 43], "Every 21st tooth: something"),
        (66, [1, 23, 45], "Every 22nd tooth: something"),
        (69, [1, 24, 47], "Every 23rd tooth: something"),
        (39, [1, 14, 27], "Every 13th tooth: something"),
        (10, list(range(1, 9)), "All round"),
    ],
)
def test_what_the_spread_of_damage_says(total: int, marked: list[int], says: str) -> None:
    assert pattern_words(total, marked).startswith(says)


@pytest.mark.parametrize("tooth", [0, 41])
def test_a_tooth_that_is_not_there_is_refused(tooth: int) -> None:
    with pytest.raises(RangeError, match="1 to 40"):
        pattern_words(40, [tooth])


def test_the_lip_and_the_groove_by_hand() -> None:
    assert LIP_MM == 0.5
    assert judge_track(6.0, 7.25, 2.0).clear  # (2 + 0.5) / 2 = 1.25 to the digit
    short = judge_track(6.0, 7.24, 2.0)
    assert (short.clear, short.move_mm) == (False, pytest.approx(0.01))


@pytest.mark.parametrize(
    ("share", "says"),
    [
        (0.0, "too little"),
        (0.24, "too little"),
        (0.25, "25 % full."),
        (0.5, "50 % full."),
        (0.51, "too full"),
        (1.0, "too full"),
    ],
)
def test_a_cavity_takes_a_quarter_to_a_half(share: float, says: str) -> None:
    assert says in fill_words(share)


@pytest.mark.parametrize("share", [-0.01, 1.01])
def test_a_share_is_a_share(share: float) -> None:
    with pytest.raises(RangeError):
        fill_words(share)


def test_a_lip_is_judged_only_where_both_are_known() -> None:
    assert lip_words("inward", "") == lip_words("", "inward") == lip_words("", "") == ""


def bearing(**more: Any) -> Part:
    return Part("b", "Input bearing", "taper_bearing", **more)


def basis(*grades: str) -> Basis:
    looks = tuple(f"l{n}" for n in range(len(grades)))
    return Basis(asked=looks, grades=dict(zip(looks, grades, strict=True)))


def test_a_part_of_which_nothing_could_be_checked_is_held() -> None:
    found = judge(bearing(), basis("not_checked", "not_checked"), "B")
    assert (found.verdict, found.words) == ("hold", "Nothing of it could be checked.")
    assert judge(bearing(), basis("not_checked", "sound"), "B").verdict != "hold"


def test_under_the_second_school_a_sound_bearing_goes_back_with_a_reason_and_a_shaft_without() -> None:
    kept = judge(bearing(), basis("sound"), "B")
    assert (kept.verdict, kept.reason) == ("reuse", True)
    shaft = judge(Part("s", "Shaft", "shaft"), basis("sound"), "B")
    assert (shaft.verdict, shaft.reason) == ("reuse", False)


def test_each_school_has_its_own_verdict_and_words_of_what_was_gone_by() -> None:
    found: Any = SimpleNamespace(a="strict", b="restoring", chosen="reuse", reason="cannot be had")
    assert (by_school(found, "A"), by_school(found, "B")) == ("strict", "restoring")
    assert verdict_words(found).endswith(": cannot be had")
    found.reason = ""
    assert ":" not in verdict_words(found)
    found.chosen = ""
    assert verdict_words(found) == "not judged"


def test_a_seal_is_found_by_its_part_and_the_newest_counts() -> None:
    def fact(part: str, found: str) -> Fact:
        body = SealSet(part, found, "8", "2", "inward", "inward")
        return Fact(id=part + found, fact_kind="seal_set", subject=part, body=body, by="Jun", at="", seq=0)

    facts = [fact("input-seal", "5"), fact("output-seal", "6"), fact("input-seal", "7")]
    newest = seal_of(facts, "input-seal")
    assert newest is not None
    assert newest.found == "7"
    assert seal_of(facts, "nowhere") is None


def test_a_width_against_the_old_one_is_free_of_rounding_noise() -> None:
    assert width_difference_mm(Received("o", width_old="20.2", width_new="20.30000004"), "mm") == 0.1


def test_marked_teeth_are_found_by_their_gear() -> None:
    def fact(part: str, tooth: int) -> Fact:
        body = TeethMarked(part, (ToothMark(tooth, "drive", "pitted"),))
        return Fact(id=f"{part}{tooth}", fact_kind="teeth", subject=part, body=body, by="Jun", at="", seq=0)

    facts = [fact("pinion", 3), fact("wheel", 7)]
    assert [m.tooth for m in teeth_of(facts, "pinion")] == [3]
    assert teeth_of(facts, "shaft") == ()


def test_a_choice_by_the_school_needs_no_reason_unless_the_verdict_does() -> None:
    sound = basis("sound")
    shaft = Part("s", "Shaft", "shaft")
    check_choice(shaft, sound, "B", "reuse", "")
    with pytest.raises(InputError, match="reason"):
        check_choice(bearing(), sound, "B", "reuse", "")
    check_choice(bearing(), sound, "B", "reuse", "none to be had")
