"""A job's own definition grows: what was begun stays, parts, places and settings are added."""

from __future__ import annotations

from typing import Any

from bornek.core.errors import InputError, StaleVersion
from bornek.core.plain import dump
from bornek.core.units.checks import check_definition, questions
from bornek.core.units.definition import Definition, read_definition
from bornek.core.units.settle_keys import settle_keys
from bornek.core.units.told import ROW_WORDS
from bornek.services.desk import Desk
from bornek.services.job.index_job import index_job
from bornek.services.job.job_definition import definition_of
from bornek.services.job.receive_job import lay_out
from bornek.store.queries.jobs import open_job


def extend_job(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: definition, seen (the job's version). The unit type is not touched.

    Raises InputError for a definition that drops something or changes a setting already laid out.
    """
    desk.mechanic()
    job, unit = open_job(desk.session, job_id)
    if sent["seen"] != job.seq:
        raise StaleVersion(
            "Somebody else wrote on this job while you had it open.",
            field="seen",
            next_step="Look at the job again, then send yours.",
            details={"seen": sent["seen"], "version": job.seq, "yours": "Your additions", "theirs": []},
        )
    definition = settle_keys(sent["definition"])
    d = read_definition(definition)
    check_definition(d)
    _keeps(definition_of(job), d)
    asked = questions(d)
    if asked:
        raise InputError(
            asked[0].words,
            field=asked[0].path,
            next_step="Say which it is; nothing was stored.",
            details={"questions": dump(asked)},
        )
    job.definition = definition
    job.seq += 1
    desk.session.flush()
    lay_out(desk, job, unit.serial)
    index_job(desk.session, job_id)


def _keeps(before: Definition, after: Definition) -> None:
    for name in ("parts", "places", "settings", "meshes"):
        kept = {row.key for row in getattr(after, name)}
        gone = [row for row in getattr(before, name) if row.key not in kept]
        if gone:
            raise InputError(
                f"The {ROW_WORDS[name]} “{gone[0].label}” is in use in this job.",
                field=name,
                next_step="Keep it (undo), and add beside it.",
            )
    old = {s.key: s for s in before.settings}
    for s in after.settings:
        if s.key in old and (s.kind, s.place) != (old[s.key].kind, old[s.key].place):
            raise InputError(
                f"{s.label}: a setting that is laid out keeps its kind and its place.",
                field="settings",
                next_step="Add another setting; what is given can be changed on its own page.",
            )
