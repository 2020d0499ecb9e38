"""What of a build order is open: on the rail, and when the job is to be closed."""

from __future__ import annotations

from datetime import date, datetime, time

from sqlalchemy.orm import Session

from bornek.core.phrases import count_words, lower_first, text_of
from bornek.core.prove.stands import OpenPoint
from bornek.services.plan.load_plan import LoadedPlan, load_plan
from bornek.store import tables as t

NAMED = 2
"""Steps that are named; the others are counted."""


def plan_open(session: Session, job: t.Job, today: date) -> int:
    """Findings that are more than a note."""
    return load_plan(session, job, datetime.combine(today, time(12))).open_points


def plan_points(plan: LoadedPlan) -> list[OpenPoint]:
    """Findings and steps that are not worked; a job may be closed over them with a reason."""
    found = [
        OpenPoint(f"plan:{f.key}", lower_first(text_of(f.say)).rstrip("."), "/plan", True)
        for f in plan.findings
        if f.severity != "note"
    ]
    if plan.begun:
        left = [p.step.label for p in plan.order.steps if not plan.order.is_done(p.key)]
        if left:
            names = ", ".join(lower_first(x) for x in left[:NAMED])
            more = f" and {len(left) - NAMED} more" if len(left) > NAMED else ""
            found.append(
                OpenPoint(
                    "plan:left", f"{count_words(len(left), 'step')} not worked: {names}{more}", "/plan", True
                )
            )
    return found
