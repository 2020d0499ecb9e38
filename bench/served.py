"""A demo server as a process of its own on a free port, waited for by its health."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


class Server:
    """`start` waits until it answers; `kill` is kill -9 of the whole process group."""

    def __init__(self, data: Path, module: str = "bornek.cli") -> None:
        self.data, self.module, self.port = data, module, free_port()
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        command = [
            sys.executable,
            "-m",
            self.module,
            "demo",
            "--data",
            str(self.data),
            "--port",
            str(self.port),
        ]
        self.process = subprocess.Popen(
            command,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            start_new_session=True,
            cwd=Path(__file__).parent,
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
        assert self.process is not None
        os.killpg(self.process.pid, signal.SIGKILL)
        self.process.wait()

    def stop(self) -> None:
        assert self.process is not None
        os.killpg(self.process.pid, signal.SIGTERM)
        self.process.wait()


@contextmanager
def served(data: Path) -> Iterator[Server]:
    server = Server(data)
    server.start()
    try:
        yield server
    finally:
        server.stop()
