"""A hold cleared in words."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class HoldCleared:
    cause: str
    words: str


@register_fact
class HoldClearedKind(FactKind):
    key = "hold_cleared"
    stage = "inspect"
    body = HoldCleared
    must_say = ("words",)

    def check(self, body: HoldCleared, about: About) -> None:
        if body.cause not in about.held:
            raise InputError("This hold is not open.", field="cause", next_step="Look at the page again.")
