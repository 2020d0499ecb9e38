"""Learns a setting's rounds in order: what is believed now, and which rounds stand out."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import replace
from itertools import product

from bornek.core.advice.belief import (
    OUTLIER_SD_UM,
    OUTLIER_SHARE,
    UM,
    Belief,
    learn,
    learn_at_most,
    learn_between,
    learn_drag,
    start,
)
from bornek.core.advice.domains import travel
from bornek.core.advice.history import History, Round, Row, States
from bornek.core.advice.memory import Pool, pool, priors, sense_of
from bornek.core.settings.kind import Outcome, Result, Setting, aim_in
from bornek.core.settings.knobs import Knob, Response, with_miked
from bornek.core.settings.records import EXCHANGED, Act, Context, Predicted
from bornek.core.settings.watch import outcome_of
from bornek.core.windows import AtMost, Normal, Value, Window

SCATTER_UM = 6.0
"""The scatter of reassembly for which the belief's constants are made."""
FINE_UM = 2.0
"""A length that scatters by less than this is reckoned in units of its own scatter."""
SURPRISED = 0.5
"""More likely than not, some round is off."""
SURPRISE_SDS = 2.5
EITHER = 0.25
"""With this chance left that every round is right, a soft unit and a miscount look alike: asked which."""
LIKELIER = 0.1
"""A round whose chance to be off is this much above the next one's is named alone."""
BELIEVABLE = (0.2, 3.0)
"""A response outside this share of the declared one is no response: it never enters the type's memory."""


def replay(kind: Setting, ctx: Context, outcome: Callable[[int], Outcome] | None = None) -> History | None:
    """All rounds up to the present one; None where the kind has no adjuster, or a row no window.

    `outcome` gives a round's outcome where it is known already; else each is evaluated once here.
    """
    of = outcome or (lambda number: outcome_of(kind, ctx.at(number)))
    response, knobs = kind.response(ctx), with_miked(kind.knobs(ctx), ctx.miked)
    if response is None or not knobs:
        return None
    first = of(1)
    results = [first.result(key) for key in response.rows]
    if any(r is None or r.window is None for r in results):
        return None
    latest = [of(ctx.round).result(key) for key in response.rows]
    rows = tuple(
        _row(response, i, now if now is not None and now.value is not None else r, knobs, ctx)
        for i, (r, now) in enumerate(zip(results, latest, strict=True))
        if r is not None and r.window is not None
    )
    alone = len(rows) == len(knobs) == 1 and not response.geometry
    found, asked = _remembered(response, knobs[0], ctx) if alone else (None, False)
    history = History((), rows, knobs, response, pool=found, sense_asked=asked, says=kind.expects)
    causes = {e.round: e.cause for e in ctx.explanations}
    for number in range(1, ctx.round + 1):
        history = _next_round(
            kind, ctx, history, number, first if number == 1 else of(number), causes.get(number, "")
        )
    return history


def _remembered(response: Response, knob: Knob, ctx: Context) -> tuple[Pool | None, bool]:
    """What finished jobs of the type say, where it fits what is given, and whether they contradict it."""
    k0 = response.k0[0][0]
    sense = sense_of(ctx.history)
    if knob.sense is not None and sense and sense != math.copysign(1, k0):
        return None, True
    return pool(ctx.history, k0), False


def _start(response: Response, i: int, per: float, knobs: Sequence[Knob], ctx: Context) -> Belief:
    """The bank of one row before the first round."""
    k0, rho = response.k0[i], response.rho[i]
    s_a = response.s_a[i] * per if response.geometry else None
    scaled = [k * per / UM for k in k0]
    if len(response.rows) > 1 or len(knobs) > 1 or response.geometry:
        unknown = [(1.0,) if k.sense is not None else (1.0, -1.0) for k in knobs]
        both = list(product(*unknown))
        return start(scaled, rho, s_a=s_a, signs=both, exact=response.geometry)
    found, asked = _remembered(response, knobs[0], ctx)
    sense = sense_of(ctx.history)
    open_sense = asked or (knobs[0].sense is None and not sense)
    if knobs[0].sense is None and sense:
        scaled = [abs(scaled[0]) * sense]
    ways = priors(scaled[0], rho[0], found)
    signs = (1.0, -1.0) if open_sense else (1.0,)
    return start(scaled, rho, s_a=s_a, signs=signs, priors=ways, drag=response.drag is not None)


