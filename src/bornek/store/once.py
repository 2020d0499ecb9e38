"""What a session has read already: one that only reads sees one state of the file throughout."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import Any, TypeVar

from sqlalchemy.orm import Session

_ONCE, _HELD = "once", "held"
_T = TypeVar("_T")


def only_reads(session: Session) -> None:
    """Said of a session in which nothing is written: what it has read once it need not read again."""
    session.info[_ONCE] = {}


def get_held(session: Session, table: type[_T], key: str) -> _T | None:
    """A row by its id, held for as long as the session: what nobody holds it forgets, and asks the file again."""
    found = session.get(table, key)
    session.info.setdefault(_HELD, {})[table, key] = found
    return found


def read_once(session: Session, what: Hashable, read: Callable[[], _T]) -> _T:
    """What was read in this session before, not to be changed by who gets it; in one that writes, read afresh."""
    known: dict[Hashable, Any] | None = session.info.get(_ONCE)
    if known is None:
        return read()
    if what not in known:
        known[what] = read()
    found: _T = known[what]
    return found
