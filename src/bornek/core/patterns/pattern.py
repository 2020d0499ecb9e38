"""A pattern is a whole definition and questions; an answer leaves rows out or says some of their fields anew."""

from __future__ import annotations

import json
from collections.abc import Mapping
from copy import deepcopy
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files
from typing import Any

from bornek.core.errors import InputError, NotFound
from bornek.core.structure import build
from bornek.core.units.checks import LEAVES
from bornek.core.units.references import Plain, rows_of, take_out


@dataclass(frozen=True)
class PatternOption:
    """`without`: keys of rows that are left out with what hangs on them. `change`: fields by the key of their row; an
    empty key stands for the definition itself."""

    key: str
    words: str
    without: tuple[str, ...] = ()
    change: dict[str, dict[str, Any]] = field(default_factory=dict)


@dataclass(frozen=True)
class PatternQuestion:
    key: str
    words: str
    options: tuple[PatternOption, ...]


@dataclass(frozen=True)
class Pattern:
    """`definition` holds everything; the first option of each question is the usual one."""

    key: str
    order: int
    name: str
    words: str
    questions: tuple[PatternQuestion, ...]
    definition: dict[str, Any]


@cache
def patterns() -> tuple[Pattern, ...]:
    """All that ship with the application, in their order.

    >>> [p.key for p in patterns()][:2]
    ['plain-shaft', 'parallel-drive']
    """
    folder = files("bornek.core.patterns").joinpath("data")
    found = [
        build(Pattern, {"key": f.name.removesuffix(".json"), **json.loads(f.read_text("utf-8"))}, f.name)
        for f in folder.iterdir()
        if f.name.endswith(".json")
    ]
    return tuple(sorted(found, key=lambda p: p.order))


def begin(key: str, answers: Mapping[str, str]) -> Plain:
    """The definition of a pattern as these questions are answered; one not answered is answered as usual.

    Raises NotFound for a pattern, InputError for an answer that there is not.

    >>> d = begin("plain-shaft", {"bearings": "bush", "covers": "one"})
    >>> [p["kind"] for p in d["parts"] if p.get("shaft")]
    ['coupling', 'seal', 'cover', 'bush', 'gear', 'bush', 'shaft']
    """
    pattern = next((p for p in patterns() if p.key == key), None)
    if pattern is None:
        raise NotFound(
            f"There is no pattern {key[:60]!r}.",
            field="pattern",
            next_step="Choose one of those that there are.",
        )
    made = deepcopy(pattern.definition)
    chosen = [_answer(q, answers.get(q.key, "")) for q in pattern.questions]
    for option in chosen:
        _change(made, option)
    for option in chosen:
        for leaf in LEAVES:
            gone = {row["key"] for row in rows_of(made, leaf)} & set(option.without)
            if gone:
                made = take_out(made, leaf, gone)
    return made


def _answer(question: PatternQuestion, key: str) -> PatternOption:
    if not key:
        return question.options[0]
    found = next((o for o in question.options if o.key == key), None)
    if found is None:
        raise InputError(
            f"{question.words} {key[:60]!r} is none of the answers.",
            field=question.key,
            next_step="Choose " + ", ".join(f"“{o.words}”" for o in question.options) + ".",
        )
    return found


def _change(d: Plain, option: PatternOption) -> None:
    for key, changed in option.change.items():
        if not key:
            d.update(deepcopy(changed))
        for leaf in LEAVES if key else ():
            for row in rows_of(d, leaf):
                if row["key"] == key:
                    row.update(deepcopy(changed))
