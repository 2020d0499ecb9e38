"""How a gauge that talks is reached and what its lines say: all of it written on its card by the shop."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from bornek.core.door import is_text
from bornek.core.errors import InputError
from bornek.core.quantities import UNITS

STREAM, ASK, PEDAL = "stream", "ask", "pedal"
WAYS = {
    STREAM: "sends all the time",
    ASK: "sends when it is asked",
    PEDAL: "sends at its button or pedal",
}
FRAMES = ("8N1", "7E1", "7O1", "7N1", "8E1", "8O1", "8N2", "7E2")
BAUDS = (300, 600, 1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200)
_PORT = re.compile(
    r"/dev/(tty[\w.-]+|serial/by-id/[\w.:-]+)|COM\d{1,3}|socket://[A-Za-z0-9.-]{1,100}:\d{2,5}"
)
_NUMBER = r"(?P<value>[-+]?\s{0,8}\d{1,12}(?:[.,]\d{1,9})?(?:[eE][-+]?\d{1,2})?)"
_FIELDS = {"{value}": _NUMBER, "{unit}": r"(?P<unit>[A-Za-z·µ\"°]{0,8})", "{any}": r".{0,40}?"}
LONGEST = 80


@dataclass(frozen=True)
class TalkLine:
    """`port`: a serial port, or socket://host:port for a converter or the simulated gauge. `pattern`: the line with
    {value}, {unit} and {any} where they stand. `pedal`: the line that says that somebody pressed."""

    port: str
    pattern: str = "{value} {unit}"
    way: str = STREAM
    ask: str = ""
    pedal: str = ""
    baud: int = 9600
    frame: str = "8N1"

    def __post_init__(self) -> None:
        if not _PORT.fullmatch(self.port):
            _no("port", "a serial port like /dev/ttyUSB0 or COM3, or socket://host:port", self.port)
        if self.pattern.count("{value}") != 1 or len(self.pattern) > LONGEST or not is_text(self.pattern):
            _no(
                "pattern",
                "the gauge's line with {value} once in it, at most 80 characters long",
                self.pattern,
            )
        if self.pattern.count("{unit}") > 1:
            _no("pattern", "with {unit} at most once in it", self.pattern)
        if self.way not in WAYS:
            _no("way", f"one of {', '.join(WAYS)}", self.way)
        if self.way == ASK and not self.ask:
            _no("ask", "what is sent to the gauge to ask it for a value", self.ask)
        for name in ("ask", "pedal"):
            if len(getattr(self, name)) > LONGEST or not is_text(getattr(self, name)):
                _no(name, "a text of at most 80 characters", getattr(self, name))
        if self.baud not in BAUDS:
            _no("baud", f"one of {', '.join(map(str, BAUDS))}", self.baud)
        if self.frame not in FRAMES:
            _no("frame", f"one of {', '.join(FRAMES)}", self.frame)

    @cached_property
    def _reads(self) -> re.Pattern[str]:
        parts = re.split(r"(\{value\}|\{unit\}|\{any\}|\s+)", self.pattern.strip())
        made = (r"\s*" if p.isspace() else _FIELDS.get(p) or re.escape(p) for p in parts if p)
        return re.compile("".join(made))

    def read(self, line: str) -> tuple[float, str] | None:
        """Value of a line and its unit as it stands there, or empty; None where the pattern does not fit.

        >>> TalkLine("COM3", "D1 {value} {unit}").read("D1 +0.145 MM")
        (0.145, 'MM')
        >>> TalkLine("COM3").read("ERR 2") is None
        True
        """
        found = self._reads.fullmatch(line.strip()[: LONGEST * 2])
        if found is None:
            return None
        said = (found.groupdict().get("unit") or "").strip()
        return float(found["value"].replace(" ", "").replace(",", ".")), said

    def is_pedal(self, line: str) -> bool:
        return bool(self.pedal) and line.strip() == self.pedal.strip()


def _no(field: str, wanted: str, got: Any) -> None:
    raise InputError(
        f"The gauge's {field} must be {wanted} (got {str(got)[:60]!r}).",
        field=field,
        next_step="Look it up in the gauge's manual, then write it on its card.",
    )


def in_core_units(value: float, unit: str, quantity: str) -> float:
    """A gauge's value in the core's unit of its quantity.

    >>> round(in_core_units(0.1, "in", "length"), 4)
    2.54
    """
    return value * UNITS[quantity][unit]
