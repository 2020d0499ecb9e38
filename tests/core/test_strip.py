"""Baselines and what ends them, removals and what they doom, the ledger, the draft of the build."""

from typing import Any

import pytest

from bornek.core.build.first_draft import first_draft
from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.accounted import Accounted
from bornek.core.facts.kind import Fact
from bornek.core.facts.let_go import LetGo
from bornek.core.facts.loose import Loose
from bornek.core.facts.pack import PackFound, plates_nm
from bornek.core.facts.registry import fact_kinds, find_fact_kind, read_fact
from bornek.core.facts.removed import Removed
from bornek.core.phrases import text_of
from bornek.core.strip.baselines import baselines, lost_by
from bornek.core.strip.ledger import ledger, open_items
from bornek.core.strip.next_step import say_strip
from bornek.core.strip.part_counts import part_counts
from bornek.core.strip.ways import WAYS, doomed, find_way
from bornek.core.units.definition import Definition, Part, read_definition
from bornek.demo.strip import patch
from bornek.demo.yard import TYPES

WINCH = read_definition(next(d for key, _, d in TYPES if key == "ramp-winch"))


def off(part: str, way: str = "hand", **more: Any) -> Fact:
    return Fact(f"off-{part}", "removed", part, Removed(part, way, **more))


def keys(found: list[Any]) -> set[str]:
    return {b.key for b in found}


def test_the_unit_type_says_what_is_to_be_found() -> None:
    found = keys(baselines(WINCH))
    assert {
        "reading:output-end-play",
        "pack:output-cover",
        "witness:bevel-set",
        "match_marks:helical-pair",
        "checking_distance:bevel-set",
        "way_round:output-seal",
    } <= found
    assert "witness:helical-pair" not in found
    assert "pack:drum-seat" not in found


def test_a_cover_off_ends_the_reading_but_its_pack_can_still_be_counted() -> None:
    lost = keys(lost_by(baselines(WINCH), "output-cover-part"))
    assert "reading:output-end-play" in lost
    assert "pack:output-cover" not in lost


def test_the_bearing_behind_ends_the_pack_too() -> None:
    assert "pack:output-cover" in keys(lost_by(baselines(WINCH), "output-top"))


def test_another_shaft_is_left_alone() -> None:
    assert lost_by(baselines(WINCH), "motor-coupling") == []


def test_match_marks_end_with_either_gear_and_the_pinions_own_mark_never_does() -> None:
    lost = keys(lost_by(baselines(WINCH), "bevel-gear"))
    assert "match_marks:bevel-set" in lost
    assert "checking_distance:bevel-set" not in lost


def test_a_fact_takes_its_baseline_and_what_is_let_go_says_who_and_why() -> None:
    facts = [
        Fact("1", "pack", "output-cover", PackFound("output-cover", ("0.5",), "top", "at 6")),
        Fact("2", "let_go", "", LetGo(("witness:bevel-set",), "teeth broken off"), "Marl"),
    ]
    state = {b.key: b for b in baselines(WINCH, facts, read={"output-end-play"})}
    assert state["pack:output-cover"].state == "taken"
    assert state["reading:output-end-play"].state == "taken"
    assert state["witness:bevel-set"].words == "let go by Marl: teeth broken off"
    assert state["pack:input-cover"].state == "open"


@pytest.mark.parametrize(
    ("kind", "way", "dead"),
    [
        ("taper_bearing", "puller", False),
        ("taper_bearing", "cage_pull", True),
        ("taper_bearing", "weld_shrink", True),
        ("gear", "cage_pull", False),
        ("gear", "flame", True),
        ("bush", "grease_press", True),
        ("bush", "press", False),
        ("nut", "cut", True),
        ("seal", "draw", True),
        ("cover", "draw", False),
    ],
)
def test_some_ways_of_removal_end_a_parts_life(kind: str, way: str, dead: bool) -> None:
    assert bool(doomed(Part("p", "Part", kind), find_way(way))) is dead


def test_every_way_that_dooms_says_why() -> None:
    assert all(w.why for w in WAYS if w.dooms)


def test_an_unknown_way_is_refused_with_those_there_are() -> None:
    with pytest.raises(InputError, match="puller"):
        find_way("dynamite")


def test_parts_are_counted_against_the_list() -> None:
    d = Definition(parts=(Part("w", "Washers", "fastener", count=4),))
    words = [part_counts(d, [off("w", count=n)])[0].words for n in (3, 4, 5)]
    assert "one still to find" in words[0]
    assert words[1] == "all off"
    assert "more than the list has" in words[2]


