"""What comes after run-in: torques once more, hot settings, oil; what is not done then the unit owes."""

from __future__ import annotations

from bornek.core.facts.lock_off import LockOff
from bornek.core.facts.run_ended import RunEnded
from bornek.core.prove.point import ProvePoint, looked_at
from bornek.core.prove.ready import runs_here
from bornek.core.prove.running import RunLog
from bornek.core.prove.stands import JobStands
from bornek.core.units.prove import AGAIN_WORDS


def run_points(job: JobStands, log: RunLog) -> list[ProvePoint]:
    """Stages of run-in as points, and what is looked at while it runs.

    >>> from bornek.core.prove.running import RunLog
    >>> from bornek.core.units.definition import Definition
    >>> run_points(JobStands(Definition(), [], "bench"), RunLog())
    []
    """
    found = []
    for stage in log.stages:
        run = stage.run
        key, to = f"run:{stage.key}", "/prove?zone=run"
        if run is None:
            words = f"{stage.words}, {stage.minutes:g} min; limit {stage.limit} ({stage.source})"
            found.append(ProvePoint(key, "run", stage.label, words, to=to))
        elif run.state == "done":
            worst = run.worst
            words = worst.found.words if worst else "run to its end, no bearing read"
            found.append(ProvePoint(key, "run", stage.label, words, "done", to, by=run.by))
        elif run.state == "running":
            found.append(ProvePoint(key, "run", stage.label, "runs now", "waits", to, must=True))
        else:
            said = run.ended.body.words if run.ended else ""
            found.append(ProvePoint(key, "run", stage.label, f"stopped: {said}", "wrong", to, must=True))
    found += [
        looked_at(
            job,
            ProvePoint(
                f"own:{p.key}",
                "run",
                p.label,
                p.words or "looked at while it runs?",
                asks=("photo",) if p.photo else (),
                must=p.must,
            ),
        )
        for p in job.d.prove
        if p.when == "running"
    ]
    return found


def after_points(job: JobStands, log: RunLog) -> list[ProvePoint]:
    """What is due once it has run; under lock-out where the guards come off again."""
    if not runs_here(job) and not any(p.when == "after" for p in job.d.prove):
        return _changes(job)
    ran = max((f.seq for f in job.facts if isinstance(f.body, RunEnded | LockOff)), default=0)
    found = []
    for step in (p.step for p in job.order.steps) if job.order is not None else ():
        if step.again in ("cold", "hot") and job.order is not None and job.order.worked.in_place(step.key):
            words = "; ".join(x for x in (step.torque, AGAIN_WORDS[step.again]) if x)
            point = ProvePoint(f"torque:{step.key}", "after", step.label, words, locked=True)
            found.append(looked_at(job, point, step.parts, since=ran))
    found += [
        looked_at(
            job,
            ProvePoint(
                f"own:{p.key}",
                "after",
                p.label,
                p.words or "after run-in",
                asks=("photo",) if p.photo else (),
                locked=True,
                due_days=p.due_days,
            ),
            since=ran,
        )
        for p in job.d.prove
        if p.when == "after"
    ]
    return found + _changes(job)


def _changes(job: JobStands) -> list[ProvePoint]:
    """Oil that is changed after so many hours."""
    return [
        looked_at(
            job,
            ProvePoint(
                f"change:{oil.key}",
                "after",
                f"{oil.label}: change it",
                f"{oil.what}, after {oil.change_hours:g} h of running",
                asks=("amount",),
            ),
        )
        for oil in job.d.lubricant
        if oil.change_hours
    ]


def own_points(job: JobStands) -> list[ProvePoint]:
    """The type's own points before it is closed."""
    return [
        looked_at(
            job,
            ProvePoint(
                f"own:{p.key}",
                "inside",
                p.label,
                p.words or "looked at?",
                asks=("photo",) if p.photo else (),
                must=p.must,
            ),
            since=max(job.touched.values(), default=0),
        )
        for p in job.d.prove
        if p.when == "closed"
    ]
