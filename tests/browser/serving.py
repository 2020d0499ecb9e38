"""The application on a free port of this process, and the mechanic whom its pages know."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from flask import Flask
from werkzeug.serving import WSGIRequestHandler, make_server

from bornek.app import PAGE

ACTOR = "localStorage.setItem('bornek.actor', 'marl')"
ASKED_EVERY_S = 0.02
"""How soon a server sees that it is to end: half a second, which is usual, every test of a page would wait for."""


class Settled:
    """The application, and whether it is at a request: the next test has this test's file, and no late answer writes in it."""

    def __init__(self, app: Flask) -> None:
        self.app = app
        self._at_work = 0
        self._changed = threading.Condition()

    def __call__(self, environ: Any, start_response: Any) -> Any:
        self._step(1)
        try:
            return self.app(environ, start_response)
        finally:
            self._step(-1)

    def _step(self, by: int) -> None:
        with self._changed:
            self._at_work += by
            self._changed.notify_all()

    def settle(self) -> None:
        with self._changed:
            self._changed.wait_for(lambda: self._at_work == 0)


class Quiet(WSGIRequestHandler):
    def log(self, type: str, message: str, *args: Any) -> None:
        """Nothing of every asset that is fetched."""


@contextmanager
def served(app: Flask) -> Iterator[str]:
    assert (PAGE / "index.html").is_file(), "build the page first: make build"
    settled = Settled(app)
    server = make_server("127.0.0.1", 0, settled, threaded=True, request_handler=Quiet)
    thread = threading.Thread(target=server.serve_forever, args=(ASKED_EVERY_S,), daemon=True)
    thread.start()
    try:
        yield f"http://127.0.0.1:{server.port}"
    finally:
        server.shutdown()
        thread.join()
        settled.settle()
