"""From the door to the last part off, as a mechanic does it, on two units of the yard."""

from __future__ import annotations

import io
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page, expect
from pypdf import PdfReader

from controls import home, pick, radio, say


def fill(page: Page, **fields: str) -> None:
    for name, value in fields.items():
        page.locator(f"[name={name.replace('_', '-') if name == 'wrong_words' else name}]").first.fill(value)


def receive(page: Page, revision: str, **fields: str) -> None:
    page.goto(f"{home(page)}/receive")
    pick(page, "revision", revision)
    fill(page, **fields)


def open_baseline(page: Page, key: str) -> None:
    page.locator(f'[data-baseline="{key}"]').click()
    expect(page.locator("[data-found-form]")).to_be_visible()


def written(page: Page, key: str, state: str = "taken") -> None:
    expect(page.locator("[data-found-form]")).to_have_count(0)
    expect(page.locator(f'[data-baseline="{key}"]')).to_contain_text(state)


def take_off(page: Page, part: str, **fields: str) -> None:
    page.locator(f'[data-part="{part}"]').click()
    pick(page, "way", fields.pop("way", "hand"))
    fill(page, **fields)
    page.get_by_role("button", name="It is off").click()


def write_it_down(page: Page) -> None:
    page.locator("[data-found-form]").get_by_role("button", name="Write it down").click()


@pytest.mark.wide
def test_a_final_drive_in_the_field_from_the_door_to_its_parts(bench: Page) -> None:
    receive(
        bench,
        "chain-ferry.1",
        tag="F-20",
        serial="CF12-020",
        name="Ferry Ostrel drive",
        complaint="Knocks when reversed",
        known="Ring gear set swapped once",
    )
    pick(bench, "stands", "field")
    radio(bench, "school-backlash", "B")
    bench.locator("[name=serial-pinion]").fill("RS-77")
    bench.get_by_role("button", name="Open the job").click()

    say(bench, "Lock out and tag out first")
    fill(bench, points="main valve, chain pinned", key_holder="Marl")
    bench.get_by_role("button", name="It is locked out").click()
    say(bench, "Before anything moves: read the chain wheel end play as found")

    open_baseline(bench, "pack:wheel-cover")
    fill(bench, plates="0.50 + 10 thou", side="left", slots="slot at 6")
    write_it_down(bench)
    written(bench, "pack:wheel-cover")

    open_baseline(bench, "witness:ring-set")
    drive = bench.locator("[data-side=drive] svg[role=application]")
    box = drive.bounding_box()
    assert box
    bench.mouse.move(box["x"] + box["width"] * 0.4, box["y"] + box["height"] * 0.5)
    bench.mouse.down()
    bench.mouse.move(box["x"] + box["width"] * 0.6, box["y"] + box["height"] * 0.5, steps=8)
    bench.mouse.up()
    expect(bench.locator("[data-side=drive]")).not_to_contain_text("0 % of the flank painted")
    coast = bench.locator("[data-side=coast] svg[role=application]")
    coast.focus()
    for key in ("ArrowUp", "Space", "Shift+ArrowRight", "Shift+ArrowRight"):
        bench.keyboard.press(key)
    expect(bench.locator("[data-side=coast]")).to_contain_text("1 % of the flank painted")
    radio(bench, "ran", "well")
    write_it_down(bench)
    written(bench, "witness:ring-set")
    expect(bench.locator("[data-mark=flank]").first).to_contain_text("from the toe")

    open_baseline(bench, "checking_distance:ring-set")
    fill(bench, typed="+3")
    radio(bench, "unit", "thou")
    radio(bench, "convention", "plus is nearer to the gear")
    write_it_down(bench)
    written(bench, "checking_distance:ring-set")

    bench.keyboard.press("2")
    take_off(bench, "left-wheel", way="puller", tag="F20-1", side="left", bag="1")
    expect(bench.locator("[data-removals]")).to_contain_text("Chain wheel, left")
    take_off(bench, "left-cover-part", tag="F20-2", bag="1")
    lost = bench.locator("[data-let-go]")
    expect(lost).to_contain_text("how it ran before")
    lost.get_by_role("button", name="Write it down first").click()
    bench.get_by_role("button", name="It is off").click()
    bench.locator("[name=why]").fill("wheel seized: no movement to read")
    bench.get_by_role("button", name="Let it go").click()
    expect(bench.locator("[data-removals]")).to_contain_text("Wheel cover, left")
    take_off(bench, "left-outer", way="cage_pull", tag="F20-3", bag="2")
    expect(bench.locator("[data-removals]")).to_contain_text("no re-use")
    take_off(bench, "ring-bolts", count="11", bag="2")
    expect(bench.locator('[data-part="ring-bolts"]')).to_contain_text("one still to find")

    with bench.expect_download() as download:
        bench.locator("[data-labels]").click()
    text = PdfReader(io.BytesIO(Path(download.value.path()).read_bytes())).pages[0].extract_text()
    assert "F-20/1" in text
    assert "F-20/2" in text
    bench.keyboard.press("5")
    first = bench.locator("[data-draft] li").first
    expect(first).to_contain_text("Ring gear bolts")
    expect(first).to_contain_text("new")

    bench.goto(f"{home(bench)}/search?q=F-20/2")
    expect(bench.locator("[data-found] li")).to_have_count(2)
    bench.goto(f"{home(bench)}/search?q=RS-77")
    expect(bench.locator("[data-found]")).to_contain_text("serial RS-77")


