"""A closed job is opened again."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class OpenedAgain:
    words: str


@register_fact
class OpenedAgainKind(FactKind):
    key = "opened_again"
    stage = "job"
    body = OpenedAgain
    must_say = ("words",)
    own_act = "A closed job is opened by its own act: use Open it again."

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("opened again", fact.at[:10], fact.body.words, fact.by)
