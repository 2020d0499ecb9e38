"""Something done at the last look: a point seen, a lock taken off, a stage of run-in begun, read, ended, work put off."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.deferred import DeferredKind
from bornek.core.facts.kind import Fact
from bornek.core.facts.lock_off import LockOffKind
from bornek.core.facts.locked_out import check_locked_out, locks_hung
from bornek.core.facts.proved import ProvedKind
from bornek.core.facts.registry import read_fact
from bornek.core.facts.run_begun import RunBegunKind
from bornek.core.facts.run_ended import RunEndedKind
from bornek.core.facts.run_read import RunReadKind
from bornek.core.prove.point import ProvePoint, told
from bornek.core.prove.ready import CLEAR, GUARDS, LOCK
from bornek.core.prove.running import Run, RunLog, check_start, run_log
from bornek.core.prove.sheet import ProveSheet
from bornek.core.units.definition import Definition
from bornek.services.desk import Desk
from bornek.services.job.job_definition import definition_of
from bornek.services.prove.load_prove import load_prove
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.write_fact import write_fact
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job
from bornek.store.queries.yard import local

Body = Mapping[str, Any]


@dataclass(frozen=True)
class _Look:
    """What an act is checked against, thought through as far as it is asked for: a temperature asks for the run alone."""

    desk: Desk
    job: t.Job

    @cached_property
    def sheet(self) -> ProveSheet:
        return load_prove(self.desk.session, self.job, local(self.desk.session, self.desk.now))

    @cached_property
    def facts(self) -> list[Fact]:
        return facts_of(self.desk.session, self.job.id)

    @cached_property
    def log(self) -> RunLog:
        return run_log(definition_of(self.job), self.facts)

    def point(self, body: Body) -> ProvePoint:
        """Raises InputError for a point that the list has not."""
        point = self.sheet.by_key.get(str(body.get("point", "")))
        if point is None:
            raise InputError(
                f"The list has no point {body.get('point')!r}.",
                field="point",
                next_step="Look at the page again.",
            )
        return point

    def run(self, body: Body) -> Run | None:
        return next((r for r in self.log.runs if r.id == body.get("run")), None)


def write_prove(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: as for write_fact, of this stage. What a point is called is written beside its key."""
    job, _ = open_job(desk.session, job_id)
    body = dict(sent.get("body") or {})
    check = _CHECKS.get(sent["kind"])
    if check is not None and not sent.get("void"):
        body |= check(_Look(desk, job), body)
    write_fact(desk, job_id, {**sent, "body": body}, stage="prove")


def _proved(look: _Look, body: Body) -> dict[str, Any]:
    point = look.point(body)
    how = body.get("how", "seen")
    if not point.here and how != "could_not":
        raise InputError(
            f"{point.label} is settled where it is written, not here.",
            field="point",
            next_step="Follow its way there.",
            details={"to": point.to},
        )
    if how == "could_not" and point.must:
        raise InputError(
            f"{point.label}: nobody releases over this. It cannot stay unchecked.",
            field="how",
            next_step="Make it so that it can be seen.",
        )
    if point.key == LOCK:
        raise InputError("A lock is taken off by its own act.", field="point", next_step="Use Lock off.")
    if point.key in (CLEAR, GUARDS) and how == "seen":
        _in_turn(look.sheet, point.key)
    elif point.locked and how == "seen":
        check_locked_out(look.job.stands, look.facts)
    if how == "seen":
        _said_whole(point, body)
    return {"label": point.label}


def _said_whole(point: ProvePoint, body: Body) -> None:
    """Everything that a point asks for is said: how, of how many, shown."""
    if "photo" in point.asks and not (body.get("photo") or str(body.get("words", "")).strip()):
        raise InputError(
            f"{point.label}: show it in a photo.",
            field="photo",
            next_step="Take one, or say why there is none.",
        )
    if "way" in point.asks and not str(body.get("way", "")).strip():
        raise InputError(
            f"{point.label}: say how.", field="way", next_step=f"One of: {', '.join(point.ways)}."
        )
    count = body.get("count")
    if "count" in point.asks and (count is None or (isinstance(count, int) and not 0 <= count <= point.most)):
        got = "nothing was said" if count is None else f"got {count}"
        raise InputError(
            f"{point.label}: of {point.most}, how many are made ({got})?",
            field="count",
            next_step=f"Count them: 0 to {point.most}.",
        )


