"""The build as it was worked, for the record: every step, turn and correction with its moment and name."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from bornek.core.facts.kind import Fact, RecordLine
from bornek.core.facts.registry import find_fact_kind
from bornek.core.units.definition import Definition

MOMENT_LETTERS = len("2026-11-23T08:00")


def build_lines(d: Definition, facts: Sequence[Fact], stage: str = "plan") -> list[RecordLine]:
    """In the order in which it was done; the moment, as the yard's clock said it, stands before the words."""
    lines = []
    for fact in facts:
        if isinstance(fact.body, dict):
            continue
        kind = find_fact_kind(fact.fact_kind)
        line = kind.line(fact, d) if kind.stage == stage else None
        if line is not None:
            moment = fact.at[:MOMENT_LETTERS].replace("T", " ")
            lines.append(replace(line, words="; ".join(x for x in (moment, line.words) if x)))
    return lines
