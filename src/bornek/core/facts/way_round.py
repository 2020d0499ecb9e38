"""Which way round a part sat."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class WayRound:
    part: str
    words: str


@register_fact
class WayRoundKind(FactKind):
    key = "way_round"
    stage = "strip"
    body = WayRound
    must_say = ("words",)
    rides = True

    def words(self, body: WayRound) -> str:
        return body.words
