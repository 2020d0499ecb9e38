"""A job's stored facts as the core's."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.strip.facts import FACTS, Fact
from bornek.core.structure import build
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.queries.facts import live_facts


def core_fact(row: t.Fact, names: Mapping[str, str]) -> Fact:
    body: Any = build(FACTS[row.kind], row.body)
    return Fact(
        id=row.id,
        kind=row.kind,
        subject=row.subject,
        body=body,
        by=names.get(row.mechanic_id, ""),
        at=row.at.isoformat(),
        seq=row.seq,
    )


def facts_of(session: Session, job_id: str) -> list[Fact]:
    """What holds: nothing supersedes it, nothing struck it."""
    names = mechanic_names(session)
    return [core_fact(row, names) for row in live_facts(session, job_id)]
