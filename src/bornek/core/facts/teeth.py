"""The map of a gear's teeth."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.parts.teeth import DAMAGE_WORDS, ToothMark

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class TeethMarked:
    """The whole map of a gear as it now stands: (tooth, flank, damage)."""

    part: str
    marks: tuple[ToothMark, ...]


@register_fact
class TeethMarkedKind(FactKind):
    key = "teeth"
    stage = "inspect"
    body = TeethMarked
    must_say = ("part",)

    def check(self, body: TeethMarked, about: About) -> None:
        part = about.part(body.part)
        total = part.teeth if part else 0
        if not total:
            raise InputError(
                "How many teeth this gear has is not written down.",
                field="part",
                next_step="Give its teeth under What it is made of.",
            )
        for mark in body.marks:
            if not 1 <= mark.tooth <= total:
                raise InputError(f"Teeth are numbered 1 to {total} (got {mark.tooth}).", field="marks")
            if mark.damage not in DAMAGE_WORDS:
                allowed = ", ".join(DAMAGE_WORDS)
                raise InputError(f"Damage is one of {allowed} (got {mark.damage!r}).", field="marks")
