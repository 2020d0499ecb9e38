"""A rig done to its end by keys alone and by touch alone, every planted fault met, and nothing told too early."""

from __future__ import annotations

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from flask import Flask
from flask.testing import FlaskClient
from playwright.sync_api import Browser, Page, expect

from bornek.core.practice.rigs.cause import CauseRig
from bornek.core.practice.rigs.faults import LOOKS
from bornek.core.practice.rigs.order import OrderRig
from bornek.core.practice.rigs.rows import make_bench
from bornek.core.practice.rigs.signs import look_parts
from bornek.services.practice.rigs import Rigs
from controls import complaints, nothing_beside
from helpers import in_gate
from practising import own_rigs

CODE = "c" * 32
READ = re.compile(r"At 200 newton the needle stands at (?:(\d+) turns? and )?([\d.]+) div")


@pytest.fixture(autouse=True)
def practice(application: Flask, tmp_path: Path) -> Iterator[Rigs]:
    with own_rigs(application, tmp_path) as rigs:
        yield rigs


def begin(page: Page, client: FlaskClient, address: str, sort: str = "shims", number: int = 27) -> None:
    body = {"sort": sort, "number": number, "learner": CODE, "name": "Jun Havers"}
    page.goto(address + client.post("/api/practice/rigs", json=body).get_json()["path"])
    page.get_by_role("button", name="Read Enter").click()


def dial_says(page: Page) -> str:
    """What the needle speaks, in mm of a dial of hundredths."""
    expect(page.locator("[data-needle-said]")).to_contain_text(READ)
    found = READ.search(page.locator("[data-needle-said]").inner_text())
    assert found is not None
    return f"{(100 * int(found[1] or 0) + float(found[2])) * 0.01:.3f}"


def read_by_keys(page: Page) -> None:
    """Pulled with the arrow held down, read from what the needle speaks, typed."""
    for n in range(1, 7):
        slot = f"[data-slot='travel.mark_{'up' if n < 4 else 'down'}.{(n - 1) % 3 + 1}']"
        expect(page.locator(f"{slot} [data-live]")).to_be_visible()
        expect(page.locator("[data-push]")).to_have_text("0 N")
        for _ in range(20):
            page.keyboard.down("ArrowDown")
        page.keyboard.up("ArrowDown")
        expect(page.locator("[data-push]")).to_have_text("200 N")
        page.keyboard.type(dial_says(page))
        page.keyboard.press("Enter")
        expect(page.locator(f"{slot}[data-status=taken]")).to_be_visible()


@pytest.mark.wide
def test_a_rig_is_done_by_keys_alone(bench: Page, client: FlaskClient, address: str) -> None:
    begin(bench, client, address)
    read_by_keys(bench)
    expect(bench.locator("[data-say]")).to_contain_text("what do you do?")
    bench.keyboard.press("w")
    expect(bench.locator("[data-say]")).to_contain_text("Take out")
    expect(bench.locator("[data-score]")).to_have_text("1")
    bench.keyboard.press("m")
    expect(bench.locator("[data-move-panel]")).to_be_visible()
    bench.keyboard.press("d")
    expect(bench.locator("[data-score]")).to_have_text("2")
    read_by_keys(bench)
    bench.keyboard.press("s")
    expect(bench.locator("[data-sign]")).to_be_visible()
    bench.keyboard.press("d")
    expect(bench.locator("[data-lifted]")).to_contain_text("nothing was wrong")
    expect(bench.locator("[data-lifted]")).to_have_attribute("data-result", "more")


def test_a_rig_is_read_by_touch_alone(browser: Browser, client: FlaskClient, address: str) -> None:
    context = browser.new_context(
        viewport={"width": 768, "height": 1024}, has_touch=True, reduced_motion="reduce"
    )
    page = context.new_page()
    body = {"sort": "shims", "number": 27, "learner": CODE, "name": "Jun Havers"}
    page.goto(address + client.post("/api/practice/rigs", json=body).get_json()["path"])
    page.get_by_role("button", name="Read Enter").tap()
    page.locator("[data-same]").tap()
    expect(page.locator("[data-push]")).to_have_text("200 N")
    page.locator("[data-live]").fill(dial_says(page))
    page.locator("[data-main]").tap()
    expect(page.locator("[data-slot='travel.mark_up.1'][data-status=taken]")).to_be_visible()
    context.close()


