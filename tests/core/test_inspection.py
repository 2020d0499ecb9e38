"""Look-fors, grades, verdicts under both schools, teeth, seal tracks, orders, gauge plan."""

from collections.abc import Sequence
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.corrected import Corrected
from bornek.core.facts.graded import Graded
from bornek.core.facts.hold_cleared import HoldCleared
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact, FactKind
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.received import Received, ReceivedKind
from bornek.core.facts.registry import fact_kinds
from bornek.core.facts.removed import Removed
from bornek.core.facts.teeth import TeethMarked
from bornek.core.gauges import Gauge
from bornek.core.parts.gauge_plan import gauge_line
from bornek.core.parts.grades import GRADES
from bornek.core.parts.holds import holds, open_holds
from bornek.core.parts.inspection import inspect, must_be_had, not_checked, say_inspect
from bornek.core.parts.look_fors import LookFor, core_look_fors, groups, look_fors_of
from bornek.core.parts.teeth import ToothMark
from bornek.core.parts.verdicts import Basis, check_choice, judge
from bornek.core.phrases import text_of
from bornek.core.units.definition import Definition, Part
from bornek.core.windows import Window
from winch import WINCH, fact

SHAFT = Part("s", "Cross shaft", "shaft")
BEARING = Part("b", "Bearing", "taper_bearing")


def graded(part: Part, grade: str, **more: str) -> Basis:
    keys = [x.key for x in look_fors_of(part)]
    return Basis(dict.fromkeys(keys, grade) | more, keys)


def test_every_group_of_part_has_look_fors_each_with_a_meaning() -> None:
    assert {x.group for x in core_look_fors()} == set(groups())
    assert all(x.label and x.means for x in core_look_fors())
    keys = [(x.group, x.key) for x in core_look_fors()]
    assert len(keys) == len(set(keys))


def test_nothing_is_asked_that_does_not_apply() -> None:
    drum = {x.key for x in look_fors_of(Part("d", "Drum", "drum"))}
    gear = {x.key for x in look_fors_of(Part("g", "Gear", "gear", teeth=30))}
    assert "pits" in gear - drum
    assert "worm_bronze" not in gear
    assert {x.key for x in look_fors_of(Part("f", "Felt", "felt"))} == {"felt"}


def test_the_shop_adds_its_own() -> None:
    own = LookFor("key", "own-paint", "Painted yellow", "Ours.", own=True)
    assert [x.key for x in look_fors_of(Part("k", "Key", "key"), [own])][-1] == "own-paint"


@pytest.mark.parametrize(
    ("part", "grade", "a", "b"),
    [
        (SHAFT, "sound", "reuse", "reuse"),
        (SHAFT, "dress", "dress", "dress"),
        (SHAFT, "worn_within", "replace", "reuse"),
        (SHAFT, "worn_beyond", "send_out", "send_out"),
        (SHAFT, "unsafe", "replace", "replace"),
        (BEARING, "sound", "replace", "reuse"),
        (BEARING, "worn_within", "replace", "reuse"),
        (BEARING, "worn_beyond", "replace", "replace"),
        (Part("g", "Gear", "gear", teeth=20, scarce=True), "worn_beyond", "replace", "reuse"),
        (Part("h", "Hook shaft", "shaft", safety=True), "worn_beyond", "replace", "replace"),
        (Part("h", "Hook shaft", "shaft", safety=True), "worn_within", "replace", "reuse"),
        (Part("h", "Hook shaft", "shaft", safety=True), "not_checked", "hold", "hold"),
        (Part("w", "Lock washer", "lock_washer", single_use=True), "sound", "replace", "replace"),
    ],
)
def test_the_verdict_of_each_school(part: Part, grade: str, a: str, b: str) -> None:
    assert (judge(part, graded(part, grade), "A").verdict, judge(part, graded(part, grade), "B").verdict) == (
        a,
        b,
    )


def test_the_worst_look_decides_and_one_missing_look_is_no_verdict() -> None:
    mixed = graded(SHAFT, "sound", journals="worn_beyond")
    assert judge(SHAFT, mixed, "A").verdict == "send_out"
    half = Basis({"journals": "sound"}, [x.key for x in look_fors_of(SHAFT)])
    assert judge(SHAFT, half, "A").words == "7 of 8 still to look at."


def test_a_fit_that_is_out_sends_a_shaft_out_and_an_unproven_one_holds() -> None:
    basis = graded(SHAFT, "sound")
    assert judge(SHAFT, Basis(basis.grades, basis.asked, ["out_low"]), "B").verdict == "send_out"
    assert judge(SHAFT, Basis(basis.grades, basis.asked, ["not_read"]), "A").verdict == "hold"
    assert judge(SHAFT, Basis(basis.grades, basis.asked, ["in"]), "A").verdict == "reuse"