def _row(response: Response, i: int, result: Result, knobs: Sequence[Knob], ctx: Context) -> Row:
    window = result.steer or result.window
    assert window is not None
    coarse = result.quantity == "length" and (response.geometry or response.s_a[i] * UM >= FINE_UM)
    per = UM if coarse else SCATTER_UM / response.s_a[i]
    belief = _start(response, i, per, knobs, ctx)
    repeats = max(1, response.repeats)
    u = response.s_r[i] / math.sqrt(repeats)
    aim = result.aim
    if aim is None:
        aim = aim_in(window, None if i else ctx.given.get("aim"), u)
    harm = response.harm[i] if i < len(response.harm) else ""
    at = response.harm_at[i] if i < len(response.harm_at) else None
    return Row(
        key=response.rows[i],
        label=result.label,
        quantity=result.quantity,
        window=window,
        aim=aim,
        belief=belief,
        per=per,
        k0=response.k0[i],
        rho=response.rho[i],
        s_a=response.s_a[i],
        s_r=response.s_r[i],
        repeats=repeats,
        harm=harm,
        harm_at=_harm_at(window, aim, harm) if at is None else at,
        drag=response.drag,
        unit=result.unit,
    )


def _harm_at(window: Window, aim: float, harm: str) -> float:
    """Half a window beyond its harmful end, or the physical bound where that is nearer; an open window's own
    end."""
    if math.isinf(window.half):
        end = window.high if harm == "high" else window.low
        return aim if math.isinf(end) else end
    if harm == "high":
        return window.high + window.half
    beyond = window.low - window.half
    return beyond if window.floor is None else max(beyond, window.floor)


def _next_round(
    kind: Setting, ctx: Context, history: History, number: int, outcome: Outcome, cause: str
) -> History:
    states = _states(kind, ctx, history.knobs, number)
    if states is not None and not history.start:
        begun = {k.key: travel(k.domain, states[k.key]) for k in history.knobs}
        history = replace(history, start=begun)
    act = next((a for a in reversed(ctx.acts) if a.round == number and a.act_kind != "recount"), None)
    if act is not None and act.act_kind == EXCHANGED:
        fresh = tuple(replace(r, belief=r.belief.with_other_parts()) for r in history.rows)
        history = replace(history, rows=fresh)
    promised = _promised(history, act, states)
    learned: dict[str, Row] = {}
    far = False
    drag = _drag_um(history.response, outcome)
    if states is not None:
        x = history.travels(states)
        for row in history.rows:
            value = outcome.observed.get(row.key)
            if value is not None:
                far = far or (number > 1 and _far(row, x, value, drag))
                learned[row.key] = replace(
                    row, belief=observe(row, x, value, drag), learned=(*row.learned, number)
                )
    settled = {n for n, why in _causes(ctx).items() if why != "reread"}
    any_off = max((_any_off(r, settled) for r in learned.values()), default=0.0)
    flagged = number > 1 and (far or any_off > SURPRISED)
    either = flagged and 1 - any_off >= EITHER
    held = (flagged and not either and cause not in ("unexplained", "soft")) or cause == "reread"
    if cause == "soft":
        learned = {
            key: replace(r, belief=r.belief.trusting(len(r.learned) - 1)) for key, r in learned.items()
        }
    rows = history.rows
    if not held:
        rows = tuple(learned.get(r.key, r) for r in rows)
    seen = Round(
        number=number,
        states=states,
        outcome=outcome,
        values={r.key: outcome.observed[r.key] for r in rows if r.key in outcome.observed},
        promised=promised,
        flagged=flagged,
        held_out=held,
        either=either,
        doubted=_doubted(learned.values()) if flagged else 0,
        act_kind=act.act_kind if act else "",
        first=rows[0].key,
    )
    return replace(history, rounds=(*history.rounds, seen), rows=rows)


def _states(kind: Setting, ctx: Context, knobs: Sequence[Knob], number: int) -> States | None:
    found = {k.key: kind.state(ctx, k.key, number) for k in knobs}
    known = {key: state for key, state in found.items() if state is not None}
    return known if len(known) == len(knobs) else None


def _promised(history: History, act: Act | None, states: States | None) -> Mapping[str, Predicted]:
    """What was promised when the act was written; else what the belief expects of the states."""
    if act is not None and act.act_kind == EXCHANGED:
        return {}
    if act is not None and act.predicted:
        return {
            row.key: p
            for i, row in enumerate(history.rows)
            if (p := act.predicted.get(row.key, act.predicted.get("") if i == 0 else None)) is not None
        }
    known = any(not isinstance(v, AtMost) for r in history.rounds for v in r.outcome.observed.values())
    if states is None or not known:  # from needles that stood still alone nothing can be promised
        return {}
    return {key: Predicted(v, sd) for key, (v, sd) in history.expect(states).items()}


