"""The first move where too little is known: a needle that stands still, or an adjuster of unknown sense."""

from __future__ import annotations

import math

import numpy as np
from scipy.special import ndtr, ndtri

from bornek.core.advice.belief import UM, Belief, Floats
from bornek.core.advice.choose import Aim
from bornek.core.advice.domains import choices
from bornek.core.advice.history import History
from bornek.core.advice.proposal import Candidate, Proposal
from bornek.core.settings.records import Context
from bornek.core.windows import AtMost

TIGHT_SD_UM = 150.0
"""A setting that starts tight is tight by some tenths of a millimetre at most."""
SHOWS = 0.9
"""Loose enough that play shows nine times in ten."""
CLEAR_SDS = 2.5
TELL_SDS = 3.0
"""A change of three sd of a re-read is told from none."""
OPEN_SENSE = 0.02
"""While the other sense has more than this chance, the sense is not known."""


def blind(history: History) -> bool:
    """Nothing but needles that stood still, and no drag that says how tight it is."""
    if any(r.outcome.observed.get(history.row.drag.key) for r in history.standing if history.row.drag):
        return False
    return all(isinstance(v, AtMost) for r in history.standing for v in r.values.values())


def loosen(history: History, ctx: Context) -> Proposal:
    """By how much to make it loose, so that a play can be measured.

    How tight it is: y ~ N(0, 150 µm) cut off at the least of c − k·x over the zeros that were read; its lowest
    tenth y₁₀ is reckoned with. Travel wanted: (c + 2.5 √(s_a² + s_r²) − y₁₀)/k, k two sds on the careful side.
    All µm. Judgement, not a source: what is in and how tight such settings are found.
    """
    row, knob, states = history.row, history.knob, history.last.states
    if len(history.knobs) > 1 or sense_open(row.belief) or knob.one_way or states is None:
        return Proposal(None, stay="censored")
    k, sd = row.belief.response()
    least = math.copysign(max(abs(k) - 2 * sd, abs(k) / 2), k)
    seen = [
        (history.travels(r.states)[0], v.c * row.per)
        for r in history.standing
        if r.states is not None and isinstance(v := r.values.get(row.key), AtMost)
    ]
    bound = min(c - least * x for x, c in seen)
    tight = TIGHT_SD_UM * float(ndtri((1 - SHOWS) * ndtr(bound / TIGHT_SD_UM)))
    clear = max(c for _, c in seen) + CLEAR_SDS * math.hypot(row.s_a, row.s_r) * row.per
    wanted = (clear - tight) / abs(least)
    begun, way = history.start[knob.key], math.copysign(1.0, k)
    found = choices(knob.domain, states[knob.key], ctx.drawer(knob.places[0]), begun + way * wanted / UM)
    looser = way * (found.at - begun) * UM
    now = way * history.travels(states)[0]
    enough = np.flatnonzero((looser >= wanted - 1e-6) & (looser > now + 1e-6))
    if len(enough):
        i = int(enough[np.lexsort((found.second[enough], looser[enough], found.handled[enough]))[0]])
    else:
        i = int(np.argmax(looser))
        if looser[i] <= now + 1e-6:
            return Proposal(None, stay="censored")
    after = {knob.key: found.state(i)}
    return Proposal(Candidate(after, {}, 0.0, 0.0, 0.0, int(found.handled[i])), stay="loosen")


def sense_open(b: Belief) -> bool:
    """Whether it is not known in which way the only knob works."""
    if b.m.shape[1] != 2:
        return False
    up = float(b.w[b.m[:, 1] > 0].sum())
    return OPEN_SENSE < up < 1 - OPEN_SENSE


def sense_step(b: Belief, x: Floats, now: float, aim: Aim, r2: float, handled: Floats) -> int | None:
    """The smallest step that tells: a change of 3 sd of a re-read, √(2 (s_a² + r²)), under the largest scatter
    held. Never so large that the worse sense does harm; then the largest that stops short of it, else None."""
    size = float(b.w @ np.abs(b.m[:, 1]))
    sd_k = math.sqrt(float(b.w @ b.s[:, 1, 1]))
    tells = TELL_SDS * math.sqrt(2 * (float(b.s_a.max()) ** 2 + r2)) / size
    step = np.abs(x - now)
    most = math.inf
    if aim.harm_side:
        y, sd = b.predict([now])
        room = -aim.harm_side * (y - aim.harm)
        most = (room - 2 * sd) / (size + 2 * sd_k)
    fits = np.flatnonzero((step >= tells) & (step <= most))
    if len(fits):
        return int(fits[np.lexsort((handled[fits], step[fits].round(3)))[0]])
    short = np.flatnonzero((step > 1e-6) & (step <= most))
    return int(short[np.argmax(step[short])]) if len(short) else None
