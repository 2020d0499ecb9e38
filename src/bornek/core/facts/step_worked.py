"""A step worked: done, done differently, or skipped."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.people.proof import NAMED, proof_words
from bornek.core.units.definition import Definition

How = Literal["done", "differently", "skipped"]
HOW_WORDS: dict[str, str] = {"done": "done", "differently": "done differently", "skipped": "skipped"}


@dataclass(frozen=True)
class StepWorked:
    """`words`: how, or why it was skipped. `label` and `parts` are what the step was called and what went in by it,
    so that it can be read when the plan is another. `despite`: why it was done although something spoke
    against it; `second`: who else agreed, `second_proof`: whether they were proved to be there."""

    step: str
    how: How = "done"
    words: str = ""
    label: str = ""
    parts: tuple[str, ...] = ()
    despite: str = ""
    second: str = ""
    second_proof: str = NAMED


@register_fact
class StepWorkedKind(FactKind):
    key = "step_worked"
    stage = "plan"
    body = StepWorked
    must_say = ("step",)
    inside = True

    def check(self, body: StepWorked, about: About) -> None:
        if body.how != "done" and not body.words:
            ask = "Say how it was done." if body.how == "differently" else "Say why it is skipped."
            raise InputError(ask, field="words", next_step="A few words are enough; nothing was stored.")
        about.judge(body)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: StepWorked = fact.body
        said = (
            HOW_WORDS[body.how] if body.how != "done" else "",
            body.words,
            f"although: {body.despite}" if body.despite else "",
            f"with {body.second} ({proof_words(body.second_proof)})" if body.second else "",
        )
        return RecordLine("build", body.label or body.step, "; ".join(s for s in said if s), fact.by)

    def findable(self, body: StepWorked, tag: str, label: str) -> Findable | None:
        if not body.words:
            return None
        return Findable("step", f"{body.label}: {body.words}", f"{body.label} {body.words}")
