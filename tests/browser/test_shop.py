"""The shop's own pages: search, unit types copied and exchanged, a job's own definition, serials, themes."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from controls import home, pick, radio


def test_the_code_on_a_bag_finds_what_is_in_it(bench: Page) -> None:
    bench.goto(f"{home(bench)}/search")
    bench.locator("[name=q]").fill("K-08/2")
    found = bench.locator("[data-found] li")
    expect(found.first).to_contain_text("bag")
    expect(found.first).to_contain_text("K-08")
    found.first.locator("a").click()
    expect(bench).to_have_url(re.compile("/jobs/k08"))


@pytest.mark.wide
def test_an_order_and_a_mechanic_are_found_and_nothing_is_said_so(bench: Page) -> None:
    bench.goto(f"{home(bench)}/search?q=Lower Lock")
    expect(bench.locator("[data-found]")).to_contain_text("on order")
    bench.goto(f"{home(bench)}/search?q=brisk")
    expect(bench.locator("[data-found]")).to_contain_text("mechanic")
    bench.goto(f"{home(bench)}/search?q=zzzz")
    expect(bench.locator("main")).to_contain_text("Nothing in the yard is called zzzz")


@pytest.mark.wide
def test_a_type_is_copied_under_its_own_key(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/capstan")
    bench.locator("[data-copy]").click()
    expect(bench).to_have_url(re.compile(r"/types/new-\d+$"))
    bench.locator("[name=type-name]").fill("West quay capstan")
    bench.get_by_role("button", name="Save", exact=True).click()
    expect(bench).to_have_url(re.compile("/types/west-quay-capstan$"))
    bench.goto(f"{home(bench)}/types")
    expect(bench.locator("[data-type]", has_text="West quay capstan")).to_be_visible()
    expect(bench.locator("[data-type]", has_text="Quay capstan drive")).to_be_visible()


@pytest.mark.wide
def test_a_type_goes_out_as_json_and_comes_in_again_changed(bench: Page, tmp_path: Path) -> None:
    bench.goto(f"{home(bench)}/types/capstan")
    with bench.expect_download() as download:
        bench.get_by_text("JSON", exact=True).click()
    sent = json.loads(Path(download.value.path()).read_text(encoding="utf-8"))
    sent["key"], sent["name"] = "north-capstan", "North quay capstan"
    changed = tmp_path / "north.json"
    changed.write_text(json.dumps(sent), encoding="utf-8")
    bench.goto(f"{home(bench)}/types")
    bench.locator("[data-take-type]").set_input_files(changed)
    expect(bench.locator("body")).to_contain_text("North quay capstan")


@pytest.mark.wide
def test_what_is_no_type_is_refused_in_words(bench: Page, tmp_path: Path) -> None:
    wrong = tmp_path / "wrong.json"
    wrong.write_text('{"format": "something else"}', encoding="utf-8")
    bench.goto(f"{home(bench)}/types")
    bench.locator("[data-take-type]").set_input_files(wrong)
    expect(bench.locator("[data-problem]")).to_contain_text("not a unit type's file")


@pytest.mark.wide
def test_a_job_grows_a_place_of_its_own_and_its_type_does_not(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/c09/definition")
    bench.locator("[data-leaf=places]").click()
    bench.locator("[data-add]").click()
    bench.locator("[name=label]").fill("lower bearing")
    pick(bench, "at", "head-lower")
    with bench.expect_response("**/api/jobs/c09/definition") as saved:
        bench.locator("[data-save-definition]").click()
    assert saved.value.status == 201
    bench.goto(f"{home(bench)}/jobs/c09")
    expect(bench.locator("[data-place]")).to_have_count(2)
    bench.goto(f"{home(bench)}/types/capstan")
    expect(bench.locator("[data-place]")).to_have_count(1)


def test_a_serial_is_named_later_and_brings_its_history(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/w11/receive")
    bench.locator("[data-serials] [name=bevel-pinion]").fill("SET-1439-07")
    bench.locator("[data-serials]").get_by_role("button").click()
    expect(bench.locator("[data-stay]").first).to_contain_text("W-17")


@pytest.mark.wide
def test_light_and_dark_stand_behind_the_name(bench: Page) -> None:
    bench.goto(f"{home(bench)}/orders")
    shade = "getComputedStyle(document.body).backgroundColor"
    seen = set()
    for theme in ("light", "dark"):
        bench.locator("[data-actor]").click()
        radio(bench, "theme", theme)
        seen.add(bench.evaluate(shade))
        bench.keyboard.press("Escape")
    assert len(seen) == 2


@pytest.mark.wide
def test_the_drawer_is_counted(bench: Page) -> None:
    bench.goto(f"{home(bench)}/drawer")
    expect(bench.locator("table, form").first).to_be_visible()
    expect(bench.locator("body")).to_contain_text("C3 ring")


@pytest.mark.wide
def test_the_section_in_inspect_opens_the_part_behind_a_flag(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/inspect")
    expect(bench.locator("[data-grader]")).to_be_visible()
    bench.keyboard.press("s")
    bench.locator('[data-place="counter-cover"]').click()
    expect(bench.locator("[data-part-pane]")).to_contain_text("Countershaft cover, rear")


@pytest.mark.wide
def test_a_hold_shows_where_the_job_would_be_closed(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/receive")
    expect(bench.locator("[data-close]")).to_contain_text("hold not cleared")
    expect(bench.get_by_role("button", name="Close it")).to_be_disabled()
