"""In the field: locked out and tagged before a hand goes near it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class LockedOut:
    """In the field: who locked out, which points, where the key is."""

    points: str
    key_holder: str


def lacks_lock_out(stands: str, facts: Sequence[Fact]) -> bool:
    """Whether a unit stands in the field and no lock-out is written down.

    >>> lacks_lock_out("field", []), lacks_lock_out("bench", [])
    (True, False)
    """
    return stands == "field" and not any(isinstance(f.body, LockedOut) for f in facts)


def check_locked_out(stands: str, facts: Sequence[Fact]) -> None:
    """Raises InputError for a unit in the field on which no lock-out is written down.

    >>> check_locked_out("bench", [])
    """
    if lacks_lock_out(stands, facts):
        raise InputError(
            "It stands in the field and no lock-out is written down.",
            field="locked_out",
            next_step="Lock out and tag out, prove it dead, then say what is locked and who holds the key.",
            details={"ask": "locked_out"},
        )


@register_fact
class LockedOutKind(FactKind):
    key = "locked_out"
    stage = "strip"
    body = LockedOut
    must_say = ("points", "key_holder")
    first = True

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("locked out", fact.body.points, f"key with {fact.body.key_holder}", fact.by)
