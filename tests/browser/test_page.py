"""What holds for every page: nothing foreign, reachable by keys, readable, light and dark."""

from __future__ import annotations

import pytest
from playwright.sync_api import Browser, Page, expect

from controls import complaints, nothing_beside
from helpers import in_gate
from views import OTHERS, STANDING, ZONES


def open_view(page: Page, address: str, path: str) -> None:
    page.set_viewport_size({"width": 1280, "height": 800})
    page.goto(address + path)
    expect(
        page.locator(
            "[data-say], [data-record-setting], [data-type], [data-tool], [data-lost], [data-pattern], [data-accounts], [data-own], table, form"
        ).first
    ).to_be_visible()


@pytest.fixture(scope="module", params=in_gate((*STANDING, *OTHERS, *ZONES), len(STANDING)))
def view(looked_at: Page, reading_room: str, request: pytest.FixtureRequest) -> Page:
    """Each view opened once for all that must hold of it."""
    looked_at.foreign.clear()  # type: ignore[attr-defined]
    looked_at.errors.clear()  # type: ignore[attr-defined]
    open_view(looked_at, reading_room, request.param)
    looked_at.evaluate("document.fonts.ready")
    return looked_at


def test_nothing_is_fetched_from_outside_and_nothing_breaks(view: Page) -> None:
    assert view.foreign == []  # type: ignore[attr-defined]
    assert view.errors == []  # type: ignore[attr-defined]


def test_axe_finds_nothing_serious_or_moderate_by_light_and_in_the_dark(view: Page) -> None:
    assert complaints(view) == {"light": [], "dark": []}


@pytest.mark.wide
def test_no_view_scrolls_sideways_on_phone_tablet_or_bench(view: Page) -> None:
    nothing_beside(view)
    assert view.errors == []  # type: ignore[attr-defined]


def test_axe_finds_nothing_where_nobody_was_named_yet(browser: Browser, reading_room: str) -> None:
    context = browser.new_context(reduced_motion="reduce")
    page = context.new_page()
    open_view(page, reading_room, "/")
    expect(page.locator("[data-actor]")).to_have_text("Who are you?")
    assert complaints(page) == {"light": [], "dark": []}
    context.close()


def test_axe_finds_nothing_where_a_move_is_written_down(looked_at: Page, reading_room: str) -> None:
    open_view(looked_at, reading_room, "/jobs/w17/set/w17.output-end-play")
    looked_at.keyboard.press("m")
    expect(looked_at.locator("[data-move-panel]")).to_be_visible()
    assert complaints(looked_at) == {"light": [], "dark": []}


def test_the_main_task_fits_1280_by_800_without_scrolling(looked_at: Page, reading_room: str) -> None:
    open_view(looked_at, reading_room, "/jobs/w17/set/w17.output-end-play")
    expect(looked_at.locator("[data-mark=log]")).to_be_visible()
    assert looked_at.evaluate("document.documentElement.scrollHeight <= 800")


def test_the_question_mark_shows_the_keys_and_escape_closes(looked_at: Page, reading_room: str) -> None:
    open_view(looked_at, reading_room, "/jobs/w17/set/w17.output-end-play")
    looked_at.keyboard.press("?")
    expect(looked_at.get_by_role("heading", name="Keys")).to_be_visible()
    looked_at.keyboard.press("Escape")
    expect(looked_at.get_by_role("heading", name="Keys")).to_have_count(0)


def test_every_drawing_tells_itself_in_words(looked_at: Page, reading_room: str) -> None:
    open_view(looked_at, reading_room, "/jobs/w17/set/w17.output-end-play")
    strip = looked_at.locator("[data-mark=readout] svg").first.get_attribute("aria-label") or ""
    assert "End play: 0.145 ± 0.009 mm, out high" in strip
    assert "0.15 out" in (looked_at.locator("[data-mark=pack] svg").get_attribute("aria-label") or "")


def test_a_phone_has_the_live_cell_on_it(looked_at: Page, reading_room: str) -> None:
    looked_at.set_viewport_size({"width": 390, "height": 844})
    open_view(looked_at, reading_room, "/jobs/w17/set/w17.output-end-play")
    expect(looked_at.locator("[data-live]")).to_be_visible()


def test_an_address_that_is_not_there_says_so(looked_at: Page, reading_room: str) -> None:
    open_view(looked_at, reading_room, "/nowhere/at/all")
    expect(looked_at.locator("main")).to_contain_text("Nothing lives at this address")
