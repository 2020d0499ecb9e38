"""Rows taken out, renamed and mirrored: nothing names what is not there, and nothing else changes."""

from copy import deepcopy
from dataclasses import fields
from typing import Any, get_args, get_origin, get_type_hints

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import NotFound
from bornek.core.keys import is_key
from bornek.core.patterns.pattern import begin, patterns
from bornek.core.section.laid import lay_out
from bornek.core.units.checks import LEAVES, definition_problems
from bornek.core.units.definition import Definition, read_definition
from bornek.core.units.guess_kind import guess_kind
from bornek.core.units.mirror import mirror_shaft
from bornek.core.units.part_kinds import FAMILIES, PART_KINDS
from bornek.core.units.references import REFERENCES, rename, rows_of, take_out
from bornek.core.units.settle_keys import key_from, settle_keys
from bornek.demo.yard import TYPES

UNITS: dict[str, dict[str, Any]] = {key: d for key, _, d in TYPES} | {
    p.key: begin(p.key, {}) for p in patterns()
}
ROWS = [(unit, leaf, row["key"]) for unit, d in UNITS.items() for leaf in LEAVES for row in rows_of(d, leaf)]


def dangling(d: dict[str, Any]) -> dict[str, str]:
    """What names no row that there is."""
    wrong = definition_problems(read_definition(d))
    return {k: v for k, v in wrong.items() if "names no" in v}


@given(where=st.sampled_from(ROWS))
def test_whatever_is_taken_out_nothing_names_it_any_more(where: tuple[str, str, str]) -> None:
    unit, leaf, key = where
    before = deepcopy(UNITS[unit])
    made = take_out(UNITS[unit], leaf, [key])
    assert UNITS[unit] == before
    assert key not in [r["key"] for r in rows_of(made, leaf)]
    assert dangling(made) == {}
    assert lay_out(read_definition(made)) is not None or not made["shafts"]


@pytest.mark.parametrize("unit", UNITS)
def test_renamed_throughout_it_is_the_same_unit(unit: str) -> None:
    d = UNITS[unit]
    names = {
        leaf: {r["key"]: f"x{n}-{i}" for i, r in enumerate(rows_of(d, leaf))} for n, leaf in enumerate(LEAVES)
    }
    made = rename(d, names)
    kept = {k: v for k, v in definition_problems(read_definition(d)).items() if "still wants" not in v}
    assert {
        k: v for k, v in definition_problems(read_definition(made)).items() if "still wants" not in v
    } == kept
    back = {leaf: {new: old for old, new in n.items()} for leaf, n in names.items()}
    assert read_definition(rename(made, back)) == read_definition(d)


def test_every_field_that_can_name_a_row_is_known() -> None:
    """A text or a list of texts of a row either names a row, and is known to, or is words, a number or a choice."""
    known = {(r.leaf, r.field) for r in REFERENCES}
    words = {
        "key", "label", "number", "faces", "part_kind", "shim_form", "kind", "gauge", "in_service", "service_source",
        "side", "way_round", "wrong_way", "hold", "torque", "stages", "consumables", "hole", "lift", "support", "tools",
        "ways_in", "where", "what", "amount", "level", "words", "limit", "source",
    }  # fmt: skip
    for leaf in LEAVES:
        row = get_args(get_type_hints(Definition)[leaf])[0]
        for f in fields(row):
            hint = get_type_hints(row)[f.name]
            is_text = hint is str or (get_origin(hint) is tuple and get_args(hint)[0] is str)
            assert not is_text or (leaf, f.name) in known or f.name in words, (leaf, f.name)


