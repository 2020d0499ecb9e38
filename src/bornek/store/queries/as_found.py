"""What was entered of a unit as it came, before anything was moved."""

from __future__ import annotations

from collections.abc import Collection
from typing import Any

from sqlalchemy import BindParameter, bindparam, select
from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import read_once

_JOB_ID: BindParameter[str] = bindparam("job_id")
_READ = (
    select(t.Setting.key)
    .join(t.Round, t.Round.setting_id == t.Setting.id)
    .join(t.Entry, t.Entry.round_id == t.Round.id)
    .where(t.Setting.job_id == _JOB_ID, t.Round.number == 1, ~t.Entry.void)
    .distinct()
)
_LAY = (
    select(t.ActKnob.after)
    .join(t.Act, t.Act.id == t.ActKnob.act_id)
    .where(
        t.Act.job_id == _JOB_ID,
        t.Act.act_kind == "as_found",
        t.ActKnob.place_id == bindparam("place_id"),
    )
    .order_by(t.Act.seq)
    .limit(1)
)


def read_as_found(session: Session, job_id: str) -> Collection[str]:
    """Keys of settings that have a reading in their first round."""
    return read_once(
        session, ("read as found", job_id), lambda: set(session.scalars(_READ, {"job_id": job_id}))
    )


def lay_as_found(session: Session, job_id: str, place: str) -> dict[str, Any] | None:
    """The state that was entered as found at a place; None where none was."""
    return session.scalars(_LAY, {"job_id": job_id, "place_id": f"{job_id}.{place}"}).first()
