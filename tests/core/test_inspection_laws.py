"""Laws of the verdicts, the causes and the tooth map, whatever the part."""

from __future__ import annotations

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from bornek.core.parts.causes import (
    CLOSE,
    TELLS,
    Seen,
    all_causes,
    all_evidence,
    diagnose,
    find_cause,
)
from bornek.core.parts.grades import GRADES, worst_grade
from bornek.core.parts.look_fors import look_fors_of
from bornek.core.parts.orders import known_substitutes
from bornek.core.parts.teeth import draw_ring, hunting_words, pattern_words
from bornek.core.parts.verdicts import GOES_BACK, Basis, check_choice, judge
from bornek.core.units.definition import Part
from bornek.core.units.part_kinds import PART_KINDS

KEYS = [g.key for g in GRADES]
JUDGED = KEYS[:-1]
STRICT = {"reuse": 0, "dress": 1, "send_out": 2, "replace": 2, "hold": 2, "": 3}
parts = st.builds(
    lambda kind, teeth, safety, scarce, single: Part(
        key="p", label="Part", part_kind=kind, teeth=teeth, safety=safety, scarce=scarce, single_use=single
    ),
    st.sampled_from(sorted(PART_KINDS)),
    st.sampled_from([0, 30]),
    st.booleans(),
    st.booleans(),
    st.booleans(),
)


def basis(part: Part, grades: list[str]) -> Basis:
    keys = [x.key for x in look_fors_of(part)]
    given_ = {key: grades[i % len(grades)] for i, key in enumerate(keys)}
    return Basis(given_, keys)


some_grades = st.lists(st.sampled_from(JUDGED), min_size=1, max_size=8)


@given(parts, some_grades)
def test_the_strict_school_never_sends_back_what_the_other_would_not(part: Part, grades: list[str]) -> None:
    b = basis(part, grades)
    if judge(part, b, "A").verdict in GOES_BACK:
        assert judge(part, b, "B").verdict in GOES_BACK


@given(parts, some_grades, st.data())
def test_a_worse_grade_never_makes_a_better_verdict(
    part: Part, grades: list[str], data: st.DataObject
) -> None:
    b = basis(part, grades)
    key = data.draw(st.sampled_from(list(b.asked)))
    worse = data.draw(st.sampled_from(JUDGED[JUDGED.index(b.grades[key]) :]))
    below = Basis(b.grades | {key: worse}, b.asked)
    for school in ("A", "B"):
        before, after = (STRICT[judge(part, x, school).verdict] for x in (b, below))  # type: ignore[arg-type]
        assert after >= before


@given(parts, some_grades)
def test_every_verdict_has_its_reason_in_words(part: Part, grades: list[str]) -> None:
    for school in ("A", "B"):
        found = judge(part, basis(part, grades), school)  # type: ignore[arg-type]
        assert found.words.endswith(".")
        assert found.label


@given(parts, some_grades)
def test_going_by_the_school_with_a_reason_is_always_allowed(part: Part, grades: list[str]) -> None:
    b = basis(part, grades)
    for school in ("A", "B"):
        verdict = judge(part, b, school).verdict  # type: ignore[arg-type]
        check_choice(part, b, school, verdict, "by the book")  # type: ignore[arg-type]


@given(parts, st.lists(st.sampled_from(KEYS), min_size=1, max_size=8))
def test_one_look_left_open_is_no_verdict_unless_another_condemns_it(part: Part, grades: list[str]) -> None:
    assume(not part.single_use)
    b = basis(part, grades)
    open_one = dict(b.grades)
    open_one.pop(b.asked[-1])
    found = judge(part, Basis(open_one, b.asked), "B")
    if worst_grade(open_one.values()) in ("worn_beyond", "unsafe"):
        assert found.verdict in ("replace", "send_out", "reuse", "hold")
    else:
        assert found.verdict == ""


@pytest.mark.parametrize("kind", sorted(PART_KINDS))
def test_every_kind_of_part_is_asked_something_and_not_too_much(kind: str) -> None:
    asked = look_fors_of(Part("p", "Part", kind, teeth=30))
    assert 1 <= len(asked) <= 8


evidence = st.dictionaries(
    st.sampled_from([e.key for e in all_evidence()]), st.sampled_from(["seen", "absent"]), max_size=8
)


