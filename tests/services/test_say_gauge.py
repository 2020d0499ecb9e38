"""How a gauge that talks is, in words; and in which unit what it sends is taken."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from bornek.core.gauges import Gauge
from bornek.core.trace.trace import Trace
from bornek.devices.listener import Heard
from bornek.services.setting.say_gauge import say_gauge

HEARD = Heard("s", 0.0, Trace(np.array([0.0]), np.array([0.1])), "", (), "", silent=False)


@pytest.mark.parametrize(
    ("card", "sent", "factor"), [("mm", "in", 25.4), ("in", "mm", 1 / 25.4), ("µm", "mm", 1000.0), ("mm", "thou", 0.0254)]
)  # fmt: skip
def test_what_it_sends_is_brought_to_its_cards_unit_once_somebody_said_so(
    card: str, sent: str, factor: float
) -> None:
    gauge = Gauge("g", "Dial 3", unit=card)
    asked = say_gauge(gauge, HEARD, sent, "")
    assert (asked.state, asked.asks, asked.factor) == ("asks_unit", [[sent, sent], [card, card]], 1.0)
    assert f"says {sent}, its card says {card}" in asked.words
    assert say_gauge(gauge, HEARD, sent, sent).factor == pytest.approx(factor)
    by_card = say_gauge(gauge, HEARD, sent, card)
    assert (by_card.state, by_card.factor) == ("talking", 1.0)


def test_a_unit_that_nobody_knows_can_only_be_the_cards() -> None:
    asked = say_gauge(Gauge("g", "Dial 3", unit="mm"), HEARD, "furlong", "")
    assert (asked.state, asked.asks) == ("asks_unit", [["mm", "mm"]])


def test_what_stops_it_is_said_before_its_unit_is_asked() -> None:
    gauge = Gauge("g", "Dial 3", unit="mm")
    nothing = Trace(np.array([]), np.array([]))
    for heard, state in (
        (replace(HEARD, trouble="No answer.", silent=True), "unreachable"),
        (replace(HEARD, silent=True), "silent"),
        (replace(HEARD, trace=nothing), "opening"),
    ):
        assert say_gauge(gauge, heard, "in", "").state == state
    assert say_gauge(gauge, HEARD, "mm", "").state == say_gauge(gauge, HEARD, "", "").state == "talking"
