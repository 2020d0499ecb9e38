"""Fits of a job: sums laid down, heat and push."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.services.fit.view import FitsView, view_fit
from bornek.services.fit.write_fit import write_fit
from bornek.web.documents import shows, writes
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import made, wire

blp = Blueprint("fit", __name__, url_prefix="/api", description="Fit: sums, heat, presses, torque")


@blp.get("/jobs/<job_id>/fit")
@shows(blp, FitsView, 404)
def show(job_id: str) -> Response:
    return wire().read_now(view_fit, job_id)


@blp.post("/jobs/<job_id>/fit")
@writes(blp, StageFactIn, FitsView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_fit, job_id, sent)
    return made(wire().read_now(view_fit, job_id))
