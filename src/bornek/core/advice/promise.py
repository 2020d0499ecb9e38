"""What is said of any states, proposed or of the mechanic's own choice: value, give or take, and chance."""

from __future__ import annotations

import math

import numpy as np

from bornek.core.advice.aims import aim_of, noise_of, reading_u, score_at
from bornek.core.advice.belief import chance_between
from bornek.core.advice.creep import expect_rows
from bornek.core.advice.history import History, States
from bornek.core.advice.packs import change
from bornek.core.advice.proposal import Candidate
from bornek.core.settings.knobs import Packs
from bornek.core.settings.records import Predicted
from bornek.core.shims import plates_u_mm


def expect(history: History, states: States) -> Candidate:
    """What to expect of any states that the mechanic chooses."""
    aims = [aim_of(r, history.knobs, reading_u(history, r))[0] for r in history.rows]
    now = history.travels(history.last.states or states)
    x = np.array([history.travels(states)])
    scores = score_at(history, x, now, aims)
    return Candidate(
        states,
        predict(history, states),
        float(scores.p_in[0]),
        float(scores.p_harm[0]),
        float(scores.rounds[0]),
        0,
    )


def predict(history: History, states: States) -> dict[str, Predicted]:
    """What is said of any states, proposed or of the mechanic's own choice."""
    return _by_plates(history, states, _by_belief(history, states))


def _by_belief(history: History, states: States) -> dict[str, Predicted]:
    x = history.travels(states)
    if history.knob.one_way:
        aims = [aim_of(r, history.knobs, reading_u(history, r))[0] for r in history.rows]
        return expect_rows(history, x[0], aims, noise_of(history))
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
