"""What is marked on a pinion."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class CheckingDistance:
    """A mark on a pinion: a whole checking distance, or a deviation from it with its sense."""

    mesh: str
    typed: str
    unit: Literal["mm", "thou"]
    convention: Literal[
        "distance", "plus is farther from the gear", "plus is nearer to the gear", "not known"
    ]


@register_fact
class CheckingDistanceKind(FactKind):
    key = "checking_distance"
    stage = "strip"
    body = CheckingDistance
    must_say = ("typed",)
    rides = True

    def check(self, body: CheckingDistance, about: About) -> None:
        parse(body.typed, "length", body.unit)

    def words(self, body: CheckingDistance) -> str:
        return f"{body.typed} {body.unit}: {body.convention}"