@pytest.mark.wide
def test_a_spindle_on_the_bench_with_photo_and_a_washer_dropped(bench: Page, tmp_path: Path) -> None:
    receive(
        bench,
        "lathe-spindle.1",
        tag="L-09",
        serial="LS-0040",
        name="Second lathe headstock",
        complaint="Hums",
    )
    pick(bench, "basis", "worn matched parts")
    bench.get_by_role("button", name="Open the job").click()
    say(bench, "Before anything moves")
    assert bench.url.endswith("/strip")

    bench.locator('[data-place="front-cover"]').click()
    expect(bench.locator("[data-baselines] li")).to_have_count(3)
    open_baseline(bench, "pack:front-cover")
    fill(bench, plates="0.20 + 0.05", side="front", slots="slot at 12")
    write_it_down(bench)
    written(bench, "pack:front-cover")

    open_baseline(bench, "reading:thrust-play")
    bench.get_by_role("link", name="Read it").click()
    expect(bench.locator("[data-cautions]")).to_be_visible()
    bench.keyboard.press("Enter")
    bench.keyboard.type("0.010")
    bench.keyboard.press("Enter")
    expect(bench.locator('[data-slot="travel.mark_up.1"]')).to_have_attribute("data-status", "taken")
    expect(bench.locator("body")).to_contain_text("0.018")
    bench.get_by_role("link", name="Strip").click()
    expect(bench.locator('[data-baseline="reading:thrust-play"]')).to_contain_text("taken")

    fill(bench, wrong_words="drain slot found on top")
    bench.locator("[data-wrong]").get_by_role("button", name="Write it down").click()
    expect(bench.locator("[data-wrong]")).to_contain_text("drain slot found on top")

    picture = tmp_path / "nose.png"
    Image.new("RGB", (80, 60), (90, 90, 90)).save(picture)
    bench.keyboard.press("4")
    bench.locator("[data-photo]").set_input_files(picture)
    expect(bench.locator("[data-photos] img")).to_have_count(1)
    liar = tmp_path / "liar.png"
    liar.write_text("<svg><script>alert(1)</script></svg>")
    bench.locator("[data-photo]").set_input_files(liar)
    expect(bench.locator("[data-problem]")).to_contain_text("not a PNG, JPEG or WebP")
    bench.get_by_role("button", name="Close").click()

    bench.keyboard.press("3")
    fill(bench, what="lock washer tab", where="the headstock sump")
    bench.get_by_role("button", name="It is loose in there").click()
    say(bench, "Find the lock washer tab")
    bench.get_by_role("link", name="Receive").click()
    expect(bench.locator("[data-close]")).to_contain_text("lock washer tab: dropped at the headstock sump")
    expect(bench.get_by_role("button", name="Close it")).to_be_disabled()
    bench.get_by_role("link", name="Strip").click()
    bench.keyboard.press("3")
    bench.locator("[name=how]").fill("fished out with a magnet")
    bench.get_by_role("button", name="Accounted for").click()
    expect(bench.locator("[data-loose]")).to_contain_text("fished out with a magnet (Marl Tennick)")
    bench.get_by_role("link", name="Prove").click()
    bench.locator("[data-tab=release]").click()
    radio(bench, "how", "as_it_is")
    bench.locator("[data-release] [name=words]").fill("tried only, tagged")
    bench.locator("[data-release-it]").click()
    expect(bench.locator("[data-released]")).to_contain_text("NOT FOR SERVICE")
    bench.get_by_role("link", name="Receive").click()
    bench.locator("[name=why]").fill("tried only")
    bench.get_by_role("button", name="Close it").click()
    expect(bench.locator("body")).to_contain_text("Closed 2026-11-24")


