"""The build order of a job, and the bench at each of its steps."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.core.build.undo import WayBack
from bornek.services.plan.view import PlanView, view_plan, view_way_back
from bornek.services.plan.write_plan import write_plan
from bornek.web.documents import shows, writes
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import made, wire

blp = Blueprint("plan", __name__, url_prefix="/api", description="Plan: build order, steps, free turns")


@blp.get("/jobs/<job_id>/plan")
@shows(blp, PlanView, 404)
def show(job_id: str) -> Response:
    return wire().read_now(view_plan, job_id)


@blp.post("/jobs/<job_id>/plan")
@writes(blp, StageFactIn, PlanView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_plan, job_id, sent)
    return made(wire().read_now(view_plan, job_id))


@blp.get("/jobs/<job_id>/plan/way-back/<step>")
@shows(blp, WayBack, 404)
def way_back(job_id: str, step: str) -> Response:
    return wire().read_now(view_way_back, job_id, step)
