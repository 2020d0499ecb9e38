"""The documented schema of a unit type's file: what the yard gives out fits it, what is wrong does not."""

import json
from copy import deepcopy
from pathlib import Path
from typing import Any

import jsonschema_rs
import pytest
from flask.testing import FlaskClient

from bornek.demo.yard import TYPES
from bornek.web.shop.unit_type_schema import unit_type_schema

FILE = Path(__file__).parents[2] / "docs/unit-type.schema.json"
KEYS = [key for key, _, _ in TYPES]


@pytest.fixture
def schema() -> Any:
    return jsonschema_rs.validator_for(unit_type_schema())


@pytest.fixture
def winch(client: FlaskClient) -> dict[str, Any]:
    return given_out(client, "ramp-winch")


def given_out(client: FlaskClient, key: str) -> dict[str, Any]:
    return client.get(f"/api/unit-types/{key}/unit-type.json").get_json()


@pytest.mark.parametrize("key", KEYS)
def test_what_is_given_out_fits_the_schema(client: FlaskClient, schema: Any, key: str) -> None:
    errors = [str(e.message) for e in schema.iter_errors(given_out(client, key))]
    assert errors == []


def test_the_document_is_the_codes_own() -> None:
    assert json.loads(FILE.read_text(encoding="utf-8")) == unit_type_schema()


@pytest.mark.parametrize(
    ("path", "value"),
    [
        (("definition", "parts", 0, "kind"), "sprocketoid"),
        (("definition", "parts", 0, "count"), "two"),
        (("definition", "shafts", 0, "line"), "slanted"),
        (("edition",), 7),
        (("format",), "other"),
        (("definition", "places", 0, "colour"), "red"),
    ],
)
def test_what_is_wrong_fits_neither_schema_nor_yard(
    client: FlaskClient, schema: Any, winch: dict[str, Any], path: tuple[Any, ...], value: Any
) -> None:
    sent = deepcopy(winch)
    at: Any = sent
    for step in path[:-1]:
        at = at[step]
    at[path[-1]] = value
    assert not schema.is_valid(sent)
    answer = client.post("/api/unit-types/imports", json=sent, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 422


def test_it_comes_in_again_as_the_same_type(client: FlaskClient, winch: dict[str, Any]) -> None:
    answer = client.post("/api/unit-types/imports", json=winch, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 201
    assert answer.get_json()["number"] == 1
