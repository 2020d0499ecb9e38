"""Gone back in the build: written down wrongly, or really taken apart again."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class WentBack:
    """`steps`: which are not done any more, last first; `labels` what they are called, `parts`
    what came off with them."""

    steps: tuple[str, ...]
    why: Literal["written_wrongly", "taken_apart"]
    words: str = ""
    labels: tuple[str, ...] = ()
    parts: tuple[str, ...] = ()


@register_fact
class WentBackKind(FactKind):
    key = "went_back"
    stage = "plan"
    body = WentBack
    disturbs = True

    def check(self, body: WentBack, about: About) -> None:
        if not body.steps:
            raise InputError("No step is named.", field="steps", next_step="Tick what was taken apart.")
        about.judge(body)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        zone = "taken apart again" if fact.body.why == "taken_apart" else "written wrongly"
        return RecordLine(zone, ", ".join(fact.body.labels or fact.body.steps), fact.body.words, fact.by)