@pytest.mark.wide
def test_the_lever_pulled_too_hard_turns_red_and_says_so(
    bench: Page, client: FlaskClient, address: str
) -> None:
    begin(bench, client, address)
    bench.locator("[data-same]").click()
    for _ in range(7):
        bench.locator("[data-more]").click()
    expect(bench.locator("[data-lever-words]")).to_contain_text("too hard")
    bench.locator("[data-let-go]").click()
    expect(bench.locator("[data-push]")).to_have_text("0 N")


@pytest.mark.parametrize("fault", in_gate([look.fault for look in LOOKS], 1))
def test_every_planted_fault_is_met_and_found(
    bench: Page, client: FlaskClient, address: str, fault: str
) -> None:
    number = next(n for n in range(1, 400) if make_bench("shims", n).fault == fault)
    at, look = next((i, x) for i, x in enumerate(LOOKS) if x.fault == fault)
    begin(bench, client, address, number=number)
    bench.keyboard.press("l")
    expect(bench.locator("[data-look]").first).to_be_focused()
    for _ in range(at):
        bench.keyboard.press("ArrowDown")
    bench.keyboard.press("Enter")
    found = bench.locator(f"[data-look={look.key}] + p")
    expect(found).to_contain_text(look.found.split("{")[0].strip()[:40])
    expect(bench.locator("[data-score]")).to_have_text("0.1")


@pytest.mark.wide
def test_blades_are_tried_and_typed(bench: Page, client: FlaskClient, address: str) -> None:
    begin(bench, client, address, "feelers", 2)
    for label in ("0.020", "0.095"):
        bench.locator(f"[data-blade='{label}']").click()
    expect(bench.locator("[data-blade='0.020']")).to_contain_text("goes")
    expect(bench.locator("[data-blade='0.095']")).to_contain_text("does not go")


@pytest.mark.wide
def test_the_nine_stand_in_their_row_and_progress_can_be_wiped(bench: Page, address: str) -> None:
    bench.goto(address + "/practice")
    expect(bench.locator("[data-rig]")).to_have_count(9)
    bench.locator("[data-rig='1']").click()
    expect(bench.locator("[data-layout=rig]")).to_be_visible()
    expect(bench.locator("[data-rig-row] a")).to_have_count(9)
    bench.locator("[data-rig-row]").locator("xpath=..").locator("a").first.click()
    expect(bench.get_by_text("begun, not signed").first).to_be_visible()
    bench.locator("[data-wipe]").click()
    bench.locator("[data-wipe-sure]").click()
    expect(bench.get_by_text("Nothing yet.")).to_be_visible()


@pytest.mark.wide
def test_space_lets_the_gauge_take_the_pull(bench: Page, client: FlaskClient, address: str) -> None:
    begin(bench, client, address)
    expect(bench.locator("[data-mark=rig-dial]")).to_be_visible()
    bench.keyboard.press("Space")
    expect(bench.get_by_role("alert")).to_contain_text("Pull the bar first")
    bench.locator("[data-same]").click()
    expect(bench.locator("[data-push]")).to_have_text("200 N")
    bench.keyboard.press("Space")
    taken = bench.locator("[data-slot='travel.mark_up.1'][data-status=taken]")
    expect(taken.locator("[data-mark=trace]")).to_have_count(1)
    expect(bench.locator("[data-push]")).to_have_text("0 N")


def fits(page: Page) -> None:
    """Nothing is pushed off it on a phone, a tablet, at the bench; axe finds nothing."""
    nothing_beside(page)
    assert complaints(page) == {"light": [], "dark": []}


@pytest.mark.wide
def test_a_rig_is_read_at_every_width_and_by_axe(bench: Page, client: FlaskClient, address: str) -> None:
    begin(bench, client, address)
    expect(bench.locator("[data-mark=rig-dial]")).to_be_visible()
    fits(bench)
    bench.keyboard.press("l")
    expect(bench.locator("[data-looks]")).to_be_visible()
    fits(bench)


