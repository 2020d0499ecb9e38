"""The real page in Debian's Chromium, over in-process servers on free ports."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask import Flask
from playwright.sync_api import Browser, Page, expect

from bornek.app import create_app
from bornek.store.database import Database
from chromium import launch_options
from helpers import NOW
from serving import ACTOR, served

VIEWPORT = {"width": 1280, "height": 800}
LOADED_MS = 20_000
"""How long a page may take on a machine where others are being tried: nobody waits for it but where it fails."""
expect.set_options(timeout=LOADED_MS)


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    return browser_type_launch_args | launch_options()


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    return browser_context_args | {
        "viewport": VIEWPORT,
        "reduced_motion": "reduce",
        "service_workers": "block",
    }


@pytest.fixture
def address(application: Flask) -> Iterator[str]:
    with served(application) as address:
        yield address


@pytest.fixture
def bench(page: Page, address: str) -> Page:
    """The page with Marl at the bench, on a yard of the test's own; the least of its addresses is open."""
    page.add_init_script(ACTOR)
    page.set_default_timeout(LOADED_MS)
    page.goto(f"{address}/api/health")
    return page


@pytest.fixture(scope="session")
def reading_room(yard_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """One server of the run, for pages that are only looked at."""
    path = tmp_path_factory.mktemp("reading") / "yard.sqlite"
    shutil.copy(yard_template, path)
    database = Database(path)
    with served(create_app(database, lambda: NOW, trusts=True)) as address:
        yield address
    database.close()


@pytest.fixture(scope="session")
def looked_at(browser: Browser, reading_room: str) -> Iterator[Page]:
    """One page for all that is only looked at; what it fetches elsewhere and its errors are kept."""
    context = browser.new_context(viewport=VIEWPORT, reduced_motion="reduce")  # type: ignore[arg-type]
    context.add_init_script(ACTOR)
    page = context.new_page()
    page.set_default_timeout(LOADED_MS)
    page.foreign, page.errors = [], []  # type: ignore[attr-defined]
    page.route(
        lambda url: not url.startswith((reading_room, "data:", "blob:")),
        lambda route: (page.foreign.append(route.request.url), route.abort()),  # type: ignore[attr-defined]
    )
    page.on("pageerror", lambda e: page.errors.append(str(e)))  # type: ignore[attr-defined]
    page.on("console", lambda m: page.errors.append(m.text) if m.type in ("error", "warning") else None)  # type: ignore[attr-defined]
    yield page
    context.close()
