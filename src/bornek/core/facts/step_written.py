"""A step of the mechanic's own, or one of the unit type's written anew for this job."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.check_steps import check_step
from bornek.core.units.definition import Definition
from bornek.core.units.step import BuildStep

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class StepWritten:
    """`after`: the step that it follows; empty for where it stood, or last."""

    step: BuildStep
    after: str = ""


@register_fact
class StepWrittenKind(FactKind):
    key = "step_written"
    stage = "plan"
    body = StepWritten

    def check(self, body: StepWritten, about: About) -> None:
        check_step(about.d, body.step)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("own step", fact.body.step.label, "", fact.by)

    def findable(self, body: StepWritten, tag: str, label: str) -> Findable:
        return Findable("step", body.step.label, body.step.label)
