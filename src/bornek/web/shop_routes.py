"""The yard: board, mechanics, shim drawer, gauges."""

from __future__ import annotations

from typing import Any

from flask import Response, request
from flask_smorest import Blueprint

from bornek.services.drawer import count_shims, view_drawer
from bornek.services.gauges import register_gauge, view_gauges
from bornek.services.names import list_mechanics
from bornek.services.search import search
from bornek.services.strip_views import SearchView
from bornek.services.view_board import board_is_stale, refresh_board, view_board
from bornek.services.views import BoardView, GaugeView, LotView, MechanicView
from bornek.web.documents import shows, writes
from bornek.web.inputs import CountIn, GaugeIn
from bornek.web.wire import wire

blp = Blueprint("shop", __name__, url_prefix="/api", description="The yard")


@blp.get("/board")
@shows(blp, BoardView)
def board() -> Response:
    wire().freshen(board_is_stale, refresh_board)
    return wire().read_today(view_board)


@blp.get("/search")
@blp.doc(parameters=[{"in": "query", "name": "q", "required": True, "schema": {"type": "string"}}])
@shows(blp, SearchView, 422)
def find() -> Response:
    return wire().read(search, request.args.get("q", ""))


@blp.get("/mechanics")
@shows(blp, list[MechanicView])
def mechanics() -> Response:
    return wire().read(list_mechanics)


@blp.get("/drawer")
@shows(blp, list[LotView])
def drawer() -> Response:
    return wire().read(view_drawer)


@blp.post("/drawer/counts")
@writes(blp, CountIn, list[LotView])
def count(sent: dict[str, Any]) -> Response:
    return wire().write(count_shims, sent)


@blp.get("/gauges")
@shows(blp, list[GaugeView])
def gauges() -> Response:
    return wire().read_today(view_gauges)


@blp.post("/gauges")
@writes(blp, GaugeIn, list[GaugeView])
def gauge(sent: dict[str, Any]) -> Response:
    return wire().write(register_gauge, sent)
