"""The parts list against what came off: how many, and whether they can be used again."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.strip.ways import doomed, find_way
from bornek.core.units.definition import Definition, Part

SINGLE = "single use: always new"


@dataclass(frozen=True)
class PartCount:
    """One part of the list: how many should be there, came off, are doomed."""

    part: Part
    off: int
    reuse: bool
    why: str
    words: str


def part_counts(d: Definition, facts: Sequence[Fact]) -> list[PartCount]:
    """Every part of the list against what came off."""
    off: dict[str, list[Removed]] = {}
    for fact in facts:
        if isinstance(fact.body, Removed):
            off.setdefault(fact.body.part, []).append(fact.body)
    return [_part_count(part, off.get(part.key, [])) for part in d.parts]


def _part_count(part: Part, removed: Sequence[Removed]) -> PartCount:
    count = sum(r.count for r in removed)
    why = next(
        (w for r in removed if (w := doomed(part, find_way(r.way)))), SINGLE if part.single_use else ""
    )
    return PartCount(part, count, not why, why, _count_words(part, count))


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
