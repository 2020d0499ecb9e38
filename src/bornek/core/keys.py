"""Ids and keys by one rule each: they stand in addresses, file names and rows, so they are checked where they are made."""

from __future__ import annotations

import re

from bornek.core.errors import InputError

ID = re.compile(r"[A-Za-z0-9][A-Za-z0-9._\-]{0,59}", re.ASCII)
"""What a client may name a row."""
KEY = re.compile(r"[a-z0-9][a-z0-9-]{0,39}", re.ASCII)
"""What a row of a definition may be named."""
ID_WORDS = "an id is 1 to 60 letters, digits, dots or dashes"


def is_key(text: str) -> bool:
    """
    >>> is_key("output-cover"), is_key("output cover"), is_key("cover\\n")
    (True, False, False)
    """
    return KEY.fullmatch(text) is not None


def check_id(text: str, field: str = "id") -> str:
    """Raises InputError for an id that cannot stand in an address.

    >>> check_id("w17.output-end-play")
    'w17.output-end-play'
    """
    if ID.fullmatch(text) is None:
        raise InputError(
            f"{text[:60]!r} cannot be used: {ID_WORDS}.",
            field=field,
            next_step="Take another, without spaces.",
        )
    return text
