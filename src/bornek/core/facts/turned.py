"""A free turn by hand: how it felt, and the drag if a scale was on it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition

Feel = Literal["free", "rough_once", "rough", "tight", "locked"]
FEEL_WORDS: dict[str, str] = {
    "free": "free",
    "rough_once": "rough at one place",
    "rough": "rough all round",
    "tight": "tight",
    "locked": "does not turn",
}


@dataclass(frozen=True)
class Turned:
    """`after`: the step that was worked last. `shaft`: which was turned, `turns` how often. `drag` as typed, by a
    scale at `radius`, or as a torque."""

    shaft: str
    feel: Feel
    after: str = ""
    turns: int = 5
    drag: str = ""
    words: str = ""


@register_fact
class TurnedKind(FactKind):
    key = "turned"
    stage = "plan"
    body = Turned
    must_say = ("shaft",)
    inside = True

    def check(self, body: Turned, about: About) -> None:
        if body.shaft not in {s.key for s in about.d.shafts}:
            raise InputError(f"This unit has no shaft {body.shaft!r}.", field="shaft")
        if not 1 <= body.turns <= 1000:
            raise InputError(f"turns must be 1 to 1000 (got {body.turns}).", field="turns")
        if body.drag and not 0 <= parse(body.drag, "torque", "N·m").value <= 20000:
            raise InputError(f"A drag is 0 to 20 000 N·m (got {body.drag}).", field="drag")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: Turned = fact.body
        shaft = next((s.label for s in d.shafts if s.key == body.shaft), body.shaft)
        said = (FEEL_WORDS[body.feel], f"drag {body.drag}" if body.drag else "", body.words)
        return RecordLine(
            "free turn", f"{shaft}, {body.turns} turns", "; ".join(s for s in said if s), fact.by
        )
