"""Every bearing setting of the yard by keys alone: readings, the move, in, signed, on the record."""

from __future__ import annotations

import math
from dataclasses import dataclass, field

import pytest
from playwright.sync_api import Page, expect

from controls import home, open_board

YES = True


@dataclass(frozen=True)
class Walk:
    """What is read in each round (True: yes; a digit: that answer; "a/b": two blades), what the headline then says.

    `signed`: with a remark where the verdict is not in.
    """

    setting: str
    rounds: tuple[tuple[bool | int | str, ...], ...]
    says: tuple[str, ...]
    moves: tuple[str, ...] = ()
    """Where the adjuster was really brought to; empty: as proposed."""
    unsigned: bool = False
    begin: str = field(default="")


def ring(e: float, high: float) -> tuple[str, ...]:
    return tuple(f"{e * math.cos(math.radians(45 * k - high)):.3f}" for k in range(8))


WALKS = {
    "3 tapered bore": Walk(
        "d02.head-drive-up", (("0.090/0.092",) * 6, ("0.038/0.040",) * 6 + (YES,)),
        ("Drive it up", "In. Lock the nut"), ("0.72",)),
    "4 spindle on a taper": Walk(
        "l03.nose-play", (("0.0135", "0.0134", "0.0165", "0.0166"), ("0.0078", "0.0079", "0.0108", "0.0109")),
        ("of tape on the rim", "")),
    "5 rolling drag": Walk(
        "d02.pinion-drag",
        (("1.8", "1.8", "1.8", "1.85", "1.8", "1.85", 1), ("3.2", "3.25", "3.2", 1), ("5.55", "5.5", "5.6", 1)),
        ("", "Tighten", "Leave it: in"), ("10", "21")),
    "6 thrust nut": Walk(
        "s31.nut-end-play", ((YES, YES, YES, "0.45", YES, YES), ("0.221", "0.219", YES, "0.220", "0.221", YES)),
        ("Back off 39.2°, to 39.16°", "Leave it: in")),
    "7 thrust bearing on springs": Walk(
        "p22.spring-end-play",
        ((YES,) * 7 + ("0.34", "0.34"), (YES, YES, "0.23", "0.231", YES, "0.23", "0.231", YES, YES)),
        ("Compress the springs again first. Tighten", "Leave it: in")),
    "8 by feel": Walk(
        "t05.feed-feel", ((YES, "1.1", "1.2", "1.1", "0.004", "0.004", 1), ("2.0", "2.1", "2.1", "0.006", "0.005", 1)),
        ("Back off", "Leave it")),
    "9 deflection": Walk(
        "l03.lift", (("0.010", "0.0101", "0.0165", "0.0166"), ("0.0045", "0.0046", "0.0090", "0.0091")),
        ("Tighten to", "Leave it: in")),
    "10 selective washer": Walk(
        "k08.second-side", (("0.40/0.45",) * 3, ("0.31/0.34",) * 3 + (YES,)),
        ("Swap the 2.50 for a", "Leave it: in"), begin="2.50"),
    "11 float": Walk("s31.float", (("0.25", "0.251", "0.111", "0.112"),), ("Act before",)),
    "12 runout": Walk("a06.crank-runout", (ring(0.004, 10) + ring(0.006, 80),), ("leave it alone",)),
}  # fmt: skip


def live(page: Page) -> str:
    cell = page.locator("[data-slot]:has([data-live]), [data-slot][data-status=live]").first
    slot = cell.get_attribute("data-slot")
    assert slot
    return slot


def take(page: Page, answer: bool | int | str) -> None:
    """Answers the live station by keys and waits until it is taken."""
    slot = live(page)
    if isinstance(answer, bool):
        page.keyboard.press("Enter")
    elif isinstance(answer, int):
        page.keyboard.press(str(answer))
    else:
        for blade in answer.split("/"):
            page.keyboard.type(blade)
            page.keyboard.press("Enter")
    taken = f"[data-slot='{slot}'][data-status=taken]"
    page.wait_for_function(
        "([taken, slot]) => document.querySelector(taken) || !document.querySelector(`[data-slot='${slot}']`)",
        arg=[taken, slot],
    )


def write_down(page: Page, to: str, panel: str = "m") -> None:
    page.keyboard.press(panel)
    expect(page.locator("[data-move-panel]")).to_be_visible()
    if to:
        page.keyboard.type(to)
        page.locator("[data-done]").click()
    else:
        page.keyboard.press("d")
    expect(page.locator("[data-move-panel]")).to_have_count(0)


