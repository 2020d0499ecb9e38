"""What holds for every page: nothing foreign, reachable by keys, readable, light and dark."""

from __future__ import annotations

from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

AXE = Path(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
VIEWS = ["/", "/drawer", "/gauges", "/receive", "/jobs/w17", "/jobs/w17/set/w17.output-end-play",
         "/jobs/p22/set/p22.thrust-end-play", "/jobs/w11/record", "/jobs/f12/strip", "/jobs/f12/receive",
         "/jobs/w17/definition", "/types", "/types/chain-ferry", "/search", "/jobs/k08/inspect", "/orders", "/look-fors"]  # fmt: skip


def open_view(page: Page, address: str, path: str) -> None:
    page.goto(address + path)
    expect(
        page.locator("[data-say], [data-record-setting], [data-type], [data-lost], table, form").first
    ).to_be_visible()


@pytest.mark.parametrize("path", VIEWS)
def test_nothing_is_fetched_from_outside(bench: Page, address: str, path: str) -> None:
    errors: list[str] = []
    bench.on("pageerror", lambda e: errors.append(str(e)))
    open_view(bench, address, path)
    bench.evaluate("document.fonts.ready")
    assert bench.foreign == []  # type: ignore[attr-defined]
    assert errors == []


@pytest.mark.parametrize("path", VIEWS)
def test_axe_finds_nothing_serious_by_light_and_in_the_dark(bench: Page, address: str, path: str) -> None:
    open_view(bench, address, path)
    bench.evaluate(AXE.read_text(encoding="utf-8"))
    for theme in ("light", "dark"):
        bench.emulate_media(color_scheme=theme)  # type: ignore[arg-type]
        found = bench.evaluate("axe.run({resultTypes: ['violations']})")["violations"]
        serious = [
            (v["id"], [n["html"][:120] for n in v["nodes"]])
            for v in found
            if v["impact"] in ("serious", "critical")
        ]
        assert serious == [], theme


def test_the_main_task_fits_1280_by_800_without_scrolling(bench: Page, address: str) -> None:
    open_view(bench, address, "/jobs/w17/set/w17.output-end-play")
    expect(bench.locator("[data-mark=log]")).to_be_visible()
    assert bench.evaluate("document.documentElement.scrollHeight <= 800")


@pytest.mark.parametrize("path", VIEWS)
def test_no_view_scrolls_sideways_on_phone_tablet_or_bench(bench: Page, address: str, path: str) -> None:
    for width in (390, 768, 1280):
        bench.set_viewport_size({"width": width, "height": 900})
        open_view(bench, address, path)
        assert bench.evaluate("document.documentElement.scrollWidth") <= width


def test_the_question_mark_shows_the_keys_and_escape_closes(bench: Page, address: str) -> None:
    open_view(bench, address, "/jobs/w17/set/w17.output-end-play")
    bench.keyboard.press("?")
    expect(bench.get_by_role("heading", name="Keys")).to_be_visible()
    bench.keyboard.press("Escape")
    expect(bench.get_by_role("heading", name="Keys")).to_have_count(0)


def test_every_drawing_tells_itself_in_words(bench: Page, address: str) -> None:
    open_view(bench, address, "/jobs/w17/set/w17.output-end-play")
    strip = bench.locator("[data-mark=readout] svg").first.get_attribute("aria-label") or ""
    assert "End play: 0.145 ± 0.009 mm, out high" in strip
    assert "0.15 out" in (bench.locator("[data-mark=pack] svg").get_attribute("aria-label") or "")


def test_a_phone_has_the_live_cell_on_it(bench: Page, address: str) -> None:
    bench.set_viewport_size({"width": 390, "height": 844})
    open_view(bench, address, "/jobs/w17/set/w17.output-end-play")
    expect(bench.locator("[data-live]")).to_be_visible()


def test_an_address_that_is_not_there_says_so(bench: Page, address: str) -> None:
    open_view(bench, address, "/nowhere/at/all")
    expect(bench.locator("main")).to_contain_text("Nothing lives at this address")
