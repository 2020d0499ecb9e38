"""What lets a step pass that something speaks against: a reason, and where it can hurt someone a second name."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.errors import InputError
from bornek.core.facts.step_moved import StepMoved
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.went_back import WentBack
from bornek.services.plan.check_work import check_plan
from bornek.services.plan.load_plan import LoadedPlan
from plan_cases import MISTAKES, Job, also, worked


def loaded(job: Job) -> LoadedPlan:
    order = job.order()
    return LoadedPlan(None, order.facts, order, job.bench)  # type: ignore[arg-type]


def refused(job: Job, body: Any) -> str | None:
    with pytest.raises(InputError) as error:
        check_plan(loaded(job), body)
    return error.value.field


def test_a_safety_part_used_again_wants_a_reason_and_a_second_name() -> None:
    _, job = MISTAKES["a single-use part used again"]
    assert refused(job, StepWorked("bolts-in")) == "despite"
    assert refused(job, StepWorked("bolts-in", despite="none to be had")) == "second"
    check_plan(loaded(job), StepWorked("bolts-in", despite="none to be had", second="Jun"))


def test_skipping_it_is_always_recorded() -> None:
    _, job = MISTAKES["a single-use part used again"]
    check_plan(loaded(job), StepWorked("bolts-in", "skipped", "waits for new ones"))


def test_what_is_shut_out_may_go_in_what_shuts_it_out_may_not() -> None:
    _, job = MISTAKES["a part behind its cover comes after it"]
    assert refused(job, StepWorked("left-on")) == "despite"
    check_plan(loaded(job), StepWorked("baffle-in"))


@pytest.mark.parametrize("name", ["a cause's hold not cleared", "two steps that need each other"])
def test_every_stop_wants_a_reason(name: str) -> None:
    _, job = MISTAKES[name]
    stop = next(f for f in job.found() if f.severity == "stop")
    assert refused(job, StepWorked(stop.bars[0])) == "despite"
    check_plan(loaded(job), StepWorked(stop.bars[0], despite="the lead hand said so"))


def test_a_warning_holds_nobody_up() -> None:
    _, job = MISTAKES["sealant that skins before the last bolt"]
    check_plan(loaded(job), StepWorked("left-on"))


@pytest.mark.parametrize(
    ("body", "field"),
    [
        (StepWorked("ghost"), "step"),
        (StepMoved("ghost", ""), "step"),
        (StepMoved("cure", "ghost"), "after"),
        (StepMoved("wheel-on", "cure"), "step"),
        (WentBack(("cure",), "taken_apart"), "steps"),
        (StepWorked("play-set"), "how"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(body: Any, field: str) -> None:
    assert refused(also(*worked("wheel-on")), body) == field
