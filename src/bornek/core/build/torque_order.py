"""The order in which n bolts of a circle are tightened, and what is next."""

from __future__ import annotations


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