@pytest.mark.wide
def test_a_place_of_the_section_opens_to_its_parts_and_setting(bench: Page) -> None:
    bench.goto(f"{home(bench)}/jobs/w17")
    bench.locator('[data-place="output-cover"]').click()
    opened = bench.locator("[data-place-open]")
    expect(opened).to_contain_text("Output cover")
    opened.locator("[data-open-setting]").click()
    expect(bench.locator("[data-slot]").first).to_be_visible()
    bench.go_back()
    bench.locator('[data-place="bevel-mesh"]').focus()
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-place-open]")).to_contain_text("ran well")


@pytest.mark.wide
def test_every_flag_of_the_six_units_can_be_tapped_on_a_tablet(bench: Page) -> None:
    bench.set_viewport_size({"width": 768, "height": 1024})
    for job in ("w17", "f12", "l03", "p22", "k08", "t05"):
        bench.goto(f"{home(bench)}/jobs/{job}")
        expect(bench.locator("[data-place]").first).to_be_visible()
        sizes = bench.locator("[data-place]").evaluate_all(
            "els => els.map(e => { const r = e.querySelector('rect').getBoundingClientRect(); return r.height })"
        )
        assert min(sizes) >= 44, (job, sizes)
        assert bench.locator("[data-place]").count() == bench.locator("[data-place-row]").count()


@pytest.mark.wide
def test_a_type_is_edited_beside_its_section_and_saved_as_a_revision(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types")
    bench.locator("[data-type]", has_text="Quay capstan").click()
    bench.locator("[data-leaf=places]").click()
    bench.locator("[data-add]").click()
    bench.locator("[name=label]").fill("lower bearing")
    pick(bench, "at", "head-lower")
    expect(bench.locator("[data-place]")).to_have_count(2)
    bench.locator("[name=label]").fill("")
    expect(bench.locator("[data-problems]")).to_contain_text(
        "The place without a name (row 2): its name is missing"
    )
    bench.locator("[name=label]").fill("lower bearing")
    expect(bench.locator("[data-problems]")).to_have_count(0)
    bench.get_by_role("button", name="Save revision 2").click()
    expect(bench.get_by_role("button", name="Save revision 3")).to_be_visible()
    bench.goto(f"{home(bench)}/jobs/c09")
    expect(bench.locator("[data-place]")).to_have_count(1)


@pytest.mark.wide
def test_a_step_takes_some_of_the_parts_of_which_there_are_several(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/chain-ferry")
    bench.locator("[data-leaf=steps]").click()
    bench.locator("[data-row-key=ring-gear-on] button").first.click()
    field = bench.locator("[data-in-hand] [name^=counts-]").first
    name = field.get_attribute("name")
    for typed, why in (("half", "(got 'half')"), ("900", "must be 1 to 12")):
        field.fill(typed)
        expect(bench.locator("[data-problems]")).to_contain_text(why)
    field.fill("3")
    expect(bench.locator("[data-problems]")).to_have_count(0)
    bench.get_by_role("button", name="Save revision 2").click()
    expect(bench.get_by_role("button", name="Save revision 3")).to_be_visible()
    bench.reload()
    bench.locator("[data-leaf=steps]").click()
    bench.locator("[data-row-key=ring-gear-on] button").first.click()
    expect(bench.locator(f"[name={name}]")).to_have_value("3")


@pytest.mark.wide
def test_a_limit_that_says_preload_over_a_play_is_asked_about_on_the_page(bench: Page) -> None:
    bench.goto(f"{home(bench)}/types/capstan")
    bench.locator("[data-leaf=settings]").click()
    bench.locator("[data-row-key=head-end-play] > button >> nth=0").click()
    bench.locator("[data-sub-rows=limits] [name=text]").fill("head bearing preload")
    question = bench.locator("[data-question]")
    expect(question).to_contain_text("the table says preload")
    question.locator("[data-answer=play]").click()
    expect(question).to_have_count(0)
    bench.get_by_role("button", name="Save revision 2").click()
    expect(bench.get_by_role("button", name="Save revision 3")).to_be_visible()
