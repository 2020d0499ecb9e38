"""Holds that a named cause of failure puts on the build, until somebody clears them in words."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.hold_cleared import HoldCleared
from bornek.core.facts.kind import Fact
from bornek.core.parts.causes import find_cause


@dataclass(frozen=True)
class Hold:
    cause: str
    label: str
    words: str
    by: str
    cleared: str = ""


def holds(facts: Sequence[Fact]) -> list[Hold]:
    """Every hold in the order in which it was put, cleared ones with how.

    >>> holds([Fact("1", "cause", "", CauseNamed("starved"), by="Jun")])[0].label
    'Starved of oil'
    """
    found: dict[str, Hold] = {}
    for fact in facts:
        if isinstance(fact.body, CauseNamed):
            cause = find_cause(fact.body.cause)
            if cause.hold:
                found[cause.key] = Hold(cause.key, cause.label, cause.hold, fact.by)
        elif isinstance(fact.body, HoldCleared) and fact.body.cause in found:
            h = found[fact.body.cause]
            found[h.cause] = Hold(h.cause, h.label, h.words, h.by, f"{fact.body.words} ({fact.by})")
    return list(found.values())


def open_holds(facts: Sequence[Fact]) -> list[Hold]:
    return [h for h in holds(facts) if not h.cleared]
