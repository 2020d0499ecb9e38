"""One point of the last look: what it asks, how it stands, and who answered it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from bornek.core.facts.deferred import DeferredKind
from bornek.core.facts.kind import Fact
from bornek.core.facts.proved import Proved
from bornek.core.prove.stands import JobStands

Group = Literal["settled", "inside", "turned", "filled", "ready", "run", "after"]
GROUPS: dict[Group, str] = {
    "settled": "Settings and holds",
    "inside": "Before it is closed",
    "turned": "Turned by hand, under lock-out",
    "filled": "Oil, grease, cure",
    "ready": "Before it runs",
    "run": "Run-in",
    "after": "After run-in",
}
Leaf = Literal["closed", "run", "after"]
OWN_LEAF: dict[Group, Leaf] = {"run": "run", "after": "after"}
"""Groups with a leaf of their own; the others stand on the first."""
State = Literal["open", "again", "waits", "wrong", "could_not", "put_off", "done"]
CODES: dict[State, str] = {
    "open": "not_read",
    "again": "read_again",
    "waits": "not_read",
    "wrong": "out_high",
    "could_not": "not_proven",
    "put_off": "not_proven",
    "done": "in",
}
STATE_WORDS: dict[State, str] = {
    "open": "open",
    "again": "look again",
    "waits": "waits",
    "wrong": "not right",
    "could_not": "not checked",
    "put_off": "put off",
    "done": "done",
}
ANSWERED = frozenset({"could_not", "put_off", "done"})
Asked = Literal["way", "count", "amount", "photo"]


def leaf_of(group: Group) -> Leaf:
    """The leaf on which a group is looked at.

    >>> leaf_of("turned"), leaf_of("run")
    ('closed', 'run')
    """
    return OWN_LEAF.get(group, "closed")


@dataclass(frozen=True)
class ProvePoint:
    """`to`: what follows the job's address where it is settled; empty where it is looked at here, and then `asks`
    what is said besides. `ways`: what may be said of a way. `must`: nobody releases over it. `locked`: only under
    lock-out. `most`: of how many, where a count is asked for."""

    key: str
    group: Group
    label: str
    words: str
    state: State = "open"
    to: str = ""
    here: bool = False
    asks: tuple[Asked, ...] = ()
    ways: tuple[str, ...] = ()
    must: bool = False
    locked: bool = False
    by: str = ""
    fact: str = ""
    photo: str = ""
    due_days: float = 0
    most: int = 0

    @property
    def is_open(self) -> bool:
        return self.state not in ANSWERED

    @property
    def first(self) -> bool:
        """Whether it is settled before anybody releases: what must be, and a stage of run-in unless it was put off."""
        return self.must or (self.group == "run" and not self.here)

    @property
    def code(self) -> str:
        return CODES[self.state]

    @property
    def state_words(self) -> str:
        return STATE_WORDS[self.state]


def looked_at(job: JobStands, point: ProvePoint, parts: Sequence[str] = (), since: int = 0) -> ProvePoint:
    """A point that is looked at here, with what was said of it; gone by again when its parts were handled since.

    `since`: the seq of something else after which it must be looked at anew.
    """
    point = replace(point, here=True)
    after = max([since, *(job.touched.get(p, 0) for p in parts)])
    said, off = job.proved.get(point.key), job.put_off.get(point.key)
    if said is not None and (off is None or off.seq < said.seq or point.must):
        body: Proved = said.body
        told = replace(point, by=said.by, fact=said.id, photo=body.photo)
        if said.seq < after:
            return replace(told, state="again", words=f"handled since it was seen: {point.words}")
        if body.how == "seen":
            return replace(told, state="done", words=body.said or point.words)
        return replace(told, state="wrong" if body.how == "wrong" else "could_not", words=body.words)
    return put_off(job, point, after)


def put_off(job: JobStands, point: ProvePoint, after: int = 0) -> ProvePoint:
    """A point that was put off by its key, where nothing else settles it."""
    fact = job.put_off.get(point.key)
    if fact is None or fact.seq < after or point.must:
        return point
    return replace(point, state="put_off", words=_put_off_words(fact), by=fact.by, fact=fact.id)


def _put_off_words(fact: Fact) -> str:
    return DeferredKind().words(fact.body)


def spoken_off(job: JobStands, point: ProvePoint) -> ProvePoint:
    """A point that is settled elsewhere: put off, or said that it could not be checked, if nobody must."""
    if point.here or not point.is_open or point.must:
        return point
    said = job.proved.get(point.key)
    if said is not None and said.body.how == "could_not":
        return replace(point, state="could_not", words=said.body.words, by=said.by, fact=said.id)
    return put_off(job, point)


def left_words(point: ProvePoint) -> str:
    """How a point that is left open goes on the record: no question there.

    >>> left_words(ProvePoint("a", "inside", "Input seal", "lip to the oil, greased?", here=True))
    'Input seal: not looked at'
    """
    if point.here and point.state == "open" and point.words.endswith("?"):
        return f"{point.label}: not looked at"
    return f"{point.label}: {point.words.removesuffix('?').rstrip('.')}"


def told(points: Sequence[ProvePoint]) -> str:
    """Points with how each stands, in one run of words.

    >>> told([ProvePoint("a", "inside", "Breather", "clear?"), ProvePoint("b", "inside", "Pin", "not found.")])
    'Breather: clear?; Pin: not found'
    """
    return "; ".join(f"{p.label}: {p.words.rstrip('.')}" for p in points)
