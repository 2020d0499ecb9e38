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


def last_seen(facts: Sequence[Fact], mine: Sequence[Fact]) -> FitSeen | None:
    """What was seen last of one fit."""
    ids = {f.id for f in mine}
    seen = [f.body for f in facts if isinstance(f.body, FitSeen) and f.body.fit in ids]
    return seen[-1] if seen else None


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
