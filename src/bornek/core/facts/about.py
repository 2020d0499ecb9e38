"""What a fact is checked against: the unit, what was written down before, and the shop's own."""

from __future__ import annotations

from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from bornek.core.facts.kind import Fact
from bornek.core.parts.holds import open_holds
from bornek.core.parts.look_fors import LookFor, look_fors_of
from bornek.core.strip.ledger import open_items
from bornek.core.units.definition import Definition, Part

JudgePart = Callable[[Any], None]


def no_judge(body: Any) -> None:
    """Where no verdict is to be judged."""


@dataclass(frozen=True)
class About:
    """`judge` refuses a verdict that school or safety does not allow: it needs the part's measured fits.
    `correcting`: the fact takes the place of an earlier one. `photos`: ids of the job's."""

    d: Definition
    facts: Sequence[Fact] = ()
    own: Sequence[LookFor] = ()
    unit: str = "mm"
    judge: JudgePart = no_judge
    correcting: bool = False
    photos: Collection[str] = ()

    def part(self, key: str) -> Part | None:
        return self.d.part(key)

    def looked_for(self, key: str) -> set[str]:
        """Keys of what is looked for on a part."""
        part = self.d.part(key)
        return {x.key for x in look_fors_of(part, self.own)} if part else set()

    @cached_property
    def held(self) -> set[str]:
        """Causes whose hold is not cleared yet."""
        return {h.cause for h in open_holds(self.facts)}

    @cached_property
    def lying_loose(self) -> set[str]:
        return {i.id for i in open_items(self.facts)}

    def bodies(self, body: type[Any]) -> dict[str, Any]:
        """What of one sort was written down, by the fact's id."""
        return {f.id: f.body for f in self.facts if isinstance(f.body, body)}
