"""The jobs of a yard laid into its hours: one schedule, and what it was made of."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from bornek.core.build.bench import Bench
from bornek.core.build.order import BuildOrder
from bornek.core.build.schedule.bounds import lower_bound
from bornek.core.build.schedule.calendar import ShopCalendar
from bornek.core.build.schedule.from_order import JobTasks, task_key, tasks_of
from bornek.core.build.schedule.serial import Plan, schedule
from bornek.core.build.schedule.tasks import Task


@dataclass(frozen=True)
class JobBuild:
    """One job in the middle of its build."""

    job: str
    tag: str
    name: str
    order: BuildOrder
    bench: Bench


@dataclass(frozen=True)
class YardDay:
    """`now` is the yard's own clock; `resources` how many of each can be used."""

    jobs: Sequence[JobBuild]
    calendar: ShopCalendar
    resources: Mapping[str, int]
    now: datetime

    @cached_property
    def start(self) -> datetime:
        return self.now.replace(second=0, microsecond=0)

    @cached_property
    def left(self) -> dict[str, JobTasks]:
        """What is left of each job."""
        return {
            j.job: tasks_of(j.order, j.bench, j.job, self.start, self.resources)
            for j in self.jobs
            if not j.order.loop
        }

    @cached_property
    def tasks(self) -> list[Task]:
        return [t for left in self.left.values() for t in left.tasks]

    @cached_property
    def plan(self) -> Plan:
        return schedule(self.tasks, self.calendar, self.resources, self.start)

    @cached_property
    def bound(self) -> int:
        """What no schedule can beat [min from now]."""
        return lower_bound(self.tasks, self.calendar, self.resources, self.start)

    def job(self, job: str) -> JobBuild:
        return next(j for j in self.jobs if j.job == job)

    def label_of(self, key: str) -> str:
        return self.plan.slots[key].task.label if key in self.plan.slots else key

    def is_ready(self, job: JobBuild, step: str) -> bool:
        """Nothing that it needs is open and no wait runs before it."""
        task = self.plan.slots.get(task_key(job.job, step))
        return task is not None and not task.task.needs and task.task.release == 0
