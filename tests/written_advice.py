"""The advisor's numbers on a few fixed rounds: beliefs, scores of candidates, steps that cannot be taken back."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import numpy as np

from bornek.core.advice.belief import Belief, chance_between, learn, learn_at_most, learn_between, start
from bornek.core.advice.choose import Aim, score
from bornek.core.advice.joint import joint_target, score_joint
from bornek.core.advice.one_way import follow, step
from written_cases import rounded

AIM = Aim(-30.0, 30.0, 25.0, -60.0, grid=10.0)
HIGH = Aim(-30.0, 30.0, 25.0, 60.0, harm_side=1, price=5.0)


def held(b: Belief) -> dict[str, Any]:
    """What is believed: hypotheses with their doubt and weight, the answer learned and what is expected."""
    return {
        "m": b.m.tolist(),
        "s": [np.diag(s).tolist() for s in b.s],
        "weight": np.round(b.w, 9).tolist(),
        "scatter": b.s_a.tolist(),
        "any off": round(b.p_any_off(), 9),
        "response": list(b.response()),
        "expected": list(b.predict([-50.0] * (b.m.shape[1] - 1))),
    }


def scored(b: Belief, aim: Aim, now: float = 0.0) -> dict[str, Any]:
    found = score(b, np.arange(-300.0, 201.0, 25.0), now, aim, 9.0)
    return {
        "in": np.round(found.p_in, 9).tolist(),
        "harm": np.round(found.p_harm, 9).tolist(),
        "rounds": found.rounds.tolist(),
        "allowed": found.allowed.tolist(),
    }


def one_round() -> dict[str, Any]:
    b = learn(start([1.0], 0.05), [0.0], 120.0, 9.0)
    return held(b) | scored(b, AIM) | {"chance": chance_between(b, [-100.0], -30.0, 30.0, 9.0)}


def stiff() -> dict[str, Any]:
    b = learn(learn(start([1.0], 0.25), [0.0], 250.0, 9.0), [-150.0], 160.0, 9.0)
    return held(b) | scored(b, AIM, -150.0)


def falls_with_the_pack() -> dict[str, Any]:
    b = learn(start([-1.0], 0.1), [0.0], -90.0, 9.0)
    return held(b) | {"low": scored(b, AIM), "high": scored(b, HIGH)}


def sense_unknown() -> dict[str, Any]:
    first = learn(start([1.0], 0.05, signs=(1.0, -1.0)), [0.0], 90.0, 9.0)
    return held(first) | scored(first, AIM) | {"then": held(learn(first, [-30.0], 118.0, 9.0))}


def no_play() -> dict[str, Any]:
    b = learn_at_most(learn(start([1.0], 0.05), [0.0], 120.0, 9.0), [-180.0], 2.0, 9.0)
    return held(b) | scored(b, AIM, -180.0)


def between_blades() -> dict[str, Any]:
    return held(learn_between(learn(start([1.0], 0.05), [0.0], 60.0, 9.0), [-40.0], 10.0, 30.0, 0.0))


def wild_round() -> dict[str, Any]:
    return held(learn(learn(start([1.0], 0.05), [0.0], 200.0, 9.0), [-150.0], 150.0, 9.0))


def two_rows() -> dict[str, Any]:
    rows = [
        learn(start([0.25, 0.7], (0.2, 0.2)), [0.0, 0.0], 80.0, 9.0),
        learn(start([1.5, -0.8], (0.35, 0.35), s_a=20.0), [0.0, 0.0], -40.0, 1600.0),
    ]
    x = np.array([[a, b] for a in (-100.0, -50.0, 0.0, 50.0) for b in (-120.0, -60.0, 0.0)])
    aims = [AIM, Aim(-150.0, 150.0, 120.0, 0.0, harm_side=0)]
    x_t = joint_target(rows, aims, [0.0, 0.0])
    found = score_joint(rows, x, aims, [9.0, 1600.0], [10.0, 10.0], x_t)
    return {"target": x_t.tolist(), "in": found.p_in.tolist(), "harm": found.p_harm.tolist(),
            "rounds": found.rounds.tolist(), "allowed": found.allowed.tolist()}  # fmt: skip


def one_way() -> dict[str, Any]:
    offers, found = np.arange(0.0, 402.0, 4.0), {}
    for name, k, rounds in (
        ("first", -1.0, [(0.0, 200.0, 4.0)]),
        ("second", -1.0, [(0.0, 200.0, 4.0), (120.0, 95.0, 4.0)]),
        ("near", -1.0, [(0.0, 200.0, 4.0), (160.0, 30.0, 4.0)]),
        ("rises", 1.0, [(0.0, -150.0, 4.0), (60.0, -95.0, 4.0)]),
    ):  # fmt: skip
        c = follow(k, 0.15, rounds)
        s = step(c, offers, -25.0, 25.0, 4.0)
        found[name] = {"at": s.index, "stop": s.stop, "past": s.p_past[::10].tolist(), "in": s.p_in[::10].tolist(),
                       "m": c.m.tolist(), "p": c.p.tolist(), "w": c.w.tolist()}  # fmt: skip
    return found


WEIGHED: dict[str, Callable[[], dict[str, Any]]] = {
    f.__name__.replace("_", "-"): f
    for f in (one_round, stiff, falls_with_the_pack, sense_unknown, no_play, between_blades, wild_round, two_rows, one_way)
}  # fmt: skip


def weighed(name: str) -> dict[str, Any]:
    return rounded(WEIGHED[name]())
