"""Something done about a fit: a sum laid down, a temperature or a push read, what was seen."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.errors import InputError
from bornek.core.facts.kind import Fact
from bornek.core.facts.reckoned import Reckoned, ReckonedKind
from bornek.core.phrases import text_of
from bornek.core.windows import Normal
from bornek.services.desk import Desk
from bornek.services.job.job_definition import definition_of
from bornek.services.plan.load_plan import load_plan
from bornek.services.shop.sums import find_sum, settled
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.write_fact import write_fact
from bornek.store import tables as t
from bornek.store.queries.jobs import open_job
from bornek.store.queries.yard import local

SENT = ("sum", "part", "place", "step", "unit", "given")


def write_fit(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: as for write_fact, of this stage. What a sum came to is reckoned here and frozen; what is about a sum
    takes its name."""
    job, _ = open_job(desk.session, job_id)
    body = dict(sent.get("body") or {})
    if sent["kind"] == ReckonedKind.key and not sent.get("void"):
        body = _frozen(desk, job, body)
    elif body:
        body |= _about(facts_of(desk.session, job_id), body)
    write_fact(desk, job_id, {**sent, "body": body}, stage="fit")


def _frozen(desk: Desk, job: t.Job, body: Mapping[str, Any]) -> dict[str, Any]:
    kept = {key: body[key] for key in SENT if key in body}
    given = kept.get("given", {})
    if not isinstance(given, dict) or not all(isinstance(v, str) for v in given.values()):
        raise InputError("given must be what was typed, a text for each field.", field="given")
    unit = kept.get("unit", job.length_unit)
    if unit not in ("mm", "thou"):
        raise InputError(f"unit must be mm or thou (got {unit!r}).", field="unit")
    kind = find_sum(str(kept.get("sum", "")))
    answer = settled(kind, given, unit)
    numbers = {r.key: r.value.v for r in answer.outcome.results if isinstance(r.value, Normal)}
    return kept | {
        "unit": unit,
        "version": kind.version,
        "title": kind.title,
        "label": _label(desk, job, kept),
        "said": text_of(answer.say),
        "found": {f.label: f"{f.words}{f', {f.verdict}' if f.verdict else ''}" for f in answer.found},
        "numbers": numbers,
        "code": answer.outcome.verdict.code,
        "warned": [c.sentence for c in answer.checks],
    }


def _label(desk: Desk, job: t.Job, body: Mapping[str, Any]) -> str:
    """What it is laid at, by name. Raises InputError for a step that the plan has not."""
    if body.get("step"):
        plan = load_plan(desk.session, job, local(desk.session, desk.now))
        if body["step"] not in plan.order.by_key:
            raise InputError(
                f"The plan has no step {body['step']!r}.", field="step", next_step="Choose one of its steps."
            )
        return plan.order.label(str(body["step"]))
    return definition_of(job).label_of(str(body.get("part") or body.get("place") or ""))


def _about(facts: list[Fact], body: Mapping[str, Any]) -> dict[str, Any]:
    """The name, and where it has one the part, of the sum that it belongs to."""
    laid = next((f.body for f in facts if f.id == body.get("fit") and isinstance(f.body, Reckoned)), None)
    if laid is None:
        return {}
    return {"label": laid.label} | ({"part": laid.part} if laid.part and "what" in body else {})
