"""A gauge at the end of a serial line, or of a socket that stands in for one: the same code reads both."""

from __future__ import annotations

from collections.abc import Callable
from datetime import UTC, datetime
from time import monotonic
from typing import Any

import serial

from bornek.core.gauge_line import ASK, TalkLine
from bornek.devices.gauge import BadLine, Reading, Unreachable

WAIT_S = 0.05
"""A read waits so long for the next bytes; it is also how often a gauge that is asked is asked."""
BLOCK = 256
"""Bytes read at once, or fewer where no more come while it waits."""
LONGEST = 4096
"""Bytes without an end of line: this is no gauge's line."""


def utc_now() -> datetime:
    return datetime.now(UTC)


class SerialGauge:
    """Keeps to `devices.gauge.Gauge`."""

    def __init__(
        self,
        line: TalkLine,
        clock: Callable[[], float] = monotonic,
        day: Callable[[], datetime] = utc_now,
    ) -> None:
        self._line, self._clock, self._day = line, clock, day
        self._port: Any = None
        self._rest = b""

    def open(self) -> None:
        size, parity, stop = tuple(self._line.frame)
        try:
            self._port = serial.serial_for_url(
                self._line.port,
                baudrate=self._line.baud,
                bytesize=int(size),
                parity=parity,
                stopbits=int(stop),
                timeout=WAIT_S,
            )
        except (OSError, ValueError) as error:
            raise Unreachable(f"Nothing answers at {self._line.port}.") from error
        self._rest = b""

    def read(self) -> list[Reading]:
        try:
            if self._line.way == ASK:
                self._port.write(f"{self._line.ask}\r\n".encode())
            came = self._port.read(BLOCK)
        except (OSError, TypeError, AttributeError) as error:
            raise Unreachable(f"The line at {self._line.port} broke.") from error
        *lines, self._rest = (self._rest + came).replace(b"\r", b"\n").split(b"\n")
        if len(self._rest) > LONGEST:
            self._rest = b""
            raise BadLine("It sends without an end of line.")
        return self._readings([x for x in lines if x.strip()])

    def close(self) -> None:
        if self._port is not None:
            self._port.close()
            self._port = None

    def _readings(self, lines: list[bytes]) -> list[Reading]:
        """One line that does not fit does not cost those that came with it."""
        found: list[Reading] = []
        bad = ""
        for raw in lines:
            text = raw.decode("ascii", "replace").strip()
            at, moment = self._clock(), self._day()
            if self._line.is_pedal(text):
                found.append(Reading(None, "", at, moment, text, pedal=True))
                continue
            read = self._line.read(text)
            if read is None:
                bad = text
            else:
                found.append(Reading(read[0], read[1], at, moment, text))
        if bad and not found:
            raise BadLine(f"It sends {bad[:40]!r}, which its pattern does not fit.")
        return found
