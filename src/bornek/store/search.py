"""The yard's search index: an FTS5 table beside the others, newest rows last.

Whoever writes something that can be looked for adds a row; `reindex` makes a job's rows afresh.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import text
from sqlalchemy.orm import Session

CREATE_INDEX = (
    "CREATE VIRTUAL TABLE search_index USING fts5("
    "words, what, job_id UNINDEXED, subject UNINDEXED, title UNINDEXED, tokenize='unicode61')"
)
FILL_FROM_JOBS = (
    "INSERT INTO search_index (words, what, job_id, subject, title) "
    "SELECT u.tag || ' ' || u.name || ' ' || u.serial || ' ' || j.complaint, 'job', j.id, '', u.tag || ' ' || u.name "
    "FROM job j JOIN unit u ON u.id = j.unit_id"
)
_LETTERS = re.compile(r"[^\W_]+")
_ADD = text(
    "INSERT INTO search_index (words, what, job_id, subject, title) VALUES (:words, :what, :job_id, :subject, :title)"
)
_FIND = text(
    "SELECT what, job_id, subject, title, words FROM search_index WHERE search_index MATCH :wanted "
    "ORDER BY rowid DESC LIMIT :most"
)


@dataclass(frozen=True)
class Found:
    what: str
    job_id: str
    subject: str
    title: str
    words: str


def add_rows(session: Session, rows: Sequence[Found]) -> None:
    if rows:
        session.execute(_ADD, [r.__dict__ for r in rows])


def forget_job(session: Session, job_id: str) -> None:
    session.execute(text("DELETE FROM search_index WHERE job_id = :job_id"), {"job_id": job_id})


def find_rows(session: Session, typed: str, most: int) -> list[Found]:
    """Rows that hold every word typed, each as the beginning of a word; units first, then newest first.

    A word with signs in it (W-17/3, TB-3310) is looked for as its letters and digits in that order.
    """
    words = [" ".join(_LETTERS.findall(w)) for w in typed.split()]
    wanted = " ".join(f'"{w}"*' for w in words if w)
    if not wanted:
        return []
    units = _find(session, f"words : ({wanted}) AND what : job", most)
    rest = _find(session, f"words : ({wanted}) NOT what : job", most - len(units))
    return [*units, *rest]


def _find(session: Session, wanted: str, most: int) -> list[Found]:
    return [Found(*row) for row in session.execute(_FIND, {"wanted": wanted, "most": most})]
