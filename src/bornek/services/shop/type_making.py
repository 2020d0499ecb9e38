"""What helps to make a unit type: patterns to begin from, rows taken out, shafts copied mirrored. Nothing is stored."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import cache
from typing import Any

from bornek.core.errors import InputError
from bornek.core.patterns.pattern import PatternQuestion, begin, patterns
from bornek.core.scenes import Section
from bornek.core.section.draw_section import draw_section
from bornek.core.units.checks import LEAVES
from bornek.core.units.definition import Definition, read_definition
from bornek.core.units.mirror import mirror_shaft
from bornek.core.units.references import Plain, take_out


@dataclass(frozen=True)
class PatternView:
    """A pattern to choose, as it looks when its questions are answered as usual."""

    key: str
    name: str
    words: str
    questions: tuple[PatternQuestion, ...]
    section: Section


@dataclass(frozen=True)
class Begun:
    """A definition begun: `name` is a proposal."""

    name: str
    definition: dict[str, Any]


@cache
def list_patterns() -> tuple[PatternView, ...]:
    return tuple(
        PatternView(p.key, p.name, p.words, p.questions, _picture(read_definition(begin(p.key, {})), p.name))
        for p in patterns()
    )


def _picture(d: Definition, name: str) -> Section:
    """Without flags and names: it is only looked at."""
    bare = Definition(shafts=d.shafts, parts=d.parts, meshes=d.meshes, split=d.split, plate=d.plate)
    return replace(draw_section(bare, name), labels=())


def begin_pattern(key: str, answers: Mapping[str, str]) -> Begun:
    name = next((p.name for p in patterns() if p.key == key), "")
    return Begun(name, begin(key, answers))


def edit_rows(definition: Plain, do: str, leaf: str, key: str) -> Plain:
    """A definition with one row taken out, or one shaft copied mirrored. Raises InputError, NotFound."""
    if leaf not in LEAVES:
        raise InputError(f"A unit type has no {leaf[:40]!r}.", field="leaf", next_step="Open the page again.")
    if do == "mirror" and leaf != "shafts":
        raise InputError("Only a shaft is copied mirrored.", field="leaf", next_step="Tap a shaft first.")
    return _EDITS[do](definition, leaf, key)


_EDITS: dict[str, Callable[[Plain, str, str], Plain]] = {
    "take_out": lambda d, leaf, key: take_out(d, leaf, [key]),
    "mirror": lambda d, leaf, key: mirror_shaft(d, key),
}
EDITS = tuple(_EDITS)
