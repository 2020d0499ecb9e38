"""The API's answers are what its document says: field by field, from the dataclasses."""

import json
from dataclasses import dataclass
from pathlib import Path
from typing import Any, Literal

import pytest
from flask.testing import FlaskClient

from bornek.core.windows import AtMost, Normal
from bornek.web.schema_of import Schemas
from helpers import Bench

SPEC = json.loads((Path(__file__).parents[2] / "docs/openapi.json").read_text(encoding="utf-8"))


@dataclass
class Inner:
    name: str
    size: float | None


@dataclass
class Outer:
    many: tuple[Inner, ...]
    pick: Literal["a", "b"]
    table: dict[str, int]
    value: Normal | AtMost
    anything: Any


def test_dataclasses_become_components_with_all_fields_required() -> None:
    schemas = Schemas()
    assert schemas.of(Outer) == {"$ref": "#/components/schemas/Outer"}
    outer = schemas.components["Outer"]
    assert outer["required"] == sorted(["many", "pick", "table", "value", "anything"])
    assert outer["properties"]["many"] == {"type": "array", "items": {"$ref": "#/components/schemas/Inner"}}
    assert outer["properties"]["pick"]["enum"] == ["a", "b"]
    assert outer["properties"]["table"]["additionalProperties"] == {"type": "integer"}
    assert outer["properties"]["anything"] == {}


def test_unions_are_told_apart_by_their_tag() -> None:
    schemas = Schemas()
    schemas.of(Outer)
    assert schemas.components["Normal"]["properties"]["type"]["const"] == "normal"
    assert schemas.components["AtMost"]["properties"]["type"]["const"] == "at_most"
    assert schemas.components["Inner"]["properties"]["size"]["anyOf"][1] == {"type": "null"}


def test_the_served_document_is_the_committed_one(client: FlaskClient) -> None:
    assert client.get("/api/openapi.json").get_json() == SPEC


def test_every_write_documents_its_problems() -> None:
    posts = [op["post"] for path, op in SPEC["paths"].items() if "post" in op and "imports" not in path]
    assert len(posts) >= 8
    assert all({"404", "422"} <= set(op["responses"]) for op in posts)


def test_the_page_is_served_for_its_own_paths_and_no_others(client: FlaskClient) -> None:
    shell = client.get("/jobs/w17/set/w17.output-end-play")
    assert shell.status_code == 200
    assert b"<div id=" in shell.data
    assert client.get("/api/none").status_code == 404
    assert client.get("/../pyproject.toml").status_code in (200, 404)
    assert b"build-system" not in client.get("/../pyproject.toml").data
    assert b"build-system" not in client.get("/%2e%2e/%2e%2e/%2e%2e/pyproject.toml").data


@pytest.mark.parametrize("path", ["/", "/api/board"])
def test_answers_carry_their_guards(client: FlaskClient, path: str) -> None:
    headers = client.get(path).headers
    assert "default-src 'self'" in headers["Content-Security-Policy"]
    assert headers["X-Content-Type-Options"] == "nosniff"


def test_api_answers_are_never_cached(client: FlaskClient) -> None:
    assert client.get("/api/board").headers["Cache-Control"] == "no-store"


def test_health_tells_the_version(client: FlaskClient) -> None:
    assert client.get("/api/health").get_json()["ok"] is True


def test_an_idempotency_key_has_a_length(pump: Bench) -> None:
    body = {"slot": "travel.mark_up.1", "text": "0.3"}
    assert pump.post("entries", body, key="k" * 101).status_code == 422


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"id": "../x", "slot": "s", "text": "1"}, "id"),
        ({"id": "x", "slot": "", "text": "1"}, "slot"),
        ({"id": "x", "slot": "s", "text": "1" * 61}, "text"),
        ({"id": "x", "slot": "s", "round": 0}, "round"),
        ({"id": "x", "slot": "s", "seen": -1}, "seen"),
        ({"id": "x", "slot": "s", "extra": 1}, "extra"),
    ],
)
def test_what_is_sent_is_bounded_field_by_field(pump: Bench, body: dict[str, Any], field: str) -> None:
    answer = pump.client.post(f"{pump.url}/entries", json=body, headers={"X-Mechanic": "marl"})
    assert answer.status_code == 422
    assert answer.get_json()["field"] == field


@pytest.mark.parametrize(
    ("changed", "words"),
    [
        ({"slot": "nowhere"}, "no station 'nowhere'"),
        ({"round": 9}, "no round 9"),
        ({"gauge": "none"}, "No gauge"),
        ({"text": "3 kgf"}, "not a unit of length"),
        ({"supersedes": "none"}, "needs the version"),
        ({"void": True}, "Only a reading that is there"),
    ],
)
def test_a_reading_that_cannot_be_kept_says_why(pump: Bench, changed: dict[str, Any], words: str) -> None:
    answer = pump.post("entries", {"slot": "travel.mark_up.1", "text": "0.3"} | changed)
    assert answer.status_code in (404, 422)
    assert words in answer.get_json()["message"]


def test_a_correction_needs_the_version_and_stays_at_its_station(pump: Bench) -> None:
    view = pump.read("travel.mark_up.1", "0.30")
    old = view["sheet"]["cells"][0]["entries"][0]["id"]
    without = pump.post("entries", {"slot": "travel.mark_up.1", "text": "0.31", "supersedes": old})
    assert without.get_json()["field"] == "seen"
    moved = {"slot": "travel.mark_up.2", "text": "0.31", "supersedes": old, "seen": view["version"]}
    assert pump.post("entries", moved).get_json()["field"] == "slot"


def test_a_reading_is_corrected_once_the_second_tablet_is_told(pump: Bench) -> None:
    view = pump.read("travel.mark_up.1", "0.30")
    old = view["sheet"]["cells"][0]["entries"][0]["id"]
    body = {"slot": "travel.mark_up.1", "text": "0.31", "supersedes": old, "seen": view["version"]}
    assert pump.post("entries", body).status_code == 201
    assert pump.post("entries", body | {"text": "0.32"}).status_code in (404, 409)
