"""Every pack that the drawer and the pack now in can make, with the fewest plates handled."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

Ints = NDArray[np.int64]
ENUMERATE_BELOW = 200_000
SUMS_BELOW = 120_000
THIN_TO = 40_000
USUAL_MOST = 6


@dataclass(frozen=True)
class Reachable:
    """Per pack sum [nm], ascending: plates handled, plates in the pack, counts per thickness."""

    thicknesses: tuple[int, ...]
    sums: Ints
    handled: Ints
    plates: Ints
    counts: Ints
    left_out: int = 0
    """Thicknesses of the drawer that were not tried: there are more than can be joined in time."""

    def pack(self, row: int) -> tuple[int, ...]:
        """The plates of one row, thickest first."""
        found = [t for t, n in zip(self.thicknesses, self.counts[row], strict=True) for _ in range(n)]
        return tuple(sorted(found, reverse=True))


@lru_cache(maxsize=32)
def _all_counts(kinds: int, most: int) -> Ints:
    if kinds == 1:
        return np.arange(most + 1, dtype=np.int64)[:, None]
    blocks = []
    rest = _all_counts(kinds - 1, most)
    totals = rest.sum(axis=1)
    for q in range(most + 1):
        part = rest[totals <= most - q]
        blocks.append(np.hstack([np.full((len(part), 1), q, dtype=np.int64), part]))
    return np.vstack(blocks)


def reachable(drawer: Mapping[int, int], now: Sequence[int], most: int) -> Reachable:
    """All packs of at most `most` plates from drawer and pack; thicknesses in nm.

    Handled per thickness is what goes out or in; of packs of one sum the one with the fewest
    handled, then the fewest plates, is kept. A drawer count below 0 counts as none.

    >>> r = reachable({100_000: 2}, [500_000], 3)
    >>> [int(s) // 1000 for s in r.sums]
    [0, 100, 200, 500, 600, 700]
    """
    inside = Counter(now)
    every = sorted(set(inside) | {t for t, n in drawer.items() if n > 0})
    most = plates_tried(every, max(most, len(now)), len(now))
    kinds = thinned(every, set(inside), most)
    if not kinds:
        empty = np.zeros((1, 0), dtype=np.int64)
        zero = np.zeros(1, dtype=np.int64)
        return Reachable((), zero, zero, zero, empty)
    have = np.array([inside[t] for t in kinds], dtype=np.int64)
    available = have + np.array([max(drawer.get(t, 0), 0) for t in kinds], dtype=np.int64)
    counts = all_packs(kinds, have, available, most)
    sums = counts @ np.array(kinds, dtype=np.int64)
    handled = np.abs(counts - have).sum(axis=1)
    plates = counts.sum(axis=1)
    order = np.lexsort((plates, handled, sums))
    first = np.ones(len(order), dtype=bool)
    first[1:] = np.diff(sums[order]) != 0
    keep = order[first]
    return Reachable(
        kinds, sums[keep], handled[keep], plates[keep], counts[keep], left_out=len(every) - len(kinds)
    )


def plates_tried(kinds: Sequence[int], most: int, now: int) -> int:
    """With a drawer of many thicknesses nobody needs ten plates: six, or as many as are in, where all the
    packs of `most` could not be weighed in time."""
    return most if not kinds or _bounded(kinds, most) else max(min(most, USUAL_MOST), now)


def _bounded(kinds: Sequence[int], most: int) -> bool:
    return math.comb(len(kinds) + most, most) <= ENUMERATE_BELOW or _sums_work(kinds, most) <= SUMS_BELOW


def thinned(kinds: Sequence[int], inside: set[int], most: int) -> tuple[int, ...]:
    """Thicknesses that can be joined in bounded work: all where that is little, else those in the pack and of
    the others as many as can be, spread evenly over the drawer.

    >>> len(thinned([n * 1013 for n in range(20, 420)], {20 * 1013}, 6))
    14
    """
    kinds = sorted(kinds)
    if not kinds or _bounded(kinds, most):
        return tuple(kinds)
    room = max(n for n in range(1, len(kinds) + 1) if math.comb(n + most, most) <= THIN_TO)
    kept, others = sorted(inside), [k for k in kinds if k not in inside]
    free = max(room - len(kept), 1)
    spread = {others[round(i * (len(others) - 1) / max(free - 1, 1))] for i in range(min(free, len(others)))}
    return tuple(sorted({*kept, *spread}))


def _sums_work(kinds: Sequence[int], most: int) -> int:
    """Steps that joining by sums takes: thicknesses × plates × the sums on their common step."""
    step = math.gcd(*kinds) or 1
    return len(kinds) * most * most * (max(kinds) // step + 1)


def all_packs(kinds: tuple[int, ...], have: Ints, available: Ints, most: int) -> Ints:
    """Counts per thickness of every pack of at most `most` plates; beyond 200,000 one a sum."""
    if math.comb(len(kinds) + most, most) <= ENUMERATE_BELOW:
        counts = _all_counts(len(kinds), most)
        return counts[(counts <= available).all(axis=1)]
    return _by_sums(kinds, have, available, most)


def _by_sums(kinds: tuple[int, ...], have: Ints, available: Ints, most: int) -> Ints:
    """Dictionary over (plates, sum) keeping the fewest handled: exact where enumeration is long."""
    best: dict[tuple[int, int], tuple[int, tuple[int, ...]]] = {(0, 0): (0, ())}
    for i, t in enumerate(kinds):
        longer: dict[tuple[int, int], tuple[int, tuple[int, ...]]] = {}
        for (n, total), (handled, counts) in best.items():
            for q in range(min(int(available[i]), most - n) + 1):
                key = (n + q, total + q * t)
                cost = handled + abs(q - int(have[i]))
                if key not in longer or cost < longer[key][0]:
                    longer[key] = (cost, (*counts, q))
        best = longer
    return np.array([counts for _, counts in best.values()], dtype=np.int64)


def change(now: Sequence[int], after: Sequence[int]) -> tuple[list[int], list[int]]:
    """Plates that go out and plates that come in, thickest first.

    >>> change([500, 150], [500, 80])
    ([150], [80])
    """
    out, new = Counter(now) - Counter(after), Counter(after) - Counter(now)
    return sorted(out.elements(), reverse=True), sorted(new.elements(), reverse=True)


def stacked(pack: Sequence[int]) -> list[int]:
    """Order in the housing: thick plates outside, thin ones between them.

    >>> stacked([500, 100, 300])
    [500, 100, 300]
    """
    ordered = sorted(pack, reverse=True)
    bottom, top = ordered[0::2], ordered[1::2]
    return bottom + top[::-1]
