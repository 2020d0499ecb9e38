"""What is shown of the gauges that talk at a setting's stations."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.services.setting.say_gauge import GaugeSays


@dataclass(frozen=True)
class Fill:
    """A reading ready to be sent: `id` is the same for whoever saw the same pry, so that it counts once."""

    id: str
    slot: str
    text: str


@dataclass(frozen=True)
class LiveTake:
    """`number` counts the gauge's values, `press` its presses (0: seen by itself): a page that used a take asks for what
    came after it."""

    id: str
    number: int
    press: int
    words: str
    fills: list[Fill]


@dataclass(frozen=True)
class LiveRefused:
    """A press that took nothing, and why."""

    press: int
    words: str


@dataclass(frozen=True)
class LiveGauge:
    """One gauge at one station. `number` and `presses` count what came since it was opened; `at` is where its needle
    stands on the setting's readout; `wave` its last seconds."""

    gauge: str
    name: str
    slot: str
    session: str
    number: int
    presses: int
    says: GaugeSays
    shown: str
    at: float | None
    wave: list[float]
    lo: float
    hi: float
    motion: str
    takes: list[LiveTake]
    refused: list[LiveRefused]


@dataclass(frozen=True)
class LiveView:
    gauges: list[LiveGauge]
