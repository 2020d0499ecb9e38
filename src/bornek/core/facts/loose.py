"""Something dropped where it must not stay."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind, Findable
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class Loose:
    """Something dropped where it must not stay."""

    what: str
    where: str


@register_fact
class LooseKind(FactKind):
    key = "loose"
    stage = "strip"
    body = Loose
    must_say = ("what", "where")
    found_as = "loose"

    def findable(self, body: Loose, tag: str, label: str) -> Findable:
        words = f"{body.what} {body.where}"
        return Findable(self.found_as, words, words)
