"""The shop's hours: by weekday, what is otherwise on a day, and how many pairs of hands."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.schedule.calendar import CLOSED, USUAL_WEEK, Shift, ShopCalendar
from bornek.core.errors import InputError
from bornek.core.parts.days import check_day
from bornek.core.plain import dump
from bornek.services.desk import Desk
from bornek.store import tables as t
from bornek.store.queries.shop_time import last_hours

WEEKDAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
MOST_HANDS = 50


@dataclass(frozen=True)
class ShiftView:
    """`opens` and `closes` as 08:00, both empty on a closed day. `day` is a weekday, or a day as 2026-12-24."""

    day: str
    opens: str
    closes: str
    hands: int
    words: str


@dataclass(frozen=True)
class HoursView:
    """`said`: somebody wrote them down; else they are the usual ones."""

    said: bool
    week: list[ShiftView]
    days: list[ShiftView]


def shop_calendar(session: Session) -> ShopCalendar:
    row = last_hours(session)
    if row is None:
        return ShopCalendar()
    week = tuple(_shift(x) for x in row.week)
    return ShopCalendar(week, {str(x["day"]): _shift(x) for x in row.days})


def _shift(stored: Mapping[str, Any]) -> Shift:
    if not stored["hands"] or not stored["opens"]:
        return CLOSED
    return (_minute(stored["opens"]), _minute(stored["closes"]), int(stored["hands"]))


def _minute(text: str) -> int:
    """
    >>> _minute("08:30")
    510
    """
    hours, minutes = text.split(":")
    return int(hours) * 60 + int(minutes)


def view_hours(session: Session) -> dict[str, Any]:
    row = last_hours(session)
    if row is None:
        week = [_usual(name, shift) for name, shift in zip(WEEKDAYS, USUAL_WEEK, strict=True)]
        return dict(dump(HoursView(False, week, [])))
    week = [
        ShiftView(name, x["opens"], x["closes"], x["hands"], "")
        for name, x in zip(WEEKDAYS, row.week, strict=True)
    ]
    days = [ShiftView(x["day"], x["opens"], x["closes"], x["hands"], x["words"]) for x in row.days]
    return dict(dump(HoursView(True, week, days)))


def _usual(name: str, shift: Shift) -> ShiftView:
    opens, closes, hands = shift
    if not hands:
        return ShiftView(name, "", "", 0, "")
    return ShiftView(
        name, f"{opens // 60:02d}:{opens % 60:02d}", f"{closes // 60:02d}:{closes % 60:02d}", hands, ""
    )


def write_hours(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, week (seven of opens, closes, hands from Monday), days (of day, opens, closes, hands, words)."""
    who = desk.mechanic()
    if len(sent["week"]) != 7:
        raise InputError("A week has seven days.", field="week", next_step="Send Monday to Sunday.")
    week = [_checked(x, WEEKDAYS[n], f"week[{n}]") for n, x in enumerate(sent["week"])]
    days = []
    for n, x in enumerate(sent["days"]):
        check_day(str(x.get("day", "")), f"days[{n}].day")
        days.append(
            {**_checked(x, x["day"], f"days[{n}]"), "day": x["day"], "words": str(x.get("words", ""))[:120]}
        )
    if len({d["day"] for d in days}) < len(days):
        raise InputError("A day is written twice.", field="days", next_step="Leave one of the two.")
    if not any(x["hands"] for x in week):
        raise InputError(
            "The shop is never open.", field="week", next_step="Write the hours of one day at least."
        )
    last = last_hours(desk.session)
    desk.session.add(
        t.ShopHours(
            id=sent["id"],
            number=(last.number if last else 0) + 1,
            week=week,
            days=sorted(days, key=lambda d: d["day"]),
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()


def _checked(x: Mapping[str, Any], name: str, path: str) -> dict[str, Any]:
    hands = x.get("hands", 0)
    if isinstance(hands, bool) or not isinstance(hands, int) or not 0 <= hands <= MOST_HANDS:
        raise InputError(f"{name}: hands must be 0 to {MOST_HANDS}.", field=f"{path}.hands")
    opens, closes = str(x.get("opens", "")), str(x.get("closes", ""))
    if not hands or not (opens or closes):
        return {"opens": "", "closes": "", "hands": 0}
    for key, text in (("opens", opens), ("closes", closes)):
        if re.fullmatch(r"([01]\d|2[0-3]):[0-5]\d|24:00", text) is None:
            raise InputError(
                f"{name}: {key} must be a time such as 08:00 (got {text[:10]!r}).", field=f"{path}.{key}"
            )
    if _minute(closes) <= _minute(opens):
        raise InputError(
            f"{name}: it closes at {closes}, before it opens at {opens}.",
            field=f"{path}.closes",
            next_step="A night shift is written on both days.",
        )
    return {"opens": opens, "closes": closes, "hands": hands}