def test_a_gear_that_looks_sound_but_is_out_on_its_bush_does_not_go_back() -> None:
    gear = Part("g", "Gear", "gear", teeth=36)
    b = graded(gear, "sound")
    out = Basis(b.grades, b.asked, ["out_high"])
    assert (judge(gear, out, "A").verdict, judge(gear, out, "B").verdict) == ("replace", "replace")
    assert judge(gear, out, "A").words == "Its measured fit is out."
    scarce = Part("g", "Gear", "gear", teeth=36, scarce=True)
    assert judge(scarce, out, "B").reason
    hook = Part("h", "Hook shaft", "shaft", safety=True)
    with pytest.raises(InputError, match="it can hurt someone"):
        check_choice(
            hook, Basis(graded(hook, "sound").grades, b.asked, ["out_low"]), "B", "reuse", "It held so far."
        )


def test_an_unsafe_shaft_is_replaced_even_where_its_fit_could_be_mended() -> None:
    b = graded(SHAFT, "sound", colour="unsafe")
    assert judge(SHAFT, Basis(b.grades, b.asked, ["out_low"]), "A").verdict == "replace"


def test_the_way_of_removal_dooms_a_part_whatever_its_grade() -> None:
    d = Definition(parts=(BEARING,))
    sound = Graded("b", dict.fromkeys([x.key for x in look_fors_of(BEARING)], "sound"))
    found = inspect(d, BEARING, [fact("removed", Removed("b", "cage_pull"), 1), fact("graded", sound, 2)])
    assert found.b.verdict == "replace"
    assert "marked even if it cannot be seen" in found.b.words


@pytest.mark.parametrize(
    ("part", "grade", "chosen", "why"),
    [
        (Part("h", "Hook shaft", "shaft", safety=True), "worn_beyond", "reuse", "it can hurt someone"),
        (Part("w", "Washer", "lock_washer", single_use=True), "sound", "reuse", "single use"),
        (SHAFT, "unsafe", "dress", "it is unsafe"),
    ],
)
def test_no_reason_brings_these_back(part: Part, grade: str, chosen: str, why: str) -> None:
    with pytest.raises(InputError, match=why):
        check_choice(part, graded(part, grade), "B", chosen, "It was always fine.")


def test_a_scarce_part_goes_back_with_a_written_reason_only() -> None:
    gear = Part("g", "Gear", "gear", teeth=20, scarce=True)
    with pytest.raises(InputError, match="written reason"):
        check_choice(gear, graded(gear, "worn_within"), "B", "reuse", "")
    check_choice(gear, graded(gear, "worn_within"), "B", "reuse", "Pattern is gone; runs one shift a week.")


def test_going_against_the_school_needs_a_reason() -> None:
    with pytest.raises(InputError, match="verdict by the school is replace"):
        check_choice(SHAFT, graded(SHAFT, "worn_within"), "A", "reuse", "")
    check_choice(SHAFT, graded(SHAFT, "sound"), "A", "reuse", "")


@given(st.lists(st.sampled_from([g.key for g in GRADES]), min_size=8, max_size=8), st.booleans())
def test_a_safety_critical_part_below_worn_within_never_goes_back(grades: list[str], scarce: bool) -> None:
    part = Part("h", "Hook shaft", "shaft", safety=True, scarce=scarce)
    keys = [x.key for x in look_fors_of(part)]
    basis = Basis(dict(zip(keys, grades, strict=True)), keys)
    for school in ("A", "B"):
        verdict = judge(part, basis, school).verdict  # type: ignore[arg-type]
        if {"worn_beyond", "unsafe", "not_checked"} & set(grades):
            assert verdict not in ("reuse", "dress")


@pytest.mark.parametrize(
    ("folds", "fresh", "verdict", "words"),
    [
        (1, 3, "reuse", "say why no new one"),
        (2, 3, "replace", "folded 2 times"),
        (1, 0, "replace", "no tab is left"),
    ],
)
def test_a_lock_washers_folds_are_counted(folds: int, fresh: int, verdict: str, words: str) -> None:
    washer = Part("w", "Lock washer", "lock_washer")
    d = Definition(parts=(washer,))
    looks = dict.fromkeys([x.key for x in look_fors_of(washer)], "sound")
    found = inspect(d, washer, [fact("graded", Graded("w", looks, "", folds, fresh))])
    assert (found.b.verdict, found.a.verdict) == (verdict, "replace")
    assert words in found.b.words
    if verdict == "replace":
        with pytest.raises(InputError, match="may not go back"):
            check_choice(washer, found.basis, "B", "reuse", "It looked fine.")


def test_what_could_not_be_checked_is_listed() -> None:
    d = Definition(parts=(Part("k", "Key", "key"),))
    found = inspect(d, d.parts[0], [fact("graded", Graded("k", {"fit": "sound", "sides": "not_checked"}))])
    assert not_checked([found]) == ["Key: sides: steps, rolled edges"]


def test_a_grade_given_later_makes_the_verdict_stale() -> None:
    d = Definition(parts=(Part("k", "Key", "key"),))
    log = [
        fact("graded", Graded("k", {"fit": "sound", "sides": "sound"}), 1),
        fact("judged", Judged("k", "reuse"), 2),
    ]
    assert not inspect(d, d.parts[0], log).stale
    assert inspect(d, d.parts[0], [*log, fact("graded", Graded("k", {"sides": "unsafe"}), 3)]).stale


