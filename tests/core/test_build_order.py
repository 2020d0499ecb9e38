"""Where steps come from, what comes before what, and the sequence that keeps it."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.build.needs import derived_needs, seat_of
from bornek.core.build.order import build_order, shortest_loop, try_move
from bornek.core.facts.kind import Fact
from bornek.core.facts.need_judged import NeedJudged
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.removed import Removed
from bornek.core.facts.section_answered import SectionAnswered
from bornek.core.facts.step_moved import StepMoved
from bornek.core.facts.step_written import StepWritten
from bornek.core.facts.went_back import WentBack
from bornek.core.units.definition import Definition, Part, Shaft
from plan_cases import CASE, Job, also, changed, step, worked


def keys(job: Job) -> list[str]:
    return [p.key for p in job.order().steps]


def removed(*parts: str) -> Job:
    return Job(d=replace(CASE, steps=()), bodies=tuple(Removed(p, "hand") for p in parts))


def test_what_came_off_last_goes_on_first() -> None:
    assert keys(removed("right-cover", "right-bearing", "right-spacer")) == [
        "off-right-spacer", "off-right-bearing", "off-right-cover"]  # fmt: skip


def test_the_section_sets_right_what_was_logged_in_another_order() -> None:
    assert keys(removed("right-spacer", "right-cover", "right-bearing")) == [
        "off-right-spacer", "off-right-bearing", "off-right-cover"]  # fmt: skip


def test_such_a_log_is_told_as_a_note() -> None:
    found = removed("right-spacer", "right-bearing").found()
    assert [(f.code, f.severity) for f in found] == [("other_way", "note")]


def test_a_step_of_the_type_applies_only_where_its_parts_are_out() -> None:
    assert "baffle-in" not in keys(Job(bodies=(Removed("right-cover", "hand"),)))
    assert "right-on" in keys(Job(bodies=(Removed("right-cover", "hand"),)))


def test_a_new_part_that_never_came_off_gets_a_step() -> None:
    job = Job(d=replace(CASE, steps=()), bodies=(Ordered("wheel", "order", "W-1", "store"),))
    assert keys(job) == ["put-wheel"]


def test_parts_whose_long_keys_begin_alike_each_keep_their_step() -> None:
    long = "cap-of-the-upper-countershaft-bearing-"
    d = Definition(parts=tuple(Part(long + x, f"Cap {x}", "other") for x in "ab"))
    order = Job(d=d, bodies=tuple(Removed(long + x, "hand") for x in "ab")).order()
    assert len(order.by_key) == len(order.steps) == 2


def test_a_setting_follows_what_it_is_read_on() -> None:
    order = removed("left-cover", "right-cover")
    assert keys(order)[-1] == "set-play"


def test_the_mechanics_own_step_stands_where_it_was_written() -> None:
    own = StepWritten(step("oiled", "Bearings oiled"), after="bearings-on")
    order = keys(also(own))
    assert order.index("oiled") == order.index("bearings-on") + 1


def test_a_step_written_anew_keeps_its_place() -> None:
    order = also(StepWritten(step("right-on", "Right cover with a new gasket", "right-cover"))).order()
    assert order.number["right-on"] == Job().order().number["right-on"]
    assert order.label("right-on") == "Right cover with a new gasket"


def test_a_dry_fit_comes_before_the_same_part_for_good() -> None:
    assert any(
        n.rule == "dry" and (n.before, n.after) == ("left-dry", "left-on") for n in Job().order().needs
    )


def test_without_a_seat_the_section_proves_nothing_and_asks() -> None:
    d = Definition(
        shafts=(Shaft("in", "input"),),
        parts=(Part("a", "Gear a", "gear", shaft="in"), Part("b", "Gear b", "gear", shaft="in")),
    )
    order = Job(d=d, bodies=(Removed("a", "hand"), Removed("b", "hand"))).order()
    assert seat_of(d, d.shafts[0]) is None and derived_needs(d, order.steps) == []
    assert [(a.row, a.field) for a in order.asks] == [("in", "seat")]
    said = Job(
        d=d, bodies=(Removed("a", "hand"), Removed("b", "hand"), SectionAnswered("in", "seat", "a"))
    ).order()
    assert said.asks == () and [(n.before, n.after) for n in said.needs] == [("off-a", "off-b")]


def test_a_threaded_shaft_comes_after_what_it_passes_through_and_before_its_bearings() -> None:
    d = replace(CASE, steps=(), shafts=(Shaft("cross", "cross shaft", built="threaded"),))
    order = [k.removeprefix("put-") for k in keys(Job(d=d))]
    assert max(order.index(k) for k in ("wheel", "left-spacer", "right-spacer")) < order.index("cross-shaft")
    assert order.index("cross-shaft") < min(order.index(k) for k in ("left-bearing", "right-bearing"))


@pytest.mark.parametrize(("way", "first"), [("inside", "seal"), ("outside", "set-play")])
def test_a_seal_from_inside_goes_before_what_enters_it_and_from_outside_after_the_setting(
    way: str, first: str
) -> None:
    row = [*CASE.parts[:1], Part("seal", "Seal", "seal", shaft="cross", goes_in=way), *CASE.parts[1:]]  # type: ignore[arg-type]
    nut = Part("nut", "Nut", "nut", shaft="cross")
    d = replace(CASE, steps=(), parts=(nut, *row))
    order = [k.removeprefix("put-") for k in keys(Job(d=d))]
    assert order.index(first) < order.index("nut" if way == "inside" else "seal")


def test_a_forbidden_place_is_refused_in_words_and_a_free_one_is_not() -> None:
    order = Job().order()
    forbidden = try_move(order, "spacers-on", "bearings-on")
    assert forbidden is not None and forbidden.words.startswith("Spacers on must come before Bearings on: ")
    assert try_move(order, "baffle-in", "bolts-in") is not None
    assert try_move(order, "bolts-in", "cure") is None


def test_overruled_with_a_reason_it_may_go_there() -> None:
    over = NeedJudged("spacers-on", "bearings-on", False, "split bearings")
    assert try_move(also(over).order(), "spacers-on", "bearings-on") is None


def test_a_moved_step_stands_where_it_was_put() -> None:
    assert keys(also(StepMoved("baffle-in", "")))[0] == "baffle-in"


def test_a_step_put_after_one_that_is_done_comes_next() -> None:
    job = also(*worked("bolts-in"), StepMoved("baffle-in", "bolts-in"))
    assert keys(job)[:2] == ["bolts-in", "baffle-in"]


def test_what_is_done_stands_first_as_it_was_done() -> None:
    assert keys(also(*worked("baffle-in", "wheel-on")))[:2] == ["baffle-in", "wheel-on"]


def test_a_signed_setting_is_done() -> None:
    assert also(signed={"play": "2026-11-23T10:00:00+00:00"}).order().is_done("play-set")


def test_what_was_written_wrongly_is_not_done_and_makes_what_rests_on_it_doubtful() -> None:
    from bornek.core.build.standing import standings

    job = also(*worked("wheel-on", "spacers-on", "bearings-on"), WentBack(("wheel-on",), "written_wrongly"))
    states = standings(job.order(), job.bench)
    assert (states["wheel-on"].state, states["spacers-on"].state) == ("ready", "check")


def test_a_part_taken_off_again_is_out_again() -> None:
    order = also(*worked("wheel-on", "spacers-on"), Removed("left-spacer", "hand")).order()
    assert not order.is_done("spacers-on") and order.is_done("wheel-on")


@given(st.lists(st.tuples(st.integers(0, 7), st.integers(0, 7)), max_size=14))
def test_the_loop_told_is_a_loop_and_there_is_one_only_if_it_must_be(edges: list[tuple[int, int]]) -> None:
    import networkx as nx

    named = [(f"s{a}", f"s{b}") for a, b in edges if a != b]
    loop = shortest_loop(named)
    assert bool(loop) == (not nx.is_directed_acyclic_graph(nx.DiGraph(named)))
    assert all((a, b) in named for a, b in zip(loop, (*loop[1:], *loop[:1]), strict=True))


@given(
    st.permutations(
        ["left-cover", "left-bearing", "left-spacer", "wheel", "right-spacer", "right-bearing", "right-cover"]
    )
)
def test_however_it_was_logged_the_order_keeps_every_need_and_loses_no_part(log: list[str]) -> None:
    order = removed(*log).order()
    assert order.against == () and order.loop == ()
    assert {p for s in order.steps for p in s.step.parts} == set(log)
    assert all(order.number[n.before] < order.number[n.after] for n in order.needs)


def test_a_loop_still_shows_every_step_once() -> None:
    job = changed("wheel-on", needs=("bearings-on",), job=changed("bearings-on", needs=("wheel-on",)))
    assert sorted(keys(job)) == sorted(s.key for s in CASE.steps)
    assert set(job.order().loop) == {"wheel-on", "bearings-on"}


def test_facts_of_another_version_do_not_take_the_order_down() -> None:
    assert build_order(CASE, [Fact("x", "step_worked", "", {"odd": 1})]).steps == ()
