"""One setting: seen, read, moved, explained, given, signed."""

from __future__ import annotations

from typing import Any

from flask import Response, request
from flask_smorest import Blueprint

from bornek.services.setting.expect_move import Expectation, expect_move
from bornek.services.setting.explain_round import explain_round
from bornek.services.setting.live import view_live
from bornek.services.setting.live_view import LiveView
from bornek.services.setting.record_act import record_act
from bornek.services.setting.revise_given import revise_given
from bornek.services.setting.sign_setting import sign_setting
from bornek.services.setting.take_reading import take_reading
from bornek.services.setting.view import SettingView, view_setting
from bornek.services.setting.what_if import (
    PictureView,
    TriedView,
    WhatIfView,
    try_packs,
    view_pictures,
    view_what_if,
)
from bornek.web.documents import HEADERS, shows, writes
from bornek.web.identity import confirmed
from bornek.web.setting.inputs import ActIn, EntryIn, ExpectIn, ExplanationIn, GivenIn, SignatureIn
from bornek.web.wire import made, wire

blp = Blueprint("settings", __name__, url_prefix="/api/settings", description="Settings of a job")


@blp.get("/<setting_id>")
@shows(blp, SettingView, 404)
def show(setting_id: str) -> Response:
    return wire().read_today(view_setting, setting_id)


@blp.get("/<setting_id>/live")
@blp.doc(
    parameters=[
        {
            "in": "query",
            "name": "at",
            "required": True,
            "explode": True,
            "schema": {"type": "array", "items": {"type": "string"}, "maxItems": 4},
        }
    ]
)
@shows(blp, LiveView, 404, 422)
def live(setting_id: str) -> Response:
    return wire().read_today(
        lambda s, day: view_live(s, wire().ears, setting_id, request.args.getlist("at"), day)
    )


@blp.post("/<setting_id>/entries")
@writes(blp, EntryIn, SettingView)
def read(sent: dict[str, Any], setting_id: str) -> Response:
    wire().write(take_reading, setting_id, sent, wire().ears)
    return made(wire().read_today(view_setting, setting_id))


@blp.post("/<setting_id>/acts")
@writes(blp, ActIn, SettingView)
def act(sent: dict[str, Any], setting_id: str) -> Response:
    wire().write(record_act, setting_id, sent)
    return made(wire().read_today(view_setting, setting_id))


@blp.post("/<setting_id>/explanations")
@writes(blp, ExplanationIn, SettingView)
def explain(sent: dict[str, Any], setting_id: str) -> Response:
    wire().write(explain_round, setting_id, sent)
    return made(wire().read_today(view_setting, setting_id))


@blp.post("/<setting_id>/given")
@writes(blp, GivenIn, SettingView)
def give(sent: dict[str, Any], setting_id: str) -> Response:
    wire().write(revise_given, setting_id, sent)
    return made(wire().read_today(view_setting, setting_id))


@blp.post("/<setting_id>/signatures")
@writes(blp, SignatureIn, SettingView)
def sign(sent: dict[str, Any], setting_id: str) -> Response:
    wire().write(sign_setting, setting_id, {**sent, "proof": confirmed(sent.pop("pin"))})
    return made(wire().read_today(view_setting, setting_id))


@blp.get("/<setting_id>/what-if")
@shows(blp, WhatIfView, 404, 422)
def what_if(setting_id: str) -> Response:
    return wire().read_today(view_what_if, setting_id)


@blp.get("/<setting_id>/what-if/pictures/<int:row>")
@shows(blp, PictureView, 404, 422)
def pictures(setting_id: str, row: int) -> Response:
    return wire().read_today(view_pictures, setting_id, row)


@blp.post("/<setting_id>/what-if")
@blp.arguments(ExpectIn)
@blp.doc(parameters=HEADERS[:0])
@shows(blp, TriedView, 400, 404, 415, 422)
def tried(sent: dict[str, Any], setting_id: str) -> Response:
    return wire().read_today(try_packs, setting_id, sent)


@blp.post("/<setting_id>/expectations")
@blp.arguments(ExpectIn)
@blp.doc(parameters=HEADERS[:0])
@shows(blp, Expectation, 400, 404, 415, 422)
def expect(sent: dict[str, Any], setting_id: str) -> Response:
    return wire().read_today(expect_move, setting_id, sent)
