"""Serves the application with waitress: one process, loopback by default.

A request is read whole before a thread takes it: a client that sends half of one, or a byte now and then,
holds a connection and never a thread.
"""

from __future__ import annotations

import signal
import socket
from types import FrameType
from typing import NoReturn

from flask import Flask
from waitress import create_server

from bornek.core.errors import InputError
from bornek.web.hosts import LOOPBACK
from bornek.web.limits import MOST_UPLOAD

LIMITS = {
    "threads": 6,
    "connection_limit": 1000,
    "channel_timeout": 60,
    "max_request_header_size": 32_768,
    "max_request_body_size": MOST_UPLOAD,
    "asyncore_use_poll": True,
    "ident": None,
    "clear_untrusted_proxy_headers": False,
}
"""Six threads keep two cores busy and let a short answer pass a long one; more only wait for each other. What a proxy says of whom it asks for is left to be seen: who comes over one is not at this
machine."""


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


def check_open(host: str, without_tls: bool) -> None:
    """Raises InputError where it would be open to the network and nobody said that this is meant."""
    if host not in LOOPBACK and not without_tls:
        raise InputError(
            f"{host} is open to the network, and without TLS whoever listens there reads every passphrase and may "
            "act in anybody's name.",
            field="host",
            next_step="Let a proxy with a certificate stand before it (docs/operate.md), or say --without-tls.",
        )


def serve(app: Flask, host: str, port: int, trusts: bool, proxied: bool = False) -> None:
    """Behind a proxy it takes its own port or none: the proxy would not find it at another."""
    taken = port if proxied and port else free_port(host, port)
    if taken != port:
        print(f"Port {port} is in use; taking {taken}.", flush=True)
    if host not in LOOPBACK:
        print("WARNING: open to the network without TLS: whoever listens there reads everything.", flush=True)
    if trusts:
        print(
            "Whoever sits at this machine is taken at their word and signs in by name; from any other machine an "
            "account is asked for.",
            flush=True,
        )
    shown = f"[{host}]" if ":" in host else host
    server = create_server(app, host=host, port=taken, **LIMITS)
    signal.signal(signal.SIGTERM, _stop)
    try:
        print(
            f"Bornek is at http://{shown}:{taken}/   (Ctrl-C stops it; what was entered is kept)", flush=True
        )
        server.run()
    except KeyboardInterrupt:
        pass  # before the first was answered: nothing to finish
    finally:
        server.close()


def _stop(_signal: int, _frame: FrameType | None) -> NoReturn:
    """As Ctrl-C does: what is being answered is finished first."""
    raise KeyboardInterrupt
