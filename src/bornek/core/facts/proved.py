"""A point of the last look: seen, seen wrong, or said that it could not be checked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About

How = Literal["seen", "wrong", "could_not"]
HOW_WORDS: dict[str, str] = {"seen": "seen", "wrong": "NOT RIGHT", "could_not": "COULD NOT BE CHECKED"}
MOST_COUNT = 500


@dataclass(frozen=True)
class Proved:
    """`point` its key, `label` what it was called then, so that it can be read when the list is another. `way`: how a lock
    was made, which way a seal looks. `count` of how many, `amount` of what was filled in; `photo` one of the job's."""

    point: str
    how: How = "seen"
    words: str = ""
    label: str = ""
    way: str = ""
    count: int | None = None
    amount: str = ""
    photo: str = ""

    @property
    def said(self) -> str:
        """
        >>> Proved("lock:tabs", way="tab bent up", count=12).said
        'tab bent up; 12'
        """
        count = "" if self.count is None else f"{self.count}"
        return "; ".join(x for x in (self.way, count, self.amount, self.words) if x)


@register_fact
class ProvedKind(FactKind):
    key = "proved"
    stage = "prove"
    body = Proved
    must_say = ("point",)

    def check(self, body: Proved, about: About) -> None:
        if body.how != "seen" and not body.words:
            ask = "Say what was seen." if body.how == "wrong" else "Say why it could not be checked."
            raise InputError(ask, field="words", next_step="A few words are enough; nothing was stored.")
        if body.count is not None and not 0 <= body.count <= MOST_COUNT:
            raise InputError(f"count must be 0 to {MOST_COUNT} (got {body.count}).", field="count")
        if body.photo and body.photo not in about.photos:
            raise InputError(
                "This job has no such photo.", field="photo", next_step="Look at the page again."
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: Proved = fact.body
        said = ": ".join(x for x in (HOW_WORDS[body.how], body.said) if x)
        photo = "; photo" if body.photo else ""
        return RecordLine("proved", body.label or body.point, f"{said}{photo}", fact.by)
