"""A unit comes in: a job with its own copy of the type's definition, parts, places and settings."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy import select

from bornek.core.errors import InputError, NotFound
from bornek.core.plain import dump
from bornek.core.schools import read_schools
from bornek.core.settings.given import read_given
from bornek.core.settings.registry import find_kind
from bornek.core.units.definition import Definition, SettingPoint
from bornek.core.units.known import given_of
from bornek.core.units.limits import choose_limit, spell_lengths
from bornek.services.desk import Desk
from bornek.services.job.components import identify
from bornek.services.job.index_job import index_job
from bornek.services.job.job_definition import definition_of
from bornek.store import tables as t

BASES = ("new parts", "worn matched parts")


def receive_job(desk: Desk, sent: dict[str, Any]) -> t.Job:
    """sent: id, unit {id, tag, name, serial}, revision, complaint, known, stands, basis, schools, gauges,
    serials {part: serial}, length_unit, bench, waits_for. Raises InputError for what does not hold.
    """
    desk.mechanic()
    revision = desk.session.get(t.UnitTypeRevision, sent["revision"])
    if revision is None:
        raise NotFound(f"No unit type revision {sent['revision']!r}.", field="revision")
    check_gauges(desk, sent.get("gauges", []))
    unit = desk.session.get(t.Unit, sent["unit"]["id"])
    if unit is None:
        unit = t.Unit(**sent["unit"], unit_type_id=revision.unit_type_id)
        desk.session.add(unit)
        desk.session.flush()
    job = t.Job(
        id=sent["id"],
        unit_id=unit.id,
        unit_type_revision_id=revision.id,
        definition=revision.definition,
        complaint=sent.get("complaint", ""),
        known=sent.get("known", ""),
        stands=sent.get("stands", "bench"),
        basis=sent.get("basis", BASES[0]),
        gauges=sent.get("gauges", []),
        length_unit=sent.get("length_unit", "mm"),
        schools=read_schools(sent.get("schools", {})),
        bench=sent.get("bench", ""),
        waits_for=sent.get("waits_for", ""),
        opened_at=desk.now,
        seq=0,
    )
    desk.session.add(job)
    desk.session.flush()
    lay_out(desk, job, unit.serial)
    identify(desk, job, sent.get("serials", {}))
    index_job(desk.session, job.id)
    return job


def check_gauges(desk: Desk, gauges: Sequence[str]) -> None:
    """Raises InputError for a gauge that the shop does not have."""
    for gauge in gauges:
        if desk.session.get(t.Gauge, gauge) is None:
            raise InputError(
                f"No gauge {gauge!r} is registered.",
                field="gauges",
                next_step="Choose from the gauges there are, or write its card first.",
            )


def lay_out(desk: Desk, job: t.Job, serial: str) -> None:
    """Rows for the parts, places and settings of the job's definition that have none yet."""
    d, session = definition_of(job), desk.session
    there = {
        table: set(session.scalars(select(table.key).where(table.job_id == job.id)))
        for table in (t.Part, t.Place, t.Setting)
    }
    session.add_all(
        t.Part(
            id=f"{job.id}.{p.key}",
            job_id=job.id,
            key=p.key,
            label=p.label,
            part_kind=p.part_kind,
            number=p.number,
            count=p.count,
            position=position,
        )
        for position, p in enumerate(d.parts)
        if p.key not in there[t.Part]
    )
    session.add_all(
        t.Place(id=f"{job.id}.{p.key}", job_id=job.id, key=p.key, label=p.label, shim_form=p.shim_form)
        for p in d.places
        if p.key not in there[t.Place]
    )
    session.flush()
    for position, s in enumerate(d.settings):
        if s.key not in there[t.Setting]:
            _add_setting(desk, job, d, s, position, serial)


def _add_setting(desk: Desk, job: t.Job, d: Definition, s: SettingPoint, position: int, serial: str) -> None:
    kind = find_kind(s.kind)
    if d.place(s.place) is None:
        raise InputError(f"Setting {s.key!r} stands at an unknown place {s.place!r}.", field="place")
    limit = choose_limit(s.limits, serial, job.basis) if s.limits else None
    given = given_of(d, s, kind, limit)
    if job.length_unit != "mm":
        given = spell_lengths(kind, given, "mm")
    read_given(kind, given, job.length_unit)
    gauge = gauge_for(desk, job, s)
    setting_id = f"{job.id}.{s.key}"
    desk.session.add(
        t.Setting(
            id=setting_id,
            job_id=job.id,
            place_id=f"{job.id}.{s.place}",
            key=s.key,
            label=s.label,
            kind=kind.id,
            kind_version=kind.version,
            gauge_id=gauge,
            rests_on=list(s.rests_on),
            position=position,
        )
    )
    desk.session.flush()
    job.seq += 1
    desk.session.add(
        t.GivenRevision(
            id=f"{setting_id}.given.1",
            setting_id=setting_id,
            seq=job.seq,
            given=dump(given),
            kind_version=kind.version,
            mechanic_id=desk.mechanic().id,
            at=desk.now,
        )
    )
    desk.session.add(t.Round(id=f"{setting_id}.1", setting_id=setting_id, number=1, act_id=None))
    desk.session.flush()


def gauge_for(desk: Desk, job: t.Job, s: SettingPoint) -> str | None:
    """The type's gauge if the job uses it or names none; else the job's own; one that is not here is left out."""
    wanted = s.gauge if not job.gauges or s.gauge in job.gauges else str(job.gauges[0])
    return wanted if wanted and desk.session.get(t.Gauge, wanted) is not None else None
