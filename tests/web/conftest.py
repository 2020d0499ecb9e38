"""A yard where people sign in, and its clock; secrets are hashed quickly there."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from flask import Flask

from accounts import QUICK, Clock, give_accounts, guarded
from bornek.services.people import hashes
from bornek.store.database import Database
from bornek.web.people.routes import limiter


@pytest.fixture
def quick(monkeypatch: pytest.MonkeyPatch) -> Iterator[None]:
    monkeypatch.setattr(hashes, "HASHER", QUICK)
    monkeypatch.setattr(hashes, "_NOTHING", "")
    was = limiter.enabled
    yield
    limiter.enabled = was


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def guard(yard: Database, clock: Clock) -> Flask:
    give_accounts(yard)
    return guarded(yard, clock)
