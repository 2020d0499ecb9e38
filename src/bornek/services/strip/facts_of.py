"""A job's stored facts as the core's, and their lines on the record."""

from __future__ import annotations

import logging
from collections.abc import Mapping, Sequence
from datetime import UTC, tzinfo
from typing import Any
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact, RecordLine
from bornek.core.facts.registry import find_fact_kind
from bornek.core.structure import build
from bornek.core.units.definition import Definition
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.once import get_held, keep
from bornek.store.queries.facts import live_facts
from bornek.store.queries.yard import the_yard

log = logging.getLogger("bornek")


def core_fact(row: t.Fact, names: Mapping[str, str], clock: tzinfo = UTC) -> Fact:
    """The fact as the core has it, its moment as the yard's clock says it; what this version cannot read keeps its plain data."""
    body: Any
    try:
        body = build(find_fact_kind(row.fact_kind).body, row.body)
    except InputError as error:
        log.warning("fact %s cannot be read: %s", row.id, error.message)
        body = dict(row.body)
    return Fact(
        id=row.id,
        fact_kind=row.fact_kind,
        subject=row.subject,
        body=body,
        by=names.get(row.mechanic_id, ""),
        at=row.at.astimezone(clock).isoformat(),
        seq=row.seq,
    )


def facts_of(session: Session, job_id: str) -> list[Fact]:
    """What holds: nothing supersedes it, nothing struck it. Read once for as long as nothing is written."""
    job = get_held(session, t.Job, job_id)
    return list(keep(session, ("facts of", job_id, job.seq if job else 0), lambda: _read(session, job_id)))


def _read(session: Session, job_id: str) -> list[Fact]:
    names, clock = mechanic_names(session), ZoneInfo(the_yard(session).zone)
    return [core_fact(row, names, clock) for row in live_facts(session, job_id)]


def fact_lines(d: Definition, facts: Sequence[Fact], stage: str) -> tuple[list[RecordLine], list[RecordLine]]:
    """The record's lines of one stage's facts: those that stand first, and the others."""
    first: list[RecordLine] = []
    rest: list[RecordLine] = []
    for fact in facts:
        if isinstance(fact.body, dict):
            rest.append(_unread(fact, d))
            continue
        kind = find_fact_kind(fact.fact_kind)
        line = kind.line(fact, d) if kind.stage == stage else None
        if line is not None:
            (first if kind.first else rest).append(line)
    return first, rest


def _unread(fact: Fact, d: Definition) -> RecordLine:
    words = "; ".join(str(v) for v in fact.body.values() if v)
    return RecordLine(fact.fact_kind.replace("_", " "), d.label_of(fact.subject), words, fact.by)
