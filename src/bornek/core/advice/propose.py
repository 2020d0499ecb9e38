"""The next move: which reachable states, what to expect of them, and when to leave it alone."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

import numpy as np

from bornek.core.advice.belief import DRAG_SHARE_SD, UM, Floats, chance_between
from bornek.core.advice.choose import STEEP_SHARE, Aim, Scores, ranked, score, target
from bornek.core.advice.creep import creep, expect_rows, truly_in
from bornek.core.advice.domains import Choices, choices, travel
from bornek.core.advice.first_steps import blind, loosen, sense_open, sense_step
from bornek.core.advice.joint import combine, inside_hull, joint_target, score_joint
from bornek.core.advice.one_way import ALIKE
from bornek.core.advice.packs import change
from bornek.core.advice.proposal import Candidate, Proposal
from bornek.core.advice.replay import History, Row, States
from bornek.core.quantities import from_nm, to_nm
from bornek.core.settings.knobs import Knob, Packs
from bornek.core.settings.records import Context, Predicted
from bornek.core.settings.state import State
from bornek.core.shims import plates_u_mm
from bornek.core.uncertainty import expanded
from bornek.core.windows import Interval, Normal, Verdict, chance_in

ALTERNATIVES = 2
MISSING_GAIN = 0.05
"""A shim that is not there is named when it would raise the chance by this much."""
SEATING_SHARE = 0.5
"""Reassembly that scatters by more than half of the half window is the thing to mend."""
OPEN_HALF = 50.0
"""Half a window with an open end, in the belief's unit."""
PACK_GRID_UM = 10.0
THINNEST_NM = 20_000
LOOK_UM = 200.0
"""A missing shim is looked for so far to either side of what is advised."""


def grid_of(knob: Knob) -> float:
    """How finely a knob can be set [µm]: what a plan can miss by."""
    return PACK_GRID_UM if knob.domain.sort != "position" else max(knob.domain.step * UM, 1.0)


def _reach_um(row: Row, value: float) -> float:
    return (value - row.aim) * row.per


def aim_of(row: Row, knobs: Sequence[Knob], u_reading: float) -> tuple[Aim, bool]:
    """Window about the aim in the belief's unit, drawn in by U where that leaves something to land in."""
    w = row.window
    lo, hi = _reach_um(row, w.low), _reach_um(row, w.high)
    half = w.half * row.per if not math.isinf(w.half) else OPEN_HALF
    guard = expanded(u_reading) * row.per
    provable = lo + guard < hi - guard
    if provable:
        lo, hi = lo + guard, hi - guard
    side = {"low": -1, "high": 1, "": 0}[row.harm]
    steep = STEEP_SHARE * max(abs(k) for k in row.k0) * row.per / UM
    return Aim(
        lo=lo,
        hi=hi,
        h=half,
        harm=_reach_um(row, row.harm_at),
        grid=grid_of(knobs[0]),
        harm_side=side,
        steep=steep,
        value=row.aim * row.per,
    ), provable


def reading_u(history: History, row: Row) -> float:
    """Standard uncertainty to expect of the next round's reading, in the row's unit."""
    found = [r.values.get(row.key) for r in history.standing]
    measured = [v.u for v in found if isinstance(v, Normal) and v.u > 0]
    if row.drag is not None:
        return DRAG_SHARE_SD * abs(row.aim)
    blades = [v.b - v.a for v in found if isinstance(v, Interval) and v.b > v.a]
    if blades and not measured:
        return blades[-1] / 4  # half of it is what a bracket is drawn in by
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
    if blind(history):
        return loosen(history, ctx)
    aims, provables = zip(
        *(aim_of(r, history.knobs, reading_u(history, r)) for r in history.rows), strict=True
    )
    provable = all(provables)
    options, index, scores = _reach(history, ctx, aims)
    if sense_open(history.row.belief):
        return _try_the_sense(history, options, index, scores, aims)
    order = _possible(history, ctx, options, index, _order(history, options, index, scores))
    if not order:
        at, missing, missing_p = _missing(history, ctx, expect(history, states), aims)
        return Proposal(
            None, stay="nothing", provable=provable, missing=missing, missing_p=missing_p, missing_at=at
        )
    now_in = _now_in(history)
    best, *rest = (
        _candidate(history, options, index, scores, i) for i in _shown(history, options, index, scores, order)
    )
    rivals = tuple(rest)
    if history.knob.one_way and best.states == states:
        return Proposal(best, (), "edge", now_in, provable)
    if judged.code in ("at_edge", "not_proven") and not _gains(history, best, now_in):
        return Proposal(best, rivals, "no better", now_in, provable)
    missing_at, missing, missing_p = _missing(history, ctx, best, aims)
    seating = any(r.s_a > SEATING_SHARE * r.window.half for r in history.rows)
    return Proposal(
        best=best,
        alternatives=rivals,
        now_in=now_in,
        provable=provable,
        missing=missing,
        missing_at=missing_at,
        missing_p=missing_p,
        seating=seating,
        left_out=max(o.left_out for o in options),
    )