def begin_job(page: Page, client: FlaskClient, address: str, sort: str, number: int) -> None:
    body = {"sort": sort, "number": number, "learner": CODE, "name": "Jun Havers"}
    page.goto(address + client.post("/api/practice/rigs", json=body).get_json()["path"])


@pytest.mark.wide
def test_a_cause_is_found_by_keys_and_named(bench: Page, client: FlaskClient, address: str) -> None:
    truth = CauseRig(6)
    begin_job(bench, client, address, "cause", 6)
    keys = [p.key for p in look_parts()]
    expect(bench.locator("[data-look]")).to_have_count(len(keys))
    for part in truth.fewest:
        bench.locator(f"[data-look={part}]").focus()
        bench.keyboard.press("Enter")
        expect(bench.locator(f"[data-met={part}]")).to_contain_text(
            truth.shown(next(p for p in look_parts() if p.key == part))
        )
        for key, seen in truth.looked([part]).items():
            if seen == "seen":
                bench.locator(f"[data-evidence={key}] [data-seen]").click()
                expect(bench.locator(f"[data-evidence={key}] [data-seen]")).to_have_attribute(
                    "aria-pressed", "true"
                )
        bench.locator(f"[data-met={part}] [data-rest-absent]").click()
        expect(bench.locator(f"[data-met={part}] [data-rest-absent]")).to_have_count(0)
    expect(bench.locator("[data-diagnosis-words]")).to_contain_text("Yours to decide")
    bench.locator(f"[data-cause={truth.cause.key}] [data-name-cause]").click()
    expect(bench.locator("[data-say]")).to_contain_text("You go by")
    bench.keyboard.press("s")
    expect(bench.locator("[data-lifted]")).to_have_attribute("data-result", "in")


@pytest.mark.wide
def test_a_step_that_comes_too_late_is_moved_by_keys(bench: Page, client: FlaskClient, address: str) -> None:
    truth = OrderRig(1)
    begin_job(bench, client, address, "order", 1)
    (late,) = truth.late
    (_, after) = truth.mended()[0]
    at = [s["key"] for s in truth.steps]
    expect(bench.locator("[data-line] [data-step]")).to_have_count(len(at))
    for _ in range(at.index(late)):
        bench.keyboard.press("ArrowDown")
    bench.keyboard.press("Space")
    for _ in range(at.index(late) - at.index(after) - 1):
        bench.keyboard.press("ArrowUp")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-score]")).to_have_text("0.1")
    bench.keyboard.press("s")
    expect(bench.locator("[data-lifted]")).to_have_attribute("data-result", "in")
    expect(bench.locator("[data-lifted]")).to_contain_text("put right")


@pytest.mark.wide
def test_asking_shows_the_trap_and_where_the_step_belongs(
    bench: Page, client: FlaskClient, address: str
) -> None:
    begin_job(bench, client, address, "order", 1)
    expect(bench.locator("[data-line]")).to_be_visible()
    expect(bench.get_by_text("Shut out at")).to_have_count(0)
    bench.keyboard.press("w")
    expect(bench.locator("[data-say]")).to_contain_text("still on the tray")
    bench.locator("[data-act=Enter]").click()
    expect(bench.locator("[data-score]")).to_have_text("1.1")
    expect(bench.locator("[data-say]")).to_contain_text("What comes too late?")


@pytest.mark.wide
@pytest.mark.parametrize("rig", [("order", 1), ("cause", 6)])
def test_a_job_at_a_rig_is_read_at_every_width_and_by_axe(
    bench: Page, client: FlaskClient, address: str, rig: tuple[str, int]
) -> None:
    begin_job(bench, client, address, *rig)
    expect(bench.locator("[data-rig-score]")).to_be_visible()
    fits(bench)


@pytest.mark.wide
def test_any_other_address_at_a_rig_leads_to_its_own_page(
    bench: Page, client: FlaskClient, address: str
) -> None:
    begin_job(bench, client, address, "order", 1)
    expect(bench.locator("[data-line]")).to_be_visible()
    own = bench.url
    bench.goto(re.sub(r"/jobs/.*", "/search?q=x", own))
    expect(bench.locator("[data-line]")).to_be_visible()
    assert bench.url == own
