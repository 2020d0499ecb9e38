"""The fits of a job: what was reckoned at each part or step, how a hot one stands, what a push says."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.bench import yard_moment
from bornek.core.facts.fit_seen import WHAT_WORDS, FitSeen
from bornek.core.facts.heat_read import HOW_WORDS, HeatRead
from bornek.core.facts.kind import Fact
from bornek.core.facts.push_read import PushRead
from bornek.core.facts.reckoned import Reckoned
from bornek.core.facts.registry import find_fact_kind
from bornek.core.fits.answer import ask
from bornek.core.fits.carry import FLOWS, carried
from bornek.core.fits.gauge_face import gauge_face
from bornek.core.fits.hot_fit import Moment, hot_fit
from bornek.core.fits.hot_scenes import log_of, rule_of
from bornek.core.fits.offers import Offered, offered, out_of_fit
from bornek.core.fits.open_fits import DONE, grouped, last_seen
from bornek.core.fits.press_fit import PushPoint
from bornek.core.fits.push import Push, push_of
from bornek.core.fits.sums import FitSum
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.core.scenes import Dial, Readout, RoundLog, Scene
from bornek.core.settings.registry import known_kind
from bornek.core.units.definition import Definition
from bornek.services.fit.fit_tools import Ready, ready_tools
from bornek.services.job.components import condemned_words
from bornek.services.job.job_definition import definition_of
from bornek.services.plan.load_plan import load_plan
from bornek.services.shop.sums import SumName, sum_names
from bornek.services.strip.facts_of import facts_of
from bornek.store.queries.jobs import job_with_unit
from bornek.store.queries.yard import local


@dataclass(frozen=True)
class FitHead:
    id: str
    tag: str
    unit_name: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class LaidView:
    """One sum as it was laid down; `given` as typed."""

    fact: str
    sum: str
    title: str
    said: str
    found: dict[str, str]
    code: str
    warned: list[str]
    given: dict[str, str]
    unit: str
    by: str
    at: str


@dataclass(frozen=True)
class HotView:
    """A fit by heat. Moments are as the yard's clock says; empty where there is none."""

    fact: str
    state: str
    say: list[Span]
    head: str
    aside: str
    hub_c: float | None
    shaft_c: float | None
    ends: str
    grips: str
    cold: str
    learned: bool
    wants_shaft: bool
    rule: Readout
    log: RoundLog


@dataclass(frozen=True)
class PushView:
    fact: str
    words: str
    log: RoundLog


@dataclass(frozen=True)
class DoneLine:
    """Something written down about a fit, by whom and when; it can be struck."""

    fact: str
    fact_kind: str
    at: str
    words: str
    by: str


@dataclass(frozen=True)
class FitAt:
    """What was reckoned at one part, place or step; `carry` what is known for each sum that could be next."""

    at: str
    key: str
    label: str
    laid: list[LaidView]
    hot: HotView | None
    push: PushView | None
    face: Dial | None
    scenes: list[Scene]
    done: list[DoneLine]
    carry: dict[str, dict[str, str]]
    state: str
    open: bool
    out: bool
    offered: Offered


@dataclass(frozen=True)
class Subject:
    at: str
    key: str
    label: str


@dataclass(frozen=True)
class FitsView:
    job: FitHead
    now: str
    fits: list[FitAt]
    subjects: list[Subject]
    sums: list[SumName]
    ready: list[Ready]
    cautions: list[str]
    hows: dict[str, str]


CLOCK = slice(11, 16)
"""Hours and minutes of a stored moment."""
DRAWN_OTHERWISE = ("fit_heat", "fit_press", "fit_ram")
CAUTIONS = (
    "Hot: gloves to the elbow, nobody in line with the ram. No flame on the hub.",
    "Cold burns and takes the air away: open doors, never in a pit or a closed room.",
    "An oil bath flashes: lid and extinguisher at hand, no water near. Oven, bath and ice are never left alone.",
    "The maker's manual, the shop's rules and local codes come first.",
)


def view_fit(session: Session, job_id: str, now: datetime) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    clock, d = local(session, now), definition_of(job)
    facts, plan = facts_of(session, job_id), load_plan(session, job, clock)
    view: dict[str, Any] = dump(
        FitsView(
            job=FitHead(job.id, unit.tag, unit.name, job.length_unit, job.seq),
            now=clock.isoformat(timespec="seconds"),
            fits=fits_of(facts, clock.replace(tzinfo=None)),
            subjects=[
                *(Subject("part", p.key, p.label) for p in d.parts if p.part_kind != "housing"),
                *(Subject("place", p.key, p.label) for p in d.places),
                *(Subject("step", p.key, f"{n + 1} {p.step.label}") for n, p in enumerate(plan.order.steps)),
            ],
            sums=sum_names(),
            ready=ready_tools(session, clock.date()),
            cautions=[*condemned_words(session, job), *CAUTIONS],
            hows=HOW_WORDS,
        )
    )
    return view


