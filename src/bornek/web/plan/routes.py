"""The build order of a job, and the bench at each of its steps."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.core.build.undo import WayBack
from bornek.services.plan.view import PlanView, view_plan, view_way_back
from bornek.services.plan.write_plan import write_plan
from bornek.web.documents import shows, writes
from bornek.web.fields import a_secret
from bornek.web.identity import second_confirmed
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import made, wire


class PlanFactIn(StageFactIn):
    """Something done about the order; the PIN is of who agrees to a step that can hurt someone."""

    second_pin = a_secret()


blp = Blueprint("plan", __name__, url_prefix="/api", description="Plan: build order, steps, free turns")


@blp.get("/jobs/<job_id>/plan")
@shows(blp, PlanView, 404)
def show(job_id: str) -> Response:
    return wire().read_now(view_plan, job_id)


@blp.post("/jobs/<job_id>/plan")
@writes(blp, PlanFactIn, PlanView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_plan, job_id, _proved(sent, sent.pop("second_pin")))
    return made(wire().read_now(view_plan, job_id))


def _proved(sent: dict[str, Any], second_pin: str) -> dict[str, Any]:
    """With how far it is proved who agreed, whatever the page says of it."""
    body = {key: value for key, value in sent["body"].items() if key != "second_proof"}
    if body.get("second"):
        body["second_proof"] = second_confirmed(str(body["second"]), second_pin)
    return {**sent, "body": body}


@blp.get("/jobs/<job_id>/plan/way-back/<step>")
@shows(blp, WayBack, 404)
def way_back(job_id: str, step: str) -> Response:
    return wire().read_now(view_way_back, job_id, step)
