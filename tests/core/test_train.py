"""Gear trains: ratios and directions by hand, every lever position, planted faults, timing marks, the way of power."""

from __future__ import annotations

import math
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.facts.kind import Fact
from bornek.core.facts.turns_counted import TurnsCounted
from bornek.core.section.draw_flow import draw_flow
from bornek.core.section.draw_section import lay_out
from bornek.core.train.counted import Count, compare, found_words, ratio_words
from bornek.core.train.drawn import forward_way, warnings
from bornek.core.train.faults import faults, idlers
from bornek.core.train.flow import power_paths
from bornek.core.train.gears_drawn import close_up, draw_gears
from bornek.core.train.members import sign_of
from bornek.core.train.positions import Position, Train
from bornek.core.train.sheet import train_sheet, turns_asked
from bornek.core.train.solve import held, joined, pair, planets, solve
from bornek.core.train.timing import marks_agree, meets_again, one_out, out_words, timed
from bornek.core.units.definition import Definition, Part, Shaft, read_definition
from bornek.core.units.mesh import Mesh
from bornek.demo.yard import TYPES

UNITS = {key: read_definition(d) for key, _, d in TYPES}
GEARBOX, CRANE, WINCH = UNITS["dredger-gearbox"], UNITS["crane-box"], UNITS["ramp-winch"]
IN_MESH = Fraction(23, 41)
BY_HAND = {
    "neutral": None,
    "1": IN_MESH * Fraction(21, 43),
    "2": IN_MESH * Fraction(28, 36),
    "3": IN_MESH * Fraction(35, 29),
    "direct": Fraction(1),
}


def position(d: Definition, label: str) -> Position:
    return next(p for p in Train(d).positions if p.label == label)


@pytest.mark.parametrize("label", BY_HAND)
def test_every_lever_position_of_the_dredgers_gearbox_by_hand(label: str) -> None:
    turns, by_hand = position(GEARBOX, label).turns("main"), BY_HAND[label]
    assert turns is None if by_hand is None else turns == pytest.approx(float(by_hand), abs=1e-9)


def test_those_are_all_that_the_levers_must_reach_and_four_are_barred() -> None:
    train = Train(GEARBOX)
    assert [p.label for p in train.reached] == ["neutral", "1", "2", "3", "direct"]
    assert {p.label for p in train.positions if p.barred} == {"3 + 1", "3 + 2", "direct + 1", "direct + 2"}
    assert all(p.locked for p in train.positions if p.barred)


def test_the_free_gears_of_a_neutral_box_spin_on_their_shaft() -> None:
    neutral = position(GEARBOX, "neutral")
    assert neutral.turns("counter") == pytest.approx(-23 / 41)
    assert neutral.turns("second") == pytest.approx(23 / 41 * 28 / 36)


@pytest.mark.parametrize(
    ("label", "by_hand"),
    [("1", 24 / 36 * 22 / 38), ("2", 24 / 36 * 30 / 30), ("reverse", -24 / 36 * 16 / 38), ("direct", 1.0)],
)
def test_the_cranes_box_by_hand_its_reverse_through_an_idler(label: str, by_hand: float) -> None:
    assert position(CRANE, label).turns("main") == pytest.approx(by_hand, abs=1e-9)


def test_a_planet_set_by_hand_each_member_held_in_turn() -> None:
    row = planets("sun", 24, "ring", 72, "carrier")
    assert solve([row, held("ring")], "sun").speeds["carrier"] == pytest.approx(0.25)
    assert solve([row, held("carrier")], "sun").speeds["ring"] == pytest.approx(-1 / 3)
    assert solve([row, held("sun")], "carrier").speeds["ring"] == pytest.approx(4 / 3)
    assert solve([row, joined("sun", "ring")], "sun").speeds["carrier"] == pytest.approx(1.0)


def test_with_nothing_held_a_planet_set_drives_nothing() -> None:
    assert solve([planets("sun", 24, "ring", 72, "carrier")], "sun").speeds["carrier"] is None


def test_a_gear_without_teeth_is_refused_by_name() -> None:
    with pytest.raises(RangeError, match="teeth of both gears"):
        pair("in", 0, "lay", 41)


teeth = st.integers(8, 200)


