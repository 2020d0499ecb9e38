"""The door for plain data: what comes in from outside is finite, typed and of bounded size, or refused.

Nothing behind it meets a NaN, a number of 400 digits, a list where a word was wanted or a tree that has no end.
"""

from __future__ import annotations

import json
import math
import re
from collections.abc import Mapping, Sequence
from typing import Any, NoReturn

from bornek.core.errors import InputError

DEEPEST = 12
MOST_VALUES = 60_000
LONGEST_TEXT = 20_000
GREATEST = 1e9
_UNWRITABLE = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff]")
_Way = tuple[Any, str | int] | None
"""How a value is reached: the way to what holds it, and its key or number there."""
MEND = "Mend it and send it again; what was sent is not lost."


def refuse(field: str, wanted: str, got: Any) -> NoReturn:
    """Raises InputError that names the field, what is wanted and what came."""
    field = field or "body"
    shown = f"{type(got).__name__} of {len(got)}" if isinstance(got, list | dict) else repr(got)[:60]
    raise InputError(f"{field} must be {wanted} (got {shown}).", field=field, next_step=MEND)


def check_plain(data: Any, deepest: int = DEEPEST, most: int = MOST_VALUES) -> None:
    """Walks what was sent, without recursion; raises InputError at the first value that cannot be used.

    >>> check_plain({"entries": [{"value": 0.2}]})
    >>> check_plain([math.nan])
    Traceback (most recent call last):
    bornek.core.errors.InputError: [0] must be a finite number up to 1e+09 (got nan).
    """
    left: list[tuple[_Way, Any, int]] = [(None, data, 0)]
    seen = 0
    while left:
        way, value, depth = left.pop()
        seen += 1
        if depth > deepest:
            refuse(_top(way), f"nested at most {deepest} deep", "deeper")
        if seen > most:
            refuse(_top(way), f"of at most {most} values", "more")
        if isinstance(value, str):
            if len(value) > LONGEST_TEXT:
                refuse(
                    _where(way), f"a text of at most {LONGEST_TEXT} characters", f"{len(value)} characters"
                )
            if not is_text(value):
                refuse(_top(way), "a text without control characters and halves of characters", value)
        elif isinstance(value, int | float):
            _check_number(way, value)
        elif isinstance(value, dict):
            for key, part in value.items():
                if not isinstance(key, str) or len(key) > 200 or not is_text(key):
                    refuse(_top(way), "named by texts of at most 200 characters", str(key)[:40])
                left.append(((way, key), part, depth + 1))
        elif isinstance(value, list | tuple):
            left.extend([((way, i), part, depth + 1) for i, part in enumerate(value)])
        elif isinstance(value, Mapping):
            left.append((way, dict(value), depth))
        elif value is not None:
            refuse(_where(way), "plain JSON", type(value).__name__)


def is_text(text: str) -> bool:
    """Whether a text can be written, kept and printed: no control characters but line ends and tabs, and no
    half of a surrogate pair.

    >>> is_text("Østre kai, 0.10\\n"), is_text("a\\x00"), is_text("\\ud800")
    (True, False, False)
    """
    return text.isprintable() or not _UNWRITABLE.search(text)


def _where(way: _Way) -> str:
    """A way in words, as entries[3].value: made when something is refused, not for every value."""
    steps: list[str | int] = []
    while way:
        way, step = way
        steps.append(step)
    named = (f"[{step}]" if isinstance(step, int) else f".{step}" for step in reversed(steps))
    return "".join(named).removeprefix(".")


def _top(way: _Way) -> str:
    return _where(way)[:80]


def _check_number(way: _Way, value: float) -> None:
    if -GREATEST <= value <= GREATEST:
        return
    shown: Any = value
    if isinstance(value, int):
        shown = f"{value.bit_length() * 0.301:.0f} digits"
    elif math.isfinite(value):
        shown = f"{value:.3g}"
    refuse(_where(way), f"a finite number up to {GREATEST:g}", shown)


def read_json(text: str | bytes, deepest: int = DEEPEST, most: int = MOST_VALUES) -> Any:
    """JSON text → plain data that passed the door; InputError where it is none, or too deep.

    >>> read_json('{"a": [1, 2]}')
    {'a': [1, 2]}
    """
    try:
        data = json.loads(text)
    except RecursionError as error:
        raise InputError("The input is nested too deep.", field="body", next_step=MEND) from error
    except (ValueError, UnicodeDecodeError) as error:
        raise InputError(
            f"This could not be read as JSON: {str(error)[:120]}.",
            field="body",
            next_step=MEND,
            details={"broken": True},
        ) from error
    check_plain(data, deepest, most)
    return data


def a_mapping(value: Any, field: str) -> Mapping[str, Any]:
    """An object; nothing sent is an empty one."""
    if value is None:
        return {}
    return value if isinstance(value, Mapping) else refuse(field, "an object", value)


def rows_of(value: Any, field: str) -> Sequence[Mapping[str, Any]]:
    """A list of objects; nothing sent is an empty one."""
    if value is None:
        return ()
    if not isinstance(value, list):
        refuse(field, "a list of objects", value)
    for i, row in enumerate(value):
        if not isinstance(row, Mapping):
            refuse(f"{field}[{i}]", "an object", row)
    return value


def a_text(row: Mapping[str, Any], key: str, field: str, default: str = "", most: int = 400) -> str:
    value = row.get(key, default)
    if value is None:
        return default
    if not isinstance(value, str) or len(value) > most:
        refuse(f"{field}.{key}", f"a text of at most {most} characters", value)
    return value


def a_flag(row: Mapping[str, Any], key: str, field: str) -> bool:
    value = row.get(key, False)
    return value if isinstance(value, bool) else refuse(f"{field}.{key}", "true or false", value)


def a_whole(row: Mapping[str, Any], key: str, field: str, default: int, lo: int, hi: int) -> int:
    value = row.get(key, default)
    if not isinstance(value, int) or isinstance(value, bool) or not lo <= value <= hi:
        refuse(f"{field}.{key}", f"a whole number from {lo} to {hi}", value)
    return value


def a_number(value: Any, field: str, lo: float = -GREATEST, hi: float = GREATEST) -> float:
    if not isinstance(value, int | float) or isinstance(value, bool) or not lo <= value <= hi:
        refuse(field, f"a number from {lo:g} to {hi:g}", value)
    return float(value)
