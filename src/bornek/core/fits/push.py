"""A push as it is written down: points against the band that the interference and the friction give."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import cast

from bornek.core.errors import BornekError
from bornek.core.facts.reckoned import Reckoned
from bornek.core.fits.press_fit import PressFit, PushPoint, Seat, judge_push, seat_of
from bornek.core.fits.sums import kn
from bornek.core.scenes import Band, LogRow, Needle, RoundLog
from bornek.core.settings.given import read_so_far
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_calculation

SHARES = (0.25, 0.5, 0.75, 1.0)


@dataclass(frozen=True)
class Push:
    """`words`: what the points say while there is still time; empty while they lie in the band. Forces [N] with the
    seat all home."""

    low: float
    usual: float
    high: float
    length_mm: float
    words: str
    log: RoundLog


def push_of(body: Reckoned, points: Sequence[PushPoint]) -> Push | None:
    """None where what was given cannot be read any more."""
    kind = cast(PressFit, find_calculation("fit_press"))
    given, problems = read_so_far(kind, body.given, body.unit)
    if problems:
        return None
    ctx = Context(given=given, unit=body.unit)
    try:
        seat, (low, usual, high) = seat_of(ctx), kind.band(ctx)
    except (BornekError, KeyError):
        return None
    words = judge_push(seat, low, high, points)
    return Push(low, usual, high, seat.length, words, push_log(seat, (low, usual, high), points))


def push_log(seat: Seat, band: tuple[float, float, float], points: Sequence[PushPoint]) -> RoundLog:
    """Downward in travel: what is expected there, and what was read."""
    low, usual, high = band
    hi = max([high, *(p.force_n for p in points)]) * 1.08 / 1000
    rows: list[tuple[float, float | None]] = [(seat.length * share, None) for share in SHARES]
    rows += [(p.travel_mm, p.force_n) for p in points]
    shown = []
    for travel, force in sorted(rows, key=lambda r: r[0]):
        share = min(travel / seat.length, 1.0)
        due = f"{kn(low * share)} to {kn(high * share)} is due"
        found = None if force is None else Needle(force / 1000, 0.0, kn(force), "", "")
        due_band = Band(low * share / 1000, high * share / 1000, middle=usual * share / 1000)
        shown.append(LogRow(f"{travel:g} mm", due, found, None, window=due_band))
    return RoundLog(0.0, hi, tuple(shown), None, None, "Push, kN")
