"""Unit types: made, copied, edited, exchanged. An edit is a new revision; a begun job keeps its own copy."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import BornekError, InputError, NotFound, NotSolved, StaleVersion
from bornek.core.keys import check_id
from bornek.core.plain import dump
from bornek.core.scenes import Section
from bornek.core.section.draw_section import HEIGHT, WIDTH, draw_section
from bornek.core.settings.kind import Setting
from bornek.core.settings.registry import kinds
from bornek.core.units.checks import LimitQuestion, check_definition, questions
from bornek.core.units.definition import EDITION, Definition, read_definition
from bornek.core.units.known import known_words
from bornek.core.units.part_kinds import PART_KINDS
from bornek.services.desk import Desk, digest
from bornek.services.plan.overruled import overruled_needs
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


@dataclass(frozen=True)
class TypeSheet:
    """A unit type opened: its newest definition, how it draws, what it must be asked. `overruled`: needs that jobs of
    this type overruled, with their reasons: proposals for its next revision. `known`: by setting, what it need not be
    told."""

    type_id: str
    name: str
    number: int
    definition: dict[str, Any]
    section: Section
    questions: list[LimitQuestion]
    problems: dict[str, str]
    revisions: list[int]
    kinds: list[list[str]]
    setting_kinds: list[list[str]]
    known: dict[str, str]
    overruled: list[str]


FORMAT = "bornek-unit-type"
READS = tuple(range(1, EDITION + 1))
"""Editions of a file that are read: what an earlier one lacks has its default."""


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
    last = _last(desk.session, type_id)
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


def save_type(desk: Desk, type_id: str, sent: dict[str, Any]) -> None:
    """sent: name, definition, seen (the revision number that was edited; 0 for a new type).

    Raises InputError with the questions when a limit's words and numbers disagree, StaleVersion when
    somebody else saved a newer revision.
    """
    desk.mechanic()
    last = _last(desk.session, type_id)
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
    d = read_definition(sent["definition"])
    check_definition(d)
    asked = questions(d)
    if asked:
        raise InputError(
            asked[0].words,
            field=asked[0].path,
            next_step="Say which it is; nothing was stored.",
            details={"questions": dump(asked)},
        )
    define_type(desk, type_id, sent["name"], sent["definition"])


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


def view_type(session: Session, type_id: str) -> dict[str, Any]:
    kind, last = session.get(t.UnitType, type_id), _last(session, type_id)
    if kind is None or last is None:
        raise NotFound(
            f"No unit type has the key {type_id!r}.",
            field="type_id",
            next_step="Choose one of the yard's unit types.",
        )
    numbers = session.scalars(
        select(t.UnitTypeRevision.number)
        .where(t.UnitTypeRevision.unit_type_id == type_id)
        .order_by(t.UnitTypeRevision.number)
    )
    return _sheet(
        type_id, kind.name, last.number, last.definition, list(numbers), overruled_needs(session, type_id)
    )


def preview_type(definition: dict[str, Any]) -> dict[str, Any]:
    """How a definition would draw, and what does not hold yet; nothing is stored."""
    return _sheet("", "", 0, definition, [])


def _sheet(
    type_id: str,
    name: str,
    number: int,
    definition: dict[str, Any],
    revisions: list[int],
    overruled: Sequence[str] = (),
) -> dict[str, Any]:
    problems: dict[str, str] = {}
    section = Section("Section", WIDTH, HEIGHT, ())
    d = Definition()
    try:
        d = read_definition(definition)
        check_definition(d)
        section = draw_section(d, name or "Section")
    except NotSolved as error:
        problems["parts"] = error.message
    except BornekError as error:
        problems.update(error.details.get("fields", {"": error.message}))
    sheet = TypeSheet(
        type_id=type_id,
        name=name,
        number=number,
        definition=definition,
        section=section,
        questions=questions(d),
        problems=problems,
        known={s.key: known_words(d, s) for s in d.settings},
        revisions=revisions,
        kinds=[[key, kind.label] for key, kind in PART_KINDS.items()],
        setting_kinds=[[k.id, k.title] for k in kinds() if isinstance(k, Setting)],
        overruled=list(overruled),
    )
    shown: dict[str, Any] = dump(sheet)
    return shown


def export_type(session: Session, type_id: str) -> dict[str, Any]:
    """The exchange form of a unit type (docs/unit-types.md)."""
    view = view_type(session, type_id)
    return {
        "format": FORMAT,
        "edition": EDITION,
        "key": type_id,
        "name": view["name"],
        "revision": view["number"],
        "definition": view["definition"],
    }


def import_type(desk: Desk, sent: Any) -> str:
    """Takes a unit type's file in: as a new type, or as the next revision of the one of that key; returns the key."""
    desk.mechanic()
    if not isinstance(sent, dict) or sent.get("format") != FORMAT or sent.get("edition") not in READS:
        raise InputError(
            "This is not a unit type's file of this edition.",
            field="file",
            next_step="Choose a file that Bornek exported; docs/unit-types.md has its schema.",
        )
    key, name = sent.get("key"), sent.get("name")
    if not isinstance(key, str) or not isinstance(name, str) or not key or not name:
        raise InputError("The file names no key or no name.", field="key")
    last = _last(desk.session, key)
    seen = last.number if last else 0
    save_type(desk, key, {"name": name, "definition": sent.get("definition"), "seen": seen})
    return key


def _last(session: Session, type_id: str) -> t.UnitTypeRevision | None:
    return session.scalars(
        select(t.UnitTypeRevision)
        .where(t.UnitTypeRevision.unit_type_id == type_id)
        .order_by(t.UnitTypeRevision.number.desc())
        .limit(1)
    ).one_or_none()
