"""The order in which n bolts of a circle are tightened, and what is next."""

from __future__ import annotations

import math


def star_order(n: int) -> list[int]:
    """Positions round the circle in the order in which they are tightened, opposite pairs first.

    Even n: opposite pairs, spread as far as they go. Odd n: steps of (n − 1)/2. n from 0 to 200.

    >>> star_order(4), star_order(6), star_order(5)
    ([0, 2, 1, 3], [0, 3, 1, 4, 2, 5], [0, 2, 4, 1, 3])
    >>> star_order(8)
    [0, 4, 2, 6, 1, 5, 3, 7]
    """
    if n <= 2:
        return list(range(n))
    if n % 2:
        return [(k * ((n - 1) // 2)) % n for k in range(n)]
    half = n // 2
    order: list[int] = []
    for start in _spread(half):
        order += [start, start + half]
    return order


def _spread(n: int) -> list[int]:
    """0 … n−1, each as far from those before it as can be on a circle of n."""
    chosen = [0]
    while len(chosen) < n:
        rest = [k for k in range(n) if k not in chosen]
        chosen.append(max(rest, key=lambda k: (min(min(abs(k - c), n - abs(k - c)) for c in chosen), -k)))
    return chosen


def two_row_order(n: int) -> list[int]:
    """Positions of bolts in two straight rows in the order in which they are tightened: from the middle outward,
    crosswise. Position 0 is the first of the near row, 1 the first of the far row, and so on. n from 0 to 200.

    >>> two_row_order(6)
    [2, 3, 4, 1, 0, 5]
    >>> two_row_order(8)
    [4, 3, 2, 5, 6, 1, 0, 7]
    """
    columns = (n + 1) // 2
    middle = (columns - 1) / 2
    order: list[int] = []
    for away in range(columns):
        right, left = math.floor(middle + 0.5) + away, math.ceil(middle - 0.5) - away
        for column, row in ((right, 0), (left, 1), (left, 0), (right, 1)):
            at = 2 * column + row
            if 0 <= column < columns and at < n and at not in order:
                order.append(at)
    return order
