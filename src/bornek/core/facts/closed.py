"""The job is closed."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class Closed:
    """`left`: what stayed open, in words; `words`: why. `done`: facts by which work was put off that was done after all."""

    words: str = ""
    left: tuple[str, ...] = ()
    done: tuple[str, ...] = ()


@register_fact
class ClosedKind(FactKind):
    key = "closed"
    stage = "job"
    body = Closed
    own_act = "A job is closed by its own act: use Close the job."

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        words = "; ".join(w for w in (fact.body.words, *(f"left open: {x}" for x in fact.body.left)) if w)
        return RecordLine("closed", fact.at[:10], words or "nothing was open", fact.by)
