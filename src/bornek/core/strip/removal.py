"""Ways of taking a part off, which of them doom it, and whether it can be used again."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.strip.facts import Fact, Removed
from bornek.core.units.definition import Definition, Part


@dataclass(frozen=True)
class Way:
    """`dooms`: groups of part that it ends the life of (`*`: any). `caution` is shown before it."""

    key: str
    label: str
    dooms: tuple[str, ...] = ()
    why: str = ""
    caution: str = ""


WAYS = (
    Way("hand", "by hand"),
    Way("puller", "puller on the tight ring"),
    Way("cage_pull", "pulled on the cage or through the rollers", ("rolling_bearing",),
        "the pull went through cage and rollers: the races are marked even if it cannot be seen"),
    Way("press", "pressed out", caution="Never in line with the ram, never above the rated pressure."),
    Way("heat", "warmed off, no flame", caution="Hot parts: gloves. Never above the part's own limit."),
    Way("flame", "flame", ("rolling_bearing", "gear", "seal"), "flame takes the hardness out of it",
        "Fire watch; no flame near oil or solvent."),
    Way("weld_shrink", "weld bead shrink", ("*",), "a weld bead destroys the race",
        "Scrap races only. Earth clamp on the part itself: never current through a bearing that stays."),
    Way("grease_press", "pressed out with grease", ("bush",), "the bush was driven out on a column of grease"),
    Way("cut", "cut or chiselled off", ("*",), "it was cut", "Eye protection; cut clear of the shaft."),
    Way("draw", "drift or slide hammer", ("seal",), "a drifted seal has lost its shape",
        "Brass or soft-faced where a hardened part could spall."),
)  # fmt: skip
_BY_KEY = {w.key: w for w in WAYS}
SINGLE = "single use: always new"


@dataclass(frozen=True)
class Standing:
    """One part of the list: how many should be there, came off, are doomed."""

    part: Part
    off: int
    reuse: bool
    why: str
    words: str


def find_way(key: str) -> Way:
    if key not in _BY_KEY:
        raise InputError(f"way must be one of {', '.join(_BY_KEY)} (got {key!r}).", field="way")
    return _BY_KEY[key]


def doomed(part: Part, way: Way) -> str:
    """Why a part cannot be used again after this way of removal; empty if it can.

    >>> from bornek.core.units.definition import Part
    >>> doomed(Part("b", "Bearing", "taper_bearing"), find_way("cage_pull"))[:8]
    'the pull'
    >>> doomed(Part("b", "Bearing", "taper_bearing"), find_way("puller"))
    ''
    """
    return way.why if "*" in way.dooms or part.about.group in way.dooms else ""


def standings(d: Definition, facts: Sequence[Fact]) -> list[Standing]:
    """Every part of the list against what came off."""
    off: dict[str, list[Removed]] = {}
    for fact in facts:
        if isinstance(fact.body, Removed):
            off.setdefault(fact.body.part, []).append(fact.body)
    return [_standing(part, off.get(part.key, [])) for part in d.parts]


def _standing(part: Part, removed: Sequence[Removed]) -> Standing:
    count = sum(r.count for r in removed)
    why = next(
        (w for r in removed if (w := doomed(part, find_way(r.way)))), SINGLE if part.single_use else ""
    )
    return Standing(part, count, not why, why, _count_words(part, count))


def _count_words(part: Part, off: int) -> str:
    """
    >>> _count_words(Part("w", "Thrust washers", "fastener", count=4), 3)
    '3 of 4: one still to find. Dirt glues thin parts to their neighbour: look there.'
    """
    short = part.count - off
    if not off:
        return ""
    if short == 0:
        return "all off" if part.count > 1 else "off"
    if short > 0:
        many = "one" if short == 1 else str(short)
        return f"{off} of {part.count}: {many} still to find. Dirt glues thin parts to their neighbour: look there."
    return f"{off} of {part.count}: more than the list has. Is the list right, or was a wrong one fitted?"
