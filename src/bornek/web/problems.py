"""Every error as one JSON problem: code, field, message, next_step, details."""

from __future__ import annotations

import logging
from typing import Any

from flask import Flask, Response, jsonify
from werkzeug.exceptions import HTTPException

from bornek.core.errors import (
    BornekError,
    InputError,
    JobClosed,
    KeyReused,
    NotAllowed,
    NotFound,
    NotSignedIn,
    NotSolved,
    StaleVersion,
    StorageBusy,
    StorageFull,
    TooManyTries,
    UnknownKind,
    WrongSecret,
)

STATUS: dict[type[BornekError], int] = {
    InputError: 422,
    UnknownKind: 404,
    NotFound: 404,
    StaleVersion: 409,
    JobClosed: 409,
    KeyReused: 422,
    NotSignedIn: 401,
    WrongSecret: 403,
    TooManyTries: 429,
    NotAllowed: 403,
    NotSolved: 422,
    StorageFull: 507,
    StorageBusy: 503,
    BornekError: 400,
}
HTTP_NEXT = {
    400: "Check what was sent.",
    403: "Open Bornek itself and do it there.",
    404: "Check the address.",
    405: "Use one of the methods that this address allows.",
    413: "Send a smaller file.",
    415: "Send JSON.",
    429: "Wait a minute, then try again.",
    422: "Mend the fields named and send it again.",
}
PROBLEM = {
    "type": "object",
    "properties": {
        "code": {"type": "string"},
        "field": {"type": ["string", "null"]},
        "message": {"type": "string"},
        "next_step": {"type": "string"},
        "details": {"type": "object", "additionalProperties": True},
    },
    "required": ["code", "details", "field", "message", "next_step"],
}
log = logging.getLogger("bornek")


def status_of(error: BornekError) -> int:
    return next(STATUS[cls] for cls in type(error).__mro__ if cls in STATUS)


def answer(problem: dict[str, Any], status: int) -> Response:
    response = jsonify(problem)
    response.status_code = status
    response.content_type = "application/problem+json"
    return response


def _bornek(error: BornekError) -> Response:
    return answer(error.problem(), status_of(error))


def _http(error: HTTPException) -> Response:
    status = error.code or 500
    data = getattr(error, "data", None) or {}
    messages = data.get("messages", {})
    field = _first_field(messages)
    words = f"{field} does not fit: {_first_words(messages)}" if field else str(error.description)
    problem: dict[str, Any] = {
        "code": f"http_{status}",
        "field": field,
        "message": words,
        "next_step": HTTP_NEXT.get(status, "Try again."),
        "details": {"fields": messages} if messages else {},
    }
    response = answer(problem, status)
    allow = getattr(error, "valid_methods", None)
    if allow:
        response.headers["Allow"] = ", ".join(sorted(allow))
    return response


def _first_field(messages: Any) -> str | None:
    for place in messages.values() if isinstance(messages, dict) else ():
        if isinstance(place, dict):
            return str(next(iter(place), "")) or None
    return None


def _first_words(messages: Any) -> str:
    while isinstance(messages, dict) and messages:
        messages = next(iter(messages.values()))
    return str(messages[0] if isinstance(messages, list) and messages else messages)


def _unforeseen(error: Exception) -> Response:
    log.exception("unforeseen")
    problem: dict[str, Any] = {
        "code": "internal",
        "field": None,
        "message": "Something broke inside Bornek.",
        "next_step": "Nothing was half written. Try again; if it stays, keep the log.",
        "details": {},
    }
    return answer(problem, 500)


def register_problems(app: Flask) -> None:
    app.register_error_handler(BornekError, _bornek)
    app.register_error_handler(HTTPException, _http)
    app.register_error_handler(Exception, _unforeseen)
