"""A need that the section proves: confirmed, or overruled with a reason."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class NeedJudged:
    """`before` and `after`: keys of two steps, what they are called in `label`. `holds`: it is so."""

    before: str
    after: str
    holds: bool
    words: str
    label: str = ""


@register_fact
class NeedJudgedKind(FactKind):
    key = "need_judged"
    stage = "plan"
    body = NeedJudged
    must_say = ("before", "after", "words")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        zone = "need confirmed" if fact.body.holds else "need overruled"
        label = fact.body.label or f"{fact.body.before} before {fact.body.after}"
        return RecordLine(zone, label, fact.body.words, fact.by)
