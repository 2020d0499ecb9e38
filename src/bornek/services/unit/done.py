"""Work that was put off, done with the job closed: written on the unit itself."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError, NotFound
from bornek.services.desk import Desk, gone
from bornek.services.unit.owed import unit_owed
from bornek.store import tables as t


def write_done(desk: Desk, unit_id: str, sent: dict[str, Any]) -> None:
    """sent: id, fact (by which it was put off), words. Raises InputError for what an open job settles itself."""
    who = desk.mechanic()
    unit = desk.session.get(t.Unit, unit_id)
    if unit is None:
        raise NotFound(f"No unit has the id {unit_id!r}.", field="unit_id", next_step="Go back to the board.")
    owed = {o.fact: o for o in unit_owed(desk.session, unit_id, desk.today.isoformat())}
    row = owed.get(sent["fact"])
    if row is None:
        raise gone(0, "This is not owed any more: somebody did it, or struck it.", "fact")
    if row.open_job:
        raise InputError(
            f"The job of {unit.tag} is open: it is settled there.",
            field="fact",
            next_step="Say it under Prove.",
        )
    words = str(sent.get("words", "")).strip()
    if not words:
        raise InputError("Say what was done.", field="words", next_step="A few words are enough.")
    desk.session.add(
        t.UnitEntry(
            id=sent["id"], unit_id=unit_id, answers=row.fact, words=words, mechanic_id=who.id, at=desk.now
        )
    )
    desk.session.flush()
