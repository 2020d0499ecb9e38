"""The definition with what was answered for this unit put in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from bornek.core.facts.kind import Fact
from bornek.core.facts.section_answered import SectionAnswered
from bornek.core.units.definition import Definition


def answered(d: Definition, facts: Sequence[Fact]) -> Definition:
    """
    >>> from bornek.core.units.definition import Shaft
    >>> d = Definition(shafts=(Shaft("in", "input"),))
    >>> said = [Fact("1", "section_answered", "", SectionAnswered("in", "built", "threaded"))]
    >>> answered(d, said).shafts[0].built
    'threaded'
    """
    for body in (f.body for f in facts):
        if not isinstance(body, SectionAnswered):
            continue
        if body.field == "built":
            shafts = tuple(replace(s, built=body.value) if s.key == body.row else s for s in d.shafts)  # type: ignore[arg-type]
            d = replace(d, shafts=shafts)
        elif body.field == "goes_in":
            parts = tuple(replace(p, goes_in=body.value) if p.key == body.row else p for p in d.parts)  # type: ignore[arg-type]
            d = replace(d, parts=parts)
        else:
            parts = tuple(replace(p, seat=p.key == body.value) if p.shaft == body.row else p for p in d.parts)
            d = replace(d, parts=parts)
    return d
