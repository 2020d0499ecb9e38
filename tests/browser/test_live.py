"""Hands on the pry bar: what a gauge that talks shows goes into the cell by itself."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import pytest
from flask.testing import FlaskClient
from playwright.sync_api import Page, Route, expect

from bornek.core.trace.presses import STALE, UNSETTLED
from bornek.devices.sim_motion import Bench
from bornek.devices.sim_needle import Faults
from bornek.devices.sim_server import SimGauge
from gauges import MEANT_APART, simulated, until, write_card

PUMP = "/jobs/p22/set/p22.thrust-end-play"
LIVE = "/api/settings/p22.thrust-end-play/live?at=travel.mark_up.1~talk"
NOT_HEARD = {"code": "not_found", "field": "gauge", "message": "Nobody listens to this gauge now.",
             "next_step": "Choose it at its station.", "details": {}}  # fmt: skip
PACK = {"id": "found", "kind": "as_found", "states": {"pack": [0.5, 0.2]}, "seen": 0}


@pytest.fixture
def sim(client: FlaskClient) -> Iterator[SimGauge]:
    with simulated(Bench("pries", 0.145), Faults(noise=0.0003)) as sim:
        write_card(client, sim)
        yield sim


@pytest.fixture
def pump_bench(bench: Page, client: FlaskClient, address: str) -> Page:
    """The pump's setting with its pack entered and nothing read."""
    seen = client.get("/api/settings/p22.thrust-end-play").get_json()["version"]
    answer = client.post("/api/settings/p22.thrust-end-play/acts", json=PACK | {"seen": seen},
                         headers={"X-Mechanic": "marl"})  # fmt: skip
    assert answer.status_code == 201, answer.get_json()
    bench.goto(address + PUMP)
    read_cautions(bench)
    return bench


def read_cautions(page: Page) -> None:
    page.get_by_role("button", name="Read Enter").click()


def choose(page: Page, gauge: str) -> None:
    page.locator("[data-gauge-choice]").click()
    page.locator(f"[data-option={gauge}]").click()


def hear_both(page: Page, client: FlaskClient, other: SimGauge) -> None:
    """A second gauge at the other end."""
    write_card(client, other, "other")
    page.reload()
    read_cautions(page)
    choose(page, "talk")
    page.locator("[data-second]").click()
    page.get_by_role("button", name="At the other end").click()
    page.get_by_role("option", name="Lever other").click()


@pytest.mark.wide
def test_three_pries_are_three_readings_and_none_is_typed(pump_bench: Page, sim: SimGauge) -> None:
    choose(pump_bench, "talk")
    for rep in (1, 2, 3):
        taken = pump_bench.locator(f"[data-slot='travel.mark_up.{rep}'][data-status=taken]")
        expect(taken).to_contain_text("0.14")
        expect(taken.locator("[data-mark=trace]")).to_have_count(1)
    expect(pump_bench.locator("[data-live-needle]")).to_have_count(1)


