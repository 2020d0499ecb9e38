"""Search across the yard: part, tag, bag, serial, unit, mechanic."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.registry import fact_kinds
from bornek.core.plain import dump
from bornek.core.stages import stage_path
from bornek.services.shop.mechanics import mechanic_names
from bornek.store import tables as t
from bornek.store.search import Found, find_rows


@dataclass(frozen=True)
class FoundView:
    what: str
    job_id: str
    tag: str
    title: str
    words: str
    to: str
    closed: bool


@dataclass(frozen=True)
class SearchView:
    typed: str
    found: list[FoundView]
    more: bool


MOST = 40
FEWEST_LETTERS = 2


def search(session: Session, typed: str) -> dict[str, Any]:
    """Newest first; two letters at least."""
    if sum(c.isalnum() for c in typed) < FEWEST_LETTERS:
        raise InputError(
            "Type at least two letters or digits.",
            field="q",
            next_step="A part, tag, bag, serial, unit or mechanic.",
        )
    rows = find_rows(session, typed[:100], MOST + 1)
    found = [*_mechanics(session, typed), *_shown(session, rows[:MOST])]
    view: dict[str, Any] = dump(SearchView(typed, found, len(rows) > MOST))
    return view


def _shown(session: Session, rows: Sequence[Found]) -> list[FoundView]:
    units = _units(session, {r.job_id for r in rows})
    stages = {"part": "strip", "serial": "strip"} | {k.found_as or k.key: k.stage for k in fact_kinds()}
    return [
        FoundView(
            what=r.what,
            job_id=r.job_id,
            tag=units[r.job_id].tag,
            title=r.title,
            words=r.words,
            to=f"/jobs/{r.job_id}{stage_path(stages.get(r.what, ''))}",
            closed=units[r.job_id].closed,
        )
        for r in rows
        if r.job_id in units
    ]


@dataclass(frozen=True)
class _Unit:
    tag: str
    closed: bool


def _units(session: Session, jobs: set[str]) -> dict[str, _Unit]:
    """Tag of each job's unit, and whether the job is closed."""
    rows = session.execute(
        select(t.Job.id, t.Unit.tag, t.Job.closed_at)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.Job.id.in_(jobs))
    )
    return {job_id: _Unit(tag, closed_at is not None) for job_id, tag, closed_at in rows}


def _mechanics(session: Session, typed: str) -> list[FoundView]:
    """Mechanics whose name begins so in one of its words, with the jobs in which they wrote last."""
    wanted = typed.strip().lower()
    found = []
    for key, name in mechanic_names(session).items():
        if not any(f" {name} ".lower()[i:].startswith(f" {wanted}") for i in range(len(name) + 1)):
            continue
        jobs: dict[str, None] = {}
        for table in (t.Fact, t.Entry, t.Act):
            rows = session.scalars(
                select(table.job_id).where(table.mechanic_id == key).order_by(table.at.desc()).limit(200)
            )
            jobs.update(dict.fromkeys(rows))
        units = _units(session, set(jobs))
        found += [
            FoundView(
                what="mechanic",
                job_id=job,
                tag=units[job].tag,
                title=name,
                words=f"wrote on {units[job].tag}",
                to=f"/jobs/{job}",
                closed=units[job].closed,
            )
            for job in list(jobs)[:8]
        ]
    return found