@given(st.lists(st.tuples(teeth, teeth), min_size=1, max_size=6))
def test_a_row_of_pairs_is_the_product_of_its_ratios(pairs: list[tuple[int, int]]) -> None:
    rows = [pair(f"s{i}", a, f"s{i + 1}", b) for i, (a, b) in enumerate(pairs)]
    by_hand = (-1) ** len(pairs) * math.prod(a / b for a, b in pairs)
    assert solve(rows, "s0").speeds[f"s{len(pairs)}"] == pytest.approx(by_hand, rel=1e-9)


@given(st.lists(st.tuples(teeth, teeth), min_size=1, max_size=5))
def test_turned_from_the_other_end_it_is_the_reciprocal(pairs: list[tuple[int, int]]) -> None:
    rows = [pair(f"s{i}", a, f"s{i + 1}", b) for i, (a, b) in enumerate(pairs)]
    out = f"s{len(pairs)}"
    there, back = solve(rows, "s0").speeds[out], solve(rows, out).speeds["s0"]
    assert there and back and there * back == pytest.approx(1.0, rel=1e-6)


@given(teeth, teeth, teeth, teeth)
def test_two_pairs_between_the_same_shafts_lock_unless_they_agree(a: int, b: int, c: int, e: int) -> None:
    assert solve([pair("x", a, "y", b), pair("x", c, "y", e)], "x").locked == (a * e != b * c)


def crossed(driver: str, toward: str, body: str) -> int:
    """A pinion of an upright shaft in a gear of a level one, or the gear driving the pinion."""
    parts = (Part("p", "P", "bevel_pinion", "up", teeth=11), Part("g", "G", "bevel_gear", "flat", teeth=43))
    d = Definition(shafts=(Shaft("up", "Up", "upright"), Shaft("flat", "Flat")), parts=parts)
    ends = ("p", "g") if driver == "p" else ("g", "p")
    return sign_of(d, Mesh("m", "M", *ends, "bevel", toward, body))  # type: ignore[arg-type]


def test_a_pinion_above_a_gear_that_lies_right_of_it_turns_it_the_same_way_from_top_and_left() -> None:
    """Seen from the top clockwise, its right side comes towards whoever looks; so does the gear's upper side, which is
    clockwise seen from the left."""
    assert crossed("p", "below", "right") == -1


def test_on_its_other_side_or_below_it_turns_the_other_way_and_on_both_the_same_again() -> None:
    assert crossed("p", "below", "left") == 1
    assert crossed("p", "above", "right") == 1
    assert crossed("p", "above", "left") == -1


def test_who_drives_makes_no_difference_to_how_they_turn() -> None:
    """The gear driving: the pinion's shaft lies left of the gear, its body above the gear's line."""
    assert crossed("g", "left", "above") == crossed("p", "below", "right")


def test_which_way_a_wheel_turns_is_not_said_while_nobody_knows_the_worms_hand() -> None:
    d = UNITS["rotary-table"]
    known = Train(d).positions[0]
    assert known.turns("table") == pytest.approx(-1 / 90) and not known.unsure
    blank = replace(d, meshes=tuple(replace(m, hand="") for m in d.meshes))
    unknown = Train(blank).positions[0]
    assert "table" in unknown.unsure
    assert abs(unknown.turns("table") or 0) == pytest.approx(1 / 90)
    for way in ("clockwise", "counter-clockwise"):
        assert compare(unknown, Count({}, "table", 90, 1.0, way)) == "agrees"  # type: ignore[arg-type]


def test_which_way_a_bevel_pinion_turns_going_forward_comes_from_the_train() -> None:
    train = Train(UNITS["chain-ferry"])
    assert forward_way(train, "pinion") == "clockwise"
    assert forward_way(train, "wheel-left") == "counter-clockwise"
    assert forward_way(Train(CRANE), "main") == "clockwise"


# What a count says.
def count(d: Definition, label: str, out: float, way: str = "", turned: float = 10) -> Count:
    way = way or ("clockwise" if out > 0 else "counter-clockwise" if out < 0 else "still")
    return Count(position(d, label).at, Train(d).outputs[0], turned, abs(out), way)  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("label", "out", "way", "found"),
    [
        ("1", 2.75, "clockwise", "agrees"),
        ("1", 2.87, "clockwise", "ratio"),
        ("1", 2.75, "counter-clockwise", "reversed"),
        ("1", 0, "still", "still"),
        ("1", 0, "locks", "locks"),
        ("neutral", 0, "still", "agrees"),
        ("neutral", 4.4, "clockwise", "turns"),
    ],
)
def test_a_count_is_held_against_the_ratio_to_an_eighth_of_a_turn(
    label: str, out: float, way: str, found: str
) -> None:
    assert compare(position(GEARBOX, label), count(GEARBOX, label, out, way)) == found


