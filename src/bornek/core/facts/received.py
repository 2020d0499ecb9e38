"""What came of an order."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.facts.ordered import Ordered
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class Received:
    """What came, checked against the old part: widths as typed, both or neither."""

    order: str
    number: str = ""
    width_old: str = ""
    width_new: str = ""
    words: str = ""


@register_fact
class ReceivedKind(FactKind):
    key = "received"
    stage = "inspect"
    body = Received
    disturbs = True

    def check(self, body: Received, about: About) -> None:
        still_out(body.order, about)
        if bool(body.width_old) != bool(body.width_new):
            raise InputError(
                "Both widths, or neither: the old part's and the new one's.",
                field="width_new",
                next_step="Measure the other, or leave both empty.",
            )
        for text in (body.width_old, body.width_new):
            if text:
                parse(text, "length", about.unit)


def still_out(order: str, about: About) -> None:
    """Raises InputError for an order that is not there, or was received already."""
    if order not in about.bodies(Ordered):
        raise InputError("There is no order of that id.", field="order")
    if any(r.order == order for r in about.bodies(Received).values()):
        raise InputError("This order was received already.", field="order")