def _in_turn(sheet: ProveSheet, key: str) -> None:
    """Guards go on when nobody reaches in any more."""
    if key == GUARDS and sheet.by_key[CLEAR].is_open:
        raise InputError(
            "Tools and people first: nobody may reach in when the guards go on.",
            field="point",
            next_step="Count the tools, see that everybody is clear, say so.",
        )


def _lock_off(look: _Look, body: Body) -> dict[str, Any]:
    """Last of all, and by whoever hung it."""
    lock = next((f for f in locks_hung(look.facts) if f.id == body.get("lock")), None)
    if lock is None:
        raise InputError(
            "This lock does not hang any more.", field="lock", next_step="Look at the page again."
        )
    for key in (CLEAR, GUARDS):
        point = look.sheet.by_key.get(key)
        if point is not None and point.is_open:
            raise InputError(
                f"The lock comes off last: {point.label.lower()} first.",
                field="lock",
                next_step="See to it, say so, then take the lock off.",
            )
    first = look.sheet.before_run
    if first:
        raise InputError(
            "The lock stays on: " + told(first) + ".",
            field="lock",
            next_step="Settle each, then take the lock off.",
        )
    _own_lock(look.desk, lock, body)
    return {"points": lock.body.points}


def _own_lock(desk: Desk, lock: Fact, body: Body) -> None:
    if lock.by and lock.by != desk.mechanic().name and not str(body.get("words", "")).strip():
        raise InputError(
            f"{lock.by} hung this lock: {lock.by} takes it off.",
            field="words",
            next_step=f"If {lock.by} cannot: say by whose authority it comes off, and that {lock.by} was told.",
        )


def _deferred(look: _Look, body: Body) -> dict[str, Any]:
    if not body.get("point"):
        return {}
    point = look.point(body)
    if point.must:
        raise InputError(
            f"{point.label}: nobody releases over this. It cannot be put off.",
            field="point",
            next_step="Settle it now.",
        )
    return {"what": str(body.get("what", "")).strip() or point.label}


def _begun(look: _Look, body: Body) -> dict[str, Any]:
    before = [*look.sheet.open_in("ready"), *look.sheet.before_run]
    if before:
        raise InputError(
            "It does not run yet: " + told(before) + ".",
            field="stage",
            next_step="Settle each first.",
        )
    stage = next((s for s in look.log.stages if s.key == body.get("stage")), None)
    filled = dict(body)
    if stage is not None:
        filled |= {
            "label": stage.label,
            "words": stage.words,
            "minutes": stage.minutes,
            "limit": stage.limit,
            "source": stage.source,
        }
    elif body.get("stage"):
        known = ", ".join(s.key for s in look.log.stages) or "none"
        raise InputError(
            f"No stage {body['stage']!r} is asked for here: {known}.",
            field="stage",
            next_step="Begin one of those, or a stage of your own by its name.",
        )
    refused = check_start(look.log, _read(RunBegunKind.key, filled))
    if refused:
        raise InputError(refused, field="hottest", next_step="Nothing was stored.")
    return filled


def _read_at(look: _Look, body: Body) -> dict[str, Any]:
    """A reading without a minute was taken now."""
    run = look.run(body)
    if run is not None and run.state != "running":
        raise InputError(f"{run.body.label} is ended.", field="run", next_step="Begin the next stage.")
    if run is None or body.get("minutes") is not None:
        return {}
    gone_by = local(look.desk.session, look.desk.now) - datetime.fromisoformat(run.at)
    return {"minutes": round(gone_by.total_seconds() / 60, 1)}


def _ended(look: _Look, body: Body) -> dict[str, Any]:
    run = look.run(body)
    if run is not None and run.state != "running":
        raise InputError(
            f"{run.body.label} is ended already.", field="run", next_step="Begin the next stage."
        )
    if run is not None and body.get("how") == "done" and run.must_stop:
        raise InputError(
            "It had to be stopped: it was not run to its end.",
            field="how",
            next_step="Write it down as stopped, and why.",
        )
    if run is not None and body.get("how") == "done" and run.worst is None:
        raise InputError(
            "No bearing was read in this stage.",
            field="how",
            next_step="Read each bearing at least once, or write it down as stopped.",
        )
    return {}


def _read(kind: str, body: Body) -> Any:
    return read_fact(kind, body, Definition())[1]


_CHECKS: dict[str, Callable[[_Look, Body], dict[str, Any]]] = {
    ProvedKind.key: _proved,
    LockOffKind.key: _lock_off,
    DeferredKind.key: _deferred,
    RunBegunKind.key: _begun,
    RunReadKind.key: _read_at,
    RunEndedKind.key: _ended,
}
