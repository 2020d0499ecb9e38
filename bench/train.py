"""Mistakes planted in the yard's gear trains, counted by chalk mark, and what the train makes of the counts.

python bench/train.py; for each unit: every single mistake that can be thought of is put in, all positions are turned and
counted to a quarter turn, and it is seen whether the counts show it, and whether it is named first, or among four. Then how
long it takes to reckon all positions, and to look for a mistake. Prints, asserts nothing.
"""

from __future__ import annotations

import time

from bornek.core.train.counted import Count, Seen
from bornek.core.train.faults import faults, mistakes
from bornek.core.train.positions import Train
from bornek.core.train.sheet import turns_asked
from bornek.core.units.definition import Definition, read_definition
from bornek.demo.yard import TYPES

PLAIN = (
    "bevel_side",
    "worm_hand",
    "lever_crossed",
    "idler_out",
    "idler_passed",
    "gears_changed",
    "pairs_changed",
)


def counted(wrong: Definition, right: Definition) -> list[Count]:
    """Every position of the wrong train as a mechanic finds it."""
    made, found = {p.key: p for p in Train(wrong).positions}, []
    train = Train(right)
    for p in train.reached:
        n, here = turns_asked(train, p), made[p.key]
        for out in train.outputs:
            turns = round(4 * n * (here.turns(out) or 0.0)) / 4
            way: Seen = "clockwise" if turns > 0 else "counter-clockwise" if turns < 0 else "still"
            found.append(
                Count(p.at, out, n, 0.0 if here.locked else abs(turns), "locks" if here.locked else way)
            )
    return found


def main() -> None:
    for key, _, data in TYPES:
        d = read_definition(data)
        train = Train(d)
        if not train.told:
            continue
        begun = time.perf_counter()
        _ = train.reached
        reckoned = time.perf_counter() - begun
        rows: dict[bool, list[tuple[bool, bool, bool, float]]] = {True: [], False: []}
        for planted, wrong in mistakes(d):
            counts = counted(wrong, d)
            begun = time.perf_counter()
            found = faults(train, counts)
            took = time.perf_counter() - begun
            named = [f.words for f in found]
            rows[planted.sort in PLAIN].append(
                (bool(found), named[:1] == [planted.words], planted.words in named, took)
            )
        print(f"\n{key}: {len(train.positions)} positions reckoned in {1e3 * reckoned:.1f} ms")
        for plain, words in (
            (True, "wrong side, idler, pairs, fork"),
            (False, "a gear of 1 to 3 teeth more or less"),
        ):
            mine = rows[plain]
            if mine:
                shown, first, among, times = zip(*mine, strict=True)
                print(
                    f"  {words}: {len(mine)} planted, {sum(shown)} show, {sum(first)} named first, {sum(among)} among four; "
                    f"{1e3 * max(times):.0f} ms at most"
                )


if __name__ == "__main__":
    main()
