"""What the hour meter said, and when."""

from __future__ import annotations

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.parts.days import check_day
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST_HOURS = 1_000_000.0
WHEN = {"receiving": "as received", "closing": "at closing"}


@dataclass(frozen=True)
class HourMeter:
    """`reading` as typed [h]; `none`: there is no meter, or it cannot be read. `read_on` may lie before the day
    on which it was written. `words`: why it reads less than before, or why there is none."""

    when: Literal["receiving", "closing"]
    read_on: str
    reading: str = ""
    none: bool = False
    words: str = ""


@register_fact
class HourMeterKind(FactKind):
    key = "hour_meter"
    right = "take"
    stage = "job"
    body = HourMeter
    must_say = ("when", "read_on")

    def check(self, body: HourMeter, about: About) -> None:
        check_day(body.read_on, "read_on")
        if body.none == bool(body.reading):
            raise InputError(
                "The hour meter has a reading, or there is none: one of the two.",
                field="reading",
                next_step="Type what it says, or say that there is none.",
            )
        before = [h for f, h in about.bodies(HourMeter).items() if h.when == "receiving" and h.reading]
        if body.reading and body.when == "closing" and before and not body.words:
            was = hours_of(before[-1].reading)
            if hours_of(body.reading) < was:
                raise InputError(
                    f"It said {before[-1].reading} h when it came in: {body.reading} h is less.",
                    field="reading",
                    next_step="Read it again, or say why (another meter, set back).",
                )
        if body.reading:
            hours_of(body.reading)

    def words(self, body: HourMeter) -> str:
        said = "no hour meter" if body.none else f"{body.reading} h"
        return "; ".join(w for w in (f"{said} on {body.read_on}", body.words) if w)

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        return RecordLine("hour meter", WHEN[fact.body.when], self.words(fact.body), fact.by)


def hours_of(text: str) -> float:
    """Running hours as typed: digits with a point or a comma, spaces between thousands.

    >>> hours_of("4 815,5"), hours_of("12 h")
    (4815.5, 12.0)
    """
    plain = re.sub(r"[ \u00a0\u202f]", "", text.strip().removesuffix("h")).replace(",", ".")
    match = re.fullmatch(r"\d{1,9}(\.\d{1,6})?", plain, re.ASCII)
    hours = float(plain) if match else math.inf
    if hours > MOST_HOURS:
        raise InputError(
            f"{text[:40]!r} is no hour meter reading.",
            field="reading",
            next_step="Type running hours, such as 4815 or 4815.5.",
        )
    return hours


def hours_written(facts: Sequence[Fact], when: str) -> bool:
    return any(isinstance(f.body, HourMeter) and f.body.when == when for f in facts)
