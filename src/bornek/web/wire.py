"""The thin layer between a route and a service: session, actor, time, idempotency."""

from __future__ import annotations

import hashlib
import re
import unicodedata
from collections.abc import Callable, Iterator
from contextlib import AbstractContextManager, ExitStack, contextmanager
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from typing import Any, Protocol, cast
from urllib.parse import quote

from flask import Response, current_app, has_request_context, jsonify, request

from bornek.core.errors import InputError, NotFound
from bornek.services.desk import Desk, once, today_in
from bornek.services.people.deeds import write_deed
from bornek.services.setting.kept_settings import KeptSettings
from bornek.services.setting.veiled import VEIL
from bornek.web.identity import actor, who
from bornek.web.practice.rig_address import RIG


class Sessions(Protocol):
    """What the web needs of a database."""

    def reading(self) -> AbstractContextManager[Any]: ...

    def writing(self) -> AbstractContextManager[Any]: ...


class Files(Protocol):
    """Where files are kept by their hash."""

    def put(self, data: bytes) -> str: ...

    def get(self, sha: str) -> bytes | None: ...


@dataclass(frozen=True)
class Wire:
    sessions: Sessions
    files: Files
    clock: Callable[[], datetime]
    ears: Any
    settings: KeptSettings = field(default_factory=KeptSettings)
    veil: Callable[[Any, date], frozenset[int] | None] | None = None
    """At a rig: the rounds in which the advice was asked for; in the others it is not shown. None: all are shown."""
    shut: Callable[[], bool] = lambda: False
    """At a rig whose cloth is lifted nothing is written any more."""

    def read(self, work: Callable[..., Any], *args: Any) -> Response:
        with self.reading() as session:
            return jsonify(work(session, *args))

    def read_today(self, work: Callable[..., Any], *args: Any) -> Response:
        with self.reading() as session:
            return jsonify(work(session, *args, self.today(session)))

    def read_now(self, work: Callable[..., Any], *args: Any) -> Response:
        with self.reading() as session:
            return jsonify(work(session, *args, self.clock()))

    @contextmanager
    def reading(self) -> Iterator[Any]:
        """A session that knows what was thought through already."""
        with self.sessions.reading() as session:
            self.settings.lend(session)
            if self.veil is not None:
                session.info[VEIL] = self.veil(session, self.today(session))
            yield session

    def today(self, session: Any) -> date:
        """The day that it is in the yard."""
        return today_in(session, self.clock())

    def freshen(self, stale: Callable[[Any], bool], refresh: Callable[[Any, date], int]) -> None:
        """Brings kept figures up to date before a read: one bounded piece, the next read does the next."""
        with self.sessions.reading() as session:
            if not stale(session):
                return
        with ExitStack() as after, self.sessions.writing() as session:
            after.enter_context(self.settings.lent(session))
            refresh(session, self.today(session))

    def write(self, work: Callable[..., str | None], *args: Any) -> str | None:
        """Runs a service once in one transaction, committed before this returns; what is shown after it is
        read by the route."""
        if self.shut():
            raise InputError(
                "The cloth is lifted: this rig is done.",
                field="rig",
                next_step="Begin another, or this one again.",
            )
        with ExitStack() as after, self.sessions.writing() as session:
            after.enter_context(self.settings.lent(session))
            found = who()
            desk = Desk(session, actor(), made_at(self.clock()), found.role if found else "apprentice")
            made = once(desk, request.headers.get("Idempotency-Key"), _asked(), lambda: work(desk, *args))
            if self.veil is None:
                write_deed(session, found, request.endpoint or "", request.path, self.clock())
        return made


AHEAD, KEPT_LONGEST = timedelta(minutes=5), timedelta(days=31)


def made_at(now: datetime) -> datetime:
    """When it was done: what was kept while the yard did not answer says so with it. Raises InputError for a time that
    cannot be."""
    said = request.headers.get("X-Made-At")
    if not said:
        return now
    try:
        made = datetime.fromisoformat(said.replace("Z", "+00:00"))
    except ValueError:
        made = None
    if made is None or made.tzinfo is None or not now - KEPT_LONGEST <= made <= now + AHEAD:
        raise InputError(
            f"It says that it was done at {said[:40]}; the yard's clock says {now.isoformat(timespec='minutes')}.",
            field="X-Made-At",
            next_step="Put the tablet's clock right, then send it again.",
        )
    return min(made, now)


SECRETS = frozenset({"pin", "second_pin", "passphrase", "now", "new"})
"""Never kept in any form."""


def _asked() -> list[Any]:
    """What tells one request from another: also the bytes of a file that was sent."""
    body = request.get_json(silent=True)
    if isinstance(body, dict):
        body = {k: v for k, v in body.items() if k not in SECRETS}
    return [request.method, request.full_path, _digest(request.get_data()) if body is None else body]


def made(response: Response) -> Response:
    response.status_code = 201
    return response


def attached(data: bytes | str, mime: str, name: str) -> Response:
    """A file to be saved under a name."""
    response = Response(data, mimetype=mime)
    response.headers.set("Content-Disposition", "attachment", **_named(name))
    return response


def _named(name: str) -> dict[str, str]:
    """A file's name for the header: as it is in UTF-8, and in plain letters for who reads no other."""
    safe = re.sub(r'[\x00-\x1f\x7f"\\/:*?<>|]', "-", name)
    simple = unicodedata.normalize("NFKD", safe).encode("ascii", "ignore").decode() or "file"
    return (
        {"filename": simple} if simple == safe else {"filename": simple, "filename*": f"UTF-8''{quote(safe)}"}
    )


def _digest(data: bytes) -> str:
    return hashlib.sha256(data).hexdigest() if data else ""


def wire() -> Wire:
    """Of the yard, or of the rig under whose address it was asked."""
    key = request.environ.get(RIG) if has_request_context() else None
    if key:
        return cast(Wire, current_app.extensions["bornek.rig_wire"](key))
    return cast(Wire, current_app.extensions["bornek"])


def rigs() -> Any:
    """The rigs that were begun in this yard."""
    return current_app.extensions["bornek.rigs"]


def rig_here() -> str:
    """The rig under whose address it was asked; NotFound where it was the yard's."""
    key = request.environ.get(RIG)
    if not key:
        raise NotFound("This is no rig.", field="rig", next_step="Begin one under Practice.")
    return str(key)
