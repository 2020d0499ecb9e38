"""One unit inspected whole with keys, its cause found, its orders sent and received; the pages beside it."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from controls import home, open_board, pick, say


def open_inspection(page: Page, job: str) -> None:
    page.goto(f"{home(page)}/jobs/{job}/inspect")
    expect(page.locator("[data-grader]")).to_be_visible()


class Keys:
    """Presses keys and counts them."""

    def __init__(self, page: Page) -> None:
        self.page, self.count = page, 0

    def __call__(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)
            self.count += 1


def judged(page: Page, part: str, words: str) -> None:
    expect(page.locator(f'[data-part="{part}"]')).to_contain_text(words)


@pytest.mark.wide
def test_a_whole_unit_is_inspected_with_keys_alone(bench: Page) -> None:
    """Nine parts of the capstan: two keys for a sound part, three with one finding."""
    open_inspection(bench, "c09")
    say(bench, "Inspect 9 parts")
    keys = Keys(bench)
    keys("0", "Enter")
    judged(bench, "head-drum", "re-use")
    keys("0", "Enter")
    judged(bench, "head-seal", "replace")
    keys("0", "Enter")
    judged(bench, "head-cover-part", "re-use")
    keys("3", "0")
    expect(bench.locator("[data-in-force]")).to_contain_text("replace")
    expect(bench.locator("[data-other-school]")).to_contain_text("re-use")
    expect(bench.locator("[data-other-school]")).to_contain_text("Needs a written reason")
    keys("Enter")
    judged(bench, "head-upper", "replace")
    keys("ArrowDown", "2", "0", "Enter")
    judged(bench, "head-gear", "dress and re-use")
    keys("0", "Enter")
    judged(bench, "head-lower", "replace")
    keys("ArrowDown", "6", "0", "Enter")
    judged(bench, "head-shaft", "hold")
    keys("0", "Enter")
    judged(bench, "head-bolts", "re-use")
    keys("0", "Enter")
    judged(bench, "pedestal", "re-use")
    assert keys.count == 6 * 2 + 3 + 4 + 4
    say(bench, "Order the head seal")
    expect(bench.locator("body")).to_contain_text("Could not be checked: Head shaft: straightness")

    bench.locator('[data-part="head-upper"]').click()
    order = bench.locator("[data-order-form]")
    order.locator("[name=supplier]").fill("Lower Lock stores")
    order.locator("[name=promised]").fill("2026-11-20")
    order.get_by_role("button", name="Ordered").click()
    expect(bench.locator('[data-part="head-upper"]')).to_contain_text("ordered, promised 2026-11-20")
    keys("o")
    row = bench.locator("[data-order]", has_text="Head bearing, upper")
    expect(row).to_contain_text("LATE")
    row.locator("[data-receive]").click()
    row.locator("[name=width_old]").fill("945 thou")
    row.locator("[name=width_new]").fill("946.5 thou")
    row.get_by_role("button", name="It is here").click()
    expect(row.locator("[data-read-again]")).to_contain_text("Head shaft end play")

    bench.get_by_role("link", name="Record").click()
    lines = bench.locator("[data-record-lines=Inspection]")
    expect(lines).to_contain_text("could not be checked")
    expect(lines).to_contain_text("read again: Head shaft end play")


@pytest.mark.wide
def test_re_use_against_a_strict_school_waits_for_its_reason(bench: Page) -> None:
    open_inspection(bench, "p22")
    bench.locator('[data-part="thrust-bearing"]').click()
    bench.keyboard.press("0")
    expect(bench.locator("[data-in-force]")).to_contain_text("replace")
    pick(bench, "verdict", "reuse")
    bench.locator("[data-go]").click()
    expect(bench.locator("[name=reason]")).to_be_focused()
    bench.keyboard.type("new one is ten weeks away")
    bench.keyboard.press("Enter")
    judged(bench, "thrust-bearing", "re-use")


@pytest.mark.wide
def test_evidence_ranks_causes_and_the_named_one_holds_the_build(bench: Page) -> None:
    open_inspection(bench, "p22")
    bench.keyboard.press("c")
    words = bench.locator("[data-diagnosis-words]")
    for key in ("heat_blue", "welded"):
        bench.locator(f'[data-evidence="{key}"] [data-seen]').click()
    expect(words).to_have_text("Cannot tell apart: starved of oil and set too tight.")
    expect(bench.locator("[data-diagnosis]")).to_contain_text("Look at these to tell them apart")
    bench.locator('[data-evidence="path_all_round"] [data-absent]').click()
    expect(words).to_have_text("The evidence points to: starved of oil.")
    expect(bench.locator('[data-cause="tight"]')).to_contain_text("looked for, not there")
    bench.locator('[data-cause="starved"] [data-name-cause]').click()
    holds = bench.locator("[data-holds]")
    expect(holds).to_contain_text("Oil path")
    holds.locator("[name=cleared]").fill("screen cleaned, oil seen at both bearings")
    holds.get_by_role("button", name="Cleared").click()
    expect(holds).to_contain_text("Cleared: screen cleaned, oil seen at both bearings (Marl Tennick)")


@pytest.mark.wide
def test_teeth_are_marked_by_a_tap_and_by_number(bench: Page) -> None:
    open_inspection(bench, "w17")
    bench.locator('[data-part="bevel-pinion"]').click()
    teeth = bench.locator("[data-teeth]")
    expect(teeth).to_contain_text("14/39 hunt")
    teeth.locator('[data-tooth="3"]').click()
    expect(teeth).to_contain_text("One tooth")
    teeth.locator("[name=teeth]").fill("4-6")
    teeth.get_by_role("button", name="Mark", exact=True).click()
    expect(teeth).to_contain_text("4 teeth side by side")
    teeth.locator('[data-tooth="3"]').click()
    expect(teeth).to_contain_text("3 teeth side by side")


@pytest.mark.wide
def test_a_fit_is_measured_from_the_part_and_comes_back_with_its_verdict(bench: Page) -> None:
    open_inspection(bench, "w17")
    bench.locator('[data-part="output-shaft"]').click()
    bench.locator("[data-measure]").click()
    form = bench.locator("[data-fits]")
    for name, text in (("nominal", "80"), ("fit", "k6"), ("source", "Yard drawing RW-7")):
        form.locator(f"[name={name}]").fill(text)
    form.get_by_role("button", name="To be measured").click()
    bench.locator("[data-open-fit]").click()
    expect(bench.locator("[data-cautions]")).to_be_visible()
    bench.keyboard.press("Enter")
    for _ in range(6):
        expect(bench.locator("[data-live]")).to_be_visible()
        slot = bench.locator("[data-slot]", has=bench.locator("[data-live]")).get_attribute("data-slot")
        bench.keyboard.type("79.98")
        bench.keyboard.press("Enter")
        expect(bench.locator(f'[data-slot="{slot}"]')).to_have_attribute("data-status", "taken")
    say(bench, "Back to Inspect")
    bench.get_by_role("link", name=re.compile("^Inspect")).click()
    bench.locator('[data-part="output-shaft"]').click()
    expect(bench.locator("[data-fits]")).to_contain_text("out low")
    bench.keyboard.press("0")
    expect(bench.locator("[data-in-force]")).to_contain_text("send out")


@pytest.mark.wide
def test_the_shops_own_look_for_and_cross_number(bench: Page) -> None:
    bench.goto(f"{home(bench)}/look-fors")
    own = bench.locator("[data-own]")
    pick(own, "group", "key")
    own.locator("[name=label]").fill("Yellow paint gone")
    own.locator("[name=means]").fill("It was out before.")
    own.get_by_role("button", name="Add the shop's own").click()
    expect(bench.locator("main")).to_contain_text("Yellow paint gone")
    open_inspection(bench, "p22")
    bench.locator('[data-part="coupling-key"]').click()
    expect(bench.locator("[data-grader]")).to_contain_text("Yellow paint gone")
    bench.goto(f"{home(bench)}/orders")
    expect(bench.locator("[data-yard-order]").first).to_contain_text("LATE")
    cross = bench.locator("[data-cross-numbers]")
    cross.locator("[name=number]").fill("bb-6310")
    cross.locator("[name=other]").fill("K 63 110")
    cross.get_by_role("button", name="Write it down").click()
    expect(bench.locator("[data-problem]")).to_contain_text("in the cross-reference already")


@pytest.mark.wide
def test_a_late_order_stands_on_the_board(bench: Page) -> None:
    open_board(bench)
    expect(bench.locator("[data-late]").first).to_contain_text("Input bearing from Lower Lock stores")
    bench.locator("[data-late-orders]").click()
    expect(bench).to_have_url(re.compile("/orders$"))
