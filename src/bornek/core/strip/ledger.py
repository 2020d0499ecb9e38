"""Loose items: what was dropped, what was found, what still lies in the housing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.accounted import Accounted
from bornek.core.facts.kind import Fact
from bornek.core.facts.loose import Loose


@dataclass(frozen=True)
class LooseItem:
    id: str
    what: str
    where: str
    by: str
    open: bool
    words: str = ""


def ledger(facts: Sequence[Fact]) -> list[LooseItem]:
    """Loose items in the order in which they were written down.

    >>> ledger([Fact("a", "loose", "", Loose("washer", "sump"))])[0].open
    True
    """
    closed = {f.body.loose: f for f in facts if isinstance(f.body, Accounted)}
    return [
        LooseItem(
            id=f.id,
            what=f.body.what,
            where=f.body.where,
            by=f.by,
            open=f.id not in closed,
            words=f"{closed[f.id].body.words} ({closed[f.id].by})" if f.id in closed else "",
        )
        for f in facts
        if isinstance(f.body, Loose)
    ]


def open_items(facts: Sequence[Fact]) -> list[LooseItem]:
    return [item for item in ledger(facts) if item.open]
