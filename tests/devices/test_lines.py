"""The serial gauge over a socket, the simulated one behind it, and what a listener keeps."""

from __future__ import annotations

from collections.abc import Iterator

import pytest

from bornek.core.gauge_line import TalkLine
from bornek.devices.ears import Ears
from bornek.devices.gauge import Reading, Unreachable
from bornek.devices.listener import Listener
from bornek.devices.serial_gauge import SerialGauge
from bornek.devices.sim_motion import Bench
from bornek.devices.sim_needle import Faults, Needle
from gauges import simulated, until


@pytest.fixture
def ears() -> Iterator[Ears]:
    made = Ears()
    yield made
    made.close()


def read_some(gauge: SerialGauge) -> list[Reading]:
    return until(gauge.read)


def test_a_reading_has_value_unit_moment_and_the_raw_text() -> None:
    with simulated(Bench("still", 0.2)) as sim:
        gauge = SerialGauge(TalkLine(sim.address))
        gauge.open()
        one = read_some(gauge)[0]
        gauge.close()
    assert (one.value, one.unit, one.raw) == (0.2, "MM", "+0.2000 MM")
    assert one.moment.tzinfo is not None


def test_a_gauge_that_is_asked_answers() -> None:
    with simulated(Bench("still", 0.2), stream=False) as sim:
        gauge = SerialGauge(TalkLine(sim.address, way="ask", ask="?"))
        gauge.open()
        assert read_some(gauge)[0].value == 0.2
        gauge.close()


def test_nothing_there_is_unreachable_and_said_with_its_address() -> None:
    with simulated() as sim:
        address = sim.address
    with pytest.raises(Unreachable, match=address):
        SerialGauge(TalkLine(address)).open()


def test_a_pedal_is_heard_among_the_values(ears: Ears) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        listener = ears.listen("g", TalkLine(sim.address, pedal="PEDAL"))
        until(lambda: len(listener.heard().trace))
        sim.press()
        assert until(lambda: listener.heard().pressed)


def test_any_number_of_pages_share_one_line(ears: Ears) -> None:
    with simulated() as sim:
        line = TalkLine(sim.address)
        assert ears.listen("g", line) is ears.listen("g", TalkLine(sim.address))


def test_a_card_written_anew_opens_the_line_anew(ears: Ears) -> None:
    with simulated() as sim:
        first = ears.listen("g", TalkLine(sim.address))
        assert ears.listen("g", TalkLine(sim.address, pattern="{value}{any}")) is not first
        assert first.closed


def test_a_gauge_that_falls_silent_is_said_and_what_it_sent_is_kept(ears: Ears) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        listener = ears.listen("g", TalkLine(sim.address))
        until(lambda: len(listener.heard().trace) > 3)
        sim.silent = True
        heard = until(lambda: (h := listener.heard()).silent and h)
        assert heard.trace.v[-1] == 0.2
        sim.silent = False
        until(lambda: not listener.heard().silent)


def test_a_line_that_breaks_is_opened_again(ears: Ears) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        port = sim.port
        listener = ears.listen("g", TalkLine(sim.address))
        until(lambda: len(listener.heard().trace))
    until(lambda: listener.heard().trouble)
    with simulated(Bench("still", 0.3), port=port):
        assert until(lambda: listener.heard().trace.v[-1] == 0.3)


def test_nonsense_among_the_lines_costs_none_of_the_others(ears: Ears) -> None:
    with simulated(Bench("still", 0.2), Faults(garbage=0.4), rate=100) as sim:
        listener = ears.listen("g", TalkLine(sim.address))
        until(lambda: len(listener.heard().trace) > 10)
        assert set(listener.heard().trace.v) == {0.2}


def test_lines_that_fit_no_pattern_are_quoted(ears: Ears) -> None:
    with simulated(Bench("still", 0.2)) as sim:
        listener = ears.listen("g", TalkLine(sim.address, pattern="N{value}"))
        assert "+0.2000 MM" in until(lambda: listener.heard().trouble)


def test_a_dead_needle_never_moves_and_a_stiff_one_comes_late() -> None:
    assert Needle(Faults(dead=True)).shows(0.5, 1) == 0
    stiff = Needle(Faults(stiction=0.02))
    assert stiff.shows(0.019, 0) == 0
    assert stiff.shows(0.1, 0) == 0.09


def test_drift_and_the_wrong_unit_show_on_the_line() -> None:
    assert Needle(Faults(drift=0.01)).shows(0, 10) == pytest.approx(0.1)
    assert Needle(Faults(wrong_unit=True)).line(2.54, 0) == "+0.10000 IN"


def test_what_was_seen_near_the_same_mark_is_the_same_but_two_lines_are_two() -> None:
    listener = Listener(SerialGauge(TalkLine("COM3")), streams=True)
    first, again = (listener.keep_once("s.up.pry", mark, {"n": mark}) for mark in (100, 103))
    assert first == again == ("s.up.pry.100", {"n": 100})
    assert listener.keep_once("s.up.pry", 160, {"n": 160})[1] == {"n": 160}
    lines = [listener.keep_once("s.up.line", mark, {"n": mark}, near=0)[1]["n"] for mark in (1, 2)]
    assert lines == [1, 2]
