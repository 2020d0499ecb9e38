"""When a part was last handled: what was seen of it before holds no more."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.went_back import WentBack


def last_touched(facts: Sequence[Fact]) -> Mapping[str, int]:
    """The seq at which each part was last taken off, put in, or taken apart again.

    >>> last_touched([Fact("1", "removed", "c", Removed("c", "hand", mates=("s",)), seq=7)])
    {'c': 7, 's': 7}
    """
    found: dict[str, int] = {}
    parts_of: dict[str, tuple[str, ...]] = {}
    for fact in facts:
        body = fact.body
        parts: tuple[str, ...] = ()
        if isinstance(body, Removed):
            parts = (body.part, *body.mates)
        elif isinstance(body, StepWorked):
            parts = parts_of[body.step] = body.parts
        elif isinstance(body, WentBack):
            parts = tuple(p for step in body.steps for p in parts_of.get(step, ()))
        found |= dict.fromkeys(parts, fact.seq)
    return found
