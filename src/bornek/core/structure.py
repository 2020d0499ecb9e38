"""Reads plain JSON data into dataclasses and names every field that does not hold."""

from __future__ import annotations

import dataclasses
import types
import typing
from collections.abc import Callable, Mapping
from functools import cache, partial
from typing import Any, Literal, TypeVar, Union

from bornek.core.errors import InputError
from bornek.core.plain import called

_T = TypeVar("_T")
Reader = Callable[[Any, str, dict[str, str]], Any]
"""Plain data and its path → the value; what does not fit goes among the misfits."""
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
    made = _reader(typing.cast(Any, kind))(data, "", misfits)
    if misfits:
        path = next(iter(misfits))
        raise InputError(
            f"{what} does not hold: " + "; ".join(f"{p or 'it'} {why}" for p, why in misfits.items()) + ".",
            field=path or None,
            next_step="Mend the fields named; nothing was stored.",
            details={"fields": misfits},
        )
    return typing.cast(_T, made)


@cache
def _reader(kind: Any) -> Reader:
    """How a value of this type is read: found out once a type."""
    if dataclasses.is_dataclass(kind) and isinstance(kind, type):
        return partial(_record, kind)
    origin, args = typing.get_origin(kind), typing.get_args(kind)
    if origin is tuple:
        return partial(_rows, _reader(args[0]))
    if origin in (Union, types.UnionType):
        inner = _reader(next(a for a in args if a is not type(None)))
        return partial(_or_nothing, inner) if type(None) in args else inner
    if origin is Literal:
        return partial(_fitting, partial(_one_of, args))
    return partial(_fitting, _SIMPLE.get(origin or kind, _as_it_is))


def _fitting(read: Callable[[Any], Any], data: Any, path: str, misfits: dict[str, str]) -> Any:
    try:
        return read(data)
    except Misfit as why:
        misfits[path] = str(why)
        return None


def _or_nothing(read: Reader, data: Any, path: str, misfits: dict[str, str]) -> Any:
    return None if data is None else read(data, path, misfits)


@dataclasses.dataclass(frozen=True)
class _Field:
    name: str
    required: bool
    read: Reader


@cache
def _fields(kind: type) -> dict[str, _Field]:
    """The fields of a dataclass by what they are called outside."""
    hints = typing.get_type_hints(kind)
    missing = dataclasses.MISSING
    return {
        called(f): _Field(
            name=f.name,
            required=f.default is missing and f.default_factory is missing,
            read=_reader(hints[f.name]),
        )
        for f in dataclasses.fields(kind)
    }


def _record(kind: type, data: Any, path: str, misfits: dict[str, str]) -> Any:
    if not isinstance(data, Mapping):
        misfits[path] = "must be an object"
        return None
    fields, known, before = _fields(kind), {}, len(misfits)
    for outside, f in fields.items():
        here = f"{path}.{outside}" if path else outside
        if outside in data:
            known[f.name] = f.read(data[outside], here, misfits)
        elif f.required:
            misfits[here] = "is missing"
    for name in data:
        if name not in fields:
            misfits[f"{path}.{name}" if path else str(name)] = "is not known here"
    return kind(**known) if len(misfits) == before else None


def _rows(read: Reader, data: Any, path: str, misfits: dict[str, str]) -> Any:
    if not isinstance(data, list | tuple):
        misfits[path] = "must be a list"
        return ()
    if len(data) > MOST_ROWS:
        misfits[path] = f"has more than {MOST_ROWS} rows"
        return ()
    return tuple([read(row, f"{path}[{i}]", misfits) for i, row in enumerate(data)])


def _one_of(options: tuple[Any, ...], data: Any) -> Any:
    if data not in options:
        raise Misfit(f"must be one of {', '.join(map(str, options))} (got {data!r})")
    return data


def _text(data: Any) -> str:
    if not isinstance(data, str) or len(data) > MOST_LETTERS:
        raise Misfit(f"must be a text of at most {MOST_LETTERS} letters (got {str(data)[:40]!r})")
    return data.strip()


def _yes_or_no(data: Any) -> bool:
    if not isinstance(data, bool):
        raise Misfit(f"must be true or false (got {data!r})")
    return data


def _whole(data: Any) -> int:
    if isinstance(data, bool) or not isinstance(data, int) or abs(data) > 10**9:
        raise Misfit(f"must be a whole number (got {data!r})")
    return data


def _number(data: Any) -> float:
    if isinstance(data, bool) or not isinstance(data, int | float) or abs(data) > 1e9:
        raise Misfit(f"must be a number (got {data!r})")
    return float(data)


def _object(data: Any) -> dict[str, Any]:
    if not isinstance(data, Mapping) or not all(isinstance(k, str) for k in data):
        raise Misfit("must be an object")
    return dict(data)


def _as_it_is(data: Any) -> Any:
    return data


_SIMPLE: dict[Any, Callable[[Any], Any]] = {
    str: _text, bool: _yes_or_no, int: _whole, float: _number, dict: _object, Mapping: _object,
}  # fmt: skip
