"""Five finished jobs of a type remembered, one of them bad: rounds and harm beside the same cases without memory.

python bench/memory.py [--cases 2000]; prints, asserts nothing.
"""

from __future__ import annotations

import argparse

import numpy as np

from bornek.core.advice.belief import learn, start
from bornek.core.advice.choose import Aim
from bornek.core.advice.memory import pool as pooled
from bornek.core.advice.memory import priors
from bornek.core.advice.packs import Reachable
from bornek.core.practice.one_knob import PRIORS, Case, Family, make_case
from bornek.core.practice.players import READING_SD_UM, Game, Log, Player, choose, play
from bornek.core.settings.records import Learned
from many import cores, many

BAD = (0.654, 0.028)
"""A job whose miscount nobody explained: k and its standard error."""


def jobs(case: Case, n: int, bad: bool) -> list[Learned]:
    """Finished jobs of units like this one, 2 % apart, each known to 2.5 to 5.5 %."""
    s, found = case.stream, []
    for i in range(n):
        se = 0.025 + 0.03 * s.u(82, i)
        k = case.k * (1 + 0.02 * s.n(80, i)) + se * s.n(81, i)
        k, se = BAD if bad and i == 2 else (k, se)
        found.append(Learned(str(i), k, se, serial=str(i)))
    return found


def remembering(n: int, bad: bool) -> Player:
    def pick(case: Case, log: Log, packs: Reachable, half: float) -> int:
        k0, rho = PRIORS[case.family]
        ways = priors(k0, rho, pooled(jobs(case, n, bad), k0) if n else None)
        b, r2 = start([k0], rho, priors=ways), READING_SD_UM**2 / 3
        for change, z in log:
            b = learn(b, [change], z, r2)
        return choose(case, b, log, packs, Aim(-half, half, half, -2 * half), r2)

    return pick


def run(first: int, last: int, family: Family, half: float, n: int, bad: bool) -> list[Game]:
    return [play(make_case(family, 2026, i), remembering(n, bad), half) for i in range(first, last)]


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=2000)
    args = parser.parse_args()
    with cores() as pool:
        for family in ("E", "B"):
            for words, n, bad in (
                ("no memory", 0, False),
                ("five jobs", 5, False),
                ("five, one bad", 5, True),
                ("three jobs", 3, False),
            ):
                cells = []
                for half in (25.0, 12.0, 6.0):
                    games = many(pool, run, args.cases, family, half, n, bad)
                    cells.append(
                        f"{np.mean([g.rounds for g in games]):5.2f} ({100 * np.mean([g.harm for g in games]):4.1f})"
                    )
                print(f"{family}  {words:14s} {'  '.join(cells)}", flush=True)


if __name__ == "__main__":
    main()
