"""Dataclasses turned into plain JSON data, tagged where a union needs to be told apart."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import Field, fields, is_dataclass
from datetime import datetime
from functools import cache
from typing import Any

TAGS = {
    "Normal": "normal",
    "Interval": "interval",
    "AtMost": "at_most",
    "Scalar": "scalar",
    "Between": "between",
    "Paint": "paint",
    "Choice": "choice",
    "Confirm": "confirm",
}
_AS_IT_IS = (str, int, bool, type(None))


CALLED = "called"
"""Metadata of a field whose name in files and answers is another than in code."""


def called(f: Field[Any]) -> str:
    """What a field is called outside: in files, answers and tables."""
    return str(f.metadata.get(CALLED, f.name))


@cache
def _shape(kind: Any) -> tuple[tuple[tuple[str, str], ...], str] | None:
    """Fields by name and by what they are called outside, and the tag of a dataclass, else None."""
    if not is_dataclass(kind):
        return None
    return tuple((f.name, called(f)) for f in fields(kind)), TAGS.get(getattr(kind, "__name__", ""), "")


def dump(value: Any) -> Any:
    """Dataclasses → plain JSON data; infinities become null, moments as 2026-11-23T08:00.

    >>> from bornek.core.windows import Normal
    >>> dump((Normal(0.1, math.inf),))
    [{'v': 0.1, 'u': None, 'type': 'normal'}]
    """
    kind: Any = type(value)
    if kind in _AS_IT_IS:
        return value
    if kind is float:
        return value if math.isfinite(value) else None
    if kind in (tuple, list, set, frozenset):
        return [dump(v) for v in value]
    shape = _shape(kind)
    if shape is not None:
        data = {outside: dump(getattr(value, name)) for name, outside in shape[0]}
        if shape[1]:
            data["type"] = shape[1]
        return data
    if isinstance(value, Mapping):
        return {str(k): dump(v) for k, v in value.items()}
    if isinstance(value, datetime):
        return value.isoformat(timespec="minutes")
    return dump(value.item()) if hasattr(value, "item") else value
