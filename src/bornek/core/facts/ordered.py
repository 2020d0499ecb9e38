"""A part ordered or sent out."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind, Findable
from bornek.core.facts.registry import register_fact
from bornek.core.parts.days import check_day

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST = 500


@dataclass(frozen=True)
class Ordered:
    """Ordered or sent out; `promised` as 2026-11-30 or empty."""

    part: str
    what: Literal["order", "send_out"]
    number: str
    supplier: str
    count: int = 1
    promised: str = ""
    words: str = ""


@register_fact
class OrderedKind(FactKind):
    key = "ordered"
    stage = "inspect"
    body = Ordered
    disturbs = True
    must_say = ("part", "number", "supplier")
    found_as = "order"

    def check(self, body: Ordered, about: About) -> None:
        if not 1 <= body.count <= MOST:
            raise InputError(f"count must be 1 to {MOST} (got {body.count}).", field="count")
        if body.promised:
            check_day(body.promised)

    def findable(self, body: Ordered, tag: str, label: str) -> Findable:
        words = f"{body.number} {body.supplier}".strip()
        return Findable(self.found_as, f"{words}, on order", words)
