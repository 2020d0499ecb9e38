"""The next move: which reachable state, what to expect of it, and when to leave it alone."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.belief import Floats, chance_between
from bornek.core.advice.choose import Aim, Scores, ranked, score, target
from bornek.core.advice.domains import Choices, choices, position
from bornek.core.advice.replay import UM, History
from bornek.core.errors import NotSolved
from bornek.core.quantities import from_nm, to_nm
from bornek.core.settings.kind import Candidate, Packs
from bornek.core.settings.records import Predicted, State
from bornek.core.windows import AtMost, Interval, Normal, Value, Verdict, chance_in

ALTERNATIVES = 2
MISSING_GAIN = 0.08
SEATING_SHARE = 0.5


@dataclass(frozen=True)
class Proposal:
    """The move and its rivals. `stay` says that nothing should be changed and why."""

    best: Candidate | None
    alternatives: tuple[Candidate, ...] = ()
    stay: str = ""
    now_in: float = 0.0
    provable: bool = True
    missing: float | None = None
    missing_p: float = 0.0
    seating: bool = False


def aim_of(history: History, u_reading: float) -> tuple[Aim, bool]:
    """Window about the aim in µm, drawn in by U where that leaves something to land in."""
    w, aim = history.window, history.aim
    lo = -math.inf if w.lo is None else (w.lo - aim) * UM
    hi = math.inf if w.hi is None else (w.hi - aim) * UM
    half = w.half * UM if not math.isinf(w.half) else 50.0
    guard = 2 * u_reading * UM
    provable = lo + guard < hi - guard
    if provable:
        lo, hi = lo + guard, hi - guard
    middle = 0.0 if w.middle is None else (w.middle - aim) * UM
    side = -1 if history.response.harm == "low" else 1
    harm = middle + side * 2 * half
    grid = 10.0 if isinstance(history.knob.domain, Packs) else 1.0
    return Aim(lo=lo, hi=hi, h=half, harm=harm, grid=grid, harm_side=side), provable


def reading_u(history: History) -> float:
    """Standard uncertainty to expect of the next round's reading [mm]."""
    measured = [r.found.u for r in history.rounds if isinstance(r.found, Normal)]
    if measured:
        return min(measured)
    return history.response.s_r[0] / math.sqrt(max(history.response.repeats, 1))


def propose(history: History, stock: Mapping[int, int], judged: Verdict) -> Proposal:
    """The move for one row and one knob from the rounds so far.

    Raises NotSolved for more rows or knobs, or a domain that no rule covers yet.
    """
    if len(history.response.rows) != 1 or len(history.response.knobs) != 1:
        raise NotSolved("Advice for several quantities and adjusters together is not built yet.")
    state = history.last.state
    if state is None or history.last.found is None:
        return Proposal(None)
    if judged.code == "in":
        return Proposal(None, stay="in", now_in=1.0)
    if all(isinstance(r.found, AtMost) for r in history.rounds if r.found is not None):
        return Proposal(None, stay="censored")
    u = reading_u(history)
    aim, provable = aim_of(history, u)
    near = position(state) + (target(history.belief) - history.x(state)) / UM
    options = choices(history.knob.domain, state, stock, near)
    xs = (options.at - history.x0) * UM
    scores = score(history.belief, xs, history.x(state), aim, (u * UM) ** 2)
    order = ranked(scores, options.handled.astype(float), options.second)
    if not order:
        return Proposal(None, stay="nothing", provable=provable)
    picked = [_candidate(history, options, scores, i) for i in order]
    now_in = _now_in(history)
    best = picked[0]
    rivals = _rivals(picked, best)
    if judged.code in ("at_edge", "not_proven") and best.predicted.p_in <= now_in:
        return Proposal(best, rivals, "no better", now_in, provable)
    missing, missing_p = _missing(history, options, best, stock, aim, (u * UM) ** 2)
    seating = history.response.s_a[0] > SEATING_SHARE * history.window.half
    return Proposal(
        best=best,
        alternatives=rivals,
        stay="",
        now_in=now_in,
        provable=provable,
        missing=missing,
        missing_p=missing_p,
        seating=seating,
    )


def expect(history: History, state: State) -> Candidate:
    """What to expect of any state that the mechanic chooses."""
    u = reading_u(history)
    aim, _ = aim_of(history, u)
    xs: Floats = np.array([history.x(state)])
    now = history.last.state
    here = history.x(now) if now is not None else float(xs[0])
    scores = score(history.belief, xs, here, aim, (u * UM) ** 2)
    v, sd = history.expect(state)
    predicted = Predicted(v, math.hypot(sd, u), float(scores.p_in[0]))
    return Candidate(state, predicted, float(scores.p_harm[0]), float(scores.rounds[0]), 0)


def _candidate(history: History, options: Choices, scores: Scores, i: int) -> Candidate:
    state = options.state(i)
    v, sd = history.expect(state)
    predicted = Predicted(v, math.hypot(sd, reading_u(history)), float(scores.p_in[i]))
    return Candidate(
        state, predicted, float(scores.p_harm[i]), float(scores.rounds[i]), int(options.handled[i])
    )


def _rivals(picked: list[Candidate], best: Candidate) -> tuple[Candidate, ...]:
    """The next best on either side of the best, nearest first: what a mechanic would ask about."""
    below = [c for c in picked[1:] if position(c.state) < position(best.state)]
    above = [c for c in picked[1:] if position(c.state) > position(best.state)]
    sides = [max(side, key=lambda c: c.predicted.p_in) for side in (below, above) if side]
    return tuple(sides[:ALTERNATIVES])


def _now_in(history: History) -> float:
    """Chance that the setting as it stands is truly in."""
    found: Value | None = history.last.outcome.target().value if history.last.outcome.target() else None  # type: ignore[union-attr]
    if isinstance(found, Normal):
        return chance_in(found, history.window)
    if isinstance(found, Interval):
        width = max(found.b - found.a, 1e-9)
        lo = found.a if history.window.lo is None else max(found.a, history.window.lo)
        hi = found.b if history.window.hi is None else min(found.b, history.window.hi)
        return max(0.0, hi - lo) / width
    state = history.last.state
    if state is None:
        return 0.0
    lo_um = -math.inf if history.window.lo is None else (history.window.lo - history.aim) * UM
    hi_um = math.inf if history.window.hi is None else (history.window.hi - history.aim) * UM
    return chance_between(history.belief, [history.x(state)], lo_um, hi_um, 0.0)


def _missing(
    history: History, options: Choices, best: Candidate, stock: Mapping[int, int], aim: Aim, r2: float
) -> tuple[float | None, float]:
    """The thinnest shim, not in the drawer, that swapped for one of the pack would centre it."""
    if options.packs is None or not isinstance(best.state, tuple):
        return None, 0.0
    ideal = history.x0 + target(history.belief) / UM
    x = np.array([(ideal - history.x0) * UM])
    p = float(score(history.belief, x, float(x[0]), aim, r2).p_in[0])
    if p - best.predicted.p_in < MISSING_GAIN:
        return None, 0.0
    short_nm = to_nm(round(ideal - position(best.state), 2))
    held = {t for t, n in stock.items() if n > 0} | set(best.state)
    wanted = [t + short_nm for t in (*best.state, 0) if t + short_nm >= 20_000]
    fresh = sorted(t for t in wanted if t not in held)
    return (from_nm(fresh[0]), p) if fresh else (None, 0.0)
