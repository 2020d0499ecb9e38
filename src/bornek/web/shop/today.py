"""The yard's day, its tools and its hours."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_smorest import Blueprint

from bornek.report.calendar import day_calendar
from bornek.services.shop.hours import HoursView, view_hours, write_hours
from bornek.services.shop.today import TodayView, job_day, view_today, yard_day
from bornek.services.shop.tools import ToolShelf, view_tools, write_tool
from bornek.services.shop.yard import view_yard
from bornek.services.unit.owed import yard_owed
from bornek.web.documents import problems, shows, writes
from bornek.web.shop.inputs import ShopHoursIn, ToolIn
from bornek.web.wire import attached, made, wire

blp = Blueprint("today", __name__, url_prefix="/api", description="Today: hands, waits, tools, hours")


@blp.get("/today")
@shows(blp, TodayView)
def today() -> Response:
    return wire().read_now(view_today)


@blp.get("/today.ics")
@blp.response(200, {"type": "string"}, content_type="text/calendar")
def calendar() -> Response:
    with wire().reading() as session:
        yard = view_yard(session)
        owed = yard_owed(session, wire().today(session).isoformat())
        day = yard_day(session, wire().clock())
        body = day_calendar(day, yard["name"], yard["zone"], wire().clock(), owed)
    return attached(body, "text/calendar; charset=utf-8", "today.ics")


@blp.get("/jobs/<job_id>/plan.ics")
@blp.response(200, {"type": "string"}, content_type="text/calendar")
@problems(blp, 404)
def job_calendar(job_id: str) -> Response:
    with wire().reading() as session:
        yard, day = view_yard(session), job_day(session, job_id, wire().clock())
        body = day_calendar(day, yard["name"], yard["zone"], wire().clock())
    return attached(body, "text/calendar; charset=utf-8", f"build-{day.jobs[0].tag}.ics")


@blp.get("/tools")
@shows(blp, ToolShelf)
def tools() -> Response:
    return wire().read_today(view_tools)


@blp.post("/tools")
@writes(blp, ToolIn, ToolShelf)
def tool(sent: dict[str, Any]) -> Response:
    wire().write(write_tool, sent)
    return made(wire().read_today(view_tools))


@blp.get("/hours")
@shows(blp, HoursView)
def hours() -> Response:
    return wire().read(view_hours)


@blp.post("/hours")
@writes(blp, ShopHoursIn, HoursView)
def shop_hours(sent: dict[str, Any]) -> Response:
    wire().write(write_hours, sent)
    return made(wire().read(view_hours))