def test_it_says_what_was_made_and_what_must_be() -> None:
    wrong = found_words(Train(GEARBOX), position(GEARBOX, "1"), count(GEARBOX, "1", -2.75))
    assert wrong == (
        "1: main shaft, output made 2.75 counter-clockwise, and must make 2.74 clockwise, the wrong way round."
    )


def test_a_slow_output_is_turned_until_it_has_made_one_turn() -> None:
    table, winch = Train(UNITS["rotary-table"]), Train(WINCH)
    assert turns_asked(table, table.positions[0]) == 90
    assert turns_asked(winch, winch.positions[0]) == 12
    assert [turns_asked(Train(GEARBOX), p) for p in Train(GEARBOX).reached] == [10] * 5


def test_sectors_make_no_whole_turns_and_are_not_counted() -> None:
    train = Train(UNITS["steering-gear"])
    assert not train.told and train.positions == ()
    sheet = train_sheet(train, [])
    assert sheet.leaf == "marks" and sheet.state == "open" and not sheet.positions


def test_a_ratio_is_said_the_way_a_mechanic_says_it() -> None:
    assert ratio_words(float(BY_HAND["2"] or 0)) == "2.292 : 1"


# Planted faults: a wrong box is built, turned and counted; the right one is asked what it may be.
def counts_of(wrong: Definition, right: Definition, turned: int = 10) -> list[Count]:
    """Every position of the wrong box as a mechanic counts it: to a quarter turn."""
    found = []
    for p in Train(right).reached:
        made = next(x for x in Train(wrong).positions if x.at == p.at)
        for out in Train(right).outputs:
            turns = round(4 * turned * (made.turns(out) or 0.0)) / 4
            way = (
                "locks"
                if made.locked
                else "clockwise"
                if turns > 0
                else "counter-clockwise"
                if turns < 0
                else "still"
            )
            found.append(Count(p.at, out, turned, 0.0 if made.locked else abs(turns), way))  # type: ignore[arg-type]
    return found


def with_teeth(d: Definition, **counts: int) -> Definition:
    return replace(
        d,
        parts=tuple(
            replace(p, teeth=counts[p.key.replace("-", "_")]) if p.key.replace("-", "_") in counts else p
            for p in d.parts
        ),
    )


def without(d: Definition, *meshes: str) -> Definition:
    return replace(d, meshes=tuple(m for m in d.meshes if m.key not in meshes))


BEVEL_OVER = replace(
    WINCH, meshes=tuple(replace(m, body="above") if m.key == "bevel-set" else m for m in WINCH.meshes)
)
IDLER_OUT = without(CRANE, "reverse-idler", "idler-reverse")
PASSED = replace(
    IDLER_OUT, meshes=(*IDLER_OUT.meshes, Mesh("straight", "Straight", "lower-reverse", "reverse"))
)
PAIRS = with_teeth(GEARBOX, counter_third=28, third=36, counter_second=35, second=29)
OTHER = with_teeth(GEARBOX, first=42)
FORK = replace(
    GEARBOX,
    levers=tuple(
        replace(
            x,
            positions=tuple(
                replace(p, joins={"third": ("input-gear",), "direct": ("third",)}.get(p.key, p.joins))
                for p in x.positions
            ),
        )
        for x in GEARBOX.levers
    ),
)


@pytest.mark.parametrize(
    ("right", "wrong", "sort", "part"),
    [
        (WINCH, BEVEL_OVER, "bevel_side", "bevel-gear"),
        (CRANE, IDLER_OUT, "idler_out", "idler-gear"),
        (CRANE, PASSED, "idler_passed", "idler-gear"),
        (GEARBOX, PAIRS, "pairs_changed", "counter-third"),
        (GEARBOX, FORK, "lever_crossed", "dog-high"),
    ],
    ids=[
        "bevel on the wrong side",
        "idler left out",
        "idler passed by",
        "pairs exchanged",
        "fork",
    ],
)
def test_a_planted_fault_is_the_first_that_is_named(
    right: Definition, wrong: Definition, sort: str, part: str
) -> None:
    found = faults(Train(right), counts_of(wrong, right))
    assert (found[0].sort, found[0].part) == (sort, part)


