"""Pries, turns and settled values seen in a trace, worked by hand."""

from __future__ import annotations

from typing import Literal

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import InputError
from bornek.core.gauge_line import TalkLine
from bornek.core.trace.presses import (
    AT_ONCE,
    NOTHING_NEW,
    STALE,
    TOO_EARLY,
    UNSETTLED,
    Press,
    answer_presses,
)
from bornek.core.trace.pries import find_pries, take_pull
from bornek.core.trace.rests import find_rests
from bornek.core.trace.seen import LOOKED_S, MARKED, each_line, look
from bornek.core.trace.still import take_still
from bornek.core.trace.taken import check_figures, figure_words
from bornek.core.trace.trace import Trace, noise
from bornek.core.trace.turns import find_turns

STEP = 0.001


def steps(*parts: tuple[float, float], hz: float = 25.0) -> Trace:
    """A needle that stands at each level for so many seconds."""
    v = np.concatenate([np.full(round(seconds * hz), level) for level, seconds in parts])
    return Trace(np.arange(len(v)) / hz, v)


def test_a_pry_is_the_settled_greatest_less_the_settled_least() -> None:
    pries = find_pries(steps((0.012, 1), (0.157, 1), (0.012, 1)), STEP).pries
    assert [p.value for p in pries] == [pytest.approx(0.145)]
    assert (pries[0].low, pries[0].high) == (pytest.approx(0.012), pytest.approx(0.157))


def test_three_pries_are_three_readings() -> None:
    trace = steps((0, 1), (0.145, 1), (0, 1), (0.140, 1), (0, 1), (0.150, 1), (0, 1))
    assert [round(p.value, 3) for p in find_pries(trace, STEP).pries] == [0.145, 0.140, 0.150]


def test_a_pull_the_other_way_is_a_travel_too() -> None:
    assert find_pries(steps((0.2, 1), (0.05, 1), (0.2, 1)), STEP).pries[0].value == pytest.approx(0.15)


def test_both_ways_out_of_the_middle_are_one_travel() -> None:
    trace = steps((0, 1), (0.1, 1), (-0.05, 1), (0, 1))
    assert find_pries(trace, STEP).pries[0].value == pytest.approx(0.15)


def test_a_pull_that_never_settled_is_not_taken_and_said() -> None:
    seen = find_pries(steps((0, 1), (0.1, 0.2), (0, 1)), STEP)
    assert not seen.pries
    assert "before the needle settled" in seen.words


def test_what_does_not_come_home_is_not_taken() -> None:
    assert not find_pries(steps((0, 1), (0.15, 1), (0.06, 2)), STEP).pries


def test_what_stands_elsewhere_for_long_is_a_new_seat() -> None:
    trace = steps((0, 1), (0.5, 7), (0.6, 1), (0.5, 1))
    assert [round(p.value, 3) for p in find_pries(trace, STEP).pries] == [0.1]


def test_who_begins_to_look_in_the_middle_of_a_pull_sees_the_pries_that_follow_and_no_others() -> None:
    trace = steps((0.145, 0.8), (0, 1.6), (0.145, 1.2), (0, 1.6), (0.145, 1.2), (0, 1.0))
    pries = find_pries(trace, STEP).pries
    assert [round(p.value, 3) for p in pries] == [0.145, 0.145]
    assert all(p.low == pytest.approx(0, abs=1e-9) for p in pries)


def test_a_gauge_moved_to_another_end_is_read_there_at_once() -> None:
    trace = steps((0, 4), (0.62, 1.6), (0.7, 1.1), (0.62, 1.6), (0.7, 1.1), (0.62, 1.2))
    assert [round(p.value, 3) for p in find_pries(trace, STEP).pries] == [0.08, 0.08]


def test_a_press_takes_the_pull_as_it_stands_and_the_pry_is_not_taken_twice() -> None:
    trace = steps((0, 1), (0.145, 1.2), (0, 1))
    seen = look("pry", trace, STEP, [Press(1, 2.0)])
    assert [round(p.taken.value, 3) for p in seen.presses if p.taken] == [0.145]
    assert not seen.takes


def test_a_press_where_nothing_moves_takes_no_play() -> None:
    taken = take_pull(steps((0.2, 2)), STEP)
    assert taken is not None and taken.value == 0


def test_a_press_while_the_needle_moves_takes_nothing_and_says_why() -> None:
    t = np.arange(0, 2, 0.04)
    seen = look("still", Trace(t, t), STEP, [Press(1, 1.5)])
    assert not seen.takes
    assert [(p.taken, p.words) for p in seen.presses] == [(None, UNSETTLED)]


