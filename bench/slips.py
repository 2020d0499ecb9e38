"""Planted slips under E: a pack miscounted by ±0.10, all readings of a round ÷10 or ÷25.4; how many are caught,
how many clean runs are accused, and what is asked of units that answer softly.

python bench/slips.py [--cases 1000]; prints, asserts nothing.
"""

from __future__ import annotations

import argparse
import math
from dataclasses import dataclass, replace

import numpy as np

from bornek.core.advice.belief import OUTLIER_SD_UM, OUTLIER_SHARE, learn, start
from bornek.core.advice.choose import Aim, ranked, score
from bornek.core.advice.packs import reachable
from bornek.core.advice.replay import EITHER, SURPRISE_SDS, SURPRISED
from bornek.core.practice.one_knob import MOST, make_case
from bornek.core.practice.players import CAP, DRAWER, READING_SD_UM
from many import cores, many

AIM_UM = 90.0
"""Where the aim lies above zero: a slip of the decimal point moves the value, not its distance from the aim."""


@dataclass(frozen=True)
class Run:
    """Whether a slip was planted and by how many predicted sds it moved the value, whether the run was flagged,
    whether as "either", and the length of the step before the flag."""

    planted: bool
    shift: float
    flagged: bool
    either: bool
    step: float


def run(first: int, last: int, half: float, slip: str, where: int, wide: bool = False) -> list[Run]:
    found = []
    for n in range(first, last):
        case = make_case("E", 2026, n)
        if wide:
            case = replace(case, k=0.65 + 0.5 * case.stream.u(1))
        if slip in ("÷10", "÷25.4") and case.d0 < 0:
            continue
        found.append(_one(case, half, slip, where))
    return found


def _one(case, half: float, slip: str, where: int) -> Run:  # type: ignore[no-untyped-def]
    b, r2 = start([1.0], 0.05), READING_SD_UM**2 / 3
    pack, change, off, step, shift, planted, pending = case.pack, 0.0, 0.0, 0.0, 0.0, False, 0.0
    for number in range(CAP + 1):
        z = case.reading(change + off, number)
        y, sd = b.predict([change])
        if slip in ("÷10", "÷25.4") and number == where:
            wrong = (AIM_UM + z) / float(slip[1:]) - AIM_UM
            pending, planted, z = abs(wrong - z), True, wrong
        if pending and number == max(where, 1):
            shift = pending / math.hypot(sd, math.sqrt(r2))
        if slip == "±0.10" and planted:
            shift = 100 / math.hypot(sd, math.sqrt(r2))
        far = number > 0 and abs(z - y) > SURPRISE_SDS * math.sqrt(
            sd**2 + r2 + OUTLIER_SHARE * OUTLIER_SD_UM**2
        )
        b = learn(b, [change], z, r2)
        if number and (far or b.p_any_off() > SURPRISED):
            return Run(planted, shift, True, 1 - b.p_any_off() >= EITHER, step)
        if abs(z) <= half or number == CAP or (planted and number > where):
            break
        packs = reachable(DRAWER, pack, MOST)
        xs = (packs.sums - sum(case.pack)).astype(float)
        scores = score(b, xs, change, Aim(-half, half, half, -2 * half), r2)
        order = ranked(scores, packs.handled.astype(float), packs.plates.astype(float))
        i = order[0] if order else int(np.argmin(np.abs(xs - change)))
        step, pack, change = abs(float(xs[i]) - change), packs.pack(i), float(xs[i])
        if slip == "±0.10" and number + 1 == where:
            off, planted = (100.0 if case.stream.u(90) < 0.5 else -100.0), True
    return Run(planted, shift, False, False, step)


def share(runs: list[Run]) -> str:
    return f"{100 * np.mean([r.flagged for r in runs]):5.1f} % of {len(runs)}" if runs else "none"


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=1000)
    args = parser.parse_args()
    with cores() as pool:
        for half in (25.0, 12.0, 6.0):
            print(f"\n±{half:g} µm")
            print(f"  clean runs accused            {share(many(pool, run, args.cases, half, '', 0))}")
            for slip, where in (
                ("±0.10", 1),
                ("±0.10", 2),
                ("÷10", 0),
                ("÷10", 1),
                ("÷25.4", 0),
                ("÷25.4", 1),
            ):
                runs = [r for r in many(pool, run, args.cases, half, slip, where) if r.planted]
                big = [r for r in runs if r.shift > 4 or slip == "±0.10"]
                small = [r for r in runs if r not in big]
                print(
                    f"  {slip:6s} in round {where + 1}: caught     {share(big)}; moved it by less than 4 sd: {share(small)}",
                    flush=True,
                )
            wide = many(pool, run, args.cases, half, "", 0, True)
            for lo, hi in ((0, 100), (100, 200), (200, 300), (300, 999)):
                mine = [r for r in wide if lo <= r.step < hi]
                asked = 100 * np.mean([r.either for r in mine]) if mine else 0.0
                print(
                    f"  k from 0.65 to 1.15, steps of {lo}-{hi} µm: flagged {share(mine)}, of all asked which {asked:.1f} %"
                )


if __name__ == "__main__":
    main()
