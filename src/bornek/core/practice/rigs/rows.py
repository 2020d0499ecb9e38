"""All sorts of rig, and the nine in their rising row."""

from __future__ import annotations

from bornek.core.errors import InputError
from bornek.core.practice.rigs.bevel import BevelPairRig
from bornek.core.practice.rigs.feelers import FeelerRig
from bornek.core.practice.rigs.nose import NoseRig
from bornek.core.practice.rigs.nut import NutRig
from bornek.core.practice.rigs.preload import PreloadRig
from bornek.core.practice.rigs.rig import Rig
from bornek.core.practice.rigs.shims import ShimRig
from bornek.core.practice.rigs.worm import WormRig

SORTS: dict[str, type[Rig]] = {
    r.sort: r for r in (ShimRig, PreloadRig, NutRig, NoseRig, WormRig, FeelerRig, BevelPairRig)
}
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
    ("shims", 27, "a plain one: nothing is wrong"),
    ("nut", 3, "the nut stops where a tab meets a slot"),
    ("shims", 10, "one thing is wrong"),
    ("feelers", 2, "blades, and no way back"),
    ("worm", 1, "the carrier answers along a curve"),
    ("preload", 7, "the needle sees none of it"),
    ("taper", 1, "microns, and no way back"),
    ("bevel", 2, "two packs, backlash and print at once"),
    ("preload", 2, "the book and the iron do not agree"),
)
"""The rising row: sort, number, and what it is about."""
