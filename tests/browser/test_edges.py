"""What is typed and pressed stands clear of the bars that stay in sight at either edge of the page."""

from __future__ import annotations

import pytest
from playwright.sync_api import Locator, Page, expect

from controls import open_setting

TOUCHED = """(it) => {
  const box = it.getBoundingClientRect();
  const at = [box.top + 3, box.bottom - 3].map((y) => document.elementFromPoint(box.x + box.width / 2, y));
  return at.every((found) => it.contains(found));
}"""
"""Whether a finger near either end of what is asked about, where it stands now, would touch it."""


def touched(what: Locator) -> bool:
    expect(what).to_be_visible()
    return bool(what.evaluate(TOUCHED))


@pytest.mark.wide
@pytest.mark.parametrize("size", [(1280, 800), (768, 1024)])
def test_the_move_is_written_down_and_its_plates_are_typed_without_scrolling(
    bench: Page, size: tuple[int, int]
) -> None:
    bench.set_viewport_size({"width": size[0], "height": size[1]})
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.press("m")
    assert touched(bench.locator("[data-done]"))
    bench.keyboard.press("0")
    expect(bench.locator("[data-type-plates]")).to_be_focused()
    assert touched(bench.locator("[data-type-plates]"))
    assert touched(bench.locator("[data-done]"))


@pytest.mark.wide
def test_on_a_phone_the_move_comes_up_where_it_is_asked_for(bench: Page) -> None:
    bench.set_viewport_size({"width": 390, "height": 844})
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.press("m")
    assert touched(bench.locator("[data-done]"))
    assert touched(bench.locator("[data-move-panel] button", has_text="Proposed"))


@pytest.mark.wide
def test_a_setting_is_signed_without_scrolling(bench: Page) -> None:
    open_setting(bench, "w17.input-preload")
    bench.keyboard.press("s")
    assert touched(bench.get_by_role("button", name="Sign it"))


@pytest.mark.wide
@pytest.mark.parametrize("size", [(1280, 800), (768, 1024)])
def test_a_refusal_stands_over_the_foot_and_under_what_it_refuses(bench: Page, size: tuple[int, int]) -> None:
    bench.set_viewport_size({"width": size[0], "height": size[1]})
    open_setting(bench, "w17.output-end-play")
    said = {
        "code": "invalid",
        "message": "The reading is none.",
        "next_step": "Read it again.",
        "details": {},
    }
    bench.route("**/entries", lambda route: route.fulfill(status=422, json=said))
    bench.keyboard.type("0.15")
    bench.keyboard.press("Enter")
    assert touched(bench.locator("[data-problem]").get_by_role("button", name="Close"))
    bench.keyboard.press("5")
    assert touched(bench.locator("[data-live]"))


@pytest.mark.wide
def test_a_move_of_many_plates_stands_under_the_bar_of_what_is_kept(bench: Page) -> None:
    open_setting(bench, "f12.ring-set")
    bench.keyboard.press("m")
    bench.locator("[data-type-plates]").last.scroll_into_view_if_needed()
    assert touched(bench.locator("[data-done]"))
    bench.route("**/api/**", lambda route: route.abort())
    bench.get_by_role("button", name="Take out").last.click()
    expect(bench.locator("[data-kept-bar]")).to_be_visible()
    assert touched(bench.locator("[data-done]"))
