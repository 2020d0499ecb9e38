"""Unit types: made, copied, edited. An edit is a new revision; a begun job keeps its own copy."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError, StaleVersion
from bornek.core.keys import check_id
from bornek.core.plain import dump
from bornek.core.units.checks import check_definition, questions
from bornek.core.units.definition import read_definition
from bornek.core.units.settle_keys import key_from, settle_keys
from bornek.services.desk import Desk, digest
from bornek.store import tables as t


@dataclass(frozen=True)
class SerialPart:
    """A part that has its own serial."""

    key: str
    label: str


@dataclass(frozen=True)
class TypePoint:
    """A setting of a type, and of which kind it is."""

    key: str
    label: str
    kind: str


@dataclass(frozen=True)
class UnitTypeView:
    """The newest revision of a unit type; `id` is the revision's."""

    id: str
    type_id: str
    name: str
    number: int
    settings: list[str]
    parts: int
    serial_parts: list[SerialPart]
    gauges: list[str]
    points: list[TypePoint]


def define_type(desk: Desk, type_id: str, name: str, definition: dict[str, Any]) -> t.UnitTypeRevision:
    """A unit type and its first, immutable revision; or the next one, if the definition changed."""
    check_id(type_id, "type_id")
    check_definition(read_definition(definition))
    kind = desk.session.get(t.UnitType, type_id)
    if kind is None:
        desk.session.add(t.UnitType(id=type_id, name=name))
    else:
        kind.name = name
    desk.session.flush()
    last = last_revision(desk.session, type_id)
    sha = digest(definition)
    if last is not None and last.sha256 == sha:
        return last
    number = last.number + 1 if last else 1
    revision = t.UnitTypeRevision(
        id=f"{type_id}.{number}", unit_type_id=type_id, number=number, definition=definition, sha256=sha
    )
    desk.session.add(revision)
    desk.session.flush()
    return revision


def new_type(desk: Desk, sent: dict[str, Any]) -> str:
    """sent: name, definition. A type under a key made from its name; returns the key."""
    key = key_from(sent["name"], set(desk.session.scalars(select(t.UnitType.id))), "unit")
    save_type(desk, key, {**sent, "seen": 0})
    return key


def save_type(desk: Desk, type_id: str, sent: dict[str, Any]) -> None:
    """sent: name, definition, seen (the revision number that was edited; 0 for a new type). Rows that have no
    key of their own yet get it from their names.

    Raises InputError with the questions when a limit's words and numbers disagree, StaleVersion when
    somebody else saved a newer revision.
    """
    desk.mechanic()
    last = last_revision(desk.session, type_id)
    if (last.number if last else 0) != sent["seen"]:
        newest = last.number if last else 0
        raise StaleVersion(
            f"Revision {newest} of this type is there already; you edited {sent['seen']}.",
            field="seen",
            next_step="Open the type again beside yours, or save yours under a new key.",
            details={
                "seen": sent["seen"],
                "version": newest,
                "yours": f"Your changes to revision {sent['seen']}",
                "theirs": [f"Revision {newest} was saved"],
            },
        )
    if not isinstance(sent["definition"], dict):
        raise InputError("The unit type has no definition.", field="definition")
    definition = settle_keys(sent["definition"])
    d = read_definition(definition)
    check_definition(d)
    asked = questions(d)
    if asked:
        raise InputError(
            asked[0].words,
            field=asked[0].path,
            next_step="Say which it is; nothing was stored.",
            details={"questions": dump(asked)},
        )
    define_type(desk, type_id, sent["name"], definition)


def list_unit_types(session: Session) -> list[dict[str, Any]]:
    """The newest revision of every type."""
    rows = session.execute(
        select(t.UnitType, t.UnitTypeRevision)
        .join(t.UnitTypeRevision, t.UnitTypeRevision.unit_type_id == t.UnitType.id)
        .order_by(t.UnitType.name, t.UnitTypeRevision.number)
    )
    newest = {kind.id: (kind, revision) for kind, revision in rows}
    shown: list[dict[str, Any]] = dump([_row(kind, revision) for kind, revision in newest.values()])
    return shown


def _row(kind: t.UnitType, revision: t.UnitTypeRevision) -> UnitTypeView:
    d = read_definition(revision.definition)
    return UnitTypeView(
        id=revision.id,
        type_id=kind.id,
        name=kind.name,
        number=revision.number,
        settings=[s.label for s in d.settings],
        parts=len(d.parts),
        serial_parts=[SerialPart(p.key, p.label) for p in d.parts if p.identity],
        gauges=sorted({s.gauge for s in d.settings if s.gauge}),
        points=[TypePoint(s.key, s.label, s.kind) for s in d.settings],
    )


def last_revision(session: Session, type_id: str) -> t.UnitTypeRevision | None:
    return session.scalars(
        select(t.UnitTypeRevision)
        .where(t.UnitTypeRevision.unit_type_id == type_id)
        .order_by(t.UnitTypeRevision.number.desc())
        .limit(1)
    ).one_or_none()