def test_a_gear_of_one_tooth_less_shows_in_a_hundred_turns_and_not_in_ten() -> None:
    assert faults(Train(GEARBOX), counts_of(OTHER, GEARBOX)) == []
    first = faults(Train(GEARBOX), counts_of(OTHER, GEARBOX, 100))[0]
    assert (first.sort, first.part) == ("other_gear", "first")
    assert "42 teeth instead of 43" in first.words


def test_a_bevel_on_the_wrong_side_is_said_to_turn_every_forward_into_a_reverse() -> None:
    words = faults(Train(WINCH), counts_of(BEVEL_OVER, WINCH))[0].words
    assert "Every forward speed becomes a reverse and the reverse a forward speed" in words


@pytest.mark.parametrize("right", [GEARBOX, CRANE, WINCH], ids=["gearbox", "crane", "winch"])
def test_a_box_that_is_right_has_no_fault(right: Definition) -> None:
    assert faults(Train(right), counts_of(right, right)) == []


def test_a_train_whose_teeth_nobody_counted_asks_for_them_and_promises_nothing() -> None:
    sheet = train_sheet(Train(with_teeth(GEARBOX, first=0)), [])
    assert "teeth of both gears are needed" in "".join(s.text for s in sheet.say)
    assert all("teeth of both gears" in w for w in sheet.warnings)


def test_a_count_of_levers_that_are_no_more_is_left_out() -> None:
    old = Fact("f", "turns_counted", "", TurnsCounted("main", "clockwise", {"gone": "first"}, 10.0, 9.0))
    sheet = train_sheet(Train(GEARBOX), [old])
    assert sheet.state == "open" and sheet.faults == ()


def test_what_no_single_mistake_explains_is_not_guessed_at() -> None:
    odd = [count(GEARBOX, "1", 2.75), count(GEARBOX, "2", -9.0), count(GEARBOX, "3", 0, "locks")]
    assert faults(Train(GEARBOX), odd) == []


def test_only_a_gear_that_passes_motion_on_is_an_idler() -> None:
    assert [p.key for p in idlers(CRANE)] == ["idler-gear"]
    assert idlers(GEARBOX) == idlers(WINCH) == []


def test_a_missing_interlock_is_seen_before_anything_is_turned() -> None:
    assert warnings(Train(GEARBOX)) == []
    said = warnings(Train(replace(GEARBOX, interlocks=())))
    assert len(said) == 4
    assert "3 + 1 together lock the train" in said[0] and "an interlock is missing" in said[0]


def test_a_reverse_that_would_run_forward_is_seen_too() -> None:
    said = warnings(Train(PASSED))
    assert len(said) == 1 and said[0].startswith("reverse is to turn it backward")


# Timing marks.
def test_twin_countershafts_mark_opposite_spaces_and_an_odd_gear_has_none() -> None:
    assert marks_agree(timed(CRANE)) == []
    odd = with_teeth(CRANE, input_gear=25)
    assert "0.5 of a tooth" in marks_agree(timed(odd))[0]


def test_a_mark_in_the_wrong_space_is_told_by_whole_teeth() -> None:
    wrong = replace(CRANE, timing=(CRANE.timing[0], replace(CRANE.timing[1], space=12)))
    assert "1 of a tooth" in marks_agree(timed(wrong))[0]


def test_a_countershaft_one_tooth_out_by_hand() -> None:
    """36 teeth turn by 1/36: second (30) is 30/36 of a tooth on, 1/6 short of the next; first (22) 22/36, 14/36 short."""
    lower = timed(CRANE)[0]
    off = {name.rsplit(": ")[-1]: share for name, share in one_out(CRANE, lower)}
    assert off["second"] == pytest.approx(-1 / 6)
    assert off["first"] == pytest.approx(-14 / 36)
    assert off["reverse"] == pytest.approx(16 / 36)
    assert "0.44 of a tooth off" in out_words(CRANE, lower, 1)


def test_six_teeth_out_the_second_stands_right_and_it_is_said_where_it_does_not() -> None:
    lower = timed(CRANE)[0]
    assert dict(one_out(CRANE, lower, 6))["Countershaft, lower: second"] == pytest.approx(0.0)


def test_marks_meet_again_by_the_common_multiple() -> None:
    assert meets_again(timed(CRANE)[0]) == math.lcm(24, 36) // 24 == 3


def centre(points: tuple[tuple[float, float], ...]) -> tuple[float, float]:
    return sum(x for x, _ in points) / len(points), sum(y for _, y in points) / len(points)


