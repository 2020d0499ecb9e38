"""The last look of a job, its run-in and its release."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint
from marshmallow import Schema, fields, validate

from bornek.services.prove.release import release
from bornek.services.prove.view import ProveView, view_prove
from bornek.services.prove.write_prove import write_prove
from bornek.web.documents import shows, writes
from bornek.web.fields import a_secret, an_id, some_words
from bornek.web.identity import confirmed, second_confirmed
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import made, wire

blp = Blueprint("prove", __name__, url_prefix="/api", description="Prove: the last look, run-in, release")


class ReleaseIn(Schema):
    """For service, or as it is with a reason; who looked besides."""

    id = an_id()
    how = fields.String(required=True, validate=validate.OneOf(["service", "as_it_is"]))
    second = fields.String(load_default="", validate=validate.Length(max=80))
    words = some_words()
    pin = a_secret()
    second_pin = a_secret()


@blp.get("/jobs/<job_id>/prove")
@shows(blp, ProveView, 404)
def show(job_id: str) -> Response:
    return wire().read_now(view_prove, job_id)


@blp.post("/jobs/<job_id>/prove")
@writes(blp, StageFactIn, ProveView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_prove, job_id, sent)
    return made(wire().read_now(view_prove, job_id))


@blp.post("/jobs/<job_id>/release")
@writes(blp, ReleaseIn, ProveView)
def let_out(sent: dict[str, Any], job_id: str) -> Response:
    proof = confirmed(sent.pop("pin"))
    second_proof = second_confirmed(sent["second"], sent.pop("second_pin"))
    wire().write(release, job_id, {**sent, "proof": proof, "second_proof": second_proof})
    return made(wire().read_now(view_prove, job_id))
