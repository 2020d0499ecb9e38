"""A clock that runs by itself was started: a wait, or a sealant's open time."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class ClockBegun:
    """`what`: the wait after a step, or its sealant from the first bead."""

    step: str
    what: Literal["wait", "sealant"]
    label: str = ""


@register_fact
class ClockBegunKind(FactKind):
    key = "clock_begun"
    stage = "plan"
    body = ClockBegun
    must_say = ("step",)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        words = "wait begun" if fact.body.what == "wait" else "first bead laid"
        return RecordLine("build", fact.body.label or fact.body.step, words, fact.by)
