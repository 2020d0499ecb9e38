"""How long a schedule of 200 steps over four jobs takes, and how far its finish lies above what nothing can beat."""

from __future__ import annotations

import random
from datetime import datetime
from statistics import mean
from time import perf_counter

from bornek.core.build.schedule.bounds import lower_bound
from bornek.core.build.schedule.calendar import CLOSED, ShopCalendar
from bornek.core.build.schedule.serial import schedule
from bornek.core.build.schedule.tasks import Task

START = datetime(2026, 11, 23, 8, 0)
SHOP = ShopCalendar((*(((480, 1020, 2),) * 5), CLOSED, CLOSED))
RESOURCES = {"press": 1, "crane": 1, "oven": 1, "freezer": 1}
CASES = 50


def yard(dice: random.Random, steps: int = 200, jobs: int = 4) -> list[Task]:
    """Steps in order within each job, each needing one to three of the few before it; every seventh waits."""
    tasks: list[Task] = []
    for j in range(jobs):
        mine: list[str] = []
        for n in range(steps // jobs):
            wait = dice.choice((30, 60, 120, 480, 720)) if n % 7 == 3 else 0
            needs = tuple(dice.sample(mine[-6:], min(len(mine[-6:]), dice.randint(1, 3))))
            resource = dice.choice(("", "", "", "press", "crane", "oven" if wait else ""))
            key = f"j{j}.{n}"
            tasks.append(
                Task(
                    key,
                    f"j{j}",
                    key,
                    dice.choice((10, 15, 20, 30, 45, 60)),
                    dice.choice((1, 1, 1, 2)),
                    wait,
                    dice.random() < 0.8 or wait > 240,
                    resource,
                    needs,
                    split=dice.random() < 0.1,
                )
            )
            mine.append(key)
    return tasks


def main() -> None:
    shares, times = [], []
    for case in range(CASES):
        tasks = yard(random.Random(case))
        begun = perf_counter()
        plan = schedule(tasks, SHOP, RESOURCES, START)
        times.append(perf_counter() - begun)
        bound = lower_bound(tasks, SHOP, RESOURCES, START)
        shares.append(plan.finish / bound)
    times.sort()
    print(
        f"schedule of 200 steps over 4 jobs: median {1000 * times[CASES // 2]:.0f} ms, worst {1000 * times[-1]:.0f} ms"
    )
    print(f"its finish over the lower bound, {CASES} cases: mean {mean(shares):.3f}, worst {max(shares):.3f}")
    one = [perf_counter() for _ in (0,)]
    schedule(yard(random.Random(1)), SHOP, RESOURCES, START, justify=False)
    print(f"without justification: {1000 * (perf_counter() - one[0]):.0f} ms")


if __name__ == "__main__":
    main()
