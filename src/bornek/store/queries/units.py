"""Units with their jobs, in the order in which they came in."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from bornek.core.errors import NotFound
from bornek.store import tables as t
from bornek.store.once import read_once

_JOBS = select(t.Job).where(t.Job.unit_id == bindparam("unit_id")).order_by(t.Job.opened_at, t.Job.id)


def find_unit(session: Session, unit_id: str) -> t.Unit:
    found = session.get(t.Unit, unit_id)
    if found is None:
        raise NotFound(f"No unit has the id {unit_id!r}.", field="unit_id", next_step="Go back to the board.")
    return found


def jobs_of_unit(session: Session, unit_id: str) -> Sequence[t.Job]:
    return read_once(
        session, ("jobs of", unit_id), lambda: session.scalars(_JOBS, {"unit_id": unit_id}).all()
    )


def units_of_type(session: Session, unit_type_id: str, but: str) -> Sequence[str]:
    """Other units of a type that came at least twice: only those can have worn."""
    return session.scalars(
        select(t.Unit.id)
        .join(t.Job, t.Job.unit_id == t.Unit.id)
        .where(t.Unit.unit_type_id == unit_type_id, t.Unit.id != but)
        .group_by(t.Unit.id)
        .having(func.count() > 1)
        .order_by(t.Unit.id)
    ).all()


def stays_of_unit(session: Session, unit_id: str) -> list[tuple[t.ComponentStay, t.Component, t.Job]]:
    """Every component that was named in the unit's jobs, in their order."""
    rows = session.execute(
        select(t.ComponentStay, t.Component, t.Job)
        .join(t.Component, t.Component.id == t.ComponentStay.component_id)
        .join(t.Job, t.Job.id == t.ComponentStay.job_id)
        .where(t.Job.unit_id == unit_id)
        .order_by(t.Job.opened_at, t.ComponentStay.seq)
    )
    return [(stay, component, job) for stay, component, job in rows]


def later_stays(session: Session, component_id: str, unit_id: str) -> list[tuple[t.Job, t.Unit]]:
    """Where else a component was, in order of time."""
    rows = session.execute(
        select(t.Job, t.Unit)
        .join(t.ComponentStay, t.ComponentStay.job_id == t.Job.id)
        .join(t.Unit, t.Unit.id == t.Job.unit_id)
        .where(t.ComponentStay.component_id == component_id, t.Unit.id != unit_id)
        .order_by(t.Job.opened_at)
    )
    return [(job, unit) for job, unit in rows]
