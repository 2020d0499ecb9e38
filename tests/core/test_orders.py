"""What is ordered: the newest promise, what came instead, and the days that it is promised for."""

from typing import Any

import pytest

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.promised import Promised
from bornek.core.facts.received import Received
from bornek.core.parts.days import check_day, is_late
from bornek.core.parts.orders import known_substitutes, order_lines
from winch import WINCH, fact


@pytest.mark.parametrize(
    "text",
    [
        "",
        "today",
        "2026-1-1",
        "2026-13-01",
        "2026-00-10",
        "2026-11-00",
        "2026-11-31",
        "2026-02-29",
        "0000-01-01",
    ],
)
def test_what_is_no_day_is_refused(text: str) -> None:
    with pytest.raises(InputError) as refused:
        check_day(text, "due")
    assert refused.value.field == "due"


@pytest.mark.parametrize("text", ["0001-01-01", "2024-02-29", "2026-12-31", "9999-10-10"])
def test_a_day_is_taken_as_it_was_written(text: str) -> None:
    assert check_day(text) == text


def ordered(*later: Fact, part: str = "output-lower") -> Any:
    first = Fact(
        "o1", "ordered", part, Ordered(part, "order", "TB-3007", "Yard store", promised="2026-11-20")
    )
    return order_lines(WINCH, [first, *later], "mm")[0]


def test_the_newest_promise_counts_and_the_day_after_it_is_late() -> None:
    line = ordered(fact("promised", Promised("o1", "2026-11-27"), 2))
    assert line.promised == "2026-11-27"
    assert not is_late(line.promised, "2026-11-27")
    assert is_late(line.promised, "2026-11-28")
    assert not is_late("", "2026-11-28")


def test_a_wider_bearing_says_which_settings_must_be_read_again() -> None:
    part = next(p for p in WINCH.parts if p.part_kind == "taper_bearing" and p.shaft == "output")
    line = ordered(fact("received", Received("o1", width_old="24.00", width_new="24.03"), 2), part=part.key)
    assert line.state == "received"
    assert "0.030 mm wider" in line.words
    assert line.read_again == ("Output shaft end play",)
    same = ordered(fact("received", Received("o1", width_old="24.00", width_new="24.00"), 2), part=part.key)
    assert same.read_again == ()


def test_another_number_that_came_is_said() -> None:
    assert "came as TB-9, not TB-3007" in ordered(fact("received", Received("o1", number="TB-9"), 2)).words


def test_substitutes_go_through_others() -> None:
    assert known_substitutes("A", [("A", "B"), ("B", "C"), ("D", "E")]) == ["B", "C"]
