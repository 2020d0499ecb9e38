"""All gauges that are listened to now: one line each, whatever the number of pages."""

from __future__ import annotations

import threading
from collections.abc import Callable
from typing import Any

from bornek.core.gauge_line import PEDAL, STREAM, TalkLine
from bornek.devices.gauge import Gauge
from bornek.devices.listener import Listener
from bornek.devices.serial_gauge import SerialGauge

HELD = 50


class Ears:
    """By the gauge's id. A card that was written anew opens the line anew. `unit_meant` keeps what was answered where a
    gauge says another unit than its card does."""

    def __init__(self, make: Callable[[TalkLine], Gauge] = SerialGauge) -> None:
        self._make = make
        self._lock = threading.Lock()
        self._open: dict[str, tuple[TalkLine, Listener]] = {}
        self._meant: dict[tuple[str, str], str] = {}
        self._held: dict[str, dict[str, Any]] = {}

    def listen(self, gauge_id: str, line: TalkLine) -> Listener:
        """The listener of a gauge, opened where it is not."""
        with self._lock:
            held = self._open.get(gauge_id)
            if held and held[0] == line and not held[1].closed:
                return held[1]
            if held:
                held[1].close()
            made = Listener(self._make(line), streams=line.way == STREAM, own_key=line.way == PEDAL)
            made.start()
            self._open[gauge_id] = line, made
            return made

    def listening(self, gauge_id: str) -> Listener | None:
        """The listener of a gauge that is open; None where nobody listens to it."""
        held = self._open.get(gauge_id)
        return held[1] if held and not held[1].closed else None

    def hold(self, key: str, taken: dict[str, Any]) -> None:
        """Holds what was taken where no line is listened to: at a rig."""
        with self._lock:
            self._held[key] = taken
            while len(self._held) > HELD:
                self._held.pop(next(iter(self._held)))

    def held(self, gauge_id: str, key: str) -> dict[str, Any] | None:
        """What may be taken under a key; None where it is gone."""
        listener = self.listening(gauge_id)
        return (listener.kept(key) if listener else None) or self._held.get(key)

    def mean_unit(self, session: str, said: str, unit: str) -> None:
        self._meant[session, said] = unit

    def meant_unit(self, session: str, said: str) -> str:
        """What was answered about a unit that a gauge says; empty where nobody was asked yet."""
        return self._meant.get((session, said), "")

    def close(self) -> None:
        for _, listener in self._open.values():
            listener.close(wait=True)
        self._open.clear()
