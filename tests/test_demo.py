"""The demo yard holds together: every reference is there, nothing is seeded twice, its scenes are shown."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from bornek.core.units.checks import check_definition, questions
from bornek.core.units.definition import Definition, read_definition
from bornek.core.units.part_kinds import PART_KINDS
from bornek.demo.yard import DRAWER, GAUGES, JOBS, MECHANICS, OLD_JOB, TYPES

UNITS = [(key, read_definition(d)) for key, _, d in TYPES]
each = pytest.mark.parametrize("d", [d for _, d in UNITS], ids=[key for key, _ in UNITS])
ALL_JOBS = [*JOBS, OLD_JOB]


@each
def test_every_type_holds_together_and_asks_nothing(d: Definition) -> None:
    check_definition(d)
    assert questions(d) == []


@each
def test_every_limit_names_its_source(d: Definition) -> None:
    for setting in d.settings:
        assert setting.limits or setting.given.get("source")
        assert all(limit.source.startswith("Yard ") for limit in setting.limits)


@each
def test_shims_of_its_places_lie_in_the_drawer(d: Definition) -> None:
    forms = {p.shim_form for p in d.places} - {"", "none"}
    assert forms <= set(DRAWER)


@each
def test_its_gauges_are_registered(d: Definition) -> None:
    assert {s.gauge for s in d.settings if s.gauge} <= {g["id"] for g in GAUGES}


@each
def test_parts_that_are_always_new_are_marked_so(d: Definition) -> None:
    for part in d.parts:
        if part.about.group == "seal" and part.part_kind == "seal":
            assert part.single_use, part.label


@each
def test_it_says_what_can_hurt(d: Definition) -> None:
    assert d.cautions
    assert any(p.safety for p in d.parts)


def test_ids_tags_and_serials_are_given_once() -> None:
    for pick in (lambda j: j["id"], lambda j: j["unit"]["tag"], lambda j: j["unit"]["serial"]):
        found = [pick(j) for j in ALL_JOBS]
        assert len(found) == len(set(found))


def test_every_job_begins_with_a_type_that_there_is() -> None:
    assert {j["revision"].split(".")[0] for j in ALL_JOBS} <= {key for key, _, _ in TYPES}


def test_the_six_units_with_a_section_of_their_own_are_there() -> None:
    assert {
        "ramp-winch",
        "chain-ferry",
        "lathe-spindle",
        "drain-pump",
        "dredger-gearbox",
        "rotary-table",
    } <= {key for key, _, _ in TYPES}


def test_most_kinds_of_part_occur_in_the_yard() -> None:
    used = {p.part_kind for _, d in UNITS for p in d.parts}
    assert used <= set(PART_KINDS)
    assert len(used) >= 0.7 * len(PART_KINDS)


@pytest.mark.parametrize("path", ["", "/strip", "/inspection", "/record"])
def test_every_job_opens_at_every_stage(client: FlaskClient, path: str) -> None:
    for job in ALL_JOBS:
        assert client.get(f"/api/jobs/{job['id']}{path}").status_code == 200, (job["id"], path)


def test_the_people_of_the_yard_have_done_something(client: FlaskClient) -> None:
    record: dict[str, Any] = client.get("/api/jobs/w11/record").get_json()
    by = {e["by"] for s in record["settings"] for e in s["entries"]}
    assert by <= {name for _, name in MECHANICS}
    assert by


def test_the_gearbox_is_in_the_middle_of_its_inspection(client: FlaskClient) -> None:
    shown = client.get("/api/jobs/k08/inspection").get_json()
    assert 0 < shown["judged"] < len(shown["parts"])
    assert shown["diagnosis"]["leading"] == ["loose_seat"]
    assert [h["cleared"] for h in shown["holds"]] == [""]
    assert {o["state"] for o in shown["orders"]} == {"ordered"}
    assert any(f["verdict"] == "out_high" for p in shown["parts"] for f in p["fits"])


def test_the_spindle_job_goes_by_the_other_school(client: FlaskClient) -> None:
    parts = client.get("/api/jobs/l03/inspection").get_json()["parts"]
    assert {p["in_force"]["school"] for p in parts} == {"B"}
