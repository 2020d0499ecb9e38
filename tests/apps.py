"""Applications over a test's own databases: making one takes longer than most tests, so the next test takes it again."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime

from flask import Flask

from bornek.app import create_app, put_under
from bornek.store.database import Database
from helpers import NOW

FREE: list[Flask] = []
LENT: list[Flask] = []


def app_over(database: Database, clock: Callable[[], datetime] = lambda: NOW, trusts: bool = True) -> Flask:
    """Until the end of the test nobody else has it."""
    if FREE:
        app = FREE.pop()
        put_under(app, database, clock, trusts)
    else:
        app = create_app(database, clock, trusts=trusts)
    LENT.append(app)
    return app


def give_back() -> None:
    FREE.extend(LENT)
    LENT.clear()
