"""A unit comes in at the door: known by its serial, or new; a job is opened from its type."""

from __future__ import annotations

from typing import Any

from sqlalchemy import select

from bornek.core.errors import InputError, NotFound
from bornek.core.facts.hour_meter import HourMeterKind
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.services.shop.unit_types import define_type
from bornek.services.strip.write_fact import write_fact
from bornek.store import tables as t


def receive_unit(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: what receive_job takes, with tag, name and serial instead of unit; revision may be empty.

    Without a revision the job is begun from nothing: a new, empty type of its name, to be filled in.

    A machine that was here before is known by type and serial and keeps its history, whatever its tag
    is now. Raises InputError when the tag hangs on another machine.
    """
    desk.mechanic()
    if desk.session.get(t.Job, sent["id"]) is not None:
        raise InputError("A job with this id is already open.", field="id")
    if not sent["revision"]:
        sent = {**sent, "revision": define_type(desk, f"own-{sent['id']}"[:60], sent["name"], {}).id}
    revision = desk.session.get(t.UnitTypeRevision, sent["revision"])
    if revision is None:
        raise NotFound(
            f"No unit type revision {sent['revision']!r}.",
            field="revision",
            next_step="Choose one of the yard's unit types.",
        )
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
    unit = {
        "id": known.id if known else f"u-{sent['id']}",
        "tag": known.tag if known else sent["tag"],
        "name": sent["name"],
        "serial": sent["serial"],
    }
    receive_job(desk, {**sent, "unit": unit})
    if sent.get("hours"):
        body = {"when": "receiving", "read_on": desk.today.isoformat(), **sent["hours"]}
        write_fact(desk, sent["id"], {"id": f"{sent['id']}.hours", "kind": HourMeterKind.key, "body": body})
