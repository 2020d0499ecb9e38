"""Small rules that every kind leans on."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import UnknownKind
from bornek.core.settings.kind import Slot, aim_in, first_open
from bornek.core.settings.records import Act, Context, Entry, Scalar
from bornek.core.settings.registry import find_calculation, find_kind, forget, kinds, register
from bornek.core.settings.state import ShimPack
from bornek.core.windows import NOT_READ, Verdict, Window, worst

W = Window(0.06, 0.12, "d")


def test_the_aim_is_the_middle_or_the_own_number_inside() -> None:
    assert aim_in(W, None, 0.005) == pytest.approx(0.09)
    assert aim_in(W, 0.07, 0.005) == 0.07
    assert aim_in(W, 0.2, 0.005) == pytest.approx(0.09)


def test_the_aim_of_an_open_window_lies_well_inside_its_closed_end() -> None:
    assert aim_in(Window(None, 0.1, "d"), None, 0.005) == pytest.approx(0.08)
    assert aim_in(Window(0.03, None, "d"), None, 0.005) == pytest.approx(0.05)


def test_nobody_aims_at_an_edge_nor_below_the_physical_bound() -> None:
    assert aim_in(W, 0.06, 0.01) == pytest.approx(0.08)
    assert aim_in(W, 0.12, 0.02) == pytest.approx(0.09)
    open_below = Window(None, 0.1, "d", floor=0.0)
    assert aim_in(open_below, None, 0.005) == pytest.approx(0.05)
    assert aim_in(open_below, 0.0, 0.005) == pytest.approx(0.01)


def test_a_place_whose_shims_nobody_described_has_no_form() -> None:
    ctx = Context(forms={"a": "ring"}, drawers={"a": {50_000: 1}}, stock={80_000: 2})
    assert (ctx.form("a"), ctx.form("b")) == ("ring", "")
    assert (ctx.drawer("a"), ctx.drawer("b")) == ({50_000: 1}, {80_000: 2})


@pytest.mark.parametrize(
    ("slot", "motion"),
    [
        ({"quantity": "length", "nature": "travel"}, "pry"),
        ({"quantity": "length", "nature": "size"}, "still"),
        ({"quantity": "torque", "nature": "travel"}, "still"),
        ({"quantity": "angle", "nature": "angle"}, "still"),
        ({"quantity": "length", "nature": "travel", "of_turn": "greatest"}, "turn"),
        ({"quantity": "length", "nature": "travel", "accepts": "between"}, ""),
    ],
)
def test_a_gauge_that_talks_is_read_by_what_the_station_takes(slot: dict[str, Any], motion: str) -> None:
    assert Slot(key="s", label="S", group="S", axes={}, posture="", **slot).motion == motion


@pytest.mark.parametrize(
    ("codes", "decides"),
    [
        (["in", "in"], "in"),
        (["in", "at_edge"], "at_edge"),
        (["at_edge", "not_proven"], "not_proven"),
        (["in", "not_read"], "not_read"),
        (["not_read", "out_low"], "out_low"),
        (["out_low", "out_high"], "out_high"),
    ],
)
def test_the_worst_verdict_decides(codes: list[Any], decides: str) -> None:
    assert worst([Verdict(c) for c in codes]).code == decides


def test_nothing_to_judge_is_not_read() -> None:
    assert worst([]) == NOT_READ


def slots(*optional: bool) -> list[Slot]:
    return [
        Slot(key=f"s{n}", label="", group="", axes={}, quantity="length", nature="travel", optional=o)
        for n, o in enumerate(optional)
    ]


def test_the_next_reading_is_the_first_owed_that_is_not_optional() -> None:
    assert first_open(slots(False, False), []) == "s0"
    assert first_open(slots(True, False), []) == "s1"
    assert first_open(slots(False), [Entry("e", "s0", Scalar(0.1))]) is None


def acts() -> tuple[Act, ...]:
    return (
        Act("a", 1, "as_found", {"pack": ShimPack((1,))}, seq=1),
        Act("b", 2, "move", {"pack": ShimPack((2,))}, seq=2),
        Act("c", 2, "recount", {"pack": ShimPack((3,))}, seq=3),
    )


def test_a_state_is_what_the_last_act_up_to_the_round_says() -> None:
    ctx = Context(acts=acts(), round=2)
    assert ctx.state("pack", 1) == ShimPack((1,))
    assert ctx.state("pack") == ShimPack((3,))
    assert ctx.state("nut") is None


def test_a_context_at_an_earlier_round_knows_nothing_of_later_ones() -> None:
    entries = (Entry("e1", "s", Scalar(0.1), 1), Entry("e2", "s", Scalar(0.2), 2))
    then = Context(acts=acts(), entries=entries, round=2).at(1)
    assert [e.id for e in then.entries] == ["e1"]
    assert [a.id for a in then.acts] == ["a"]
    assert [e.id for e in then.now()] == ["e1"]


def test_an_entrys_own_gauge_comes_before_the_settings() -> None:
    from bornek.core.gauges import Gauge

    ctx = Context(gauges={"g": Gauge("g", "one"), "h": Gauge("h", "other")}, gauge="g")
    assert ctx.find_gauge().name == "one"
    assert ctx.find_gauge(Entry("e", "s", Scalar(0.1), gauge="h")).name == "other"
    assert Context().find_gauge().name == "no gauge named"


def test_a_calculator_is_found_but_is_no_setting() -> None:
    from trial_kind import TrialSum

    register(TrialSum)
    try:
        assert find_calculation("trial_sum").title == "Ram force"
        with pytest.raises(UnknownKind, match="no rounds"):
            find_kind("trial_sum")
    finally:
        forget("trial_sum")
    with pytest.raises(UnknownKind):
        find_calculation("trial_sum")


def test_kinds_are_listed_in_one_order() -> None:
    ids = [k.id for k in kinds()]
    assert ids == sorted(ids)


@given(st.floats(-2, 2), st.floats(0.001, 1), st.floats(0, 0.3))
def test_the_aim_always_lies_in_its_window(lo: float, width: float, u: float) -> None:
    window = Window(lo, lo + width, "d")
    for wanted in (None, lo - 1, lo + width / 3, lo + width + 1):
        assert window.holds(aim_in(window, wanted, u))
