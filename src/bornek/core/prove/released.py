"""How far a job is from leaving, in a word or two."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.facts.kind import Fact
from bornek.core.facts.released import release_of

_WORDS = {"service": "released", "as_it_is": "goes out as it is"}


def release_words(facts: Sequence[Fact]) -> str:
    """
    >>> release_words([])
    'open'
    """
    found = release_of(facts)
    return _WORDS[found.body.how] if found is not None else "open"
