"""The benchmark of several quantities: backlash and pattern answer pinion and gear shims together.

Rows: backlash [µm], pattern lengthwise and up the tooth [% of the flank], each as its distance from its aim.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.belief import Belief, Floats, learn, start
from bornek.core.advice.choose import Aim, ranked
from bornek.core.advice.joint import combine, inside_hull, joint_target, score_joint
from bornek.core.advice.packs import Reachable, reachable
from bornek.core.practice.streams import Stream

J0 = np.array([[0.25, 0.70], [0.06, -0.12], [0.20, -0.06]])
REL = np.array([[0.25, 0.15], [0.4, 0.4], [0.3, 0.4]])
SCATTER, READING = (6.0, 2.0, 2.0), (2.0, 4.0, 4.0)
PATTERN = (15.0, 10.0)
"""Half windows of the pattern, lengthwise and up the tooth [%]."""
THICKNESSES_UM = (50, 80, 100, 120, 150, 200, 250, 300)
EACH, MOST, CAP = 10, 5, 12
LEAST_SHARE = 0.2
PER = tuple(6.0 / s for s in SCATTER)
"""What brings each row's scatter of reassembly to the belief's 6."""
DRAWER = dict.fromkeys(THICKNESSES_UM, EACH)


@dataclass(frozen=True)
class Pair:
    """One simulated set: its true Jacobian, where it starts, and the packs that are in."""

    stream: Stream
    j: Floats
    y0: Floats
    packs: tuple[tuple[int, ...], tuple[int, ...]]

    def reading(self, change: Floats, number: int) -> Floats:
        """What is read of all rows after assembly `number` with the packs changed by `change` [µm]."""
        noise = [
            SCATTER[r] * self.stream.n(23, 3 * number + r) + READING[r] * self.stream.n(24, 3 * number + r)
            for r in range(3)
        ]
        return np.asarray(self.y0 + self.j @ change + noise)


def make_pair(seed: int, number: int) -> Pair:
    """Case `number` of the two-knob benchmark."""
    s = Stream(seed, number)
    n = np.array([[s.n(20, 2 * i + j) for j in range(2)] for i in range(3)])
    j = J0 * (1 + REL * n)
    j = np.where(np.sign(J0) * j < LEAST_SHARE * np.abs(J0), LEAST_SHARE * J0, j)
    d = np.array([-200 + 400 * s.u(21, i) for i in range(2)])
    y0 = np.array([0.0, 3 * s.n(22, 0), 2 * s.n(22, 1)]) - j @ d
    first, second = (
        tuple(sorted((300, 200, THICKNESSES_UM[int(8 * s.u(ch, 0))]), reverse=True)) for ch in (25, 26)
    )
    return Pair(s, j, y0, (first, second))


Log = Sequence[tuple[Floats, Floats]]
"""Rounds so far as (pack changes, readings)."""
Player = Callable[[Pair, Log, Sequence[Reachable], float], tuple[int, int]]


def halves(half: float) -> Floats:
    return np.array([half, *PATTERN])


def starts_out(pair: Pair, half: float) -> bool:
    return bool((np.abs(pair.reading(np.zeros(2), 0)) > halves(half)).any())


@dataclass(frozen=True)
class PairGame:
    """Teardowns until every row reads in, 13 when it never does; whether the teeth ever bound."""

    rounds: int
    harm: bool


def play_pair(pair: Pair, player: Player, half: float) -> PairGame:
    """Harm: truly below −2h of the backlash's aim after a move."""
    packs = list(pair.packs)
    log = [(np.zeros(2), pair.reading(np.zeros(2), 0))]
    harm = False
    for number in range(1, CAP + 2):
        if (np.abs(log[-1][1]) <= halves(half)).all():
            return PairGame(number - 1, harm)
        if number > CAP:
            break
        found = [reachable(DRAWER, p, MOST) for p in packs]
        rows = player(pair, log, found, half)
        packs = [f.pack(r) for f, r in zip(found, rows, strict=True)]
        change = np.array([float(sum(p) - sum(b)) for p, b in zip(packs, pair.packs, strict=True)])
        harm = harm or float(pair.y0[0] + pair.j[0] @ change) < -2 * half
        log.append((change, pair.reading(change, number)))
    return PairGame(CAP + 1, harm)


