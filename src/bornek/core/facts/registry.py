"""Finds the facts: every module of this package that marks a class with @register_fact."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Mapping
from functools import cache
from typing import Any, TypeVar

import bornek.core.facts as package
from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind
from bornek.core.plain import dump
from bornek.core.structure import build
from bornek.core.units.definition import Definition

_facts: dict[str, FactKind] = {}
_Kind = TypeVar("_Kind", bound=type[FactKind])


def register_fact(kind: _Kind) -> _Kind:
    """Class decorator: one instance of the fact's kind becomes known under its key."""
    _facts[kind.key] = kind()
    return kind


def forget_fact(key: str) -> None:
    """Takes a fact out again (a trial one, after its trial)."""
    _facts.pop(key, None)


def fact_kinds(stage: str = "") -> list[FactKind]:
    """All kinds of fact by key, or those of one stage."""
    _load()
    return [_facts[key] for key in sorted(_facts) if not stage or _facts[key].stage == stage]


def find_fact_kind(key: str) -> FactKind:
    """Raises InputError with the list of those there are."""
    _load()
    if key not in _facts:
        raise InputError(f"kind must be one of {', '.join(sorted(_facts))} (got {key!r}).", field="kind")
    return _facts[key]


@cache
def _load() -> None:
    """Every module of the package, once."""
    for module in pkgutil.iter_modules(package.__path__):
        importlib.import_module(f"{package.__name__}.{module.name}")


def read_fact(key: str, data: Mapping[str, Any], d: Definition) -> tuple[str, Any]:
    """Plain data → (subject, body). Raises InputError naming the field that does not hold.

    >>> read_fact("loose", {"what": "M8 washer", "where": "sump"}, Definition())[1].what
    'M8 washer'
    """
    kind = find_fact_kind(key)
    body = build(kind.body, data, "What was written")
    for name in kind.must_say:
        if not getattr(body, name):
            words = name.replace("_", " ")
            raise InputError(f"{words} is empty.", field=name, next_step="Say it in a few words.")
    return subject_of(body, d), body


def subject_of(body: Any, d: Definition) -> str:
    """The key that a fact is about; it must be one of this unit."""
    of_unit = (
        ("mesh", [m.key for m in d.meshes]),
        ("place", [p.key for p in d.places]),
        ("part", [p.key for p in d.parts]),
    )
    for name, known in of_unit:
        key = getattr(body, name, "")
        if key:
            if key not in known:
                has = ", ".join(known) or "none"
                raise InputError(f"This unit has no {name} {key!r}.", field=name, next_step=f"It has: {has}.")
            return str(key)
    return str(getattr(body, "loose", ""))


def body_of(body: Any) -> dict[str, Any]:
    """A body as it is stored."""
    plain: dict[str, Any] = dump(body)
    return plain
