"""Fits that are prepared or under way and not done."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.facts.fit_seen import FitSeen
from bornek.core.facts.kind import Fact
from bornek.core.facts.reckoned import Reckoned

DONE = frozenset({"seated", "pressed", "tightened"})


def grouped(facts: Sequence[Fact]) -> dict[tuple[str, str], list[Fact]]:
    """Sums by part, place or step, in the order in which these were begun."""
    groups: dict[tuple[str, str], list[Fact]] = {}
    for f in facts:
        if isinstance(f.body, Reckoned):
            groups.setdefault(f.body.at, []).append(f)
    return groups


def begun_at(mine: Sequence[Fact], sum_: str) -> int:
    """The seq from which on what is written counts: since its sum was laid down last.

    >>> begun_at([], "fit_heat")
    0
    """
    return max((f.seq for f in mine if f.body.sum == sum_), default=0)


def last_seen(facts: Sequence[Fact], mine: Sequence[Fact]) -> FitSeen | None:
    """What was seen last of one fit; nothing where its sum was laid down anew since: then it is done again."""
    sums = {f.id: f.body.sum for f in mine}
    seen = [f for f in facts if isinstance(f.body, FitSeen) and f.body.fit in sums]
    if not seen or seen[-1].seq < begun_at(mine, sums[seen[-1].body.fit]):
        return None
    body: FitSeen = seen[-1].body
    return body


def open_fits(facts: Sequence[Fact]) -> list[str]:
    """What they are called.

    >>> laid = Fact("a", "reckoned", "hub", Reckoned("fit_heat", "hub", label="Hub"))
    >>> open_fits([laid]), open_fits([laid, Fact("b", "fit_seen", "", FitSeen("a", "seated"))])
    (['Hub'], [])
    """
    return [
        mine[-1].body.label or key
        for (_, key), mine in grouped(facts).items()
        if (last := last_seen(facts, mine)) is None or last.what not in DONE
    ]
