"""A job out and in: a zip of job.json (rows by table), ids, times and actors kept."""

from __future__ import annotations

import hashlib
import io
import json
import zipfile
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

from sqlalchemy import DateTime, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.registry import find_fact_kind
from bornek.services.desk import digest
from bornek.services.job.exchange_two import from_edition_two
from bornek.services.job.index_job import index_job
from bornek.services.strip.add_photo import Files
from bornek.services.strip.facts_of import core_fact
from bornek.services.strip.images import MOST_BYTES, take_picture
from bornek.store import tables as t
from bornek.store.base import Base
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.shop_lists import live_look_fors

FORMAT = "bornek-job"
EDITION = 3
READS = (2, EDITION)
LIMIT_BYTES = 50_000_000
ORDER = ("mechanic", "look_for", "gauge", "unit_type", "unit_type_revision", "unit", "job", "part", "place", "setting",
         "given_revision", "act", "act_knob", "round", "entry", "proposal", "explanation", "signature",
         "shim_lot", "stock_movement", "fact", "component", "component_stay", "blob", "attachment")  # fmt: skip
SHARED = (
    "mechanic",
    "look_for",
    "gauge",
    "unit_type",
    "unit_type_revision",
    "unit",
    "shim_lot",
    "component",
    "blob",
)
_STAMP = (1980, 1, 1, 0, 0, 0)


def export_job(session: Session, job_id: str, files: Files) -> bytes:
    """The exchange file of a job, its photos under files/ by their hash; the same job gives the same bytes."""
    rows = {name: [_row(x) for x in found] for name, found in _of_job(session, job_id).items()}
    body = {"format": FORMAT, "edition": EDITION, "sha256": digest(rows), "rows": rows}
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(
            zipfile.ZipInfo("job.json", _STAMP),
            json.dumps(body, ensure_ascii=False, indent=1),
            zipfile.ZIP_DEFLATED,
        )
        for sha in _shas(rows["blob"]):
            archive.writestr(zipfile.ZipInfo(f"files/{sha}", _STAMP), files.get(sha) or b"")
    return out.getvalue()


def _shas(blobs: Iterable[dict[str, Any]]) -> list[str]:
    return sorted({sha for b in blobs for sha in (b["sha256"], b["thumb"])})


def import_job(session: Session, data: bytes, files: Files) -> str:
    """Takes an exchange file in; returns the job's id. What the yard already has is left alone.

    Raises InputError for a file that is not one, was changed, or holds a job that is here already.
    """
    rows = _read(data)
    jobs = rows["job"]
    if len(jobs) != 1:
        raise InputError("An exchange file holds one job.", field="file")
    if session.get(t.Job, jobs[0]["id"]) is not None:
        raise InputError(
            "This job is in the yard already.",
            field="file",
            next_step="Open it from the board; nothing was changed.",
        )
    tables = Base.metadata.tables
    _take_files(data, rows["blob"], files)
    try:
        for name in ORDER:
            for row in rows[name]:
                table = tables[name]
                if name in SHARED:
                    key = next(iter(table.primary_key.columns))
                    known = session.execute(select(key).where(key == row[key.name])).first()
                    if known is not None:
                        continue
                session.execute(table.insert().values(_typed(name, row)))
    except (IntegrityError, KeyError, TypeError, ValueError) as error:
        raise InputError(
            f"The exchange file does not hold together: {type(error).__name__}.",
            field="file",
            next_step="Export it again from where it came; nothing was taken in.",
        ) from error
    index_job(session, str(jobs[0]["id"]))
    return str(jobs[0]["id"])


def _take_files(data: bytes, blobs: list[dict[str, Any]], files: Files) -> None:
    """Keeps the photos of the file: each must be its own hash and a picture."""
    hint = "Export it again; nothing was taken in."
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        for sha in _shas(blobs):
            try:
                if archive.getinfo(f"files/{sha}").file_size > MOST_BYTES:
                    raise InputError(
                        "A photo in the exchange file is too large.", field="file", next_step=hint
                    )
                found = archive.read(f"files/{sha}")
            except (KeyError, zipfile.BadZipFile, OSError) as error:
                raise InputError(
                    "A photo is missing from the exchange file.", field="file", next_step=hint
                ) from error
            if hashlib.sha256(found).hexdigest() != sha:
                raise InputError("A photo was changed on the way.", field="file", next_step=hint)
            take_picture(found)
            files.put(found)


