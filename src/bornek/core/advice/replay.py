"""Learns a setting's rounds in order: what is believed now, and which rounds stand out."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import product
from typing import Literal

from bornek.core.advice.belief import Belief, learn, learn_at_most, learn_between, start
from bornek.core.advice.domains import travel
from bornek.core.settings.kind import Outcome, Result, Setting, aim_in
from bornek.core.settings.knobs import Knob, Response
from bornek.core.settings.records import Act, Context, Learned, Predicted
from bornek.core.settings.state import State
from bornek.core.windows import AtMost, Interval, Normal, Value, Window

UM = 1000.0
TYPE_SD = 0.05
"""Two jobs of one type differ by about 5 % in their response."""
LEAST_TYPE_SD = 0.03
SCATTER_UM = 6.0
"""The scatter of reassembly for which the belief's constants are made."""
SURPRISED = 0.5
States = Mapping[str, State]


@dataclass(frozen=True)
class Row:
    """One quantity that the adjusters bring in: its window and aim, and what is believed of its answer.

    `per` turns its unit into the belief's: µm for a length; a share or an angle so that its reassembly
    scatter counts as 6.
    """

    key: str
    label: str
    quantity: str
    window: Window
    aim: float
    belief: Belief
    per: float
    k0: tuple[float, ...]
    rho: tuple[float, ...]
    s_a: float
    s_r: float
    repeats: int
    harm: Literal["low", "high", ""]

    def expect(self, x: Sequence[float]) -> tuple[float, float]:
        """Value and sd in the row's unit at the knobs' travels x [µm]."""
        y, sd = self.belief.predict(x)
        return y / self.per + self.aim, sd / self.per


@dataclass(frozen=True)
class Round:
    """One round as replayed: the states in it, what was found, predicted, and how it was taken."""

    number: int
    states: States | None
    outcome: Outcome
    values: Mapping[str, Value]
    promised: Mapping[str, Predicted]
    flagged: bool = False
    held_out: bool = False
    act_kind: str = ""
    first: str = ""
    """The row that is spoken of where there is room for one."""

    @property
    def found(self) -> Value | None:
        return self.values.get(self.first)

    @property
    def predicted(self) -> Predicted | None:
        return self.promised.get(self.first)


@dataclass(frozen=True)
class History:
    rounds: tuple[Round, ...]
    rows: tuple[Row, ...]
    knobs: tuple[Knob, ...]
    response: Response
    start: Mapping[str, float] = field(default_factory=dict)
    """Each knob's travel in the first round."""

    @property
    def last(self) -> Round:
        return self.rounds[-1]

    @property
    def row(self) -> Row:
        return self.rows[0]

    @property
    def knob(self) -> Knob:
        return self.knobs[0]

    def travels(self, states: States) -> list[float]:
        """The knobs' travels since the first round [µm], in the knobs' order."""
        return [(travel(k.domain, states[k.key]) - self.start.get(k.key, 0.0)) * UM for k in self.knobs]

    def expect(self, states: States) -> dict[str, tuple[float, float]]:
        """Value and sd of every row at these states."""
        x = self.travels(states)
        return {row.key: row.expect(x) for row in self.rows}


def remembered(response: Response, history: tuple[Learned, ...]) -> tuple[float, float]:
    """k0 and ρ, drawn toward what finished jobs of the type found.

    Each job counts 1/(se² + 0.05²), the prior 1/(ρ k0)²; never surer than 3 %.

    >>> r = Response(("y",), ("k",), ((1.0,),), ((0.15,),), (0.006,), (0.0035,))
    >>> remembered(r, (Learned("a", 0.8, 0.02), Learned("b", 0.82, 0.02)))[0] < 0.85
    True
    """
    k0, rho = response.k0[0][0], response.rho[0][0]
    items = {h.setting: h for h in history}.values()
    weights = [(1 / (h.se**2 + (TYPE_SD * k0) ** 2), h.k) for h in items]
    weights.append((1 / (rho * k0) ** 2, k0))
    total = sum(w for w, _ in weights)
    mean = sum(w * k for w, k in weights) / total
    if len(weights) == 1:
        return k0, rho
    sd = math.hypot(1 / math.sqrt(total), TYPE_SD * abs(k0) * 0.6)
    return mean, min(max(sd / abs(mean), LEAST_TYPE_SD), rho)


def replay(kind: Setting, ctx: Context, outcome: Callable[[int], Outcome] | None = None) -> History | None:
    """All rounds up to the present one; None where the kind has no adjuster, or a row no window.

    `outcome` gives a round's outcome where it is known already; else each is evaluated once here.
    """
    of = outcome or (lambda number: kind.evaluate(ctx.at(number)))
    response, knobs = kind.response(ctx), tuple(kind.knobs(ctx))
    if response is None or not knobs:
        return None
    first = of(1)
    results = [first.result(key) for key in response.rows]
    if any(r is None or r.window is None for r in results):
        return None
    rows = tuple(
        _row(response, i, r, knobs, ctx)
        for i, r in enumerate(results)
        if r is not None and r.window is not None
    )
    history = History((), rows, knobs, response)
    causes = {e.round: e.cause for e in ctx.explanations}
    for number in range(1, ctx.round + 1):
        history = _next_round(
            kind, ctx, history, number, first if number == 1 else of(number), causes.get(number, "")
        )
    return history


