"""All sorts of rig, and the nine in their rising row."""

from __future__ import annotations

from bornek.core.errors import InputError
from bornek.core.practice.rigs.rig import Rig
from bornek.core.practice.rigs.shims import ShimRig

SORTS: dict[str, type[Rig]] = {r.sort: r for r in (ShimRig,)}
MOST_NUMBER = 999_999


def make_rig(sort: str, number: int) -> Rig:
    """Rig `number` of a sort: the same for whoever asks.

    >>> make_rig("shims", 7).found() == make_rig("shims", 7).found()
    True
    """
    if sort not in SORTS:
        raise InputError(
            f"There is no rig of the sort {sort[:40]!r}.",
            field="sort",
            next_step=f"Sorts: {', '.join(SORTS)}.",
        )
    if not 1 <= number <= MOST_NUMBER:
        raise InputError(f"A rig's number is 1 to {MOST_NUMBER} (got {number}).", field="number")
    return SORTS[sort](number)


NINE: tuple[tuple[str, int, str], ...] = (
    ("shims", 4, "a plain one: nothing is wrong"),
    ("shims", 2, "something is wrong"),
)
"""The rising row: sort, number, and what it is about."""
