"""What was written when the unit came in, corrected; and what the hour meter said."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.corrected import Corrected, CorrectedKind
from bornek.core.facts.hour_meter import HourMeterKind
from bornek.core.facts.registry import body_of
from bornek.core.schools import read_schools
from bornek.services.desk import Desk
from bornek.services.job.index_job import index_job
from bornek.services.job.job_definition import definition_of
from bornek.services.job.receive_job import check_gauges, gauge_for
from bornek.services.setting.load_setting import load_setting
from bornek.services.strip.append_fact import append_fact
from bornek.services.strip.write_fact import write_fact
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job, settings_of

TEXTS = ("complaint", "known", "bench", "waits_for")


def correct_job(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, words, and any of complaint, known, bench, waits_for, schools, gauges. Each that differs is one
    fact that keeps what stood there; what is the same already is no correction."""
    desk.mechanic()
    job, _ = open_job(desk.session, job_id)
    words = str(sent.get("words", "")).strip()
    for n, change in enumerate(list(_changes(desk, job, sent, words))):
        append_fact(desk, job, f"{sent['id']}.{n}", CorrectedKind.key, "", body_of(change))
    for name in TEXTS:
        if name in sent:
            setattr(job, name, sent[name])
    if "schools" in sent:
        job.schools = read_schools({**job.schools, **sent["schools"]})
    if "gauges" in sent:
        job.gauges = list(sent["gauges"])
        _hand_out(desk, job)
    desk.session.flush()
    index_job(desk.session, job_id)


def _changes(desk: Desk, job: t.Job, sent: dict[str, Any], words: str) -> Iterator[Corrected]:
    for name in TEXTS:
        if name in sent and sent[name] != getattr(job, name):
            yield Corrected(name, getattr(job, name), sent[name], words=words)  # type: ignore[arg-type]
    for key, school in sent.get("schools", {}).items():
        read_schools({key: school})
        if job.schools.get(key, "A") != school:
            yield Corrected("school", job.schools.get(key, "A"), school, key, words)
    if "gauges" in sent and list(sent["gauges"]) != list(job.gauges):
        check_gauges(desk, sent["gauges"])
        was, now = (_names(desk, ids) for ids in (job.gauges, sent["gauges"]))
        yield Corrected("gauges", was, now, words=words)


def _names(desk: Desk, ids: list[str]) -> str:
    found = [desk.session.get(t.Gauge, key) for key in ids]
    return ", ".join(g.name if g else key for g, key in zip(found, ids, strict=True))


def _hand_out(desk: Desk, job: t.Job) -> None:
    """Settings that are still to be read get the gauge that is meant now; what was read keeps its own."""
    points = {s.key: s for s in definition_of(job).settings}
    for setting in settings_of(desk.session, job.id):
        loaded = load_setting(desk.session, setting.id, desk.today)
        if setting.key in points and not loaded.ctx.entries:
            setting.gauge_id = gauge_for(desk, job, points[setting.key])


def write_hours(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, body, and optionally supersedes or void, as for any fact."""
    if sent.get("kind", HourMeterKind.key) != HourMeterKind.key:
        raise InputError("The hour meter alone is written down here.", field="kind")
    write_fact(desk, job_id, {**sent, "kind": HourMeterKind.key}, "job")
