"""Reads plain JSON data into dataclasses and names every field that does not hold."""

from __future__ import annotations

import dataclasses
import types
import typing
from collections.abc import Mapping
from functools import cache
from typing import Any, Literal, TypeVar, Union

from bornek.core.errors import InputError
from bornek.core.plain import called

_T = TypeVar("_T")
MOST_ROWS = 400
MOST_LETTERS = 2000


class Misfit(Exception):
    """Why one value does not fit."""


def build(kind: type[_T], data: Any, what: str = "The data") -> _T:
    """Plain data → `kind`, a dataclass whose fields are simple, tuples, dictionaries or dataclasses.

    Raises InputError whose details hold every misfit by its path (`parts[3].count`).

    >>> @dataclasses.dataclass(frozen=True)
    ... class Bolt:
    ...     size: str
    ...     count: int = 1
    >>> build(Bolt, {"size": "M10", "count": 4})
    Bolt(size='M10', count=4)
    >>> build(Bolt, {"count": "four"})
    Traceback (most recent call last):
    bornek.core.errors.InputError: The data does not hold: size is missing; count must be a whole number (got 'four').
    """
    misfits: dict[str, str] = {}
    made = _value(kind, data, "", misfits)
    if misfits:
        path = next(iter(misfits))
        raise InputError(
            f"{what} does not hold: " + "; ".join(f"{p or 'it'} {why}" for p, why in misfits.items()) + ".",
            field=path or None,
            next_step="Mend the fields named; nothing was stored.",
            details={"fields": misfits},
        )
    return typing.cast(_T, made)


def _value(kind: Any, data: Any, path: str, misfits: dict[str, str]) -> Any:
    if dataclasses.is_dataclass(kind) and isinstance(kind, type):
        return _record(kind, data, path, misfits)
    origin, args = typing.get_origin(kind), typing.get_args(kind)
    if origin is tuple:
        return _rows(args[0], data, path, misfits)
    if origin in (Union, types.UnionType):
        if data is None and type(None) in args:
            return None
        return _value(next(a for a in args if a is not type(None)), data, path, misfits)
    try:
        return _simple(kind, origin, args, data)
    except Misfit as why:
        misfits[path] = str(why)
        return None


def _record(kind: type, data: Any, path: str, misfits: dict[str, str]) -> Any:
    if not isinstance(data, Mapping):
        misfits[path] = "must be an object"
        return None
    hints, known, before = _hints(kind), {}, len(misfits)
    for f in dataclasses.fields(kind):
        name = called(f)
        here = f"{path}.{name}" if path else name
        if name in data:
            known[f.name] = _value(hints[f.name], data[name], here, misfits)
        elif f.default is dataclasses.MISSING and f.default_factory is dataclasses.MISSING:
            misfits[here] = "is missing"
    outside = {called(f) for f in dataclasses.fields(kind)}
    for name in data:
        if name not in outside:
            misfits[f"{path}.{name}" if path else str(name)] = "is not known here"
    return kind(**known) if len(misfits) == before else None


@cache
def _hints(kind: type) -> dict[str, Any]:
    return typing.get_type_hints(kind)


def _rows(kind: Any, data: Any, path: str, misfits: dict[str, str]) -> Any:
    if not isinstance(data, list | tuple):
        misfits[path] = "must be a list"
        return ()
    if len(data) > MOST_ROWS:
        misfits[path] = f"has more than {MOST_ROWS} rows"
        return ()
    return tuple(_value(kind, row, f"{path}[{i}]", misfits) for i, row in enumerate(data))


def _simple(kind: Any, origin: Any, args: tuple[Any, ...], data: Any) -> Any:
    if origin is Literal:
        if data not in args:
            raise Misfit(f"must be one of {', '.join(map(str, args))} (got {data!r})")
        return data
    if kind is str:
        if not isinstance(data, str) or len(data) > MOST_LETTERS:
            raise Misfit(f"must be a text of at most {MOST_LETTERS} letters (got {str(data)[:40]!r})")
        return data.strip()
    if kind is bool:
        if not isinstance(data, bool):
            raise Misfit(f"must be true or false (got {data!r})")
        return data
    if kind is int:
        if isinstance(data, bool) or not isinstance(data, int) or abs(data) > 10**9:
            raise Misfit(f"must be a whole number (got {data!r})")
        return data
    if kind is float:
        if isinstance(data, bool) or not isinstance(data, int | float) or abs(data) > 1e9:
            raise Misfit(f"must be a number (got {data!r})")
        return float(data)
    if origin in (dict, Mapping):
        if not isinstance(data, Mapping) or not all(isinstance(k, str) for k in data):
            raise Misfit("must be an object")
        return dict(data)
    return data
