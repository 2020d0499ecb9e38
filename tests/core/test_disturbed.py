"""What a fact disturbs, by hand: which settings, whether the same parts go back, and in which words."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.facts.corrected import Corrected
from bornek.core.facts.fit_seen import FitSeen
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.received import Received
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.removed import Removed
from bornek.core.facts.went_back import WentBack
from bornek.core.parts.disturbed import Disturbance, disturbances, other_serial
from bornek.core.settings.records import EXCHANGED, TAKEN_APART
from bornek.core.units.definition import Definition, read_definition
from bornek.demo.yard import TYPES

WINCH = read_definition(next(d for key, _, d in TYPES if key == "ramp-winch"))
CROSS = ("cross-end-play",)
GEAR = "helical-pinion"


def fact(body: Any, key: str = "f1") -> Fact:
    return Fact(
        id=key, fact_kind="", subject=getattr(body, "part", ""), body=body, by="Jun", at="2026-11-20T10:00:00"
    )


def came_of(*facts: Fact, before: tuple[Fact, ...] = ()) -> list[Disturbance]:
    return disturbances(WINCH, before, (*before, *facts), "mm")


def judged(part: str, verdict: str) -> Fact:
    return fact(Judged(part, verdict), f"j-{part}-{verdict}")


def ordered(part: str, **widths: str) -> tuple[Fact, Fact]:
    return (
        fact(Ordered(part, "order", "TB-1", "Yard store"), "o1"),
        fact(Received("o1", **widths), "r1"),
    )


@pytest.mark.parametrize(
    ("verdict", "words"),
    [
        ("replace", "the helical pinion is judged: replace"),
        ("send_out", "the helical pinion is judged: send out"),
    ],
)
def test_a_part_that_does_not_go_back_disturbs_what_rests_on_its_shaft(verdict: str, words: str) -> None:
    assert came_of(judged(GEAR, verdict)) == [Disturbance(GEAR, EXCHANGED, words, CROSS)]


@pytest.mark.parametrize("verdict", ["reuse", "dress", "hold"])
def test_a_part_that_goes_back_disturbs_nothing(verdict: str) -> None:
    assert came_of(judged(GEAR, verdict)) == []


def test_a_verdict_that_is_taken_back_disturbs_too_and_says_what_it_is_now() -> None:
    found = came_of(judged(GEAR, "reuse"), before=(judged(GEAR, "replace"),))
    assert [x.why for x in found] == ["the helical pinion is judged: re-use"]


def test_the_same_verdict_once_more_disturbs_nothing() -> None:
    assert came_of(fact(Judged(GEAR, "replace"), "again"), before=(judged(GEAR, "replace"),)) == []


@pytest.mark.parametrize("part", ["output-seal", "helical-key"])
def test_what_places_no_other_part_disturbs_nothing(part: str) -> None:
    assert came_of(judged(part, "replace")) == []
    assert came_of(fact(Removed(part, "by_hand"))) == []


def test_a_new_housing_disturbs_every_setting_of_the_unit() -> None:
    assert set(came_of(judged("housing", "replace"))[0].settings) == {s.key for s in WINCH.settings}


def test_a_part_that_was_taken_off_goes_back_as_it_was() -> None:
    off = Disturbance("cross-top", TAKEN_APART, "the cross shaft bearing, top was taken off", CROSS)
    assert came_of(fact(Removed("cross-top", "puller"))) == [off]
    again = WentBack(("s1",), "taken_apart", parts=("cross-top",))
    assert came_of(fact(again, "f2"), before=(fact(Removed("cross-top", "puller")),)) == [off]


def test_a_step_that_was_written_wrongly_took_nothing_off() -> None:
    assert came_of(fact(WentBack(("s1",), "written_wrongly", parts=("cross-top",)))) == []


def test_being_taken_off_is_said_once() -> None:
    assert (
        came_of(fact(Corrected("complaint", "a", "b"), "f2"), before=(fact(Removed("cross-top", "puller")),))
        == []
    )


@pytest.mark.parametrize(
    ("widths", "words"),
    [
        ({}, "width not compared with the old one"),
        ({"width_old": "20.00", "width_new": "20.10"}, "0.100 mm wider than the old one"),
        ({"width_old": "20.10", "width_new": "20.00"}, "0.100 mm narrower than the old one"),
    ],
)
def test_a_new_part_that_is_not_just_as_wide_is_here_and_disturbs(widths: dict[str, str], words: str) -> None:
    order, received = ordered("cross-top", **widths)
    (found,) = came_of(received, before=(order,))
    assert (found.part, found.act_kind, found.settings, found.here) == ("cross-top", EXCHANGED, CROSS, True)
    assert found.why.startswith("the cross shaft bearing, top is new (")
    assert words in found.why


def test_a_new_part_of_the_same_width_disturbs_nothing() -> None:
    order, received = ordered("cross-top", width_old="20.00", width_new="20.00")
    assert came_of(received, before=(order,)) == []


def test_a_seal_that_was_not_compared_disturbs_nothing() -> None:
    order, received = ordered("output-seal")
    assert came_of(received, before=(order,)) == []


def test_what_was_written_of_a_new_part_and_is_taken_back_is_said() -> None:
    order, received = ordered("cross-top", width_old="20.00", width_new="20.10")
    found = disturbances(WINCH, (order, received), (order,), "mm")
    assert [x.why for x in found] == ["what was written of the new cross shaft bearing, top was changed"]


def test_a_part_that_went_on_hot_is_read_again_cold() -> None:
    plan = fact(Reckoned("fit_heat", part="cross-top"), "plan")
    home = fact(FitSeen("plan", "home"), "home")
    (found,) = came_of(home, before=(plan,))
    assert (found.part, found.act_kind, found.here) == ("cross-top", TAKEN_APART, False)
    assert found.why.startswith("the cross shaft bearing, top went on hot: read it cold")
    assert came_of(fact(FitSeen("plan", "short", "3 mm"), "short"), before=(plan,)) == []


def test_another_serial_is_another_part() -> None:
    found = other_serial(WINCH, "bevel-pinion", "SET-1", "SET-2")
    words = "the bevel pinion is serial SET-2 now, it was SET-1"
    assert found == Disturbance("bevel-pinion", EXCHANGED, words, ("input-preload",), here=True)


@pytest.mark.parametrize(
    ("part", "was", "serial"), [("bevel-pinion", "A", "A"), ("helical-key", "A", "B"), ("nowhere", "A", "B")]
)
def test_a_serial_that_is_the_same_or_moves_no_setting_disturbs_nothing(
    part: str, was: str, serial: str
) -> None:
    assert other_serial(WINCH, part, was, serial) is None
    assert other_serial(Definition(), part, was, serial) is None
