"""A unit comes in at the door: known by its serial, or new; a job is opened from its type."""

from __future__ import annotations

from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound
from bornek.core.plain import dump
from bornek.services.desk import Desk
from bornek.services.receive_job import receive_job
from bornek.services.view_board import view_job
from bornek.services.views import UnitTypeView
from bornek.store import tables as t


def list_unit_types(session: Session) -> list[dict[str, Any]]:
    """The newest revision of every type."""
    rows = session.execute(
        select(t.UnitType, t.UnitTypeRevision)
        .join(t.UnitTypeRevision, t.UnitTypeRevision.unit_type_id == t.UnitType.id)
        .order_by(t.UnitType.name, t.UnitTypeRevision.number)
    )
    newest = {kind.id: (kind, revision) for kind, revision in rows}
    shown: list[dict[str, Any]] = dump([
        UnitTypeView(revision.id, kind.name, revision.number,
                     [s["label"] for s in revision.definition["settings"]])
        for kind, revision in newest.values()
    ])  # fmt: skip
    return shown


def receive_unit(desk: Desk, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: id, revision, tag, name, serial, complaint, length_unit, bench, waits_for.

    A machine that was here before is known by type and serial and keeps its history, whatever its tag
    is now. Raises InputError when the tag hangs on another machine.
    """
    desk.mechanic()
    if desk.session.get(t.Job, sent["id"]) is not None:
        raise InputError("A job with this id is already open.", field="id")
    revision = desk.session.get(t.UnitTypeRevision, sent["revision"])
    if revision is None:
        raise NotFound(f"No unit type revision {sent['revision']!r}.", field="revision",
                       next_step="Choose one of the yard's unit types.")  # fmt: skip
    tagged = desk.session.scalars(select(t.Unit).where(t.Unit.tag == sent["tag"])).one_or_none()
    known = desk.session.scalars(
        select(t.Unit).where(t.Unit.serial == sent["serial"], t.Unit.unit_type_id == revision.unit_type_id)
    ).one_or_none()
    if tagged is not None and (known is None or known.id != tagged.id):
        raise InputError(
            f"Tag {sent['tag']} hangs on {tagged.name}, serial {tagged.serial}.",
            field="tag",
            next_step="Take another tag, or check the serial on the plate.",
        )
    unit = {"id": known.id if known else f"u-{sent['id']}", "tag": known.tag if known else sent["tag"],
            "name": sent["name"], "serial": sent["serial"]}  # fmt: skip
    receive_job(desk, {**sent, "unit": unit})
    return view_job(desk.session, sent["id"], desk.now.date())
