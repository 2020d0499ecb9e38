"""Practice: the learner's rigs in the yard's own address, and what is done at a rig in the rig's."""

from __future__ import annotations

from typing import Any

from flask import Response, jsonify, request
from flask_smorest import Blueprint

from bornek.services.practice.acts import ask_advice, keep_result, lift_at, look_at
from bornek.services.practice.row import BegunView, PracticeView, begin_rig, view_practice
from bornek.services.practice.take import TakenPull, take_pull_at
from bornek.services.practice.view import RigView, StationView, view_rig, view_station
from bornek.web.documents import shows, writes
from bornek.web.practice.inputs import AskIn, BeginIn, LookIn, PullIn, WipeIn
from bornek.web.wire import made, rig_here, rigs, wire

blp = Blueprint("practice", __name__, url_prefix="/api", description="Rigs to practise on")
LEARNER = {"in": "header", "name": "X-Learner", "required": False, "schema": {"type": "string"}}


@blp.get("/practice")
@blp.doc(parameters=[LEARNER])
@shows(blp, PracticeView)
def practice() -> Response:
    return jsonify(view_practice(rigs(), request.headers.get("X-Learner", "")))


@blp.post("/practice/rigs")
@writes(blp, BeginIn, BegunView)
def begin(sent: dict[str, Any]) -> Response:
    return made(jsonify(begin_rig(rigs(), sent)))


@blp.post("/practice/wipes")
@writes(blp, WipeIn, PracticeView)
def wipe(sent: dict[str, Any]) -> Response:
    rigs().wipe(sent["learner"])
    return made(jsonify(view_practice(rigs(), sent["learner"])))


@blp.get("/rig")
@shows(blp, RigView, 404)
def rig() -> Response:
    key = rig_here()
    with wire().reading() as session:
        keep_result(session, rigs(), key, wire().today(session))
        return jsonify(view_rig(session, rigs(), key, wire().today(session)))


@blp.get("/rig/stations/<slot>")
@blp.doc(
    parameters=[{"in": "query", "name": "pull", "schema": {"type": "integer", "minimum": 1, "maximum": 999}}]
)
@shows(blp, StationView, 404, 422)
def station(slot: str) -> Response:
    pull = request.args.get("pull", "1")
    number = int(pull) if pull.isdigit() and len(pull) < 4 else 1
    with wire().reading() as session:
        return jsonify(view_station(session, rigs(), rig_here(), slot, number, wire().today(session)))


@blp.post("/rig/pulls")
@writes(blp, PullIn, TakenPull)
def pull(sent: dict[str, Any]) -> Response:
    key = rig_here()
    with wire().reading() as session:
        taken = take_pull_at(session, rigs(), wire().ears, key, sent, wire().today(session))
    return made(jsonify(taken))


@blp.post("/rig/looks")
@writes(blp, LookIn, RigView)
def look(sent: dict[str, Any]) -> Response:
    return _done(lambda session, today: look_at(session, rigs(), rig_here(), sent["key"], today))


@blp.post("/rig/asks")
@writes(blp, AskIn, RigView)
def ask(sent: dict[str, Any]) -> Response:
    return _done(lambda session, today: ask_advice(session, rigs(), rig_here(), today))


@blp.post("/rig/lifts")
@writes(blp, AskIn, RigView)
def lift(sent: dict[str, Any]) -> Response:
    return _done(lambda session, today: lift_at(session, rigs(), rig_here(), today))


def _done(work: Any) -> Response:
    key = rig_here()
    with wire().reading() as session:
        work(session, wire().today(session))
    with wire().reading() as session:
        keep_result(session, rigs(), key, wire().today(session))
        return made(jsonify(view_rig(session, rigs(), key, wire().today(session))))
