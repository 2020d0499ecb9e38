"""A step put elsewhere in the order."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.about import About
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class StepMoved:
    """`after`: the step that it follows now; empty for the first place."""

    step: str
    after: str = ""


@register_fact
class StepMovedKind(FactKind):
    key = "step_moved"
    stage = "plan"
    body = StepMoved
    must_say = ("step",)

    def check(self, body: StepMoved, about: About) -> None:
        about.judge(body)
