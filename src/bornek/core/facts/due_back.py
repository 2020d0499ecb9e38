"""When the unit is promised back."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.parts.days import check_day
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class DueBack:
    """`day` as 2026-11-30; the last one said counts."""

    day: str
    words: str = ""


@register_fact
class DueBackKind(FactKind):
    key = "due_back"
    stage = "plan"
    body = DueBack
    must_say = ("day",)

    def check(self, body: DueBack, about: About) -> None:
        check_day(body.day, "day")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        words = f"{fact.body.day}{f', {fact.body.words}' if fact.body.words else ''}"
        return RecordLine("promised back", "the unit", words, fact.by)
