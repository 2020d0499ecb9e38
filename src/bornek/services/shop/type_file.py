"""A unit type's file: given out, taken in."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.units.definition import EDITION
from bornek.services.desk import Desk
from bornek.services.shop.type_sheet import view_type
from bornek.services.shop.unit_types import last_revision, save_type

FORMAT = "bornek-unit-type"
READS = tuple(range(1, EDITION + 1))
"""Editions of a file that are read: what an earlier one lacks has its default."""


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
    last = last_revision(desk.session, key)
    seen = last.number if last else 0
    save_type(desk, key, {"name": name, "definition": sent.get("definition"), "seen": seen})
    return key