def _causes(ctx: Context) -> dict[int, str]:
    return {e.round: e.cause for e in ctx.explanations}


def _any_off(row: Row, settled: set[int]) -> float:
    bits = sum(1 << i for i, number in enumerate(row.learned) if number in settled)
    return row.belief.p_any_off(bits)


def _doubted(rows: Iterable[Row]) -> int:
    """The round that is clearly likelier off than the others; 0 where it may be either."""
    for row in rows:
        chances = sorted(((row.belief.p_off(i), n) for i, n in enumerate(row.learned)), reverse=True)
        if len(chances) > 1 and chances[0][0] > chances[1][0] + LIKELIER:
            return chances[0][1]
    return 0


def _drag_um(response: Response, outcome: Outcome) -> float | None:
    """The drag that was read, as the preload that it would nominally mean [µm]."""
    value = outcome.observed.get(response.drag.key) if response.drag else None
    return response.drag.nominal_um(value.v) if response.drag and isinstance(value, Normal) else None


def _far(row: Row, x: Sequence[float], found: Value, drag: float | None) -> bool:
    """Whether a round lies more than 2.5 sd of the whole mixture's prediction, wide and wild parts
    included, from what was to be expected."""
    y, sd = row.belief.predict(x)
    noise = (row.s_r * row.per) ** 2 / row.repeats
    if isinstance(found, Normal):
        noise = max((found.u * row.per) ** 2, noise)
    reach = SURPRISE_SDS * math.sqrt(sd**2 + noise + OUTLIER_SHARE * OUTLIER_SD_UM**2)
    if isinstance(found, Normal):
        return abs((found.v - row.aim) * row.per - y) > reach
    if isinstance(found, AtMost):
        return drag is None and y - (found.c - row.aim) * row.per > reach
    return y - (found.b - row.aim) * row.per > reach or (found.a - row.aim) * row.per - y > reach


def observe(row: Row, x: Sequence[float], found: Value, drag: float | None = None) -> Belief:
    """One round's value of a row put into its belief; values shift by the aim. Where no play shows, the drag
    says more than the needle that stood still."""
    b, noise = row.belief, (row.s_r * row.per) ** 2 / row.repeats
    if isinstance(found, Normal):
        return learn(b, x, (found.v - row.aim) * row.per, max((found.u * row.per) ** 2, noise))
    if drag:
        return learn_drag(b, x, drag, row.aim * row.per)
    if isinstance(found, AtMost):
        return learn_at_most(b, x, (found.c - row.aim) * row.per, noise)
    return learn_between(b, x, (found.a - row.aim) * row.per, (found.b - row.aim) * row.per, noise)


def slope(history: History, ctx: Context) -> Mapping[str, float] | None:
    """The response that this job's own rounds show, for the memory of the type: its likelihood.

    k = Σ(x − x̄)(y − ȳ)/Σ(x − x̄)², se = √(s_a² + u²)/√Σ(x − x̄)², over plainly measured rounds of the parts
    that are in now. None with fewer than two positions, several adjusters, an unbelievable ratio, or a round that nobody could explain.
    """
    if len(history.rows) > 1 or len(history.knobs) > 1:
        return None
    causes = _causes(ctx)
    if "unexplained" in causes.values() or any(r.flagged and r.number not in causes for r in history.rounds):
        return None
    points = [
        (history.travels(r.states)[0], r.found.v * UM, r.found.u * UM)
        for r in history.standing
        if isinstance(r.found, Normal) and r.states is not None and not r.held_out
    ]
    if len({x for x, _, _ in points}) < 2:
        return None
    mx = sum(x for x, _, _ in points) / len(points)
    my = sum(y for _, y, _ in points) / len(points)
    sxx = sum((x - mx) ** 2 for x, _, _ in points)
    k = sum((x - mx) * (y - my) for x, y, _ in points) / sxx
    if not BELIEVABLE[0] <= abs(k / history.row.k0[0]) <= BELIEVABLE[1]:
        return None
    noise = history.row.s_a * UM
    return {"k": k, "se": math.hypot(noise, max(u for _, _, u in points)) / math.sqrt(sxx)}
