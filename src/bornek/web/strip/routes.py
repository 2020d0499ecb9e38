"""A job before and while it comes apart: facts, photos, bag labels, components, closing."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.core.errors import NotFound
from bornek.report.bag_labels import bag_labels_pdf
from bornek.services.setting.flank_photo import FirstPaint, first_paint, read_corners, under_flank
from bornek.services.strip.add_photo import add_photo, photo_file
from bornek.services.strip.images import MOST_BYTES, take_picture
from bornek.services.strip.view import StripView, view_strip
from bornek.services.strip.write_fact import write_fact
from bornek.web.documents import HEADERS, problems, shows, view_of, writes
from bornek.web.limits import takes_up_to
from bornek.web.strip.inputs import FactIn
from bornek.web.wire import attached, made, wire

blp = Blueprint("strip", __name__, url_prefix="/api", description="Strip: as found, removals, photos")
BINARY = {"type": "string", "format": "binary"}
PHOTO_QUERY = [
    {"in": "query", "name": name, "required": required, "schema": {"type": "string", "maxLength": most}}
    for name, required, most in (("id", True, 60), ("subject", False, 60), ("caption", False, 200))
]
USUAL_TAPER = 0.22
FLANK_QUERY = [
    {"in": "query", "name": "corners", "required": True, "schema": {"type": "string", "maxLength": 200},
     "description": "x,y of toe root, heel root, heel tip, toe tip as shares of the photo"},
    {"in": "query", "name": "taper", "required": False, "schema": {"type": "number", "minimum": 0, "maximum": 0.89}},
]  # fmt: skip


@blp.get("/jobs/<job_id>/strip")
@shows(blp, StripView, 404)
def show(job_id: str) -> Response:
    return wire().read(view_strip, job_id)


@blp.post("/jobs/<job_id>/facts")
@writes(blp, FactIn, StripView)
def fact(sent: dict[str, Any], job_id: str) -> Response:
    wire().write(write_fact, job_id, sent)
    return made(wire().read(view_strip, job_id))


@blp.post("/jobs/<job_id>/photos")
@blp.doc(
    parameters=[*HEADERS, *PHOTO_QUERY],
    requestBody={"required": True, "content": {"image/*": {"schema": BINARY}}},
)
@blp.response(201, view_of(StripView))
@problems(blp, 404, 413, 422)
def photo(job_id: str) -> Response:
    takes_up_to(MOST_BYTES)
    sent = {key: request.args.get(key, "")[:200] for key in ("id", "subject", "caption")}
    data = request.get_data()
    wire().write(add_photo, job_id, wire().files, take_picture(data), sent)
    return made(wire().read(view_strip, job_id))


@blp.get("/photos/<sha256>")
@blp.response(200, BINARY, content_type="image/*")
@problems(blp, 404)
def picture(sha256: str) -> Response:
    data, media_type = _photo(sha256)
    return _image(data, media_type)


@blp.get("/photos/<sha256>/under-flank")
@blp.doc(parameters=FLANK_QUERY)
@blp.response(200, BINARY, content_type="image/jpeg")
@problems(blp, 404, 422)
def photo_under_flank(sha256: str) -> Response:
    corners = read_corners(request.args.get("corners", ""))
    taper = request.args.get("taper", USUAL_TAPER, type=float)
    return _image(under_flank(_photo(sha256)[0], corners, taper), "image/jpeg")


@blp.get("/photos/<sha256>/first-paint")
@blp.doc(parameters=FLANK_QUERY[:1])
@shows(blp, FirstPaint, 404, 422)
def paint_from_photo(sha256: str) -> Response:
    corners = read_corners(request.args.get("corners", ""))
    return jsonify(first_paint(_photo(sha256)[0], corners))


def _photo(sha256: str) -> tuple[bytes, str]:
    with wire().reading() as session:
        media_type, kept = photo_file(session, sha256)
    data = wire().files.get(kept)
    if data is None:
        raise NotFound("The photo's file is not there.", next_step="Restore it from a backup.")
    return data, media_type


def _image(data: bytes, media_type: str) -> Response:
    response = Response(data, mimetype=media_type)
    response.headers["Content-Security-Policy"] = "default-src 'none'; sandbox"
    response.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return response


@blp.get("/jobs/<job_id>/bag-labels.pdf")
@blp.response(200, BINARY, content_type="application/pdf")
@problems(blp, 404, 422)
def labels(job_id: str) -> Response:
    with wire().reading() as session:
        shown = view_strip(session, job_id)
    return attached(bag_labels_pdf(shown), "application/pdf", f"bag-labels-{shown['job']['tag']}.pdf")
