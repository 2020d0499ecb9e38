"""What was typed is kept or refused in words, wherever the page was tapped, whatever was open, and over reloads."""

import pytest
from playwright.sync_api import Page, expect

from controls import home, open_setting
from helpers import in_gate
from walks import walk


def fresh_round(page: Page) -> None:
    """The winch's output shaft in a round in which nothing was read yet."""
    open_setting(page, "w17.output-end-play")
    page.keyboard.press("r")
    expect(page.locator("header")).to_contain_text("round 3")
    expect(page.locator("[data-live]")).to_be_visible()


@pytest.mark.parametrize("seed", in_gate(range(20), 2))
def test_walks_of_taps_keys_and_reloads(bench: Page, seed: int) -> None:
    found = walk(bench, home(bench), seed, steps=6)
    assert not found.wrong, (found.setting, found.done, found.wrong)


def test_digits_reach_the_live_cell_from_anywhere(bench: Page) -> None:
    fresh_round(bench)
    live = bench.locator("[data-live]")
    expect(live).to_be_visible()
    for where in ("header h1", "[data-say]", "[data-given-brief]"):
        bench.locator(where).first.click()
        bench.keyboard.type("0.1")
        expect(live).to_have_value("0.1")
        bench.keyboard.press("Escape")
        expect(live).to_have_value("")


@pytest.mark.wide
def test_letters_inside_a_reading_are_no_shortcuts(bench: Page) -> None:
    fresh_round(bench)
    bench.keyboard.type("8")
    bench.locator("[data-say]").click()
    bench.keyboard.type(" thou")
    expect(bench.locator("[data-live]")).to_have_value("8 thou")
    expect(bench.locator("[data-name-menu], [role=dialog], [data-given]")).to_have_count(0)


def test_a_caution_takes_no_digit_and_the_enter_of_a_gauge_does_not_close_it(bench: Page) -> None:
    open_setting(bench, "g04.worm-bench")
    expect(bench.locator("[data-cautions]")).to_be_visible()
    bench.keyboard.type("31.118")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-cautions]")).to_be_visible()
    expect(bench.locator("[data-not-taken]")).to_contain_text("Not taken: 31.118. Read the cautions first")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-cautions]")).to_have_count(0)
    bench.keyboard.type("31.12")
    expect(bench.locator("[data-live]")).to_have_value("31.12")


@pytest.mark.wide
def test_what_the_headline_asks_for_gets_the_digits(bench: Page) -> None:
    open_setting(bench, "p22.thrust-end-play")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-say]")).to_contain_text("enter the pack")
    bench.keyboard.type("0.50 + 0.25")
    expect(bench.locator("[data-type-plates]")).to_have_value("0.50 + 0.25")
    bench.reload()
    bench.locator("[data-say]").wait_for()
    bench.keyboard.press("m")
    expect(bench.locator("[data-type-plates]")).to_have_value("0.50 + 0.25")
    bench.locator("[data-done]").click()
    expect(bench.locator("[data-mark=pack]")).to_be_visible()


@pytest.mark.wide
def test_an_empty_pack_is_asked_about(bench: Page) -> None:
    open_setting(bench, "p22.thrust-end-play")
    bench.keyboard.press("Enter")
    bench.keyboard.press("m")
    bench.locator("[data-done]").click()
    expect(bench.locator("[data-empty-pack]")).to_contain_text("nothing is in")
    expect(bench.locator("[data-move-panel]")).to_be_visible()
    bench.locator("[data-done]").click()
    expect(bench.locator("[data-move-panel]")).to_have_count(0)


def test_a_gauge_faster_than_the_server_joins_nothing(bench: Page) -> None:
    fresh_round(bench)
    for text in ("0.101", "0.102", "0.103"):
        bench.keyboard.type(text)
        bench.keyboard.press("Enter")
    expect(bench.locator('[data-status="taken"]')).to_have_count(3)
    shown = [c.inner_text() for c in bench.locator('[data-status="taken"]').all()]
    assert [s.split("\n")[-1] for s in shown] == ["0.101", "0.102", "0.103"]


def test_what_is_half_typed_outlives_a_reload_at_its_own_station(bench: Page) -> None:
    fresh_round(bench)
    bench.keyboard.type("0.13")
    bench.reload()
    expect(bench.locator("[data-live]")).to_have_value("0.13")


def test_a_setting_that_is_not_there_keeps_the_shell_and_says_only_what_is_true(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/w17/set/w17.ghost")
    expect(bench.locator("[data-trouble]")).to_contain_text("No setting has the id")
    expect(bench.locator("main")).not_to_contain_text("asks again")
    expect(bench.get_by_role("link", name="Board").first).to_be_visible()


def test_a_form_that_is_half_filled_outlives_a_reload_and_is_empty_once_it_was_sent(bench: Page) -> None:
    bench.goto(f"{home(bench)}/receive")
    for name in ("tag", "serial", "name", "complaint"):
        bench.locator(f"[name={name}]").fill(f"half {name}"[:12])
    bench.reload()
    expect(bench.locator("[name=complaint]")).to_have_value("half complai")
    bench.get_by_role("button", name="Open the job").click()
    expect(bench.locator("[data-save-definition]")).to_be_visible()
    bench.goto(f"{home(bench)}/receive")
    expect(bench.locator("[name=complaint]")).to_have_value("")
    bench.goto(f"{home(bench)}/jobs/p22/strip?zone=off")
    bench.locator("[data-part=slinger]").click()
    bench.locator("[name=orientation]").fill("dish down")
    bench.reload()
    bench.locator("[data-part=slinger]").click()
    expect(bench.locator("[name=orientation]")).to_have_value("dish down")
