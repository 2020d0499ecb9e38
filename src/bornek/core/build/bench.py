"""What the build is checked against besides the facts: settings, orders, verdicts, the yard's tools, the clock."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime

from bornek.core.build.schedule.calendar import ShopCalendar
from bornek.core.parts.orders import OrderLine


@dataclass(frozen=True)
class YardTool:
    """One row of the yard's tools: what it is, whether it can be used, and from what torque to what [N·m]."""

    sort: str
    name: str
    usable: bool
    words: str = ""
    least: float = 0
    greatest: float = 0


@dataclass(frozen=True)
class Bench:
    """`signed`: settings by key, with when; `disturbed`: those signed and moved since. `verdicts` by part. `tools` is
    None where the yard keeps no list; `gauges` says by setting what is wrong with the gauge that it is read with. `now` is the yard's own clock, without a zone."""

    unit: str = "mm"
    signed: Mapping[str, str] = field(default_factory=dict)
    disturbed: frozenset[str] = frozenset()
    verdicts: Mapping[str, str] = field(default_factory=dict)
    orders: Sequence[OrderLine] = ()
    tools: Sequence[YardTool] | None = None
    gauges: Mapping[str, str] = field(default_factory=dict)
    now: datetime | None = None
    calendar: ShopCalendar | None = None

    def last_order(self, part: str) -> OrderLine | None:
        """The newest order of a part, received or not.

        >>> Bench().last_order("cup") is None
        True
        """
        return next((o for o in reversed(self.orders) if o.part == part), None)


def yard_moment(text: str) -> datetime:
    """A stored moment as the yard's clock said it, without its zone."""
    return datetime.fromisoformat(text).replace(tzinfo=None)
