"""What every gauge that talks can do.

GaugeTrouble
├── Unreachable   nothing answers at its address
└── BadLine       a line that its pattern does not fit
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Protocol


@dataclass(frozen=True)
class Reading:
    """One value as the gauge sent it: in its own unit, `unit` as the line says it or empty, the moment it came [s since
    any fixed moment, and as a time of day], and the raw text. `pedal`: somebody pressed; there is no value then."""

    value: float | None
    unit: str
    at_s: float
    moment: datetime
    raw: str
    pedal: bool = False


class GaugeTrouble(Exception):
    """What is wrong with a gauge's line, in words for the bench."""


class Unreachable(GaugeTrouble):
    pass


class BadLine(GaugeTrouble):
    pass


class Gauge(Protocol):
    """A gauge that talks, real or simulated: opened, read until it is closed."""

    def open(self) -> None:
        """Raises Unreachable."""

    def read(self) -> list[Reading]:
        """What came since it was asked last; waits a moment at most. Raises Unreachable where the line broke, BadLine
        for one that its pattern does not fit."""

    def close(self) -> None: ...
