"""Several adjusters in one teardown, and an adjuster that cannot be taken back: figures, never asserted."""

from __future__ import annotations

import argparse
from itertools import count, islice
from statistics import mean

from bornek.core.practice.bevel_pair import joint_advisor, make_pair, naive_pair, play_pair, starts_out
from bornek.core.practice.nut import drive, make_drive


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=2000)
    parser.add_argument("--seeds", type=int, nargs="*", default=[2027])
    args = parser.parse_args()
    print(
        "bevel, both adjusters in one teardown: mean rounds at ±25 / ±12 (targets: naive 2.21 / 3.01, advisor 1.37 / 1.78)"
    )
    for seed in args.seeds:
        for name, player in (("naive", naive_pair), ("advisor", joint_advisor)):
            means = []
            for half in (25.0, 12.0):
                pairs = (make_pair(seed, n) for n in count())
                out = islice((p for p in pairs if starts_out(p, half)), args.cases)
                means.append(mean(play_pair(p, player, half) for p in out))
            print(f"  seed {seed} {name:8} {means[0]:.2f} / {means[1]:.2f}", flush=True)
    print(
        "nut: went past the window, % at ±25 / ±12 / ±6 (targets: naive 14 / 29 / 38, advisor at most .5 / 1 / 2)"
    )
    for name, careful in (("naive", False), ("advisor", True)):
        shares = []
        for half in (25.0, 12.0, 6.0):
            games = [drive(make_drive(2029, n), half, careful) for n in range(args.cases)]
            shares.append(
                f"{100 * mean(g.past for g in games):.1f} ({mean(g.rounds for g in games):.2f} rounds)"
            )
        print(f"  {name:8} {' / '.join(shares)}", flush=True)


if __name__ == "__main__":
    main()
