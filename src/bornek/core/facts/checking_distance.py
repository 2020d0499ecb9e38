"""What is marked on a pinion."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.facts.kind import FactKind, said_or_none
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class CheckingDistance:
    """A mark on a pinion: a whole checking distance, or a deviation from it with its sense. `none`: there is no
    mark."""

    mesh: str
    typed: str = ""
    unit: Literal["mm", "thou"] = "mm"
    convention: Literal[
        "distance", "plus is farther from the gear", "plus is nearer to the gear", "not known"
    ] = "not known"
    none: bool = False


@register_fact
class CheckingDistanceKind(FactKind):
    key = "checking_distance"
    right = "take"
    stage = "strip"
    body = CheckingDistance
    rides = True

    def check(self, body: CheckingDistance, about: About) -> None:
        said_or_none(body.typed, body.none, "typed", "Type what the mark says, or that there is none.")
        if body.typed:
            parse(body.typed, "length", body.unit)

    def words(self, body: CheckingDistance) -> str:
        if body.none:
            return "none there"
        return f"{body.typed} {body.unit}: {body.convention}"
