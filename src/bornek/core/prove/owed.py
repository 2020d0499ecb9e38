"""What a unit owes: work put off in its jobs and not done since, carried into the next."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from bornek.core.facts.closed import Closed
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.kind import Fact
from bornek.core.facts.proved import Proved
from bornek.core.parts.days import is_late

CARRIED = "owed:"
"""How a point of a later job begins that answers work put off before."""


@dataclass(frozen=True)
class Owed:
    """`fact` by which it was put off, in `job`; `at` the day of that."""

    fact: str
    job: str
    what: str
    why: str
    who: str
    until: str
    by: str
    at: str
    point: str = ""

    @property
    def key(self) -> str:
        return f"{CARRIED}{self.fact}"

    def late(self, today: str) -> bool:
        return is_late(self.until, today)


def owed_of(jobs: Sequence[tuple[str, Sequence[Fact]]], done: Collection[str]) -> list[Owed]:
    """What is still owed by one unit, what is due first in front. `jobs`: each by its id with its facts, in their order;
    `done`: facts that were answered without a job.

    >>> put_off = Fact("d", "deferred", "", Deferred("Guard bolt", "not in store", "Jun", "2026-12-01"), seq=3)
    >>> [o.what for o in owed_of([("j", [put_off])], done=())], owed_of([("j", [put_off])], done={"d"})
    (['Guard bolt'], [])
    """
    answered = set(done)
    owed: list[Owed] = []
    for job, facts in jobs:
        last: dict[str, str] = {}
        for f in facts:
            body = f.body
            if isinstance(body, Deferred):
                if body.point.startswith(CARRIED):
                    answered.add(body.point.removeprefix(CARRIED))
                if body.point:
                    answered |= {last[body.point]} if body.point in last else set()
                    last[body.point] = f.id
                owed.append(
                    Owed(f.id, job, body.what, body.why, body.who, body.until, f.by, f.at[:10], body.point)
                )
            elif isinstance(body, Proved) and body.how == "seen":
                answered |= {body.point.removeprefix(CARRIED), last.get(body.point, "")}
            elif isinstance(body, Closed):
                answered |= set(body.done)
    return sorted((o for o in owed if o.fact not in answered), key=lambda o: (o.until, o.what))
