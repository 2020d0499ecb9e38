"""Timing marks looked at before they are closed in."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.train.timing import out_words, timed
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST_OUT = 20


@dataclass(frozen=True)
class TimingSeen:
    """`off`: teeth by which the mark stands out, clockwise above 0; 0 where tooth stands in its space."""

    mark: str
    off: int = 0


@register_fact
class TimingSeenKind(FactKind):
    key = "timing_seen"
    stage = "mesh"
    body = TimingSeen
    must_say = ("mark",)
    inside = True

    def check(self, body: TimingSeen, about: About) -> None:
        known = [t.mark.key for t in timed(about.d)]
        if body.mark not in known:
            has = ", ".join(known) or "none"
            raise InputError(
                f"This unit has no timing mark {body.mark!r}.", field="mark", next_step=f"It has: {has}."
            )
        if abs(body.off) > MOST_OUT:
            raise InputError(
                f"off must be −{MOST_OUT} to {MOST_OUT} teeth (got {body.off}).",
                field="off",
                next_step="Count the teeth from the mark; farther out than that, put it on its marks first.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: TimingSeen = fact.body
        found = next((t for t in timed(d) if t.mark.key == body.mark), None)
        words = "tooth in its space"
        if body.off:
            words = out_words(d, found, body.off) if found else f"{body.off} teeth out"
        return RecordLine("timing", found.mark.label if found else body.mark, words, fact.by)
