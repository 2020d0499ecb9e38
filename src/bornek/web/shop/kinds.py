"""The kinds of setting, and their computation without a job."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.core.compute import compute, input_schema
from bornek.core.settings.registry import calculations, kinds
from bornek.core.sheet import Sheet
from bornek.services.shop.forms import FormView, view_form
from bornek.web.documents import shows
from bornek.web.shop.inputs import FormIn
from bornek.web.wire import wire

blp = Blueprint("kinds", __name__, url_prefix="/api/kinds", description="Kinds of setting")


@dataclass(frozen=True)
class KindView:
    id: str
    version: int
    title: str
    cautions: list[str]
    schema: dict[str, Any]


@blp.get("")
@shows(blp, list[KindView])
def index() -> Response:
    return jsonify(
        [
            {
                "id": k.id,
                "version": k.version,
                "title": k.title,
                "cautions": list(k.cautions),
                "schema": input_schema(k.id),
            }
            for k in (*kinds(), *calculations())
        ]
    )


@blp.post("/<kind_id>/form")
@blp.arguments(FormIn)
@shows(blp, FormView, 400, 404, 415, 422)
def form(sent: dict[str, Any], kind_id: str) -> Response:
    return wire().read(view_form, kind_id, sent)


@blp.post("/<kind_id>/compute")
@blp.doc(requestBody={"required": True, "content": {"application/json": {"schema": {"type": "object"}}}})
@shows(blp, Sheet, 400, 404, 415, 422)
def compute_kind(kind_id: str) -> Response:
    return jsonify(compute(kind_id, request.get_json()))
