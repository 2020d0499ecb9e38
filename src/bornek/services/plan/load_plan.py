"""A job's build order with all that it is checked against."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import datetime
from functools import cached_property

from sqlalchemy.orm import Session

from bornek.core.build.bench import Bench
from bornek.core.build.findings.find import find_all
from bornek.core.build.findings.finding import Finding
from bornek.core.build.gather import gather
from bornek.core.build.order import BuildOrder, build_order
from bornek.core.build.schedule.from_order import JobTasks, tasks_of
from bornek.core.build.schedule.serial import Plan, schedule
from bornek.core.build.standing import Standing, standings
from bornek.core.build.turns import TurnLog, turn_log
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.parts.orders import order_lines
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.load_setting import load_setting
from bornek.services.shop.hours import shop_calendar
from bornek.services.shop.tools import yard_tools
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.once import keep
from bornek.store.queries.jobs import settings_of


@dataclass(frozen=True)
class LoadedPlan:
    """What is asked of it is thought through once."""

    job: t.Job
    facts: Sequence[Fact]
    order: BuildOrder
    bench: Bench
    setting_ids: dict[str, str] = field(default_factory=dict)

    @cached_property
    def findings(self) -> list[Finding]:
        return find_all(self.order, self.bench)

    @cached_property
    def standing(self) -> dict[str, Standing]:
        return standings(self.order, self.bench)

    @cached_property
    def turns(self) -> TurnLog:
        return turn_log(self.order)

    @cached_property
    def left(self) -> JobTasks | None:
        """What is left to do; None with a loop in it, or no clock."""
        if self.bench.now is None or self.order.loop:
            return None
        return tasks_of(self.order, self.bench, self.job.id, self.bench.now.replace(second=0, microsecond=0))

    @cached_property
    def alone(self) -> Plan | None:
        """This job by itself in the shop's hours; None where nothing is left that has a day."""
        bench, left = self.bench, self.left
        if bench.calendar is None or bench.now is None or left is None or not left.tasks:
            return None
        return schedule(left.tasks, bench.calendar, {}, bench.now.replace(second=0, microsecond=0))

    @property
    def finish(self) -> datetime | None:
        """When it is whole at the earliest; None where nothing is left, or what is left has no day."""
        if self.alone is None or (self.left is not None and self.left.dayless):
            return None
        return self.alone.when(self.alone.finish)

    @property
    def begun(self) -> bool:
        return bool(self.order.worked.done)

    @property
    def open_points(self) -> int:
        """What the rail shows: findings that are more than a note, once there is an order."""
        return sum(f.severity != "note" for f in self.findings)


def load_plan(session: Session, job: t.Job, now: datetime) -> LoadedPlan:
    """`now`: as the clock on the yard's wall says it. Thought through once for as long as nothing is written."""
    moment = now.replace(tzinfo=None)
    return keep(session, ("plan", job.id, job.seq, moment), lambda: _load(session, job, moment))


def _load(session: Session, job: t.Job, moment: datetime) -> LoadedPlan:
    d, facts = definition_of(job), facts_of(session, job.id)
    if not gather(d, facts):
        return LoadedPlan(job, facts, build_order(d, facts), Bench(unit=job.length_unit, now=moment))
    signed: dict[str, str] = {}
    disturbed: set[str] = set()
    ids: dict[str, str] = {}
    gauges: dict[str, str] = {}
    for setting in settings_of(session, job.id):
        loaded = load_setting(session, setting.id, moment.date())
        log, gauge = loaded.log, loaded.ctx.find_gauge()
        ids[setting.key] = setting.id
        if gauge.overdue:
            gauges[setting.key] = f"{gauge.name} is due since {gauge.due}"
        if log.signature is not None and log.disturbed:
            disturbed.add(setting.key)
        elif log.signature is not None:
            signed[setting.key] = log.signature.at.isoformat()
    bench = Bench(
        unit=job.length_unit,
        signed=signed,
        disturbed=frozenset(disturbed),
        verdicts={f.body.part: f.body.verdict for f in facts if isinstance(f.body, Judged)},
        orders=order_lines(d, facts, job.length_unit),
        tools=yard_tools(session, moment.date()),
        gauges=gauges,
        now=moment,
        calendar=shop_calendar(session),
    )
    return LoadedPlan(job, facts, build_order(d, facts, signed), bench, ids)
