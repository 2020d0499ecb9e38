"""Fixtures: a migrated database per test from one template, and one application that works on it."""

from __future__ import annotations

import gc
import shutil
import tempfile
from collections.abc import Iterator
from fcntl import LOCK_EX, LOCK_SH, flock
from pathlib import Path
from threading import Thread
from typing import Any

import pytest
from flask import Flask
from flask.testing import FlaskClient
from hypothesis import settings

from apps import give_back
from bornek.app import create_app, wire_of
from bornek.demo.seed import seed
from bornek.services.shop.board import refresh_board
from bornek.store.database import Database
from helpers import NOW, Bench
from scheduling import ByGroup, turn_of

gc.set_threshold(50_000, 20, 50)
for profile, examples in (("gate", 20), ("wide", 60)):
    settings.register_profile(profile, derandomize=True, deadline=None, max_examples=examples)


def pytest_configure(config: pytest.Config) -> None:
    settings.load_profile("gate" if config.option.markexpr == "not wide" else "wide")


def pytest_collection_finish() -> None:
    """What a run consists of is no garbage: looking through it over and over took a twentieth of all time."""
    gc.freeze()


@pytest.hookimpl(optionalhook=True)
def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> ByGroup:
    return ByGroup(config, log)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    items.sort(key=lambda item: turn_of(item.nodeid))


class Templates:
    """Made once for all workers, while they start: who needs one waits until the lock on them is let go."""

    def __init__(self) -> None:
        self.folder = tempfile.TemporaryDirectory(prefix="bornek-templates-")
        self._lock = open(lock_of(Path(self.folder.name)), "w")  # noqa: SIM115 - held until they are made
        flock(self._lock, LOCK_EX)
        self._made = Thread(target=self._make)
        self._made.start()

    def _make(self) -> None:
        with self._lock:
            make_templates(Path(self.folder.name))

    def clear(self) -> None:
        self._made.join()
        self.folder.cleanup()


TEMPLATES = pytest.StashKey[Templates]()


def lock_of(folder: Path) -> Path:
    return folder / "making.lock"


@pytest.hookimpl(optionalhook=True)
def pytest_configure_node(node: Any) -> None:
    if TEMPLATES not in node.config.stash:
        node.config.stash[TEMPLATES] = Templates()
    node.workerinput["templates"] = node.config.stash[TEMPLATES].folder.name


def pytest_unconfigure(config: pytest.Config) -> None:
    if TEMPLATES in config.stash:
        config.stash[TEMPLATES].clear()


def make_templates(folder: Path) -> None:
    """An empty database, and the demo yard in one."""
    empty, yard = folder / "empty.sqlite", folder / "yard.sqlite"
    database = Database(empty)
    database.migrate()
    database.close()
    shutil.copy(empty, yard)
    database = Database(yard)
    with database.writing() as session:
        seed(session)
        refresh_board(session, NOW.date())
    database.close()


@pytest.fixture(scope="session")
def templates(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> Path:
    made = getattr(request.config, "workerinput", {}).get("templates")
    if made:
        with lock_of(Path(made)).open() as lock:
            flock(lock, LOCK_SH)
        return Path(made)
    folder = tmp_path_factory.mktemp("templates")
    make_templates(folder)
    return folder


@pytest.fixture(scope="session")
def empty_template(templates: Path) -> Path:
    return templates / "empty.sqlite"


@pytest.fixture(scope="session")
def yard_template(templates: Path) -> Path:
    return templates / "yard.sqlite"


class Bed:
    """Where a template is laid down anew for every test: the engine stays, and with it every statement that it has compiled."""

    def __init__(self, template: Path, folder: Path) -> None:
        self.template = template
        self.database = Database(folder / template.name)

    def laid_anew(self) -> Database:
        self.database.close()
        shutil.rmtree(self.database.path.parent)
        self.database.path.parent.mkdir()
        shutil.copy(self.template, self.database.path)
        return self.database


def _bed(template: Path, tmp_path_factory: pytest.TempPathFactory) -> Bed:
    return Bed(template, tmp_path_factory.mktemp("bed") / template.stem)


@pytest.fixture(scope="session")
def empty_bed(empty_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Bed:
    return _bed(empty_template, tmp_path_factory)


@pytest.fixture(scope="session")
def yard_bed(yard_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Bed:
    return _bed(yard_template, tmp_path_factory)


@pytest.fixture
def empty(empty_bed: Bed) -> Database:
    return empty_bed.laid_anew()


@pytest.fixture
def yard(yard_bed: Bed) -> Database:
    return yard_bed.laid_anew()


@pytest.fixture(scope="session")
def one_app(empty_template: Path) -> Flask:
    """The one application of a run; `application` puts the test's own database under it."""
    return create_app(Database(empty_template), lambda: NOW, trusts=True)


@pytest.fixture
def application(one_app: Flask, yard: Database) -> Flask:
    one_app.extensions["bornek"] = wire_of(yard, lambda: NOW)
    return one_app


@pytest.fixture(autouse=True)
def _apps_given_back() -> Iterator[None]:
    yield
    give_back()


@pytest.fixture
def client(application: Flask) -> FlaskClient:
    return application.test_client()


@pytest.fixture
def pump(client: FlaskClient) -> Bench:
    """An untouched setting: play wanted 0.10 to 0.18 mm."""
    return Bench(client, "p22.thrust-end-play")
