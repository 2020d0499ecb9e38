"""What every kind of setting must keep, tried on all that are registered with one honest given each."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.settings.given import given_schema, read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.knobs import Continuous, Packs
from bornek.core.settings.records import Context
from bornek.core.settings.registry import kinds
from bornek.core.sheet import make_sheet
from bornek.core.units.definition import read_definition
from bornek.core.units.known import given_of
from bornek.demo.yard import TYPES
from written_cases import CASES


def examples() -> dict[str, dict[str, Any]]:
    """The yard's own given of each kind, else that of its first written case."""
    found: dict[str, dict[str, Any]] = {}
    for _, _, definition in TYPES:
        d = read_definition(definition)
        for point in d.settings:
            kind = next(k for k in kinds() if k.id == point.kind)
            found.setdefault(kind.id, given_of(d, point, kind, point.limits[0] if point.limits else None))
    for case in CASES.values():
        found.setdefault(case.kind, dict(case.given))
    return found


GIVEN = examples()
each = pytest.mark.parametrize("kind", kinds(), ids=[k.id for k in kinds()])


def ctx(kind: Setting) -> Context:
    return Context(given=read_given(kind, GIVEN[kind.id]))


def test_no_kind_is_without_an_example() -> None:
    assert set(GIVEN) == {k.id for k in kinds()}


@each
def test_its_id_title_and_cautions_are_said(kind: Setting) -> None:
    assert kind.id == kind.id.lower().replace(" ", "_")
    assert kind.title[0].isupper()
    assert any("maker's manual" in c for c in kind.cautions)


@each
def test_its_fields_have_names_of_their_own_and_labels(kind: Setting) -> None:
    keys = [f.key for f in kind.form(GIVEN[kind.id])]
    assert len(keys) == len(set(keys))
    assert all(f.label and f.label[0].isalnum() for f in kind.form(GIVEN[kind.id]))
    assert {"source", "basis", "warmth"} <= set(keys)


@each
def test_its_schema_lists_every_field(kind: Setting) -> None:
    schema = given_schema(kind)
    assert {f.key for f in kind.form({})} <= set(schema["properties"])
    assert set(schema["required"]) <= set(schema["properties"])


@each
def test_its_stations_have_names_of_their_own(kind: Setting) -> None:
    slots = kind.slots(ctx(kind))
    keys = [s.key for s in slots]
    assert keys
    assert len(keys) == len(set(keys))
    assert all(s.label and s.group for s in slots)


@each
def test_nothing_read_is_not_read_and_cannot_be_signed(kind: Setting) -> None:
    sheet = make_sheet(kind, ctx(kind))
    assert sheet.verdict.code == "not_read"
    assert any("Still to read" in b for b in sheet.sign_blockers)
    assert sheet.next == sheet.cells[0].slot


@each
def test_its_response_fits_its_knobs(kind: Setting) -> None:
    knobs, response = kind.knobs(ctx(kind)), kind.response(ctx(kind))
    if response is None:
        return
    assert response.knobs == tuple(k.key for k in knobs)
    assert (
        len(response.k0) == len(response.rows) == len(response.rho) == len(response.s_a) == len(response.s_r)
    )
    assert all(len(row) == len(knobs) for row in response.k0)
    assert all(s > 0 for s in response.s_r)


@each
def test_an_adjuster_says_what_it_is_and_where_it_can_go(kind: Setting) -> None:
    for knob in kind.knobs(ctx(kind)):
        assert knob.label
        assert len(knob.places) == (2 if knob.domain.sort == "pair" else 1)
        if isinstance(knob.domain, Packs):
            assert knob.domain.most >= 1
        if isinstance(knob.domain, Continuous):
            assert knob.domain.lo < knob.domain.hi
            assert knob.domain.resolution > 0


@each
def test_it_disturbs_only_by_what_it_reads_or_writes(kind: Setting) -> None:
    assert all(isinstance(a, str) and a for a in kind.reads(ctx(kind)) | kind.writes(ctx(kind)))


@each
def test_its_tools_are_named_for_the_bench(kind: Setting) -> None:
    assert all(isinstance(t, str) and t for t in kind.tools(ctx(kind)))
    assert kind.tools(ctx(kind))
