"""Kinds that the page has never heard of: their stations, their layout, their form."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from bornek.store.database import Database
from controls import home, open_setting, pick
from trial_fact import trial_fact
from trial_kind import trial
from trial_mesh import trial_mesh, truth


def begin(page: Page, setting: str) -> None:
    open_setting(page, setting)
    page.keyboard.press("Enter")


def taken(page: Page, slot: str) -> None:
    expect(page.locator(f'[data-slot="{slot}"]')).to_have_attribute("data-status", "taken")


def type_pack(page: Page, knob: str, words: str, side: str = "") -> None:
    where = page.locator(f'[data-knob="{knob}"]')
    if side:
        where = where.locator(f'[data-side="{side}"]')
    where.locator("[data-type-plates]").fill(words)
    where.get_by_role("button", name="Put in", exact=True).click()


def test_two_adjusters_are_set_together_in_a_layout_of_their_own(bench: Page, yard: Database) -> None:
    with trial_mesh(yard) as setting:
        begin(bench, setting)
        expect(bench.locator("[data-layout=side_by_side]")).to_be_visible()
        bench.keyboard.press("m")
        type_pack(bench, "pinion", "0.30 + 0.30")
        type_pack(bench, "sides", "0.30 + 0.10", "left")
        type_pack(bench, "sides", "0.30 + 0.30", "right")
        bench.locator("[data-done]").click()
        for slot, value in truth(0.6, 0.4).items():
            expect(bench.locator(f'[data-slot="{slot}"] [data-live]')).to_be_focused()
            bench.keyboard.type(f"{value:.3f}")
            bench.keyboard.press("Enter")
            taken(bench, slot)
        say = bench.locator("[data-say]")
        expect(say).to_contain_text("Pinion: ")
        expect(say).to_contain_text("Sides: ")
        expect(bench.locator("[data-mark=readout]")).to_have_count(3)
        bench.keyboard.press("m")
        expect(bench.locator("[data-expect]")).to_contain_text("lash")
        bench.locator("[data-done]").click()
        expect(bench.locator("[data-say]")).to_contain_text("Read the lash")
        expect(bench.locator("[data-mark=log]")).to_have_count(3)
        bench.goto(bench.url.split("/set/")[0] + "/record")
        expect(bench.locator("[data-record-setting]").first).to_contain_text("left 0.30 + 0.10 = 0.40")


def test_every_sort_of_station_takes_its_reading(bench: Page, yard: Database) -> None:
    with trial(yard):
        begin(bench, "t01.stations")
        bench.locator('[data-slot="done"] [data-no]').click()
        taken(bench, "done")
        expect(bench.locator('[data-slot="done"]')).to_contain_text("no")
        bench.keyboard.press("2")
        taken(bench, "feel")
        expect(bench.locator('[data-slot="feel"]')).to_contain_text("rough at one place")
        bench.keyboard.type("0.09")
        bench.keyboard.press("Enter")
        bench.keyboard.type("0.10")
        bench.keyboard.press("Enter")
        taken(bench, "gap")
        bench.keyboard.press("Space")
        expect(bench.locator("[data-watch]")).to_have_text("stop")
        expect(bench.locator('[data-slot="spin"] [data-live]')).to_have_value(re.compile(r"^0\.[1-9]"))
        bench.keyboard.press("Space")
        expect(bench.locator("[data-watch]")).to_have_text("start")
        bench.keyboard.press("Enter")
        taken(bench, "spin")
        bench.locator("[data-painter] svg").focus()
        bench.keyboard.press("Space")
        bench.locator("[data-take-paint]").click()
        taken(bench, "paint")
        expect(bench.locator("[data-say]")).to_contain_text("paint paint")


@pytest.mark.wide
def test_every_drawing_that_a_kind_brings_is_drawn(bench: Page, yard: Database) -> None:
    with trial(yard):
        begin(bench, "t01.stations")
        for mark in ("circle", "ladder", "steps", "table", "flank"):
            expect(bench.locator(f"[data-mark={mark}]")).to_be_visible()


@pytest.mark.wide
def test_letters_inside_a_reading_are_no_shortcuts_and_a_remark_is_no_key(bench: Page) -> None:
    begin(bench, "p22.thrust-end-play")
    bench.keyboard.press("m")
    bench.locator("[data-type-plates]").fill("0.50 + 0.25")
    bench.get_by_role("button", name="Put in", exact=True).click()
    remark = bench.get_by_label("Remark")
    remark.fill("")
    remark.press_sequentially("gasket, marks s and m")
    expect(remark).to_have_value("gasket, marks s and m")
    expect(bench.locator("[data-move-panel]")).to_be_visible()
    bench.locator("[data-done]").click()
    live = bench.locator("[data-live]")
    expect(live).to_be_focused()
    bench.keyboard.type("8 thou")
    expect(live).to_have_value("8 thou")
    bench.keyboard.press("Escape")
    expect(live).to_have_value("")
    bench.keyboard.press("g")
    expect(bench.locator("[data-given]")).to_be_visible()


@pytest.mark.wide
def test_a_form_asks_for_more_as_it_is_answered(bench: Page) -> None:
    begin(bench, "p22.thrust-end-play")
    bench.keyboard.press("g")
    form = bench.locator("[data-given]")
    expect(form.locator("[name=drag_least]")).to_have_count(0)
    pick(form, "meant", "preload")
    expect(form.locator("[name=drag_least]")).to_be_visible()
    form.locator("[name=least]").fill("wide")
    expect(form.get_by_role("alert")).to_contain_text("No number could be read")


def test_a_fact_that_the_page_has_never_heard_of_is_written_by_its_form(bench: Page) -> None:
    with trial_fact() as key:
        bench.goto(f"{home(bench)}/jobs/w17/strip")
        bench.locator(f'[data-offer="{key}"]').click()
        form = bench.locator("[data-facts] form")
        form.locator("[name=bottle]").fill("S-14")
        pick(form, "colour", "milky")
        form.locator("[data-pick=part]").click()
        form.get_by_role("option", name="Output shaft").click()
        form.get_by_role("button", name="Write it down").click()
        line = bench.locator("[data-facts] li")
        expect(line).to_contain_text("bottle S-14; milky")
        expect(line).to_contain_text("Output shaft")
        line.get_by_role("button", name="Strike it").click()
        expect(line).to_have_count(0)
