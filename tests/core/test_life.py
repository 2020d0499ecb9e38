"""A quantity over the visits of a unit: its series, its dates against a simulated truth, what is said and drawn of it."""

from __future__ import annotations

from datetime import date
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.life.draw_life import _places, draw_life
from bornek.core.life.forecast import Forecast, forecast, type_rate
from bornek.core.life.memory_lines import Remembered, memory_lines
from bornek.core.life.say_life import say_life
from bornek.core.life.visit import Visit, base_of, intervals, series
from bornek.core.phrases import text_of
from bornek.core.practice.worn_unit import outcome, worn_unit
from bornek.core.quantities import Speech, shown_in
from bornek.core.windows import AtMost, Interval, Normal, Value, Window

PLAY = Window(0.06, 0.12, "card")


def n(v: float, u: float = 0.001) -> Normal:
    return Normal(v, u)


def visit(
    year: int, found: Value | None, left: Value | None = None, hours: float | None = None, fresh: bool = False
) -> Visit:
    return Visit(str(year), date(year, 1, 1), hours, found, left, left is not None, fresh)


BY_HAND = [
    visit(2020, None, n(0.05), 0),
    visit(2022, n(0.07), n(0.05), 2000),
    visit(2024, n(0.07), n(0.05), 4000),
]
"""0.01 a thousand hours, set back twice; from 0.05 to a limit of 0.18 it is 13 000 h, at 1000 h a year 13 years."""


def test_the_case_worked_by_hand() -> None:
    found = forecast(BY_HAND, 0.18, s_m=0.0)
    assert found is not None
    assert found.base == "hours"
    assert found.wear.rate * 1000 == pytest.approx(0.01)
    assert found.wear.likely == pytest.approx(13000, rel=0.02)
    assert found.wear.told == "date"
    assert found.likely is not None
    assert found.likely.year == 2036 or found.likely.year == 2037


def test_the_band_holds_the_truth_of_two_hundred_simulated_units() -> None:
    """The middle 80 % holds it in 72 to 88 of 100; the limit came before *act before* in at most 15."""
    told = [o for o in (outcome(worn_unit(seed)) for seed in range(200)) if o is not None]
    assert len(told) > 190
    assert 0.72 <= sum(o.held for o in told) / len(told) <= 0.88
    assert sum(o.came_before for o in told) / len(told) <= 0.15


def test_without_a_meter_each_time_days_are_counted() -> None:
    assert base_of([*BY_HAND[:2], visit(2024, n(0.07))]) == "days"
    assert base_of([visit(2020, n(0.05), hours=500), visit(2022, n(0.07), hours=400)]) == "days"


def test_what_was_set_anew_begins_a_line() -> None:
    assert [(s.y, s.reset) for s in series(BY_HAND, "hours")] == [
        (0.05, True), (0.07, False), (0.05, True), (0.07, False), (0.05, True),
    ]  # fmt: skip


def test_a_zero_that_may_hide_a_preload_is_no_point() -> None:
    assert series([visit(2020, AtMost(0.0), n(0.05))], "days") == series([visit(2020, None, n(0.05))], "days")


def test_what_falls_as_it_wears_meets_a_lower_limit() -> None:
    drag = [visit(2020, None, n(2.0)), visit(2022, n(1.8)), visit(2024, n(1.6))]
    found = forecast(drag, 1.2, sense=-1, lowest=2.4, s_m=0.0)
    assert found is not None
    assert found.likely is not None
    assert found.likely.year == pytest.approx(2028, abs=1)
    assert "past 1.20" in text_of(say_life(_past(drag), 1.2, None, shown_in("torque"))[0])


def _past(drag: list[Visit]) -> Forecast:
    found = forecast([*drag, visit(2030, n(1.1))], 1.2, sense=-1, lowest=2.4, s_m=0.0)
    assert found is not None
    assert found.wear.told == "past"
    return found


def test_a_bracket_counts_by_its_middle() -> None:
    assert series([visit(2020, Interval(0.04, 0.06))], "days")[0].y == pytest.approx(0.05)


def test_new_bearings_bed_in_on_the_stretch_after_them() -> None:
    two = [visit(2020, None, n(0.05), fresh=True), visit(2022, n(0.07), n(0.05)), visit(2024, n(0.07))]
    assert [s.bedding for s in intervals(two, "days")] == [True, False]


