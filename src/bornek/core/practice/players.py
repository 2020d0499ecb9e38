"""Who plays a simulated setting: naive, secant, the advisor, and an oracle that knows the truth."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.belief import Belief, learn, start
from bornek.core.advice.choose import Aim, ranked, score
from bornek.core.advice.packs import Reachable, reachable
from bornek.core.practice.one_knob import EACH, MOST, PRIORS, THICKNESSES_UM, Case

CAP = 12
READING_SD_UM = 3.5
DRAWER = dict.fromkeys(THICKNESSES_UM, EACH)
Log = Sequence[tuple[float, float]]
"""Rounds so far as (pack change since the first round, reading)."""
Player = Callable[[Case, Log, Reachable, float], int]
"""Picks a row of the reachable packs; the last number is the half window."""


@dataclass(frozen=True)
class Game:
    """How one case went: moves until the reading was in (13: never), and harm done on the way."""

    rounds: int
    harm: bool


def play(case: Case, player: Player, half: float) -> Game:
    """Read, move, assemble, read, until |reading| ≤ half or the cap. Harm: the true value below
    −2·half after a previous reading above −half."""
    pack = case.pack
    log = [(0.0, case.reading(0.0, 0))]
    harm = False
    for number in range(1, CAP + 1):
        if abs(log[-1][1]) <= half:
            return Game(number - 1, harm)
        packs = reachable(DRAWER, pack, MOST)
        pack = packs.pack(player(case, log, packs, half))
        change = float(sum(pack) - sum(case.pack))
        harm = harm or (case.value(change, number) < -2 * half and log[-1][1] > -half)
        log.append((change, case.reading(change, number)))
    return Game(CAP if abs(log[-1][1]) <= half else CAP + 1, harm)


def _nearest(case: Case, packs: Reachable, wanted: float) -> int:
    return int(np.argmin(np.abs(packs.sums - sum(case.pack) - wanted)))


def naive(case: Case, log: Log, packs: Reachable, half: float) -> int:
    """One for one: take out what it is too much."""
    change, z = log[-1]
    return _nearest(case, packs, change - z)


def secant(case: Case, log: Log, packs: Reachable, half: float) -> int:
    """The last step's ratio, when it is believable."""
    change, z = log[-1]
    slope = 1.0
    for (x0, z0), (x1, z1) in zip(log[-2::-1], log[:0:-1], strict=False):
        if x1 != x0:
            found = (z1 - z0) / (x1 - x0)
            slope = found if 0.2 < found < 3 else 1.0
            break
    return _nearest(case, packs, change - z / slope)


def choose(case: Case, b: Belief, log: Log, packs: Reachable, aim: Aim, r2: float) -> int:
    """The pack that the expected-rounds rule picks under a belief."""
    xs = (packs.sums - sum(case.pack)).astype(float)
    scores = score(b, xs, log[-1][0], aim, r2)
    order = ranked(scores, packs.handled.astype(float), packs.plates.astype(float))
    return order[0] if order else _nearest(case, packs, log[-1][0])


def advisor(prior: tuple[float, float] | None = None) -> Player:
    """The advisor as the application uses it; `prior` replaces the family's own (k0, ρ)."""

    def pick(case: Case, log: Log, packs: Reachable, half: float) -> int:
        k0, rho = prior or PRIORS[case.family]
        b, r2 = start([k0], rho), READING_SD_UM**2 / 3
        for change, z in log:
            b = learn(b, [change], z, r2)
        return choose(case, b, log, packs, Aim(-half, half, half, -2 * half), r2)

    return pick


def oracle(case: Case, log: Log, packs: Reachable, half: float) -> int:
    """Knows response and scatters; the limit of what can be done."""
    b, r2 = start([case.k], 1e-6, s_a=case.s_a, exact=True), case.s_r**2 / 3
    for change, z in log:
        b = learn(b, [change], z, r2)
    return choose(case, b, log, packs, Aim(-half, half, half, -2 * half, price=1.0), r2)