HIDDEN = """() => {
    const box = (e) => e.getBoundingClientRect();
    const over = (a, b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
    const discs = [...document.querySelectorAll('[data-mark=log] circle')].map(box);
    const said = [...document.querySelectorAll('[data-mark=log] [data-pack]')];
    return said.filter((e) => discs.some((d) => over(box(e), d))).map((e) => e.textContent);
}"""
"""What is in, where a disc of the round log lies over it."""
COVERED = """() => {
    const box = (e) => e.getBoundingClientRect();
    const over = (a, b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1;
    const found = [];
    for (const log of document.querySelectorAll('[data-mark=log]')) {
        const head = log.previousElementSibling;
        const tint = log.querySelector('rect');
        if (head?.tagName === 'H2' && tint && box(tint).top < box(head).bottom - 1) found.push(`tint over ${head.textContent}`);
        const bars = [...log.querySelectorAll('rect[fill="var(--move)"]')];
        for (const words of log.querySelectorAll('text[paint-order=stroke][font-weight="680"]'))
            if (words.previousElementSibling?.tagName !== 'rect' && bars.some((b) => over(box(words), box(b))))
                found.push(`bar under ${words.textContent}`);
    }
    const main = document.querySelector('[data-main]');
    if (main && (box(main).bottom > innerHeight || box(main).top < 0)) found.push('main button out of sight');
    return found;
}"""
"""What lies over something else in the round log, or out of the sight of who has to press it."""


@pytest.mark.wide
@pytest.mark.parametrize("name", WALKS)
def test_a_setting_is_brought_in_and_signed_by_keys(bench: Page, name: str) -> None:
    walk = WALKS[name]
    job = walk.setting.split(".")[0]
    bench.goto(f"{home(bench)}/jobs/{job}/set/{walk.setting}")
    expect(bench.locator("[data-cautions]")).to_be_visible()
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-mark=section], [data-mark=circle]").first).to_be_visible()
    if walk.begin:
        write_down(bench, walk.begin)
    for number, answers in enumerate(walk.rounds):
        for answer in answers:
            take(bench, answer)
        expect(bench.locator("[data-say]")).to_contain_text(walk.says[number])
        assert bench.evaluate(HIDDEN) == []
        assert bench.evaluate(COVERED) == []
        if number < len(walk.rounds) - 1:
            write_down(bench, walk.moves[number] if walk.moves else "")
            expect(
                bench.locator("[data-slot]:has([data-live]), [data-slot][data-status=live]").first
            ).to_be_visible()
    bench.keyboard.press("s")
    expect(bench.locator("[data-sign]")).to_be_visible()
    if bench.locator("[data-sign] h2").inner_text() != "Sign: in":
        bench.locator("[data-remark]").fill("as near as this gauge can tell")
        bench.get_by_role("button", name="Sign it").click()
    else:
        bench.keyboard.press("d")
    expect(bench.locator("[data-say]")).to_contain_text("Signed")
    bench.goto(f"{home(bench)}/jobs/{job}/record")
    expect(bench.locator("[data-record-setting]", has_text="signed").first).to_be_visible()
    pdf = bench.request.get(f"{home(bench)}/api/jobs/{job}/record.pdf")
    assert pdf.ok
    assert pdf.body()[:5] == b"%PDF-"
    assert bench.request.get(f"{home(bench)}/api/jobs/{job}/exchange.zip").ok


def test_something_on_the_bench_is_read_within_a_minute_of_keys(bench: Page) -> None:
    """From the board to the first reading, without a unit; every key counted."""
    pressed = 0

    def press(*keys: str) -> None:
        nonlocal pressed
        for key in keys:
            bench.keyboard.press(key)
            pressed += 1

    open_board(bench)
    expect(bench.locator("[data-on-the-bench]")).to_be_visible()
    press("n")
    expect(bench.locator("[data-bench] [name=name]")).to_be_focused()
    press(*"hoist", "Tab")
    first = bench.locator("[data-bench] input[type=radio]").first
    expect(first).to_be_focused()
    while not bench.locator("[data-kind=shim_pack_end_play] input").is_checked():
        press("ArrowDown")
    expect(bench.locator("[data-form-fields] [name=least]")).to_be_visible()
    press("Enter")
    expect(bench.locator("[data-form-fields] [name=least]")).to_be_focused()
    press(*"0.06", "Tab", *"0.12", "Tab", "Enter", "ArrowDown", "ArrowDown", "Enter")
    press("Tab", *"50", "Tab", *"card", "Enter")
    expect(bench.locator("[data-cautions]")).to_be_visible()
    press("Enter")
    expect(bench.locator("[data-say]")).to_contain_text("Measure the shims")
    press(*"0.50+0.20", "Enter", "d")
    expect(bench.locator("[data-slot='travel.mark_up.1'] [data-live]")).to_be_focused()
    press(*"0.145", "Enter")
    expect(bench.locator("[data-slot='travel.mark_up.1']")).to_have_attribute("data-status", "taken")
    assert pressed < 75
