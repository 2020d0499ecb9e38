"""An hour in a cellar without a signal: what was last seen is shown, what is done is kept, and it is sent once each."""

from __future__ import annotations

import re
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, Route, expect

from accounts import PHRASE, QUICK, give_accounts
from bornek.app import PAGE, create_app
from bornek.services.people import hashes
from bornek.store.database import Database
from bornek.web.people.routes import limiter
from helpers import PICTURE
from serving import ACTOR, served

SETTING = "/jobs/w17/set/w17.output-end-play"
TOKENS = """() => new Promise((done) => {
  const asked = indexedDB.open("bornek");
  asked.onsuccess = () => {
    const all = asked.result.transaction("seen").objectStore("seen").getAll();
    all.onsuccess = () => done(all.result.filter((s) => s.url.endsWith("/api/me")).map((s) => s.body.token));
  };
})"""


@pytest.fixture
def live(yard: Database) -> Iterator[str]:
    """The yard on today's clock: what was kept says when it was made."""
    with served(create_app(yard, trusts=True)) as address:
        yield address


def tablet(browser: Browser, **more: Any) -> BrowserContext:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, reduced_motion="reduce", **more)
    context.add_init_script(ACTOR)
    return context


def opened(context: BrowserContext, address: str, path: str = SETTING) -> Page:
    page = context.new_page()
    page.goto(address + path)
    expect(page.locator("[data-say]").first).to_be_visible()
    return page


def cell(page: Page, slot: str) -> Any:
    return page.locator(f"[data-slot='travel.mark_down.{slot}']")


def read(page: Page, slot: str, text: str) -> None:
    expect(cell(page, slot).locator("[data-live]")).to_be_visible()
    page.keyboard.type(text)
    page.keyboard.press("Enter")
    expect(page.locator(f"[data-slot='travel.mark_down.{slot}'][data-status=taken]")).to_be_visible()


def readings(yard: Database) -> list[tuple[str, str]]:
    with sqlite3.connect(yard.path) as connection:
        return connection.execute(
            "SELECT slot, as_typed FROM entry WHERE setting_id = 'w17.output-end-play' ORDER BY seq"
        ).fetchall()


def test_readings_go_on_without_the_yard_and_are_sent_once_in_their_order(
    browser: Browser, live: str, yard: Database
) -> None:
    context = tablet(browser, service_workers="block")
    page = opened(context, live)
    before = readings(yard)
    context.set_offline(True)
    read(page, "2", "0.145")
    expect(page.locator("[data-kept]")).to_have_text("1 kept here")
    expect(page.locator("[data-kept-bar]")).to_contain_text("The yard does not answer.")
    read(page, "3", "0.150")
    expect(page.locator("[data-kept]")).to_have_text("2 kept here")
    expect(page.locator("[data-say]").first).to_contain_text("Judged when the yard answers")
    assert readings(yard) == before
    context.set_offline(False)
    expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
    assert readings(yard)[len(before) :] == [
        ("travel.mark_down.2", "0.145"),
        ("travel.mark_down.3", "0.150"),
    ]
    expect(page.locator("[data-say]").first).to_contain_text("Swap")
    context.close()


@pytest.mark.wide
def test_a_reading_that_was_taken_stays_when_the_yard_is_gone_right_after_it(
    browser: Browser, live: str
) -> None:
    context = tablet(browser, service_workers="block")
    page = opened(context, live)
    read(page, "2", "0.145")
    context.set_offline(True)
    expect(page.locator("[data-kept-bar]")).to_contain_text("The yard does not answer.")
    assert cell(page, "2").get_attribute("data-status") == "taken"
    context.close()


@pytest.mark.wide
def test_a_reading_that_was_sent_stays_while_the_next_is_on_its_way(browser: Browser, live: str) -> None:
    context = tablet(browser, service_workers="block")
    page = opened(context, live)
    context.set_offline(True)
    read(page, "2", "0.145")
    read(page, "3", "0.150")
    posts: list[Route] = []

    def first_alone(route: Route) -> None:
        posts.append(route)
        if len(posts) == 1:
            route.continue_()

    page.route("**/entries", first_alone)
    context.set_offline(False)
    expect(page.locator("[data-kept]")).to_have_text("1 kept here")
    assert cell(page, "2").get_attribute("data-status") == "taken"
    posts[1].continue_()
    expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
    context.close()