def test_a_side_is_mirrored_with_its_places_settings_and_meshes() -> None:
    d = begin("two-sided-final-drive", {"brake": "no"})
    half = take_out(take_out(d, "shafts", ["right-axle"]), "parts", ["right-pinion"])
    half["parts"] = [
        {"key": "right-pinion", "label": "Right pinion", "kind": "gear", "shaft": "cross", "teeth": 15},
        *half["parts"],
    ]
    made = mirror_shaft(half, "left-axle")
    twin = made["shafts"][-1]
    assert (twin["key"], twin["label"], twin["after"]) == ("right-axle", "Right axle", "left-axle")
    left = [p["kind"] for p in made["parts"] if p.get("shaft") == "left-axle"]
    right = [p["kind"] for p in made["parts"] if p.get("shaft") == "right-axle"]
    assert right == left[::-1]
    mesh = made["meshes"][-1]
    assert (mesh["driver"], mesh["driven"], mesh["label"]) == ("right-pinion", "right-gear", "Right mesh")
    assert made["places"][-1]["at"] == "right-cover"
    assert (made["settings"][-1]["label"], made["settings"][-1]["place"]) == (
        "Right axle end play",
        "right-cover",
    )
    assert dangling(made) == {}


@given(where=st.sampled_from([(u, s["key"]) for u, d in UNITS.items() for s in d["shafts"]]))
def test_any_shaft_can_be_mirrored(where: tuple[str, str]) -> None:
    unit, key = where
    made = mirror_shaft(UNITS[unit], key)
    assert dangling(made) == {}
    assert len(made["shafts"]) == len(UNITS[unit]["shafts"]) + 1
    assert lay_out(read_definition(made)) is not None


def test_a_shaft_that_is_gone_is_not_mirrored() -> None:
    with pytest.raises(NotFound, match="not there any more"):
        mirror_shaft(UNITS["capstan"], "gone")


@given(names=st.lists(st.text(max_size=60), max_size=12))
def test_keys_made_from_names_are_keys_and_no_two_alike(names: list[str]) -> None:
    rows = [{"key": f"new-{i}", "label": n} for i, n in enumerate(names)]
    made = [r["key"] for r in settle_keys({"parts": rows})["parts"]]
    assert all(map(is_key, made)) and len(set(made)) == len(made)


def test_a_key_that_was_stored_stays_whatever_it_is_called_now() -> None:
    d = {"parts": [{"key": "old", "label": "New name"}, {"key": "new-3", "label": "New name"}]}
    assert [p["key"] for p in settle_keys(d)["parts"]] == ["old", "new-name"]


def test_positions_of_a_lever_get_their_keys_too() -> None:
    lever = {
        "key": "new-1",
        "label": "Low",
        "positions": [{"key": "new-2", "label": "First"}, {"key": "n", "label": "n"}],
    }
    made = settle_keys({"levers": [lever]})["levers"][0]
    assert (made["key"], [p["key"] for p in made["positions"]]) == ("low", ["first", "n"])


def test_a_long_name_gives_a_key_that_fits() -> None:
    first = key_from("a" * 200, ())
    assert is_key(first) and is_key(key_from("a" * 200, [first]))


@pytest.mark.parametrize("kind", PART_KINDS)
def test_the_label_of_a_kind_is_guessed_as_that_kind(kind: str) -> None:
    assert guess_kind(PART_KINDS[kind].label).kind == kind


@pytest.mark.parametrize(
    ("words", "kind"),
    [
        ("BEARING, TAPERED ROLLER 30209", "taper_bearing"),
        ("taperd roller bering", "taper_bearing"),
        ("Internal ring gear z72", "ring_gear"),
        ("Ring gear 43 teeth", "bevel_gear"),
        ("Oil seal 45x62x8", "seal"),
        ("Hub nut", "nut"),
        ("Spindle nut", "nut"),
        ("Cap screw M12", "fastener"),
        ("Clutch plate", "discs"),
        ("Zorblax", "other"),
    ],
)
def test_kinds_are_guessed_from_the_words_of_a_list(words: str, kind: str) -> None:
    assert guess_kind(words).kind == kind


def test_every_kind_stands_once_among_those_to_choose() -> None:
    listed = [k for _, kinds in FAMILIES for k in kinds]
    assert sorted(listed) == sorted(PART_KINDS)
