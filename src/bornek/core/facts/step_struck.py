"""A step left out of the build, with the reason."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class StepStruck:
    step: str
    words: str
    label: str = ""


@register_fact
class StepStruckKind(FactKind):
    key = "step_struck"
    stage = "plan"
    body = StepStruck
    must_say = ("step", "words")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("step left out", fact.body.label or fact.body.step, fact.body.words, fact.by)
