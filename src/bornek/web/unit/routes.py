"""A unit over all its jobs: its life, and what it owes, done."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint
from marshmallow import Schema, fields, validate

from bornek.services.unit.done import write_done
from bornek.services.unit.life import LifeView, view_life
from bornek.web.documents import shows, writes
from bornek.web.fields import an_id, some_words
from bornek.web.wire import made, wire

blp = Blueprint("units", __name__, url_prefix="/api/units", description="Units: their life, what they owe")


class DoneIn(Schema):
    """Work that was put off, done: `fact` by which it was put off."""

    id = an_id()
    fact = fields.String(required=True, validate=validate.Length(1, 64))
    words = some_words()


@blp.get("/<unit_id>")
@shows(blp, LifeView, 404)
def show(unit_id: str) -> Response:
    return wire().read_today(view_life, unit_id)


@blp.post("/<unit_id>/done")
@writes(blp, DoneIn, LifeView)
def done(sent: dict[str, Any], unit_id: str) -> Response:
    wire().write(write_done, unit_id, sent)
    return made(wire().read_today(view_life, unit_id))
