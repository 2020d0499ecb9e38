"""Turns counted, levers tried, marks looked at, a worm and a steering gear set: by keys, in the browser."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from bornek.core.mesh.cover import holes_of
from bornek.core.mesh.worm import eccentric_shift_mm
from controls import home, pick, say


@pytest.mark.wide
def test_a_gearbox_is_counted_through_by_keys_to_the_last_lever(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/mesh")
    expect(bench).to_have_url(f"{home(bench)}/jobs/k08/mesh/train")
    say(bench, "Put it in 2, turn the input 10 turns: 4.36 must come out, clockwise.")
    expect(bench.locator("[data-flow]")).to_have_count(1)
    for out in ("4.4", "6.75", "10"):
        bench.keyboard.type(out)
        bench.keyboard.press("c")
        bench.keyboard.press("Enter")
        expect(bench.locator("[name=out]")).to_have_value("")
    expect(bench.locator("[data-position]", has_text="direct")).to_contain_text("as it must")
    bench.keyboard.press("l")
    rows = bench.locator("[data-levers]")
    expect(rows).to_have_count(9)
    for _ in range(3):
        before = bench.locator("[data-levers]", has_text="not tried").count()
        bench.keyboard.press("x")
        expect(bench.locator("[data-levers]", has_text="not tried")).to_have_count(before - 1)
    say(bench, "It turns as it must in every position.")


@pytest.mark.wide
def test_a_wrong_count_stands_with_what_it_may_come_from(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/mesh/train")
    for label, out in (("3", "4.4"), ("2", "6.75")):
        row = bench.locator(f"[data-position*='{'third' if label == '3' else 'second'}']")
        row.click()
        bench.locator("[name=out]").fill(out)
        bench.locator("[data-option=clockwise]").click()
        bench.locator("[data-take-count]").click()
        expect(row).to_contain_text("must make")
    say(bench, "have changed places")


@pytest.mark.wide
def test_timing_marks_are_looked_at_before_they_are_closed_in(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/r15/mesh/train")
    say(bench, "Lower countershaft, before it is closed: tooth 1 between teeth 1 and 2 of the input gear.")
    expect(bench.locator("[data-mark=gears]")).to_have_count(3)
    expect(bench.locator("[data-mark=gears]").first.locator("[data-painted]")).to_have_count(3)
    bench.keyboard.press("x")
    bench.locator("[name=teeth-out]").fill("1")
    bench.keyboard.press("Enter")
    say(bench, "One tooth out at Countershaft, lower")
    bench.locator("[data-mark-row=lower] [data-stands]").click()
    say(bench, "Upper countershaft, before it is closed")
    bench.keyboard.press("y")
    say(bench, "Put it in neutral")


@pytest.mark.wide
def test_what_was_typed_is_kept_when_it_is_refused(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/k08/mesh/train")
    bench.locator("[name=out]").fill("many")
    bench.locator("[data-option=clockwise]").click()
    bench.locator("[data-take-count]").click()
    expect(bench.locator("[role=alert], [data-problem]").first).to_be_visible()
    expect(bench.locator("[name=out]")).to_have_value("many")


def move(page: Page) -> None:
    page.keyboard.press("Enter")
    expect(page.locator("[data-move-panel]")).to_be_visible()
    page.keyboard.press("d")
    expect(page.locator("[data-move-panel]")).to_have_count(0)


def types(page: Page, slot: str, text: str) -> None:
    expect(page.locator(f"[data-slot='{slot}'] [data-live]")).to_be_focused()
    page.keyboard.type(text)
    page.keyboard.press("Enter")


def at(page: Page, setting: str) -> float:
    view = page.request.get(f"{home(page)}/api/settings/{setting}").json()
    return float(view["knobs"][0]["state"]["position"])


def signed(page: Page) -> None:
    page.keyboard.press("s")
    expect(page.locator("[data-sign]")).to_be_visible()
    page.keyboard.press("d")
    say(page, "Signed: in")


@pytest.mark.wide
def test_a_worm_is_set_by_its_eccentric_carrier_and_read_again_clamped(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/t05/set/t05.worm-lost-motion")
    say(bench, "Let the clamp go. Turn the carrier to")
    move(bench)
    moved = eccentric_shift_mm(1.5, at(bench, "t05.worm-lost-motion"), 0) - eccentric_shift_mm(1.5, 86.0, 0)
    tight = 9.5 + 33.4 * moved
    types(bench, "snug", f"{tight + 0.5:.1f}")
    for n, more in enumerate((1.0, 0.0, 1.5, 2.0), 1):
        types(bench, f"lash.{n}", f"{tight + more:.1f}")
    expect(bench.locator("[data-slot=feel]")).to_have_attribute("data-status", "live")
    bench.keyboard.press("2")
    expect(bench.locator("[data-slot=feel]")).to_have_attribute("data-status", "taken")
    say(bench, "Leave it: in")
    expect(bench.locator("[data-mark=circle]").first).to_be_visible()
    signed(bench)
    bench.goto(f"{home(bench)}/jobs/t05/record")
    expect(bench.locator("[data-record-setting]", has_text="Worm and wheel").first).to_contain_text(
        "Signed by"
    )


@pytest.mark.wide
def test_a_steering_gear_is_set_by_the_holes_of_its_covers(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/v18/set/v18.sector-lash")
    say(bench, "Turn both covers clockwise to 315.0°.")
    expect(bench.locator("[data-mark=ring]")).to_contain_text("315.0°: 0.038")
    move(bench)
    hole = next(h for h in holes_of(8, 1.2, 88.0) if h.turned == at(bench, "v18.sector-lash"))
    lost = f"{0.315 + 0.728 * hole.moves:.3f}"
    for n in (1, 2):
        types(bench, f"lost.{n}", lost)
    for way in ("one", "back"):
        expect(bench.locator(f"[data-slot='through.{way}']")).to_have_attribute("data-status", "live")
        bench.keyboard.press("1")
        expect(bench.locator(f"[data-slot='through.{way}']")).to_have_attribute("data-status", "taken")
    expect(bench.locator("[data-slot=torqued]")).to_have_attribute("data-status", "live")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-slot=torqued]")).to_have_attribute("data-status", "taken")
    for n in (1, 2):
        types(bench, f"again.{n}", lost)
    say(bench, "Leave it: in")
    signed(bench)


@pytest.mark.wide
@pytest.mark.parametrize("leaf", ["levers", "interlocks", "timing", "covers"])
def test_levers_marks_and_covers_are_rows_of_the_types_page(bench: Page, leaf: str) -> None:
    unit = "steering-gear" if leaf == "covers" else "crane-box"
    bench.goto(f"{home(bench)}/types/{unit}")
    bench.locator(f"[data-leaf={leaf}]").click()
    bench.locator("[data-row-key] button").first.click()
    expect(bench.locator("[data-in-hand] [name=label]").first).not_to_have_value("")


@pytest.mark.wide
def test_a_lever_is_written_for_a_type_and_what_is_wrong_with_it_is_named(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/crane-box")
    bench.locator("[data-leaf=levers]").click()
    bench.locator("[data-add]").click()
    new = bench.locator("[data-in-hand]")
    expect(bench.locator("[data-problems]")).to_contain_text(
        "The lever “New lever”: what it moves is missing"
    )
    pick(new, "dog", "dog-high")
    expect(bench.locator("[data-problems]")).to_have_count(0)
    new.locator("[data-add-row]").click()
    new.locator("[data-sub-rows=positions] [name=label]").last.fill("up")
    new.locator("[data-pick=joins]").last.click()
    new.locator("[role=option][data-option='lower-first']").click()
    expect(bench.locator("[data-problems]")).to_have_count(0)
