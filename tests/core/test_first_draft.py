"""The removal order turned round."""

from hypothesis import given
from hypothesis import strategies as st

from bornek.core.build.first_draft import first_draft
from bornek.core.facts.kind import Fact
from bornek.core.facts.loose import Loose
from bornek.core.facts.removed import Removed
from bornek.core.units.definition import Definition, Part

PARTS = tuple(Part(f"p{i}", f"Part {i}", "spacer", faces="step out" if i == 0 else "") for i in range(6))
D = Definition(parts=(*PARTS, Part("w", "Washer", "lock_washer", single_use=True), Part("s", "Seal", "seal")))


def off(part: str, way: str = "hand", **more: object) -> Fact:
    return Fact(f"off-{part}-{way}", "removed", part, Removed(part, way, **more))  # type: ignore[arg-type]


@given(st.permutations([p.key for p in PARTS]))
def test_last_off_is_first_on_whatever_the_order(order: list[str]) -> None:
    steps = first_draft(D, [off(key) for key in order])
    assert [s.part for s in steps] == order[::-1]
    assert [s.number for s in steps] == list(range(1, len(order) + 1))


def test_side_way_round_mates_tag_and_bag_go_along() -> None:
    step = first_draft(
        D, [off("p1", side="left", orientation="chamfer in", mates=("p2", "p3"), tag="7", bag="2")]
    )[0]
    assert step.words == "side left · way round: chamfer in · with Part 2, Part 3 · tag 7 · bag 2"


def test_the_types_own_way_round_stands_where_none_was_logged() -> None:
    assert first_draft(D, [off("p0")])[0].words == "way round: step out"


def test_single_use_and_doomed_parts_are_to_be_new() -> None:
    steps = first_draft(D, [off("w"), off("s", "draw"), off("p1", "puller")])
    assert {s.part: s.new for s in steps} == {"w": True, "s": True, "p1": False}


def test_more_than_one_at_a_time_says_how_many() -> None:
    assert first_draft(D, [off("p1", count=4)])[0].label == "4 × Part 1"


def test_other_facts_and_an_empty_log_make_no_step() -> None:
    assert first_draft(D, []) == []
    assert first_draft(D, [Fact("l", "loose", "", Loose("nut", "sump"))]) == []
