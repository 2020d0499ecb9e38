"""A stage of run-in begun: how fast or under what load, how long, and the limit that stops it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse
from bornek.core.units.check_prove import limit_problem
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class RunBegun:
    """`stage`: one of the unit type's, empty for one of the mechanic's own. `words`: speed or load. `limit` of a bearing
    and `ambient` as typed [°C]. `hottest`: of the bearings now, asked for after a stop."""

    label: str
    minutes: float
    limit: str
    source: str
    ambient: str
    stage: str = ""
    words: str = ""
    hottest: str = ""


@register_fact
class RunBegunKind(FactKind):
    key = "run_begun"
    stage = "prove"
    body = RunBegun
    must_say = ("label", "limit", "source", "ambient")

    def check(self, body: RunBegun, about: About) -> None:
        if not 5 <= body.minutes <= 1440:
            raise InputError(f"minutes must be 5 to 1440 (got {body.minutes:g}).", field="minutes")
        problem = limit_problem(body.limit)
        if problem:
            raise InputError(f"The limit {problem}.", field="limit", next_step="Take it from the maker.")
        for name in ("ambient", "hottest"):
            text = getattr(body, name)
            if text and not -40 <= parse(text, "temperature", "°C").value <= 250:
                raise InputError(f"{name} must be −40 to 250 °C (got {text}).", field=name)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: RunBegun = fact.body
        said = f"{body.minutes:g} min, limit {body.limit} ({body.source}), surroundings {body.ambient}"
        return RecordLine("run-in", body.label, "; ".join(x for x in (body.words, said) if x), fact.by)
