"""Before it runs: tools and people clear, guards back on, and the lock-out off last, by whoever hung it."""

from __future__ import annotations

from dataclasses import replace

from bornek.core.facts.lock_off import LockOff
from bornek.core.facts.locked_out import LockedOut, locks_hung
from bornek.core.prove.point import ProvePoint, looked_at
from bornek.core.prove.stands import JobStands

CLEAR, GUARDS, LOCK = "ready:clear", "ready:guards", "ready:lock"


def runs_here(job: JobStands) -> bool:
    """Whether it will run before it leaves: in its place in the field, or run in on a stand."""
    return job.stands == "field" or bool(job.d.run_in)


def ready_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.units.definition import Definition
    >>> [p.key for p in ready_points(JobStands(Definition(), [], "field"))]
    ['ready:clear', 'ready:guards', 'ready:lock']
    >>> ready_points(JobStands(Definition(), [], "bench"))
    []
    """
    if not runs_here(job):
        return []
    hung_at = max((f.seq for f in job.facts if isinstance(f.body, LockedOut)), default=0)
    handled = max([hung_at, *job.touched.values()])
    found = [
        looked_at(
            job,
            ProvePoint(
                CLEAR,
                "ready",
                "Tools and people clear",
                "tools counted, nobody in reach, all told?",
                must=True,
            ),
            since=handled,
        ),
        looked_at(
            job,
            ProvePoint(GUARDS, "ready", "Guards back on", "every guard on, every bolt in?", must=True),
            since=handled,
        ),
    ]
    if job.stands == "field":
        found.append(_lock(job))
    return found


def _lock(job: JobStands) -> ProvePoint:
    hung = locks_hung(job.facts)
    point = ProvePoint(LOCK, "ready", "Lock-out off, last of all", "", must=True)
    if hung:
        names = ", ".join(dict.fromkeys(f.by or "nobody named" for f in hung))
        return replace(point, here=True, words=f"hung by {names}: who hung it takes it off", fact=hung[0].id)
    off = next((f for f in reversed(job.facts) if isinstance(f.body, LockOff)), None)
    if off is None:
        return replace(point, words="no lock-out is written down", to="/strip?zone=found")
    return replace(point, state="done", words="off", by=off.by)
