"""How a gauge that talks is, in words for the bench."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from bornek.core.gauges import Gauge
from bornek.core.quantities import UNITS
from bornek.devices.listener import Heard

State = Literal["opening", "talking", "silent", "unreachable", "asks_unit"]
TYPE_ON = "Nothing is lost: type the readings, or see to its cable."


@dataclass(frozen=True)
class GaugeSays:
    """`asks`: the units between which somebody must choose before anything is taken. `factor` brings what it sends to
    its card's unit."""

    state: State
    words: str
    asks: list[list[str]]
    factor: float = 1.0

    @property
    def mute(self) -> bool:
        """Nothing is heard of it: what it showed last is no value any more."""
        return self.state in ("silent", "unreachable")

    def with_words(self, words: str) -> GaugeSays:
        return replace(self, words=words)


def say_gauge(gauge: Gauge, heard: Heard, said: str, meant: str) -> GaugeSays:
    """`said` is the unit of its last line as it is known here, `meant` what was answered about it.

    >>> import numpy as np
    >>> from bornek.core.trace.trace import Trace
    >>> quiet = Heard("s", 0.0, Trace(np.array([0.0]), np.array([0.1])), "", (), "", silent=True)
    >>> say_gauge(Gauge("g", "Dial 3"), quiet, "", "").state
    'silent'
    """
    if heard.trouble:
        return GaugeSays("unreachable", f"{gauge.name}: {heard.trouble} {TYPE_ON}", [])
    if heard.silent:
        return GaugeSays("silent", f"{gauge.name} sends nothing any more. {TYPE_ON}", [])
    if not len(heard.trace):
        return GaugeSays("opening", f"Waiting for {gauge.name}.", [])
    if not said or said == gauge.unit:
        return GaugeSays("talking", "", [])
    units = UNITS[gauge.quantity]
    if meant == said and said in units:
        return GaugeSays("talking", "", [], units[said] / units[gauge.unit])
    if meant == gauge.unit:
        return GaugeSays("talking", "", [])
    choices = [[u, u] for u in dict.fromkeys((said, gauge.unit)) if u in units]
    words = f"{gauge.name} says {said}, its card says {gauge.unit}. Which is it? Nothing is taken before."
    return GaugeSays("asks_unit", words, choices)