def _row(response: Response, i: int, result: Result, knobs: Sequence[Knob], ctx: Context) -> Row:
    assert result.window is not None
    k0, rho = response.k0[i], response.rho[i]
    if len(response.rows) == len(knobs) == 1:
        k, r = remembered(response, ctx.history)
        k0, rho = (k,), (r,)
    per = UM if result.quantity == "length" else SCATTER_UM / response.s_a[i]
    unknown = [(1.0,) if k.sense is not None else (1.0, -1.0) for k in knobs]
    belief = start(
        k0=[k * per / UM for k in k0],
        rho=rho,
        s_a=response.s_a[i] * per if response.geometry else None,
        signs=list(product(*unknown)),
        exact=response.geometry,
    )
    return Row(
        key=response.rows[i],
        label=result.label,
        quantity=result.quantity,
        window=result.window,
        aim=result.aim
        if result.aim is not None
        else aim_in(result.window, None if i else ctx.given.get("aim")),
        belief=belief,
        per=per,
        k0=k0,
        rho=rho,
        s_a=response.s_a[i],
        s_r=response.s_r[i],
        repeats=max(1, response.repeats),
        harm=response.harm[i] if i < len(response.harm) else "",
    )


def _next_round(
    kind: Setting, ctx: Context, history: History, number: int, outcome: Outcome, cause: str
) -> History:
    states = _states(kind, ctx, history.knobs, number)
    if states is not None and not history.start:
        begun = {k.key: travel(k.domain, states[k.key]) for k in history.knobs}
        history = replace(history, start=begun)
    act = next((a for a in reversed(ctx.acts) if a.round == number and a.act_kind != "recount"), None)
    promised = _promised(history, act, states)
    learned, flagged = {}, False
    if states is not None:
        for row in history.rows:
            value = outcome.observed.get(row.key)
            if value is not None:
                learned[row.key] = observe(row, history.travels(states), value)
        flagged = number > 1 and any(b.p_outlier > SURPRISED for b in learned.values())
    held = (flagged and cause != "unexplained") or cause == "reread"
    rows = history.rows
    if not held:
        rows = tuple(replace(r, belief=learned.get(r.key, r.belief)) for r in rows)
    seen = Round(
        number=number,
        states=states,
        outcome=outcome,
        values={r.key: outcome.observed[r.key] for r in rows if r.key in outcome.observed},
        promised=promised,
        flagged=flagged,
        held_out=held,
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
    if act is not None and act.predicted:
        return {
            row.key: p
            for i, row in enumerate(history.rows)
            if (p := act.predicted.get(row.key, act.predicted.get("") if i == 0 else None)) is not None
        }
    if states is None or not history.rounds:
        return {}
    return {key: Predicted(v, sd) for key, (v, sd) in history.expect(states).items()}


def observe(row: Row, x: Sequence[float], found: Value) -> Belief:
    """One round's value of a row put into its belief; values shift by the aim."""
    b, noise = row.belief, (row.s_r * row.per) ** 2 / row.repeats
    if isinstance(found, Normal):
        return learn(b, x, (found.v - row.aim) * row.per, max((found.u * row.per) ** 2, noise))
    if isinstance(found, AtMost):
        return learn_at_most(b, x, (found.c - row.aim) * row.per, noise)
    assert isinstance(found, Interval)
    return learn_between(b, x, (found.a - row.aim) * row.per, (found.b - row.aim) * row.per, noise)


def slope(history: History) -> Mapping[str, float] | None:
    """The response that the finished rounds alone show, for the memory of the type: least squares
    over plainly measured rounds that were not held out; None with fewer than two positions, or with
    several adjusters."""
    if len(history.rows) > 1 or len(history.knobs) > 1:
        return None
    points = [
        (history.travels(r.states)[0], r.found.v * UM, r.found.u * UM)
        for r in history.rounds
        if isinstance(r.found, Normal) and r.states is not None and not r.flagged and not r.held_out
    ]
    if len({x for x, _, _ in points}) < 2:
        return None
    mx = sum(x for x, _, _ in points) / len(points)
    my = sum(y for _, y, _ in points) / len(points)
    sxx = sum((x - mx) ** 2 for x, _, _ in points)
    k = sum((x - mx) * (y - my) for x, y, _ in points) / sxx
    noise = history.row.s_a * UM
    return {"k": k, "se": math.hypot(noise, points[-1][2]) / math.sqrt(sxx)}
