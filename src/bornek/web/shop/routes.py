"""The yard: board, mechanics, shim drawer, gauges."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.services.shop.board import BoardView, board_is_stale, refresh_board, view_board
from bornek.services.shop.buy_list import Wanted, buy_list
from bornek.services.shop.drawer import LotView, count_shims, mike_shims, view_drawer
from bornek.services.shop.gauges import (
    GaugeHeard,
    GaugeView,
    LineChoices,
    hear_gauge,
    line_choices,
    mean_unit,
    press,
    register_gauge,
    view_gauges,
    write_line,
)
from bornek.services.shop.mechanics import MechanicView, list_mechanics
from bornek.services.shop.search import SearchView, search
from bornek.services.shop.yard import YardView, add_person, change_yard, view_yard
from bornek.web.documents import problems, shows, writes
from bornek.web.shop.inputs import CountIn, GaugeIn, LineIn, MikeIn, PersonIn, UnitIn, YardIn
from bornek.web.wire import made, wire

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


@blp.post("/mechanics")
@writes(blp, PersonIn, YardView)
def person(sent: dict[str, Any]) -> Response:
    wire().write(add_person, sent)
    return made(wire().read(view_yard))


@blp.get("/yard")
@shows(blp, YardView)
def yard() -> Response:
    return wire().read(view_yard)


@blp.post("/yard")
@writes(blp, YardIn, YardView)
def name_yard(sent: dict[str, Any]) -> Response:
    wire().write(change_yard, sent)
    return made(wire().read(view_yard))


@blp.get("/drawer")
@shows(blp, list[LotView])
def drawer() -> Response:
    return wire().read(view_drawer)


@blp.post("/drawer/counts")
@writes(blp, CountIn, list[LotView])
def count(sent: dict[str, Any]) -> Response:
    wire().write(count_shims, sent)
    return made(wire().read(view_drawer))


@blp.get("/gauges")
@shows(blp, list[GaugeView])
def gauges() -> Response:
    return wire().read_today(view_gauges)


@blp.post("/gauges")
@writes(blp, GaugeIn, list[GaugeView])
def gauge(sent: dict[str, Any]) -> Response:
    wire().write(register_gauge, sent)
    return made(wire().read_today(view_gauges))


@blp.get("/gauges/line-choices")
@shows(blp, LineChoices)
def choices() -> Response:
    return jsonify(line_choices())


@blp.post("/gauges/<gauge_id>/line")
@writes(blp, LineIn, list[GaugeView])
def gauge_line(sent: dict[str, Any], gauge_id: str) -> Response:
    wire().write(write_line, gauge_id, sent)
    return made(wire().read_today(view_gauges))


@blp.get("/gauges/<gauge_id>/heard")
@shows(blp, GaugeHeard, 404)
def heard(gauge_id: str) -> Response:
    return wire().read_today(lambda s, day: hear_gauge(s, wire().ears, gauge_id, day))


@blp.post("/gauges/<gauge_id>/presses")
@blp.response(204)
@problems(blp, 404, 422)
def press_at(gauge_id: str) -> tuple[str, int]:
    press(wire().ears, gauge_id)
    return "", 204


@blp.post("/gauges/<gauge_id>/unit")
@blp.arguments(UnitIn)
@blp.response(204)
@problems(blp, 400, 404, 415, 422)
def unit_meant(sent: dict[str, Any], gauge_id: str) -> tuple[str, int]:
    mean_unit(wire().ears, gauge_id, sent)
    return "", 204


@blp.post("/drawer/measures")
@writes(blp, MikeIn, list[LotView])
def measure(sent: dict[str, Any]) -> Response:
    wire().write(mike_shims, sent)
    return made(wire().read(view_drawer))


@blp.get("/drawer/wanted")
@shows(blp, list[Wanted])
def wanted() -> Response:
    return wire().read_today(buy_list)
