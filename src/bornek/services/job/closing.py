"""A job as it stands, read from all that is written on it: what is open, and what the last look is made from."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, datetime

from sqlalchemy.orm import Session

from bornek.core.facts.kind import Fact
from bornek.core.parts.orders import order_lines
from bornek.core.prove.stands import JobStands, SettingStands
from bornek.core.settings.registry import measures_fit
from bornek.core.units.definition import Definition
from bornek.services.inspect.view import inspect_all
from bornek.services.mesh.train_of import train_of
from bornek.services.plan.load_plan import load_plan
from bornek.services.plan.open_points import plan_points
from bornek.services.setting.frozen import shown_sheet
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.summary import SettingSummary
from bornek.services.unit.owed import owed_before
from bornek.store import tables as t


def job_stands(
    session: Session,
    job: t.Job,
    d: Definition,
    facts: Sequence[Fact],
    settings: Sequence[SettingSummary],
    now: datetime,
) -> JobStands:
    """`now`: as the clock on the yard's wall says it."""
    inspected, _ = inspect_all(session, job, d, facts, now.date())
    plan = load_plan(session, job, now)
    return JobStands(
        d,
        facts,
        job.stands,
        settings=[_stands(session, s, now.date()) for s in settings],
        inspected=inspected,
        orders=order_lines(d, facts, job.length_unit),
        plan=plan_points(plan),
        train=train_of(session, job),
        order=plan.order,
        bench=plan.bench,
        owed=owed_before(session, job),
    )


def _stands(session: Session, s: SettingSummary, today: date) -> SettingStands:
    loaded = load_setting(session, s.id, today)
    log = loaded.log
    mark = log.signature if s.signed else None
    return SettingStands(
        id=s.id,
        label=s.label,
        verdict=s.verdict_words,
        signed_at=mark.seq if mark else 0,
        disturbed=s.disturbed,
        measures="fit" if measures_fit(log.setting.kind) else "setting",
        temporary=tuple(shown_sheet(loaded)["temporary"]) if s.begun else (),
        by=loaded.names.get(mark.mechanic_id, "") if mark else "",
    )
