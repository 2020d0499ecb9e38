"""What is said of a quantity's life: the day before which to act first, then the likely one."""

from __future__ import annotations

from datetime import date

from bornek.core.life.forecast import YEAR_DAYS, Forecast
from bornek.core.phrases import Say, Span
from bornek.core.quantities import Shown, Speech, shown_in


def month(day: date) -> str:
    """
    >>> month(date(2031, 3, 9))
    'March 2031'
    """
    return f"{day:%B %Y}"


def numbers(quantity: str, unit: str) -> Speech | Shown:
    """How a quantity is said: a length in the job's unit, anything else in its own."""
    return Speech(unit) if quantity == "length" else shown_in(quantity)


def rate_words(rate: float, base: str, say: Speech | Shown) -> str:
    """A rate as it is planned by: a year, or a thousand hours.

    >>> rate_words(0.02 / 365.25, "days", Speech())
    '0.020 a year'
    """
    per, words = (1000.0, "in 1000 h") if base == "hours" else (YEAR_DAYS, "a year")
    return f"{say.number(rate * per)} {words}"


def say_life(f: Forecast, limit: float, left: float | None, say: Speech | Shown) -> tuple[Say, str]:
    """The sentence, and what is said beside it."""
    start = f"Left at {say.number(left)} it" if left is not None else "It"
    lim = say.number(limit)
    w = f.wear
    if w.told == "past":
        found = say.number(f.sense * w.now)
        return (
            Span(f"Found at {found}, past {lim}: "),
            Span("act now", True),
            Span("."),
        ), "Set it anew, or plan the parts."
    if w.told == "too few":
        return (Span("A date needs a second visit."),), "Read it again when it is next on the bench."
    if w.told == "no trend":
        return (Span("No trend yet: it does not wear beyond what it is read by."),), ""
    if w.told == "read again":
        return (
            Span("Read it again: "),
            Span("the last reading", True),
            Span(" lies far above the others."),
        ), ""
    beside = _beside(f, say)
    if w.told == "not before":
        far = f" before {month(f.act_before)}" if f.act_before else ""
        return (Span(f"{start} does not meet {lim}{far}: five times what was watched."),), beside
    if f.act_before is None or f.likely is None:
        ahead = f"{w.act_before or 0:.0f} {'h' if f.base == 'hours' else 'days'}"
        return (
            Span("Act before "),
            Span(f"{ahead} more", True),
            Span(f": {start.lower()} meets {lim}."),
        ), beside
    return (
        Span("Act before "),
        Span(month(f.act_before), True),
        Span(f". {start} meets {lim} about {month(f.likely)}."),
    ), beside


def _beside(f: Forecast, say: Speech | Shown) -> str:
    """The rate, how much faster it wears lately, and the band of the date."""
    said = [
        f"{rate_words(f.wear.rate, f.base, say)}, give or take {rate_words(2 * f.wear.rate_sd, f.base, say)}."
    ]
    if f.faster:
        then = f": at that rate the limit is met in {month(f.at_last_rate)}" if f.at_last_rate else ""
        said.append(f"The last stretch wore {f.faster:.1f} times as fast as those before{then}.")
    if f.act_before and f.late:
        said.append(f"Limit met between {month(f.act_before)} and {month(f.late)}, eight times in ten.")
    return " ".join(said)
