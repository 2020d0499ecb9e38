"""The benchmark of a preload by shims: an indicator sees no preload, a rolling drag does; all µm."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

import numpy as np

from bornek.core.advice.belief import Belief, learn, learn_at_most, learn_drag, start
from bornek.core.advice.choose import Aim, ranked, score
from bornek.core.advice.packs import Reachable, reachable
from bornek.core.practice.one_knob import EACH, MOST, THICKNESSES_UM
from bornek.core.practice.streams import Stream

CAP = 12
RHO = 0.08
SHOWS = 2.0
"""Less play than this reads as none."""
READING_SD_UM = 3.0 / math.sqrt(3)
DRAWER = dict.fromkeys(THICKNESSES_UM, EACH)


@dataclass(frozen=True)
class Rolling:
    """`y0` play at the first pack, response k, drag for each µm of preload ρ_q, wanted preload."""

    stream: Stream
    preload: float
    k: float
    rho_q: float
    s_a: float
    y0: float
    pack: tuple[int, ...]

    def read(self, change: float, number: int) -> tuple[float, float]:
        """Play (0 where none shows) and drag [nominal µm] after assembly `number`."""
        y = self.y0 + self.k * change + self.s_a * self.stream.n(46, number)
        play = y + READING_SD_UM * self.stream.n(47, number)
        drag = self.rho_q * max(0.0, -y) * (1 + 0.05 * self.stream.n(48, number))
        return (play if play > SHOWS else 0.0), drag


Log = Sequence[tuple[float, float, float]]
"""Rounds so far as (pack change, play, drag)."""
Player = Callable[[Rolling, Log, Reachable, float], int]


def make_rolling(seed: int, number: int) -> Rolling:
    """Case `number` of the preload benchmark."""
    s = Stream(seed, number)
    types = [THICKNESSES_UM[int(8 * s.u(45, i))] for i in (0, 1)]
    return Rolling(
        stream=s,
        preload=20 + 40 * s.u(40),
        k=1 + 0.07 * s.n(41),
        rho_q=math.exp(0.25 * s.n(42)),
        s_a=3 + 5 * s.u(43),
        y0=-150 + 450 * s.u(44),
        pack=tuple(sorted((500, 500, *types), reverse=True)),
    )


def play_rolling(case: Rolling, player: Player, half: float) -> int:
    """Moves until no play shows and the drag lies within `half` of the wanted preload; 13: never."""
    pack, log = case.pack, [(0.0, *case.read(0.0, 0))]
    for number in range(1, CAP + 2):
        _, play, drag = log[-1]
        if play == 0 and abs(drag - case.preload) <= half:
            return number - 1
        if number > CAP:
            break
        packs = reachable(DRAWER, pack, MOST)
        pack = packs.pack(player(case, log, packs, half))
        change = float(sum(pack) - sum(case.pack))
        log.append((change, *case.read(change, number)))
    return CAP + 1


def _nearest(case: Rolling, packs: Reachable, change: float) -> int:
    return int(np.argmin(np.abs(packs.sums - sum(case.pack) - change)))


def naive(case: Rolling, log: Log, packs: Reachable, half: float) -> int:
    """One for one: takes play and drag at their word."""
    change, play, drag = log[-1]
    return _nearest(case, packs, change - (play - drag) - case.preload)


def _pick(b: Belief, case: Rolling, log: Log, packs: Reachable, half: float, price: float) -> int:
    harm = -max(2 * half, case.preload)
    aim = Aim(-half, half, half, harm, price=price, value=-case.preload)
    for change, play, drag in log:
        if play > 0:
            b = learn(b, [change], play + case.preload, READING_SD_UM**2)
        elif drag > 0:
            b = learn_drag(b, [change], drag, -case.preload)
        else:
            b = learn_at_most(b, [change], SHOWS + case.preload, READING_SD_UM**2)
    xs = (packs.sums - sum(case.pack)).astype(float)
    scores = score(b, xs, log[-1][0], aim, (0.05 * case.preload) ** 2 + 1)
    order = ranked(scores, packs.handled.astype(float), packs.plates.astype(float))
    return order[0] if order else _nearest(case, packs, log[-1][0])


def advisor(case: Rolling, log: Log, packs: Reachable, half: float) -> int:
    """The advisor as the application uses it, the ratio of drag to preload held open."""
    return _pick(start([1.0], RHO, drag=True), case, log, packs, half, 3.0)


def oracle(case: Rolling, log: Log, packs: Reachable, half: float) -> int:
    """Knows response, scatter and ratio."""
    b = start([case.k], 1e-6, s_a=case.s_a, exact=True)
    known = replace(b, rho_q=np.full(len(b.lw), case.rho_q))
    return _pick(known, case, log, packs, half, 1.0)
