"""Bounded fuzzing of the API from its own document: no 5xx, and answers as documented."""

import json
import os
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from flask import Flask
from flask.testing import FlaskClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

SPEC = json.loads((Path(__file__).parents[2] / "docs/openapi.json").read_text(encoding="utf-8"))
OPERATIONS = [
    (path, method)
    for path, verbs in SPEC["paths"].items()
    for method in verbs
    if method in ("get", "post") and not path.endswith("/imports")
]
EXAMPLES = int(os.environ.get("BORNEK_FUZZ", "2"))
"""Few an operation in the gate; `make fuzz` tries many."""
CHECKS = [not_a_server_error, status_code_conformance, content_type_conformance, response_schema_conformance]


@pytest.fixture(scope="session")
def documented(one_app: Flask) -> Any:
    """The API's own document, read once for all operations."""

    def at_home(environ: dict[str, Any], start_response: Any) -> Any:
        return one_app.wsgi_app({**environ, "REMOTE_ADDR": "127.0.0.1"}, start_response)

    return schemathesis.openapi.from_wsgi("/api/openapi.json", at_home)


@pytest.mark.parametrize(("path", "method"), OPERATIONS, ids=lambda x: str(x))
def test_no_answer_is_a_crash_and_each_is_documented(
    documented: Any, application: Flask, path: str, method: str
) -> None:
    operation = documented[path][method.upper()]

    @settings(
        max_examples=EXAMPLES,
        derandomize=True,
        deadline=None,
        database=None,
        suppress_health_check=list(HealthCheck),
    )
    @given(case=operation.as_strategy())
    def fuzz(case: schemathesis.Case) -> None:
        case.path_parameters = {k: _real(k, v) for k, v in (case.path_parameters or {}).items()}
        case.call_and_validate(checks=CHECKS, headers={"X-Mechanic": "oda"})

    fuzz()


@settings(max_examples=40, suppress_health_check=list(HealthCheck))
@given(data=st.binary(max_size=400) | st.builds(lambda tail: b"PK\x03\x04" + tail, st.binary(max_size=200)))
def test_no_file_taken_in_is_a_crash(client: FlaskClient, data: bytes) -> None:
    answer = client.post("/api/jobs/imports", data=data, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 422
    assert answer.get_json()["field"] == "file"


def _real(name: str, drawn: object) -> object:
    """Every other time an id that exists, or the fuzzing would see nothing but 404."""
    known = {
        "setting_id": "w17.output-end-play",
        "job_id": "w11",
        "kind_id": "two_row_bench",
        "type_id": "capstan",
    }
    return known.get(name, drawn) if len(str(drawn)) % 2 else drawn