@pytest.mark.parametrize(
    ("presses", "words"),
    [
        ([0.0], [TOO_EARLY]),
        ([1.5], [""]),
        ([1.5, 1.6], ["", AT_ONCE]),
        ([1.5, 1.6, 1.85], ["", AT_ONCE, ""]),
        ([2.0, 2.4], ["", NOTHING_NEW]),
        ([2.0, 9.0], ["", NOTHING_NEW]),
        ([3.6], [STALE]),
        ([1.5, 3.6], ["", STALE]),
    ],
)
@pytest.mark.parametrize("motion", ["still", "pry"])
def test_a_press_takes_or_says_why_it_takes_nothing(
    motion: Literal["still", "pry"], presses: list[float], words: list[str]
) -> None:
    """The gauge stands still and sends until 1.96 s."""
    numbered = [Press(i + 1, at) for i, at in enumerate(presses)]
    found = answer_presses(motion, steps((0.2, 2)), STEP, numbered)
    assert [p.words for p in found] == words
    assert [p.taken is None for p in found] == [bool(x) for x in words]


@given(
    held=st.lists(st.tuples(st.integers(0, 49), st.integers(1, 49)), max_size=4),
    motion=st.sampled_from(["still", "pry"]),
)
def test_a_needle_that_stands_is_never_said_to_move_however_its_line_is_held_up(
    held: list[tuple[int, int]], motion: Literal["still", "pry"]
) -> None:
    """What was held up comes all at once; before there was enough of it, that is said."""
    came = np.arange(50) / 24
    for begin, count in held:
        came[begin : begin + count] = came[min(begin + count, 49)]
    came = np.maximum.accumulate(came)
    trace = Trace(came, np.full(50, 0.2))
    for moment in np.unique(came):
        (answer,) = answer_presses(motion, trace, STEP, [Press(1, float(moment))])
        few = (came <= moment).sum() < 4 or moment - came[0] < 0.36
        assert (answer.taken is None, answer.words) == (few, TOO_EARLY if few else "")


@given(
    parts=st.lists(st.tuples(st.sampled_from([0.0, 0.1, 0.3]), st.floats(0.1, 1.5)), min_size=1, max_size=5),
    moments=st.lists(st.floats(0, 9), max_size=6),
    motion=st.sampled_from(["still", "pry"]),
    hz=st.sampled_from([1.0, 5.0, 25.0]),
)
def test_every_press_is_answered_and_a_growing_trace_does_not_change_the_answer(
    parts: list[tuple[float, float]], moments: list[float], motion: Literal["still", "pry"], hz: float
) -> None:
    trace = steps(*parts, hz=hz)
    presses = [Press(i + 1, at) for i, at in enumerate(sorted(moments))]
    found = answer_presses(motion, trace, STEP, presses)
    assert [p.press for p in found] == presses
    assert all((p.taken is None) == bool(p.words) for p in found)
    for n, press in enumerate(presses):
        then = trace.cut(0, int((trace.t <= press.at).sum()))
        assert answer_presses(motion, then, STEP, presses[: n + 1]) == found[: n + 1]


def test_a_gauge_that_sends_once_a_second_is_taken_by_a_press_once_it_stands() -> None:
    trace = steps((0.3, 2), (0.2, 6), hz=1.0)
    taken = [a.taken for a in answer_presses("still", trace, STEP, [Press(1, 4.0), Press(2, 7.0)])]
    assert [t and t.value for t in taken] == [None, pytest.approx(0.2)]


def test_a_press_sees_all_that_was_sent_up_to_its_moment_and_nothing_after() -> None:
    trace = steps((0.2, 1), (0.3, 1))
    (found,) = answer_presses("still", trace, STEP, [Press(1, float(trace.t[24]))])
    assert found.taken is not None
    assert (found.taken.last, found.taken.value) == (24, pytest.approx(0.2))


@pytest.mark.parametrize("t", [np.arange(3) * 1.0, np.arange(10) * 0.02])
def test_few_values_and_a_short_time_show_no_rest(t: np.ndarray) -> None:
    assert take_still(Trace(t, 0 * t + 0.2), STEP) is None


def test_a_mark_of_the_zero_is_said_for_a_while() -> None:
    whole = turn(0.06, 90)
    for seconds, words in ((2.4, MARKED), (5.4, MARKED), (5.8, "")):
        assert look("turn", whole.cut(0, round(seconds * 25)), STEP, [Press(1, 1.6)]).words == words
    assert look("turn", whole.cut(0, 60), STEP).words == ""