def fits_of(facts: Sequence[Fact], now: datetime) -> list[FitAt]:
    """By part or step in the order in which they were begun; of each sum the last one laid down stands."""
    return [_fit(at, key, mine, facts, now) for (at, key), mine in grouped(facts).items()]


def _fit(at: str, key: str, mine: Sequence[Fact], facts: Sequence[Fact], now: datetime) -> FitAt:
    last: Mapping[str, Fact] = {f.body.sum: f for f in mine}
    ids = {f.id for f in mine}
    about = [f for f in facts if getattr(f.body, "fit", "") in ids]
    hot, push = _hot(last.get("fit_heat"), mine, about, now), _push(last.get("fit_press"), mine, about)
    ram = last.get("fit_ram")
    bodies = [f.body for f in last.values()]
    codes = {b.sum: b.code for b in bodies}
    state, still_open = _state(codes, hot, push, last_seen(facts, mine))
    return FitAt(
        at=at,
        key=key,
        label=mine[-1].body.label or key,
        laid=[_laid(f) for f in last.values()],
        hot=hot,
        push=push,
        face=gauge_face(ram.body) if ram else None,
        scenes=[s for f in last.values() if f.body.sum not in DRAWN_OTHERWISE for s in _scenes(f.body)],
        done=[
            DoneLine(f.id, f.fact_kind, f.at[CLOCK], line.words, f.by)
            for f in about
            if (line := find_fact_kind(f.fact_kind).line(f, Definition())) is not None
        ],
        carry={to: carried(bodies, to) for to in dict.fromkeys(target for _, _, target, _ in FLOWS)},
        state=state,
        open=still_open,
        out=out_of_fit(codes),
        offered=offered(codes, hot.state if hot else "", still_open),
    )


def _scenes(body: Reckoned) -> Sequence[Scene]:
    """The drawings of a sum as it was given; none where it cannot be read any more."""
    kind = known_kind(body.sum)
    found = ask(kind, body.given, body.unit).answer if isinstance(kind, FitSum) else None
    return found.scenes if found else ()


def _laid(f: Fact) -> LaidView:
    body: Reckoned = f.body
    return LaidView(
        fact=f.id,
        sum=body.sum,
        title=body.title or body.sum,
        said=body.said,
        found=body.found,
        code=body.code,
        warned=list(body.warned),
        given=body.given,
        unit=body.unit,
        by=f.by,
        at=f.at,
    )


def _hot(plan: Fact | None, mine: Sequence[Fact], about: Sequence[Fact], now: datetime) -> HotView | None:
    """Readings belong to the part: a plan laid down anew while it is hot keeps them; after it was seated it begins."""
    if plan is None:
        return None
    heats = {f.id for f in mine if f.body.sum == "fit_heat"}
    ended = max((f.seq for f in about if isinstance(f.body, FitSeen) and f.body.what == "seated"), default=0)
    since = ended if ended < plan.seq else 0
    moments = [
        Moment(yard_moment(f.at), f.body)
        for f in about
        if f.seq > since
        and (isinstance(f.body, HeatRead) or (isinstance(f.body, FitSeen) and f.body.fit in heats))
    ]
    found = hot_fit(plan.body, moments, now)
    if found is None:
        return None
    rule = rule_of(found)
    return HotView(
        fact=plan.id,
        state=found.state,
        say=list(found.say),
        head=found.head,
        aside=found.aside,
        hub_c=found.hub_c,
        shaft_c=found.shaft_c,
        ends=_stamp(found.ends),
        grips=_stamp(found.grips),
        cold=_stamp(found.cold),
        learned=found.learned,
        wants_shaft=found.wants_shaft,
        rule=rule,
        log=log_of(found, moments, now, rule),
    )


def _push(plan: Fact | None, mine: Sequence[Fact], about: Sequence[Fact]) -> PushView | None:
    if plan is None:
        return None
    points = [PushPoint(f.body.travel_mm, f.body.push_n) for f in about if isinstance(f.body, PushRead)]
    found: Push | None = push_of(plan.body, points)
    return None if found is None else PushView(plan.id, found.words, found.log)


def _state(
    codes: Mapping[str, str], hot: HotView | None, push: PushView | None, seen: FitSeen | None
) -> tuple[str, bool]:
    """In a few words how it stands, and whether something is still to be done."""
    if out_of_fit(codes):
        return "out of its fit: back to Inspect", True
    if seen is not None and seen.what in DONE:
        return WHAT_WORDS[seen.what], False
    if hot is not None and hot.state not in ("planned", "seated"):
        return {"hot": "hot: drop it on", "late": "too cold to drop on", "holding": "home: hold it",
                "cooling": "home: feeler when cold", "wrong": "pull it off", "over": "over its limit"}[hot.state], True  # fmt: skip
    if push is not None and push.words:
        return "stop and look", True
    return "prepared", True


def _stamp(moment: datetime | None) -> str:
    return moment.isoformat(timespec="seconds") if moment else ""
