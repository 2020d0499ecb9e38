"""A look that was on its way before a write was taken does not put what it saw back over the answer."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager

import pytest
from playwright.sync_api import APIResponse, Page, Route, expect

from controls import DRAWN, open_setting


@contextmanager
def late_look(page: Page, path: str) -> Iterator[None]:
    """The next look at a path sees what is there now, and arrives only after what is done in here."""
    held: list[tuple[Route, APIResponse]] = []

    def hold(route: Route) -> None:
        if held or route.request.method != "GET":
            route.continue_()
        else:
            held.append((route, route.fetch()))

    page.route(f"**{path}", hold)
    with page.expect_request(lambda r: r.url.endswith(path) and r.method == "GET"):
        pass
    while not held:
        page.evaluate("1")
    yield
    with page.expect_response(lambda r: r.request == held[0][0].request):
        held[0][0].fulfill(response=held[0][1])
    page.evaluate(DRAWN)


def test_a_reading_that_was_taken_stays_when_an_older_look_comes_in(bench: Page) -> None:
    open_setting(bench, "w17.output-end-play")
    bench.keyboard.press("r")
    expect(bench.locator("header")).to_contain_text("round 3")
    taken = bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")
    with late_look(bench, "/api/settings/w17.output-end-play"):
        bench.keyboard.type("0.14")
        bench.keyboard.press("Enter")
        expect(taken).to_be_visible()
    assert taken.is_visible()


@pytest.mark.wide
def test_what_was_written_on_a_stage_stays_when_an_older_look_comes_in(bench: Page, address: str) -> None:
    bench.goto(f"{address}/jobs/f12/strip?zone=loose")
    bench.locator("[name=what]").fill("lock washer tab")
    bench.locator("[name=where]").fill("the sump")
    said = bench.locator("[data-say]", has_text="Find the lock washer tab")
    with late_look(bench, "/api/jobs/f12/strip"):
        bench.get_by_role("button", name="It is loose in there").click()
        expect(said).to_be_visible()
    assert said.is_visible()
