"""Is a chance that is said a chance that comes true? Moves by tenths of what was said, for several truths.

python bench/calibration.py [--cases 1100]; about 6,000 moves for each truth. Prints, asserts nothing.
"""

from __future__ import annotations

import argparse
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from bornek.core.advice.belief import learn, start
from bornek.core.advice.choose import Aim, ranked, score
from bornek.core.advice.packs import reachable
from bornek.core.practice.one_knob import MOST, Case, make_case
from bornek.core.practice.players import CAP, DRAWER, READING_SD_UM
from many import cores, many

HALVES = (25.0, 12.0, 6.0)
TRUTHS: dict[str, tuple[str, float]] = {
    "E": ("k = 1 ± 5 %, prior 5 %", 0.05),
    "soft": ("k = 1 ± 7 %, prior 7 %", 0.07),
    "unknown": ("k = 1 ± 30 %, prior 30 %", 0.30),
    "E, wide": ("k from 0.65 to 1.15, prior 5 %", 0.05),
}


@dataclass(frozen=True)
class Said:
    """One move: which it was, the chance that was said, whether it landed, and whether the give or take held."""

    number: int
    p: float
    landed: bool
    held: bool


def with_truth(case: Case, truth: str) -> Case:
    s = case.stream
    k = {
        "E": 1 + 0.05 * s.n(1),
        "soft": 1 + 0.07 * s.n(1),
        "unknown": min(max(1 + 0.3 * s.n(1), 0.4), 1.9),
        "E, wide": 0.65 + 0.5 * s.u(1),
    }[truth]
    return replace(case, k=k)


def moves(case: Case, rho: float, half: float) -> list[Said]:
    b, r2 = start([1.0], rho), READING_SD_UM**2 / 3
    pack, change, z = case.pack, 0.0, case.reading(0.0, 0)
    b = learn(b, [0.0], z, r2)
    found: list[Said] = []
    for number in range(1, CAP + 1):
        if abs(z) <= half:
            break
        packs = reachable(DRAWER, pack, MOST)
        xs = (packs.sums - sum(case.pack)).astype(float)
        scores = score(b, xs, change, Aim(-half, half, half, -2 * half), r2)
        order = ranked(scores, packs.handled.astype(float), packs.plates.astype(float))
        i = order[0] if order else int(np.argmin(np.abs(xs - change)))
        mean, u = b.between_95([float(xs[i])], r2)
        pack, change = packs.pack(i), float(xs[i])
        z = case.reading(change, number)
        found.append(Said(number, float(scores.p_in[i]), abs(z) <= half, abs(z - mean) <= 2 * u))
        b = learn(b, [change], z, r2)
    return found


def run(first: int, last: int, truth: str, half: float) -> list[Said]:
    rho = TRUTHS[truth][1]
    return [
        m for n in range(first, last) for m in moves(with_truth(make_case("E", 2026, n), truth), rho, half)
    ]


def tenths(said: list[Said]) -> list[dict[str, Any]]:
    """By tenth of what was said: how many, said, landed, two standard errors."""
    rows = []
    for t in range(10):
        mine = [m for m in said if t / 10 <= m.p < (t + 1) / 10 or (t == 9 and m.p == 1)]
        if mine:
            p = float(np.mean([m.p for m in mine]))
            landed = float(np.mean([m.landed for m in mine]))
            rows.append(
                {"n": len(mine), "p": p, "landed": landed, "error": 2 * (p * (1 - p) / len(mine)) ** 0.5}
            )
    return rows


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=1100)
    args = parser.parse_args()
    with cores() as pool:
        for truth, (words, _) in TRUTHS.items():
            all_moves = [m for half in HALVES for m in many(pool, run, args.cases, truth, half)]
            print(f"\n{truth}: {words}; {len(all_moves)} moves")
            for name, mine in (
                ("all", all_moves),
                ("first", [m for m in all_moves if m.number == 1]),
                ("later", [m for m in all_moves if m.number > 1]),
            ):
                cells = [
                    f"{100 * r['p']:.0f}→{100 * r['landed']:.0f}"
                    + ("*" if abs(r["p"] - r["landed"]) > 0.05 + r["error"] else "")
                    + f" ({r['n']})"
                    for r in tenths(mine)
                    if r["n"] >= 300
                ]
                held = 100 * np.mean([m.held for m in mine])
                print(
                    f"  {name:6s} said→landed {'  '.join(cells)}; give or take held {held:.1f} %", flush=True
                )


if __name__ == "__main__":
    main()
