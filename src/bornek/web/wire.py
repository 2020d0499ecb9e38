"""The thin layer between a route and a service: session, actor, time, idempotency."""

from __future__ import annotations

from collections.abc import Callable
from contextlib import AbstractContextManager
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Protocol, cast

from flask import Response, current_app, jsonify, request

from bornek.services.desk import Desk, once


class Sessions(Protocol):
    """What the web needs of a database."""

    def reading(self) -> AbstractContextManager[Any]: ...

    def writing(self) -> AbstractContextManager[Any]: ...


@dataclass(frozen=True)
class Wire:
    sessions: Sessions
    clock: Callable[[], datetime]

    def read(self, work: Callable[..., Any], *args: Any) -> Response:
        with self.sessions.reading() as session:
            return jsonify(work(session, *args))

    def read_today(self, work: Callable[..., Any], *args: Any) -> Response:
        return self.read(work, *args, self.clock().date())

    def write(self, work: Callable[..., Any], *args: Any) -> Response:
        """Runs a service once in one transaction; answers only after the commit."""
        key = request.headers.get("Idempotency-Key")
        asked = [request.method, request.path, request.get_json(silent=True)]
        with self.sessions.writing() as session:
            desk = Desk(session, request.headers.get("X-Mechanic", ""), self.clock())
            made = once(desk, key, asked, lambda: {"answer": work(desk, *args)})
        response = jsonify(made["answer"])
        response.status_code = 201
        return response


def wire() -> Wire:
    return cast(Wire, current_app.extensions["bornek"])