def _gains(history: History, best: Candidate, now_in: float) -> bool:
    """Whether a move is likelier to be in than what stands; of a ring that only goes onward, truly in: what blades
    cannot tell before they cannot tell after."""
    blades = any(isinstance(v, Interval) for v in history.last.values.values())
    if not (history.knob.one_way and blades) or history.last.states is None:
        return best.p_in > now_in
    then, now = (history.travels(s)[0] for s in (best.states, history.last.states))
    return truly_in(history, then) > truly_in(history, now) + ALIKE


def _try_the_sense(
    history: History,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    scores: Scores,
    aims: Sequence[Aim],
) -> Proposal:
    """Nobody knows in which way the adjuster works: the first move is made to see it."""
    row, knob = history.row, history.knob
    assert history.last.states is not None
    x = (options[0].at[index[:, 0]] - history.start[knob.key]) * UM
    now = history.travels(history.last.states)[0]
    r2 = (reading_u(history, row) * row.per) ** 2
    i = sense_step(row.belief, x, now, aims[0], r2, options[0].handled[index[:, 0]].astype(float))
    if i is None:
        return Proposal(None, stay="sense")
    return Proposal(_candidate(history, options, index, scores, i), tells=True, now_in=_now_in(history))


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
    if history.knob.one_way:
        return options, index, creep(history, x_all[:, 0], now[0], aims, _noise(history))
    scores = _score(history, x_all, now, aims)
    return options, index, scores


def _target(history: History, aims: Sequence[Aim], now: Sequence[float]) -> Floats:
    if len(history.rows) == len(history.knobs) == 1:
        return np.array([target(history.row.belief, aims[0])])
    return joint_target([r.belief for r in history.rows], aims, now)


def _noise(history: History) -> list[float]:
    """Variance of the next reading of each row, in the belief's unit."""
    return [(reading_u(history, r) * r.per) ** 2 for r in history.rows]


def _score(history: History, x: Floats, now: Sequence[float], aims: Sequence[Aim]) -> Scores:
    r2 = _noise(history)
    if len(history.rows) == len(history.knobs) == 1:
        return score(history.row.belief, x[:, 0], now[0], aims[0], r2[0])
    beliefs = [r.belief for r in history.rows]
    grids = [grid_of(k) for k in history.knobs]
    return score_joint(beliefs, x, aims, r2, grids, _target(history, aims, now))


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
    """What is said of any states, proposed or of the mechanic's own choice."""
    return _by_plates(history, states, _by_belief(history, states))


def _by_belief(history: History, states: States) -> dict[str, Predicted]:
    x = history.travels(states)
    if history.knob.one_way:
        aims = [aim_of(r, history.knobs, reading_u(history, r))[0] for r in history.rows]
        return expect_rows(history, x[0], aims, _noise(history))
    predicted = {}
    for row in history.rows:
        u = reading_u(history, row)
        aim, _ = aim_of(row, history.knobs, u)
        y, give = row.belief.between_95(x, (u * row.per) ** 2)
        p_in = chance_between(row.belief, x, aim.lo, aim.hi, (u * row.per) ** 2)
        predicted[row.key] = Predicted(y / row.per + row.aim, give / row.per, p_in)
    return predicted


