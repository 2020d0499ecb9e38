"""Simulated learners over rigs of every sort, beside the one who knows the truth: teardowns, truly in, harm.

python bench/learners.py [rigs of each sort, 200]
"""

from __future__ import annotations

import sys
from statistics import mean

from bornek.core.practice.rigs.game import play
from bornek.core.practice.rigs.learners import advised, naive, oracle, secant
from bornek.core.practice.rigs.rows import SORTS, make_rig

LEARNERS = (naive, secant, advised, oracle)


def main() -> None:
    rigs = int(sys.argv[1]) if len(sys.argv) > 1 else 200
    print(f"{'sort':10}{'learner':10}{'teardowns':>10}{'truly in':>10}{'harm':>8}")
    for sort in SORTS:
        for learner in LEARNERS:
            games = [play(make_rig(sort, n), learner) for n in range(1, rigs + 1)]
            print(
                f"{sort:10}{learner.__name__:10}{mean(g.teardowns for g in games):10.2f}"
                f"{mean(g.truly_in for g in games):10.1%}{mean(g.harm for g in games):8.1%}",
                flush=True,
            )


if __name__ == "__main__":
    main()
