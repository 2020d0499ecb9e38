"""The build order in the browser: traps, the step at the bench, free turns, by keys alone and by hand."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from controls import home, pick, say

PLAN = "/jobs/l03/plan"


def open_plan(page: Page, path: str = PLAN) -> None:
    page.goto(home(page) + path)
    expect(page.locator("[data-say]")).to_be_visible()


def numbers(page: Page) -> list[str]:
    return page.locator("[data-line] [data-step]").evaluate_all("rows => rows.map((r) => r.dataset.step)")


@pytest.mark.wide
def test_from_a_tight_turn_over_a_trap_to_the_last_step_by_keys_alone(bench: Page) -> None:
    open_plan(bench)
    say(bench, "Free up to front spacer, tight since: loosen front lock nut first")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-break]")).to_be_visible()
    expect(bench.locator("[data-suspect]")).to_have_count(3)
    bench.keyboard.press("1")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-turn=free]")).to_have_count(2)
    say(bench, "Rear cover, for good shuts off the rear felt still on the tray.")
    bench.keyboard.press("f")
    expect(bench.locator("[data-lid][data-shut=true]")).to_contain_text("shuts out 1")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-finding]")).to_have_count(0)
    expect(bench.locator("[data-lid][data-shut=true]")).to_have_count(0)
    order = numbers(bench)
    assert order.index("felt-in") < order.index("off-rear-cover-part")
    bench.keyboard.press("w")
    expect(bench.locator("[data-step-page]")).to_be_visible()
    work_to_the_end(bench)
    say(bench, "Every step is worked.")
    record = bench.request.get(f"{home(bench)}/api/jobs/l03/record").json()["build"]
    worked = [line["label"] for line in record if line["zone"] == "build"]
    assert worked[-1] == "Rear nut" and "Rear felt into its groove" in worked
    assert all(line["by"] for line in record)


def work_to_the_end(page: Page) -> None:
    """Enter, a digit for each free turn, a few words for what is set elsewhere: until the plan says that all is done."""
    for _ in range(90):
        page.wait_for_function("() => document.querySelector('[data-step-page], [data-line]')")
        if page.locator("[data-line]").count():
            return
        before = page.locator("main").inner_text()
        if page.locator("[data-step-turn] button:not([disabled])").count():
            page.keyboard.press("1")
        elif "set and sign it" in page.locator("[data-say]").inner_text():
            page.keyboard.press("d")
            page.locator("[name=words]").fill("set on the other bench")
            page.keyboard.press("Enter")
            expect(page.locator("[data-words]")).to_have_count(0)
        else:
            page.keyboard.press("Enter")
        page.wait_for_function("(was) => document.querySelector('main')?.innerText !== was", arg=before)
    raise AssertionError("the last step was not reached")


@pytest.mark.wide
def test_a_forbidden_place_is_refused_and_overruled_with_a_reason(bench: Page) -> None:
    open_plan(bench)
    bench.locator("[data-step=off-long-spacer] button").click()
    bench.keyboard.press("Space")
    for _ in range(2):
        bench.keyboard.press("ArrowDown")
    bench.keyboard.press("Enter")
    panel = bench.locator("[data-overrule]")
    expect(panel).to_contain_text("Long spacer must come before Belt pulley")
    panel.locator("[name=why]").fill("the pulley is in halves")
    panel.get_by_role("button", name="Overrule and put it there").click()
    expect(panel).to_have_count(0)
    expect(bench.locator("[data-step=off-long-spacer]")).to_have_count(1)
    order = numbers(bench)
    assert order.index("off-cone-pulley") < order.index("off-long-spacer")
    bench.goto(f"{home(bench)}/types/lathe-spindle")
    expect(bench.locator("[data-overruled]")).to_contain_text("the pulley is in halves")


@pytest.mark.wide
def test_a_need_is_confirmed_or_overruled_where_the_step_stands(bench: Page) -> None:
    open_plan(bench)
    bench.locator("[data-step=off-long-spacer] button").click()
    needs = bench.locator("[data-needs]")
    expect(needs).to_contain_text("long spacer lies behind belt pulley on spindle, from the section")
    needs.locator("li", has_text="before 11 Belt pulley").locator("[data-it-is-so]").click()
    expect(needs).to_contain_text("confirmed")
    needs.locator("li", has_text="after 9 Drive gear").locator("[data-not-so]").click()
    needs.locator("[name=need-why]").fill("the gear is in halves")
    bench.keyboard.press("Enter")
    expect(needs.locator("li", has_text="Drive gear")).to_have_count(0)


@pytest.mark.wide
def test_a_step_is_left_out_with_a_reason(bench: Page) -> None:
    open_plan(bench, "/jobs/l03/plan/set-rear-play")
    bench.keyboard.press("e")
    bench.locator("[data-strike] [name=why]").fill("not asked for")
    bench.locator("[data-strike] button").click()
    expect(bench.locator("[data-line]")).to_be_visible()
    expect(bench.locator("[data-step=set-rear-play]")).to_have_count(0)


@pytest.mark.wide
def test_escape_puts_a_step_back_where_it_was(bench: Page) -> None:
    open_plan(bench)
    before = numbers(bench)
    bench.locator("[data-step=off-rear-bearing] button").click()
    for key in ("Space", "ArrowUp", "ArrowUp", "Escape"):
        bench.keyboard.press(key)
    expect(bench.get_by_role("button", name="Pick up")).to_be_visible()
    bench.reload()
    expect(bench.locator("[data-line]")).to_be_visible()
    assert numbers(bench) == before


STANDS_BEFORE = """() => {
    const keys = [...document.querySelectorAll("[data-line] [data-step]")].map((r) => r.dataset.step);
    return keys.indexOf("pinion-dry") < keys.indexOf("right-cover-dry");
}"""


@pytest.mark.wide
def test_a_step_is_dragged_by_its_number(bench: Page) -> None:
    """As a hand does it: over the other until the line makes room, then let go."""
    open_plan(bench, "/jobs/f12/plan")
    bench.locator("[data-step=retainers-in]").last.scroll_into_view_if_needed()
    bench.locator("[data-step=pinion-dry] .drag-number").hover()
    bench.mouse.down()
    for n in range(60):
        if bench.evaluate(STANDS_BEFORE):
            break
        target = bench.locator("[data-step=right-cover-dry] .drag-number").bounding_box()
        assert target
        bench.mouse.move(target["x"] + 20, target["y"] + 8 + n % 5, steps=6)
    with bench.expect_response(lambda answer: answer.request.method == "POST"):
        bench.mouse.up()
    steps = bench.request.get(f"{home(bench)}/api/jobs/f12/plan").json()["steps"]
    order = [s["key"] for s in steps]
    assert order.index("pinion-dry") < order.index("right-cover-dry")


@pytest.mark.wide
def test_a_cover_with_sealant_is_looked_at_laid_and_tightened_bolt_by_bolt(bench: Page) -> None:
    open_plan(bench, "/jobs/f12/plan/left-cover")
    say(bench, "look that it sits oil slot down")
    bench.get_by_role("button", name="Not so").click()
    bench.locator("[name=words]").fill("slot on top")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-words]")).to_have_count(0)
    bench.locator("[data-main]").click()
    expect(bench.locator("[data-seen]")).to_have_count(1)
    say(bench, "Put a wire through the oil slot")
    bench.keyboard.press("Enter")
    say(bench, "lay the first bead")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-sealant]")).to_contain_text("left to close")
    say(bench, "bolt 1 to 30 N·m")
    bench.keyboard.press("Enter")
    say(bench, "bolt 2 to 30 N·m")
    expect(bench.locator("[data-bolt='1']")).to_have_attribute("data-state", "done")
    bench.keyboard.press("c")
    say(bench, "bolt 1 to 30 N·m")


@pytest.mark.wide
def test_a_stop_wants_a_reason_before_it_is_gone_past(bench: Page) -> None:
    open_plan(bench, "/jobs/l03/plan/off-rear-cover-part")
    for _ in range(2 + 6 * 2):
        before = bench.locator("[data-say]").inner_text()
        bench.keyboard.press("Enter")
        if bench.locator("[data-words]").count():
            break
        bench.wait_for_function(
            "(was) => document.querySelector('[data-words]') || document.querySelector('[data-say]').innerText !== was",
            arg=before,
        )
    expect(bench.locator("[data-words]")).to_contain_text("shuts off the rear felt")
    bench.locator("[name=words]").fill("only to try the gasket")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-words]")).to_have_count(0)
    bench.keyboard.press("1")
    open_plan(bench)
    bench.locator("[data-finding=shut_out]").first.click()
    expect(bench.locator("section").first).to_contain_text("Take apart rear cover, for good")


@pytest.mark.wide
def test_taken_apart_asks_for_what_came_off_and_says_what_it_costs(bench: Page) -> None:
    open_plan(bench, "/jobs/l03/plan/off-front-spacer")
    bench.locator("[data-why=taken_apart]").click()
    panel = bench.locator("[data-go-back]")
    expect(panel).to_contain_text("Front lock nut")
    expect(panel).to_contain_text("min of hands")
    for key in ("off-front-nut", "off-front-lock", "off-thrust", "off-front-spacer"):
        panel.locator(f"[data-tick='off-{key}']").click()
    panel.get_by_role("button", name="Write it down").click()
    open_plan(bench)
    for key in ("off-front-nut", "off-front-spacer"):
        expect(bench.locator(f"[data-step={key}]").first).to_have_attribute(
            "data-state", "held" if "nut" in key else "ready"
        )


@pytest.mark.wide
def test_written_wrongly_marks_what_rests_on_it_to_be_looked_at(bench: Page) -> None:
    open_plan(bench, "/jobs/l03/plan/off-front-spacer")
    bench.locator("[data-why=written_wrongly]").click()
    bench.locator("[data-go-back]").get_by_role("button", name="Write it down").click()
    say(bench, "Front spacer: look that it sits stamped face to the nose")
    open_plan(bench, "/jobs/l03/plan/off-thrust")
    say(bench, "look again")
    bench.keyboard.press("Enter")
    say(bench, "Thrust bearing: done")


@pytest.mark.wide
def test_a_step_of_ones_own_with_a_wait_runs_by_itself_and_is_on_today(bench: Page) -> None:
    open_plan(bench)
    bench.keyboard.press("+")
    form = bench.locator("[data-own-step]")
    form.locator("[name=label]").fill("Spacer bores into the freezer")
    form.get_by_role("button", name="Torque, sealant").click()
    pick(form, "wait", "chill")
    pick(form, "resource", "freezer")
    form.locator("[name=wait_minutes]").fill("90")
    form.get_by_role("button", name="Write it down").click()
    expect(form).to_have_count(0)
    row = bench.locator("[data-step=spacer-bores-into-the-freezer]").first
    row.locator("button").click()
    bench.keyboard.press("w")
    say(bench, "start it, it cools down 1 h 30 min")
    bench.keyboard.press("Enter")
    bench.goto(f"{home(bench)}/today")
    expect(bench.locator("[data-finish]")).to_have_count(4)
    expect(bench.get_by_text("One degree on the face")).to_be_visible()


@pytest.mark.wide
def test_half_of_the_bolts_in_one_step_leaves_the_rest_without_one_and_the_day_promised_is_written(
    bench: Page,
) -> None:
    open_plan(bench, "/jobs/f12/plan")
    bench.keyboard.press("+")
    form = bench.locator("[data-own-step]")
    form.locator("[name=label]").fill("Locking wire, first half")
    pick(form, "parts", "ring-tabs")
    bench.keyboard.press("Escape")
    form.locator("[name=count-ring-tabs]").fill("2")
    form.get_by_role("button", name="Write it down").click()
    expect(form).to_have_count(0)
    steps = bench.request.get(f"{home(bench)}/api/jobs/f12/plan").json()["steps"]
    assert next(s for s in steps if s["label"].startswith("Locking"))["parts"][0]["count"] == 2
    bench.locator("[data-due] button").click()
    bench.locator("[name=due]").fill("2026-12-01")
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-due]")).to_contain_text("Promised back 2026-12-01")


def test_a_step_that_does_not_hold_names_its_field_and_keeps_what_was_typed(bench: Page) -> None:
    open_plan(bench)
    bench.keyboard.press("+")
    form = bench.locator("[data-own-step]")
    form.locator("[name=label]").fill("Cover on")
    form.get_by_role("button", name="Torque, sealant").click()
    form.locator("[name=torque]").fill("hard")
    form.get_by_role("button", name="Write it down").click()
    expect(bench.locator("[data-problem]")).to_contain_text("torque")
    assert form.locator("[name=label]").input_value() == "Cover on"
    bench.reload()
    expect(bench.locator("[data-line]")).to_be_visible()
    bench.keyboard.press("+")
    assert bench.locator("[data-own-step] [name=label]").input_value() == "Cover on"


@pytest.mark.wide
def test_what_is_no_number_is_refused_at_its_field_and_never_taken_for_another(bench: Page) -> None:
    open_plan(bench, "/jobs/f12/plan")
    bench.keyboard.press("+")
    form = bench.locator("[data-own-step]")
    form.locator("[name=label]").fill("Locking wire")
    pick(form, "parts", "ring-tabs")
    bench.keyboard.press("Escape")
    form.get_by_role("button", name="Torque, sealant").click()
    for name, typed, why in (
        ("count-ring-tabs", "two", "must be 1 to 6 of “Ring gear bolt tabs” (got 'two')"),
        ("minutes", "ten", "must be a number (got 'ten')"),
        ("hands", "half", "must be a whole number (got 'half')"),
    ):
        field = form.locator(f"[name={name}]")
        field.fill(typed)
        form.get_by_role("button", name="Write it down").click()
        expect(field.locator("xpath=..")).to_contain_text(why)
        assert field.input_value() == typed
        field.fill("")
    bench.goto(f"{home(bench)}/jobs/l03/plan?zone=turns")
    bench.locator("[name=turns]").fill("many")
    bench.keyboard.press("Tab")
    bench.locator("[data-feel=free]").click()
    bench.locator("[data-turns] form [type=submit]").click()
    expect(bench.locator("[data-problem]")).to_contain_text("got 'many'")


@pytest.mark.wide
def test_a_unit_that_came_in_boxes_is_begun_from_its_type_and_asked_what_the_section_cannot_tell(
    bench: Page,
) -> None:
    open_plan(bench, "/jobs/w17/plan")
    say(bench, "Nothing came off yet")
    bench.locator("[data-begin]").click()
    expect(bench.locator("[data-asks]")).to_contain_text("outward from")
    bench.locator("[data-asks] [data-answer]").first.click()
    expect(bench.locator("[data-step=put-input-shaft]").first).to_be_attached()
