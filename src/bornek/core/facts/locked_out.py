"""In the field: locked out and tagged before a hand goes near it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class LockedOut:
    """In the field: who locked out, which points, where the key is."""

    points: str
    key_holder: str


@register_fact
class LockedOutKind(FactKind):
    key = "locked_out"
    stage = "strip"
    body = LockedOut
    must_say = ("points", "key_holder")
    first = True

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("locked out", fact.body.points, f"key with {fact.body.key_holder}", fact.by)
