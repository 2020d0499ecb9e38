"""Fixtures: a migrated database per test from one template, and the application over it."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from hypothesis import settings

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.store.database import Database

settings.register_profile("steady", derandomize=True, deadline=None, max_examples=60)
settings.load_profile("steady")

NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)


@pytest.fixture(scope="session")
def empty_template(tmp_path_factory: pytest.TempPathFactory) -> Path:
    path = tmp_path_factory.mktemp("template") / "empty.sqlite"
    database = Database(path)
    database.migrate()
    with database.engine.connect() as connection:
        connection.exec_driver_sql("PRAGMA journal_mode=DELETE")
    database.close()
    return path


@pytest.fixture(scope="session")
def yard_template(empty_template: Path) -> Path:
    path = empty_template.with_name("yard.sqlite")
    shutil.copy(empty_template, path)
    database = Database(path)
    with database.writing() as session:
        seed(session)
    with database.engine.connect() as connection:
        connection.exec_driver_sql("PRAGMA wal_checkpoint(TRUNCATE)")
    database.close()
    return path


def _copy(template: Path, tmp_path: Path) -> Iterator[Database]:
    path = tmp_path / "bornek.sqlite"
    shutil.copy(template, path)
    database = Database(path)
    yield database
    database.close()


@pytest.fixture
def empty(empty_template: Path, tmp_path: Path) -> Iterator[Database]:
    yield from _copy(empty_template, tmp_path)


@pytest.fixture
def yard(yard_template: Path, tmp_path: Path) -> Iterator[Database]:
    yield from _copy(yard_template, tmp_path)


@pytest.fixture
def client(yard: Database) -> FlaskClient:
    return create_app(yard, lambda: NOW).test_client()


class Bench:
    """One setting worked through the API by one mechanic."""

    def __init__(self, client: FlaskClient, setting: str, actor: str = "marl") -> None:
        self.client, self.setting, self.actor = client, setting, actor
        self.n = 0

    @property
    def url(self) -> str:
        return f"/api/settings/{self.setting}"

    def view(self) -> dict[str, Any]:
        return self.client.get(self.url).get_json()

    def post(self, what: str, body: dict[str, Any], key: str | None = None) -> Any:
        self.n += 1
        body = {"id": f"{self.actor}-{self.n}", **body}
        headers = {"X-Mechanic": self.actor} | ({"Idempotency-Key": key} if key else {})
        return self.client.post(f"{self.url}/{what}", json=body, headers=headers)

    def written(self, what: str, body: dict[str, Any]) -> dict[str, Any]:
        answer = self.post(what, body)
        assert answer.status_code == 201, answer.get_json()
        return answer.get_json()

    def read(self, slot: str, text: str) -> dict[str, Any]:
        return self.written("entries", {"slot": slot, "text": text})

    def read_all(self, up: tuple[str, ...], down: tuple[str, ...]) -> dict[str, Any]:
        for position, texts in (("mark_up", up), ("mark_down", down)):
            for rep, text in enumerate(texts, 1):
                self.read(f"travel.{position}.{rep}", text)
        return self.view()

    def act(self, kind: str, *plates: float) -> dict[str, Any]:
        states = {} if kind == "reseat" else {"pack": list(plates)}
        return self.written("acts", {"kind": kind, "states": states, "seen": self.view()["version"]})


@pytest.fixture
def pump(client: FlaskClient) -> Bench:
    """An untouched setting: play wanted 0.10 to 0.18 mm."""
    return Bench(client, "p22.thrust-end-play")


def said(view: dict[str, Any]) -> str:
    return "".join(span["text"] for span in view["sheet"]["say"])
