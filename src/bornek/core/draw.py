"""Builds the drawings that every setting shares: readout strip, round log, shim pack."""

from __future__ import annotations

import math
from collections.abc import Iterable

from bornek.core.advice.domains import position
from bornek.core.advice.packs import change, stacked
from bornek.core.advice.propose import Proposal
from bornek.core.advice.replay import History, Round
from bornek.core.phrases import adjust, text_of
from bornek.core.quantities import Speech, decimals, from_nm, signed
from bornek.core.scenes import Band, LogRow, Needle, Pack, Plate, RoundLog, Strip, Tick
from bornek.core.settings.kind import Result
from bornek.core.windows import AtMost, Interval, Normal, Value, Verdict, Window

STEPS = (1.0, 2.0, 5.0)
LOG_ROWS = 6


def nice_step(span: float, most: int) -> float:
    """The least of 1, 2, 5 × 10ⁿ that cuts `span` into at most `most` parts.

    >>> nice_step(0.34, 8)
    0.05
    """
    power = 10.0 ** math.floor(math.log10(span / most))
    return float(next(round(s * power, 12) for s in (*STEPS, 10.0) if span / (s * power) <= most))


FAR = 20


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
        held += [e for e in (window.lo, window.hi) if e is not None]
    far = bool(held) and min(held) > FAR * max(max(held) - min(held), 1e-3)
    if far:
        pad = max((max(held) - min(held)) * 0.25, 1e-3)
        return round(min(held) - pad, 9), round(max(held) + pad, 9)
    if not held or min(held) >= 0:
        held.append(0.0)
    lo, hi = min(held), max(held)
    pad = max((hi - lo) * 0.1, 1e-3)
    return (lo if lo == 0 else lo - pad), hi + pad


def _ticks(lo: float, hi: float, per: float) -> tuple[Tick, ...]:
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
    other = say.other(value.v, 2 * value.u)
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
            value.v, 2 * value.u, say.number(value.v), f"± {say.spread(2 * value.u)} {say.unit}", words
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
        lo=lo if window.lo is None else window.lo,
        hi=hi if window.hi is None else window.hi,
        label=window.words(say),
        middle=None,
        open_lo=window.lo is None,
        open_hi=window.hi is None,
    )


def landing(proposal: Proposal | None, say: Speech) -> Band | None:
    if proposal is None or proposal.best is None or proposal.stay:
        return None
    p = proposal.best.predicted
    return Band(p.v - 2 * p.u, p.v + 2 * p.u, f"{say.number(p.v)} ± {say.spread(2 * p.u)}", p.v)


def _points(history: History | None, result: Result, land: Band | None) -> list[float]:
    found = [result.value] + ([r.found for r in history.rounds[-LOG_ROWS:]] if history else [])
    points = list(result.readings)
    for v in found:
        if isinstance(v, Normal):
            points += [v.v - 2 * v.u, v.v + 2 * v.u]
        elif isinstance(v, Interval):
            points += [v.a, v.b]
        elif isinstance(v, AtMost):
            points.append(v.c)
    if history:
        points += [r.predicted.v for r in history.rounds[-LOG_ROWS:] if r.predicted]
    return points + ([land.lo, land.hi] if land else [])


def strip(result: Result, history: History | None, proposal: Proposal | None, say: Speech) -> Strip:
    land = landing(proposal, say)
    lo, hi = strip_scale(_points(history, result, land), result.window)
    words = value_words(result.value, result.window, result.verdict, say)
    return Strip(
        label=result.label,
        unit=say.unit,
        lo=lo,
        hi=hi,
        ticks=_ticks(lo, hi, say.per_mm),
        window=window_band(result.window, lo, hi, say),
        window_not_in_force=None,
        aim=result.aim,
        readings=result.readings,
        needle=needle(result.value, words, say),
        verdict=result.verdict.code,
        verdict_words=result.verdict.words,
        landing=land,
        verdict_leaning=result.verdict.leaning,
    )


def plain_strip(result: Result, unit: str) -> Strip:
    """A strip for a quantity that is not a length: a drag, a force, a ratio."""
    points = list(result.readings)
    if isinstance(result.value, Normal):
        points.append(result.value.v)
    lo, hi = strip_scale(points, result.window)
    w = result.window
    band = None
    if w is not None:
        a, b = (lo if w.lo is None else w.lo), (hi if w.hi is None else w.hi)
        band = Band(lo=a, hi=b, label=f"{a:g}–{b:g}", middle=None, open_lo=w.lo is None, open_hi=w.hi is None)
    mark = None
    if isinstance(result.value, Normal):
        mark = Needle(
            result.value.v,
            2 * result.value.u,
            f"{result.value.v:.2f}",
            f"± {2 * result.value.u:.2f} {unit}",
            "",
        )
    return Strip(
        label=result.label,
        unit=unit,
        lo=lo,
        hi=hi,
        ticks=_ticks(lo, hi, 1.0),
        window=band,
        window_not_in_force=None,
        aim=result.aim,
        readings=result.readings,
        needle=mark,
        verdict=result.verdict.code,
        verdict_words=result.verdict.words,
    )


