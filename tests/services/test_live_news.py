"""What of a gauge's news is new to a page: nothing twice, nothing of before it looked, nothing while it is asked."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from bornek.core.trace.presses import Answered, Press
from bornek.core.trace.seen import Seen
from bornek.core.trace.taken import Taken, taken
from bornek.core.trace.trace import Trace
from bornek.devices.listener import Heard
from bornek.services.setting.live import _span
from bornek.services.setting.live_news import Station, news_of

VALUES = 40


def pry(mark: int) -> Taken:
    part = Trace(np.arange(5) / 20, np.full(5, 0.2), mark)
    return taken("pry", part, 0.2, 0.0, 0.2, mark=mark)


def heard(presses: int = 0) -> Heard:
    trace = Trace(np.arange(VALUES) / 20, np.zeros(VALUES), 0)
    pressed = tuple(Press(n, n / 10) for n in range(1, presses + 1))
    return Heard("s", 2.0, trace, "mm", pressed, "", silent=False)


@pytest.mark.parametrize(
    ("station", "new"),
    [
        (Station("up", "g", "s", 9), [10, 20, VALUES - 1, VALUES]),
        (Station("up", "g", "s", 10), [20, VALUES - 1, VALUES]),
        (Station("up", "g", "s", VALUES), []),
        (Station("up", "g"), [VALUES]),
        (Station("up", "g", "earlier", 9), [VALUES]),
    ],
)
def test_what_a_page_has_used_or_never_saw_begin_is_not_new(station: Station, new: list[int]) -> None:
    seen = Seen(takes=tuple(pry(mark) for mark in (20, 10, VALUES - 1, VALUES)))
    assert [x.taken.mark for x in news_of(seen, station, heard(), "").takes] == new


@pytest.mark.parametrize(("used", "answered"), [(0, [1, 2]), (1, [2]), (2, [])])
def test_each_press_is_answered_until_the_page_has_it(used: int, answered: list[int]) -> None:
    presses = tuple(Answered(p, None, "too early") for p in heard(2).pressed)
    station = Station("up", "g", "s", 0, used)
    assert [r.press for r in news_of(Seen(presses=presses), station, heard(2), "").refused] == answered
    took = Seen(presses=tuple(replace(p, taken=pry(3), words="") for p in presses))
    assert [x.press for x in news_of(took, station, heard(2), "").takes] == answered
    assert news_of(took, Station("up", "g"), heard(2), "").takes == ()


def test_while_it_is_asked_which_unit_it_means_nothing_is_taken() -> None:
    seen = Seen((pry(10),), (Answered(Press(1, 0.1), pry(3), ""), Answered(Press(2, 0.2), None, "moving")))
    news = news_of(seen, Station("up", "g", "s", 0, 0), heard(2), "Which unit?")
    assert news.takes == ()
    assert [(r.press, r.words) for r in news.refused] == [(1, "Which unit?"), (2, "Which unit?")]


@pytest.mark.parametrize(
    ("wave", "drawn"),
    [([], (0.0, 0.02)), ([0.3], (0.29, 0.31)), ([0.0, 0.01], (-0.005, 0.015)), ([0.0, 1.0], (-0.1, 1.1))],
)
def test_a_trace_is_drawn_over_at_least_twenty_steps(wave: list[float], drawn: tuple[float, float]) -> None:
    assert _span(wave, 0.001) == pytest.approx(drawn)
