"""What helps to make a unit type: patterns, edits of a definition in hand, pasted parts lists. Nothing is stored."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify
from flask_smorest import Blueprint

from bornek.core.plain import dump
from bornek.services.shop.pasted_parts import PastedList, read_pasted
from bornek.services.shop.type_making import Begun, PatternView, begin_pattern, edit_rows, list_patterns
from bornek.web.documents import shows
from bornek.web.shop.inputs import AnswersIn, EditIn, PastedIn

blp = Blueprint("type making", __name__, url_prefix="/api", description="Unit types in the making")


@blp.get("/patterns")
@shows(blp, list[PatternView])
def index() -> Response:
    return jsonify(dump(list_patterns()))


@blp.post("/patterns/<key>")
@blp.arguments(AnswersIn)
@shows(blp, Begun, 400, 404, 415, 422)
def start(sent: dict[str, Any], key: str) -> Response:
    return jsonify(dump(begin_pattern(key, sent["answers"])))


@blp.post("/definitions/edits")
@blp.arguments(EditIn)
@shows(blp, dict[str, Any], 400, 404, 415, 422)
def edits(sent: dict[str, Any]) -> Response:
    return jsonify(edit_rows(**sent))


@blp.post("/parts-lists/guesses")
@blp.arguments(PastedIn)
@shows(blp, PastedList, 400, 404, 415, 422)
def guesses(sent: dict[str, Any]) -> Response:
    return jsonify(dump(read_pasted(sent["text"])))
