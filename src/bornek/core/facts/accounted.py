"""A loose item accounted for."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.loose import Loose
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Accounted:
    """A loose item found, or shown by other means not to be inside."""

    loose: str
    words: str


@register_fact
class AccountedKind(FactKind):
    key = "accounted"
    stage = "strip"
    body = Accounted
    must_say = ("loose", "words")

    def check(self, body: Accounted, about: About) -> None:
        if body.loose not in about.bodies(Loose):
            raise InputError("There is no loose item of that id.", field="loose")
        if body.loose not in about.lying_loose and not about.correcting:
            raise InputError("This item is accounted for already.", field="loose")
