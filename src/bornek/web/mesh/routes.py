"""The gear train of a job: positions, counts, levers, timing marks."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.services.mesh.train_view import TrainView, view_train
from bornek.services.mesh.write_train import write_train
from bornek.web.documents import shows, writes
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import made, wire

blp = Blueprint("train", __name__, url_prefix="/api", description="Mesh: gear train, levers, timing marks")


@blp.get("/jobs/<job_id>/train")
@shows(blp, TrainView, 404)
def show(job_id: str) -> Response:
    return wire().read(view_train, job_id)


@blp.post("/jobs/<job_id>/train")
@writes(blp, StageFactIn, TrainView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_train, job_id, sent)
    return made(wire().read(view_train, job_id))
