"""What the section alone cannot tell, answered for this unit: a shaft's seat, how it is built, how a seal goes in."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact

BUILT = ("outside", "threaded")
GOES_IN = ("inside", "outside")


@dataclass(frozen=True)
class SectionAnswered:
    """`row`: the shaft, or the seal. `value`: the part that is the seat, or one of the ways."""

    row: str
    field: Literal["seat", "built", "goes_in"]
    value: str


@register_fact
class SectionAnsweredKind(FactKind):
    key = "section_answered"
    stage = "plan"
    body = SectionAnswered
    must_say = ("row", "value")

    def check(self, body: SectionAnswered, about: About) -> None:
        rows = {p.key for p in about.d.parts} if body.field == "goes_in" else {s.key for s in about.d.shafts}
        if body.row not in rows:
            raise InputError(f"This unit has no {body.row!r}.", field="row")
        allowed = {
            "seat": tuple(p.key for p in about.d.on(body.row)),
            "built": BUILT,
            "goes_in": GOES_IN,
        }[body.field]
        if body.value not in allowed:
            raise InputError(
                f"value must be one of {', '.join(allowed)} (got {body.value!r}).", field="value"
            )