def _by_plates(history: History, states: States, told: dict[str, Predicted]) -> dict[str, Predicted]:
    """What is promised, as far as the plates that change are known: miked, or within their nominal's tolerance."""
    now, domain = history.last.states, history.knob.domain
    if now is None or not isinstance(domain, Packs) or len(history.rows) > 1:
        return told
    out, new = change(now[history.knob.key].packs[0], states[history.knob.key].packs[0])
    u = plates_u_mm([*out, *new], dict(domain.miked)) * max(abs(k) for k in history.row.k0)
    return {key: Predicted(p.v, math.hypot(p.u, u), p.p_in) for key, p in told.items()}


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


def _shown(
    history: History,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    scores: Scores,
    order: list[int],
) -> list[int]:
    """The best, and the likeliest on either side of it: what a mechanic would ask about."""
    best, rest = order[0], order[1:]
    if len(history.knobs) > 1:
        return [best, *rest[:ALTERNATIVES]]
    at = options[0].at[index[:, 0]]
    sides = [[i for i in rest if at[i] < at[best]], [i for i in rest if at[i] > at[best]]]
    return [best, *(max(side, key=lambda i: float(scores.p_in[i])) for side in sides if side)]


def _now_in(history: History) -> float:
    """Chance that the setting as it stands is truly in."""
    chance = 1.0
    for row in history.rows:
        proof = history.last.outcome.result(row.drag.key) if row.drag else None
        if proof is not None and isinstance(proof.value, Normal) and proof.window is not None:
            chance *= chance_in(proof.value, proof.window)
            continue
        result = history.last.outcome.result(row.key)
        chance *= _row_in(history, row, result.value if result else None)
    return chance


def _row_in(history: History, row: Row, found: object) -> float:
    w = row.window
    if isinstance(found, Normal):
        return chance_in(found, w)
    if isinstance(found, Interval):
        width = max(found.b - found.a, 1e-9)
        lo, hi = max(found.a, w.low), min(found.b, w.high)
        return max(0.0, hi - lo) / width
    if history.last.states is None:
        return 0.0
    lo, hi = _reach_um(row, w.low), _reach_um(row, w.high)
    return chance_between(row.belief, history.travels(history.last.states), lo, hi, 0.0)


def _missing(
    history: History, ctx: Context, best: Candidate, aims: Sequence[Aim]
) -> tuple[str, float | None, float]:
    """The thinnest shim, not in the drawer, that swapped for one of a pack would do most, at which adjuster, and the
    chance with it; the other adjusters stay where the advice has them."""
    most: tuple[str, float | None, float] = ("", None, 0.0)
    for i, knob in enumerate(history.knobs):
        if knob.domain.sort != "pack":
            continue
        x = history.travels(best.states)
        x[i], p = _ideal(history, i, x, aims)
        fresh = _fresh(history, ctx, knob, best.states[knob.key], x[i])
        if fresh is not None and p - best.p_in >= MISSING_GAIN and p > most[2]:
            most = (knob.key, fresh, p)
    return most


def _ideal(history: History, i: int, x: Sequence[float], aims: Sequence[Aim]) -> tuple[float, float]:
    """Where one adjuster would best stand [µm], the others where they are in x, and the chance to land in there."""
    if len(history.rows) == len(history.knobs) == 1:
        places = np.array([target(history.row.belief, aims[0])])
    else:
        places = x[i] + np.arange(-LOOK_UM, LOOK_UM + PACK_GRID_UM, PACK_GRID_UM)
    tried = np.tile(np.asarray(x, dtype=float), (len(places), 1))
    tried[:, i] = places
    p = _score(history, tried, [float(v) for v in tried[0]], aims).p_in
    best = int(np.argmax(p))
    return float(places[best]), float(p[best])


def _fresh(history: History, ctx: Context, knob: Knob, now: State, x: float) -> float | None:
    """The thinnest shim that the drawer lacks and that swapped for one of the pack, or added, brings it to x [µm]."""
    ideal = history.start[knob.key] + x / UM
    short_nm = to_nm(round(ideal - travel(knob.domain, now), 2))
    pack = now.packs[0]
    held = {t for t, n in ctx.drawer(knob.place).items() if n > 0} | set(pack)
    wanted = [t + short_nm for t in (*pack, 0) if t + short_nm >= THINNEST_NM]
    fresh = sorted(t for t in wanted if t not in held)
    return from_nm(fresh[0]) if fresh else None
