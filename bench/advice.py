"""The advisor against naive, secant and an oracle on simulated settings.

python bench/advice.py [--cases 2000] [--seeds 2026 7001 …]; prints mean rounds and harm, asserts nothing.
"""

from __future__ import annotations

import argparse
import os
from concurrent.futures import ProcessPoolExecutor

import numpy as np

from bornek.core.practice.one_knob import Family, make_case
from bornek.core.practice.players import Game, advisor, naive, oracle, play, secant

PLAYERS = {"naive": naive, "secant": secant, "advisor": advisor(), "oracle": oracle}
HALVES = (25.0, 12.0, 6.0)
FAMILIES: tuple[Family, ...] = ("E", "B", "W")


def run(job: tuple[Family, int, int, int, float, str]) -> list[Game]:
    family, seed, first, last, half, name = job
    player = PLAYERS[name]
    return [play(make_case(family, seed, n), player, half) for n in range(first, last)]


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=2000)
    parser.add_argument("--seeds", type=int, nargs="+", default=[2026, 7001])
    args = parser.parse_args()
    step = 250
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        for seed in args.seeds:
            print(
                f"\nseed {seed}, {args.cases} cases: mean rounds (harm %) at half windows ±25 / ±12 / ±6 µm"
            )
            for family in FAMILIES:
                for name in PLAYERS:
                    cells = []
                    for half in HALVES:
                        jobs = [
                            (family, seed, a, min(a + step, args.cases), half, name)
                            for a in range(0, args.cases, step)
                        ]
                        games = [g for part in pool.map(run, jobs) for g in part]
                        rounds = np.mean([g.rounds for g in games])
                        harm = 100 * np.mean([g.harm for g in games])
                        cells.append(f"{rounds:5.2f} ({harm:4.1f})")
                    print(f"  {family}  {name:8s} {'  '.join(cells)}", flush=True)


if __name__ == "__main__":
    main()
