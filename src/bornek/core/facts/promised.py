"""A new promise for an order."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import FactKind
from bornek.core.facts.received import still_out
from bornek.core.facts.registry import register_fact
from bornek.core.parts.days import check_day

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Promised:
    """A new promise for an order."""

    order: str
    promised: str
    words: str = ""


@register_fact
class PromisedKind(FactKind):
    key = "promised"
    stage = "inspect"
    body = Promised
    must_say = ("promised",)

    def check(self, body: Promised, about: About) -> None:
        still_out(body.order, about)
        check_day(body.promised)
