"""Sums without a job."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify
from flask_smorest import Blueprint

from bornek.core.plain import dump
from bornek.services.shop.sums import SumName, SumView, sum_names, view_sum
from bornek.web.documents import shows
from bornek.web.shop.inputs import SumIn

blp = Blueprint(
    "sums", __name__, url_prefix="/api/sums", description="Sums of fits and torques without a job"
)


@blp.get("")
@shows(blp, list[SumName])
def index() -> Response:
    return jsonify(dump(sum_names()))


@blp.post("/<kind_id>")
@blp.arguments(SumIn)
@shows(blp, SumView, 400, 404, 415, 422)
def reckon(sent: dict[str, Any], kind_id: str) -> Response:
    return jsonify(view_sum(kind_id, sent))
