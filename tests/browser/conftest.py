"""The real page in Debian's Chromium, over an in-process server on a free port."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Page
from werkzeug.serving import make_server

from bornek.app import PAGE, create_app
from bornek.store.database import Database
from chromium import launch_options
from helpers import NOW


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    return browser_type_launch_args | launch_options()


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    return browser_context_args | {"viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce"}


@pytest.fixture
def address(yard: Database) -> Iterator[str]:
    assert (PAGE / "index.html").is_file(), "build the page first: make build"
    server = make_server("127.0.0.1", 0, create_app(yard, lambda: NOW), threaded=True)
    thread = threading.Thread(target=server.serve_forever, daemon=True)
    thread.start()
    yield f"http://127.0.0.1:{server.port}"
    server.shutdown()
    thread.join()


@pytest.fixture
def bench(page: Page, address: str) -> Page:
    """The page with Marl at the bench; nothing but this server can be reached."""
    foreign: list[str] = []
    page.route(
        lambda url: not url.startswith((address, "data:", "blob:")),
        lambda route: (foreign.append(route.request.url), route.abort()),
    )
    page.add_init_script("localStorage.setItem('bornek.actor', 'marl')")
    page.foreign = foreign  # type: ignore[attr-defined]
    page.set_default_timeout(8000)
    page.goto(address)
    return page
