"""The life of a serial against the true line of a simulation: how often the band holds the truth, how often the limit came
before *act before*.

    python bench/life.py [--units 200]
"""

from __future__ import annotations

import argparse

from bornek.core.practice.worn_unit import outcome, worn_unit


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--units", type=int, default=200)
    units = parser.parse_args().units
    for label, known in (("five strips", False), ("five strips, the type's rate known", True)):
        told = [o for o in (outcome(worn_unit(n), known) for n in range(units)) if o is not None]
        held = sum(o.held for o in told) / len(told)
        early = sum(o.came_before for o in told) / len(told)
        off = sorted(o.off_share for o in told)
        print(
            f"{label}: {len(told)} of {units} get a date; band holds {held:.1%}, limit before act-before {early:.1%}, "
            f"likely off by {off[len(off) // 2]:.0%} in the middle"
        )


if __name__ == "__main__":
    main()
