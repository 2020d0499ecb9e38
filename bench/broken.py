"""A deliberately broken server for bench/kills.py: it answers first and commits a little later."""

from __future__ import annotations

import queue
import sys
import threading
import time
from collections.abc import Callable
from typing import Any

from flask import Response, jsonify, request

from bornek import cli
from bornek.services.desk import Desk
from bornek.web.wire import Wire

_late: queue.Queue[Callable[[], None]] = queue.Queue()


def _write_later(self: Wire, work: Callable[..., Any], *args: Any) -> Response:
    actor, now = request.headers.get("X-Mechanic", ""), self.clock()

    def commit() -> None:
        time.sleep(0.03)
        with self.sessions.writing() as session:
            work(Desk(session, actor, now), *args)

    _late.put(commit)
    response = jsonify({})
    response.status_code = 201
    return response


def _worker() -> None:
    while True:
        _late.get()()


if __name__ == "__main__":
    Wire.write = _write_later  # type: ignore[method-assign]
    threading.Thread(target=_worker, daemon=True).start()
    sys.exit(cli.main())
