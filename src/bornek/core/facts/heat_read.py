"""A temperature read on a heated or chilled part: as it came out, and again."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import InputError
from bornek.core.facts.about import About
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse
from bornek.core.units.definition import Definition

How = Literal["probe", "crayon", "infrared"]
HOW_WORDS: dict[str, str] = {
    "probe": "contact probe at the bore",
    "crayon": "crayon at the bore",
    "infrared": "infrared on a matt or painted spot",
}
MEMBERS: dict[str, str] = {"hub": "hub", "shaft": "shaft"}


@dataclass(frozen=True)
class HeatRead:
    """`fit`: the heating plan it belongs to. `t` as typed, a bare number in °C; `label` what was fitted."""

    fit: str
    t: str
    member: Literal["hub", "shaft"] = "hub"
    how: How = "probe"
    label: str = ""

    @property
    def t_c(self) -> float:
        return float(parse(self.t, "temperature", "°C").value)


@register_fact
class HeatReadKind(FactKind):
    key = "heat_read"
    right = "take"
    stage = "fit"
    body = HeatRead
    must_say = ("fit", "t")

    def check(self, body: HeatRead, about: About) -> None:
        plan = about.bodies(Reckoned).get(body.fit)
        if plan is None or plan.sum != "fit_heat":
            raise InputError("There is no heating plan of that id here.", field="fit")
        if not -200 <= body.t_c <= 400:
            raise InputError(
                f"A temperature must be −200 to 400 °C (got {body.t_c:g}).",
                field="t",
                next_step="Check the unit: °C or °F.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: HeatRead = fact.body
        said = f"{body.member} {body.t_c:.0f} °C by {HOW_WORDS[body.how]}"
        return RecordLine("heat", body.label, said, fact.by)
