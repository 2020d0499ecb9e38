"""Something done about the build order: a step worked, put elsewhere, taken back, a turn, a clock."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.facts.clock_begun import ClockBegunKind
from bornek.core.facts.need_judged import NeedJudgedKind
from bornek.core.facts.seen_right import SeenRightKind
from bornek.core.facts.step_struck import StepStruckKind
from bornek.core.facts.step_worked import StepWorkedKind
from bornek.core.facts.went_back import WentBackKind
from bornek.services.desk import Desk
from bornek.services.plan.load_plan import LoadedPlan, load_plan
from bornek.services.strip.write_fact import write_fact
from bornek.store.queries.jobs import open_job
from bornek.store.queries.yard import local

STEP_NAMED = {k.key for k in (StepWorkedKind, StepStruckKind, ClockBegunKind, SeenRightKind)}


def write_plan(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: as for write_fact, of this stage. What a step is called is written beside its key."""
    job, _ = open_job(desk.session, job_id)
    body = dict(sent.get("body") or {})
    if body:
        body |= _names(load_plan(desk.session, job, local(desk.session, desk.now)), sent["kind"], body)
    write_fact(desk, job_id, {**sent, "body": body}, stage="plan")


def _names(plan: LoadedPlan, kind: str, body: Mapping[str, Any]) -> dict[str, Any]:
    """What is said beside the keys of steps, so that it can be read when the plan is another."""
    by_key = plan.order.by_key
    step = by_key.get(str(body.get("step", "")))
    if kind == StepWorkedKind.key and step is not None:
        return {"label": step.step.label, "parts": list(step.step.parts)}
    if kind in STEP_NAMED and step is not None:
        return {"label": step.step.label}
    if kind == NeedJudgedKind.key:
        before, after = (plan.order.label(str(body.get(k, ""))) for k in ("before", "after"))
        return {"label": f"{before} before {after}"}
    if kind == WentBackKind.key and isinstance(body.get("steps"), list):
        known = [by_key[k].step for k in body["steps"] if isinstance(k, str) and k in by_key]
        parts = dict.fromkeys(p for s in known for p in s.parts)
        return {"labels": [s.label for s in known], "parts": list(parts)}
    return {}
