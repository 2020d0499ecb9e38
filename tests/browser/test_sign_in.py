"""Signing in at the page: the owner of a new yard, a PIN at a known device, a sign-in that ends in the middle of work."""

from __future__ import annotations

import re
import sqlite3
from collections.abc import Iterator

import pytest
from flask import Flask
from playwright.sync_api import Page, expect

from accounts import PHRASE, PIN, QUICK, Clock, give_accounts, guarded
from bornek.services.people import hashes
from bornek.services.people.accounts import make_account
from bornek.store.database import Database
from controls import complaints, nothing_beside
from helpers import NOW
from serving import served


@pytest.fixture(autouse=True)
def quick(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(hashes, "HASHER", QUICK)
    monkeypatch.setattr(hashes, "_NOTHING", "")


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def guard(yard: Database, clock: Clock) -> Iterator[str]:
    give_accounts(yard)
    with served(guarded(yard, clock)) as address:
        yield address


def enter(page: Page, name: str, device: str = "") -> None:
    page.locator("[name=name]").fill(name)
    page.locator("[name=passphrase]").fill(PHRASE)
    if device:
        page.locator("[name=remember]").check()
        page.locator("[name=device]").fill(device)
    page.keyboard.press("Enter")


@pytest.mark.wide
def test_the_first_at_a_new_yard_becomes_its_owner(page: Page, empty: Database, clock: Clock) -> None:
    app: Flask = guarded(empty, clock)
    with served(app) as address:
        page.goto(address)
        expect(page.get_by_role("heading", name="This yard is new.")).to_be_visible()
        page.locator("[name=name]").fill("Ow Berg")
        page.locator("[name=passphrase]").fill(PHRASE)
        page.locator("[name=again]").fill("something else")
        expect(page.get_by_text("The two are not the same.")).to_be_visible()
        page.locator("[name=again]").fill(PHRASE)
        page.keyboard.press("Enter")
        expect(page.locator("[data-actor]")).to_contain_text("Ow Berg")
        page.goto(f"{address}/people")
        expect(page.locator("[data-person]")).to_contain_text("owner")
        expect(page.locator("[data-deeds]")).to_contain_text("owns this yard")


def test_a_pin_does_at_a_device_of_the_bench_and_signs_again(page: Page, guard: str) -> None:
    page.goto(f"{guard}/me")
    enter(page, "Mo Ritter", "Tablet, bench 2")
    page.locator("[data-own=pin] input").first.fill(PHRASE)
    page.locator("[data-own=pin] input").last.fill(PIN)
    page.locator("[data-own=pin] button").click()
    expect(page.get_by_text("Your PIN is set.")).to_be_visible()
    page.locator("[data-actor]").click()
    page.locator("[data-leave]").click()
    page.locator("[data-who]").click()
    page.keyboard.type("480294")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("does not fit")
    page.locator("[name=pin]").fill(PIN)
    page.keyboard.press("Enter")
    expect(page.locator("[data-sign-in]")).to_have_count(0)
    expect(page.locator("[data-actor]")).to_contain_text("Mo Ritter")
    page.goto(f"{guard}/jobs/w17/set/w17.output-end-play")
    for slot in ("2", "3"):
        expect(page.locator(f"[data-slot='travel.mark_down.{slot}'] [data-live]")).to_be_visible()
        page.keyboard.type("0.145")
        page.keyboard.press("Enter")
        expect(page.locator(f"[data-slot='travel.mark_down.{slot}'][data-status=taken]")).to_be_visible()
    page.keyboard.press("s")
    page.locator("[data-remark]").fill("left so")
    page.locator("[name=sign-pin]").fill(PIN)
    page.locator("[data-sign] [type=submit]").click()
    expect(page.get_by_text(re.compile("Signed by Mo Ritter"))).to_be_visible()


def test_what_is_typed_stays_while_a_sign_in_that_ended_is_asked_for(
    page: Page, guard: str, clock: Clock
) -> None:
    page.goto(f"{guard}/jobs/w17/set/w17.output-end-play")
    enter(page, "Mo Ritter")
    cell = page.locator("[data-slot='travel.mark_down.2'] [data-live]")
    expect(cell).to_be_visible()
    with page.expect_response("**/api/me/here"):
        page.keyboard.type("0.145")
    clock.on(minutes=31)
    page.keyboard.press("Enter")
    expect(page.locator("[data-sign-in]")).to_be_visible()
    enter(page, "Mo Ritter")
    expect(page.locator("[data-sign-in]")).to_have_count(0)
    expect(cell).to_have_value("0.145")
    page.keyboard.press("Enter")
    expect(page.locator("[data-slot='travel.mark_down.2'][data-status=taken]")).to_be_visible()


@pytest.mark.wide
def test_an_apprentice_is_told_who_may(page: Page, guard: str) -> None:
    page.goto(f"{guard}/people")
    enter(page, "Ada Pell")
    expect(page.get_by_text("The owner may look after people")).to_be_visible()


def test_the_owner_makes_an_account_and_ends_it(page: Page, guard: str, yard: Database) -> None:
    page.goto(f"{guard}/people")
    enter(page, "Ow Berg")
    page.locator("[data-new]").click()
    form = page.locator("[data-account-form]")
    form.locator("[name=name]").fill("Nia Holm")
    form.locator("[name=passphrase]").fill("loose on its seat")
    form.get_by_role("button", name="Make the account").click()
    row = page.locator("[data-person]", has_text="Nia Holm")
    expect(row).to_contain_text("mechanic")
    row.get_by_role("button").click()
    form.locator("[data-end]").click()
    expect(row).to_contain_text("ended")
    with sqlite3.connect(yard.path) as connection:
        assert connection.execute("SELECT count(*) FROM account WHERE ended_at IS NOT NULL").fetchone() == (
            1,
        )


LONG = "W" * 80


def sits_well(page: Page) -> None:
    """Nothing beside the page at any width, and nothing that axe finds."""
    nothing_beside(page)
    assert complaints(page) == {"light": [], "dark": []}


@pytest.mark.wide
def test_long_names_of_people_and_devices_sit_well(page: Page, guard: str, yard: Database) -> None:
    """The sign-in, who may sign in with an account open, one's own page, and the PIN at a known device."""
    with yard.writing() as session:
        make_account(session, {"name": LONG, "role": "owner", "passphrase": PHRASE}, NOW)
    page.goto(f"{guard}/people")
    expect(page.locator("[data-sign-in]")).to_be_visible()
    sits_well(page)
    enter(page, LONG, device=LONG)
    expect(page.locator("[data-accounts]")).to_be_visible()
    page.locator("[data-person]", has_text=LONG).get_by_role("button").click()
    expect(page.locator("[data-account-form]")).to_be_visible()
    sits_well(page)
    page.goto(f"{guard}/me")
    own = page.locator("[data-own=pin]")
    own.locator("input").first.fill(PHRASE)
    own.locator("input").last.fill(PIN)
    own.locator("button").click()
    expect(page.get_by_text("Your PIN is set.")).to_be_visible()
    sits_well(page)
    page.locator("[data-actor]").click()
    page.locator("[data-leave]").click()
    page.locator("[data-who]").click()
    sits_well(page)
