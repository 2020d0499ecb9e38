"""Baselines and removals of every unit of the yard: laws that hold for all of them."""

from __future__ import annotations

import pytest

from bornek.core.facts.kind import Fact
from bornek.core.facts.let_go import LetGo
from bornek.core.facts.removed import Removed
from bornek.core.strip.baselines import baselines, lost_by
from bornek.core.strip.part_counts import part_counts
from bornek.core.strip.ways import WAYS, doomed
from bornek.core.units.definition import Definition, Part, read_definition
from bornek.core.units.part_kinds import PART_KINDS
from bornek.demo.yard import TYPES

UNITS = [(key, read_definition(d)) for key, _, d in TYPES]
each = pytest.mark.parametrize("d", [d for _, d in UNITS], ids=[key for key, _ in UNITS])


@each
def test_every_setting_is_to_be_read_as_found(d: Definition) -> None:
    keys = {b.subject for b in baselines(d) if b.fact_kind == "reading"}
    assert keys == {s.key for s in d.settings}


@each
def test_every_shimmed_place_has_its_pack_and_no_other(d: Definition) -> None:
    keys = {b.subject for b in baselines(d) if b.fact_kind == "pack"}
    assert keys == {p.key for p in d.places if p.shim_form not in ("", "none")}


@each
def test_every_part_that_faces_a_way_is_asked_about(d: Definition) -> None:
    assert {b.subject for b in baselines(d) if b.fact_kind == "way_round"} == {
        p.key for p in d.parts if p.faces
    }


@each
def test_readings_come_before_packs_and_nothing_is_asked_twice(d: Definition) -> None:
    found = baselines(d)
    assert len({b.key for b in found}) == len(found)
    kinds = [b.fact_kind for b in found]
    if "pack" in kinds and "reading" in kinds:
        assert max(i for i, k in enumerate(kinds) if k == "reading") < kinds.index("pack")


@each
def test_what_ends_a_baseline_is_a_part_of_the_unit(d: Definition) -> None:
    known = {p.key for p in d.parts}
    assert all(b.ended_by <= known for b in baselines(d))


@each
def test_letting_all_go_leaves_nothing_to_lose(d: Definition) -> None:
    found = baselines(d)
    gone = [Fact("g", "let_go", "", LetGo(tuple(b.key for b in found), "flood"), "Jun")]
    assert all(b.state == "let go" for b in baselines(d, gone))
    assert not any(lost_by(baselines(d, gone), p.key) for p in d.parts)


@each
def test_with_every_part_off_the_count_is_whole(d: Definition) -> None:
    off = [Fact(p.key, "removed", p.key, Removed(p.key, "hand", p.count)) for p in d.parts]
    found = part_counts(d, off)
    assert all(s.off == s.part.count for s in found)
    assert all(s.reuse != s.part.single_use for s in found)


@pytest.mark.parametrize("way", WAYS, ids=[w.key for w in WAYS])
def test_a_way_dooms_its_groups_and_no_other(way: object) -> None:
    for kind, about in PART_KINDS.items():
        dead = bool(doomed(Part("p", "Part", kind), way))  # type: ignore[arg-type]
        assert dead == ("*" in way.dooms or about.group in way.dooms)  # type: ignore[attr-defined]


def test_dangerous_ways_carry_their_caution() -> None:
    cautions = {w.key: w.caution for w in WAYS}
    assert all(cautions[key] for key in ("press", "heat", "flame", "weld_shrink", "cut", "draw"))
    assert "Earth clamp on the part itself" in cautions["weld_shrink"]
