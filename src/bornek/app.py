"""Wires the rooms together into one Flask application."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit

from flask import Flask, Response, jsonify, request, send_from_directory
from flask.json.provider import DefaultJSONProvider
from flask_smorest import Api
from werkzeug.exceptions import BadRequest, Forbidden, NotFound
from werkzeug.middleware.proxy_fix import ProxyFix
from werkzeug.security import safe_join

from bornek import __version__
from bornek.core.door import read_json
from bornek.core.errors import InputError
from bornek.devices.ears import Ears
from bornek.services.practice.rigs import OPEN_AT_ONCE, Rigs, practice_folder
from bornek.services.practice.standing import shown_rounds
from bornek.store.blobs import Blobs
from bornek.store.database import Database
from bornek.web.documents import schemas
from bornek.web.fit import routes as fit_routes
from bornek.web.hosts import host_check
from bornek.web.identity import Door, identify
from bornek.web.inspect import routes as inspect_routes
from bornek.web.job import routes as job_routes
from bornek.web.limits import MOST_JSON
from bornek.web.mesh import routes as mesh_routes
from bornek.web.people import routes as people_routes
from bornek.web.plan import routes as plan_routes
from bornek.web.practice import routes as practice_routes
from bornek.web.practice.rig_address import RigAddress, only_its_own
from bornek.web.problems import PROBLEM, register_problems
from bornek.web.prove import routes as prove_routes
from bornek.web.setting import routes as setting_routes
from bornek.web.shop import kinds as kind_routes
from bornek.web.shop import limits as limit_routes
from bornek.web.shop import report as report_routes
from bornek.web.shop import routes as shop_routes
from bornek.web.shop import sums as sum_routes
from bornek.web.shop import today as today_routes
from bornek.web.shop import type_making as type_making_routes
from bornek.web.shop import unit_types as unit_type_routes
from bornek.web.strip import routes as strip_routes
from bornek.web.unit import routes as unit_routes
from bornek.web.wire import Wire

PAGE = Path(__file__).parent / "page"
POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; "
    "frame-ancestors 'none'; base-uri 'none'"
)


class StrictJson(DefaultJSONProvider):
    """Bodies pass the core's door: finite numbers, bounded depth and size."""

    sort_keys = False

    def loads(self, s: str | bytes, **kwargs: Any) -> Any:
        return read_json(s)


def now() -> datetime:
    return datetime.now(UTC)


def wire_of(database: Database, clock: Callable[[], datetime] = now) -> Wire:
    """What an application works on: a database, the files beside it, a clock, and the gauges that talk."""
    return Wire(database, Blobs(database.files), clock, Ears())


def rig_wires(rigs: Rigs, clock: Callable[[], datetime]) -> Callable[[str], Wire]:
    """The wire of each rig, over its own database; what was thought through of it is kept with it."""
    kept: OrderedDict[str, Wire] = OrderedDict()

    def wire(key: str) -> Wire:
        database = rigs.database(key)
        held = kept.get(key)
        if held is None or held.sessions is not database:
            held = replace(
                wire_of(database, clock),
                veil=lambda session, today: shown_rounds(session, rigs, key, today),
                shut=lambda: rigs.is_lifted(key),
            )
            kept[key] = held
            while len(kept) > OPEN_AT_ONCE:
                kept.popitem(last=False)
        return held

    return wire


def put_under(app: Flask, database: Database, clock: Callable[[], datetime], trusts: bool) -> None:
    """What an application answers from: a yard, who is let in to it, and the rigs beside it."""
    app.extensions["bornek"] = wire_of(database, clock)
    app.extensions["bornek.door"] = Door(trusts)
    app.extensions["bornek.rigs"] = made = Rigs(practice_folder(database.path), clock)
    app.extensions["bornek.rig_wire"] = rig_wires(made, clock)


