"""Levers tried together on the bench: whether they went."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.facts.turns_counted import check_levers
from bornek.core.train.positions import Train, position_key
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class LeversTried:
    went: bool
    at: dict[str, str] = field(default_factory=dict)


@register_fact
class LeversTriedKind(FactKind):
    key = "levers_tried"
    stage = "mesh"
    body = LeversTried
    inside = True

    def check(self, body: LeversTried, about: About) -> None:
        check_levers(about.d, body.at)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: LeversTried = fact.body
        position = Train(d).find(position_key(body.at))
        words = "went" if body.went else "did not go"
        if position is not None:
            right = body.went == (not position.barred)
            words += ", as it must" if right else ": WRONG"
        return RecordLine("levers tried", position.label if position else "", words, fact.by)
