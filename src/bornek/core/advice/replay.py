"""Learns a setting's rounds in order: what is believed now, and which rounds stand out."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace

from bornek.core.advice.belief import Belief, learn, learn_at_most, learn_between, start
from bornek.core.advice.domains import position
from bornek.core.settings.kind import Knob, Outcome, Response, Setting, aim_in
from bornek.core.settings.records import Context, Learned, Predicted, State
from bornek.core.windows import AtMost, Interval, Normal, Value, Window

UM = 1000.0
TYPE_SD = 0.05


@dataclass(frozen=True)
class Round:
    """One round as replayed: the state in it, what was found, predicted, and how it was taken."""

    number: int
    state: State | None
    outcome: Outcome
    found: Value | None
    predicted: Predicted | None
    flagged: bool = False
    held_out: bool = False
    act_kind: str = ""


@dataclass(frozen=True)
class History:
    rounds: tuple[Round, ...]
    belief: Belief
    x0: float
    response: Response
    knob: Knob
    window: Window
    aim: float

    @property
    def last(self) -> Round:
        return self.rounds[-1]

    def x(self, state: State) -> float:
        """The knob's travel since the first round [µm]."""
        return (position(state) - self.x0) * UM

    def expect(self, state: State) -> tuple[float, float]:
        """Value and sd [mm] expected at a state."""
        y, sd = self.belief.predict([self.x(state)])
        return y / UM + self.aim, sd / UM


def remembered(response: Response, history: tuple[Learned, ...]) -> tuple[float, float]:
    """k0 and ρ, drawn toward what finished jobs of the type found.

    Each job counts 1/(se² + 0.05²), the prior 1/(ρ k0)²; never surer than 3 %.

    >>> r = Response(("y",), ("k",), ((1.0,),), (0.15,), (0.006,), (0.0035,))
    >>> remembered(r, (Learned("a", 0.8, 0.02), Learned("b", 0.82, 0.02)))[0] < 0.85
    True
    """
    k0, rho = response.k0[0][0], response.rho[0]
    items = {h.setting: h for h in history}.values()
    weights = [(1 / (h.se**2 + (TYPE_SD * k0) ** 2), h.k) for h in items]
    weights.append((1 / (rho * k0) ** 2, k0))
    total = sum(w for w, _ in weights)
    mean = sum(w * k for w, k in weights) / total
    if len(weights) == 1:
        return k0, rho
    sd = math.hypot(1 / math.sqrt(total), TYPE_SD * abs(k0) * 0.6)
    return mean, min(max(sd / abs(mean), 0.03), rho)


def replay(kind: Setting, ctx: Context) -> History | None:
    """All rounds up to the present one; None where the kind has no single knob or no window."""
    response, knobs = kind.response(ctx), list(kind.knobs(ctx))
    if response is None or len(response.rows) != 1 or len(knobs) != 1:
        return None
    row, knob = response.rows[0], knobs[0]
    first = kind.evaluate(ctx.at(1))
    target = first.target()
    if target is None or target.window is None:
        return None
    aim = aim_in(target.window, ctx.given.get("aim"))
    k0, rho = remembered(response, ctx.history)
    history = History(
        rounds=(),
        belief=start(
            [k0],
            rho,
            response.s_a[0] * UM if response.geometry else None,
            (1.0,) if knob.sense is not None else (1.0, -1.0),
            response.geometry,
        ),
        x0=0.0,
        response=response,
        knob=knob,
        window=target.window,
        aim=aim,
    )
    causes = {e.round: e.cause for e in ctx.explanations}
    started = False
    for number in range(1, ctx.round + 1):
        outcome = kind.evaluate(ctx.at(number))
        state = kind.state(ctx, knob.key, number)
        found = outcome.observed.get(row)
        act = next((a for a in reversed(ctx.acts) if a.round == number and a.kind != "recount"), None)
        if state is not None and not started:
            history, started = replace(history, x0=position(state)), True
        predicted = act.predicted if act else None
        if predicted is None and state is not None and len(history.rounds):
            v, u = history.expect(state)
            predicted = Predicted(v, u)
        belief, flagged = history.belief, False
        if found is not None and state is not None:
            learned = observe(history, state, found, ctx)
            flagged = number > 1 and learned.p_outlier > 0.5
            cause = causes.get(number, "")
            if (not flagged or cause == "unexplained") and cause != "reread":
                belief = learned
        held = (flagged and causes.get(number) != "unexplained") or causes.get(number) == "reread"
        seen = Round(
            number=number,
            state=state,
            outcome=outcome,
            found=found,
            predicted=predicted,
            flagged=flagged,
            held_out=held,
            act_kind=act.kind if act else "",
        )
        history = replace(history, rounds=(*history.rounds, seen), belief=belief)
    return history


def observe(history: History, state: State, found: Value, ctx: Context) -> Belief:
    """One round's value put into the belief; lengths shift by the aim into µm."""
    x, b, r = [history.x(state)], history.belief, history.response
    n = max(1, r.repeats)
    noise = (r.s_r[0] * UM) ** 2 / n
    if isinstance(found, Normal):
        return learn(b, x, (found.v - history.aim) * UM, max((found.u * UM) ** 2, noise))
    if isinstance(found, AtMost):
        return learn_at_most(b, x, (found.c - history.aim) * UM, noise)
    assert isinstance(found, Interval)
    return learn_between(b, x, (found.a - history.aim) * UM, (found.b - history.aim) * UM, noise)


def slope(history: History) -> Mapping[str, float] | None:
    """The response that the finished rounds alone show, for the memory of the type: least squares
    over plainly measured rounds that were not held out; None with fewer than two positions."""
    points = [
        (history.x(r.state), r.found.v * UM, r.found.u * UM)
        for r in history.rounds
        if isinstance(r.found, Normal) and r.state is not None and not r.flagged and not r.held_out
    ]
    if len({x for x, _, _ in points}) < 2:
        return None
    mx = sum(x for x, _, _ in points) / len(points)
    my = sum(y for _, y, _ in points) / len(points)
    sxx = sum((x - mx) ** 2 for x, _, _ in points)
    k = sum((x - mx) * (y - my) for x, y, _ in points) / sxx
    noise = history.response.s_a[0] * UM
    return {"k": k, "se": math.hypot(noise, points[-1][2]) / math.sqrt(sxx)}
