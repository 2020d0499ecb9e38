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


class Quiet(WSGIRequestHandler):
    def log(self, type: str, message: str, *args: Any) -> None:
        """Nothing of every asset that is fetched."""


@contextmanager
def served(app: Flask) -> Iterator[str]:
    assert (PAGE / "index.html").is_file(), "build the page first: make build"
    server = make_server("127.0.0.1", 0, app, threaded=True, request_handler=Quiet)
    thread = threading.Thread(target=server.serve_forever, daemon=True)
    thread.start()
    yield f"http://127.0.0.1:{server.port}"
    server.shutdown()
    thread.join()
