"""The simulated gauge: a small server that sends lines over TCP as a converter on a serial line does."""

from __future__ import annotations

import socketserver
import threading
from time import monotonic, sleep
from typing import Any

from bornek.devices.sim_motion import Bench
from bornek.devices.sim_needle import Faults, Needle

RATE_HZ = 25.0
ASKED = b"?"


class SimGauge:
    """Serves one simulated gauge until it is closed; every client hears the same bench. `faults` and `bench` may be
    changed while it runs; `press()` sends the pedal's line; `silent` keeps it quiet."""

    def __init__(
        self,
        bench: Bench,
        faults: Faults,
        host: str = "127.0.0.1",
        port: int = 0,
        stream: bool = True,
        rate: float = RATE_HZ,
        seed: int = 1,
    ) -> None:
        self.bench, self.stream, self.rate = bench, stream, rate
        self.needle = Needle(faults, seed)
        self.silent = False
        self._pedals = 0
        self._begun = monotonic()
        self._lock = threading.Lock()
        self._open = True
        sim = self

        class Client(socketserver.BaseRequestHandler):
            def handle(self) -> None:
                sim._serve(self.request)

        class Server(socketserver.ThreadingTCPServer):
            allow_reuse_address = True
            daemon_threads = True

        self._server = Server((host, port), Client)

    @property
    def port(self) -> int:
        return int(self._server.server_address[1])

    @property
    def address(self) -> str:
        return f"socket://127.0.0.1:{self.port}"

    def start(self) -> None:
        threading.Thread(target=self._server.serve_forever, name="gauge-sim", daemon=True).start()

    def serve_forever(self) -> None:
        self._server.serve_forever()

    def close(self) -> None:
        self._open = False
        self._server.shutdown()
        self._server.server_close()

    def press(self) -> None:
        """Somebody steps on the pedal."""
        self._pedals += 1

    def swap(self, faults: Faults) -> None:
        """From now on it has other faults."""
        with self._lock:
            self.needle = Needle(faults, self.needle.seed)

    def _serve(self, client: Any) -> None:
        client.settimeout(0.0 if self.stream else 1.0)
        pedals = self._pedals
        try:
            while self._open:
                if self.stream:
                    sleep(1 / self.rate)
                elif not self._is_asked(client):
                    continue
                while pedals < self._pedals:
                    pedals += 1
                    client.sendall(b"PEDAL\r\n")
                line = None if self.silent else self._line()
                if line is not None:
                    client.sendall(f"{line}\r\n".encode())
        except OSError:
            return

    @staticmethod
    def _is_asked(client: Any) -> bool:
        try:
            came = client.recv(64)
        except TimeoutError:
            return False
        if not came:
            raise ConnectionError
        return ASKED in came

    def _line(self) -> str | None:
        t = monotonic() - self._begun
        with self._lock:
            return self.needle.line(self.bench.at(t), t)
