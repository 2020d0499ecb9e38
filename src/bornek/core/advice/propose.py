"""The next move: which reachable states, what to expect of them, and when to leave it alone."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.belief import Floats, chance_between
from bornek.core.advice.choose import STEEP_SHARE, Aim, Scores, ranked, score, target
from bornek.core.advice.domains import Choices, choices, travel
from bornek.core.advice.joint import combine, inside_hull, joint_target, score_joint
from bornek.core.advice.one_way import follow, step
from bornek.core.advice.packs import change
from bornek.core.advice.replay import UM, History, Row, States
from bornek.core.quantities import from_nm, to_nm
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Context, Predicted
from bornek.core.settings.state import State
from bornek.core.uncertainty import expanded
from bornek.core.windows import AtMost, Interval, Normal, Verdict, chance_in

ALTERNATIVES = 2
MISSING_GAIN = 0.08
"""A shim that is not there is named when it would raise the chance by this much."""
SEATING_SHARE = 0.5
"""Reassembly that scatters by more than half of the half window is the thing to mend."""
OPEN_HALF = 50.0
"""Half a window with an open end, in the belief's unit."""
PACK_GRID_UM = 10.0
THINNEST_NM = 20_000


@dataclass(frozen=True)
class Candidate:
    """What every adjuster could be brought to, with what to expect of each quantity. `p_in` is the chance
    that all land in."""

    states: States
    predicted: Mapping[str, Predicted]
    p_in: float
    p_harm: float
    rounds: float
    handled: int

    def position(self, knob: Knob) -> float:
        return self.states[knob.key].position


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


def grid_of(knob: Knob) -> float:
    """How finely a knob can be set [µm]: what a plan can miss by."""
    return PACK_GRID_UM if knob.domain.sort != "position" else max(knob.domain.step * UM, 1.0)


def aim_of(row: Row, knobs: Sequence[Knob], u_reading: float) -> tuple[Aim, bool]:
    """Window about the aim in the belief's unit, drawn in by U where that leaves something to land in."""
    w, aim = row.window, row.aim
    lo = -math.inf if w.lo is None else (w.lo - aim) * row.per
    hi = math.inf if w.hi is None else (w.hi - aim) * row.per
    half = w.half * row.per if not math.isinf(w.half) else OPEN_HALF
    guard = expanded(u_reading) * row.per
    provable = lo + guard < hi - guard
    if provable:
        lo, hi = lo + guard, hi - guard
    middle = 0.0 if w.middle is None else (w.middle - aim) * row.per
    side = {"low": -1, "high": 1, "": 0}[row.harm]
    steep = STEEP_SHARE * max(abs(k) for k in row.k0) * row.per / UM
    return Aim(lo, hi, half, middle + side * 2 * half, grid_of(knobs[0]), side, steep=steep), provable


def reading_u(history: History, row: Row) -> float:
    """Standard uncertainty to expect of the next round's reading, in the row's unit."""
    found = [r.values.get(row.key) for r in history.rounds]
    measured = [v.u for v in found if isinstance(v, Normal)]
    return min(measured) if measured else row.s_r / math.sqrt(row.repeats)


def drawers_of(history: History, ctx: Context) -> dict[str, Mapping[int, int]]:
    """What each knob's packs may be made of: its drawer, and the plates in other packs of that drawer."""
    states = history.last.states or {}
    pools: dict[str, Mapping[int, int]] = {}
    for knob in history.knobs:
        pool = dict(ctx.drawer(knob.places[0]))
        for other in history.knobs:
            if other is not knob and ctx.form(other.places[0]) == ctx.form(knob.places[0]):
                for nm in (t for pack in states[other.key].packs for t in pack):
                    pool[nm] = max(pool.get(nm, 0), 0) + 1
        pools[knob.key] = pool
    return pools


def propose(history: History, ctx: Context, judged: Verdict) -> Proposal:
    """The move for any number of quantities and adjusters from the rounds so far."""
    states = history.last.states
    if states is None or any(row.key not in history.last.values for row in history.rows):
        return Proposal(None)
    if judged.code == "in":
        return Proposal(None, stay="in", now_in=1.0)
    seen = [v for r in history.rounds for v in r.values.values()]
    if all(isinstance(v, AtMost) for v in seen):
        return Proposal(None, stay="censored")
    aims, provables = zip(
        *(aim_of(r, history.knobs, reading_u(history, r)) for r in history.rows), strict=True
    )
    provable = all(provables)
    options, index, scores = _reach(history, ctx, aims)
    order = _possible(history, ctx, options, index, _order(history, options, index, scores))
    if not order:
        return Proposal(None, stay="nothing", provable=provable)
    picked = [_candidate(history, options, index, scores, i) for i in order]
    now_in = _now_in(history)
    best = picked[0]
    rivals = _rivals(history, picked, best)
    if judged.code in ("at_edge", "not_proven") and best.p_in <= now_in:
        return Proposal(best, rivals, "no better", now_in, provable)
    missing, missing_p = _missing(history, ctx, best, aims)
    seating = any(r.s_a > SEATING_SHARE * r.window.half for r in history.rows)
    return Proposal(
        best=best,
        alternatives=rivals,
        now_in=now_in,
        provable=provable,
        missing=missing,
        missing_p=missing_p,
        seating=seating,
    )


