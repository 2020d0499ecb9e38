"""A deliberately broken server for bench/kills.py: it answers first and commits a little later."""

from __future__ import annotations

import queue
import sys
import threading
import time
from collections.abc import Callable
from functools import cache
from typing import Any

from flask import request

from bornek import cli
from bornek.services.desk import Desk
from bornek.web.wire import Wire

_late: queue.Queue[Callable[[], None]] = queue.Queue()


def _write_later(self: Wire, work: Callable[..., Any], *args: Any) -> None:
    actor, now = request.headers.get("X-Mechanic", ""), self.clock()

    def commit() -> None:
        time.sleep(0.03)
        with self.sessions.writing() as session:
            work(Desk(session, actor, now), *args)

    _late.put(commit)
    _start_worker()


@cache
def _start_worker() -> None:
    def run() -> None:
        while True:
            _late.get()()

    threading.Thread(target=run, daemon=True).start()


if __name__ == "__main__":
    Wire.write = _write_later  # type: ignore[method-assign]
    sys.exit(cli.main())