def create_app(
    database: Database,
    clock: Callable[[], datetime] = now,
    page: Path = PAGE,
    bound: str = "127.0.0.1",
    allowed_hosts: tuple[str, ...] = (),
    trusts: bool = False,
    proxied: bool = False,
) -> Flask:
    """The application over one database file; the page is served from `page`, to who asks for it under the
    address that was `bound` or an allowed name. `trusts`: whoever sits at this machine is taken at their word;
    `proxied`: one proxy stands before it, which says for whom it asks."""
    app = Flask("bornek", static_folder=None)
    app.config.update(
        API_TITLE="Bornek",
        API_VERSION=__version__,
        OPENAPI_VERSION="3.1.0",
        OPENAPI_URL_PREFIX="/api",
        OPENAPI_JSON_PATH="openapi.json",
        MAX_CONTENT_LENGTH=MOST_JSON,
        JSON_SORT_KEYS=False,
    )
    app.json = StrictJson(app)
    put_under(app, database, clock, trusts)
    app.wsgi_app = RigAddress(app.wsgi_app)  # type: ignore[method-assign]
    if proxied:
        app.wsgi_app = ProxyFix(app.wsgi_app, x_for=1, x_proto=1, x_host=1)  # type: ignore[method-assign]
    people_routes.limiter.init_app(app)
    register_problems(app)
    api = Api(app)
    api.spec.components.schema("Problem", PROBLEM)
    for name, component in schemas.components.items():
        api.spec.components.schema(name, component)
    for routes in (
        shop_routes,
        today_routes,
        unit_type_routes,
        type_making_routes,
        job_routes,
        strip_routes,
        inspect_routes,
        mesh_routes,
        plan_routes,
        fit_routes,
        prove_routes,
        unit_routes,
        setting_routes,
        kind_routes,
        sum_routes,
        limit_routes,
        report_routes,
        practice_routes,
        people_routes,
    ):
        api.register_blueprint(routes.blp)
    register_problems(app)
    app.before_request(host_check(bound, allowed_hosts))
    app.before_request(_same_origin)
    app.before_request(only_its_own)
    app.before_request(identify)
    app.before_request(_through_the_door)
    _serve_page(app, page)
    app.after_request(_headers)
    return app


def _through_the_door() -> None:
    """Every JSON body is finite, bounded and whole before anything reads it, whichever parser does."""
    if request.is_json and request.method in ("POST", "PUT", "PATCH"):
        body = request.get_data()
        try:
            read_json(body or b"null")
        except InputError as error:
            if error.details.get("broken"):
                raise BadRequest(error.message) from error
            raise


def _same_origin() -> None:
    """Another page in the same browser must not be able to write here."""
    origin = request.headers.get("Origin")
    if (
        origin
        and request.method not in ("GET", "HEAD", "OPTIONS")
        and urlsplit(origin).netloc != request.host
    ):
        raise Forbidden("This request came from another page.")


def _serve_page(app: Flask, page: Path) -> None:
    @app.get("/api/health")
    def health() -> Response:
        return jsonify({"ok": True, "version": __version__})

    @app.get("/", defaults={"path": ""})
    @app.get("/<path:path>")
    def shell(path: str) -> Response:
        if path.startswith("api/"):
            raise NotFound(f"Nothing lives at /{path}.")
        if path and _lies_in(page, path):
            return send_from_directory(page, path, max_age=31_536_000 if "assets/" in path else 0)
        if not (page / "index.html").is_file():
            raise NotFound("The page has not been built. Run `make build`.")
        return send_from_directory(page, "index.html", max_age=0)


def _lies_in(page: Path, path: str) -> bool:
    """Whether a file of the page is meant; nothing outside it is so much as looked at."""
    found = safe_join(str(page), path)
    return found is not None and Path(found).is_file()


def _headers(response: Response) -> Response:
    response.headers.setdefault("Content-Security-Policy", POLICY)
    response.headers.setdefault("X-Content-Type-Options", "nosniff")
    response.headers.setdefault("Cross-Origin-Resource-Policy", "same-origin")
    response.headers.setdefault("Referrer-Policy", "no-referrer")
    if request.path.startswith("/api/"):
        response.headers.setdefault("Cache-Control", "no-store")
    return response


def spec_of(app: Flask) -> dict[str, Any]:
    """The OpenAPI document, sorted, as served and as written to docs/openapi.json."""
    found: dict[str, Any] = app.test_client().get("/api/openapi.json").get_json()
    return found
