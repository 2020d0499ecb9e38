"""The temperature of one bearing while it runs in."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.facts.run_begun import RunBegun
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class RunRead:
    """`run`: the stage as it was begun. `minutes` since then; `text` as typed [°C]."""

    run: str
    part: str
    minutes: float
    text: str


@register_fact
class RunReadKind(FactKind):
    key = "run_read"
    right = "take"
    stage = "prove"
    body = RunRead
    must_say = ("run", "part", "text")

    def check(self, body: RunRead, about: About) -> None:
        if body.run not in about.bodies(RunBegun):
            raise InputError("No run-in of that id was begun here.", field="run")
        if not 0 <= body.minutes <= 1440:
            raise InputError(f"minutes must be 0 to 1440 (got {body.minutes:g}).", field="minutes")
        read = parse(body.text, "temperature", "°C").value
        if not -40 <= read <= 400:
            raise InputError(
                f"A bearing reads −40 to 400 °C (got {body.text}).",
                field="text",
                next_step="Type °C, or say °F behind the number.",
            )
        last = max(
            (r.minutes for r in about.bodies(RunRead).values() if (r.run, r.part) == (body.run, body.part)),
            default=-1.0,
        )
        if body.minutes <= last and not about.correcting:
            raise InputError(
                f"This bearing was read at {last:g} min already.",
                field="minutes",
                next_step="A later minute, or strike that reading.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: RunRead = fact.body
        return RecordLine("run-in", d.label_of(body.part), f"{body.minutes:g} min: {body.text}", fact.by)
