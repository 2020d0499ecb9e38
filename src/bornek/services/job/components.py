"""Gear sets, bearings and rotors with a serial: known again in another housing, with their baseline."""

from __future__ import annotations

import uuid
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.facts.registry import find_fact_kind
from bornek.core.parts.disturbed import other_serial
from bornek.core.parts.inspection import Beside, inspect, verdict_words
from bornek.core.parts.verdicts import School, may_not_go_back
from bornek.core.plain import dump
from bornek.core.schools import read_schools
from bornek.services.desk import Desk
from bornek.services.job.index_job import component_row
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.disturb import disturb
from bornek.services.shop.mechanics import mechanic_names
from bornek.services.shop.shop_lists import own_look_fors
from bornek.services.strip.facts_of import core_fact, facts_of
from bornek.store import tables as t
from bornek.store.queries.facts import earlier_stays, live_facts, stays_of
from bornek.store.queries.yard import local_day
from bornek.store.search import add_rows


@dataclass(frozen=True)
class Stay:
    """Where a component was, what it ran with there; `verdict` what was said of it there, `condemned` why it may
    not go in again, whatever the reason."""

    tag: str
    unit_name: str
    serial: str
    opened: str
    words: list[str]
    verdict: str = ""
    condemned: str = ""


@dataclass(frozen=True)
class ComponentView:
    part: str
    label: str
    serial: str
    stays: list[Stay]


def identify(desk: Desk, job: t.Job, serials: Mapping[str, str]) -> None:
    """Writes which component is which part of this job: part key → serial."""
    who, d = desk.mechanic(), definition_of(job)
    known = stays_of(desk.session, job.id)
    for key, typed in serials.items():
        serial = typed.strip()
        part = d.part(key)
        if not serial:
            continue
        if part is None or not part.identity:
            raise InputError(
                f"{key!r} is not a part with a serial of its own.",
                field="serials",
                next_step="Parts with a serial: "
                + (", ".join(p.key for p in d.parts if p.identity) or "none")
                + ".",
            )
        if key in known and known[key][1].serial == serial:
            continue
        component = desk.session.scalars(
            select(t.Component).where(t.Component.part_kind == part.part_kind, t.Component.serial == serial)
        ).one_or_none()
        if component is None:
            made = uuid.uuid5(uuid.NAMESPACE_OID, f"{part.part_kind}/{serial}")
            component = t.Component(id=str(made), part_kind=part.part_kind, serial=serial, label=part.label)
            desk.session.add(component)
            desk.session.flush()
        job.seq += 1
        desk.session.add(
            t.ComponentStay(
                id=f"{job.id}.stay.{job.seq}",
                component_id=component.id,
                job_id=job.id,
                part_key=key,
                history=_history(desk.session, component, job),
                seq=job.seq,
                mechanic_id=who.id,
                at=desk.now,
            )
        )
        desk.session.flush()
        add_rows(desk.session, [component_row(job.id, key, component)])
        if key in known:
            changed = other_serial(d, key, known[key][1].serial, serial)
            disturb(desk, job, f"{job.id}.stay.{job.seq}", [changed] if changed else [])


def components_of(session: Session, job: t.Job) -> list[ComponentView]:
    """Every part with a serial of its own, and where it was before with what it ran with there."""
    here = stays_of(session, job.id)
    shown = []
    for part in definition_of(job).parts:
        if part.identity:
            stay, component = here.get(part.key, (None, None))
            history = [Stay(**row) for row in stay.history] if stay else []
            shown.append(ComponentView(part.key, part.label, component.serial if component else "", history))
    return shown


def condemned_parts(session: Session, job: t.Job) -> dict[str, str]:
    """Parts of a job that are condemned by what was found on them in another housing: why, in words."""
    found = {}
    for key, (stay, _) in stays_of(session, job.id).items():
        said = next((w for row in stay.history if (w := row.get("condemned", ""))), "")
        if said:
            found[key] = said
    return found


def condemned_words(session: Session, job: t.Job) -> list[str]:
    """Parts that came in and may not go in again, said where the work begins."""
    d = definition_of(job)
    return [
        f"{d.label_of(key)} may not go in again: {why}." for key, why in condemned_parts(session, job).items()
    ]


def _judged(session: Session, job: t.Job, unit: t.Unit, part_key: str) -> tuple[str, str]:
    """What was said of a part in a job: the verdict gone by, and why it may not go back whatever the reason."""
    d = definition_of(job)
    part = d.part(part_key)
    if part is None:
        return "", ""
    school: School = "B" if read_schools(job.schools)["reuse"] == "B" else "A"
    before = Beside(condemned=condemned_parts(session, job).get(part_key, ""))
    found = inspect(
        d, part, facts_of(session, job.id), own_look_fors(session), before, school, job.length_unit
    )
    why = may_not_go_back(part, replace(found.basis, seal=""), school)
    if why and not before.condemned:
        why = f"{unit.tag}, {local_day(session, job.opened_at).isoformat()}: {why}"
    return (verdict_words(found) if found.chosen else ""), before.condemned or why


def _history(session: Session, component: t.Component, job: t.Job) -> list[dict[str, Any]]:
    """Where it was before this job, newest first; frozen with the stay, so that it travels along."""
    names = mechanic_names(session)
    rows: list[dict[str, Any]] = dump(
        [
            Stay(
                unit.tag,
                unit.name,
                unit.serial,
                local_day(session, before.opened_at).isoformat(),
                _ran_with(session, before, stay.part_key, names),
                *_judged(session, before, unit, stay.part_key),
            )
            for stay, before, unit in earlier_stays(session, component.id, job.id)
        ]
    )
    return rows


def _ran_with(session: Session, job: t.Job, part_key: str, names: Mapping[str, str]) -> list[str]:
    """The baseline that a component takes along: signed settings that ride on it, packs, marks, witness."""
    d = definition_of(job)
    words = []
    meshes = {m.key for m in d.meshes if part_key in (m.driver, m.driven)}
    mates = {part_key} | {x for m in d.meshes if m.key in meshes for x in (m.driver, m.driven)}
    places = {p.key for p in d.places if p.at in meshes | mates}
    shafts = {p.shaft for p in d.parts if p.key in mates}
    places |= {p.key for p in d.places if (at := d.part(p.at)) is not None and at.shaft in shafts}
    for point in d.settings:
        if point.rides_on in mates or point.place in places:
            row = session.scalars(
                select(t.Signature)
                .where(t.Signature.setting_id == f"{job.id}.{point.key}")
                .order_by(t.Signature.seq.desc())
                .limit(1)
            ).one_or_none()
            if row is not None:
                words.append(f"{point.label}: {_signed(row.snapshot)}")
    subjects = meshes | mates | places
    for fact in live_facts(session, job.id):
        kind = find_fact_kind(fact.fact_kind)
        if fact.subject in subjects and kind.rides:
            label = d.label_of(fact.subject) or fact.subject
            words.append(f"{label}, as found: {kind.words(core_fact(fact, names).body)}")
    return words


def _signed(snapshot: Mapping[str, Any]) -> str:
    sheet = snapshot.get("sheet", {})
    strip = next((s for s in sheet.get("scenes", ()) if s.get("type") == "strip" and s.get("needle")), None)
    verdict = sheet.get("verdict", {}).get("words", "")
    return f"{strip['needle']['label']} {strip['unit']}, {verdict}" if strip else verdict
