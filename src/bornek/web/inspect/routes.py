"""Inspection of a job, orders, and the shop's lists that it rests on."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.report.orders_csv import orders_csv
from bornek.services.inspect.orders import OrderView, view_orders
from bornek.services.inspect.view import InspectView, view_inspect
from bornek.services.inspect.write_inspection import measure_fit, write_inspection
from bornek.services.shop.shop_lists import (
    CrossNumberView,
    LookForView,
    view_cross_numbers,
    view_look_fors,
    write_cross_number,
    write_look_for,
)
from bornek.web.documents import problems, shows, writes
from bornek.web.inspect.inputs import FitIn
from bornek.web.shop.inputs import CrossNumberIn, LookForIn
from bornek.web.stage_fact import StageFactIn
from bornek.web.wire import attached, made, wire

blp = Blueprint("inspect", __name__, url_prefix="/api", description="Inspect: verdicts, causes, orders")
CSV = {"type": "string"}


@blp.get("/jobs/<job_id>/inspection")
@shows(blp, InspectView, 404)
def show(job_id: str) -> Response:
    return wire().read_today(view_inspect, job_id)


@blp.post("/jobs/<job_id>/inspection")
@writes(blp, StageFactIn, InspectView)
def write(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_inspection, job_id, sent)
    return made(wire().read_today(view_inspect, job_id))


@blp.post("/jobs/<job_id>/fits")
@writes(blp, FitIn, InspectView)
def fit(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(measure_fit, job_id, sent)
    return made(wire().read_today(view_inspect, job_id))


@blp.get("/orders")
@shows(blp, list[OrderView])
def orders() -> Response:
    return wire().read_today(view_orders)


@blp.get("/orders.csv")
@blp.response(200, CSV, content_type="text/csv")
def yard_csv() -> Response:
    with wire().reading() as session:
        rows = view_orders(session, wire().today(session))
    return attached(orders_csv(rows), "text/csv; charset=utf-8", "orders.csv")


@blp.get("/jobs/<job_id>/orders.csv")
@blp.response(200, CSV, content_type="text/csv")
@problems(blp, 404)
def job_csv(job_id: str) -> Response:
    with wire().reading() as session:
        view = view_inspect(session, job_id, wire().today(session))
    return attached(orders_csv(view["orders"]), "text/csv; charset=utf-8", f"orders-{view['job']['tag']}.csv")


@blp.get("/look-fors")
@shows(blp, list[LookForView])
def look_fors() -> Response:
    return wire().read(view_look_fors)


@blp.post("/look-fors")
@writes(blp, LookForIn, list[LookForView])
def look_for(sent: dict[str, Any]) -> Response:
    wire().write(write_look_for, sent)
    return made(wire().read(view_look_fors))


@blp.get("/cross-numbers")
@shows(blp, list[CrossNumberView])
def cross_numbers() -> Response:
    return wire().read(view_cross_numbers)


@blp.post("/cross-numbers")
@writes(blp, CrossNumberIn, list[CrossNumberView])
def cross_number(sent: dict[str, Any]) -> Response:
    wire().write(write_cross_number, sent)
    return made(wire().read(view_cross_numbers))
