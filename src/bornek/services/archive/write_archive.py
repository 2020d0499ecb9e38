"""A yard on its way out: every table whole, and every picture."""

from __future__ import annotations

import csv
import io
import json
import zipfile
from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import Any

from sqlalchemy import Table, select, text
from sqlalchemy.orm import Session

from bornek.services.archive.format import EDITION, FORMAT, archived
from bornek.services.desk import digest
from bornek.services.job.chain import END_LETTERS, job_chain
from bornek.services.strip.add_photo import Files
from bornek.store import tables as t
from bornek.store.queries.yard import the_yard

_STAMP = (1980, 1, 1, 0, 0, 0)
Row = dict[str, Any]


def write_archive(session: Session, files: Files) -> bytes:
    """The archive; the same yard gives the same bytes. `archive.json` says what is in it."""
    out = io.BytesIO()
    told: dict[str, Any] = {}
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for table in archived():
            rows = rows_of(session, table)
            told[table.name] = {"rows": len(rows), "sha256": digest(rows)}
            _put(archive, f"tables/{table.name}.json", json.dumps(rows, ensure_ascii=False, indent=0))
            _put(archive, f"csv/{table.name}.csv", _csv(table, rows))
        names = sorted(pictures_of(session))
        for name in names:
            _put(archive, f"files/{name}", files.get(name) or b"")
        body = {
            "format": FORMAT,
            "edition": EDITION,
            "store": store_edition(session),
            "yard": the_yard(session).name,
            "tables": told,
            "files": len(names),
            "jobs": {key: job_chain(session, key)[:END_LETTERS] for key in _jobs(session)},
        }
        _put(archive, "archive.json", json.dumps(body | {"end": end_of(body)}, ensure_ascii=False, indent=1))
    return out.getvalue()


def end_of(body: Mapping[str, Any]) -> str:
    """The code of an archive: over what it says of its tables and of the ends of its jobs."""
    return digest([body["tables"], body["jobs"]])[:END_LETTERS]


def store_edition(session: Session) -> str:
    """Which edition of the tables these are."""
    return str(session.execute(text("SELECT version_num FROM alembic_version")).scalar_one())


def rows_of(session: Session, table: Table) -> list[Row]:
    """Every row of a table by its own order: what was given a number by that, else by its key."""
    order = [table.c[name] for name in ("job_id", "seq") if name in table.c] + list(table.primary_key.columns)
    return [
        {c.key: _plain(value) for c, value in zip(table.c, row, strict=True)}
        for row in session.execute(select(table).order_by(*order))
    ]


def pictures_of(session: Session) -> set[str]:
    """Names under which pictures and their small ones are kept."""
    blobs = session.scalars(select(t.Blob)).all()
    return {str(b.file or b.sha256) for b in blobs} | {b.thumb for b in blobs}


def _jobs(session: Session) -> Sequence[str]:
    return session.scalars(select(t.Job.id).order_by(t.Job.id)).all()


def _plain(value: Any) -> Any:
    return value.isoformat() if isinstance(value, datetime) else value


def _csv(table: Table, rows: Sequence[Row]) -> str:
    """The same rows for a spreadsheet; what has parts stands as JSON."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([c.key for c in table.c])
    for row in rows:
        writer.writerow(
            [json.dumps(v, ensure_ascii=False) if isinstance(v, dict | list) else v for v in row.values()]
        )
    return out.getvalue()


def _put(archive: zipfile.ZipFile, name: str, data: str | bytes) -> None:
    archive.writestr(zipfile.ZipInfo(name, _STAMP), data, zipfile.ZIP_DEFLATED)