def test_a_doomed_or_single_use_part_is_not_for_re_use() -> None:
    d = Definition(parts=(Part("b", "Bearing", "ball_bearing"), Part("s", "Seal", "seal", single_use=True)))
    bearing, seal = part_counts(d, [off("b", "weld_shrink"), off("s")])
    assert (bearing.reuse, seal.reuse) == (False, False)
    assert "weld bead" in bearing.why
    assert "single use" in seal.why


def test_a_loose_item_stays_open_until_it_is_accounted_for() -> None:
    facts = [Fact("a", "loose", "", Loose("pin", "sump")), Fact("b", "loose", "", Loose("ball", "case"))]
    assert len(open_items(facts)) == 2
    done = [*facts, Fact("c", "accounted", "a", Accounted("a", "found with a magnet"), "Jun")]
    assert [i.what for i in open_items(done)] == ["ball"]
    assert ledger(done)[0].words == "found with a magnet (Jun)"


def test_the_first_draft_is_the_removal_order_turned_round() -> None:
    facts = [
        off("output-cover-part", side="top", bag="3"),
        off("output-top", "cage_pull"),
        off("helical-gear"),
    ]
    steps = first_draft(WINCH, facts)
    assert [s.part for s in steps] == ["helical-gear", "output-top", "output-cover-part"]
    assert [s.new for s in steps] == [False, True, False]
    assert "side top" in steps[2].words


def test_in_the_field_lock_out_comes_before_everything() -> None:
    found, parts = baselines(WINCH), part_counts(WINCH, [])
    assert "Lock out" in text_of(say_strip("field", found, parts, []))
    assert "Before anything moves" in text_of(say_strip("bench", found, parts, []))


def test_the_sentence_follows_the_strip_to_its_end() -> None:
    d = Definition(parts=(Part("w", "Washers", "fastener", count=2), Part("c", "Case", "housing")))
    said = [
        text_of(say_strip("bench", [], part_counts(d, facts), facts))
        for facts in (
            [],
            [off("w", count=1)],
            [off("w", count=2)],
            [off("w", count=2), Fact("l", "loose", "", Loose("pin", "the sump"))],
        )
    ]
    assert "Log each part" in said[0]
    assert "1 of 2" in said[1]
    assert "Everything is off" in said[2]
    assert said[3] == "Find the pin dropped at the sump."


@pytest.mark.parametrize(
    ("kind", "body", "field"),
    [
        ("gossip", {}, "kind"),
        ("pack", {"place": "moon", "plates": ["0.5"], "side": "l", "slots": "6"}, "place"),
        ("pack", {"place": "output-cover", "plates": ["thick"], "side": "l", "slots": "6"}, None),
        ("pack", {"place": "output-cover", "plates": ["0.5"], "side": "", "slots": "6"}, "side"),
        ("witness", {"mesh": "bevel-set", "drive": [[1.0]], "coast": []}, "drive"),
        (
            "checking_distance",
            {"mesh": "bevel-set", "typed": "x", "unit": "mm", "convention": "distance"},
            None,
        ),
        (
            "checking_distance",
            {"mesh": "bevel-set", "typed": "5", "unit": "mm", "convention": "guess"},
            "convention",
        ),
        ("removed", {"part": "moon", "way": "hand"}, "part"),
        ("loose", {"what": "", "where": "sump"}, "what"),
        ("locked_out", {"points": "breaker", "key_holder": ""}, "key_holder"),
    ],
)
def test_a_fact_that_does_not_hold_is_refused_by_name(
    kind: str, body: dict[str, Any], field: str | None
) -> None:
    with pytest.raises(InputError) as refused:
        find_fact_kind(kind).check(read_fact(kind, body, WINCH)[1], About(WINCH))
    if field:
        assert refused.value.field == field


def test_a_witness_is_kept_as_painted() -> None:
    mask = patch(0.5, 0.5, 0.3, 0.3)
    subject, body = read_fact(
        "witness", {"mesh": "bevel-set", "drive": mask, "coast": [], "ran": "well"}, WINCH
    )
    assert subject == "bevel-set"
    assert body.drive == tuple(tuple(row) for row in mask)


def test_a_bare_plate_is_in_the_jobs_unit() -> None:
    assert plates_nm(PackFound("p", ("8", "0.1 mm"), "l", "6"), "thou") == (203_200, 100_000)


def test_every_fact_has_a_record_of_its_own() -> None:
    kinds = fact_kinds()
    assert len({k.body for k in kinds}) == len(kinds)
