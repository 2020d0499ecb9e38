"""Lubricant in, to its level; what cures or soaks is through."""

from __future__ import annotations

from bornek.core.build.standing import waits
from bornek.core.facts.removed import Removed
from bornek.core.prove.point import ProvePoint, looked_at
from bornek.core.prove.stands import JobStands
from bornek.core.units.step import WAIT_WORDS


def filled_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.units.definition import Definition
    >>> from bornek.core.units.prove import Lubricant
    >>> d = Definition(lubricant=(Lubricant("case", "Gear oil", "EP 220", "3.2 L", "to the lower plug"),))
    >>> filled_points(JobStands(d, [], "bench"))[0].words
    'EP 220; 3.2 L; to the lower plug. In?'
    """
    found = _waits(job)
    for oil in job.d.lubricant:
        words = "; ".join(x for x in (oil.what, oil.amount, oil.level) if x)
        point = ProvePoint(f"oil:{oil.key}", "filled", oil.label, f"{words}. In?", asks=("amount",), ways=())
        found.append(looked_at(job, point, since=_opened(job)))
    return found


def _opened(job: JobStands) -> int:
    """The last time that anything came off: what was filled in then may have run out."""
    return max((f.seq for f in job.facts if isinstance(f.body, Removed)), default=0)


def _waits(job: JobStands) -> list[ProvePoint]:
    if job.order is None or job.bench is None:
        return []
    return [
        ProvePoint(
            f"wait:{w.step}",
            "filled",
            job.order.label(w.step),
            "through" if w.over else f"{WAIT_WORDS[w.sort]} until {w.ready:%d %b %H:%M}",
            "done" if w.over else "waits",
            to=f"/plan/{w.step}",
        )
        for w in waits(job.order, job.bench).values()
    ]
