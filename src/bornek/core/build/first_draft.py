"""The removal order turned round: the first draft of the build order."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.strip.ways import doomed, find_way
from bornek.core.units.definition import Definition, Part


@dataclass(frozen=True)
class DraftStep:
    """One step; `new`: the part that came off must not go back."""

    number: int
    part: str
    label: str
    words: str
    new: bool


def first_draft(d: Definition, facts: Sequence[Fact]) -> list[DraftStep]:
    """Last off is first on, with side, way round, mates and bag as they were logged.

    >>> d = Definition(parts=(Part("c", "Cover", "cover"), Part("s", "Seal", "seal", single_use=True)))
    >>> off = [Fact("1", "removed", "c", Removed("c", "hand", side="left")), Fact("2", "removed", "s", Removed("s", "draw"))]
    >>> [(step.number, step.label, step.new, step.words) for step in first_draft(d, off)]
    [(1, 'Seal', True, ''), (2, 'Cover', False, 'side left')]
    """
    removed = [f.body for f in facts if isinstance(f.body, Removed)]
    return [_step(d, number, r) for number, r in enumerate(reversed(removed), start=1)]


def _step(d: Definition, number: int, removed: Removed) -> DraftStep:
    part = d.part(removed.part)
    label = d.label_of(removed.part)
    new = part is not None and bool(part.single_use or doomed(part, find_way(removed.way)))
    return DraftStep(
        number,
        removed.part,
        f"{removed.count} × {label}" if removed.count > 1 else label,
        _words(d, part, removed),
        new,
    )


def _words(d: Definition, part: Part | None, removed: Removed) -> str:
    way_round = removed.orientation or (part.faces if part else "")
    mates = ", ".join(d.label_of(key) for key in removed.mates)
    said = (
        ("side", removed.side),
        ("way round:", way_round),
        ("with", mates),
        ("tag", removed.tag),
        ("bag", removed.bag),
    )
    return " · ".join(f"{word} {text}" for word, text in said if text)
