"""Work put off: what, why, by whom, until when. It belongs to the unit until it is done."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.parts.days import check_day
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Deferred:
    """`who` is to do it, `until` which day. `point`: the point of the last look that it answers, if it is one."""

    what: str
    why: str
    who: str
    until: str
    point: str = ""


@register_fact
class DeferredKind(FactKind):
    key = "deferred"
    stage = "prove"
    body = Deferred
    must_say = ("what", "why", "who", "until")

    def check(self, body: Deferred, about: About) -> None:
        check_day(body.until, "until")

    def words(self, body: Deferred) -> str:
        return f"put off until {body.until}, by {body.who}: {body.why}"

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("put off", fact.body.what, self.words(fact.body), fact.by)

    def findable(self, body: Deferred, tag: str, label: str) -> Findable:
        return Findable(self.key, f"{body.what}: {self.words(body)}", f"{body.what} {body.why} {body.who}")