def expect(history: History, states: States) -> Candidate:
    """What to expect of any states that the mechanic chooses."""
    aims = [aim_of(r, history.knobs, reading_u(history, r))[0] for r in history.rows]
    now = history.travels(history.last.states or states)
    x = np.array([history.travels(states)])
    scores = _score(history, x, now, aims)
    return Candidate(
        states,
        _predict(history, states),
        float(scores.p_in[0]),
        float(scores.p_harm[0]),
        float(scores.rounds[0]),
        0,
    )


def _reach(
    history: History, ctx: Context, aims: Sequence[Aim]
) -> tuple[list[Choices], np.ndarray[tuple[int, ...], np.dtype[np.int64]], Scores]:
    """Each knob's choices, the combinations of them that are weighed, and their scores."""
    states = history.last.states
    assert states is not None
    now = history.travels(states)
    aimed = _target(history, aims, now)
    pools = drawers_of(history, ctx)
    options, kept = [], []
    for i, knob in enumerate(history.knobs):
        begun = history.start[knob.key]
        found = choices(knob.domain, states[knob.key], pools[knob.key], begun + float(aimed[i]) / UM)
        x = (found.at - begun) * UM
        options.append(found)
        near = np.ones(len(x), dtype=bool)
        if len(history.knobs) > 1:
            near = inside_hull(x, now[i], float(aimed[i]), grid_of(knob)) | (np.abs(x - now[i]) < 1e-6)
        kept.append(np.flatnonzero(near))
    travels = [
        (o.at[k] - history.start[knob.key]) * UM
        for o, k, knob in zip(options, kept, history.knobs, strict=True)
    ]
    if len(history.knobs) == 1:
        index = kept[0][:, None]
    else:
        local = combine([r.belief for r in history.rows], aims, travels)
        index = np.stack([k[local[:, i]] for i, k in enumerate(kept)], axis=1)
    x_all = np.stack(
        [
            (o.at[index[:, i]] - history.start[k.key]) * UM
            for i, (o, k) in enumerate(zip(options, history.knobs, strict=True))
        ],
        axis=1,
    )
    scores = _creep(history, x_all, now, aims) if history.knob.one_way else _score(history, x_all, now, aims)
    return options, index, scores


def _target(history: History, aims: Sequence[Aim], now: Sequence[float]) -> Floats:
    if len(history.rows) == len(history.knobs) == 1:
        return np.array([target(history.row.belief, aims[0].steep)])
    return joint_target([r.belief for r in history.rows], aims, now)


def _score(history: History, x: Floats, now: Sequence[float], aims: Sequence[Aim]) -> Scores:
    r2 = [(reading_u(history, r) * r.per) ** 2 for r in history.rows]
    if len(history.rows) == len(history.knobs) == 1:
        return score(history.row.belief, x[:, 0], now[0], aims[0], r2[0])
    beliefs = [r.belief for r in history.rows]
    grids = [grid_of(k) for k in history.knobs]
    return score_joint(beliefs, x, aims, r2, grids, _target(history, aims, now))


def _creep(history: History, x: Floats, now: Sequence[float], aims: Sequence[Aim]) -> Scores:
    """An adjuster that only goes onward: the step is the one-way rule's, the others follow by their chance."""
    row, aim = history.row, aims[0]
    u = reading_u(history, row)
    rounds = [
        (history.travels(r.states)[0], (v.v - row.aim) * row.per, (v.u * row.per) ** 2)
        for r in history.rounds
        if r.states is not None and not r.held_out and isinstance(v := r.values.get(row.key), Normal)
    ]
    bank = follow(row.k0[0] * row.per / UM, row.rho[0], rounds)
    ahead = x[:, 0] - now[0]
    order = np.argsort(ahead, kind="stable")
    found = step(bank, ahead[order], aim.lo, aim.hi, (u * row.per) ** 2)
    p_in, p_past = np.empty(len(x)), np.empty(len(x))
    p_in[order], p_past[order] = found.p_in, found.p_past
    best = int(order[found.index])
    rounds_left = np.where(
        np.arange(len(x)) == best, 1.0, 2.0 + np.abs(ahead - ahead[best]) / max(abs(ahead).max(), 1.0)
    )
    return Scores(p_in, p_past, rounds_left, ahead >= (0.0 if found.stop else 1e-9))


def _order(
    history: History,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    scores: Scores,
) -> list[int]:
    handled = sum(o.handled[index[:, i]] for i, o in enumerate(options))
    second = sum(o.second[index[:, i]] for i, o in enumerate(options))
    return ranked(scores, np.asarray(handled, dtype=float), np.asarray(second, dtype=float))


