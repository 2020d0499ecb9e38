"""The chain over a job's rows: each hash stands on the one before, so that nothing can be changed unseen.

hash_n = SHA-256(hash_{n−1} ‖ canonical JSON of row n), over every row with a seq, by ids and never by names.
It proves that nothing was changed after the file was made, if its end was kept elsewhere.
"""

from __future__ import annotations

import hashlib
import json
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t

CHAINED = (t.Entry, t.Act, t.Fact, t.ComponentStay, t.Attachment)
BY_SETTING = (t.GivenRevision, t.Explanation, t.Signature)
START = ""


def job_chain(session: Session, job_id: str, through: int | None = None) -> str:
    """The hash of the job's last row, or of the last row up to seq `through`; empty without rows."""
    link = START
    for row in _rows(session, job_id):
        if through is None or row["seq"] <= through:
            text = json.dumps(row, sort_keys=True, separators=(",", ":"), ensure_ascii=False)
            link = hashlib.sha256((link + text).encode()).hexdigest()
    return link


def _rows(session: Session, job_id: str) -> list[dict[str, Any]]:
    """Every row of the job that carries a seq, in its order; an act with what it did to the adjusters."""
    settings = select(t.Setting.id).where(t.Setting.job_id == job_id)
    rows = [
        _plain(row)
        for table in CHAINED
        for row in session.scalars(select(table).where(table.job_id == job_id))
    ]
    rows += [
        _plain(row)
        for table in BY_SETTING
        for row in session.scalars(select(table).where(table.setting_id.in_(settings)))
    ]
    knobs: dict[str, list[dict[str, Any]]] = {}
    acts = select(t.Act.id).where(t.Act.job_id == job_id)
    for knob in session.scalars(select(t.ActKnob).where(t.ActKnob.act_id.in_(acts)).order_by(t.ActKnob.id)):
        knobs.setdefault(knob.act_id, []).append(_plain(knob))
    for row in rows:
        if row["table"] == "act":
            row["knobs"] = knobs.get(row["id"], [])
    return sorted(rows, key=lambda r: (r["seq"], r["table"], r["id"]))


def _plain(row: Any) -> dict[str, Any]:
    found: dict[str, Any] = {"table": row.__tablename__}
    for column in row.__table__.columns:
        value = getattr(row, row.__mapper__.get_property_by_column(column).key)
        found[column.key] = value.isoformat() if isinstance(value, datetime) else value
    return found
