"""A whole job from received to released and closed, as two mechanics make it; run-in by keys; a unit's life looked at."""

from __future__ import annotations

import io
from pathlib import Path

from playwright.sync_api import Page, expect
from pypdf import PdfReader

from controls import home, open_board, pick, say

TURNED = 20.0
OUT = TURNED * 13 / 47


def types(page: Page, *texts: str) -> None:
    for text in texts:
        live = page.locator("[data-live]")
        slot = page.locator("[data-slot]", has=live).get_attribute("data-slot")
        expect(live).to_be_focused()
        page.keyboard.type(text)
        page.keyboard.press("Enter")
        expect(page.locator(f'[data-slot="{slot}"][data-status="taken"]')).to_be_visible()


def seen(page: Page, point: str, **words: str) -> None:
    """One point taken in hand and seen."""
    row = page.locator(f'[data-point="{point}"]')
    row.click()
    for name, value in words.items():
        page.locator(f"[data-point-pane] [name={name}]").fill(value)
    page.locator("[data-seen]").click()
    expect(page.locator(f'[data-point="{point}"][data-state=open]')).to_have_count(0)


def receive(page: Page) -> None:
    page.goto(f"{home(page)}/receive")
    pick(page, "revision", "haul-winch.1")
    for name, value in (
        ("tag", "H-40"),
        ("serial", "HW2-0200"),
        ("name", "Ferry stage haul winch"),
        ("complaint", "Drum seal drips"),
    ):
        page.locator(f"[name={name}]").first.fill(value)
    pick(page, "stands", "field")
    page.get_by_role("button", name="Open the job").click()
    say(page, "Lock out and tag out first")
    page.locator("[name=points]").fill("breaker Q7, chock under the cradle")
    page.locator("[name=key_holder]").fill("Marl")
    page.get_by_role("button", name="It is locked out").click()


def strip(page: Page) -> str:
    """The seal off, the baselines let go; returns the job's id."""
    job = page.url.split("/jobs/")[1].split("/")[0]
    page.keyboard.press("2")
    page.locator('[data-part="drum-seal"]').click()
    pick(page, "way", "draw")
    page.locator("[name=orientation]").fill("lip inward, to the oil")
    page.get_by_role("button", name="It is off").click()
    if page.locator("[data-let-go]").is_visible():
        page.locator("[name=why]").fill("not wanted for a seal")
        page.get_by_role("button", name="Let it go").click()
    expect(page.locator("[data-removals]")).to_contain_text("Drum seal")
    return job


def set_it(page: Page, job: str) -> None:
    page.goto(f"{home(page)}/jobs/{job}/set/{job}.drum-end-play")
    expect(page.locator("[data-memory]")).to_contain_text("6 of 9 above its window")
    expect(page.locator("[data-cautions]")).to_be_visible()
    page.keyboard.press("Enter")
    page.keyboard.press("Enter")
    page.locator("[data-type-plates]").fill("0.50 + 0.15")
    page.locator("[data-type-plates]").press("Enter")
    page.locator("[data-done]").click()
    types(page, "0.205", "0.21", "0.205", "0.205", "0.21", "0.205")
    page.keyboard.press("m")
    page.locator("[data-done]").click()
    say(page, "Read the end play")
    types(page, "0.09", "0.095", "0.09", "0.09", "0.095", "0.09")
    say(page, "Leave it: in")
    page.keyboard.press("s")
    page.get_by_role("button", name="Sign it").click()
    say(page, "Signed: in")


def count_turns(page: Page, job: str) -> None:
    page.goto(f"{home(page)}/jobs/{job}/mesh/train")
    way = page.request.get(f"{home(page)}/api/jobs/{job}/train").json()["sheet"]["positions"][0]["outs"][0][
        "way"
    ]
    page.locator("[name=turned]").fill(f"{TURNED:g}")
    page.locator("[name=out]").fill(f"{OUT:.2f}")
    page.locator(f"[data-option='{way or 'clockwise'}']").click()
    page.locator("[data-take-count]").click()
    expect(page.locator("[data-position]").first).to_contain_text("as it must")


def prove(page: Page, job: str) -> None:
    page.goto(f"{home(page)}/jobs/{job}/prove")
    say(page, "Still open")
    seen(page, "back")
    page.locator('[data-point="fresh:drum-seal"]').click()
    expect(page.locator("[data-point-pane]")).to_contain_text("holds only once")
    page.keyboard.press("Enter")
    expect(page.locator('[data-point="fresh:drum-seal"][data-state=open]')).to_have_count(0)
    seen(page, "seal:drum-seal")
    seen(page, "turn", words="free all round")
    seen(page, "oil:case", amount="6 L, middle of the glass")
    guards = page.locator('[data-point="ready:guards"]')
    guards.click()
    page.locator("[data-seen]").click()
    expect(page.locator("[data-problem]")).to_contain_text("Tools and people first")
    page.get_by_role("button", name="Close", exact=True).click()
    seen(page, "ready:clear")
    seen(page, "ready:guards")
    page.locator('[data-point="ready:lock"]').click()
    page.locator("[data-lock-off]").click()
    expect(page.locator('[data-point="ready:lock"][data-state=open]')).to_have_count(0)