def test_what_is_kept_outlives_the_tab_and_a_reload(browser: Browser, live: str, yard: Database) -> None:
    context = tablet(browser, service_workers="block")
    page = opened(context, live)
    context.set_offline(True)
    read(page, "2", "0.145")
    expect(page.locator("[data-kept]")).to_have_text("1 kept here")
    page.close()
    context.set_offline(False)
    again = opened(context, live, "/")
    expect(again.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
    assert ("travel.mark_down.2", "0.145") in readings(yard)
    context.close()


def test_a_move_that_met_another_tablet_s_is_shown_beside_it_and_neither_is_lost(
    browser: Browser, live: str, yard: Database
) -> None:
    one, other = (tablet(browser, service_workers="block") for _ in range(2))
    mine, theirs = opened(one, live), opened(other, live)
    one.set_offline(True)
    move(mine)
    expect(mine.locator("[data-kept]")).to_have_text("1 kept here")
    theirs.keyboard.press("r")
    expect(theirs.locator("[data-say]").first).not_to_contain_text("Swap")
    one.set_offline(False)
    mine.locator("[data-kept-open]", has_text="1 to decide").click(timeout=15_000)
    expect(mine.locator("[data-refused]")).to_contain_text("Meanwhile")
    mine.locator("[data-insist]").click()
    expect(mine.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
    with sqlite3.connect(yard.path) as connection:
        acts = connection.execute("SELECT kind FROM act WHERE job_id = 'w17' ORDER BY seq").fetchall()
    assert {"move", "reseat"} <= {k for (k,) in acts[-2:]}
    one.close()
    other.close()


def acts(yard: Database) -> list[str]:
    with sqlite3.connect(yard.path) as connection:
        rows = connection.execute("SELECT kind FROM act WHERE job_id = 'w17' ORDER BY seq").fetchall()
    return [kind for (kind,) in rows]


def move(page: Page) -> None:
    page.keyboard.press("m")
    expect(page.locator("[data-move-panel]")).to_be_visible()
    page.keyboard.press("d")


@pytest.mark.wide
@pytest.mark.parametrize("lost", [2, 1, 0])
def test_a_move_after_readings_of_this_tablet_alone_asks_nothing_and_counts_once(
    browser: Browser, live: str, yard: Database, lost: int
) -> None:
    """`lost`: which request of the move the yard takes without its answer coming through."""
    context = tablet(browser, service_workers="block")
    page = opened(context, live)
    before = acts(yard)
    context.set_offline(True)
    read(page, "2", "0.145")
    move(page)
    expect(page.locator("[data-kept]")).to_have_text("2 kept here")
    seen: list[int] = []

    def swallow(route: Route) -> None:
        answer = route.fetch()
        seen.append(answer.status)
        if len(seen) == lost:
            route.abort()
        else:
            route.fulfill(response=answer)

    context.route("**/acts", swallow)
    context.set_offline(False)
    expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=20_000)
    assert acts(yard)[len(before) :] == ["move"]
    assert seen == [[409, 201], [409, 409, 201], [409, 201, 201]][lost]
    context.close()


@pytest.mark.wide
def test_a_newer_page_waits_until_it_is_taken(browser: Browser, yard: Database, tmp_path: Path) -> None:
    folder = tmp_path / "page"
    shutil.copytree(PAGE, folder)
    with served(create_app(yard, trusts=True, page=folder)) as address:
        context = tablet(browser)
        page = opened(context, address, "/")
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
        page.reload()
        expect(page.locator("[data-kept-bar]")).to_have_count(0)
        index, worker = folder / "index.html", folder / "sw.js"
        index.write_text(index.read_text().replace("<title>Bornek", "<title>Newer"))
        worker.write_text(re.sub(r'(url:"index.html",revision:")\w+', r"\1newer", worker.read_text()))
        page.evaluate("() => navigator.serviceWorker.ready.then((r) => r.update()).then(() => true)")
        page.locator("[data-newer]").click()
        expect(page.locator("[data-newer]")).to_have_count(0)
        assert "<title>Newer" in page.evaluate("() => fetch('/index.html').then((r) => r.text())")
        context.close()


@pytest.mark.wide
def test_who_opens_the_page_without_the_yard_still_writes_as_it_answers_and_no_token_is_kept(
    browser: Browser, yard: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    with accounts_of(yard, monkeypatch) as address:
        context = tablet(browser)
        page = context.new_page()
        page.goto(address + SETTING)
        enter(page)
        expect(cell(page, "2").locator("[data-live]")).to_be_visible()
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
        page.reload()
        expect(cell(page, "2").locator("[data-live]")).to_be_visible()
        context.set_offline(True)
        page.reload()
        read(page, "2", "0.145")
        tokens = page.evaluate(TOKENS)
        assert tokens == [""]
        context.set_offline(False)
        expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=20_000)
        assert ("travel.mark_down.2", "0.145") in readings(yard)
        context.close()


def test_the_page_opens_without_the_server_and_shows_the_last_known_board(
    browser: Browser, live: str
) -> None:
    context = tablet(browser)
    page = opened(context, live, "/")
    page.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
    page.reload()
    expect(page.get_by_text("Ferry Wickerel ramp winch").first).to_be_visible()
    context.set_offline(True)
    page.reload()
    expect(page.get_by_text("Ferry Wickerel ramp winch").first).to_be_visible()
    expect(page.locator("[data-kept-bar]")).to_contain_text("Shown as of")
    context.close()


@contextmanager
def accounts_of(yard: Database, monkeypatch: pytest.MonkeyPatch) -> Iterator[str]:
    """The address of the yard, where people sign in."""
    monkeypatch.setattr(hashes, "HASHER", QUICK)
    monkeypatch.setattr(hashes, "_NOTHING", "")
    give_accounts(yard)
    app = create_app(yard)
    limiter.enabled = False
    with served(app) as address:
        yield address


def enter(page: Page) -> None:
    page.locator("[name=name]").fill("Mo Ritter")
    page.locator("[name=passphrase]").fill(PHRASE)
    page.keyboard.press("Enter")


@pytest.mark.wide
def test_a_sign_in_that_ended_meanwhile_is_asked_for_then_sending_goes_on(
    browser: Browser, yard: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    with accounts_of(yard, monkeypatch) as address:
        context = tablet(browser, service_workers="block")
        page = context.new_page()
        page.goto(address + SETTING)
        enter(page)
        expect(cell(page, "2").locator("[data-live]")).to_be_visible()
        context.set_offline(True)
        read(page, "2", "0.145")
        with sqlite3.connect(yard.path) as connection:
            connection.execute("UPDATE sign_in SET ended_at = at")
        context.set_offline(False)
        expect(page.locator("[data-sign-in]")).to_be_visible(timeout=15_000)
        enter(page)
        expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
        assert ("travel.mark_down.2", "0.145") in readings(yard)
        context.close()


@pytest.mark.wide
def test_a_browser_that_keeps_nothing_says_so(browser: Browser, live: str) -> None:
    context = tablet(browser, service_workers="block")
    context.add_init_script("Object.defineProperty(window, 'indexedDB', { value: undefined })")
    page = opened(context, live)
    context.set_offline(True)
    expect(cell(page, "2").locator("[data-live]")).to_be_visible()
    page.keyboard.type("0.145")
    page.keyboard.press("Enter")
    expect(page.locator("[data-kept-bar]")).to_contain_text("keeps nothing")
    expect(cell(page, "2").locator("[data-live]")).to_have_value("0.145")
    context.close()


@pytest.mark.wide
def test_a_photo_is_kept_and_sent_once(browser: Browser, live: str, yard: Database) -> None:
    context = tablet(browser, service_workers="block")
    page = opened(context, live, "/jobs/w17/strip")
    page.get_by_role("button", name="Photos").or_(page.get_by_role("tab", name="Photos")).first.click()
    photo = page.locator("input[type=file]").first
    photo.wait_for(state="attached")
    context.set_offline(True)
    photo.set_input_files({"name": "photo.png", "mimeType": "image/png", "buffer": PICTURE})
    expect(page.locator("[data-kept]")).to_have_text("1 kept here")
    context.set_offline(False)
    expect(page.locator("[data-kept-bar]")).to_have_count(0, timeout=15_000)
    with sqlite3.connect(yard.path) as connection:
        assert connection.execute("SELECT count(*) FROM attachment WHERE job_id = 'w17'").fetchone() == (1,)
    context.close()


@pytest.mark.wide
def test_no_room_on_the_device_is_said_and_what_was_typed_stays(browser: Browser, live: str) -> None:
    context = tablet(browser, service_workers="block")
    context.add_init_script(
        "IDBObjectStore.prototype.add = () => { throw new DOMException('full', 'QuotaExceededError') }"
    )
    page = opened(context, live)
    expect(cell(page, "2").locator("[data-live]")).to_be_visible()
    context.set_offline(True)
    page.keyboard.type("0.145")
    page.keyboard.press("Enter")
    expect(page.locator("[data-kept-bar]")).to_contain_text("no room left")
    expect(cell(page, "2").locator("[data-live]")).to_have_value("0.145")
    context.close()


@pytest.mark.wide
def test_a_clock_that_is_wrong_is_said_and_what_is_kept_has_the_yard_s_time(
    browser: Browser, live: str, yard: Database
) -> None:
    context = tablet(browser, service_workers="block")
    context.add_init_script("const now = Date.now; Date.now = () => now() - 12 * 60_000")
    page = opened(context, live)
    expect(page.locator("[data-kept-bar]")).to_contain_text("12 min behind the yard's")
    context.set_offline(True)
    read(page, "2", "0.145")
    context.set_offline(False)
    expect(page.locator("[data-kept]")).to_have_count(0, timeout=15_000)
    with sqlite3.connect(yard.path) as connection:
        ((ago,),) = connection.execute(
            "SELECT (julianday('now') - julianday(at)) * 1440 FROM entry WHERE as_typed = '0.145'"
            " AND slot = 'travel.mark_down.2'"
        ).fetchall()
    assert -1 < ago < 3, "minutes since it was made, not twelve more"
    context.close()
