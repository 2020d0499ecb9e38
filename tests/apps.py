"""Applications over a test's own databases: making one takes longer than most tests, so the next test takes it again."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import datetime
from typing import Any

from flask import Flask
from flask.testing import FlaskClient

from bornek.app import create_app, put_under
from bornek.store.database import Database
from helpers import NOW


class Client(FlaskClient):
    """Reads an answer as a page does, not through the door that is there for what is sent."""

    def open(self, *args: Any, **kwargs: Any) -> Any:
        answer = super().open(*args, **kwargs)
        answer.json_module = json
        return answer


Flask.test_client_class = Client

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
