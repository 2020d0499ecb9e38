"""Bolts of a step tightened: how far through the order and its stages."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact

MOST = 2000


@dataclass(frozen=True)
class BoltsTight:
    """`turns`: bolts brought to their stage so far, all stages counted on. `own_order`: not in the order shown."""

    step: str
    turns: int
    own_order: bool = False


@register_fact
class BoltsTightKind(FactKind):
    key = "bolts_tight"
    stage = "plan"
    body = BoltsTight
    must_say = ("step",)
    inside = True

    def check(self, body: BoltsTight, about: About) -> None:
        if not 0 <= body.turns <= MOST:
            raise InputError(f"turns must be 0 to {MOST} (got {body.turns}).", field="turns")
