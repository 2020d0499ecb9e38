"""Whether who is named was proved to be there."""

from __future__ import annotations

AUTHENTICATED, NAMED = "authenticated", "named"


def proof_words(proof: str) -> str:
    """
    >>> proof_words("authenticated"), proof_words("named")
    ('authenticated', 'named, not authenticated')
    """
    return "authenticated" if proof == AUTHENTICATED else "named, not authenticated"
