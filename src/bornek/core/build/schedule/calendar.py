"""The shop's hours: by weekday, with closed days, and how many pairs of hands there are."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime, time, timedelta

import numpy as np
from numpy.typing import NDArray

DAY = 24 * 60
"""Minutes of a day."""
Shift = tuple[int, int, int]
"""Opens and closes [min after midnight], pairs of hands."""
CLOSED: Shift = (0, 0, 0)
USUAL_WEEK: tuple[Shift, ...] = (*(((8 * 60, 17 * 60, 1),) * 5), CLOSED, CLOSED)
"""Until the yard says otherwise: Monday to Friday, 8 to 17, one pair of hands."""


@dataclass(frozen=True)
class ShopCalendar:
    """`week` from Monday; `days` what is otherwise on a day, as 2026-12-24 → shift."""

    week: tuple[Shift, ...] = USUAL_WEEK
    days: Mapping[str, Shift] = field(default_factory=dict)

    def shift(self, day: str, weekday: int) -> Shift:
        """
        >>> ShopCalendar(days={"2026-12-24": CLOSED}).shift("2026-12-24", 3)
        (0, 0, 0)
        """
        return self.days.get(day, self.week[weekday])

    def hands(self, start: datetime, days: int) -> NDArray[np.int16]:
        """Pairs of hands for each minute from `start`, for so many whole days on.

        >>> h = ShopCalendar().hands(datetime(2026, 11, 23, 16, 0), 1)
        >>> int(h[0]), int(h[59]), int(h[60]), int(h[16 * 60])
        (1, 1, 0, 1)
        """
        midnight = datetime.combine(start.date(), time())
        whole = np.zeros((days + 1) * DAY, dtype=np.int16)
        for n in range(days + 1):
            day = midnight + timedelta(days=n)
            opens, closes, hands = self.shift(day.date().isoformat(), day.weekday())
            whole[n * DAY + opens : n * DAY + closes] = hands
        gone = int((start - midnight).total_seconds() // 60)
        return whole[gone : gone + days * DAY]

    @property
    def longest_day(self) -> int:
        """[min]

        >>> ShopCalendar().longest_day
        540
        """
        shifts = [*self.week, *self.days.values()]
        return max((closes - opens for opens, closes, hands in shifts if hands), default=0)

    def closes_at(self, moment: datetime) -> datetime | None:
        """When the shop closes on the day of a moment; None on a closed day.

        >>> ShopCalendar().closes_at(datetime(2026, 11, 23, 10, 0))
        datetime.datetime(2026, 11, 23, 17, 0)
        """
        opens, closes, hands = self.shift(moment.date().isoformat(), moment.weekday())
        if not hands or closes <= opens:
            return None
        return datetime.combine(moment.date(), time()) + timedelta(minutes=closes)
