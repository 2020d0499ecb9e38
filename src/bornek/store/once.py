"""What a session has read or thought through already: one that only reads sees one state of the file throughout."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import Any, TypeVar

from sqlalchemy.orm import Session

_READS, _KEPT, _HELD = "only reads", "kept", "held"
_T = TypeVar("_T")


def only_reads(session: Session) -> None:
    """Said of a session that writes nothing of what it reads: what it has read once it need not read again."""
    session.info[_READS] = True


def get_held(session: Session, table: type[_T], key: str) -> _T | None:
    """A row by its id, held for as long as the session: what nobody holds it forgets, and asks the file again."""
    found = session.get(table, key)
    session.info.setdefault(_HELD, {})[table, key] = found
    return found


def keep(session: Session, stands_on: Hashable, make: Callable[[], _T]) -> _T:
    """What was made in this session before of the same: `stands_on` names all that could change it, as a job with its
    last seq. Not to be changed by who gets it."""
    kept: dict[Hashable, Any] = session.info.setdefault(_KEPT, {})
    if stands_on not in kept:
        kept[stands_on] = make()
    found: _T = kept[stands_on]
    return found


def read_once(session: Session, what: Hashable, read: Callable[[], _T]) -> _T:
    """What was read in this session before, where it only reads; in one that writes, read afresh."""
    return keep(session, what, read) if session.info.get(_READS) else read()
