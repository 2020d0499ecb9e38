"""Match marks of a mesh."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact


@dataclass(frozen=True)
class MatchMarks:
    mesh: str
    marks: str
    own: bool = False


@register_fact
class MatchMarksKind(FactKind):
    key = "match_marks"
    stage = "strip"
    body = MatchMarks
    must_say = ("marks",)
    rides = True

    def words(self, body: MatchMarks) -> str:
        return f"{body.marks}{' (own paint)' if body.own else ''}"
