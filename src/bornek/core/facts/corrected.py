"""What was written when the unit came in, corrected: what stood there before is kept."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.schools import QUESTIONS
from bornek.core.units.definition import Definition

What = Literal["complaint", "known", "bench", "waits_for", "gauges", "school"]
WORDS: dict[str, str] = {
    "complaint": "Complaint",
    "known": "Known",
    "bench": "Where it stands",
    "waits_for": "Waits for",
    "gauges": "Gauges",
    "school": "School",
}


@dataclass(frozen=True)
class Corrected:
    """`key`: the question whose school was changed; empty for everything else."""

    what: What
    was: str
    now: str
    key: str = ""
    words: str = ""


@register_fact
class CorrectedKind(FactKind):
    key = "corrected"
    stage = "job"
    body = Corrected
    own_act = "What was received is corrected by its own act: use Correct it on Receive."

    def words(self, body: Corrected) -> str:
        why = f" ({body.words})" if body.words else ""
        return f"{body.now or 'nothing'}, it was {body.was or 'nothing'}{why}"

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        question = next((q.label for q in QUESTIONS if q.key == fact.body.key), "")
        label = question or WORDS[fact.body.what]
        return RecordLine("corrected", label, self.words(fact.body), fact.by)
