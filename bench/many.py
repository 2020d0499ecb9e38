"""Cases of a benchmark over all cores, in slices."""

from __future__ import annotations

import os
from collections.abc import Callable
from concurrent.futures import Executor, ProcessPoolExecutor
from typing import Any

SLICE = 100


def cores() -> ProcessPoolExecutor:
    return ProcessPoolExecutor(os.cpu_count())


def many(pool: Executor, run: Callable[..., list[Any]], cases: int, *about: Any) -> list[Any]:
    """`run(first, last, *about)` over all cases, joined in order."""
    firsts = range(0, cases, SLICE)
    parts = [pool.submit(run, a, min(a + SLICE, cases), *about) for a in firsts]
    return [x for part in parts for x in part.result()]