@pytest.mark.wide
def test_a_gauge_that_drops_out_in_a_round_is_said_and_typing_goes_on(
    pump_bench: Page, sim: SimGauge
) -> None:
    choose(pump_bench, "talk")
    expect(pump_bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")).to_be_visible()
    sim.silent = True
    expect(pump_bench.locator("[data-live-gauge=silent]")).to_contain_text("type the readings")
    live = pump_bench.locator("[data-live]")
    slot = live.locator("xpath=ancestor::*[@data-slot]").get_attribute("data-slot") or ""
    pump_bench.keyboard.type("0.15")
    pump_bench.keyboard.press("Enter")
    expect(pump_bench.locator(f"[data-slot='{slot}']")).to_contain_text("0.150")
    expect(pump_bench.locator("[data-slot='travel.mark_up.1']")).to_contain_text("0.14")
    sim.silent = False
    expect(pump_bench.locator("[data-live-gauge=talking]")).to_be_visible()


@pytest.mark.wide
def test_another_unit_than_the_card_s_is_asked_and_the_answer_counts(pump_bench: Page, sim: SimGauge) -> None:
    sim.swap(Faults(resolution=0.0005, wrong_unit=True))
    choose(pump_bench, "talk")
    pump_bench.locator("[data-unit=in]").click()
    expect(pump_bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")).to_contain_text("0.14")


@pytest.mark.wide
def test_both_ends_are_read_by_two_gauges_at_once(
    pump_bench: Page, sim: SimGauge, client: FlaskClient
) -> None:
    with simulated(Bench("pries", 0.12)) as other:
        hear_both(pump_bench, client, other)
        expect(pump_bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")).to_contain_text(
            "0.14"
        )
        expect(pump_bench.locator("[data-slot='travel.mark_down.1'][data-status=taken]")).to_contain_text(
            "0.12"
        )


@pytest.mark.wide
def test_of_two_gauges_that_are_pressed_at_once_each_says_its_own(
    pump_bench: Page, sim: SimGauge, client: FlaskClient
) -> None:
    sim.swap(Faults(drift=0.5))
    with simulated(Bench("still", 0.3)) as other:
        hear_both(pump_bench, client, other)
        panels = pump_bench.locator("[data-live-gauge]")
        expect(panels.nth(1).locator("[data-live-value]")).to_have_text("0.000")
        pump_bench.keyboard.press("Space")
        expect(panels.nth(0).locator("[data-live-words]")).to_have_text(UNSETTLED)
        expect(panels.nth(1).locator("[data-live-words]")).to_have_count(0)
        down = pump_bench.locator("[data-slot='travel.mark_down.1'][data-status=taken]")
        expect(down).to_contain_text("0.000")


@pytest.mark.wide
def test_space_takes_what_stands_a_tap_does_the_same_and_a_press_that_takes_nothing_says_so(
    pump_bench: Page, sim: SimGauge, client: FlaskClient
) -> None:
    sim.bench = Bench("still", 0.3)
    choose(pump_bench, "talk")
    expect(pump_bench.locator("[data-live-value]")).to_have_text("0.000")
    pump_bench.keyboard.press("Space")
    expect(pump_bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")).to_contain_text("0.000")
    sent = lambda: client.get(LIVE).get_json()["gauges"][0]["number"]  # noqa: E731
    before = sent()
    until(lambda: sent() > before + MEANT_APART)
    pump_bench.locator("[data-press]").click()
    expect(pump_bench.locator("[data-slot='travel.mark_up.2'][data-status=taken]")).to_contain_text("0.000")
    sim.silent = True
    expect(pump_bench.locator("[data-live-gauge=silent] [data-live-value]")).to_have_text("–")
    pump_bench.keyboard.press("Space")
    expect(pump_bench.locator("[data-live-words]")).to_have_text(STALE)


@pytest.mark.wide
@pytest.mark.parametrize("asked", ["**/presses", "**/live?*"])
@pytest.mark.parametrize(
    ("answered", "words"),
    [
        (
            lambda r: r.fulfill(status=404, json=NOT_HEARD),
            "Nobody listens to this gauge now. Choose it at its station.",
        ),
        (lambda r: r.abort(), "The yard does not answer. Type the readings: they are kept here."),
    ],
)
def test_what_does_not_reach_the_gauge_is_said_with_its_reason(
    pump_bench: Page, sim: SimGauge, asked: str, answered: Callable[[Route], None], words: str
) -> None:
    sim.bench = Bench("still", 0.3)
    choose(pump_bench, "talk")
    expect(pump_bench.locator("[data-live-value]")).to_have_text("0.000")
    pump_bench.route(asked, answered)
    pump_bench.keyboard.press("Space")
    expect(pump_bench.locator("[data-live-words]")).to_have_text(words)
    expect(pump_bench.locator("[data-status=taken]")).to_have_count(0)


@pytest.mark.wide
def test_a_line_is_written_and_tried_on_the_gauge_s_card(bench: Page, address: str, sim: SimGauge) -> None:
    bench.goto(address + "/gauges")
    bench.locator("[data-line=talk]").click()
    expect(bench.locator("[data-heard]")).to_contain_text("It sends: ")
    bench.locator("[name=pattern]").fill("{value}")
    bench.get_by_role("button", name="Write the line").click()
    expect(bench.locator("[data-heard]")).to_contain_text("which its pattern does not fit")
    bench.locator("[name=pattern]").fill("nothing")
    bench.get_by_role("button", name="Write the line").click()
    expect(bench.get_by_role("alert")).to_contain_text("{value} once")
    expect(bench.locator("[name=pattern]")).to_have_value("nothing")
