"""Turns put in and counted out in one position of the levers."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, FactKind, RecordLine
from bornek.core.facts.registry import register_fact
from bornek.core.train.counted import Count, Seen, found_words
from bornek.core.train.positions import Train, position_key
from bornek.core.units.definition import Definition

if TYPE_CHECKING:
    from bornek.core.facts.about import About

MOST_TURNS = 1000.0


@dataclass(frozen=True)
class TurnsCounted:
    """The levers `at` their positions; the input was `turned` so often, clockwise seen from its left or top end, and
    `shaft` made `out` turns that `way`."""

    shaft: str
    way: Seen
    at: dict[str, str] = field(default_factory=dict)
    turned: float = 10.0
    out: float = 0.0

    @property
    def count(self) -> Count:
        return Count(self.at, self.shaft, self.turned, self.out, self.way)


def check_levers(d: Definition, at: dict[str, str]) -> None:
    """Raises InputError unless every lever stands at one of its positions."""
    for lever in d.levers:
        if lever.position(str(at.get(lever.key, ""))) is None:
            has = ", ".join(p.label for p in lever.positions)
            raise InputError(
                f"Where {lever.label} stands is not said.", field="at", next_step=f"It has: {has}."
            )
    for key in at:
        if key not in {x.key for x in d.levers}:
            has = ", ".join(x.key for x in d.levers) or "none"
            raise InputError(f"This unit has no lever {key!r}.", field="at", next_step=f"It has: {has}.")


@register_fact
class TurnsCountedKind(FactKind):
    key = "turns_counted"
    right = "take"
    stage = "mesh"
    body = TurnsCounted
    must_say = ("shaft",)
    inside = True

    def check(self, body: TurnsCounted, about: About) -> None:
        train = Train(about.d)
        check_levers(about.d, body.at)
        if body.shaft not in train.outputs:
            known = ", ".join(train.outputs) or "none"
            raise InputError(
                f"Power does not go out at {body.shaft!r}.", field="shaft", next_step=f"Outputs: {known}."
            )
        for name, least in (("turned", 1.0), ("out", 0.0)):
            if not least <= getattr(body, name) <= MOST_TURNS:
                raise InputError(
                    f"Turns must be {least:g} to {MOST_TURNS:g} (got {getattr(body, name):g}).",
                    field=name,
                    next_step="Count whole turns and parts of one by a chalk mark.",
                )
        if (body.way in ("still", "locks")) != (body.out == 0):
            raise InputError(
                "It turned, or it stood still: the turns and the way do not fit together.",
                field="out",
                next_step="0 turns where it stands still or locks; else more than 0.",
            )

    def line(self, fact: Fact, d: Definition) -> RecordLine:
        body: TurnsCounted = fact.body
        train = Train(d)
        position = train.find(position_key(body.at))
        words = found_words(train, position, body.count) if position is not None else "of another train"
        put = f"{body.turned:g} turns in"
        return RecordLine("turns counted", f"{position.label if position else ''}, {put}", words, fact.by)
