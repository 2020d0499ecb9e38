"""Simulated learners over rigs of every sort, beside the one who knows the truth: teardowns, truly in, harm.

python bench/learners.py [rigs of each sort, 200] [sorts]
"""

from __future__ import annotations

import sys
from statistics import mean

from bornek.core.practice.rigs.game import play
from bornek.core.practice.rigs.job_game import play_job
from bornek.core.practice.rigs.job_rig import JobRig
from bornek.core.practice.rigs.learners import advised, naive, oracle, secant
from bornek.core.practice.rigs.rows import BENCH_SORTS, SORTS, make_bench, make_rig

LEARNERS = (naive, secant, advised, oracle)


def main() -> None:
    rigs = int(sys.argv[1]) if len(sys.argv) > 1 else 200
    sorts = sys.argv[2:]
    print(f"{'sort':10}{'learner':10}{'teardowns':>10}{'truly in':>10}{'harm':>8}")
    for sort in sorts or BENCH_SORTS:
        if sort not in BENCH_SORTS:
            continue
        for learner in LEARNERS:
            games = [play(make_bench(sort, n), learner) for n in range(1, rigs + 1)]
            print(
                f"{sort:10}{learner.__name__:10}{mean(g.teardowns for g in games):10.2f}"
                f"{mean(g.truly_in for g in games):10.1%}{mean(g.harm for g in games):8.1%}",
                flush=True,
            )
    for sort in [s for s in SORTS if s not in BENCH_SORTS and (not sorts or s in sorts)]:
        jobs = [make_rig(sort, n) for n in range(1, rigs + 1)]
        for who in LEARNERS:
            played = [play_job(r, who.__name__) for r in jobs if isinstance(r, JobRig)]
            print(
                f"{sort:10}{who.__name__:10}{mean(g.cost for g in played):10.2f}{mean(g.right for g in played):10.1%}"
            )


if __name__ == "__main__":
    main()
