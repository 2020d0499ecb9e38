"""Whole journeys as a mechanic makes them, by keyboard where one would."""

from __future__ import annotations

import io
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, Route, expect
from pypdf import PdfReader

from apps import app_over
from bornek.store.database import Database
from controls import open_board, open_setting, pick
from helpers import in_gate
from serving import served
from trial_kind import trial


def say(page: Page) -> object:
    return expect(page.locator("[data-say]"))


def type_readings(page: Page, *texts: str) -> None:
    for text in texts:
        live = page.locator("[data-live]")
        slot = page.locator("[data-slot]", has=live).get_attribute("data-slot")
        expect(live).to_be_focused()
        page.keyboard.type(text)
        page.keyboard.press("Enter")
        expect(page.locator(f'[data-slot="{slot}"][data-status="taken"]')).to_be_visible()


def test_from_the_board_to_a_signed_record_and_its_pdf(bench: Page) -> None:
    open_board(bench)
    row = bench.locator("[data-row]", has_text="W-17")
    expect(row).to_contain_text("Swap the 0.15 for a 0.10")
    row.click()
    type_readings(bench, "0.145", "0.15")
    expect(bench.locator("[data-value]").first).to_have_text(re.compile(r"0\.14\d"))
    bench.keyboard.press("m")
    bench.locator("[data-done]").click()
    say(bench).to_contain_text("Read the end play")  # type: ignore[attr-defined]
    type_readings(bench, "0.09", "0.095", "0.09", "0.09", "0.09", "0.095")
    expect(bench.locator("[data-verdict]").first).to_have_text(re.compile("in", re.I))
    say(bench).to_contain_text("Leave it: in")  # type: ignore[attr-defined]
    bench.keyboard.press("s")
    bench.get_by_role("button", name="Sign it").click()
    say(bench).to_contain_text("Signed: in")  # type: ignore[attr-defined]
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-record-setting]").first).to_contain_text(
        "Marl Tennick (named, not authenticated)"
    )
    with bench.expect_download() as download:
        bench.get_by_text("Full record, PDF").click()
    pdf = PdfReader(io.BytesIO(Path(download.value.path()).read_bytes()))
    assert "As left" in "".join(page.extract_text() for page in pdf.pages)


def test_an_untouched_unit_shows_cautions_then_takes_its_pack(bench: Page) -> None:
    open_setting(bench, "p22.thrust-end-play")
    expect(bench.locator("[data-cautions]")).to_contain_text("Fingers out of the gap")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-cautions]")).to_have_count(0)
    bench.keyboard.press("Enter")
    bench.locator("[data-type-plates]").fill("0.50 + 10 thou")
    bench.locator("[data-type-plates]").press("Enter")
    bench.locator("[data-done]").click()
    expect(bench.locator("[data-mark=pack]")).to_contain_text("0.754")