@given(evidence)
def test_the_leading_causes_are_those_close_to_the_first_that_share_a_sign(looked: dict[str, Seen]) -> None:
    found = diagnose(looked)
    if found.leading:
        first = found.ranked[0]
        assert first.score >= TELLS
        close = {
            r.key for r in found.ranked if r.score >= first.score - CLOSE and set(r.fors) & set(first.fors)
        }
        assert close == set(found.leading)


@given(evidence)
def test_a_second_fault_explains_what_the_first_leaves_open(looked: dict[str, Seen]) -> None:
    found = diagnose(looked)
    explained = {sign for key in found.leading for sign in find_cause(key).speaks}
    assert not set(found.besides) & set(found.leading)
    for key in found.besides:
        own = {sign for sign, seen in looked.items() if seen == "seen" and sign in find_cause(key).speaks}
        assert own - explained
        explained |= set(find_cause(key).speaks)


@given(evidence, st.sampled_from([c.key for c in all_causes()]), st.data())
def test_what_was_looked_for_in_vain_never_lifts_a_cause(
    looked: dict[str, Seen], key: str, data: st.DataObject
) -> None:
    cause = find_cause(key)
    sign = data.draw(st.sampled_from(sorted(k for k, w in cause.speaks.items() if w >= TELLS)))
    assume(sign not in looked)
    before = {r.key: r for r in diagnose(looked).ranked}
    after = {r.key: r for r in diagnose(looked | {sign: "absent"}).ranked}
    if key in before:
        assert after[key].score < before[key].score
        assert any("looked for, not there" in words for words in after[key].against)


@given(evidence)
def test_the_order_in_which_it_was_looked_at_does_not_matter(looked: dict[str, Seen]) -> None:
    turned = dict(reversed(looked.items()))
    assert set(diagnose(looked).leading) == set(diagnose(turned).leading)


@given(evidence, st.sampled_from([c.key for c in all_causes()]), st.data())
def test_seeing_what_speaks_for_a_cause_never_lowers_it(
    looked: dict[str, Seen], key: str, data: st.DataObject
) -> None:
    cause = next(c for c in all_causes() if c.key == key)
    more = data.draw(st.sampled_from(sorted(cause.speaks)))
    assume(looked.get(more) != "seen")
    scores = [
        next((r.score for r in diagnose(x).ranked if r.key == key), -math.inf)
        for x in (looked, {**looked, more: "seen"})
    ]
    assert scores[1] >= scores[0]


@pytest.mark.parametrize("cause", all_causes(), ids=[c.key for c in all_causes()])
def test_all_that_tells_a_cause_names_it_alone(cause: object) -> None:
    telling: dict[str, Seen] = {k: "seen" for k, w in cause.speaks.items() if w == TELLS}  # type: ignore[attr-defined]
    assert diagnose(telling).leading[0] == cause.key  # type: ignore[attr-defined]


@given(evidence)
def test_what_is_asked_next_was_not_looked_at_yet(looked: dict[str, Seen]) -> None:
    labels = {e.label: e.key for e in all_evidence()}
    for words in diagnose(looked).tell_apart:
        assert labels[words.rsplit(": would speak", 1)[0]] not in looked


@given(st.integers(12, 90), st.sets(st.integers(1, 90), min_size=1, max_size=9), st.integers(0, 89))
def test_where_tooth_one_lies_does_not_change_the_pattern(total: int, marked: set[int], turn: int) -> None:
    teeth = {m for m in marked if m <= total}
    assume(teeth)
    turned = {(m - 1 + turn) % total + 1 for m in teeth}
    assert pattern_words(total, turned) == pattern_words(total, teeth)


@given(st.integers(5, 150), st.integers(5, 150))
def test_hunting_says_the_same_of_both_gears(z1: int, z2: int) -> None:
    assert ("hunt" in hunting_words(z1, z2)) == ("hunt" in hunting_words(z2, z1))


@given(st.integers(6, 200))
def test_every_tooth_has_its_own_place_on_the_ring(total: int) -> None:
    ring = draw_ring("gear", total, [])
    assert len({t.at for t in ring.teeth}) == total
    assert ring.words == ""


numbers = st.sampled_from(["A", "B", "C", "D", "E", "F"])


@given(st.lists(st.tuples(numbers, numbers), max_size=8), numbers, numbers)
def test_what_stands_for_it_stands_both_ways(pairs: list[tuple[str, str]], one: str, other: str) -> None:
    assume(one != other)
    assert (other in known_substitutes(one, pairs)) == (one in known_substitutes(other, pairs))
    assert one not in known_substitutes(one, pairs)
