"""A learner's rigs: the nine in their rising row, and those done by number."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from bornek.core.errors import InputError
from bornek.core.plain import dump
from bornek.core.practice.rigs.rows import NINE, SORTS
from bornek.services.practice.cloth import MARKS
from bornek.services.practice.rig_yard import path_of
from bornek.services.practice.rigs import Rigs
from bornek.store.practice.book import Attempt

SHOWN = 40


@dataclass(frozen=True)
class RowView:
    """One of the nine. `attempt` is the last one begun, `open` where it is not signed yet, `result` the best so far."""

    step: int
    sort: str
    number: int
    title: str
    words: str
    attempt: str
    open: bool
    path: str
    result: str
    score: float
    best: float
    mark: str


@dataclass(frozen=True)
class SortView:
    sort: str
    title: str


@dataclass(frozen=True)
class DoneRig:
    id: str
    sort: str
    title: str
    number: int
    path: str
    at: str
    result: str
    score: float
    best: float
    mark: str


@dataclass(frozen=True)
class PracticeView:
    row: list[RowView]
    sorts: list[SortView]
    done: list[DoneRig]


@dataclass(frozen=True)
class BegunView:
    id: str
    path: str


RANK = {"": 0, "out": 1, "more": 2, "in": 3}


def view_practice(rigs: Rigs, learner: str) -> dict[str, Any]:
    """What one learner did; without a code, nothing yet."""
    attempts = rigs.book.attempts(learner) if learner else []
    view: dict[str, Any] = dump(
        PracticeView(
            row=[_step(i, attempts) for i in range(len(NINE))],
            sorts=[SortView(key, rig.title) for key, rig in SORTS.items()],
            done=[_done(a) for a in reversed(attempts[-SHOWN:])],
        )
    )
    return view


def begin_rig(rigs: Rigs, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: sort, number, learner, name."""
    name = sent["name"].strip()
    if not name or not sent["learner"]:
        raise InputError(
            "Nobody is named as practising.",
            field="name",
            next_step="Choose your name at the top of the page.",
        )
    key = rigs.begin(sent["sort"], sent["number"], sent["learner"], name)
    return {"id": key, "path": path_of(key, SORTS[sent["sort"]])}


def _step(i: int, attempts: list[Attempt]) -> RowView:
    sort, number, words = NINE[i]
    mine = [a for a in attempts if (a.sort, a.number) == (sort, number)]
    best = max(mine, key=lambda a: (RANK[a.result], -a.score), default=None)
    last = mine[-1] if mine else None
    return RowView(
        step=i + 1,
        sort=sort,
        number=number,
        title=SORTS[sort].title,
        words=words,
        attempt=last.id if last else "",
        open=last is not None and not last.result,
        path=path_of(last.id, SORTS[sort]) if last else "",
        result=best.result if best else "",
        score=best.score if best else 0.0,
        best=best.best if best else 0,
        mark=MARKS[best.result if best else ""],
    )


def _done(a: Attempt) -> DoneRig:
    return DoneRig(
        id=a.id,
        sort=a.sort,
        title=SORTS[a.sort].title,
        number=a.number,
        path=path_of(a.id, SORTS[a.sort]),
        at=a.at.isoformat(),
        result=a.result,
        score=a.score,
        best=a.best,
        mark=MARKS[a.result],
    )
