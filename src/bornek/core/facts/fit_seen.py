"""What was really done at a fit: home, gripped short, seated when cold, pressed, torqued."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition

What = Literal["home", "short", "seated", "gap", "pressed", "tightened"]
WHAT_WORDS: dict[str, str] = {
    "home": "home against the shoulder",
    "short": "gripped short of home",
    "seated": "cold: no feeler goes all round",
    "gap": "cold: a feeler goes at the shoulder",
    "pressed": "pressed home",
    "tightened": "tightened to the last stage",
}
WANTS_WORDS = frozenset({"short", "gap"})


@dataclass(frozen=True)
class FitSeen:
    """`fit`: the sum it was done by. `words`: where it grips, how large the gap is, what else; `label` and `part`
    what was fitted, so that it can be read when the plan is another."""

    fit: str
    what: What
    words: str = ""
    label: str = ""
    part: str = ""


@register_fact
class FitSeenKind(FactKind):
    key = "fit_seen"
    stage = "fit"
    body = FitSeen
    must_say = ("fit",)
    disturbs = True

    def check(self, body: FitSeen, about: About) -> None:
        if body.fit not in about.bodies(Reckoned):
            raise InputError("There is no sum of that id here.", field="fit")
        if body.what in WANTS_WORDS and not body.words.strip():
            raise InputError(
                "Say where, and by how much.",
                field="words",
                next_step="Such as: 3 mm short, gap 0.05 at the top.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: FitSeen = fact.body
        said = "; ".join(x for x in (WHAT_WORDS[body.what], body.words) if x)
        return RecordLine("fitted", body.label, said, fact.by)
