"""A part taken off."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, Findable, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.strip.ways import doomed, find_way
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST = 500


@dataclass(frozen=True)
class Removed:
    part: str
    way: str
    count: int = 1
    tag: str = ""
    side: str = ""
    orientation: str = ""
    mates: tuple[str, ...] = ()
    bag: str = ""
    remark: str = ""
    ticked: tuple[str, ...] = ()


@register_fact
class RemovedKind(FactKind):
    key = "removed"
    stage = "strip"
    body = Removed
    disturbs = True
    found_as = "bag"

    def check(self, body: Removed, about: About) -> None:
        owed = [words for key, words in find_way(body.way).asks if key not in body.ticked]
        if owed:
            raise InputError(
                f"Before it is released this way: {'; '.join(owed)}.",
                field="ticked",
                next_step="Look, and tick each; or take another way.",
            )
        if not 1 <= body.count <= MOST:
            raise InputError(f"count must be 1 to {MOST}.", field="count")

    def takes_off(self, body: Removed) -> str:
        return body.part

    def way_seen(self, body: Removed) -> str:
        return body.orientation

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: Removed = fact.body
        part = d.part(body.part)
        dead = doomed(part, find_way(body.way)) if part else ""
        words = (
            f"{body.count} off, {find_way(body.way).label}",
            f"tag {body.tag}" if body.tag else "",
            body.side,
            body.orientation,
            f"bag {body.bag}" if body.bag else "",
            *(words for key, words in find_way(body.way).asks if key in body.ticked),
            f"no re-use: {dead}" if dead else "",
            body.remark,
        )
        return RecordLine("taken off", d.label_of(body.part), "; ".join(w for w in words if w), fact.by)

    def findable(self, body: Removed, tag: str, label: str) -> Findable | None:
        """By its tag or its bag; a part that has neither is found as a part."""
        bag = bag_code(tag, body.bag) if body.bag else ""
        if not bag and not body.tag:
            return None
        title = " · ".join(x for x in (label, f"bag {bag}" if bag else "", body.tag) if x)
        words = " ".join(x for x in (label, body.tag, bag, body.remark) if x)
        return Findable(self.found_as, title, words)


def bag_code(tag: str, bag: str) -> str:
    """What stands on a bag's label, and what the search takes.

    >>> bag_code("W-17", "3")
    'W-17/3'
    """
    return f"{tag}/{bag}"
