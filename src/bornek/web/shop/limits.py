"""The shop's limit tables: listed, written from CSV, given back as CSV."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint
from marshmallow import Schema, fields, validate

from bornek.services.shop.limit_tables import (
    LimitTableView,
    limit_table_csv,
    view_limit_tables,
    write_limit_table,
)
from bornek.web.documents import problems, shows, writes
from bornek.web.fields import an_id
from bornek.web.wire import attached, made, wire

blp = Blueprint(
    "limit tables", __name__, url_prefix="/api/limit-tables", description="The shop's limit tables"
)


class LimitTableIn(Schema):
    """A table as CSV, with what it is for and where it comes from."""

    id = an_id()
    name = fields.String(required=True, validate=validate.Length(1, 60))
    kind = fields.String(required=True, validate=validate.Length(max=40))
    source = fields.String(required=True, validate=validate.Length(1, 200))
    csv = fields.String(required=True, validate=validate.Length(max=100_000))
    seen = fields.Integer(load_default=0, validate=validate.Range(0, 100_000))


@blp.get("")
@shows(blp, list[LimitTableView])
def tables() -> Response:
    return wire().read(view_limit_tables)


@blp.post("")
@writes(blp, LimitTableIn, list[LimitTableView])
def write(sent: dict[str, Any]) -> Response:
    wire().write(write_limit_table, sent)
    return made(wire().read(view_limit_tables))


@blp.get("/<name>/table.csv")
@blp.response(200, {"type": "string"}, content_type="text/csv")
@problems(blp, 404)
def table(name: str) -> Response:
    with wire().reading() as session:
        return attached(limit_table_csv(session, name), "text/csv", f"limits-{name}.csv")
