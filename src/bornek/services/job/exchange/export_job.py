"""A job on its way out: its rows as they are kept, ids, times and actors, and its pictures."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.facts.registry import find_fact_kind
from bornek.services.desk import digest
from bornek.services.job.exchange.format import EDITION, FORMAT, NOT_SENT
from bornek.services.strip.add_photo import Files
from bornek.services.strip.facts_of import core_fact
from bornek.store import tables as t
from bornek.store.queries.gauge_cards import card_id, last_card
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.shop_lists import live_look_fors
from bornek.store.queries.yard import the_yard

_STAMP = (1980, 1, 1, 0, 0, 0)


def export_job(session: Session, job_id: str, files: Files) -> bytes:
    """The exchange file of a job, its photos under files/ by their hash; the same job gives the same bytes."""
    rows = {name: [_row(x) for x in found] for name, found in _of_job(session, job_id).items()}
    body = {
        "format": FORMAT,
        "edition": EDITION,
        "yard": the_yard(session).name,
        "sha256": digest(rows),
        "rows": rows,
    }
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(
            zipfile.ZipInfo("job.json", _STAMP),
            json.dumps(body, ensure_ascii=False, indent=1),
            zipfile.ZIP_DEFLATED,
        )
        for sha in sorted({kept_under(b) for b in rows["blob"]}):
            archive.writestr(zipfile.ZipInfo(f"files/{sha}", _STAMP), files.get(sha) or b"")
    return out.getvalue()


def kept_under(blob: Mapping[str, Any]) -> str:
    """The hash under which a picture's bytes lie: its own, unless it was drawn anew when it came in."""
    return str(blob.get("file") or blob["sha256"])


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
    cards = {e.gauge_card_id for e in entries} | {
        card_id(key, last_card(session, key)) for key in gauges if key
    }
    by_card = _all(session, t.GaugeCard, t.GaugeCard.id.in_(cards))
    return {
        "mechanic": _all(
            session, t.Mechanic, t.Mechanic.id.in_({x.mechanic_id for x in (*signed, *by_card)})
        ),
        "look_for": sorted(own, key=lambda r: str(r.id)),
        "gauge": _all(session, t.Gauge, t.Gauge.id.in_(gauges)),
        "gauge_card": by_card,
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
        if column.key in NOT_SENT.get(thing.__tablename__, ()):
            continue
        value = getattr(thing, thing.__mapper__.get_property_by_column(column).key)
        row[column.key] = value.isoformat() if isinstance(value, datetime) else value
    return row