def test_a_verdict_is_stale_where_its_removal_had_doomed_the_part_and_it_was_to_go_back() -> None:
    d = Definition(parts=(BEARING,))
    grades = dict.fromkeys([x.key for x in look_fors_of(BEARING)], "sound")
    log = [fact("removed", Removed("b", "cage_pull"), 1), fact("graded", Graded("b", grades), 2)]
    assert inspect(d, BEARING, [*log, fact("judged", Judged("b", "reuse"), 3)]).stale
    assert not inspect(d, BEARING, [*log, fact("judged", Judged("b", "replace"), 3)]).stale


@pytest.mark.parametrize(
    ("what", "key", "stale"),
    [("school", "reuse", True), ("school", "backlash", False), ("complaint", "reuse", False)],
)
def test_another_school_of_re_use_makes_the_verdict_stale(what: Any, key: str, stale: bool) -> None:
    d = Definition(parts=(Part("k", "Key", "key"),))
    log = [
        fact("graded", Graded("k", {"fit": "sound", "sides": "sound"}), 1),
        fact("judged", Judged("k", "reuse"), 2),
        fact("corrected", Corrected(what, "A", "B", key=key), 3),
    ]
    assert inspect(d, d.parts[0], log).stale == stale


def test_the_sentence_goes_from_the_first_part_to_the_order() -> None:
    d = Definition(parts=(Part("k", "Key", "key"), Part("c", "Cup", "key")))
    first = fact("judged", Judged("k", "replace", "sheared"), 2)

    def said(facts: Sequence[Fact], ordered: frozenset[str] = frozenset()) -> str:
        return text_of(say_inspect([inspect(d, p, facts) for p in d.parts], ordered, 0))

    assert said([]).startswith("Inspect 2 parts")
    assert said([first]) == "Next: the cup. 1 part to judge."
    both = [first, fact("judged", Judged("c", "reuse"), 3)]
    assert said(both) == "Order the key. 1 not ordered yet."
    assert said(both, frozenset({"k"})) == "Every part is judged. Plan the build."
    assert [x.part.key for x in must_be_had([inspect(d, p, both) for p in d.parts], frozenset())] == ["k"]


def test_each_gauge_resolves_its_window_or_the_one_that_does_is_named() -> None:
    dial, lever = Gauge("d", "Dial", division=0.01), Gauge("l", "Lever", division=0.002)
    wide, narrow = Window(0.06, 0.12, "card"), Window(0.004, 0.012, "card")
    assert gauge_line("End play", wide, dial, [dial, lever]).enough
    line = gauge_line("Spindle", narrow, dial, [dial, lever])
    assert (line.enough, line.better) == (False, ())
    assert "cannot judge" in line.words
    assert gauge_line("Spindle", Window(0.004, 0.02, "card"), dial, [dial, lever]).better == ("Lever",)


def test_a_cause_puts_its_hold_until_it_is_cleared_in_words() -> None:
    log = [fact("cause", CauseNamed("starved"), 1)]
    assert [h.cause for h in open_holds(log)] == ["starved"]
    cleared = holds(
        [*log, fact("hold_cleared", HoldCleared("starved", "screen cleaned, oil seen at every hole"), 2)]
    )
    assert cleared[0].cleared == "screen cleaned, oil seen at every hole (Jun)"
    assert open_holds([fact("cause", CauseNamed("fatigue"), 1)]) == []


def kind_of(body: Any) -> FactKind:
    return next(k for k in fact_kinds() if k.body is type(body))


@pytest.mark.parametrize(
    ("body", "field"),
    [
        (Graded("bevel-pinion", {"pits": "fine"}), "grades"),
        (Graded("bevel-pinion", {"lip": "sound"}), "grades"),
        (TeethMarked("bevel-pinion", (ToothMark(15, "drive", "pits"),)), "marks"),
        (TeethMarked("bevel-pinion", (ToothMark(1, "drive", "bitten"),)), "marks"),
        (TeethMarked("drum-shaft", ()), "part"),
        (CauseNamed("gremlins"), "cause"),
        (HoldCleared("starved", "done"), "cause"),
        (Ordered("bevel-pinion", "order", "X", "Y", promised="soon"), "promised"),
        (Received("nowhere"), "order"),
    ],
)
def test_what_cannot_be_written_down_names_its_field(body: Any, field: str) -> None:
    with pytest.raises(InputError) as refused:
        kind_of(body).check(body, About(WINCH))
    assert refused.value.field == field


def test_one_width_alone_is_asked_for_the_other() -> None:
    first = Fact("o1", "ordered", "bevel-pinion", Ordered("bevel-pinion", "order", "X", "Y"))
    with pytest.raises(InputError, match="Both widths"):
        ReceivedKind().check(Received("o1", width_new="24"), About(WINCH, [first]))
