"""All sorts of rig, and the nine in their rising row."""

from __future__ import annotations

from bornek.core.errors import InputError
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.bevel import BevelPairRig
from bornek.core.practice.rigs.cause import CauseRig
from bornek.core.practice.rigs.feelers import FeelerRig
from bornek.core.practice.rigs.nose import NoseRig
from bornek.core.practice.rigs.nut import NutRig
from bornek.core.practice.rigs.order import OrderRig
from bornek.core.practice.rigs.preload import PreloadRig
from bornek.core.practice.rigs.rig import Rig
from bornek.core.practice.rigs.shims import ShimRig
from bornek.core.practice.rigs.worm import WormRig

BENCH_SORTS: dict[str, type[BenchRig]] = {
    r.sort: r for r in (ShimRig, PreloadRig, NutRig, NoseRig, WormRig, FeelerRig, BevelPairRig)
}
SORTS: dict[str, type[Rig]] = {**BENCH_SORTS, CauseRig.sort: CauseRig, OrderRig.sort: OrderRig}
MOST_NUMBER = 999_999


def make_rig(sort: str, number: int) -> Rig:
    """Rig `number` of a sort: the same for whoever asks.

    >>> make_bench("shims", 7).found() == make_bench("shims", 7).found()
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


def make_bench(sort: str, number: int) -> BenchRig:
    """The same, of those that are one setting."""
    rig = make_rig(sort, number)
    if not isinstance(rig, BenchRig):
        raise InputError(f"{rig.title} is no setting.", field="sort")
    return rig


NINE: tuple[tuple[str, int, str], ...] = (
    ("shims", 27, "a plain one: nothing is wrong"),
    ("nut", 3, "the nut stops where a tab meets a slot"),
    ("cause", 6, "parts to look at: what did it?"),
    ("feelers", 2, "blades, and no way back"),
    ("order", 1, "one step comes too late"),
    ("worm", 1, "the carrier answers along a curve"),
    ("taper", 1, "microns, and no way back"),
    ("preload", 2, "the book and the iron do not agree"),
    ("bevel", 2, "two packs, backlash and print at once"),
)
"""The rising row, one of each sort: sort, number, and what it is about."""