KNOWN = 0.002
"""How well the oracle knows the answer of each row, as a share of it."""


def joint_advisor(pair: Pair, log: Log, found: Sequence[Reachable], half: float) -> tuple[int, int]:
    """The advisor as the application uses it, with the windows as they are."""
    return _by_belief(pair, log, found, half, J0, REL)


def pair_oracle(pair: Pair, log: Log, found: Sequence[Reachable], half: float) -> tuple[int, int]:
    """The advisor that is told how this pair answers."""
    return _by_belief(pair, log, found, half, pair.j, np.full_like(REL, KNOWN))


def _by_belief(
    pair: Pair, log: Log, found: Sequence[Reachable], half: float, j: Floats, rel: Floats
) -> tuple[int, int]:
    beliefs: list[Belief] = []
    for r in range(3):
        b = start(j[r] * PER[r], rel[r])
        for change, z in log:
            b = learn(b, change.tolist(), float(z[r]) * PER[r], (READING[r] * PER[r]) ** 2)
        beliefs.append(b)
    begun = pair.packs
    aims = [_aim(h * PER[r], r) for r, h in enumerate(halves(half))]
    now = log[-1][0]
    aimed = joint_target(beliefs, aims, now.tolist())
    xs = [(f.sums - sum(b)).astype(float) for f, b in zip(found, begun, strict=True)]
    kept = [np.flatnonzero(inside_hull(x, now[i], float(aimed[i]), 10.0)) for i, x in enumerate(xs)]
    local = combine(beliefs, aims, [x[k] for x, k in zip(xs, kept, strict=True)])
    index = np.stack([k[local[:, i]] for i, k in enumerate(kept)], axis=1)
    x = np.stack([xs[i][index[:, i]] for i in range(2)], axis=1)
    r2 = [(READING[r] * PER[r]) ** 2 for r in range(3)]
    scores = score_joint(beliefs, x, aims, r2, (10.0, 10.0), aimed)
    handled = sum(f.handled[index[:, i]] for i, f in enumerate(found))
    plates = sum(f.plates[index[:, i]] for i, f in enumerate(found))
    best = ranked(scores, np.asarray(handled, dtype=float), np.asarray(plates, dtype=float))[0]
    return int(index[best, 0]), int(index[best, 1])


def _aim(h: float, row: int) -> Aim:
    return Aim(-h, h, h, -2 * h, harm_side=-1 if row == 0 else 0)


def naive_pair(pair: Pair, log: Log, found: Sequence[Reachable], half: float) -> tuple[int, int]:
    """Both adjusters by the declared Jacobian, as if it were true."""
    change, z = log[-1]
    step, *_ = np.linalg.lstsq(J0 / halves(half)[:, None], -z / halves(half), rcond=None)
    return _nearest(pair, found, change + step)


def one_at_a_time(pair: Pair, log: Log, found: Sequence[Reachable], half: float) -> tuple[int, int]:
    """As it is done by hand: the pinion until the pattern is up or down where it should be, then the gear until the
    backlash is; one of them in a teardown."""
    change, z = log[-1]
    wanted = change.copy()
    if abs(z[2]) > PATTERN[1]:
        wanted[0] -= z[2] / J0[2, 0]
    else:
        wanted[1] -= z[0] / J0[0, 1]
    return _nearest(pair, found, wanted)


def _nearest(pair: Pair, found: Sequence[Reachable], wanted: Floats) -> tuple[int, int]:
    rows = [
        int(np.argmin(np.abs(f.sums - sum(b) - w))) for f, b, w in zip(found, pair.packs, wanted, strict=True)
    ]
    return rows[0], rows[1]
