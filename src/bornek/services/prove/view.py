"""The last look as the page shows it: points by their groups, run-in, what was put off, the release."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.deferred import Deferred, DeferredKind
from bornek.core.facts.kind import Fact
from bornek.core.facts.locked_out import locks_hung
from bornek.core.facts.released import HOW_WORDS, Released
from bornek.core.people.proof import proof_words
from bornek.core.phrases import Say, count_words, plain
from bornek.core.plain import dump
from bornek.core.prove.point import GROUPS, Group, Leaf, ProvePoint, leaf_of
from bornek.core.prove.running import STOP_RULE
from bornek.core.prove.sheet import ProveSheet
from bornek.services.job.job_definition import definition_of
from bornek.services.prove.load_prove import load_prove
from bornek.services.prove.run_view import RunningView, view_running
from bornek.services.shop.mechanics import mechanic_names
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.photos_of import PhotoView, photos_view
from bornek.services.unit.owed import OwedView, unit_owed
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.yard import local

CAUTIONS = (
    "Turn by hand only, under lock-out: one person turns, and says so first; fingers off the gears.",
    "Tools counted and people clear; guards on; then the lock comes off, last of all, by whoever hung it.",
    STOP_RULE,
    "Lock out again before a torque or a reading inside the guards. Torques are checked cold unless the maker says hot.",
    "The maker's manual, the shop's rules and local codes come first; power is switched by those who may.",
)


@dataclass(frozen=True)
class ProveHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    version: int
    stands: str
    closed: bool


@dataclass(frozen=True)
class ProvePointView:
    key: str
    label: str
    words: str
    state: str
    state_words: str
    is_open: bool
    code: str
    to: str
    here: bool
    asks: list[str]
    ways: list[str]
    must: bool
    by: str
    fact: str
    photo: str
    until: str
    most: int


@dataclass(frozen=True)
class ProveGroup:
    key: Group
    label: str
    leaf: Leaf
    open: int
    points: list[ProvePointView]


@dataclass(frozen=True)
class HungLock:
    fact: str
    points: str
    by: str


@dataclass(frozen=True)
class ReleaseView:
    """`how`: empty while it is not released."""

    how: str
    words: str
    by: str
    proof: str
    at: str
    said: str
    second_person: bool
    first: list[ProvePointView]
    may_stay: list[ProvePointView]
    after: int


@dataclass(frozen=True)
class PutOffView:
    fact: str
    what: str
    words: str
    until: str
    by: str


@dataclass(frozen=True)
class ProveView:
    job: ProveHead
    say: Say
    head: str
    aside: str
    cautions: list[str]
    groups: list[ProveGroup]
    locks: list[HungLock]
    running: RunningView
    put_off: list[PutOffView]
    owed: list[OwedView]
    release: ReleaseView
    names: list[str]
    photos: list[PhotoView]
    today: str


def view_prove(session: Session, job_id: str, now: datetime) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    moment = local(session, now)
    sheet, facts = load_prove(session, job, moment), facts_of(session, job_id)
    today = moment.date().isoformat()
    counted = [p for p in sheet.points if not p.is_open]
    shown: dict[str, Any] = dump(
        ProveView(
            job=ProveHead(
                job.id, unit.tag, unit.name, job.complaint, job.seq, job.stands, job.closed_at is not None
            ),
            say=sheet.say if job.closed_at is None else plain("This job is closed."),
            head=f"{len(counted)} of {count_words(len(sheet.points), 'point')} settled",
            aside=_aside(sheet),
            cautions=[*definition_of(job).cautions, *CAUTIONS],
            groups=_groups(sheet, moment),
            locks=[HungLock(f.id, f.body.points, f.by) for f in locks_hung(facts)],
            running=view_running(sheet.log),
            put_off=[_put_off(f) for f in facts if isinstance(f.body, Deferred)],
            owed=[o for o in unit_owed(session, unit.id, today) if o.job_id != job.id],
            release=_release(sheet, moment),
            names=list(mechanic_names(session).values()),
            photos=photos_view(session, job_id, facts),
            today=today,
        )
    )
    return shown


def prove_open(sheet: ProveSheet) -> int:
    """What the rail shows: open points that no other stage shows."""
    return sum(p.group != "settled" for p in sheet.open)


def _aside(sheet: ProveSheet) -> str:
    unchecked = [p.label for p in sheet.points if p.state == "could_not"]
    if unchecked:
        return f"Could not be checked, and stays on the record: {'; '.join(unchecked)}"
    first = len(sheet.first)
    return f"{count_words(first, 'point')} that nobody releases over." if first else ""


def _groups(sheet: ProveSheet, now: datetime) -> list[ProveGroup]:
    found = []
    for key, label in GROUPS.items():
        points = [p for p in sheet.points if p.group == key]
        if points:
            found.append(
                ProveGroup(
                    key, label, leaf_of(key), sum(p.is_open for p in points), [_point(p, now) for p in points]
                )
            )
    return found


def _point(p: ProvePoint, now: datetime) -> ProvePointView:
    until = (now + timedelta(days=p.due_days)).date().isoformat() if p.due_days else ""
    return ProvePointView(
        key=p.key,
        label=p.label,
        words=p.words,
        state=p.state,
        state_words=p.state_words,
        is_open=p.is_open,
        code=p.code,
        to=p.to,
        here=p.here,
        asks=list(p.asks),
        ways=list(p.ways),
        must=p.must,
        by=p.by,
        fact=p.fact,
        photo=p.photo,
        until=until,
        most=p.most,
    )


def _release(sheet: ProveSheet, now: datetime) -> ReleaseView:
    fact = sheet.release
    return ReleaseView(
        how=fact.body.how if fact else "",
        words=HOW_WORDS[fact.body.how] if fact else "",
        by=fact.by if fact else "",
        proof=proof_words(fact.body.proof) if fact else "",
        at=fact.at if fact else "",
        said=_said(fact.body) if fact else "",
        second_person=sheet.second_person,
        first=[_point(p, now) for p in sheet.first],
        may_stay=[_point(p, now) for p in sheet.may_stay if p.group != "after"],
        after=len(sheet.open_in("after")),
    )


def _said(body: Released) -> str:
    second = f"second person: {body.second} ({proof_words(body.second_proof)})" if body.second else ""
    return "; ".join(x for x in (second, body.words) if x)


def _put_off(fact: Fact) -> PutOffView:
    body: Deferred = fact.body
    return PutOffView(fact.id, body.what, DeferredKind().words(body), body.until, fact.by)