def test_a_last_stretch_that_wears_much_faster_brings_the_date_forward() -> None:
    steady = [visit(y, n(0.09), n(0.05)) for y in (2012, 2016, 2020)]
    slow, fast = (forecast([*steady, visit(2024, n(last), n(0.05))], 0.25) for last in (0.09, 0.17))
    assert slow is not None
    assert fast is not None
    assert (slow.faster, fast.faster > 2) == (0.0, True)
    assert fast.act_before is not None
    assert fast.at_last_rate is not None
    assert fast.act_before <= fast.at_last_rate
    assert "times as fast" in say_life(fast, 0.25, 0.05, Speech())[1]


@pytest.mark.parametrize(
    ("visits", "told", "words"),
    [
        ([visit(2020, None, n(0.05))], "too few", "A date needs a second visit."),
        (
            [visit(2020, None, n(0.05)), visit(2024, n(0.03)), visit(2026, n(0.04))],
            "no trend",
            "No trend yet",
        ),
        ([visit(2020, None, n(0.05)), visit(2024, n(0.30))], "past", "Found at 0.300, past 0.250: act now."),
    ],
)
def test_where_there_is_no_date_it_is_said_why(visits: list[Visit], told: str, words: str) -> None:
    found = forecast(visits, 0.25)
    assert found is not None
    assert found.wear.told == told
    assert text_of(say_life(found, 0.25, None, Speech())[0]).startswith(words)


def test_nothing_read_is_no_life() -> None:
    assert forecast([visit(2020, None)], 0.25) is None


def test_the_types_rate_wants_three_units() -> None:
    assert type_rate([1e-5, 2e-5]) is None
    rate = type_rate([1e-5, 1e-5, 1e-5])
    assert rate is not None
    assert rate.sd > 0, "three alike do not make it certain"


def test_a_single_visit_has_a_date_where_the_type_knows_its_rate() -> None:
    found = forecast([visit(2020, None, n(0.05))], 0.25, prior=type_rate([5e-5, 6e-5, 5.5e-5]))
    assert found is not None
    assert found.wear.told in ("date", "not before")


@given(st.lists(st.integers(0, 20000), min_size=1, max_size=6, unique=True).map(sorted))
def test_visits_stand_apart_and_in_their_order(days: list[int]) -> None:
    places = _places(days)
    gap = min(0.13, 1 / max(len(days) - 1, 1))
    assert all(b - a >= gap - 1e-3 for a, b in pairwise(places))
    assert places[0] == 0.0
    assert max(places) <= 1.0


def test_the_drawing_holds_every_visit_the_limit_and_the_fan() -> None:
    found = forecast(BY_HAND, 0.18, s_m=0.0)
    assert found is not None
    drawn = draw_life("End play", BY_HAND, [("a", "")] * 3, found, PLAY, 0.18, Speech())
    assert len(drawn.visits) == 3
    assert drawn.fan is not None
    assert drawn.visits[-1].at < drawn.fan.early <= drawn.fan.likely <= drawn.fan.late
    assert drawn.lo <= 0.05
    assert drawn.hi >= 0.18
    assert drawn.visits[1].rate == "0.010 in 1000 h"


def test_older_visits_are_counted_and_not_drawn() -> None:
    many = [visit(2000 + 2 * i, n(0.07 + 0.001 * i), n(0.05)) for i in range(9)]
    found = forecast(many, 0.25)
    assert found is not None
    drawn = draw_life("End play", many, [("", "")] * 9, found, PLAY, 0.25, Speech())
    assert (len(drawn.visits), drawn.earlier) == (6, "3 visits before")


def test_memory_is_counted_from_the_jobs_that_it_names() -> None:
    jobs = [
        Remembered("a", "W-1", n(0.19), PLAY, 1, (250_000,), ("counted again",)),
        Remembered("b", "W-2", n(0.08), PLAY, 0),
        Remembered("c", "W-3", AtMost(0.0), PLAY, 2, (250_000, 100_000)),
    ]
    lines = {line.words: line.jobs for line in memory_lines(jobs, Speech())}
    assert lines == {
        "As found 0.080 to 0.190, the middle 0.135: 1 of 2 above its window.": ("a", "b"),
        "1.5 moves a job, 2 at most.": ("a", "c"),
        "Shims put in: 0.25 (2), 0.10 (1).": ("a", "c"),
        "What odd rounds were, in 3 jobs: counted again (1).": ("a",),
    }


def test_no_jobs_no_memory() -> None:
    assert memory_lines([], Speech()) == []