def _of_job(session: Session, job_id: str) -> dict[str, list[Any]]:
    job, unit = job_with_unit(session, job_id)
    settings = _all(session, t.Setting, t.Setting.job_id == job_id)
    ids = [s.id for s in settings]
    acts = _all(session, t.Act, t.Act.job_id == job_id)
    act_ids = [a.id for a in acts]
    entries = _all(session, t.Entry, t.Entry.job_id == job_id)
    by_setting = {
        table: _all(session, table, table.setting_id.in_(ids))
        for table in (t.GivenRevision, t.Round, t.Proposal, t.Explanation, t.Signature)
    }
    movements = _all(session, t.StockMovement, t.StockMovement.act_id.in_(act_ids))
    facts = _all(session, t.Fact, t.Fact.job_id == job_id)
    stays = _all(session, t.ComponentStay, t.ComponentStay.job_id == job_id)
    photos = _all(session, t.Attachment, t.Attachment.job_id == job_id)
    graded = {key for f in facts for key in _look_fors(f)}
    own = [r for r in live_look_fors(session) if r.key in graded and r.supersedes is None]
    signed: Iterable[Any] = [
        *own,
        *by_setting[t.GivenRevision],
        *acts,
        *entries,
        *by_setting[t.Explanation],
        *by_setting[t.Signature],
        *movements,
        *facts,
        *stays,
        *photos,
    ]
    gauges = {s.gauge_id for s in settings} | {e.gauge_id for e in entries}
    revision = session.get(t.UnitTypeRevision, job.unit_type_revision_id)
    types = {unit.unit_type_id, revision.unit_type_id if revision else unit.unit_type_id}
    return {
        "mechanic": _all(session, t.Mechanic, t.Mechanic.id.in_({x.mechanic_id for x in signed})),
        "look_for": sorted(own, key=lambda r: str(r.id)),
        "gauge": _all(session, t.Gauge, t.Gauge.id.in_(gauges)),
        "unit_type": _all(session, t.UnitType, t.UnitType.id.in_(types)),
        "unit_type_revision": [revision],
        "unit": [unit],
        "job": [job],
        "part": _all(session, t.Part, t.Part.job_id == job_id),
        "place": _all(session, t.Place, t.Place.job_id == job_id),
        "setting": settings,
        "given_revision": by_setting[t.GivenRevision],
        "act": acts,
        "act_knob": _all(session, t.ActKnob, t.ActKnob.act_id.in_(act_ids)),
        "round": by_setting[t.Round],
        "entry": sorted(entries, key=lambda e: e.seq),
        "proposal": by_setting[t.Proposal],
        "explanation": by_setting[t.Explanation],
        "signature": by_setting[t.Signature],
        "shim_lot": _all(session, t.ShimLot, t.ShimLot.id.in_({m.lot_id for m in movements})),
        "stock_movement": movements,
        "fact": sorted(facts, key=lambda f: f.seq),
        "component": _all(session, t.Component, t.Component.id.in_({s.component_id for s in stays})),
        "component_stay": stays,
        "blob": list(
            session.scalars(
                select(t.Blob).where(t.Blob.sha256.in_({p.sha256 for p in photos})).order_by(t.Blob.sha256)
            )
        ),
        "attachment": photos,
    }


def _look_fors(row: t.Fact) -> Mapping[str, str]:
    """The look-fors that a fact grades; the shop's own travel with it."""
    body = core_fact(row, {}).body
    return {} if isinstance(body, dict) else find_fact_kind(row.fact_kind).look_fors(body)


def _all(session: Session, table: Any, where: Any) -> list[Any]:
    return list(session.scalars(select(table).where(where).order_by(table.id)))


def _row(thing: Any) -> dict[str, Any]:
    row = {}
    for column in thing.__table__.columns:
        value = getattr(thing, thing.__mapper__.get_property_by_column(column).key)
        row[column.key] = value.isoformat() if isinstance(value, datetime) else value
    return row


def _typed(name: str, row: dict[str, Any]) -> dict[str, Any]:
    columns = Base.metadata.tables[name].columns
    if set(row) - set(columns.keys()):
        raise KeyError(name)
    return {
        key: datetime.fromisoformat(value) if value and _is_time(columns[key].type) else value
        for key, value in row.items()
    }


def _is_time(kind: Any) -> bool:
    return isinstance(getattr(kind, "impl", kind), DateTime)


def _read(data: bytes) -> dict[str, list[dict[str, Any]]]:
    hint = "Choose a file that Bornek exported."
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            if archive.getinfo("job.json").file_size > LIMIT_BYTES:
                raise InputError("The exchange file is too large.", field="file", next_step=hint)
            body = json.loads(archive.read("job.json"))
    except (zipfile.BadZipFile, KeyError, ValueError, OSError, NotImplementedError) as error:
        raise InputError("This is not an exchange file.", field="file", next_step=hint) from error
    if not isinstance(body, dict) or body.get("format") != FORMAT or body.get("edition") not in READS:
        raise InputError(
            f"This is not an exchange file of an edition that is read here ({', '.join(map(str, READS))}).",
            field="file",
            next_step=hint,
        )
    rows = body.get("rows")
    if not isinstance(rows, dict) or set(rows) != set(ORDER) or body.get("sha256") != digest(rows):
        raise InputError(
            "The exchange file was changed on the way.",
            field="file",
            next_step="Export it again; nothing was taken in.",
        )
    return rows if body["edition"] == EDITION else from_edition_two(rows)
