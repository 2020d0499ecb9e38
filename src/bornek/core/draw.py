"""Builds the drawings that every setting shares: readout strip, round log, shim pack."""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import replace

from bornek.core.advice.history import History
from bornek.core.advice.proposal import Proposal
from bornek.core.quantities import Shown, Speech, decimals, shown_in, signed
from bornek.core.scenes import Band, Needle, Readout, Tick
from bornek.core.settings.kind import Result
from bornek.core.settings.records import Predicted
from bornek.core.uncertainty import expanded
from bornek.core.windows import AtMost, Interval, Normal, Value, Verdict, Window

STEPS = (1.0, 2.0, 5.0)
LOG_ROWS = 6
"""Rounds that fit below the strip; older ones fold into one line."""


def nice_step(span: float, most: int) -> float:
    """The least of 1, 2, 5 × 10ⁿ that cuts `span` into at most `most` parts.

    >>> nice_step(0.34, 8)
    0.05
    """
    power = 10.0 ** math.floor(math.log10(span / most))
    return float(next(round(s * power, 12) for s in (*STEPS, 10.0) if span / (s * power) <= most))


FAR = 20
"""Farther from zero than this many of its own spreads, a value is shown without the zero."""


def strip_scale(points: Iterable[float], window: Window | None) -> tuple[float, float]:
    """The strip's ends: hold zero or the window's own end, every value and the landing.

    What lies far from zero for its spread, a shaft's size, is shown without it.

    >>> strip_scale([80.01], Window(80.002, 80.021, "ISO 286"))
    (79.99725, 80.02575)
    >>> strip_scale([0.145], Window(0.06, 0.12, "card"))[0]
    0.0
    """
    held = [p for p in points if math.isfinite(p)]
    if window is not None:
        held += [e for e in (window.low, window.high) if math.isfinite(e)]
    far = len(set(held)) > 1 and min(held) > FAR * max(max(held) - min(held), 1e-3)
    if far:
        pad = max((max(held) - min(held)) * 0.25, 1e-3)
        return round(min(held) - pad, 9), round(max(held) + pad, 9)
    if not held or min(held) >= 0:
        held.append(0.0)
    lo, hi = min(held), max(held)
    pad = max((hi - lo) * 0.1, 1e-3)
    return (lo if lo == 0 else lo - pad), hi + pad


def rule_ticks(lo: float, hi: float, per: float) -> tuple[Tick, ...]:
    """Graduations from lo to hi, every fifth with its number in the unit of which `per` are one mm."""
    step = nice_step((hi - lo) * per, 8)
    fine = step / 5
    first, last = math.ceil(lo * per / fine - 1e-9), math.floor(hi * per / fine + 1e-9)
    places = max(decimals(step, 0, 4), 2 if per == 1.0 else 0)
    return tuple(
        Tick(i * fine / per, signed(i * fine, places) if i % 5 == 0 else "") for i in range(first, last + 1)
    )


def value_words(value: Value | None, window: Window | None, judged: Verdict, say: Speech) -> str:
    """How far from the window's nearest end, and the value in the other unit."""
    if not isinstance(value, Normal):
        return "the needle did not move" if isinstance(value, AtMost) else ""
    other = say.other(value.v, expanded(value.u))
    if window is None:
        return other
    if window.hi is not None and value.v > window.hi:
        return f"{say.number(value.v - window.hi)} over the window · {other}"
    if window.lo is not None and value.v < window.lo:
        return f"{say.number(window.lo - value.v)} under the window · {other}"
    ends = [abs(value.v - e) for e in (window.lo, window.hi) if e is not None]
    return f"{say.number(min(ends))} inside the window · {other}" if ends else other


def needle(value: Value | None, words: str, say: Speech) -> Needle | None:
    if isinstance(value, Normal):
        return Needle(
            at=value.v,
            give=expanded(value.u),
            label=say.number(value.v),
            give_label=f"± {say.spread(expanded(value.u))} {say.unit}",
            words=words,
        )
    if isinstance(value, AtMost):
        return Needle(
            at=value.c,
            give=0.0,
            label=f"≤ {say.number(value.c)}".replace("≤ ", "at most "),
            give_label=say.unit,
            words=words,
            bound=True,
        )
    if isinstance(value, Interval):
        middle = (value.a + value.b) / 2
        label = f"{say.size(value.a)}–{say.size(value.b)}"
        return Needle(middle, (value.b - value.a) / 2, label, say.unit, "between the blades")
    return None


def window_band(window: Window | None, lo: float, hi: float, say: Speech) -> Band | None:
    if window is None:
        return None
    return Band(
        lo=max(lo, window.low),
        hi=min(hi, window.high),
        label=window.words(say),
        middle=None,
        open_lo=math.isinf(window.low),
        open_hi=math.isinf(window.high),
    )


