"""The unit leaves the bench: released for service, or going out as it is and tagged so."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.opened_again import OpenedAgain
from bornek.core.facts.registry import register_fact
from bornek.core.facts.removed import Removed
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.went_back import WentBack
from bornek.core.people.proof import NAMED, proof_words
from bornek.core.units.definition import Definition

GoesOut = Literal["service", "as_it_is"]
HOW_WORDS: dict[str, str] = {
    "service": "released for service",
    "as_it_is": "NOT FOR SERVICE: goes out as it is",
}
ENDS = (OpenedAgain, Removed, StepWorked, WentBack)
"""What is done to a unit after its release ends it."""


@dataclass(frozen=True)
class Released:
    """Who wrote it proved it. `second`: who looked besides; `left` what was open, in words; `words` why it goes out with
    that, or unproved. `proof`: whether either was proved to be there."""

    how: GoesOut = "service"
    second: str = ""
    words: str = ""
    left: tuple[str, ...] = ()
    proof: str = NAMED
    second_proof: str = NAMED


def release_of(facts: Sequence[Fact]) -> Fact | None:
    """The release that stands: nothing was taken off, fitted or opened again after it.

    >>> release_of([Fact("a", "released", "", Released(), by="Oda", seq=4)]).by
    'Oda'
    """
    found = next((f for f in reversed(facts) if isinstance(f.body, Released)), None)
    if found is None or any(isinstance(f.body, ENDS) and f.seq > found.seq for f in facts):
        return None
    return found


@register_fact
class ReleasedKind(FactKind):
    key = "released"
    stage = "prove"
    body = Released
    own_act = "A unit is released by its own act: use Release."

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: Released = fact.body
        said = (
            f"second person: {body.second} ({proof_words(body.second_proof)})" if body.second else "",
            body.words,
            *(f"left open: {x}" for x in body.left),
        )
        words = "; ".join(x for x in said if x) or "nothing was open"
        return RecordLine("release", HOW_WORDS[body.how], words, fact.by)