@pytest.mark.wide
def test_a_slip_is_asked_about_and_one_tap_mends_it(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.type("1.45")
    bench.keyboard.press("Enter")
    say(bench).to_contain_text("about ten times too large")  # type: ignore[attr-defined]
    bench.get_by_role("button", name="It was 0.145").click()
    expect(bench.locator('[data-slot="travel.mark_down.2"]')).to_have_attribute("data-status", "taken")


@pytest.mark.wide
def test_units_as_spoken_reach_the_cell_letters_and_all(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    type_readings(bench, "5.7 thou")
    expect(bench.locator('[data-slot="travel.mark_down.2"]')).to_contain_text("0.145")


@pytest.mark.wide
def test_a_correction_is_one_tap_and_keeps_the_old(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.locator('[data-slot="travel.mark_up.1"] button').click()
    bench.keyboard.type("0.140")
    bench.keyboard.press("Enter")
    expect(bench.locator('[data-slot="travel.mark_up.1"]')).to_contain_text("0.140")
    bench.goto(bench.url.replace("/set/w17.output-end-play", "/record"))
    expect(bench.locator("tr.line-through")).to_contain_text("0.145")


@pytest.mark.wide
def test_far_from_expected_asks_what_happened_before_it_counts(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    type_readings(bench, "0.145", "0.15")
    bench.keyboard.press("m")
    bench.locator("[data-done]").click()
    say(bench).to_contain_text("Read the end play")  # type: ignore[attr-defined]
    type_readings(bench, "0.21", "0.21", "0.215", "0.21", "0.21", "0.21")
    expect(bench.locator("[data-surprise]")).to_contain_text("That would be the pack changed by")
    bench.locator("[data-answer=unexplained]").click()
    expect(bench.locator("[data-surprise]")).to_have_count(0)


@pytest.mark.wide
def test_the_mechanic_may_choose_another_and_is_told_what_to_expect(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.press("m")
    expect(bench.locator("[data-move-panel]")).to_contain_text("Why not")
    bench.get_by_role("button", name="Put in 0.25").click()
    expect(bench.locator("[data-expect]")).to_contain_text("1 in 100 that it lands in")
    bench.keyboard.press("Escape")


@pytest.mark.parametrize("angle", in_gate(["no number", "21"], 1))
def test_the_button_stays_under_the_finger_when_what_to_expect_comes_in(bench: Page, angle: str) -> None:
    open_setting(bench, "s31.nut-end-play")
    bench.keyboard.press("Enter")
    bench.keyboard.press("m")
    held: list[Route] = []
    bench.route("**/expectations", lambda route: held.append(route))
    with bench.expect_request("**/expectations"):
        bench.locator("[data-position]").fill(angle)
    expect(bench.locator("[data-expect], [data-trouble]")).to_have_count(0)
    button = bench.locator("[data-done]")
    before = button.bounding_box()
    for route in held:
        route.continue_()
    expect(bench.locator("[data-expect], [data-trouble]")).to_be_visible()
    after = button.bounding_box()
    assert before and after
    assert abs(after["y"] - before["y"]) < before["height"] / 4


@pytest.mark.wide
def test_two_tablets_see_both_versions_of_a_stale_move(bench: Page, address: str) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.press("m")
    expect(bench.locator("[data-done]")).to_be_visible()
    bench.route("**/api/settings/w17.output-end-play", lambda route: route.abort())
    other = bench.request.post(
        f"{address}/api/settings/w17.output-end-play/entries",
        data={"id": "other-1", "slot": "travel.mark_down.2", "text": "0.155"},
        headers={"X-Mechanic": "oda"},
    )
    assert other.status == 201
    bench.locator("[data-done]").click()
    problem = bench.locator("[data-problem]")
    expect(problem).to_contain_text("Yours, not written yet")
    expect(problem).to_contain_text("0.155")
    expect(problem).to_contain_text("Oda Brisk")


@pytest.mark.wide
def test_a_lost_server_keeps_the_reading_here_and_counts_it_once(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.route("**/entries", lambda route: route.abort())
    bench.keyboard.type("0.145")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-kept]")).to_have_text("1 kept here")
    expect(bench.locator('[data-slot="travel.mark_down.2"]')).to_have_attribute("data-status", "taken")


@pytest.mark.wide
def test_a_preload_says_that_an_indicator_cannot_see_it(bench: Page) -> None:
    open_setting(bench, "w11.input-preload")
    expect(bench.locator("body")).to_contain_text("An indicator cannot see preload")
    bench.keyboard.press("=")
    expect(bench.locator("[data-working]")).to_contain_text("Play less shims")


@pytest.mark.wide
def test_a_preload_from_play_to_its_proof_by_drag(bench: Page) -> None:
    open_setting(bench, "w17.input-preload")
    bench.keyboard.press("Enter")
    bench.keyboard.press("Enter")
    bench.locator("[data-type-plates]").fill("0.50 + 0.20")
    bench.locator("[data-type-plates]").press("Enter")
    bench.locator("[data-done]").click()
    type_readings(bench, "0.14", "0.145", "0.14", "0.14", "0.14", "0.135")
    say(bench).to_contain_text("Take out the 0.20. Expect 0.060 tight")  # type: ignore[attr-defined]
    bench.keyboard.press("m")
    bench.locator("[data-done]").click()
    say(bench).to_contain_text("Read the end play")  # type: ignore[attr-defined]
    type_readings(bench, "0", "0", "0", "0", "0", "0")
    say(bench).to_contain_text("Prove that it is alive")  # type: ignore[attr-defined]
    bench.keyboard.press("Enter")
    expect(bench.locator('[data-slot="needle"]')).to_have_attribute("data-status", "taken")
    expect(bench.locator("body")).to_contain_text("An indicator cannot see preload")
    expect(bench.locator("[data-verdict]").first).to_have_text(re.compile("^not proven", re.I))
    type_readings(bench, "1.7 N·m")
    say(bench).to_contain_text("Leave it: in")  # type: ignore[attr-defined]


def test_two_readings_for_one_station_are_both_kept_until_one_is_struck(bench: Page, address: str) -> None:
    open_setting(bench, "w17.output-end-play")
    for n, who in enumerate(("oda", "jun")):
        body = {"id": f"twice-{n}", "slot": "travel.mark_down.2", "text": f"0.14{n}"}
        url = f"{address}/api/settings/w17.output-end-play/entries"
        assert bench.request.post(url, data=body, headers={"X-Mechanic": who}).status == 201
    expect(bench.locator('[data-slot="travel.mark_down.2"]')).to_have_attribute("data-status", "contested")
    bench.get_by_role("button", name="Strike 0.141 (Jun Havers)").click()
    expect(bench.locator('[data-slot="travel.mark_down.2"]')).to_contain_text("0.140")


def test_given_shows_each_fields_own_problem_and_loses_nothing(bench: Page) -> None:
    open_setting(bench, "p22.thrust-end-play")
    bench.keyboard.press("g")
    bench.locator("input[name=least]").fill("wide")
    bench.get_by_role("button", name="Write it down").click()
    expect(bench.locator("[data-given]")).to_contain_text("No number could be read in 'wide'")
    expect(bench.locator("input[name=least]")).to_have_value("wide")


@pytest.mark.wide
def test_a_throwaway_kind_is_driven_in_the_browser(bench: Page, yard: Database) -> None:
    with trial(yard) as setting:
        open_setting(bench, setting)
        bench.keyboard.press("Enter")
        expect(bench.locator("[data-mark=table]")).to_contain_text("Washers on the shelf")
        bench.keyboard.press("m")
        bench.locator("[data-position]").fill("2.1")
        bench.locator("[data-done]").click()
        type_readings(bench, "0.05", "0.05")
        say(bench).to_contain_text("2.00")  # type: ignore[attr-defined]
        bench.keyboard.press("m")
        bench.locator("[data-done]").click()
        say(bench).to_contain_text("Read the gap")  # type: ignore[attr-defined]
        type_readings(bench, "0.15", "0.15")
        say(bench).to_contain_text("Leave it: in")  # type: ignore[attr-defined]


@pytest.mark.wide
def test_the_spacer_of_a_two_row_bearing_from_sizes_to_in(bench: Page) -> None:
    open_setting(bench, "g04.worm-bench")
    bench.keyboard.press("Enter")
    sizes = (
        "31.86",
        "31.862",
        "31.86",
        "31.858",
        "32.04",
        "32.042",
        "32.04",
        "32.038",
        "57.20",
        "57.20",
        "57.202",
        "57.198",
        "6.82",
        "6.82",
        "6.82",
        "6.82",
    )
    type_readings(bench, *sizes)
    say(bench).to_contain_text("Grind 0.040 off the spacer, to 6.78")  # type: ignore[attr-defined]
    bench.keyboard.press("m")
    bench.locator("[data-done]").click()
    say(bench).to_contain_text("Read the bench setting")  # type: ignore[attr-defined]
    type_readings(bench, "6.78", "6.781", "6.78", "6.779")
    say(bench).to_contain_text("Leave it: in")  # type: ignore[attr-defined]


@pytest.mark.wide
def test_a_job_comes_in_from_an_exchange_file_and_a_wrong_file_is_told(
    bench: Page, address: str, tmp_path: Path, empty: Database
) -> None:
    open_board(bench)
    data = bench.request.get(f"{address}/api/jobs/w17/exchange.zip").body()
    wrong = tmp_path / "wrong.zip"
    wrong.write_bytes(b"nothing of the sort")
    bench.locator("[data-take-in]").set_input_files(wrong)
    expect(bench.get_by_role("alert")).to_contain_text("This is not an exchange file")
    good = tmp_path / "w17.zip"
    good.write_bytes(data)
    bench.unroute_all()
    with served(app_over(empty)) as elsewhere:
        bench.goto(elsewhere)
        expect(bench.locator("main")).to_contain_text("Nothing on the bench")
        bench.locator("[data-take-in]").set_input_files(good)
        expect(bench.locator('[data-place-row="output-cover"]')).to_contain_text("Output shaft end play")


@pytest.mark.wide
def test_a_gauge_is_registered_and_a_card_that_cannot_be_is_told(bench: Page, address: str) -> None:
    bench.goto(f"{address}/gauges")
    for name, text in (("id", "lever-5"), ("name", "Lever 5"), ("division", "0"), ("due", "2027-01-31")):
        bench.locator(f"input[name={name}]").fill(text)
    bench.get_by_role("button", name="Write the card").click()
    expect(bench.get_by_role("alert")).to_contain_text("division must be above 0")
    bench.locator("input[name=division]").fill("0.001")
    bench.get_by_role("button", name="Write the card").click()
    expect(bench.locator("table")).to_contain_text("Lever 5")


@pytest.mark.wide
def test_a_unit_is_received_at_the_door(bench: Page) -> None:
    open_board(bench)
    bench.get_by_role("link", name="Receive").click()
    pick(bench, "revision", "drain-pump.1")
    for name, text in (("tag", "W-17"), ("serial", "DP2-200"), ("name", "Second Lock drain pump")):
        bench.locator(f"input[name={name}]").fill(text)
    bench.get_by_role("button", name="Open the job").click()
    expect(bench.get_by_role("alert")).to_contain_text("Tag W-17 hangs on Ferry Wickerel ramp winch")
    bench.locator("input[name=tag]").fill("P-30")
    bench.get_by_role("button", name="Open the job").click()
    expect(bench.locator("[data-baselines]")).to_contain_text("Read the thrust bearing end play as found")