def _possible(
    history: History,
    ctx: Context,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    order: list[int],
) -> list[int]:
    """The ranked combinations that the shared drawers can really give; the first few are enough."""
    packed = [i for i, k in enumerate(history.knobs) if k.domain.sort != "position"]
    if len(packed) < 2:
        return order
    states = history.last.states
    assert states is not None
    found = []
    for row in order:
        short: dict[tuple[str, int], int] = {}
        for i in packed:
            knob = history.knobs[i]
            after = options[i].state(int(index[row, i]))
            for was, will, place in zip(states[knob.key].packs, after.packs, knob.places, strict=True):
                out, new = change(was, will)
                for nm, n in [(t, -1) for t in out] + [(t, 1) for t in new]:
                    short[ctx.form(place), nm] = short.get((ctx.form(place), nm), 0) + n
        place_of = {ctx.form(k.places[0]): k.places[0] for k in history.knobs}
        if all(n <= max(ctx.drawer(place_of[form]).get(nm, 0), 0) for (form, nm), n in short.items()):
            found.append(row)
        if len(found) > ALTERNATIVES:
            break
    return found


def _predict(history: History, states: States) -> dict[str, Predicted]:
    x = history.travels(states)
    predicted = {}
    for row in history.rows:
        v, sd = row.expect(x)
        u = reading_u(history, row)
        aim, _ = aim_of(row, history.knobs, u)
        p_in = chance_between(row.belief, x, aim.lo, aim.hi, (u * row.per) ** 2)
        predicted[row.key] = Predicted(v, math.hypot(sd, u), p_in)
    return predicted


def _candidate(
    history: History,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    scores: Scores,
    i: int,
) -> Candidate:
    states: dict[str, State] = {
        k.key: o.state(int(index[i, n])) for n, (k, o) in enumerate(zip(history.knobs, options, strict=True))
    }
    return Candidate(
        states=states,
        predicted=_predict(history, states),
        p_in=float(scores.p_in[i]),
        p_harm=float(scores.p_harm[i]),
        rounds=float(scores.rounds[i]),
        handled=sum(int(o.handled[index[i, n]]) for n, o in enumerate(options)),
    )


def _rivals(history: History, picked: list[Candidate], best: Candidate) -> tuple[Candidate, ...]:
    """The next best on either side of the best, nearest first: what a mechanic would ask about."""
    if len(history.knobs) > 1:
        return tuple(picked[1 : 1 + ALTERNATIVES])
    knob = history.knob
    below = [c for c in picked[1:] if c.position(knob) < best.position(knob)]
    above = [c for c in picked[1:] if c.position(knob) > best.position(knob)]
    sides = [max(side, key=lambda c: c.p_in) for side in (below, above) if side]
    return tuple(sides[:ALTERNATIVES])


def _now_in(history: History) -> float:
    """Chance that the setting as it stands is truly in."""
    chance = 1.0
    for row in history.rows:
        result = history.last.outcome.result(row.key)
        chance *= _row_in(history, row, result.value if result else None)
    return chance


def _row_in(history: History, row: Row, found: object) -> float:
    w = row.window
    if isinstance(found, Normal):
        return chance_in(found, w)
    if isinstance(found, Interval):
        width = max(found.b - found.a, 1e-9)
        lo = found.a if w.lo is None else max(found.a, w.lo)
        hi = found.b if w.hi is None else min(found.b, w.hi)
        return max(0.0, hi - lo) / width
    if history.last.states is None:
        return 0.0
    lo_um = -math.inf if w.lo is None else (w.lo - row.aim) * row.per
    hi_um = math.inf if w.hi is None else (w.hi - row.aim) * row.per
    return chance_between(row.belief, history.travels(history.last.states), lo_um, hi_um, 0.0)


def _missing(
    history: History, ctx: Context, best: Candidate, aims: Sequence[Aim]
) -> tuple[float | None, float]:
    """The thinnest shim, not in the drawer, that swapped for one of the pack would centre it."""
    knob, row = history.knob, history.row
    if len(history.knobs) > 1 or len(history.rows) > 1 or knob.domain.sort != "pack":
        return None, 0.0
    now = best.states[knob.key]
    x = np.array([target(row.belief, aims[0].steep)])
    r2 = (reading_u(history, row) * row.per) ** 2
    p = float(score(row.belief, x, float(x[0]), aims[0], r2).p_in[0])
    if p - best.p_in < MISSING_GAIN:
        return None, 0.0
    ideal = history.start[knob.key] + float(x[0]) / UM
    short_nm = to_nm(round(ideal - travel(knob.domain, now), 2))
    pack = now.packs[0]
    held = {t for t, n in ctx.drawer(knob.place).items() if n > 0} | set(pack)
    wanted = [t + short_nm for t in (*pack, 0) if t + short_nm >= THINNEST_NM]
    fresh = sorted(t for t in wanted if t not in held)
    return (from_nm(fresh[0]), p) if fresh else (None, 0.0)
