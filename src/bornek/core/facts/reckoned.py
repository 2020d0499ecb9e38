"""A sum laid down at a part, a place or a step: what was given, and what came out, kept as it was said then."""

from __future__ import annotations

from dataclasses import dataclass, field

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class Reckoned:
    """`sum`: which one. `given` as typed, bare lengths in `unit`. Frozen with it: what it was called, what it said,
    its values in words by their label and as numbers by their key, and its verdict's code."""

    sum: str
    part: str = ""
    place: str = ""
    step: str = ""
    unit: str = "mm"
    given: dict[str, str] = field(default_factory=dict)
    version: int = 1
    title: str = ""
    label: str = ""
    said: str = ""
    found: dict[str, str] = field(default_factory=dict)
    numbers: dict[str, float] = field(default_factory=dict)
    code: str = ""
    warned: tuple[str, ...] = ()

    @property
    def at(self) -> tuple[str, str]:
        """Where it is laid: part, place or step, and its key."""
        return next(
            ((at, key) for at in ("part", "place", "step") if (key := getattr(self, at))), ("part", "")
        )


@register_fact
class ReckonedKind(FactKind):
    key = "reckoned"
    stage = "fit"
    body = Reckoned
    must_say = ("sum",)

    def check(self, body: Reckoned, about: About) -> None:
        if sum(map(bool, (body.part, body.place, body.step))) != 1:
            raise InputError(
                "A sum is laid at a part, at a place or at a step: one of them.",
                field="part",
                next_step="Choose the part that is fitted, or the step that does it.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: Reckoned = fact.body
        values = "; ".join(f"{label} {words}" for label, words in body.found.items())
        said = (body.said, values, *body.warned)
        return RecordLine(
            body.title.lower() or "sum",
            body.label or d.label_of(body.at[1]),
            " ".join(x for x in said if x),
            fact.by,
        )

    def findable(self, body: Reckoned, tag: str, label: str) -> Findable:
        return Findable("fit", f"{body.title}: {body.said}", f"{body.label} {body.title} {body.said}")
