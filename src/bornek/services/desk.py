"""Who acts, when, and in which transaction: passed into every service."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Callable
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import Any

from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session
from sqlalchemy.orm.exc import FlushError

from bornek.core.errors import InputError, KeyReused, StaleVersion
from bornek.core.people.roles import Right, Role, check_right
from bornek.store import tables as t
from bornek.store.once import get_held
from bornek.store.queries.idempotency import forget_keys
from bornek.store.queries.yard import local_day

KEYS_KEPT = timedelta(days=30)


@dataclass(frozen=True)
class Desk:
    session: Session
    actor: str
    now: datetime
    role: Role = "owner"

    @property
    def today(self) -> date:
        """The day that it is in the yard."""
        return today_in(self.session, self.now)

    def check(self, right: Right) -> None:
        """Raises NotAllowed where whoever acts has no such right."""
        check_right(self.role, right)

    def mechanic(self) -> t.Mechanic:
        found = get_held(self.session, t.Mechanic, self.actor) if self.actor else None
        if found is None:
            raise InputError(
                "Nobody is named as doing this.",
                field="actor",
                next_step="Choose your name at the top of the page.",
            )
        return found


def today_in(session: Session, now: datetime) -> date:
    """The day that it is in the yard at a moment."""
    return local_day(session, now)


def gone(seen: int, message: str, field: str) -> StaleVersion:
    """Somebody else has taken away what this write was about."""
    return StaleVersion(
        message,
        field=field,
        next_step="Look at the page again: it shows what stands there now.",
        details={"seen": seen, "yours": "", "theirs": []},
    )


def digest(data: Any) -> str:
    """sha256 over canonical JSON."""
    text = json.dumps(data, sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    return hashlib.sha256(text.encode()).hexdigest()


def once(desk: Desk, key: str | None, request: Any, work: Callable[[], str | None]) -> str | None:
    """Does the work once per key; a repeat does nothing and gets the same answer: the id of what was made.

    What is shown after it is read afresh, so that nobody is shown what is no longer true. Keys are forgotten
    after a month. Raises KeyReused when the key comes back with another request.
    """
    if not key:
        return _fitting(desk, work)
    if len(key) > 100:
        raise InputError("An idempotency key has at most 100 characters.", field="Idempotency-Key")
    sha = digest(request)
    kept = desk.session.get(t.Idempotency, key)
    if kept is not None:
        if kept.request_sha256 != sha:
            raise KeyReused(
                "This idempotency key was used for another request.",
                field="Idempotency-Key",
                next_step="Make a new key for a new request.",
            )
        return kept.made
    answer = _fitting(desk, work)
    forget_keys(desk.session, desk.now - KEYS_KEPT)
    desk.session.add(t.Idempotency(key=key, request_sha256=sha, made=answer, at=desk.now))
    desk.session.flush()
    return answer


def _fitting(desk: Desk, work: Callable[[], str | None]) -> str | None:
    """The work done; what the database will not take (an id used twice) as a clear refusal."""
    try:
        answer = work()
        desk.session.flush()
    except (IntegrityError, FlushError) as error:
        raise InputError(
            "This id is used already, or points at something that is not there.",
            field="id",
            next_step="Make a new id; to send the same thing again use its idempotency key.",
        ) from error
    return answer