def round_log(history: History, shown: Strip, proposal: Proposal | None, say: Speech) -> RoundLog:
    """The rounds downward on the strip's own scale; older ones fold when there are many."""
    rows = [
        _log_row(history.rounds[i - 1] if i else None, r, history, say) for i, r in enumerate(history.rounds)
    ]
    folded = len(rows) - (LOG_ROWS - 1)
    if folded > 1:
        rows = [LogRow(f"Rounds 1 to {folded}", "folded", None, None), *rows[folded:]]
    if proposal is not None and proposal.best is not None and not proposal.stay:
        state = proposal.best.state
        move = ""
        if history.last.state is not None:
            move = text_of(adjust(history.knob, history.last.state, state, say)).strip().rstrip(".")
        rows.append(
            LogRow(
                label=f"Round {history.last.number + 1}",
                pack=_state_words(history, state, say),
                found=None,
                predicted=landing(proposal, say),
                move=move,
                remark="expected",
            )
        )
    return RoundLog(shown.lo, shown.hi, tuple(rows), shown.window, shown.aim)


def _state_words(history: History, state: object, say: Speech) -> str:
    if isinstance(state, tuple):
        return f"pack {say.size(from_nm(sum(state)))}"
    return f"{history.knob.noun} {say.size(float(state))}" if isinstance(state, float | int) else ""


def _log_row(before: Round | None, r: Round, history: History, say: Speech) -> LogRow:
    predicted = None
    remark = ""
    if r.predicted is not None:
        p = r.predicted
        predicted = Band(p.v - 2 * p.u, p.v + 2 * p.u, say.number(p.v), p.v)
        if isinstance(r.found, Normal):
            gap = r.found.v - p.v
            side = "more" if gap > 0 else "less"
            remark = f"{say.number(abs(gap))} {side} than expected {say.number(p.v)}"
        else:
            remark = f"expected {say.number(p.v)}"
    if r.held_out:
        remark += " · held out"
    move = ""
    if before is not None and before.state is not None and r.state is not None:
        move = text_of(adjust(history.knob, before.state, r.state, say)).strip().rstrip(".")
    target = r.outcome.target()
    value = target.value if target else r.found
    return LogRow(
        label=f"Round {r.number}",
        pack=_state_words(history, r.state, say),
        found=needle(value, "", say),
        predicted=predicted,
        move=move,
        remark=remark,
        held_out=r.held_out,
    )


def pack(history: History, proposal: Proposal | None, stock: dict[int, int], say: Speech) -> Pack | None:
    """The pack now, and after the proposed move, to scale."""
    now = history.last.state
    if not isinstance(now, tuple):
        return None
    label = say.size(position(now))
    after = proposal.best.state if proposal and proposal.best and not proposal.stay else None
    if not isinstance(after, tuple) or sorted(after) == sorted(now):
        kept = tuple(Plate(from_nm(t), say.size(from_nm(t))) for t in stacked(now))
        return Pack(history.knob.title, kept, label, under_cover=history.knob.sense != -1)
    out, new = change(now, after)
    by = position(after) - position(now)
    return Pack(
        title=history.knob.title,
        now=_plates(now, out, "out", say),
        now_label=label,
        after=_plates(after, new, "new", say),
        after_label=say.size(position(after)),
        change_label=f"{'+' if by > 0 else ''}{say.size(by)}",
        under_cover=history.knob.sense != -1,
        drawer_label=_drawer_words(new, stock, say),
    )


def _plates(state: tuple[int, ...], moved: list[int], role: str, say: Speech) -> tuple[Plate, ...]:
    left = list(moved)
    plates = []
    for t in stacked(state):
        is_moved = t in left
        if is_moved:
            left.remove(t)
        plates.append(Plate(from_nm(t), say.size(from_nm(t)), role if is_moved else "kept"))  # type: ignore[arg-type]
    return tuple(plates)


def _drawer_words(new: list[int], stock: dict[int, int], say: Speech) -> str:
    if not new:
        return ""
    counts = [f"{stock.get(t, 0)} of {say.size(from_nm(t))}" for t in sorted(set(new), reverse=True)]
    return f"drawer: {', '.join(counts)}"


def value_label(value: Value | None, say: Speech) -> str:
    """A value in one short phrase, for the record.

    >>> value_label(Normal(0.145, 0.0032), Speech())
    '0.145 ± 0.007 mm'
    """
    shown = needle(value, "", say)
    return "not read" if shown is None else f"{shown.label} {shown.give_label}"
