"""A point of a push: the gauge at so much travel."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class PushRead:
    """`fit`: the pressing plan it belongs to. As typed: `travel`, a bare number in mm, and `push`, a bare number in
    kN."""

    fit: str
    travel: str
    push: str
    label: str = ""

    @property
    def travel_mm(self) -> float:
        return float(parse(self.travel, "length", "mm").value)

    @property
    def push_n(self) -> float:
        return float(parse(self.push, "force", "kN").value)


@register_fact
class PushReadKind(FactKind):
    key = "push_read"
    right = "take"
    stage = "fit"
    body = PushRead
    must_say = ("fit", "travel", "push")

    def check(self, body: PushRead, about: About) -> None:
        plan = about.bodies(Reckoned).get(body.fit)
        if plan is None or plan.sum != "fit_press":
            raise InputError("There is no pressing plan of that id here.", field="fit")
        if not 0 <= body.travel_mm <= 2000:
            raise InputError(f"travel must be 0 to 2000 mm (got {body.travel}).", field="travel")
        if not 0 <= body.push_n <= 1e8:
            raise InputError(f"push must be 0 to 100 000 kN (got {body.push}).", field="push")

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: PushRead = fact.body
        return RecordLine("push", body.label, f"{body.push_n / 1000:g} kN at {body.travel_mm:g} mm", fact.by)
