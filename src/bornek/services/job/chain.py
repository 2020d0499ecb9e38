"""The chain over a job's rows: each hash stands on the one before, so that nothing can be changed unseen.

hash_n = SHA-256(hash_{n−1} ‖ canonical JSON of row n), over every row with a seq, by ids and never by names.
It proves that nothing was changed after the file was made, if its end was kept elsewhere.
"""

from __future__ import annotations

import hashlib
import json
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

from sqlalchemy import BindParameter, Select, bindparam, select, union_all
from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import get_held, read_once

FROM_ELSEWHERE = (t.Mechanic, t.Gauge, t.GaugeCard, t.Component)
CHAINED = (t.Entry, t.Act, t.Fact, t.ComponentStay, t.Attachment)
BY_SETTING = (t.GivenRevision, t.Explanation, t.Signature)
NAMED_BY_ID = ("mechanic_id", "gauge_id", "gauge_card_id", "component_id")
LATER = ("gauge_card_id", "trace")
"""Columns that came after chains were made: a row that has nothing there is hashed as it was."""
_JOB_ID: BindParameter[str] = bindparam("job_id")


def _columns(table: Any) -> Select[Any]:
    """A row of plain values: thousands are read, and none of them is written on."""
    by_column = table.__mapper__.get_property_by_column
    return select(*(getattr(table, by_column(column).key) for column in table.__table__.columns))


_SETTINGS = select(t.Setting.id).where(t.Setting.job_id == _JOB_ID)
_ROWS = {table: _columns(table).where(table.job_id == _JOB_ID) for table in CHAINED} | {
    table: _columns(table).where(table.setting_id.in_(_SETTINGS)) for table in BY_SETTING
}
_KNOBS = (
    _columns(t.ActKnob)
    .where(t.ActKnob.act_id.in_(select(t.Act.id).where(t.Act.job_id == _JOB_ID)))
    .order_by(t.ActKnob.id)
)
_AT_HOME = union_all(
    *(select(table.id, table.known_as).where(table.known_as.is_not(None)) for table in FROM_ELSEWHERE)
)
START = ""
END_LETTERS = 20
"""So many of the last hash are printed on the build sheet."""


def job_chain(session: Session, job_id: str, through: int | None = None) -> str:
    """The hash of the job's last row, or of the last row up to seq `through`; empty without rows."""
    links = [link for seq, link in job_links(session, job_id) if through is None or seq <= through]
    return links[-1] if links else START


def job_links(session: Session, job_id: str) -> list[tuple[int, str]]:
    """The hash at each row, with its seq."""
    return read_once(session, ("links", job_id), lambda: _links(session, job_id))


def _links(session: Session, job_id: str) -> list[tuple[int, str]]:
    links, link = [], START
    for row in _rows(session, job_id):
        text = json.dumps(row, sort_keys=True, separators=(",", ":"), ensure_ascii=False)
        link = hashlib.sha256((link + text).encode()).hexdigest()
        links.append((int(row["seq"]), link))
    return links


def _rows(session: Session, job_id: str) -> list[dict[str, Any]]:
    """Every row of the job that carries a seq, in its order; an act with what it did to the adjusters."""
    names = _at_home(session)
    rows = [
        _plain(table, row, names)
        for table, statement in _ROWS.items()
        for row in session.execute(statement, {"job_id": job_id})
    ]
    knobs: dict[str, list[dict[str, Any]]] = {}
    for touched in session.execute(_KNOBS, {"job_id": job_id}):
        knob = _plain(t.ActKnob, touched, names)
        knobs.setdefault(knob["act_id"], []).append(knob)
    for row in rows:
        if row["table"] == "act":
            row["knobs"] = knobs.get(row["id"], [])
    return sorted(rows, key=lambda r: (r["seq"], r["table"], r["id"]))


def home_id(session: Session, key: str) -> str:
    """The id of a mechanic where the rows were written."""
    who = get_held(session, t.Mechanic, key)
    return (who.known_as if who else None) or key


def _at_home(session: Session) -> dict[str, str]:
    """Ids that were taken here, by what they are where the rows were written: the chain is over those."""
    return read_once(
        session, "known as", lambda: {row.id: str(row.known_as) for row in session.execute(_AT_HOME)}
    )


def _plain(table: Any, row: Iterable[Any], names: Mapping[str, str]) -> dict[str, Any]:
    found: dict[str, Any] = {"table": table.__tablename__}
    for key, value in zip(table.__table__.columns.keys(), row, strict=True):
        if key in NAMED_BY_ID:
            value = names.get(value, value)
        if value is not None or key not in LATER:
            found[key] = value.isoformat() if isinstance(value, datetime) else value
    return found
