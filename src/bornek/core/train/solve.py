"""How fast everything in a train turns: one linear system over all that can turn by itself."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from bornek.core.errors import RangeError

TINY = 1e-9


@dataclass(frozen=True)
class Row:
    """Σ factor · speed = 0, over members by name."""

    terms: tuple[tuple[str, float], ...]


def pair(a: str, teeth_a: int, b: str, teeth_b: int, sign: int = 1) -> Row:
    """Two gears in mesh: z_a·ω_a + s·z_b·ω_b = 0; `sign` +1 turns the other way round, −1 the same way (a ring gear
    from inside, or crossed axes that lie so). Raises RangeError without teeth.

    >>> pair("in", 23, "lay", 41).terms
    (('in', 23.0), ('lay', 41.0))
    """
    if teeth_a < 1 or teeth_b < 1:
        raise RangeError(
            f"The teeth of both gears are needed (got {teeth_a} and {teeth_b}).",
            field="teeth",
            next_step="Count them and write them down.",
        )
    return Row(((a, float(teeth_a)), (b, float(sign * teeth_b))))


def planets(sun: str, teeth_sun: int, ring: str, teeth_ring: int, carrier: str) -> Row:
    """A set of planets: z_s·ω_s + z_r·ω_r = (z_s + z_r)·ω_c (Willis, 1841).

    >>> round(solve([planets("sun", 24, "ring", 72, "carrier"), held("ring")], "sun").speeds["carrier"], 4)
    0.25
    """
    return Row(
        ((sun, float(teeth_sun)), (ring, float(teeth_ring)), (carrier, -float(teeth_sun + teeth_ring)))
    )


def seen_from(carrier: str, row: Row) -> Row:
    """The same pair with its axes carried round: every speed counts from the carrier's, Σ f·(ω − ω_c) = 0.

    >>> sun, ring = pair("sun", 24, "planet", 24), pair("planet", 24, "ring", 72, -1)
    >>> rows = [seen_from("carrier", sun), seen_from("carrier", ring), held("ring")]
    >>> round(solve(rows, "sun").speeds["carrier"], 4)
    0.25
    """
    return Row((*row.terms, (carrier, -sum(factor for _, factor in row.terms))))


def joined(a: str, b: str) -> Row:
    """A dog or a key makes two turn as one."""
    return Row(((a, 1.0), (b, -1.0)))


def held(a: str) -> Row:
    """It stands still: a brake is on, or it is bolted to the case."""
    return Row(((a, 1.0),))


@dataclass(frozen=True)
class Turning:
    """Turns of each member for one turn of the input; None: nothing drives it. `locked`: the input cannot turn."""

    speeds: Mapping[str, float | None]
    locked: bool = False


def solve(rows: Sequence[Row], turned: str, members: Sequence[str] = ()) -> Turning:
    """The speeds while `turned` makes one turn: A·ω = 0 with ω_turned = 1, by singular values.

    A member that the rows leave open has no speed; where they force the input to stand the train is locked.

    >>> solve([pair("in", 20, "lay", 40), pair("lay", 25, "out", 50)], "in").speeds["out"]
    0.25
    >>> solve([pair("a", 20, "b", 40), pair("a", 30, "b", 30)], "a").locked
    True
    """
    names = list(dict.fromkeys([turned, *members, *(name for row in rows for name, _ in row.terms)]))
    at = {name: i for i, name in enumerate(names)}
    matrix = np.zeros((len(rows) + 1, len(names)))
    for i, row in enumerate(rows):
        for name, factor in row.terms:
            matrix[i, at[name]] += factor
        size = np.abs(matrix[i]).max()
        matrix[i] /= size or 1.0
    matrix[-1, at[turned]] = 1.0
    wanted = np.zeros(len(rows) + 1)
    wanted[-1] = 1.0
    _, sizes, turns = np.linalg.svd(matrix)
    rank = int((sizes > TINY * sizes[0]).sum())
    found = np.linalg.lstsq(matrix, wanted, rcond=TINY)[0]
    if np.abs(matrix @ found - wanted).max() > 1e-6:
        return Turning(dict.fromkeys(names, 0.0), True)
    loose = np.abs(turns[rank:]).max(axis=0, initial=0.0)
    return Turning({n: _clean(found[i]) if loose[i] < 1e-7 else None for n, i in at.items()})


def _clean(speed: float) -> float:
    return 0.0 if abs(speed) < TINY else float(round(speed, 12))
