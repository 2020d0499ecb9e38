"""How far a job is from leaving, in one word."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.facts.kind import Fact
from bornek.core.facts.released import release_of

RELEASE_WORDS = {"": "open", "service": "released", "as_it_is": "goes out as it is"}


def release_state(facts: Sequence[Fact]) -> str:
    """
    >>> release_state([])
    ''
    """
    found = release_of(facts)
    return found.body.how if found is not None else ""