@pytest.mark.parametrize("unit", ["crane-box", "steering-gear"])
def test_the_painted_tooth_is_drawn_between_the_two(unit: str) -> None:
    for t in timed(UNITS[unit]):
        other, one = close_up(t).gears
        tooth, (a, b) = centre(one.painted[0]), (centre(p) for p in other.painted)
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        apart = math.dist(a, b)
        assert math.dist(tooth, middle) < 0.25 * apart
        assert math.dist(tooth, a) == pytest.approx(math.dist(tooth, b), rel=0.1)


def test_whole_gears_stand_their_distance_apart_and_each_where_it_lies() -> None:
    middle, lower, upper = draw_gears("Marks", timed(CRANE)).gears
    assert lower.middle[1] > middle.middle[1] > upper.middle[1]
    assert len(middle.outline) == 4 * 24 and len(lower.outline) == 4 * 36


# The way of power.
@pytest.mark.parametrize(("label", "ways"), [("neutral", 0), ("2", 2), ("reverse", 1), ("direct", 1)])
def test_twin_countershafts_share_the_load_where_both_carry_it(label: str, ways: int) -> None:
    assert len(power_paths(Train(CRANE), position(CRANE, label))) == ways


def test_power_goes_through_each_mesh_in_its_order() -> None:
    (path,) = power_paths(Train(CRANE), position(CRANE, "reverse"))
    assert [x.mesh for x in path.links if x.mesh] == ["constant-lower", "reverse-idler", "idler-reverse"]
    assert path.members[0] == "input" and path.members[-1] == "main"


# A train without a unit.
@pytest.mark.parametrize(
    ("lines", "by_hand"),
    [
        (["23/41", "21/43"], 23 / 41 * 21 / 43),
        (["15 : 58"], -15 / 58),
        (["20/60 same"], 20 / 60),
        (["sun 24 ring 72 ring held from sun"], 24 / 96),
        (["sun 24 ring 72 carrier held from sun"], -24 / 72),
        (["17/34", "sun 30 ring 60 sun held from carrier"], -17 / 34 * 90 / 60),
    ],
)
def test_a_train_by_hand_is_a_sum(lines: list[str], by_hand: float) -> None:
    answer = compute("fit_train", {"given": {"pairs": lines, "turns": 10}})
    assert answer["outcome"]["results"][0]["value"]["v"] == pytest.approx(10 * by_hand)
    way = "the same way" if by_hand > 0 else "the other way"
    assert answer["outcome"]["instruct"].endswith(f"out, {way}.")


@pytest.mark.parametrize(
    "line", ["23-41", "23/", "sun 24 ring 72 sun held from sun", "sun 24", "/41", "23/41 odd"]
)
def test_a_line_that_is_no_pair_is_refused_with_its_number_and_how(line: str) -> None:
    with pytest.raises(InputError, match="Line 2 of the train") as refused:
        compute("fit_train", {"given": {"pairs": ["23/41", line]}})
    assert "23/41" in refused.value.next_step


def test_a_bevel_pair_says_in_which_direction_its_pinion_goes_forward() -> None:
    pairs = train_sheet(Train(UNITS["chain-ferry"]), []).pairs
    assert "its pinion turns clockwise, seen from its own shaft's end" in pairs[0].words
    assert "forward" not in pairs[1].words


@pytest.mark.parametrize("unit", ["crane-box", "steering-gear"])
def test_nothing_of_a_drawing_of_gears_lies_beyond_its_sheet(unit: str) -> None:
    for scene in (*(close_up(t) for t in timed(UNITS[unit])), draw_gears("All", timed(UNITS[unit]))):
        for gear in scene.gears:
            assert all(0 <= x <= scene.width and 0 <= y <= scene.height for x, y in gear.outline)


def test_a_way_through_a_shaft_that_is_not_drawn_is_left_out() -> None:
    """The input carries nothing of its own and is joined to the main shaft by the dog alone."""
    bare = replace(
        GEARBOX,
        parts=tuple(p for p in GEARBOX.parts if p.shaft != "input"),
        meshes=tuple(m for m in GEARBOX.meshes if m.key != "constant"),
        levers=tuple(
            replace(
                x,
                positions=tuple(
                    replace(p, joins=("input",)) if p.key == "direct" else p for p in x.positions
                ),
            )
            for x in GEARBOX.levers
        ),
        places=(),
        settings=(),
    )
    paths = power_paths(Train(bare), position(bare, "direct"))
    laid = lay_out(bare)
    assert len(paths) == 1 and laid is not None
    assert draw_flow(laid, paths) == ()
