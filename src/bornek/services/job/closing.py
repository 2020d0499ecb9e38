"""What is open when a job is to be closed, read from all that is written on it."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.closing import JobStands, OpenPoint, SettingStands, open_points
from bornek.core.facts.kind import Fact
from bornek.core.parts.orders import order_lines
from bornek.core.settings.registry import measures_fit
from bornek.core.units.definition import Definition
from bornek.services.inspect.view import inspect_all
from bornek.services.mesh.train_of import train_of
from bornek.services.plan.open_points import plan_points
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.summary import SettingSummary
from bornek.store import tables as t


def closing_list(
    session: Session,
    job: t.Job,
    d: Definition,
    facts: Sequence[Fact],
    settings: Sequence[SettingSummary],
    today: date,
) -> list[OpenPoint]:
    """Empty for a job that is closed already."""
    if job.closed_at is not None:
        return []
    inspected, _ = inspect_all(session, job, d, facts, today)
    stands = [_stands(session, s, today) for s in settings]
    orders = order_lines(d, facts, job.length_unit)
    plan = plan_points(session, job, today)
    return open_points(
        JobStands(d, facts, job.stands, stands, inspected, orders, plan, train_of(session, job))
    )


def _stands(session: Session, s: SettingSummary, today: date) -> SettingStands:
    log = load_setting(session, s.id, today).log
    return SettingStands(
        id=s.id,
        label=s.label,
        verdict=s.verdict_words,
        signed_at=log.signature.seq if log.signature and s.signed else 0,
        disturbed=s.disturbed,
        measures="fit" if measures_fit(log.setting.kind) else "setting",
    )
