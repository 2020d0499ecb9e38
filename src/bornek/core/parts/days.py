"""Days as they are written: 2026-11-30."""

from __future__ import annotations

import calendar
import re

from bornek.core.errors import InputError


def check_day(text: str, field: str = "promised") -> str:
    """A day as it is written: 2026-11-30. Raises InputError for `field`.

    >>> check_day("2028-02-29")
    '2028-02-29'
    """
    match = re.fullmatch(r"(\d{4})-(\d{2})-(\d{2})", text)
    year, month, day = (int(x) for x in match.groups()) if match else (0, 0, 0)
    if not (year and 1 <= month <= 12 and 1 <= day <= calendar.monthrange(year, month)[1]):
        raise InputError(f"{text!r} is no date.", field=field, next_step="Write it as 2026-11-30.")
    return text


def is_late(promised: str, today: str) -> bool:
    """Both as written, 2026-11-30: such days sort as they follow each other.

    >>> is_late("2026-11-30", "2026-12-01"), is_late("2026-11-30", "2026-11-30"), is_late("", "2026-12-01")
    (True, False, False)
    """
    return bool(promised) and promised < today
