"""A unit comes in: a job with its own copy of the type's definition, places and settings."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError, NotFound
from bornek.core.settings.given import read_given
from bornek.core.settings.registry import find_kind
from bornek.services.desk import Desk, digest
from bornek.store import tables as t


def define_type(desk: Desk, type_id: str, name: str, definition: dict[str, Any]) -> t.UnitTypeRevision:
    """A unit type and its first, immutable revision."""
    desk.session.add(t.UnitType(id=type_id, name=name))
    revision = t.UnitTypeRevision(id=f"{type_id}.1", unit_type_id=type_id, number=1,
                                  definition=definition, sha256=digest(definition))  # fmt: skip
    desk.session.flush()
    desk.session.add(revision)
    desk.session.flush()
    return revision


def receive_job(desk: Desk, sent: dict[str, Any]) -> t.Job:
    """sent: id, unit {id, tag, name, serial}, revision, complaint, length_unit, bench, waits_for."""
    who = desk.mechanic()
    revision = desk.session.get(t.UnitTypeRevision, sent["revision"])
    if revision is None:
        raise NotFound(f"No unit type revision {sent['revision']!r}.", field="revision")
    unit = desk.session.get(t.Unit, sent["unit"]["id"])
    if unit is None:
        unit = t.Unit(**sent["unit"], unit_type_id=revision.unit_type_id)
        desk.session.add(unit)
        desk.session.flush()
    job = t.Job(
        id=sent["id"], unit_id=unit.id, unit_type_revision_id=revision.id, definition=revision.definition,
        complaint=sent.get("complaint", ""), length_unit=sent.get("length_unit", "mm"),
        schools=sent.get("schools", {}), bench=sent.get("bench", ""),
        waits_for=sent.get("waits_for", ""), opened_at=desk.now, seq=0,
    )  # fmt: skip
    desk.session.add(job)
    desk.session.flush()
    places = {}
    for p in revision.definition["places"]:
        places[p["key"]] = t.Place(id=f"{job.id}.{p['key']}", job_id=job.id, **p)
        desk.session.add(places[p["key"]])
    desk.session.flush()
    for position, s in enumerate(revision.definition["settings"]):
        _add_setting(desk, job, places, s, position, who.id)
    return job


def _add_setting(
    desk: Desk, job: t.Job, places: dict[str, t.Place], s: dict[str, Any], position: int, who: str
) -> None:
    kind = find_kind(s["kind"])
    if s["place"] not in places:
        raise InputError(f"Setting {s['key']!r} stands at an unknown place {s['place']!r}.", field="place")
    read_given(kind, s["given"], job.length_unit)
    setting_id = f"{job.id}.{s['key']}"
    desk.session.add(
        t.Setting(id=setting_id, job_id=job.id, place_id=places[s["place"]].id, key=s["key"],
                  label=s["label"], kind=kind.id, kind_version=kind.version, gauge_id=s.get("gauge"),
                  rests_on=s.get("rests_on", []), position=position)
    )  # fmt: skip
    desk.session.flush()
    job.seq += 1
    desk.session.add(
        t.GivenRevision(id=f"{setting_id}.given.1", setting_id=setting_id, seq=job.seq,
                        given=s["given"], mechanic_id=who, at=desk.now)
    )  # fmt: skip
    desk.session.add(t.Round(id=f"{setting_id}.1", setting_id=setting_id, number=1, act_id=None))
    desk.session.flush()