def _other_band(window: Window | None, lo: float, hi: float, say: Speech) -> Band | None:
    """The window that is not in force, with what it is for."""
    band = window_band(window, lo, hi, say)
    return None if band is None or window is None else replace(band, label=f"{window.basis} {band.label}")


def landing_of(p: Predicted | None, say: Speech, quantity: str = "length", unit: str = "") -> Band | None:
    """Where the next reading is expected: give or take about it."""
    if p is None:
        return None
    give = expanded(p.u)
    own = shown_in(quantity, unit)
    label = (
        f"{say.number(p.v)} ± {say.spread(give)}"
        if quantity == "length"
        else f"{own.number(p.v)} ± {own.number(give)}"
    )
    return Band(p.v - give, p.v + give, label, p.v)


def landing(
    proposal: Proposal | None, row: str, say: Speech, quantity: str = "length", unit: str = ""
) -> Band | None:
    if proposal is None or proposal.best is None or proposal.stay:
        return None
    return landing_of(proposal.best.predicted.get(row), say, quantity, unit)


def _points(history: History | None, result: Result, land: Band | None) -> list[float]:
    rounds = history.rounds[-LOG_ROWS:] if history else ()
    points = list(result.readings)
    for v in (result.value, *(r.values.get(result.key) for r in rounds)):
        if isinstance(v, Normal):
            points += [v.v - expanded(v.u), v.v + expanded(v.u)]
        elif isinstance(v, Interval):
            points += [v.a, v.b]
        elif isinstance(v, AtMost):
            points.append(v.c)
    points += [p.v for r in rounds if (p := r.promised.get(result.key)) is not None]
    return points + ([land.lo, land.hi] if land else [])


def readout(result: Result, history: History | None, proposal: Proposal | None, say: Speech) -> Readout:
    land = landing(proposal, result.key, say)
    ends = [e for e in (result.other.lo, result.other.hi) if e is not None] if result.other else []
    lo, hi = strip_scale([*_points(history, result, land), *ends], result.window)
    words = " · ".join(
        x for x in (value_words(result.value, result.window, result.verdict, say), result.beside) if x
    )
    return Readout(
        label=result.label,
        unit=say.unit,
        lo=lo,
        hi=hi,
        ticks=rule_ticks(lo, hi, say.per_mm),
        window=window_band(result.window, lo, hi, say),
        window_not_in_force=_other_band(result.other, lo, hi, say),
        aim=result.aim,
        readings=result.readings,
        needle=needle(result.value, words, say),
        verdict=result.verdict.code,
        verdict_words=result.verdict.words,
        landing=land,
        verdict_leaning=result.verdict.leaning,
    )


def plain_readout(
    result: Result, history: History | None = None, proposal: Proposal | None = None
) -> Readout:
    """A strip for a quantity that is not a length: a drag, a force, a share of the flank."""
    own = shown_in(result.quantity, result.unit)
    land = landing(proposal, result.key, Speech(), result.quantity, result.unit)
    lo, hi = strip_scale(_points(history, result, land), result.window)
    w = result.window
    band = None
    if w is not None:
        a, b = max(lo, w.low), min(hi, w.high)
        band = Band(a, b, _plain_window(w, own), None, math.isinf(w.low), math.isinf(w.high))
    return Readout(
        label=result.label,
        unit=own.unit,
        lo=lo,
        hi=hi,
        ticks=rule_ticks(lo, hi, own.per),
        window=band,
        aim=result.aim,
        readings=result.readings,
        needle=plain_needle(result.value, own, result.beside),
        verdict=result.verdict.code,
        verdict_words=result.verdict.words,
        landing=land,
        verdict_leaning=result.verdict.leaning,
    )


def _plain_window(w: Window, own: Shown) -> str:
    """A window's ends in the unit shown, rounded inward."""
    lo, hi = own.inward(max(w.low, -1e9), min(w.high, 1e9))
    if math.isinf(w.low):
        return f"at most {hi}"
    return f"at least {lo}" if math.isinf(w.high) else f"{lo}–{hi}"


def plain_needle(value: Value | None, own: Shown, words: str = "") -> Needle | None:
    if isinstance(value, AtMost):
        label = f"at most {own.number(value.c)}"
        return Needle(at=value.c, give=0.0, label=label, give_label=own.unit, words=words, bound=True)
    if not isinstance(value, Normal):
        return None
    give = expanded(value.u)
    return Needle(value.v, give, own.number(value.v), f"± {own.number(give)} {own.unit}".rstrip(), words)


def value_label(value: Value | None, say: Speech) -> str:
    """A value in one short phrase, for the record.

    >>> value_label(Normal(0.145, 0.0032), Speech())
    '0.145 ± 0.007 mm'
    """
    shown = needle(value, "", say)
    return "not read" if shown is None else f"{shown.label} {shown.give_label}"
