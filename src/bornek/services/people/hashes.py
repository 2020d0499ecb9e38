"""What is kept of a secret: a slow hash of what people choose, a plain one of what was drawn at random."""

from __future__ import annotations

import hashlib
import secrets

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

HASHER = PasswordHasher()
SECRET_BYTES = 32


def new_secret() -> str:
    """Drawn at random: nobody guesses it, so that a plain hash of it will do."""
    return secrets.token_urlsafe(SECRET_BYTES)


def plain_hash(secret: str) -> str:
    """
    >>> plain_hash("a") == plain_hash("a") != plain_hash("b")
    True
    """
    return hashlib.sha256(secret.encode()).hexdigest()


def slow_hash(chosen: str) -> str:
    return HASHER.hash(chosen)


def fits(kept: str | None, chosen: str) -> bool:
    """Whether it is what was chosen. Where nothing is kept it takes as long, and does not fit."""
    try:
        return HASHER.verify(kept or _nothing(), chosen) and kept is not None
    except (VerificationError, InvalidHashError):
        return False


def _nothing() -> str:
    """A hash of what nobody types, made once."""
    global _NOTHING
    if not _NOTHING:
        _NOTHING = HASHER.hash(new_secret())
    return _NOTHING


_NOTHING = ""
