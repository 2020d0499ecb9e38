"""One gauge listened to: a thread of its own fills a short memory that any number of pages look into."""

from __future__ import annotations

import logging
import threading
import uuid
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass
from time import monotonic
from typing import Any

import numpy as np

from bornek.core.trace.presses import STALE_S, Press
from bornek.core.trace.trace import Trace
from bornek.devices.gauge import BadLine, Gauge, Reading, Unreachable

log = logging.getLogger("bornek")

REMEMBERED = 4000
"""Values kept: more than a minute of a fast gauge."""
SILENT_S = STALE_S
"""A gauge that sends all the time and sent nothing for so long is silent."""
UNHEARD_S = 20.0
"""A gauge that no page asked about for so long is closed."""
AGAIN_S = 1.0
KEPT = 200
SAME = 8
"""Two takes so few values apart are one, seen twice."""


@dataclass(frozen=True)
class Heard:
    """What came since the gauge was opened. `session` names this opening; `now` and the trace's times are of one
    clock; `pressed` are the last presses of pedal and key; `unit` is what the last line said, `raw` the line itself."""

    session: str
    now: float
    trace: Trace
    unit: str
    pressed: tuple[Press, ...]
    trouble: str
    silent: bool
    raw: str = ""

    @property
    def number(self) -> int:
        """How many values came since it was opened."""
        return self.trace.first + len(self.trace)

    @property
    def presses(self) -> int:
        """How many presses there were since it was opened."""
        return self.pressed[-1].number if self.pressed else 0


class Listener:
    """`streams`: it sends all the time. `own_key`: it sends a value only where somebody presses the gauge's own button
    or pedal."""

    def __init__(
        self, gauge: Gauge, streams: bool, clock: Callable[[], float] = monotonic, own_key: bool = False
    ) -> None:
        self._gauge, self._streams, self._clock, self.own_key = gauge, streams, clock, own_key
        self._lock = threading.Lock()
        self._values: deque[Reading] = deque(maxlen=REMEMBERED)
        self._pressed: deque[Press] = deque(maxlen=50)
        self._kept: dict[str, dict[str, Any]] = {}
        self._count = 0
        self._trouble = ""
        self._unit = self._raw = ""
        self._last = self._asked = clock()
        self._stop = threading.Event()
        self.session = uuid.uuid4().hex[:12]
        self._thread = threading.Thread(target=self._listen, name="gauge", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def close(self, wait: bool = False) -> None:
        self._stop.set()
        if wait:
            self._thread.join(5)

    @property
    def closed(self) -> bool:
        return self._stop.is_set()

    def press(self) -> None:
        """The key at the page does what a pedal does."""
        with self._lock:
            self._press_at(self._clock())

    def _press_at(self, moment: float) -> None:
        before = self._pressed[-1].number if self._pressed else 0
        self._pressed.append(Press(before + 1, moment))

    def keep_once(
        self, what: str, mark: int, taken: dict[str, Any], near: int = SAME
    ) -> tuple[str, dict[str, Any]]:
        """Holds what may be taken until somebody takes it, or until much else was; what was seen near the same mark is
        the same, for every page and however often it is seen. Answers with its key and what is held."""
        with self._lock:
            for key, held in self._kept.items():
                at = key.removeprefix(f"{what}.")
                if at.isdigit() and abs(int(at) - mark) <= near:
                    return key, held
            key = f"{what}.{mark}"
            self._kept[key] = taken
            while len(self._kept) > KEPT:
                self._kept.pop(next(iter(self._kept)))
            return key, taken

    def kept(self, key: str) -> dict[str, Any] | None:
        with self._lock:
            return self._kept.get(key)

    def heard(self) -> Heard:
        """Looked into by a page: this is also what keeps the gauge open."""
        now = self._clock()
        with self._lock:
            self._asked = now
            values = list(self._values)
            pressed, trouble, unit, count = tuple(self._pressed), self._trouble, self._unit, self._count
            raw = self._raw
            silent = self._streams and now - self._last > SILENT_S
        trace = Trace(
            np.array([r.at_s for r in values]),
            np.array([r.value for r in values], dtype=float),
            count - len(values),
        )
        return Heard(self.session, now, trace, unit, pressed, trouble, silent, raw)

    def _listen(self) -> None:
        try:
            while not self._stop.is_set() and self._clock() - self._asked < UNHEARD_S:
                self._once()
        except Exception:
            log.exception("a gauge's line stopped")
            self._trouble = "Its line stopped for a reason that is in the log."
        finally:
            self._stop.set()
            self._gauge.close()

    def _once(self) -> None:
        """Opens, and reads until the line breaks."""
        try:
            self._gauge.open()
            self._say("")
            while not self._stop.is_set() and self._clock() - self._asked < UNHEARD_S:
                try:
                    self._take(self._gauge.read())
                except BadLine as error:
                    self._say(str(error))
        except Unreachable as error:
            self._say(str(error))
            self._gauge.close()
            self._stop.wait(AGAIN_S)

    def _say(self, words: str) -> None:
        with self._lock:
            self._trouble = words

    def _take(self, readings: list[Reading]) -> None:
        if not readings:
            return
        with self._lock:
            self._last, self._trouble = self._clock(), ""
            for reading in readings:
                if reading.pedal:
                    self._press_at(reading.at_s)
                else:
                    self._values.append(reading)
                    self._count += 1
                    self._unit = reading.unit
                self._raw = reading.raw
