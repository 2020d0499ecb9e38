"""Who lived where: gear sets, rotors and bearings that came and went over the visits of a unit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy.orm import Session

from bornek.core.parts.orders import order_lines
from bornek.services.job.job_definition import definition_of
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.queries.units import later_stays, stays_of_unit
from bornek.store.queries.yard import local_day


@dataclass(frozen=True)
class Lived:
    """One stay: from which visit to which (by its number from 0, the last −1 where it is still in), what it is called,
    where it came from and went to."""

    since: int
    until: int
    label: str
    came: str
    went: str


@dataclass(frozen=True)
class Dwelling:
    """A place of a part with all that lived there."""

    part: str
    label: str
    stays: list[Lived]


def dwellings(session: Session, unit: t.Unit, jobs: Sequence[t.Job]) -> list[Dwelling]:
    """Parts with a serial first, then those that were had new."""
    return [*_serials(session, unit, jobs), *_new_parts(session, jobs)]


def _serials(session: Session, unit: t.Unit, jobs: Sequence[t.Job]) -> list[Dwelling]:
    number = {job.id: n for n, job in enumerate(jobs)}
    by_part: dict[str, list[tuple[int, t.Component, t.ComponentStay]]] = {}
    for stay, component, job in stays_of_unit(session, unit.id):
        rows = by_part.setdefault(stay.part_key, [])
        if rows and rows[-1][0] == number[job.id]:
            rows.pop()
        rows.append((number[job.id], component, stay))
    found = []
    for part, rows in by_part.items():
        d = definition_of(jobs[rows[-1][0]])
        changes = [r for i, r in enumerate(rows) if i == 0 or rows[i - 1][1].id != r[1].id]
        stays = []
        for i, (since, component, stay) in enumerate(changes):
            until = changes[i + 1][0] if i + 1 < len(changes) else -1
            came = next((row["tag"] for row in stay.history), "")
            went = _went(session, unit, component, jobs[since]) if until >= 0 else ""
            stays.append(Lived(since, until, component.serial, came, went))
        found.append(Dwelling(part, d.label_of(part) or part, stays))
    return found


def _went(session: Session, unit: t.Unit, component: t.Component, since: t.Job) -> str:
    return next(
        (
            other.tag
            for job, other in later_stays(session, component.id, unit.id)
            if job.opened_at >= since.opened_at
        ),
        "",
    )


def _new_parts(session: Session, jobs: Sequence[t.Job]) -> list[Dwelling]:
    came: dict[str, list[tuple[int, str]]] = {}
    labels: dict[str, str] = {}
    for n, job in enumerate(jobs):
        d = definition_of(job)
        for line in order_lines(d, facts_of(session, job.id), job.length_unit):
            part = d.part(line.part)
            if line.state != "received" or line.what != "order" or part is None or part.identity:
                continue
            rows = came.setdefault(line.part, [])
            labels[line.part] = part.label
            if not rows or rows[-1][0] != n:
                rows.append((n, f"{local_day(session, job.opened_at).year}, {line.number}"))
    found = []
    for part_key, news in came.items():
        changes = [(0, "first"), *news] if news[0][0] > 0 else news
        stays = [
            Lived(
                since,
                changes[i + 1][0] if i + 1 < len(changes) else -1,
                words,
                "",
                "replaced" if i + 1 < len(changes) else "",
            )
            for i, (since, words) in enumerate(changes)
        ]
        found.append(Dwelling(part_key, labels[part_key], stays))
    return found
