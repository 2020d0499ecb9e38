"""The next move: which reachable states, what to expect of them, and when to leave it alone."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from bornek.core.advice.aims import aim_of, grid_of, noise_of, reach_um, reading_u, score_at, target_of
from bornek.core.advice.belief import UM, chance_between
from bornek.core.advice.choose import Aim, Scores, ranked
from bornek.core.advice.creep import creep, truly_in
from bornek.core.advice.domains import Choices, choices
from bornek.core.advice.first_steps import blind, loosen, sense_open, sense_step
from bornek.core.advice.history import History, Row
from bornek.core.advice.joint import combine, inside_hull
from bornek.core.advice.missing import missing_shim
from bornek.core.advice.one_way import ALIKE
from bornek.core.advice.promise import expect, predict
from bornek.core.advice.proposal import ALTERNATIVES, Candidate, Proposal
from bornek.core.advice.stock import drawers_of, possible
from bornek.core.settings.records import Context
from bornek.core.settings.state import State
from bornek.core.windows import Interval, Normal, Verdict, chance_in

SEATING_SHARE = 0.5
"""Reassembly that scatters by more than half of the half window is the thing to mend."""


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
    order = possible(history, ctx, options, index, _order(history, options, index, scores))
    if not order:
        at, missing, missing_p = missing_shim(history, ctx, expect(history, states), aims)
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
    missing_at, missing, missing_p = missing_shim(history, ctx, best, aims)
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


def _reach(
    history: History, ctx: Context, aims: Sequence[Aim]
) -> tuple[list[Choices], np.ndarray[tuple[int, ...], np.dtype[np.int64]], Scores]:
    """Each knob's choices, the combinations of them that are weighed, and their scores."""
    states = history.last.states
    assert states is not None
    now = history.travels(states)
    aimed = target_of(history, aims, now)
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
        return options, index, creep(history, x_all[:, 0], now[0], aims, noise_of(history))
    scores = score_at(history, x_all, now, aims)
    return options, index, scores


def _order(
    history: History,
    options: Sequence[Choices],
    index: np.ndarray[tuple[int, ...], np.dtype[np.int64]],
    scores: Scores,
) -> list[int]:
    handled = sum(o.handled[index[:, i]] for i, o in enumerate(options))
    second = sum(o.second[index[:, i]] for i, o in enumerate(options))
    return ranked(scores, np.asarray(handled, dtype=float), np.asarray(second, dtype=float))


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
        predicted=predict(history, states),
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
    lo, hi = reach_um(row, w.low), reach_um(row, w.high)
    return chance_between(row.belief, history.travels(history.last.states), lo, hi, 0.0)
