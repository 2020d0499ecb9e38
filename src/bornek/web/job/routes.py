"""A job: its settings, its record as JSON, PDF and CSV, and its exchange file."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.core.errors import InputError
from bornek.report.build_sheet_pdf import sheet_as_pdf
from bornek.report.csv_readings import readings_csv
from bornek.report.pdf_record import record_pdf
from bornek.report.section_mark import section_svg
from bornek.services.job.begin_bench import BenchKind, begin_bench, bench_kinds
from bornek.services.job.build_sheet import build_sheet
from bornek.services.job.close_job import close_job, open_again
from bornek.services.job.correct_job import correct_job, write_hours
from bornek.services.job.exchange.export_job import export_job
from bornek.services.job.exchange.import_job import read_incoming, take_in
from bornek.services.job.extend_job import extend_job
from bornek.services.job.name_components import name_components
from bornek.services.job.name_unit import name_unit
from bornek.services.job.receive_unit import receive_unit
from bornek.services.job.record import RecordView, view_record
from bornek.services.job.view import JobView, view_job
from bornek.web.documents import problems, shows, writes
from bornek.web.job.inputs import BenchIn, CloseIn, CorrectionIn, ExtendIn, HoursIn, JobIn, NameIn, SerialsIn
from bornek.web.limits import MOST_UPLOAD, takes_up_to
from bornek.web.wire import attached, made, wire

blp = Blueprint("jobs", __name__, url_prefix="/api/jobs", description="Jobs and their records")
BINARY = {"type": "string", "format": "binary"}


def _record(job_id: str) -> dict[str, Any]:
    with wire().reading() as session:
        return view_record(session, job_id, wire().today(session))


@blp.post("")
@writes(blp, JobIn, JobView)
def receive(sent: dict[str, Any]) -> Response:
    wire().write(receive_unit, sent)
    return made(wire().read_today(view_job, sent["id"]))


@blp.get("/bench-kinds")
@shows(blp, list[BenchKind])
def kinds_for_the_bench() -> Response:
    return jsonify(bench_kinds())


@blp.post("/bench")
@writes(blp, BenchIn, JobView)
def on_the_bench(sent: dict[str, Any]) -> Response:
    wire().write(begin_bench, sent)
    return made(wire().read_today(view_job, sent["id"]))


@blp.post("/<job_id>/names")
@writes(blp, NameIn, JobView)
def name(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(name_unit, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.get("/<job_id>")
@shows(blp, JobView, 404)
def show(job_id: str) -> Response:
    return wire().read_today(view_job, job_id)


@blp.get("/<job_id>/record")
@shows(blp, RecordView, 404)
def record(job_id: str) -> Response:
    return wire().read_today(view_record, job_id)


@blp.get("/<job_id>/record.pdf")
@blp.response(200, BINARY, content_type="application/pdf")
@problems(blp, 404)
def pdf(job_id: str) -> Response:
    shown = _record(job_id)
    return attached(record_pdf(shown, wire().clock()), "application/pdf", f"record-{shown['job']['tag']}.pdf")


@blp.get("/<job_id>/build-sheet.pdf")
@blp.response(200, BINARY, content_type="application/pdf")
@problems(blp, 404)
def sheet_pdf(job_id: str) -> Response:
    with wire().reading() as session:
        shown = build_sheet(session, job_id, wire().clock())
    return attached(sheet_as_pdf(shown), "application/pdf", f"build-sheet-{shown['tag']}.pdf")


@blp.get("/<job_id>/section.svg")
@blp.response(200, {"type": "string"}, content_type="image/svg+xml")
@problems(blp, 404)
def svg(job_id: str) -> Response:
    with wire().reading() as session:
        shown = view_job(session, job_id, wire().today(session))
    return attached(section_svg(shown["section"]), "image/svg+xml", f"section-{shown['tag']}.svg")


@blp.get("/<job_id>/readings.csv")
@blp.response(200, {"type": "string"}, content_type="text/csv")
@problems(blp, 404)
def csv(job_id: str) -> Response:
    shown = _record(job_id)
    return attached(readings_csv(shown), "text/csv", f"readings-{shown['job']['tag']}.csv")


@blp.get("/<job_id>/exchange.zip")
@blp.response(200, BINARY, content_type="application/zip")
@problems(blp, 404)
def exchange(job_id: str) -> Response:
    with wire().reading() as session:
        return attached(export_job(session, job_id, wire().files), "application/zip", f"job-{job_id}.zip")


@blp.post("/<job_id>/serials")
@writes(blp, SerialsIn, JobView)
def serials(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(name_components, job_id, sent["serials"])
    return made(wire().read_today(view_job, job_id))


@blp.post("/<job_id>/definition")
@writes(blp, ExtendIn, JobView)
def extend(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(extend_job, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.post("/<job_id>/close")
@writes(blp, CloseIn, JobView)
def close(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(close_job, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.post("/<job_id>/openings")
@writes(blp, CloseIn, JobView)
def reopen(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(open_again, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.post("/<job_id>/corrections")
@writes(blp, CorrectionIn, JobView)
def correct(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(correct_job, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.post("/<job_id>/hours")
@writes(blp, HoursIn, JobView)
def hours(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_hours, job_id, sent)
    return made(wire().read_today(view_job, job_id))


@blp.post("/imports")
@blp.doc(requestBody={"required": True, "content": {"application/zip": {"schema": BINARY}}})
@blp.response(201, {"type": "object", "properties": {"job_id": {"type": "string"}}, "required": ["job_id"]})
@problems(blp, 422)
def imports() -> Response:
    takes_up_to(MOST_UPLOAD)
    data = request.get_data()
    if not data:
        raise InputError("No file was sent.", field="file", next_step="Choose an exchange file.")
    with wire().reading() as session:
        today = wire().today(session)
    incoming = read_incoming(data, wire().sessions.reading, today, _draw)
    return made(jsonify({"job_id": wire().write(take_in, wire().files, incoming)}))


def _draw(shown: Any) -> None:
    """Every document of a record, to see that it can be made."""
    record_pdf(shown, wire().clock())
    readings_csv(shown)
