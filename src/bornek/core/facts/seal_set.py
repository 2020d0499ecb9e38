"""Where a seal ran and where the new one goes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.parts.seal_track import fill_words
from bornek.core.quantities import parse

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class SealSet:
    """Depths as typed, from the bore's face; `fill` share of the cavity 0 to 1."""

    part: str
    found: str
    planned: str
    groove: str
    lip: Literal["inward", "outward"]
    oil: Literal["inward", "outward"]
    other: str = ""
    fill: float | None = None


@register_fact
class SealSetKind(FactKind):
    key = "seal_set"
    stage = "inspect"
    body = SealSet
    must_say = ("part", "found", "planned", "groove")

    def check(self, body: SealSet, about: About) -> None:
        for text in (body.found, body.planned, body.groove):
            parse(text, "length", about.unit)
        if body.fill is not None:
            fill_words(body.fill)
