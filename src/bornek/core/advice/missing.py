"""The shim that the drawer lacks and that would do most."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from bornek.core.advice.aims import PACK_GRID_UM, score_at
from bornek.core.advice.belief import UM
from bornek.core.advice.choose import Aim, target
from bornek.core.advice.domains import travel
from bornek.core.advice.history import History
from bornek.core.advice.proposal import Candidate
from bornek.core.quantities import from_nm, to_nm
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Context
from bornek.core.settings.state import State

MISSING_GAIN = 0.05
"""A shim that is not there is named when it would raise the chance by this much."""
THINNEST_NM = 20_000
LOOK_UM = 200.0
"""A missing shim is looked for so far to either side of what is advised."""


def missing_shim(
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
    p = score_at(history, tried, [float(v) for v in tried[0]], aims).p_in
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
