"""The build sheet that goes to whoever owns the unit: what was wrong, what was done, what was set to what, what to watch."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.deferred import Deferred
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.registry import find_fact_kind
from bornek.core.facts.released import HOW_WORDS
from bornek.core.facts.run_read import RunRead
from bornek.core.parts.causes import find_cause
from bornek.core.parts.orders import order_lines
from bornek.core.parts.verdicts import WORDS
from bornek.core.phrases import count_words, lower_first, text_of
from bornek.core.plain import dump
from bornek.core.prove.sheet import ProveSheet
from bornek.core.units.definition import Definition
from bornek.services.job.chain import END_LETTERS, job_chain
from bornek.services.job.job_definition import definition_of
from bornek.services.prove.load_prove import load_prove
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record import record_setting
from bornek.services.strip.facts_of import facts_of
from bornek.services.unit.life import quantity_words
from bornek.services.unit.quantities import quantities_of, wear_of
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, settings_of
from bornek.store.queries.yard import local, local_day, the_yard


@dataclass(frozen=True)
class SetLine:
    """One setting in a line: found, left, what it must be, and whether it is."""

    label: str
    found: str
    left: str
    wanted: str
    verdict: str
    by: str


@dataclass(frozen=True)
class BuildSheet:
    """`released`: how it left the bench, empty while it has not. `end`: the code that proves the file it came from."""

    tag: str
    unit_name: str
    serial: str
    yard: str
    zone: str
    received: str
    released: str
    complaint: str
    wrong: list[str]
    done: list[str]
    settings: list[SetLine]
    watch: list[str]
    end: str


def build_sheet(session: Session, job_id: str, now: datetime) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    moment = local(session, now)
    d, facts = definition_of(job), facts_of(session, job_id)
    sheet, yard = load_prove(session, job, moment), the_yard(session)
    shown: dict[str, Any] = dump(
        BuildSheet(
            tag=unit.tag,
            unit_name=unit.name,
            serial=unit.serial,
            yard=yard.name,
            zone=yard.zone,
            received=local_day(session, job.opened_at).isoformat(),
            released=_released(sheet),
            complaint=job.complaint,
            wrong=_wrong(d, facts),
            done=_done(d, job, facts, sheet),
            settings=[_set_line(session, s.id, moment) for s in settings_of(session, job_id)],
            watch=_watch(session, job, unit, facts, sheet, moment),
            end=job_chain(session, job_id)[:END_LETTERS],
        )
    )
    return shown


def _released(sheet: ProveSheet) -> str:
    fact = sheet.release
    if fact is None:
        return ""
    second = f", with {fact.body.second}" if fact.body.second else ""
    words = f"; {fact.body.words}" if fact.body.words else ""
    return f"{HOW_WORDS[fact.body.how]}, {fact.at[:10]}, by {fact.by}{second}{words}"


def _wrong(d: Definition, facts: Sequence[Fact]) -> list[str]:
    """Causes that were named, and parts that could not go back, with why."""
    found = [
        f"Cause named: {lower_first(find_cause(f.body.cause).label)}."
        for f in facts
        if isinstance(f.body, CauseNamed)
    ]
    chosen = {f.body.part: f.body for f in facts if isinstance(f.body, Judged)}
    for key, body in chosen.items():
        if body.verdict in ("replace", "send_out", "hold"):
            why = f": {body.words}" if body.words else ""
            found.append(f"{d.label_of(key)}: {WORDS[body.verdict]}{why}.")
    return found


def _done(d: Definition, job: t.Job, facts: Sequence[Fact], sheet: ProveSheet) -> list[str]:
    lines = order_lines(d, facts, job.length_unit)
    new = [
        f"{o.label}{f', {o.count} of them' if o.count > 1 else ''}" for o in lines if o.state == "received"
    ]
    found = [f"New: {'; '.join(new)}."] if new else []
    kept = [
        d.label_of(f.body.part)
        for f in facts
        if isinstance(f.body, Judged) and f.body.verdict in ("reuse", "dress")
    ]
    if kept:
        found.append(f"Looked at and put back: {', '.join(lower_first(k) for k in kept)}.")
    seen = [p for p in sheet.points if p.here and p.state == "done" and p.group != "ready"]
    if seen:
        found.append(f"Seen before it left: {'; '.join(lower_first(p.label) for p in seen)}.")
    for run in sheet.log.runs:
        worst = run.worst
        end = f" {worst.label}: {worst.found.words}" if worst else ""
        how = {"done": "run in", "stopped": "run-in stopped", "running": "runs in"}[run.state]
        found.append(f"{run.body.label}, {how}, {run.body.minutes:g} min.{end}")
    if sheet.log.runs:
        found.append(
            f"{count_words(sum(isinstance(f.body, RunRead) for f in facts), 'temperature')} read while it ran."
        )
    return found


def _set_line(session: Session, setting_id: str, moment: datetime) -> SetLine:
    record = record_setting(session, load_setting(session, setting_id, moment.date()))
    sheet: Any = record.sheet
    sheet = sheet if isinstance(sheet, dict) else dump(sheet)
    target = next((r for r in sheet["outcome"]["results"] if r["role"] == "target"), None)
    strip = next((s for s in sheet["scenes"] if s["type"] == "readout"), None)
    window = strip["window"]["label"] if strip and strip.get("window") else ""
    source = target["window"]["source"] if target and target["window"] else ""
    mark = record.signature
    return SetLine(
        label=record.label,
        found=record.as_found,
        left=record.as_left,
        wanted=" ".join(
            x
            for x in (window, strip["unit"] if window and strip else "", f"({source})" if source else "")
            if x
        ),
        verdict=sheet["verdict"]["words"],
        by=f"{mark.by}, {mark.at[:10]}" if mark else "not signed",
    )


def _watch(
    session: Session, job: t.Job, unit: t.Unit, facts: Sequence[Fact], sheet: ProveSheet, moment: datetime
) -> list[str]:
    """What was put off, what could not be checked, what comes after run-in, and when what wears meets its limit."""
    found = [
        f"{f.body.what}: {find_fact_kind(f.fact_kind).words(f.body)}."
        for f in facts
        if isinstance(f.body, Deferred)
    ]
    found += [
        f"{p.label}: could not be checked: {p.words.rstrip('.')}."
        for p in sheet.points
        if p.state == "could_not"
    ]
    found += [f"{p.label}: {p.words.rstrip('.?')}." for p in sheet.open_in("after")]
    if sheet.release is not None:
        found += [f"Left open: {words.rstrip('.?')}." for words in sheet.release.body.left]
    quantities = quantities_of(session, unit.id, moment.date(), until=job)
    wears = wear_of(session, unit, quantities, moment.date())
    for q, wear in zip(quantities, wears, strict=True):
        if wear is not None and wear.act_before is not None:
            found.append(f"{q.label}: {lower_first(text_of(quantity_words(q, wear)[0]))}")
    return found