def test_a_press_at_the_seat_does_not_swallow_the_pry_around_it() -> None:
    seen = look("pry", steps((0, 1.2), (0.145, 1), (0, 1)), STEP, [Press(1, 1.1)])
    assert [round(p.taken.value, 3) for p in seen.presses if p.taken] == [0.0]
    assert [round(t.value, 3) for t in seen.takes] == [0.145]


def test_a_press_after_a_pry_leaves_the_pry_as_it_was() -> None:
    seen = look("pry", steps((0, 1), (0.145, 1), (0, 2), (0.2, 1)), STEP, [Press(1, 4.9)])
    assert [round(t.value, 3) for t in seen.takes] == [0.145]
    assert [round(p.taken.value, 3) for p in seen.presses if p.taken] == [0.2]


def test_what_was_long_ago_is_not_looked_at() -> None:
    trace = steps((0, 2), (0.145, 1), (0, LOOKED_S + 1))
    assert not look("pry", trace, STEP).takes
    assert look("pry", trace.cut(0, 50 * 25), STEP).takes == ()
    assert len(look("pry", trace.cut(0, 6 * 25), STEP).takes) == 1
    answered = look("still", trace, STEP, [Press(1, 1.5), Press(2, 20.0)]).presses
    assert [a.press.number for a in answered] == [2]


def test_a_press_before_anything_was_sent_is_answered_too() -> None:
    none = Trace(np.array([]), np.array([]))
    three = steps((0.2, 0.12))
    assert [a.words for a in look("still", three, STEP, [Press(1, 0.1), Press(2, 5.0)]).presses] == [
        TOO_EARLY,
        STALE,
    ]
    assert [a.words for a in look("still", none, STEP, [Press(1, 0.0)]).presses] == [TOO_EARLY]
    assert look("turn", none, STEP, [Press(1, 0.0)]).words == ""


def test_every_line_of_a_gauge_with_its_own_button_is_a_reading() -> None:
    takes = each_line(Trace(np.array([0.0, 4.0, 9.0]), np.array([0.1, 0.12, 0.11]), 7)).takes
    assert [(t.how, t.value, t.first, t.last, t.mark) for t in takes] == [
        ("line", 0.1, 7, 7, 7),
        ("line", 0.12, 8, 8, 8),
        ("line", 0.11, 9, 9, 9),
    ]


def test_a_settled_value_is_the_middle_of_what_was_shown() -> None:
    taken = take_still(steps((0.3, 0.5), (0.202, 1)), STEP)
    assert taken is not None and taken.value == pytest.approx(0.202)


def turn(size: float, high_deg: float, seconds: float = 6.0, rest: float = 1.6) -> Trace:
    t = np.arange(0, seconds + 2 * rest, 0.04)
    into = np.clip(t - rest, 0, seconds)
    return Trace(t, size / 2 * (1 + np.cos(2 * np.pi * into / seconds - np.radians(high_deg))))


@pytest.mark.parametrize("high", [90, 135, 240])
def test_a_turn_gives_greatest_less_smallest_and_the_high_spot(high: int) -> None:
    turns = find_turns(turn(0.06, high), STEP, [1.6]).turns
    assert [round(x.value, 3) for x in turns] == [pytest.approx(0.06, abs=0.001)]
    assert turns[0].angle == pytest.approx(high, abs=12)


def test_half_a_turn_is_not_taken() -> None:
    whole = turn(0.06, 90)
    half = Trace(whole.t, np.where(whole.t < 3.6, whole.v, whole.v[90]))
    seen = find_turns(half, STEP)
    assert not seen.turns
    assert "once round" in seen.words


def test_two_marks_of_the_zero_are_a_turn_without_any_rest() -> None:
    t = np.arange(0, 20, 0.04)
    trace = Trace(t, 0.02 * np.sin(2 * np.pi * t / 5))
    turns = find_turns(trace, STEP, [5.0, 10.0]).turns
    assert [round(x.value, 3) for x in turns] == [0.04]
    assert turns[0].angle == pytest.approx(90, abs=5)


def test_what_hardly_stands_out_of_its_noise_is_high_nowhere() -> None:
    t = np.arange(0, 20, 0.04)
    still = Trace(t, 0.002 * np.random.default_rng(1).standard_normal(len(t)))
    turns = find_turns(still, STEP, [5.0, 10.0]).turns
    assert [x.angle for x in turns] == [None]


