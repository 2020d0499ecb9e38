"""What is met at each part that is looked at, in the words of the eye and the finger (`core/tables/signs.toml`)."""

from __future__ import annotations

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from importlib import resources

from bornek.core import tables


@dataclass(frozen=True)
class LookPart:
    """`shows`: how each piece of evidence looks that is met there; `plain` what it shows without any of them."""

    key: str
    label: str
    plain: str
    shows: Mapping[str, str]


@cache
def look_parts() -> tuple[LookPart, ...]:
    """
    >>> next(p for p in look_parts() if "spun" in p.shows).label
    'Ring seats, by eye'
    """
    data = tomllib.loads(resources.files(tables).joinpath("signs.toml").read_text(encoding="utf-8"))
    return tuple(LookPart(**row) for row in data["part"])
