"""Match marks of a mesh."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import FactKind, said_or_none
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class MatchMarks:
    mesh: str
    """`none`: no mark was there, and none was painted."""

    marks: str = ""
    own: bool = False
    none: bool = False


@register_fact
class MatchMarksKind(FactKind):
    key = "match_marks"
    stage = "strip"
    body = MatchMarks
    rides = True

    def check(self, body: MatchMarks, about: About) -> None:
        said_or_none(body.marks, body.none, "marks", "Say which marks stand where, or that there are none.")

    def words(self, body: MatchMarks) -> str:
        if body.none:
            return "none there"
        return f"{body.marks}{' (own paint)' if body.own else ''}"
