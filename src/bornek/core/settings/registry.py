"""Finds the kinds of setting and the calculations: every module of their packages that marks a class with @register."""

from __future__ import annotations

import importlib
import pkgutil
from functools import cache
from typing import TypeVar

import bornek.core.fits as fits
import bornek.core.settings as settings
from bornek.core.errors import UnknownKind
from bornek.core.settings.kind import Calculation, Setting

_kinds: dict[str, Calculation] = {}
_Kind = TypeVar("_Kind", bound=type[Calculation])


def register(kind: _Kind) -> _Kind:
    """Class decorator: one instance of the kind becomes known under its id."""
    _kinds[kind.id] = kind()
    return kind


def forget(kind_id: str) -> None:
    """Takes a kind out again (a trial kind, after its trial)."""
    _kinds.pop(kind_id, None)


def kinds() -> list[Setting]:
    """All kinds of setting, by id."""
    _load()
    return [k for key in sorted(_kinds) if isinstance(k := _kinds[key], Setting)]


def calculations() -> list[Calculation]:
    """All questions without rounds, by id."""
    _load()
    return [k for key in sorted(_kinds) if not isinstance(k := _kinds[key], Setting)]


@cache
def _load() -> None:
    """Every module of the packages, once."""
    for package in (settings, fits):
        for module in pkgutil.iter_modules(package.__path__):
            importlib.import_module(f"{package.__name__}.{module.name}")


def find_calculation(kind_id: str) -> Calculation:
    """The kind of that id, with rounds or without; UnknownKind with the list of those there are."""
    _load()
    if kind_id not in _kinds:
        raise UnknownKind(
            f"No kind of setting is called {kind_id!r}.",
            field="kind",
            next_step="Use one of: " + ", ".join(sorted(_kinds)) + ".",
        )
    return _kinds[kind_id]


def known_kind(kind_id: str) -> Calculation | None:
    """The kind of that id, None where this version has none."""
    _load()
    return _kinds.get(kind_id)


def measures_fit(kind_id: str) -> bool:
    """Whether a kind of that id is there and measures a fit of one part."""
    kind = known_kind(kind_id)
    return isinstance(kind, Setting) and bool(kind.offers)


def find_kind(kind_id: str) -> Setting:
    """The setting of that id; UnknownKind also for a calculator, which has no rounds.

    >>> find_kind("nothing")
    Traceback (most recent call last):
    bornek.core.errors.UnknownKind: No kind of setting is called 'nothing'.
    """
    kind = find_calculation(kind_id)
    if not isinstance(kind, Setting):
        raise UnknownKind(
            f"{kind.title} is a calculator: it has no rounds.", field="kind", next_step="Compute it instead."
        )
    return kind