def run_in(page: Page) -> None:
    """A stage of the mechanic's own, read by keys until it levels."""
    page.keyboard.press("r")
    for name, value in (
        ("label", "Empty cradle"),
        ("speed", "up and down the slip"),
        ("minutes", "40"),
        ("limit", "80"),
        ("source", "Yard rule 7"),
        ("ambient", "20"),
    ):
        page.locator(f"[data-run-begin] [name={name}]").fill(value)
    page.get_by_role("button", name="It runs now").click()
    page.locator("[data-bearing=drum-top]").click()
    for minutes, text in ((5, "25.7"), (10, "30.2"), (15, "33.7"), (20, "36.5"), (30, "40.6"), (40, "43.1")):
        page.locator("[data-bearing=drum-top]").click()
        page.locator("[name=minute]").fill(str(minutes))
        page.locator("[name=celsius]").fill(text)
        page.locator("[name=celsius]").press("Enter")
        expect(page.locator("[data-bearing=drum-top]")).to_contain_text(f"{text} °C at {minutes} min")
    expect(page.locator("[data-bearing=drum-top]")).to_contain_text("levels at 4")
    page.locator("[data-done]").click()
    expect(page.locator("[data-run-past]")).to_contain_text("run to its end")


def release(page: Page, job: str) -> None:
    page.keyboard.press("p")
    page.locator("[data-put-off-more]").click()
    page.locator("[name=what]").fill("Paint the seal cover")
    page.locator("[name=why]").fill("no dry day")
    pick(page, "who", "Jun Havers")
    page.locator("[name=until]").fill("2027-04-01")
    page.get_by_role("button", name="Put it off").click()
    expect(page.locator("[data-put-off-row]")).to_contain_text("Paint the seal cover")
    page.keyboard.press("e")
    expect(page.locator("[data-release]")).to_contain_text("Nothing is open")
    pick(page, "second", "Oda Brisk")
    page.locator("[data-release-it]").click()
    expect(page.locator("[data-released]")).to_contain_text("second person: Oda Brisk")
    page.get_by_role("link", name="Close the job").click()
    page.locator("[name=why]").fill("the other parts were not taken off")
    page.get_by_role("button", name="Close it").click()
    expect(page.locator("body")).to_contain_text("Closed 2026-11-24")
    page.goto(f"{home(page)}/jobs/{job}/record")
    with page.expect_download() as download:
        page.get_by_text("Build sheet for its owner").click()
    said = "".join(
        p.extract_text() for p in PdfReader(io.BytesIO(Path(download.value.path()).read_bytes())).pages
    )
    for words in (
        "Drum seal drips",
        "released for service",
        "with Oda Brisk",
        "Paint the seal cover",
        "Empty cradle",
    ):
        assert words in " ".join(said.split()), words


def test_a_whole_job_from_received_to_released(bench: Page) -> None:
    receive(bench)
    job = strip(bench)
    set_it(bench, job)
    count_turns(bench, job)
    prove(bench, job)
    run_in(bench)
    release(bench, job)
    open_board(bench)
    due = bench.locator("[data-due-row]", has_text="Paint the seal cover")
    expect(due).to_contain_text("until 2027-04-01")
    due.click()
    expect(bench.locator("[data-life-owed]")).to_contain_text("Paint the seal cover")
    bench.locator("[name=done]").fill("two coats")
    bench.get_by_role("button", name="It is done").click()
    expect(bench.locator("[data-life-owed]")).to_contain_text("Done since, with no job open")
    expect(bench.locator("[data-owed-row]")).to_have_count(0)


def test_a_life_is_looked_at_by_keys(bench: Page) -> None:
    bench.goto(f"{home(bench)}/units/u-h31")
    say(bench, "Drum shaft end play: act before March 2030")
    expect(bench.locator("[data-mark=life]")).to_contain_text("0.310")
    bench.keyboard.press("l")
    expect(bench.locator("[data-stay]")).to_have_count(13)
    bench.keyboard.press("p")
    expect(bench.locator("[data-owed-row]")).to_contain_text("Paint the drum cheeks")
    bench.keyboard.press("v")
    expect(bench.locator("[data-visits] li")).to_have_count(5)
    bench.keyboard.press("j")
    expect(bench).to_have_url(f"{home(bench)}/jobs/h31")


def test_what_was_seen_of_a_point_is_kept_where_the_yard_does_not_answer(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/prove")
    bench.locator('[data-point="back"]').click()
    bench.route(
        "**/prove", lambda route: route.abort() if route.request.method == "POST" else route.continue_()
    )
    bench.locator("[data-point-pane] [name=words]").fill("counted twice against the list")
    bench.locator("[data-seen]").click()
    expect(bench.locator("[data-kept]")).to_have_text("1 kept here")


def test_what_was_typed_for_a_point_stays_when_it_is_refused(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/prove")
    bench.locator('[data-point="back"]').click()
    bench.route(
        "**/prove",
        lambda route: (
            route.fulfill(
                status=422,
                json={
                    "code": "input",
                    "field": "point",
                    "message": "Not now.",
                    "next_step": "Later.",
                    "details": {},
                },
            )
            if route.request.method == "POST"
            else route.continue_()
        ),
    )
    bench.locator("[data-point-pane] [name=words]").fill("counted twice against the list")
    bench.locator("[data-seen]").click()
    expect(bench.locator("[data-problem]")).to_contain_text("Not now.")
    expect(bench.locator("[data-point-pane] [name=words]")).to_have_value("counted twice against the list")
