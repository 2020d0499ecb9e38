"""How long the check of a large order takes: 500 steps, 1,500 relations, every finding looked for."""

from __future__ import annotations

import random
from statistics import median
from time import perf_counter

from bornek.core.build.bench import Bench, YardTool
from bornek.core.build.findings.find import find_all
from bornek.core.build.order import BuildOrder, build_order
from bornek.core.facts.from_type import FromType
from bornek.core.facts.kind import Fact
from bornek.core.units.definition import Definition, Part, Place, Shaft
from bornek.core.units.step import BuildStep

STEPS, RELATIONS, ROUNDS = 500, 1500, 9


def large(dice: random.Random) -> Definition:
    """Twenty shafts of twenty parts, a part inside every tenth place, needs from the few steps before."""
    shafts = tuple(Shaft(f"s{n}", f"shaft {n}", built="outside") for n in range(20))
    kinds = ["cover", "taper_bearing", *["spacer"] * 8, "gear", *["spacer"] * 7, "taper_bearing", "cover"]
    parts = [
        Part(f"{s.key}-{n}", f"{s.label} part {n}", kind, shaft=s.key, seat=kind == "gear")
        for s in shafts
        for n, kind in enumerate(kinds)
    ]
    places = tuple(Place(f"p{n}", f"place {n}", closed_by=(f"s{n}-0",)) for n in range(20))
    parts += [
        Part(f"in{n}", f"loose part {n}", "other", inside=f"p{n % 20}") for n in range(STEPS - len(parts))
    ]
    order = sorted(
        parts, key=lambda p: (p.part_kind == "cover", p.part_kind == "taper_bearing", dice.random())
    )
    needs: dict[str, set[str]] = {p.key: set() for p in order}
    while sum(map(len, needs.values())) < RELATIONS:
        at = dice.randrange(1, len(order))
        needs[order[at].key].add(f"st-{order[dice.randrange(max(0, at - 40), at)].key}")
    steps = tuple(
        BuildStep(f"st-{p.key}", p.label, parts=(p.key,), needs=tuple(sorted(needs[p.key]))) for p in order
    )
    return Definition(shafts=shafts, parts=tuple(parts), places=places, steps=steps)


def check(d: Definition) -> tuple[BuildOrder, int]:
    order = build_order(d, [Fact("f", "from_type", "", FromType(), seq=1)])
    return order, len(find_all(order, Bench(tools=(YardTool("press", "Press", True),))))


def main() -> None:
    d = large(random.Random(1))
    order, found = check(d)
    times = []
    for _ in range(ROUNDS):
        begun = perf_counter()
        check(d)
        times.append(1000 * (perf_counter() - begun))
    typed = sum(n.rule == "typed" for n in order.needs)
    print(
        f"{len(order.steps)} steps, {typed} typed and {len(order.needs) - typed} derived relations, {found} findings"
    )
    print(f"order and check: median {median(times):.0f} ms, worst {max(times):.0f} ms")


if __name__ == "__main__":
    main()
