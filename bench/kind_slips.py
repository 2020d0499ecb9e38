"""Planted slips on every kind of knob: the first move really went elsewhere than was written, or a round was read a
tenth. How many are asked about, and how many clean runs are accused.

python bench/kind_slips.py [--cases 200]; prints, asserts nothing.
"""

from __future__ import annotations

import argparse
from dataclasses import replace

import numpy as np

from bornek.core.settings.records import Act, Between, Scalar
from bornek.core.sheet import Sheet, make_sheet
from many import cores, many
from rigs import RIGS, Rig, begin, bench_of, read_round

MOVED = {"thrust_nut": 2 * 360 / 68, "spring_thrust_nut": 3 * 360 / 68, "side_clearance": 0.15}
"""How far off the adjuster stands: two or three lock positions, the next washers but two; else half of the move."""


def accused(sheet: Sheet) -> bool:
    """Whether something is asked about the round: a surprise, a slip, or readings that do not go together."""
    return sheet.surprise is not None or any(c.action in ("ask", "reseat") for c in sheet.outcome.checks)


def one(rig: Rig, slip: str, seed: int) -> bool | None:
    """Whether the round after the first move was asked about; None where no move was made."""
    rng = np.random.default_rng(seed)
    truth = rig.draw(rng)
    entries, acts, given = begin(rig)
    x = truth.y0 / truth.k if rig.kind_id == "spring_thrust_nut" else rig.start
    read_round(rig, truth, truth.y0, entries, acts, 1, given, rng)
    sheet = make_sheet(rig.kind, bench_of(rig, entries, acts, 1, given))
    if sheet.move is None or sheet.move.best is None or sheet.move.stay:
        return None
    then = sheet.move.best.states[rig.knob].position
    off = MOVED.get(rig.kind_id, 0.5 * (then - x)) if slip == "moved" else 0.0
    effect = truth.k * (then + off - x)
    y = truth.y0 + effect + np.hypot(truth.s_a, rig.share * effect) * rng.normal()
    acts.append(Act("a1", 2, "move", {rig.knob: rig.state(then)}, seq=10_000))
    read_round(rig, truth, y, entries, acts, 2, given, rng)
    if slip == "tenth":
        entries = [replace(e, raw=_tenth(e.raw), confirmed=False) if e.round == 2 else e for e in entries]
    return accused(make_sheet(rig.kind, bench_of(rig, entries, acts, 2, given)))


def _tenth(raw: object) -> object:
    if isinstance(raw, Scalar):
        return Scalar(raw.value / 10)
    return Between(raw.lo / 10, raw.hi / 10) if isinstance(raw, Between) else raw


def run(first: int, last: int, rig: int, slip: str) -> list[bool | None]:
    return [one(RIGS[rig], slip, 9001 + 1000 * n) for n in range(first, last)]


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=200)
    args = parser.parse_args()
    with cores() as pool:
        for n, rig in enumerate(RIGS):
            cells = []
            for slip in ("moved", "tenth", "clean"):
                found = [f for f in many(pool, run, args.cases, n, slip) if f is not None]
                cells.append(f"{slip} {100 * np.mean(found):5.1f} % of {len(found)}")
            print(f"{rig.name:32s} asked about: {'   '.join(cells)}", flush=True)


if __name__ == "__main__":
    main()
