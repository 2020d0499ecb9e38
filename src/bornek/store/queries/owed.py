"""Work that was put off, over the jobs of a unit or of the yard."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import BindParameter, bindparam, exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t
from bornek.store.once import read_once

_UNIT_ID: BindParameter[str] = bindparam("unit_id")
_later = aliased(t.Fact)
_OWE = (
    select(t.Job.unit_id)
    .join(t.Fact, t.Fact.job_id == t.Job.id)
    .where(t.Fact.fact_kind == bindparam("owing"))
)
_OWING = (
    select(t.Fact, t.Job, t.Unit)
    .join(t.Job, t.Job.id == t.Fact.job_id)
    .join(t.Unit, t.Unit.id == t.Job.unit_id)
    .where(
        t.Job.unit_id.in_(_OWE),
        t.Fact.fact_kind.in_(bindparam("kinds", expanding=True)),
        ~t.Fact.void,
        ~exists().where(_later.supersedes == t.Fact.id),
    )
    .order_by(t.Job.opened_at, t.Job.id, t.Fact.seq)
)
_OWING_ONE = _OWING.where(t.Job.unit_id == _UNIT_ID)
_ENTRIES = select(t.UnitEntry).order_by(t.UnitEntry.at, t.UnitEntry.id)
_ENTRIES_OF = _ENTRIES.where(t.UnitEntry.unit_id == _UNIT_ID)


def facts_of_owing(
    session: Session, owing: str, kinds: Sequence[str], unit_id: str = ""
) -> Sequence[tuple[t.Fact, t.Job, t.Unit]]:
    """Live facts of some kinds, in their order: of the units that have one of the kind `owing`, or of one of them."""
    wanted, of = (_OWING_ONE, {"unit_id": unit_id}) if unit_id else (_OWING, {})
    asked = {"owing": owing, "kinds": list(kinds), **of}
    return read_once(
        session,
        ("owing", owing, tuple(kinds), unit_id),
        lambda: [(fact, job, unit) for fact, job, unit in session.execute(wanted, asked)],
    )


def unit_entries(session: Session, unit_id: str = "") -> Sequence[t.UnitEntry]:
    """What was done on units without a job."""
    wanted, of = (_ENTRIES_OF, {"unit_id": unit_id}) if unit_id else (_ENTRIES, {})
    return read_once(session, ("unit entries", unit_id), lambda: session.scalars(wanted, of).all())
