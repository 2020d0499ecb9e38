"""What the demo yard's views answer, without their drawings."""

from __future__ import annotations

import tempfile
from functools import cache
from pathlib import Path
from typing import Any

from flask.testing import FlaskClient

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.store.database import Database
from helpers import NOW
from written_cases import rounded

VIEWS = {
    "board": "/api/board",
    "job": "/api/jobs/w17",
    "strip": "/api/jobs/k08/strip",
    "inspection": "/api/jobs/k08/inspection",
    "record": "/api/jobs/w11/record",
    "record-inspected": "/api/jobs/k08/record",
    "setting-open": "/api/settings/w17.output-end-play",
    "setting-signed": "/api/settings/w11.input-preload",
    "setting-given": "/api/settings/c09.head-end-play",
    "setting-fit": "/api/settings/k08.second-gear-on-its-bush",
    "search": "/api/search?q=bearing",
    "orders": "/api/orders",
    "cross-numbers": "/api/cross-numbers",
    "drawer": "/api/drawer",
}
DRAWN = {"section", "scenes", "definition", "evidence"}
PARTS = ("input-gear", "input-bearing", "second", "main-bearing")
"""Of the parts of an inspection that nobody has looked at, these few."""


def shown_by(client: FlaskClient, name: str) -> dict[str, Any]:
    answer = client.get(VIEWS[name])
    assert answer.status_code == 200, answer.get_json()
    body = answer.get_json()
    if name == "inspection":
        body["parts"] = [p for p in body["parts"] if p["key"] in PARTS or p["by"]]
    return {"answer": rounded(_plain(body))}


def _plain(value: Any) -> Any:
    if isinstance(value, dict):
        return {k: _plain(v) for k, v in value.items() if k not in DRAWN}
    return [_plain(v) for v in value] if isinstance(value, list) else value


@cache
def _own_yard() -> FlaskClient:
    database = Database(Path(tempfile.mkdtemp()) / "yard.sqlite")
    database.migrate()
    with database.writing() as session:
        seed(session)
    return create_app(database, lambda: NOW, trusts=True).test_client()


def shown(name: str) -> dict[str, Any]:
    return shown_by(_own_yard(), name)
