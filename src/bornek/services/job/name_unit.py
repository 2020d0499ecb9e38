"""A unit that was begun as something on the bench is named: tag, serial, name, and its type if the yard has it."""

from __future__ import annotations

from typing import Any

from sqlalchemy import select

from bornek.core.errors import InputError, NotFound
from bornek.core.facts.named import UNNAMED, Named, NamedKind
from bornek.core.facts.registry import body_of
from bornek.core.units.definition import SettingPoint, read_definition
from bornek.services.desk import Desk
from bornek.services.job.index_job import index_job
from bornek.services.strip.append_fact import append_fact
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job, settings_of


def name_unit(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, tag, name, serial, revision (of a unit type, may be empty), setting (that type's own, may be empty),
    words.

    What is signed stays as signed; the memory of the type takes it from then on. Raises InputError where the tag
    hangs on another machine, or the type's setting is of another kind.
    """
    desk.mechanic()
    job, unit = open_job(desk.session, job_id)
    if unit.serial != UNNAMED:
        raise InputError(
            f"This unit has its name: {unit.tag}, serial {unit.serial}.",
            field="serial",
            next_step="What was received is corrected on Receive.",
        )
    other = desk.session.scalars(
        select(t.Unit).where(t.Unit.tag == sent["tag"], t.Unit.id != unit.id)
    ).one_or_none()
    if other is not None:
        raise InputError(
            f"Tag {sent['tag']} hangs on {other.name}, serial {other.serial}.",
            field="tag",
            next_step="Take another tag, or check the serial on the plate.",
        )
    was = _called(unit)
    kind, point = _type_of(desk, sent)
    named = point and _take_over(desk, job, point)
    unit.tag, unit.name, unit.serial = sent["tag"], sent["name"], sent["serial"]
    if kind is not None:
        unit.unit_type_id = kind.id
    body = Named(was, _called(unit), kind.name if kind else "", named or "", sent.get("words", ""))
    append_fact(desk, job, sent["id"], NamedKind.key, "", body_of(body))
    desk.session.flush()
    index_job(desk.session, job_id)


def _called(unit: t.Unit) -> str:
    return f"{unit.tag} {unit.name}, serial {unit.serial}"


def _type_of(desk: Desk, sent: dict[str, Any]) -> tuple[t.UnitType | None, SettingPoint | None]:
    if not sent.get("revision"):
        return None, None
    revision = desk.session.get(t.UnitTypeRevision, sent["revision"])
    kind = desk.session.get(t.UnitType, revision.unit_type_id) if revision else None
    if revision is None or kind is None:
        raise NotFound(f"No unit type revision {sent['revision']!r}.", field="revision")
    points = {s.key: s for s in read_definition(revision.definition).settings}
    if sent.get("setting") and sent["setting"] not in points:
        raise InputError(
            f"{kind.name} has no setting {sent['setting']!r}.",
            field="setting",
            next_step=f"Choose one of: {', '.join(points) or 'none'}.",
        )
    return kind, points.get(sent.get("setting", ""))


def _take_over(desk: Desk, job: t.Job, point: SettingPoint) -> str:
    """The setting on the bench is the type's own from now on: it counts for that one's memory."""
    (mine,) = settings_of(desk.session, job.id)
    if mine.kind != point.kind:
        raise InputError(
            f"{point.label} is set otherwise than this was: {point.kind} there, {mine.kind} here.",
            field="setting",
            next_step="Choose the setting of the type that this one was, or none.",
        )
    mine.remembered_as = point.key
    return point.label
