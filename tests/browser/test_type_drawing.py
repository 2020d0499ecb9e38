"""A unit type built on its drawing: by taps, by dragging, by keys; drafts are kept, what clashes is marked and named."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from controls import complaints, home, pick
from making import Maker

LONG = "Shaft with a name that goes on and on, " * 5
ORDER = """() => JSON.parse(localStorage.getItem('bornek.draft.new-1')).definition.parts
    .filter(p => p.shaft && p.kind !== 'shaft').map(p => `${p.shaft}: ${p.label}`)"""
"""Parts on their shafts in their order, as the draft has them."""


def in_order(page: Page, *wanted: str) -> None:
    page.wait_for_function(f"w => JSON.stringify(({ORDER})()) === JSON.stringify(w)", arg=list(wanted))


def drag(page: Page, part: str, to: str, beyond: float) -> None:
    """A part drawn to another part or shaft, `beyond` its right edge."""
    a = page.locator(f"[data-part='{part}']").first.bounding_box()
    b = page.locator(f"[data-part='{to}']").first.bounding_box()
    assert a is not None and b is not None
    page.mouse.move(a["x"] + a["width"] / 2, a["y"] + a["height"] / 2)
    page.mouse.down()
    page.mouse.move(b["x"] + b["width"] / 2, b["y"] + b["height"] / 2, steps=5)
    page.mouse.move(b["x"] + b["width"] + beyond, b["y"] + b["height"] / 2, steps=3)
    expect(page.locator("[data-gap]")).to_be_attached()
    page.mouse.up()


def test_a_unit_is_built_by_keys_alone(bench: Page) -> None:
    m = Maker(bench)
    m.begin("empty", "Odd box")
    bench.locator("[name=type-name]").press("Escape")
    m.press("n")
    m.put_on("Cover", "Taper bearing, first", "Pinion z=17", "Taper bearing, second")
    m.press("Escape")
    in_order(
        bench,
        *(f"new-1: {x}" for x in ("Cover", "Taper bearing, first", "Pinion z=17", "Taper bearing, second")),
    )
    expect(bench.locator("[data-hand-name]")).to_have_text("Taper bearing, second")
    expect(bench.locator("[data-part]").first).to_be_attached()
    m.press("ArrowLeft")
    expect(bench.locator("[data-hand-name]")).to_have_text("Pinion z=17")
    expect(bench.locator("[data-in-hand] [name=teeth]")).to_have_value("17")
    m.press("Shift+ArrowLeft")
    in_order(
        bench,
        *(f"new-1: {x}" for x in ("Cover", "Pinion z=17", "Taper bearing, first", "Taper bearing, second")),
    )
    m.press("u")
    in_order(
        bench,
        *(f"new-1: {x}" for x in ("Cover", "Taper bearing, first", "Pinion z=17", "Taper bearing, second")),
    )
    m.press("Delete")
    in_order(bench, *(f"new-1: {x}" for x in ("Cover", "Taper bearing, first", "Taper bearing, second")))
    m.press("Escape")
    m.press("ArrowDown")
    expect(bench.locator("[data-hand-name]")).to_have_text("New shaft")
    m.press("m")
    expect(bench.locator("[data-hand-name]")).to_have_text("New shaft, other side")
    expect(bench.locator("[data-shaft-by-name]")).to_have_count(2)
    bench.locator("[data-save-type]").click()
    expect(bench).to_have_url(re.compile("/types/odd-box$"))
    stored = bench.request.get(f"{home(bench)}/api/unit-types/odd-box").json()["definition"]
    assert [p["key"] for p in stored["parts"]][:3] == ["cover", "taper-bearing-first", "taper-bearing-second"]
    assert [p["label"] for p in stored["parts"]][3:] == [
        "Taper bearing, second, other side", "Taper bearing, first, other side", "Cover, other side",
    ]  # fmt: skip


@pytest.mark.wide
def test_a_part_is_drawn_along_its_shaft_and_onto_another(bench: Page) -> None:
    m = Maker(bench)
    m.begin("parallel-drive", "Two shafts", stages="one")
    drag(bench, "pinion-1", "input-right", 4)
    bench.wait_for_function(
        f"() => {{ const r = ({ORDER})(); return r.indexOf('input: Input pinion') > r.indexOf('input: Input bearing, right'); }}"
    )
    expect(bench.locator("[data-hand-name]")).to_have_text("Input pinion")
    bench.locator("[data-undo]").click()
    drag(bench, "input-coupling", "output-coupling", 4)
    bench.wait_for_function(f"() => ({ORDER})().includes('output: Input coupling')")


def test_a_draft_is_kept_as_it_was_typed_and_said_so_on_leaving(bench: Page) -> None:
    m = Maker(bench)
    m.begin("plain-shaft", "Half a box")
    m.tap("[data-leaf=settings]")
    m.tap("[data-row-key=shaft-end-play] button")
    pick(bench.locator("[data-given-fields]"), "sense", "adds")
    bench.locator("[data-given-fields] [name=torque]").fill("22")
    m.type("label", LONG)
    expect(bench.locator("[data-draft-says]")).to_contain_text("Not saved. Kept on this device")
    bench.locator("header a", has_text="Board").click()
    expect(bench.locator("[data-left-behind]")).to_contain_text(
        "“Half a box” is not saved. It is kept on this device"
    )
    bench.locator("[data-left-behind] a").click()
    m.tap("[data-leaf=settings]")
    m.tap("[data-row-key=shaft-end-play] button")
    expect(bench.locator("[data-in-hand] [name=label]").first).to_have_value(LONG)
    expect(bench.locator("[data-given-fields] [name=torque]")).to_have_value("22")
    bench.reload()
    expect(bench.locator("[name=type-name]")).to_have_value("Half a box")
    bench.goto(f"{home(bench)}/types")
    expect(bench.locator("[data-draft=new-1]")).to_contain_text("not saved")
    bench.locator("[data-let-draft-go]").click()
    expect(bench.locator("[data-drafts]")).to_have_count(0)


@pytest.mark.wide
def test_what_is_typed_is_not_overwritten_when_the_drawing_comes_anew(bench: Page) -> None:
    """The previews come late, one after the other, while a name is typed letter by letter."""
    m = Maker(bench)
    m.begin("plain-shaft", "Slow yard")
    m.part("wheel")
    held: list[object] = []
    bench.route("**/unit-types/previews", lambda route: held.append(route))
    field = bench.locator("[data-in-hand] [name=label]").first
    field.fill("")
    for letter in "Worn wheel":
        field.press_sequentially(letter)
        while held:
            held.pop().continue_()  # type: ignore[attr-defined]
    expect(field).to_have_value("Worn wheel")
    bench.locator("[data-in-hand] [name=teeth]").fill("4")
    bench.locator("[data-in-hand] [name=count]").fill("two")
    expect(bench.locator("[data-in-hand] [name=count]")).to_have_value("two")
    while held:
        held.pop().continue_()  # type: ignore[attr-defined]
    bench.unroute("**/unit-types/previews")
    bench.locator("[data-in-hand] [name=number]").fill("W-4")
    expect(bench.locator("[data-trouble]").first).to_contain_text(
        "The part “Worn wheel”: how many there are must be a whole number"
    )
    expect(bench.locator("[data-in-hand] [name=count]")).to_have_value("two")


@pytest.mark.wide
def test_what_clashes_stays_drawn_is_marked_and_leads_to_where_it_is_mended(bench: Page) -> None:
    m = Maker(bench)
    m.begin("parallel-drive", "Crosswise", stages="three")
    m.shaft("third")
    m.part("pinion-3")
    m.press("Shift+ArrowRight")
    m.press("Shift+ArrowLeft")
    m.part("gear-1x")
    m.press("Shift+ArrowRight")
    m.part("gear-2x")
    m.tap("[data-offer=meshes]")
    m.part("gear-1x")
    trouble = bench.locator("[data-trouble]").first
    expect(trouble).to_contain_text("cannot touch where everything else puts them")
    expect(bench.locator("[data-clash]").first).to_be_attached()
    assert bench.locator("[data-mark=section] path").count() > 60
    bench.locator("[data-problems]").get_by_role("button", name="Mend").first.click()
    expect(bench.locator("[data-in-hand] [data-pick=toward]")).to_be_visible()


@pytest.mark.wide
def test_planets_that_cannot_be_put_in_are_refused_by_name(bench: Page) -> None:
    m = Maker(bench)
    m.begin("planetary-hub", "Five planets")
    expect(bench.locator("[data-train-words]").first).to_contain_text("4 : 1")
    m.part("planets")
    m.type("count", "5")
    expect(bench.locator("[data-trouble]").first).to_contain_text(
        "The part “Planet gears”: how many there are cannot be put in at even angles: (24 + 72) / 5 is not whole"
    )


@pytest.mark.wide
def test_only_what_can_be_chosen_is_taken_from_the_drawing(bench: Page) -> None:
    m = Maker(bench)
    m.begin("parallel-drive", "Picked", stages="one")
    m.part("pinion-1")
    m.tap("[data-offer=meshes]")
    m.part("output-left-cover")
    expect(bench.locator("[data-picking]")).to_contain_text("“Output cover, left” cannot be chosen there")
    m.part("output-gear")
    expect(bench.locator("[data-picking]")).to_have_count(0)
    expect(bench.locator("[data-in-hand] [data-pick=driven]")).to_have_text("Output gear")


@pytest.mark.wide
@pytest.mark.parametrize("cut", ["\t", ";", ","])
def test_a_pasted_parts_list_is_guessed_and_looked_over_once(bench: Page, cut: str) -> None:
    m = Maker(bench)
    m.begin("empty", "From a list")
    bench.locator("[name=type-name]").press("Escape")
    m.press("n")
    m.tap("[data-whole]")
    m.tap("[data-paste]")
    rows = (
        ("Pos", "Name", "Qty"),
        ("1", "Input pinion z=17", "1"),
        ("2", "Oil seal 45x62x8", "2"),
        ("3", "Frobnicator", "1"),
    )
    m.type("pasted", "\n".join(cut.join(r) for r in rows))
    m.tap("[data-read-pasted]")
    expect(bench.locator("[data-pasted-says]")).to_contain_text("3 lines read. 1 of them are a guess")
    pick(bench.locator("[data-pasted-line='2']"), "shaft-2", "new-1")
    m.tap("[data-take-pasted]")
    expect(bench.locator("[data-list=parts] [data-row-key]")).to_have_count(3)
    expect(bench.locator("[data-part=new-2]").first).to_be_attached()


@pytest.mark.wide
def test_a_newer_revision_beside_a_draft_is_said_and_nothing_is_lost(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/capstan")
    bench.locator("[name=type-name]").fill("Capstan, mine")
    sheet = bench.request.get(f"{home(bench)}/api/unit-types/capstan").json()
    body = {"name": "Theirs", "definition": sheet["definition"] | {"notes": "theirs"}, "seen": 1}
    saved = bench.request.post(
        f"{home(bench)}/api/unit-types/capstan", data=body, headers={"X-Mechanic": "oda"}
    )
    assert saved.status == 201
    bench.reload()
    expect(bench.locator("[data-draft-says]")).to_contain_text(
        "Begun from revision 1; revision 2 was saved since"
    )
    expect(bench.locator("[name=type-name]")).to_have_value("Capstan, mine")
    bench.locator("[data-save-type]").click()
    expect(bench.locator("[data-problem]")).to_contain_text("Revision 2 of this type is there already")
    expect(bench.locator("[name=type-name]")).to_have_value("Capstan, mine")


@pytest.mark.wide
def test_what_is_in_hand_offers_what_can_be_made_about_it(bench: Page) -> None:
    """A step takes parts from the drawing, a mesh its timing mark, a sleeve its lever, a part its point of the last look."""
    m = Maker(bench)
    m.begin("constant-mesh-gearbox", "Offered", speeds="two")
    m.part("lay-left")
    m.tap("[data-offer=steps]")
    m.part("lay-cover")
    m.press("Escape")
    m.tap("[data-leaf=meshes]")
    m.tap("[data-row-key=first-mesh] button")
    m.tap("[data-offer=timing]")
    m.part("low-dog")
    m.tap("[data-related-row=low-lever]")
    expect(bench.locator("[data-sub-rows=positions]")).to_contain_text("Positions")
    m.part("main-coupling")
    m.tap("[data-offer=prove]")
    bench.wait_for_function(
        "() => JSON.parse(localStorage.getItem('bornek.draft.new-1')).definition.prove?.length === 1"
    )
    d = bench.evaluate("() => JSON.parse(localStorage.getItem('bornek.draft.new-1')).definition")
    assert d["steps"][0]["parts"] == ["lay-left", "lay-cover"]
    assert (d["timing"][0]["mesh"], d["prove"][0]["words"]) == ("first-mesh", "Output flange")
    expect(bench.locator("[data-hand-name]")).to_have_text("Output flange looked at")


@pytest.mark.wide
def test_a_saved_type_is_received_from_its_own_page(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/capstan")
    bench.locator("[data-receive-one]").click()
    expect(bench.locator("[data-pick=revision]")).to_contain_text("Quay capstan drive")


@pytest.mark.wide
def test_axe_finds_nothing_in_what_is_in_hand(bench: Page) -> None:
    m = Maker(bench)
    m.begin("planetary-hub", "Looked over")
    m.part("planets")
    m.type("count", "5")
    expect(bench.locator("[data-trouble]").first).to_be_visible()
    assert complaints(bench) == {"light": [], "dark": []}
    m.tap("[data-leaf=settings]")
    m.tap("[data-row-key=hub-preload] button")
    expect(bench.locator("[data-given-fields] input").first).to_be_visible()
    assert complaints(bench) == {"light": [], "dark": []}


@pytest.mark.wide
def test_a_setting_at_a_part_without_a_place_brings_its_place(bench: Page) -> None:
    m = Maker(bench)
    m.begin("plain-shaft", "Set here")
    m.part("right-bearing")
    m.tap("[data-offer=settings]")
    expect(bench.locator("[data-in-hand] [data-pick=place]")).to_have_text("Right bearing")
    d = bench.evaluate("() => JSON.parse(localStorage.getItem('bornek.draft.new-1')).definition")
    place, setting = d["places"][-1], d["settings"][-1]
    assert (place["at"], setting["place"]) == ("right-bearing", place["key"])
    assert place["key"] != setting["key"]
