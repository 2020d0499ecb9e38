"""A demo server as a process of its own on a free port, waited for by its health.

Each is forked from a process that has read the program already, so that two hundred starts do not read it two hundred times.
"""

from __future__ import annotations

import multiprocessing
import os
import runpy
import socket
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from multiprocessing.process import BaseProcess
from pathlib import Path


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


FORKS = multiprocessing.get_context("forkserver")
FORKS.set_forkserver_preload(["bornek.cli"])


def _run(heard: str, module: str, *arguments: str) -> None:
    sys.stdout = sys.stderr = open(heard, "w", buffering=1)  # noqa: SIM115 - until it ends
    sys.argv = [module, *arguments]
    runpy.run_module(module, run_name="__main__")


def forked(heard: Path | str, module: str, *arguments: str) -> BaseProcess:
    """As `python -m module arguments`; what it says goes where it is `heard`."""
    process = FORKS.Process(target=_run, args=(str(heard), module, *arguments), daemon=True)
    process.start()
    return process


class Server:
    """`start` waits until it answers; `kill` is kill -9."""

    def __init__(self, data: Path, module: str = "bornek.cli") -> None:
        self.data, self.module, self.port = data, module, free_port()

    def start(self) -> None:
        self.process = forked(
            os.devnull, self.module, "demo", "--data", str(self.data), "--port", str(self.port)
        )
        deadline = time.monotonic() + 30
        while time.monotonic() < deadline:
            try:
                urllib.request.urlopen(f"http://127.0.0.1:{self.port}/api/health", timeout=1)
            except OSError:
                time.sleep(0.02)
            else:
                return
        raise RuntimeError("The server did not come up.")

    def kill(self) -> None:
        self.process.kill()
        self.process.join()

    def stop(self) -> None:
        self.process.terminate()
        self.process.join()


@contextmanager
def served(data: Path) -> Iterator[Server]:
    server = Server(data)
    server.start()
    try:
        yield server
    finally:
        server.stop()
