"""The yard as a whole: its report, its archive."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.core.parts.days import check_day
from bornek.report.report_csv import report_csv
from bornek.services.archive.write_archive import write_archive
from bornek.services.shop.report import YardReport, yard_report
from bornek.web.documents import problems, shows
from bornek.web.wire import attached, wire

blp = Blueprint("report", __name__, url_prefix="/api/yard", description="The yard: report, archive")
DAYS = [
    {
        "in": "query",
        "name": name,
        "required": False,
        "schema": {"type": "string"},
        "description": "2026-11-30",
    }
    for name in ("since", "until")
]


def _report() -> dict[str, Any]:
    since, until = (request.args.get(name, "") for name in ("since", "until"))
    for name, day in (("since", since), ("until", until)):
        if day:
            check_day(day, name)
    with wire().reading() as session:
        return yard_report(session, wire().clock(), since, until)


@blp.get("/report")
@blp.doc(parameters=DAYS)
@shows(blp, YardReport, 422)
def report() -> Response:
    return jsonify(_report())


@blp.get("/report.csv")
@blp.doc(parameters=DAYS)
@blp.response(200, {"type": "string"}, content_type="text/csv")
@problems(blp, 422)
def as_csv() -> Response:
    return attached(report_csv(_report()), "text/csv", "yard-report.csv")


@blp.get("/archive.zip")
@blp.response(200, {"type": "string", "format": "binary"}, content_type="application/zip")
def archive() -> Response:
    with wire().reading() as session:
        return attached(write_archive(session, wire().files), "application/zip", "yard-archive.zip")
