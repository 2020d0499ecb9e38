"""Hours by stage, as far as what was written down tells: the gaps between entries on one job, none longer than a pause."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, timedelta

LONGEST_GAP = timedelta(minutes=30)
"""A longer gap was something else: a pause, another job, a night."""
FIRST = timedelta(minutes=5)
"""What the first entry after a pause took."""


def hours_by_stage(events: Sequence[tuple[datetime, str]]) -> dict[str, float]:
    """Hours [h] of each stage from the moments at which something was written on it. An estimate: hands that write
    nothing are not seen.

    >>> at = lambda minute: datetime(2026, 11, 23, 8, minute)
    >>> hours_by_stage([(at(0), "strip"), (at(20), "strip"), (at(25), "set")])
    {'strip': 0.42, 'set': 0.08}
    """
    found: dict[str, timedelta] = {}
    last: datetime | None = None
    for at, stage in sorted(events):
        gap = at - last if last is not None and at - last <= LONGEST_GAP else FIRST
        found[stage] = found.get(stage, timedelta()) + gap
        last = at
    return {stage: round(spent.total_seconds() / 3600, 2) for stage, spent in found.items()}
