"""Something looked at before it is closed: way round, hole, hold, or what a correction made doubtful."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition

What = Literal["way_round", "hole", "hold", "check"]
WHAT_WORDS: dict[str, str] = {
    "way_round": "way round",
    "hole": "hole lined up",
    "hold": "hold",
    "check": "checked after a correction",
}


@dataclass(frozen=True)
class SeenRight:
    step: str
    what: What
    right: bool = True
    words: str = ""
    label: str = ""


@register_fact
class SeenRightKind(FactKind):
    key = "seen_right"
    stage = "plan"
    body = SeenRight
    must_say = ("step",)

    def check(self, body: SeenRight, about: About) -> None:
        if not body.right and not body.words:
            raise InputError("Say what was seen.", field="words", next_step="Slot on top, two holes off.")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: SeenRight = fact.body
        words = "seen" if body.right else f"NOT RIGHT: {body.words}"
        if body.right and body.words:
            words += f": {body.words}"
        return RecordLine(WHAT_WORDS[body.what], body.label or body.step, words, fact.by)
