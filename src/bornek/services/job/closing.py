"""What stands against closing a job."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.core.facts.locked_out import LockedOut
from bornek.core.parts.holds import open_holds
from bornek.core.strip.ledger import open_items
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t


def close_blockers(session: Session, job: t.Job) -> list[str]:
    """What stands against closing, in words."""
    facts = facts_of(session, job.id)
    blockers = [f"{i.what}, dropped at {i.where}, is not accounted for" for i in open_items(facts)]
    if job.stands == "field" and not any(isinstance(f.body, LockedOut) for f in facts):
        blockers.append("it stands in the field and no lock-out is written down")
    blockers += [f"hold not cleared: {h.words}" for h in open_holds(facts)]
    return blockers
