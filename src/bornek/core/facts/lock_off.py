"""A lock taken off: last of all, by whoever hung it."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class LockOff:
    """`lock`: the lock-out that ends. `points` as it was written there. `words`: by whose authority, where another than
    who hung it takes it off."""

    lock: str
    points: str = ""
    words: str = ""


@register_fact
class LockOffKind(FactKind):
    key = "lock_off"
    stage = "prove"
    body = LockOff
    must_say = ("lock",)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        said = "; ".join(x for x in ("lock taken off", fact.body.words) if x)
        return RecordLine("lock-out", fact.body.points, said, fact.by)
