"""Grades of a part by look-for."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.parts.grades import GRADES, is_grade

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST_FOLDS = 60


@dataclass(frozen=True)
class Graded:
    """Grades by look-for; a later one of the same look-for counts. `folds` of a lock washer: on its most
    bent tab; `fresh`: tabs that were never folded."""

    part: str
    grades: dict[str, str]
    note: str = ""
    folds: int | None = None
    fresh: int | None = None


@register_fact
class GradedKind(FactKind):
    key = "graded"
    stage = "inspect"
    body = Graded
    must_say = ("part",)

    def check(self, body: Graded, about: About) -> None:
        for name, count in (("folds", body.folds), ("fresh", body.fresh)):
            if count is not None and not 0 <= count <= MOST_FOLDS:
                raise InputError(f"{name} must be 0 to {MOST_FOLDS} (got {count}).", field=name)
        known = about.looked_for(body.part)
        for key, grade in body.grades.items():
            if key not in known:
                raise InputError(f"{key!r} is not looked for on this part.", field="grades")
            if not isinstance(grade, str) or not is_grade(grade):
                allowed = ", ".join(g.key for g in GRADES)
                raise InputError(f"A grade is one of {allowed} (got {grade!r}).", field="grades")

    def look_fors(self, body: Graded) -> Mapping[str, str]:
        return body.grades
