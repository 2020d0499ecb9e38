"""All gauges that are listened to now: one line each, whatever the number of pages."""

from __future__ import annotations

import threading
from collections.abc import Callable

from bornek.core.gauge_line import STREAM, TalkLine
from bornek.devices.gauge import Gauge
from bornek.devices.listener import Listener
from bornek.devices.serial_gauge import SerialGauge


class Ears:
    """By the gauge's id. A card that was written anew opens the line anew. `unit_meant` keeps what was answered where a
    gauge says another unit than its card does."""

    def __init__(self, make: Callable[[TalkLine], Gauge] = SerialGauge) -> None:
        self._make = make
        self._lock = threading.Lock()
        self._open: dict[str, tuple[TalkLine, Listener]] = {}
        self._meant: dict[tuple[str, str], str] = {}

    def listen(self, gauge_id: str, line: TalkLine) -> Listener:
        """The listener of a gauge, opened where it is not."""
        with self._lock:
            held = self._open.get(gauge_id)
            if held and held[0] == line and not held[1].closed:
                return held[1]
            if held:
                held[1].close()
            made = Listener(self._make(line), streams=line.way == STREAM)
            made.start()
            self._open[gauge_id] = line, made
            return made

    def listening(self, gauge_id: str) -> Listener | None:
        """The listener of a gauge that is open; None where nobody listens to it."""
        held = self._open.get(gauge_id)
        return held[1] if held and not held[1].closed else None

    def mean_unit(self, session: str, said: str, unit: str) -> None:
        self._meant[session, said] = unit

    def meant_unit(self, session: str, said: str) -> str:
        """What was answered about a unit that a gauge says; empty where nobody was asked yet."""
        return self._meant.get((session, said), "")

    def close(self) -> None:
        for _, listener in self._open.values():
            listener.close(wait=True)
        self._open.clear()
