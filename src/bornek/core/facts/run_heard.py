"""What was heard and seen while it runs in: noise by ear, leaks, the points that are asked for while it runs."""

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

Noise = Literal["even", "whine", "growl", "knock", "scrape"]
NOISE_WORDS: dict[str, str] = {
    "even": "even",
    "whine": "whines with the load",
    "growl": "growls all round",
    "knock": "knocks once a turn",
    "scrape": "scrapes or rubs",
}
Leak = Literal["dry", "weeps", "drips"]
LEAK_WORDS: dict[str, str] = {"dry": "dry", "weeps": "weeps", "drips": "drips"}
STOPPING = frozenset({"knock", "scrape", "drips"})
"""What is heard or seen and stops it, whatever the numbers say."""


@dataclass(frozen=True)
class RunHeard:
    run: str
    noise: Noise = "even"
    leak: Leak = "dry"
    words: str = ""

    @property
    def said(self) -> str:
        """
        >>> RunHeard("a", "whine", "weeps", "output seal").said
        'whines with the load; weeps; output seal'
        """
        return "; ".join(x for x in (NOISE_WORDS[self.noise], LEAK_WORDS[self.leak], self.words) if x)

    @property
    def stops(self) -> bool:
        return bool({self.noise, self.leak} & STOPPING)


@register_fact
class RunHeardKind(FactKind):
    key = "run_heard"
    right = "take"
    stage = "prove"
    body = RunHeard
    must_say = ("run",)

    def check(self, body: RunHeard, about: About) -> None:
        if body.run not in about.bodies(RunBegun):
            raise InputError("No run-in of that id was begun here.", field="run")
        if (body.noise, body.leak) != ("even", "dry") and not body.words:
            raise InputError("Say where.", field="words", next_step="Such as: output seal, lower edge.")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("run-in", "heard and seen", fact.body.said, fact.by)
