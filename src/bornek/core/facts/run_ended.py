"""A stage of run-in ended: run to its end, or stopped."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.facts.run_begun import RunBegun
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class RunEnded:
    run: str
    how: Literal["done", "stopped"]
    words: str = ""


@register_fact
class RunEndedKind(FactKind):
    key = "run_ended"
    stage = "prove"
    body = RunEnded
    must_say = ("run",)

    def check(self, body: RunEnded, about: About) -> None:
        if body.run not in about.bodies(RunBegun):
            raise InputError("No run-in of that id was begun here.", field="run")
        if body.how == "stopped" and not body.words:
            raise InputError("Say why it was stopped.", field="words", next_step="A few words are enough.")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        how = "run to its end" if fact.body.how == "done" else "STOPPED"
        return RecordLine("run-in", how, fact.body.words, fact.by)