def test_noise_is_that_of_a_needle_at_rest_though_it_moves_now_and_then() -> None:
    rng = np.random.default_rng(1)
    v = np.where(np.arange(300) // 100 == 1, 0.2, 0.0) + 0.002 * rng.standard_normal(300)
    assert noise(v) == pytest.approx(0.002, rel=0.25)


@given(
    size=st.floats(0.03, 2.0),
    seat=st.floats(-1, 1),
    sigma=st.floats(0, 0.0015),
    seed=st.integers(0, 1000),
)
def test_the_seat_does_not_matter_and_noise_adds_little(
    size: float, seat: float, sigma: float, seed: int
) -> None:
    rest = steps((seat, 1.5), (seat + size, 1.5), (seat, 1.5))
    shown = np.round((rest.v + sigma * np.random.default_rng(seed).standard_normal(len(rest))) / STEP) * STEP
    pries = find_pries(Trace(rest.t, shown), STEP).pries
    assert [p.value for p in pries] == [pytest.approx(size, abs=0.0015 + sigma)]


@pytest.mark.parametrize("hz", [8.0, 12.5, 25.0, 40.0])
@pytest.mark.parametrize("sigma", [0.0, 0.0005, 0.001])
def test_a_trace_that_grows_gives_each_pry_once(hz: float, sigma: float) -> None:
    """As a page sees it: it asks again and again, and uses what came after the last one that it used."""
    whole = steps(*[(0.0, 1.3), (0.145, 1.1)] * 5, (0.0, 1.5), hz=hz)
    noisy = whole.v + sigma * np.random.default_rng(3).standard_normal(len(whole))
    shown = Trace(whole.t, np.round(noisy / STEP) * STEP)
    after, taken = -1, 0
    for until in range(5, len(shown) + 1, 2):
        for pry in look("pry", shown.cut(0, until), STEP).takes:
            if pry.mark > after:
                after, taken = max(after, pry.last), taken + 1
    assert taken == 5


@pytest.mark.parametrize("sigma", [0.0, 0.0005])
def test_a_trace_that_grows_gives_each_turn_once(sigma: float) -> None:
    one = turn(0.08, 130)
    v = np.concatenate([one.v, one.v, one.v]) + sigma * np.random.default_rng(5).standard_normal(3 * len(one))
    whole = Trace(np.arange(len(v)) * 0.04, np.round(v / STEP) * STEP)
    after, taken = -1, 0
    for until in range(20, len(whole) + 1, 3):
        for seen in look("turn", whole.cut(0, until), STEP).takes:
            if seen.mark > after:
                after, taken = max(after, seen.last), taken + 1
    assert taken == 3


def test_a_rest_needs_its_time() -> None:
    assert not find_rests(steps((0, 0.2), (1, 0.2), (2, 0.2)), 0.01)


@pytest.mark.parametrize(
    ("pattern", "line", "read"),
    [
        ("{value} {unit}", "+0.145 MM", (0.145, "MM")),
        ("{value}", "  -  1,250 ", (-1.25, "")),
        ("ch{any} {value}", "ch02 3", (3.0, "")),
        ("{value}", "ERR", None),
        ("{value} mm", "0.1 in", None),
        ("N{value}.", "N12.5.", (12.5, "")),
    ],
)
def test_a_line_is_read_by_its_pattern(pattern: str, line: str, read: object) -> None:
    assert TalkLine("COM3", pattern).read(line) == read


@pytest.mark.parametrize(
    ("field", "bad"),
    [
        ("port", {"port": "spy:///dev/null?file=/tmp/x"}),
        ("port", {"port": "http://somewhere"}),
        ("port", {"port": "/dev/../etc/passwd"}),
        ("pattern", {"pattern": "no value"}),
        ("pattern", {"pattern": "{value}{value}"}),
        ("way", {"way": "shout"}),
        ("ask", {"way": "ask"}),
        ("baud", {"baud": 1}),
        ("frame", {"frame": "9Z9"}),
    ],
)
def test_a_line_that_cannot_be_is_refused_by_its_field(field: str, bad: dict[str, object]) -> None:
    with pytest.raises(InputError) as refused:
        TalkLine(**{"port": "COM3", **bad})  # type: ignore[arg-type]
    assert refused.value.field == field


def test_kept_figures_are_said_in_words_and_checked() -> None:
    trace = steps((0, 1), (0.145, 1), (0, 1))
    figures = find_pries(trace, STEP).pries[0].figures(trace)
    check_figures(figures)
    assert figure_words(figures).startswith("a pry seen in the trace, ")
    assert "0 to 0.145" in figure_words(figures)
    with pytest.raises(InputError):
        check_figures({**figures, "points": ["x"]})
