"""A setting whose adjuster is counted from where it stood in the first round: a nut from its mark, a ring from its seat."""

from __future__ import annotations

from typing import Any, ClassVar, Literal

from bornek.core.settings.common import from_start
from bornek.core.settings.kind import Setting
from bornek.core.settings.knobs import Continuous, Knob
from bornek.core.settings.records import Context
from bornek.core.settings.state import State


class Counted(Setting):
    """`counted_in` and `counted_by`: the adjuster's unit and the least that it is moved by; `touches`: the aspects of
    its place that it rests on and changes."""

    counted_in: ClassVar[str] = "deg"
    counted_by: ClassVar[float]
    touches: ClassVar[frozenset[str]]

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        return from_start(ctx, knob, self.counted_in, self.counted_by, number)

    def reads(self, ctx: Context) -> frozenset[str]:
        return self.touches

    def writes(self, ctx: Context) -> frozenset[str]:
        return self.touches


def turned_nut(
    label: str, title: str, sense: Literal[-1, 1], domain: tuple[float, float, float], **more: Any
) -> Knob:
    """A nut that is turned by degrees; `domain`: the least it is moved by, from where and how far it may be turned.

    >>> turned_nut("Nut, from its mark", "Nut", 1, (2.0, -360.0, 360.0)).unit
    'deg'
    """
    return Knob(
        key="nut",
        label=label,
        place="",
        unit="deg",
        domain=Continuous(*domain),
        sense=sense,
        noun="nut",
        title=title,
        read=True,
        **more,
    )
