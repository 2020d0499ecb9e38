"""In the field: locked out and tagged before a hand goes near it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.lock_off import LockOff
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class LockedOut:
    """In the field: who locked out, which points, where the key is."""

    points: str
    key_holder: str


def locks_hung(facts: Sequence[Fact]) -> list[Fact]:
    """Lock-outs that hang: written down, and not taken off since.

    >>> on = Fact("a", "locked_out", "", LockedOut("breaker 4", "Oda"))
    >>> len(locks_hung([on])), len(locks_hung([on, Fact("b", "lock_off", "", LockOff("a"))]))
    (1, 0)
    """
    off = {f.body.lock for f in facts if isinstance(f.body, LockOff)}
    return [f for f in facts if isinstance(f.body, LockedOut) and f.id not in off]


def lacks_lock_out(stands: str, facts: Sequence[Fact]) -> bool:
    """Whether a unit stands in the field and no lock hangs on it.

    >>> lacks_lock_out("field", []), lacks_lock_out("bench", [])
    (True, False)
    """
    return stands == "field" and not locks_hung(facts)


def check_locked_out(stands: str, facts: Sequence[Fact]) -> None:
    """Raises InputError for a unit in the field on which no lock hangs.

    >>> check_locked_out("bench", [])
    """
    if not lacks_lock_out(stands, facts):
        return
    off = any(isinstance(f.body, LockedOut) for f in facts)
    raise InputError(
        "It stands in the field and its lock was taken off."
        if off
        else "It stands in the field and no lock-out is written down.",
        field="locked_out",
        next_step="Lock out and tag out, prove it dead, then say what is locked and who holds the key.",
        details={"ask": "locked_out"},
    )


def check_lock_back(stands: str, facts: Sequence[Fact]) -> None:
    """Raises InputError where the lock was taken off and hangs no more: reading inside the guards wants it again.

    >>> check_lock_back("field", [])
    """
    if any(isinstance(f.body, LockOff) for f in facts):
        check_locked_out(stands, facts)


@register_fact
class LockedOutKind(FactKind):
    key = "locked_out"
    stage = "strip"
    body = LockedOut
    must_say = ("points", "key_holder")
    first = True

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("locked out", fact.body.points, f"key with {fact.body.key_holder}", fact.by)
