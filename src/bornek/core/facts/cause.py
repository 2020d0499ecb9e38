"""The cause of failure gone by."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.parts.causes import find_cause
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class CauseNamed:
    """The cause gone by; it puts its hold on the build."""

    cause: str
    words: str = ""


@register_fact
class CauseNamedKind(FactKind):
    key = "cause"
    stage = "inspect"
    body = CauseNamed

    def check(self, body: CauseNamed, about: About) -> None:
        find_cause(body.cause)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("cause", find_cause(fact.body.cause).label, fact.body.words or "named", fact.by)
