"""What the packs of a setting may be made of: drawers that several of them share."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from bornek.core.advice.domains import Choices
from bornek.core.advice.history import History
from bornek.core.advice.packs import change
from bornek.core.advice.proposal import ALTERNATIVES
from bornek.core.settings.records import Context


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


def possible(
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
