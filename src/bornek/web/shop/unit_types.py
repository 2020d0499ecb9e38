"""Unit types: listed, opened, saved, previewed, exchanged as JSON and CSV."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.core.schools import QUESTIONS, SchoolQuestion
from bornek.core.units.definition import Definition
from bornek.services.shop.parts_list import parts_csv, read_parts_csv
from bornek.services.shop.type_file import export_type, import_type
from bornek.services.shop.type_sheet import TypeSheet, preview_type, view_type
from bornek.services.shop.unit_types import UnitTypeView, list_unit_types, new_type, save_type
from bornek.web.documents import problems, schemas, shows, writes
from bornek.web.shop.inputs import DefinitionIn, NewTypeIn, PartsIn, TypeIn
from bornek.web.wire import attached, made, wire

blp = Blueprint("unit types", __name__, url_prefix="/api", description="Unit types")
schemas.of(Definition)


@blp.get("/unit-types")
@shows(blp, list[UnitTypeView])
def index() -> Response:
    return wire().read(list_unit_types)


@blp.post("/unit-types")
@writes(blp, NewTypeIn, TypeSheet)
def create(sent: dict[str, Any]) -> Response:
    type_id = wire().write(new_type, sent)
    return made(wire().read(view_type, type_id))


@blp.get("/schools")
@shows(blp, list[SchoolQuestion])
def schools() -> Response:
    return jsonify([q.__dict__ for q in QUESTIONS])


@blp.get("/unit-types/<type_id>")
@shows(blp, TypeSheet, 404)
def show(type_id: str) -> Response:
    return wire().read(view_type, type_id)


@blp.post("/unit-types/<type_id>")
@writes(blp, TypeIn, TypeSheet)
def save(sent: dict[str, Any], type_id: str) -> Response:
    wire().write(save_type, type_id, sent)
    return made(wire().read(view_type, type_id))


@blp.post("/unit-types/previews")
@blp.arguments(DefinitionIn)
@shows(blp, TypeSheet, 400, 404, 415, 422)
def preview(sent: dict[str, Any]) -> Response:
    return jsonify(preview_type(sent["definition"]))


@blp.post("/unit-types/imports")
@blp.doc(requestBody={"required": True, "content": {"application/json": {"schema": {"type": "object"}}}})
@shows(blp, TypeSheet, 400, 404, 415, 422)
def imports() -> Response:
    type_id = wire().write(import_type, request.get_json())
    return made(wire().read(view_type, type_id))


@blp.get("/unit-types/<type_id>/unit-type.json")
@blp.response(200, {"type": "object"}, content_type="application/json")
@problems(blp, 404)
def export(type_id: str) -> Response:
    with wire().reading() as session:
        response = jsonify(export_type(session, type_id))
    response.headers["Content-Disposition"] = f'attachment; filename="unit-type-{type_id}.json"'
    return response


@blp.get("/unit-types/<type_id>/parts.csv")
@blp.response(200, {"type": "string"}, content_type="text/csv")
@problems(blp, 404)
def parts(type_id: str) -> Response:
    with wire().reading() as session:
        definition = view_type(session, type_id)["definition"]
    return attached(parts_csv(definition), "text/csv", f"parts-{type_id}.csv")


@blp.post("/parts-lists")
@blp.arguments(PartsIn)
@shows(blp, list[dict[str, Any]], 400, 404, 415, 422)
def parts_list(sent: dict[str, Any]) -> Response:
    return jsonify(read_parts_csv(sent["csv"]))
