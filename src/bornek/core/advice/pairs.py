"""Two packs whose total stays: every split that the drawer and the plates in them can make."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.advice.packs import Ints, all_packs, plates_tried, thinned

KEPT_A_SUM = 60
"""Packs of one sum that are joined: those with the fewest plates moved."""


@dataclass(frozen=True)
class Splits:
    """Per left sum [nm], ascending: plates handled, plates in both packs, counts per thickness."""

    thicknesses: tuple[int, ...]
    left_sums: Ints
    handled: Ints
    plates: Ints
    left: Ints
    right: Ints
    left_out: int = 0

    def pair(self, row: int) -> tuple[tuple[int, ...], tuple[int, ...]]:
        left, right = (_plates(self.thicknesses, counts[row]) for counts in (self.left, self.right))
        return left, right


def _plates(kinds: Sequence[int], counts: Ints) -> tuple[int, ...]:
    return tuple(t for t, n in zip(kinds, counts, strict=True) for _ in range(n))


def reachable_pairs(
    drawer: Mapping[int, int], left: Sequence[int], right: Sequence[int], most: int
) -> Splits:
    """All splits with the total of `left` and `right` [nm], the stock shared by both sides.

    A plate that crosses over is handled once; of splits with one left sum the one with the fewest
    handled, then the fewest plates, is kept.

    >>> s = reachable_pairs({}, (300, 100), (200,), 4)
    >>> [int(x) for x in s.left_sums], [int(x) for x in s.handled]
    ([0, 100, 200, 300, 400, 500, 600], [2, 1, 3, 1, 0, 2, 1])
    """
    have_left, have_right = Counter(left), Counter(right)
    every = set(left) | set(right) | {t for t, n in drawer.items() if n > 0}
    longest = max(len(left), len(right))
    most = plates_tried(sorted(every), max(most, longest), longest)
    kinds = thinned(sorted(every), set(left) | set(right), most)
    if not kinds:
        zero, none = np.zeros(1, dtype=np.int64), np.zeros((1, 0), dtype=np.int64)
        return Splits((), zero, zero, zero, none, none)
    now_left = np.array([have_left[t] for t in kinds], dtype=np.int64)
    now_right = np.array([have_right[t] for t in kinds], dtype=np.int64)
    pool = now_left + now_right + np.array([max(drawer.get(t, 0), 0) for t in kinds], dtype=np.int64)
    thick = np.array(kinds, dtype=np.int64)
    total = int(sum(left) + sum(right))
    packs = all_packs(kinds, now_left, pool, most)
    by_sum: dict[int, list[int]] = {}
    sums = packs @ thick
    for i, s in enumerate(sums):
        by_sum.setdefault(int(s), []).append(i)
    rows = []
    for s in sorted(by_sum):
        if total - s in by_sum:
            found = _join(
                _few(packs[by_sum[s]], now_left),
                _few(packs[by_sum[total - s]], now_right),
                now_left,
                now_right,
                pool,
            )
            if found is not None:
                rows.append((s, *found))
    return Splits(
        thicknesses=kinds,
        left_sums=np.array([r[0] for r in rows], dtype=np.int64),
        handled=np.array([r[1] for r in rows], dtype=np.int64),
        plates=np.array([r[2] for r in rows], dtype=np.int64),
        left=np.array([r[3] for r in rows], dtype=np.int64),
        right=np.array([r[4] for r in rows], dtype=np.int64),
        left_out=len(every) - len(kinds),
    )


def _few(packs: Ints, now: Ints) -> Ints:
    order = np.argsort(np.abs(packs - now).sum(axis=1), kind="stable")
    return packs[order[:KEPT_A_SUM]]


def _join(
    lefts: Ints, rights: Ints, now_left: Ints, now_right: Ints, pool: Ints
) -> tuple[int, int, Ints, Ints] | None:
    """The cheapest left and right together that the shared stock can give."""
    both = lefts[:, None, :] + rights[None, :, :]
    possible = (both <= pool).all(axis=2)
    if not possible.any():
        return None
    change_left, change_right = lefts - now_left, rights - now_right
    come = np.maximum(change_left, 0)[:, None, :] + np.maximum(change_right, 0)[None, :, :]
    gone = np.maximum(-change_left, 0)[:, None, :] + np.maximum(-change_right, 0)[None, :, :]
    handled = np.maximum(come, gone).sum(axis=2)
    plates = both.sum(axis=2)
    cost = np.where(possible, handled * 1000 + plates, np.iinfo(np.int64).max)
    i, j = np.unravel_index(int(cost.argmin()), cost.shape)
    return int(handled[i, j]), int(plates[i, j]), lefts[i], rights[j]
