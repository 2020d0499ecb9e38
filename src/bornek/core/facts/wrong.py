"""Something missing or wrong, as found."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class Wrong:
    what: Literal["missing", "wrong"]
    words: str
    part: str = ""


@register_fact
class WrongKind(FactKind):
    key = "wrong"
    stage = "strip"
    body = Wrong
    must_say = ("words",)
    found_as = "wrong"

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine(fact.body.what, d.label_of(fact.body.part), fact.body.words, fact.by)

    def findable(self, body: Wrong, tag: str, label: str) -> Findable:
        words = f"{body.what}  {body.words}"
        return Findable(self.found_as, words.strip(), words)
