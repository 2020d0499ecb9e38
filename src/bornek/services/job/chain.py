"""The chain over a job's rows: each hash stands on the one before, so that nothing can be changed unseen.

hash_n = SHA-256(hash_{n−1} ‖ canonical JSON of row n), over every row with a seq, by ids and never by names.
It proves that nothing was changed after the file was made, if its end was kept elsewhere.
"""

from __future__ import annotations

import hashlib
import json
from collections.abc import Mapping
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t

FROM_ELSEWHERE = (t.Mechanic, t.Gauge, t.GaugeCard, t.Component)
CHAINED = (t.Entry, t.Act, t.Fact, t.ComponentStay, t.Attachment)
BY_SETTING = (t.GivenRevision, t.Explanation, t.Signature)
NAMED_BY_ID = ("mechanic_id", "gauge_id", "gauge_card_id", "component_id")
LATER = ("gauge_card_id", "trace")
"""Columns that came after chains were made: a row that has nothing there is hashed as it was."""
START = ""
END_LETTERS = 20
"""So many of the last hash are printed on the build sheet."""


def job_chain(session: Session, job_id: str, through: int | None = None) -> str:
    """The hash of the job's last row, or of the last row up to seq `through`; empty without rows."""
    links = [link for seq, link in job_links(session, job_id) if through is None or seq <= through]
    return links[-1] if links else START


def job_links(session: Session, job_id: str) -> list[tuple[int, str]]:
    """The hash at each row, with its seq."""
    links, link = [], START
    for row in _rows(session, job_id):
        text = json.dumps(row, sort_keys=True, separators=(",", ":"), ensure_ascii=False)
        link = hashlib.sha256((link + text).encode()).hexdigest()
        links.append((int(row["seq"]), link))
    return links


def _rows(session: Session, job_id: str) -> list[dict[str, Any]]:
    """Every row of the job that carries a seq, in its order; an act with what it did to the adjusters."""
    settings = select(t.Setting.id).where(t.Setting.job_id == job_id)
    names = _at_home(session)
    rows = [
        _plain(row, names)
        for table in CHAINED
        for row in session.scalars(select(table).where(table.job_id == job_id))
    ]
    rows += [
        _plain(row, names)
        for table in BY_SETTING
        for row in session.scalars(select(table).where(table.setting_id.in_(settings)))
    ]
    knobs: dict[str, list[dict[str, Any]]] = {}
    acts = select(t.Act.id).where(t.Act.job_id == job_id)
    for knob in session.scalars(select(t.ActKnob).where(t.ActKnob.act_id.in_(acts)).order_by(t.ActKnob.id)):
        knobs.setdefault(knob.act_id, []).append(_plain(knob, names))
    for row in rows:
        if row["table"] == "act":
            row["knobs"] = knobs.get(row["id"], [])
    return sorted(rows, key=lambda r: (r["seq"], r["table"], r["id"]))


def home_id(session: Session, key: str) -> str:
    """The id of a mechanic where the rows were written."""
    who = session.get(t.Mechanic, key)
    return (who.known_as if who else None) or key


def _at_home(session: Session) -> dict[str, str]:
    """Ids that were taken here, by what they are where the rows were written: the chain is over those."""
    return {
        row.id: row.known_as
        for table in FROM_ELSEWHERE
        for row in session.execute(select(table.id, table.known_as).where(table.known_as.is_not(None)))
    }


def _plain(row: Any, names: Mapping[str, str]) -> dict[str, Any]:
    found: dict[str, Any] = {"table": row.__tablename__}
    for column in row.__table__.columns:
        value = getattr(row, row.__mapper__.get_property_by_column(column).key)
        if column.key in NAMED_BY_ID:
            value = names.get(value, value)
        if value is not None or column.key not in LATER:
            found[column.key] = value.isoformat() if isinstance(value, datetime) else value
    return found
