"""Facts that are written down by the form they declare, on the page of their stage."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.kind import Fact
from bornek.core.facts.registry import fact_kinds, find_fact_kind
from bornek.core.units.definition import Definition
from bornek.services.setting.given_view import FieldView


@dataclass(frozen=True)
class OfferedFact:
    """A fact that can be written down here, with its form."""

    fact_kind: str
    title: str
    fields: list[FieldView]


@dataclass(frozen=True)
class WrittenFact:
    id: str
    fact_kind: str
    title: str
    label: str
    words: str
    by: str
    at: str


def offered_facts(d: Definition, stage: str) -> list[OfferedFact]:
    return [
        OfferedFact(
            fact_kind=kind.key,
            title=kind.title,
            fields=[
                FieldView(
                    key=f.key,
                    label=f.label,
                    quantity=f.quantity,
                    required=f.required,
                    options=[list(o) for o in f.options],
                    why=f.why,
                    shown="",
                    typed=f.default,
                )
                for f in kind.form(d)
            ],
        )
        for kind in fact_kinds(stage)
        if kind.title
    ]


def written_facts(d: Definition, facts: Sequence[Fact], stage: str) -> list[WrittenFact]:
    shown = []
    for fact in facts:
        if isinstance(fact.body, dict):
            continue
        kind = find_fact_kind(fact.fact_kind)
        if kind.title and kind.stage == stage:
            shown.append(
                WrittenFact(
                    id=fact.id,
                    fact_kind=kind.key,
                    title=kind.title,
                    label=d.label_of(fact.subject),
                    words=kind.words(fact.body),
                    by=fact.by,
                    at=fact.at,
                )
            )
    return shown
