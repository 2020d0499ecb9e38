"""What every route documents: its view and its problems."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from flask_smorest import Blueprint

from bornek.web.schema_of import Schemas

schemas = Schemas()
PROBLEM_REF = {"$ref": "#/components/schemas/Problem"}
HEADERS = [
    {"in": "header", "name": "X-Mechanic", "required": False, "schema": {"type": "string"},
     "description": "id of the mechanic who acts, where the machine is trusted: named, not authenticated"},
    {"in": "header", "name": "X-Token", "required": False, "schema": {"type": "string"},
     "description": "the token of the sign-in, as /api/me says it"},
    {"in": "header", "name": "Idempotency-Key", "required": False,
     "schema": {"type": "string", "maxLength": 100}},
    {"in": "header", "name": "X-Made-At", "required": False, "schema": {"type": "string", "format": "date-time"},
     "description": "when it was done, where it was kept while the yard did not answer"},
]  # fmt: skip
GUARDED = (401, 403)
"""Nobody is signed in, or whoever is may not."""
_Route = Callable[..., Any]


def view_of(kind: Any) -> dict[str, Any]:
    return schemas.of(kind)


def shows(blp: Blueprint, kind: Any, *problems: int) -> Callable[[_Route], _Route]:
    """A route that reads."""

    def decorate(route: _Route) -> _Route:
        for status in (*GUARDED, *problems):
            route = _problem(blp, status)(route)
        decorated: _Route = blp.response(200, view_of(kind))(route)
        return decorated

    return decorate


def writes(blp: Blueprint, body: Any, kind: Any) -> Callable[[_Route], _Route]:
    """A route that writes: takes `body`, answers 201 with the view."""

    def decorate(route: _Route) -> _Route:
        for status in (400, *GUARDED, 404, 409, 415, 422, 429):
            route = _problem(blp, status)(route)
        route = blp.response(201, view_of(kind))(route)
        route = blp.doc(parameters=HEADERS)(route)
        decorated: _Route = blp.arguments(body)(route)
        return decorated

    return decorate


def problems(blp: Blueprint, *statuses: int) -> Callable[[_Route], _Route]:
    """The refusals that a route of a file documents."""

    def decorate(route: _Route) -> _Route:
        for status in (*GUARDED, *statuses):
            route = _problem(blp, status)(route)
        return route

    return decorate


def _problem(blp: Blueprint, status: int) -> Callable[[_Route], _Route]:
    decorate: Callable[[_Route], _Route] = blp.alt_response(
        status, schema=PROBLEM_REF, content_type="application/problem+json"
    )
    return decorate
