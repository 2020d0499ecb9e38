"""Gauges' cards, the gauge plan's laws, and the words for a bush that is reamed."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.parts.gauge_plan import LEAST, WANTED, gauge_line
from bornek.core.phrases import adjust, text_of
from bornek.core.quantities import Speech
from bornek.core.settings.knobs import Continuous, Knob
from bornek.core.settings.state import Position
from bornek.core.windows import Window

DIVISIONS = st.sampled_from([0.001, 0.002, 0.005, 0.01, 0.02, 0.05])
WIDTHS = st.floats(0.002, 0.5)


def gauge(division: float, **more: object) -> Gauge:
    return Gauge(f"g{division}", f"Gauge {division}", division=division, **more)  # type: ignore[arg-type]


@pytest.mark.parametrize(
    "card",
    [
        {"division": 0.0},
        {"division": -1.0},
        {"interpolation": 0.0},
        {"interpolation": 1.5},
        {"calibration_u": -0.1},
    ],
)
def test_a_card_that_cannot_be_is_refused(card: dict[str, float]) -> None:
    with pytest.raises(RangeError, match="Gauge 'Dial'") as refused:
        Gauge("g", "Dial", **card)  # type: ignore[arg-type]
    assert "gauge's card" in (refused.value.next_step or "")


@given(DIVISIONS, st.sampled_from([0.2, 0.5, 1.0]))
def test_the_resolution_is_the_share_of_a_division_that_can_be_told(division: float, share: float) -> None:
    assert gauge(division, interpolation=share).resolution == pytest.approx(division * share)


@given(WIDTHS, DIVISIONS)
def test_the_words_follow_the_ratio(width: float, division: float) -> None:
    line = gauge_line("Play", Window(0.0, width, "card"), gauge(division), [])
    assert line.ratio is not None
    if line.ratio >= WANTED:
        assert line.enough
        assert "tells the window" in line.words
    elif line.ratio >= LEAST:
        assert "coarse" in line.words
    else:
        assert "cannot judge" in line.words


@given(WIDTHS, DIVISIONS, st.lists(DIVISIONS, max_size=6, unique=True))
def test_every_gauge_that_is_named_tells_the_window(
    width: float, division: float, shelf: list[float]
) -> None:
    cards = {g.name: g for g in map(gauge, shelf)}
    line = gauge_line("Play", Window(0.0, width, "card"), gauge(division), list(cards.values()))
    for name in line.better:
        assert width / cards[name].resolution >= WANTED
    fit = [n for n, g in cards.items() if width / g.resolution >= WANTED]
    if not line.enough:
        assert sorted(line.better) == sorted(fit)


def test_the_coarsest_that_does_is_named_first() -> None:
    shelf = [gauge(0.001), gauge(0.002), gauge(0.005)]
    line = gauge_line("Play", Window(0.0, 0.02, "card"), gauge(0.05), shelf)
    assert line.better == ("Gauge 0.002", "Gauge 0.001")


def test_an_overdue_gauge_is_neither_enough_nor_offered() -> None:
    late = gauge(0.001, due="2026-01-01", overdue=True)
    assert not gauge_line("Play", Window(0.0, 0.1, "card"), late, [late]).enough
    assert gauge_line("Play", Window(0.0, 0.02, "card"), gauge(0.05), [late]).better == ()


def test_a_gauge_of_another_quantity_is_not_offered() -> None:
    scale = Gauge("s", "Scale", "N", 0.001, quantity="force")
    assert gauge_line("Play", Window(0.0, 0.02, "card"), gauge(0.05), [scale]).better == ()


def test_an_open_window_asks_for_no_ratio() -> None:
    assert gauge_line("Float", Window(None, 0.3, "card"), gauge(0.05), []).ratio is None


BUSH = Knob(
    key="bore",
    label="Bore",
    place="bore",
    unit="mm",
    domain=Continuous(0.005, 40, 60),
    sense=1,
    noun="bore",
    more="Ream or hone the bush to",
    less="Fit a new bush and ream it to",
)


@given(st.floats(49.9, 50.1), st.floats(0.01, 0.2))
def test_a_bush_only_grows_smaller_takes_a_new_one(now: float, by: float) -> None:
    assert text_of(adjust(BUSH, Position(now), Position(now + by), Speech())).startswith(
        "Ream or hone the bush to "
    )
    assert text_of(adjust(BUSH, Position(now), Position(now - by), Speech())).startswith(
        "Fit a new bush and ream it to "
    )


def test_nothing_to_change_is_said_so() -> None:
    assert (
        text_of(adjust(BUSH, Position(50.0), Position(50.0), Speech()))
        == "Change nothing; re-seat and read again. "
    )


def test_other_adjusters_keep_their_words() -> None:
    spacer = Knob(
        key="spacer",
        label="Spacer",
        place="spacer",
        unit="mm",
        domain=Continuous(0.005, 1, 60),
        sense=1,
        noun="spacer",
    )
    assert (
        text_of(adjust(spacer, Position(6.80), Position(6.78), Speech()))
        == "Grind 0.020 off the spacer, to 6.78. "
    )
    assert text_of(adjust(spacer, Position(6.75), Position(6.78), Speech())) == "Make a spacer of 6.78. "
