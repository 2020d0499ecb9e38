"""Fits in the browser: from the micrometer over the oven to the seat check, and sums without a job."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from controls import home, pick, say

SIZES = {
    "nominal": "90", "shaft_fit": "s6", "bore_fit": "H7", "shaft_a1": "90.085", "shaft_a2": "90.086", "shaft_b1": "90.085",
    "bore_a1": "90.010", "bore_a2": "90.011", "bore_b1": "90.010", "shaft_division": "0.001", "bore_division": "0.001",
}  # fmt: skip


def open_fit(page: Page) -> None:
    page.goto(f"{home(page)}/jobs/w17/fit")
    say(page, "No fit is prepared.")


def fill(page: Page, **given: str) -> None:
    for name, text in given.items():
        page.locator(f"[data-form-fields] [name={name}]").fill(text)


def lay(page: Page) -> None:
    page.locator("[data-lay]").click()
    expect(page.locator("[data-sum-panel]")).to_have_count(0)


@pytest.mark.wide
def test_a_gear_is_fitted_from_micrometer_to_countdown_to_seat_check(bench: Page) -> None:
    open_fit(bench)
    bench.keyboard.press("=")
    pick(bench, "at", "part:bevel-gear")
    fill(bench, **SIZES)
    say(bench, "0.075 mm interference: in its fit")
    lay(bench)
    expect(bench.locator("[data-laid=fit_interference]")).to_contain_text("0.075")
    bench.keyboard.press("=")
    pick(bench, "sum", "fit_heat")
    expect(bench.locator("[data-form-fields] [name=d]")).to_have_value("90")
    fill(bench, entering="0.045", outside="180", length="60")
    say(bench, "Heat the hub to 134 °C")
    lay(bench)
    expect(bench.locator("[data-heat]")).to_have_attribute("data-state", "planned")
    bench.keyboard.type("142")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-left]")).to_be_visible()
    say(bench, "Drop the hub on now")
    bench.keyboard.type("42")
    bench.keyboard.press("Enter")
    say(bench, "Too cold to drop on")
    bench.locator("[data-done=heat_read]", has_text="42 °C").last.get_by_role("button").click()
    say(bench, "Drop the hub on now")
    bench.keyboard.press("Enter")
    say(bench, "Hold it hard against the shoulder")
    bench.locator("[data-other=gap]").click()
    bench.locator("[data-ask] button[type=submit]").click()
    expect(bench.locator("[data-ask]")).to_be_visible()
    bench.get_by_role("button", name="Back", exact=True).click()
    bench.locator("[data-main]").click()
    say(bench, "It is home and seated.")
    record = bench.request.get(f"{home(bench)}/api/jobs/w17/record").json()["fits"]
    assert [line["zone"] for line in record] == [
        "interference by micrometer",
        "heating and chilling",
        "heat",
        "fitted",
        "fitted",
    ]


@pytest.mark.wide
def test_a_worn_seat_goes_back_to_inspect(bench: Page) -> None:
    open_fit(bench)
    bench.keyboard.press("=")
    pick(bench, "at", "part:bevel-gear")
    fill(bench, **(SIZES | {key: "90.020" for key in SIZES if key.startswith("shaft_") and key[-1] in "12"}))
    say(bench, "Back to Inspect")
    lay(bench)
    expect(bench.locator("h1 + p")).to_contain_text("out of its fit")
    bench.locator("[data-to-inspect]").click()
    expect(bench).to_have_url(f"{home(bench)}/jobs/w17/inspect")


@pytest.mark.wide
def test_a_burr_is_told_while_there_is_time_and_a_wrong_ton_is_asked_about(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/f12/fit")
    form = bench.locator("[data-push-point]")
    for travel, push in (("20", "50"), ("24", "300")):
        form.locator("[name=travel]").fill(travel)
        form.locator("[name=push]").fill(push)
        form.get_by_role("button").click()
        expect(bench.locator("[data-press] [data-mark=log]")).to_contain_text(f"{push}")
    expect(bench.locator("[data-push-words]")).to_contain_text("Stop: 300 kN at 24 mm")
    form.locator("[name=travel]").fill("26")
    form.locator("[name=push]").fill("30 tons")
    form.get_by_role("button").click()
    expect(bench.locator("[data-problem]")).to_contain_text("there are three tons")


@pytest.mark.wide
def test_a_ram_of_the_yard_fills_the_sum_and_its_red_line_holds(bench: Page) -> None:
    open_fit(bench)
    bench.keyboard.press("=")
    pick(bench, "at", "part:bevel-gear")
    pick(bench, "sum", "fit_ram")
    expect(bench.locator("[data-ready='Hollow ram']")).to_be_disabled()
    bench.locator("[data-ready='Ram 3']").click()
    fill(bench, force="400 kN")
    say(bench, "Past the red line of the ram's rated pressure")
    fill(bench, force="200 kN")
    say(bench, "200 kN is 39.8 MPa on this gauge. Red line 63.0 MPa")
    lay(bench)
    expect(bench.locator("[data-mark=gauge-face]")).to_be_visible()


@pytest.mark.wide
def test_sums_are_answered_as_they_are_typed_and_outlive_a_reload(bench: Page) -> None:
    bench.goto(f"{home(bench)}/sums/fit_bolts")
    say(bench, "8 bolts to 218 N·m")
    for n in ("3", "8", "12", "20"):
        fill(bench, n=n)
        say(bench, f"{n} bolts")
        expect(bench.locator("[data-bolt]")).to_have_count(int(n))
    pick(bench, "way", "yield")
    say(bench, "Still to say: Snug torque, Then turn by.")
    fill(bench, snug="tight")
    expect(bench.locator("[data-form-fields]")).to_contain_text("No number could be read in 'tight'")
    bench.reload()
    expect(bench.locator("[name=snug]")).to_have_value("tight")
    bench.locator("[name=snug]").blur()
    bench.keyboard.press("ArrowDown")
    say(bench, "Still to say: Torque at the nut")


@pytest.mark.wide
def test_a_sum_goes_on_into_a_job_with_one_tap(bench: Page) -> None:
    bench.goto(f"{home(bench)}/sums/fit_ring")
    fill(bench, bore="50", outside="90")
    say(bench, "Push the inner ring")
    pick(bench, "job", "w17")
    bench.locator("[data-into-job] button.control").last.click()
    pick(bench, "at", "place:output-cover")
    say(bench, "by a sleeve 50.30 inside")
    lay(bench)
    expect(bench.locator("[data-laid=fit_ring]")).to_contain_text("sleeve 50.30 inside and 58.00 mm outside")
