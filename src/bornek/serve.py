"""Serves the application with gunicorn: one process, sixteen threads, loopback by default."""

from __future__ import annotations

import socket
from typing import Any

from flask import Flask
from gunicorn.app.base import BaseApplication  # type: ignore[import-untyped]

OPTIONS = {"worker_class": "gthread", "workers": 1, "threads": 16, "graceful_timeout": 2,
           "loglevel": "warning", "control_socket_disable": True}  # fmt: skip
LOOPBACK = ("127.0.0.1", "localhost", "::1")


class Server(BaseApplication):  # type: ignore[misc]
    """`ready` is said once it listens and Ctrl-C stops it cleanly."""

    def __init__(self, app: Flask, bind: str, ready: str) -> None:
        self.application, self.bind, self.ready = app, bind, ready
        super().__init__()

    def load_config(self) -> None:
        for key, value in {**OPTIONS, "bind": self.bind}.items():
            if key in self.cfg.settings:
                self.cfg.set(key, value)
        self.cfg.set("when_ready", lambda _: print(self.ready, flush=True))

    def load(self) -> Any:
        return self.application


def free_port(host: str, wanted: int) -> int:
    """The wanted port, or the next free one above it, or any."""
    for port in (*range(wanted, wanted + 20), 0):
        with socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET) as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind((host, port))
            except OSError:
                continue
            return int(probe.getsockname()[1])
    return wanted


def serve(app: Flask, host: str, port: int) -> None:
    taken = free_port(host, port)
    if taken != port:
        print(f"Port {port} is in use; taking {taken}.", flush=True)
    if host not in LOOPBACK:
        print(
            "WARNING: open to the shop's network, and there are no accounts: anyone who reaches this "
            "address can read and write under any name.",
            flush=True,
        )
    ready = f"Bornek is at http://{host}:{taken}/   (Ctrl-C stops it; what was entered is kept)"
    Server(app, f"{host}:{taken}", ready).run()
