"""The contact witness of a setting's mesh, as it was written down at Strip."""

from __future__ import annotations

from sqlalchemy.orm import Session

from bornek.core.facts.witness import Witness
from bornek.core.settings.records import Witnessed
from bornek.services.job.job_definition import definition_of
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t


def witness_as_found(session: Session, job: t.Job, place_key: str) -> Witnessed | None:
    """That of the mesh at this place; None where none was written down, or none is to be seen."""
    place = definition_of(job).place(place_key)
    for fact in reversed(facts_of(session, job.id)):
        if place is not None and isinstance(fact.body, Witness) and fact.body.mesh == place.at:
            return None if fact.body.none else Witnessed(fact.body.drive, fact.body.coast, fact.body.ran)
    return None
