"""A preload from the plays that were measured, what the shims took away since, and the drag."""

from __future__ import annotations

from functools import partial

from bornek.core.advice.belief import UM
from bornek.core.advice.hidden import Seen, hidden_value
from bornek.core.advice.memory import fitting_pool, priors
from bornek.core.readings import censor_limit_mm, travel_value
from bornek.core.settings.kind import speech
from bornek.core.settings.knobs import Response
from bornek.core.settings.records import Context
from bornek.core.settings.shim_pack_stations import KNOB, SCATTER_PRIOR_MM, drag_link, slots_of, travel_slots
from bornek.core.settings.sifting import sift
from bornek.core.uncertainty import expanded
from bornek.core.windows import AtMost, Normal, Value
from bornek.core.working import Line, Working


def by_shims(ctx: Context, response: Response, working: Working) -> tuple[Value, Working]:
    """Preload from the plays that were measured and what the shims took away since, each shim by what it
    gives on this unit, and from the drag where it was read."""
    say, rounds = speech(ctx), _seen(ctx)
    played = [r for r in rounds if isinstance(r.value, Normal)]
    limit = AtMost(max(censor_limit_mm(g) for g in (ctx.find_gauge(), *map(ctx.find_gauge, ctx.now()))))
    if not rounds or ctx.given["sense"] == "unknown" or not (played or rounds[-1].drag):
        none = Line("Preload", "no play was measured before: start from a full pack", "unknown")
        return limit, working.plus(none)
    k0, rho = response.k0[0][0], response.rho[0][0]
    noise = (SCATTER_PRIOR_MM * UM) ** 2 / response.repeats
    value, belief = hidden_value(priors(k0, rho, fitting_pool(ctx.history, k0)), rounds, noise)
    gives, spread_k = belief.response()
    lines = [
        Line("A shim of 1.00 gives", "this unit, give or take", f"{gives:.2f} ± {expanded(spread_k):.2f}")
    ]
    if played:
        last = played[-1].value
        assert isinstance(last, Normal)
        moved = (rounds[-1].x - played[-1].x) / UM
        lines.insert(0, Line("Play, the last that showed", "mean of its readings", say.number(last.v), True))
        lines.append(Line("Shims since", "what was put in and taken out", say.number(moved, plus=True)))
        less = last.v + gives * moved
        how = f"{say.number(last.v)} + {gives:.2f} × {say.number(moved, plus=True)}; negative is preload"
        lines.append(Line("Play less shims", how, say.number(less), True))
    if rounds[-1].drag:
        nominal = say.number(-rounds[-1].drag / UM)
        lines.append(Line("Drag", "as much preload as it nominally means", nominal))
        lines.append(
            Line("Preload", "shims and drag, each as far as it can be trusted", say.number(value.v), True)
        )
    lines.append(
        Line(
            "Give or take",
            "play, response of the shims and seating, 95 in 100",
            say.spread(expanded(value.u)),
        )
    )
    return value, working.plus(*lines)


def _seen(ctx: Context) -> list[Seen]:
    """Every round with its pack: what the indicator said and the drag that was read."""
    rounds: list[Seen] = []
    first: float | None = None
    struck = {e.round for e in ctx.explanations if e.cause == "reread"}
    for number in range(ctx.first_round, ctx.round + 1):
        read = ctx.once(("pack and travel", number), partial(_seen_in, ctx, number))
        if read is None or number in struck:
            continue
        at, value, drag = read
        first = at if first is None else first
        rounds.append(Seen((at - first) * UM, value, drag))
    return rounds


def _seen_in(ctx: Context, number: int) -> tuple[float, Normal | AtMost, float | None] | None:
    """One round's pack [mm], what the indicator said, and the drag as nominal preload [µm]."""
    then = ctx.at(number)
    state, slots = then.state(KNOB), travel_slots(then)
    sifted = sift(slots_of(then), then.now())
    groups = sifted.numbers(slots)
    if state is None or not groups:
        return None
    drag, link = sifted.counted.get("drag"), drag_link(then)
    torque = drag.number if drag else None
    return (
        state.position,
        travel_value(groups, sifted.gauges(slots, then), SCATTER_PRIOR_MM),
        link.nominal_um(torque) if link and torque is not None else None,
    )
