"""Measured fits of a part: settings at a place of that part, of a kind that measures fits."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.parts.inspection import Beside, inspect
from bornek.core.parts.verdicts import School, check_choice
from bornek.core.plain import dump
from bornek.core.schools import read_schools
from bornek.core.settings.kind import Setting
from bornek.core.settings.registry import find_kind, kinds, measures_fit
from bornek.core.units.checks import check_definition
from bornek.core.units.definition import Definition, Place, SettingPoint, read_definition
from bornek.core.units.limits import spell_lengths
from bornek.services.desk import Desk
from bornek.services.job.components import condemned_parts
from bornek.services.job.index_job import index_job
from bornek.services.job.job_definition import definition_of
from bornek.services.job.receive_job import lay_out
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.frozen import first_readout, shown_sheet, value_words
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.station_gauges import first_gauge
from bornek.services.shop.shop_lists import own_look_fors
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job


@dataclass(frozen=True)
class FitView:
    """A measured fit of a part: a setting like any other."""

    setting_id: str
    label: str
    verdict: str
    verdict_words: str
    value: str
    window: str
    version: int


@dataclass(frozen=True)
class FitOffer:
    """A fit that can be measured on a part: its kind, and the fields that are asked for."""

    key: str
    label: str
    kind: str
    given: dict[str, Any]
    asks: list[str]
    suits: list[str]


def fit_offers() -> list[FitOffer]:
    """What every kind offers to measure on a part."""
    return [
        FitOffer(
            key=o.key, label=o.label, kind=k.id, given=dict(o.given), asks=list(o.asks), suits=list(o.suits)
        )
        for k in kinds()
        if isinstance(k, Setting)
        for o in k.offers
    ]


def fit_points(d: Definition, part: str) -> list[SettingPoint]:
    """The fits measured on a part, by the definition."""
    places = {p.key for p in d.places if p.at == part}
    return [s for s in d.settings if s.place in places and measures_fit(s.kind)]


def fits_of(session: Session, job: t.Job, d: Definition, part: str, today: date) -> list[FitView]:
    shown = []
    for point in fit_points(d, part):
        loaded = load_setting(session, f"{job.id}.{point.key}", today)
        sheet = shown_sheet(loaded)
        readout = first_readout(sheet)
        shown.append(
            FitView(
                setting_id=f"{job.id}.{point.key}",
                label=point.label,
                verdict=sheet["verdict"]["code"],
                verdict_words=sheet["verdict"]["words"],
                value=value_words(sheet) or "not read",
                window=readout["window"]["label"] if readout and readout["window"] else "",
                version=loaded.log.last_reading,
            )
        )
    return shown


def reuse_school(job: t.Job) -> School:
    return "B" if read_schools(job.schools)["reuse"] == "B" else "A"


def check_verdict(desk: Desk, job: t.Job, d: Definition, facts: Sequence[Fact], judged: Judged) -> None:
    """Raises InputError where the school, or safety whatever the school, does not allow the choice."""
    part = d.part(judged.part)
    if part is None:
        raise NotFound(f"This unit has no part {judged.part!r}.", field="part")
    fits = fits_of(desk.session, job, d, part.key, desk.today)
    beside = known_beside(fits, condemned_parts(desk.session, job).get(part.key, ""))
    school = reuse_school(job)
    found = inspect(d, part, facts, own_look_fors(desk.session), beside, school, job.length_unit)
    check_choice(part, found.basis, school, judged.verdict, judged.words)


def known_beside(fits: Sequence[FitView], condemned: str) -> Beside:
    """What is known of a part besides the job's facts."""
    return Beside([f.verdict for f in fits], max((f.version for f in fits), default=0), condemned)


def add_fit(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: part, kind, label, given. Puts a fit to be measured at a part of this job alone."""
    desk.mechanic()
    job, unit = open_job(desk.session, job_id)
    d = definition_of(job)
    part = d.part(sent["part"])
    if part is None:
        raise NotFound(f"This unit has no part {sent['part']!r}.", field="part")
    if not measures_fit(sent["kind"]):
        raise InputError(f"{sent['kind']!r} does not measure a fit.", field="kind")
    label = str(sent.get("label") or "").strip() or f"{part.label}, fit"
    taken = {p.key for p in d.places} | {s.key for s in d.settings}
    key = _free(re.sub(r"[^a-z0-9]+", "-", label.lower()).strip("-")[:32] or "fit", taken)
    place = next((p for p in d.places if p.at == part.key and p.shim_form == "none"), None)
    grown = d
    if place is None:
        place = Place(_free(f"{part.key[:30]}-seat", taken | {key}), part.label.lower(), "none", part.key)
        grown = replace(d, places=(*d.places, place))
    given = spell_lengths(find_kind(sent["kind"]), sent["given"], job.length_unit)
    shelf = find_gauges(desk.session, desk.today).values()
    gauge = first_gauge(find_kind(sent["kind"]), given, job.length_unit, shelf)
    point = SettingPoint(key=key, label=label, kind=sent["kind"], place=place.key, given=given, gauge=gauge)
    plain: dict[str, Any] = dump(replace(grown, settings=(*grown.settings, point)))
    check_definition(read_definition(plain))
    job.definition = plain
    job.seq += 1
    desk.session.flush()
    lay_out(desk, job, unit.serial)
    index_job(desk.session, job_id)


def _free(key: str, taken: set[str]) -> str:
    n, found = 2, key
    while found in taken:
        found, n = f"{key}-{n}", n + 1
    return found
