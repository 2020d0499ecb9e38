"""A final drive's ring gear set in the browser from as found to signed; packs tried out; a photo under its flank."""

from __future__ import annotations

import io
import json
from dataclasses import replace

import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import Page, expect

from bornek.core.mesh.bevel_set import S2, SIDES
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.lash import lash_change_mm
from bornek.core.mesh.paint import Mask, as_painted
from controls import home, say

PAIR = "/jobs/f12/set/f12.ring-set"
TRUTH = replace(S2, bias=0.6, centre=(0.46, 0.62))
"""What nobody at the bench knows: where the teeth really meet, and the backlash at home."""
HOME_LASH, BEGUN = 0.23, Shift(pinion=0.13, gear=0.045)
AROUND = (0.004, -0.003, 0.001, -0.002)


def packs(page: Page) -> dict[str, float]:
    view = page.request.get(f"{home(page)}/api/settings/f12.ring-set").json()
    return {k["key"]: k["state"]["position"] for k in view["knobs"]}


def stands(page: Page, begun: dict[str, float]) -> Shift:
    now = packs(page)
    return Shift(
        BEGUN.pinion + now["pinion"] - begun["pinion"], BEGUN.gear + now["carrier"] - begun["carrier"]
    )


def read_teeth(page: Page, at: Shift) -> None:
    mean = HOME_LASH + lash_change_mm(TRUTH, at)
    for tooth, off in enumerate(AROUND, 1):
        expect(page.locator(f"[data-slot='lash.{tooth}'] [data-live]")).to_be_focused()
        page.keyboard.type(f"{round((mean + off) / 0.005) * 0.005:.3f}")
        page.keyboard.press("Enter")


def paint(page: Page, mask: Mask) -> None:
    """By keys: from cell to cell, Space wipes compound off."""
    row, column = 6, 8
    expect(page.locator("[data-paint-zone] [role=application]")).to_be_focused()
    for i, j in [(i, j) for i, line in enumerate(mask) for j, v in enumerate(line) if v]:
        page.keyboard.press("ArrowUp" if i > row else "ArrowDown") if i != row else None
        while row != i:
            row += 1 if i > row else -1
            page.keyboard.press("ArrowUp" if i > row else "ArrowDown") if row != i else None
        while column != j:
            step = 1 if j > column else -1
            page.keyboard.press("ArrowRight" if step > 0 else "ArrowLeft")
            column += step
        page.keyboard.press(" ")


def open_pair(page: Page) -> None:
    page.goto(f"{home(page)}/jobs/f12/mesh")
    expect(page.locator("[data-pairs] a")).to_have_count(2)
    page.keyboard.press("1")
    expect(page).to_have_url(f"{home(page)}{PAIR}")
    say(page, "Pinion: swap the 0.25 for a 0.15. Gear: move the 0.05 from left to right.")


@pytest.mark.wide
def test_a_ring_gear_is_set_from_as_found_to_signed_in_one_teardown(bench: Page) -> None:
    open_pair(bench)
    begun = packs(bench)
    drive = bench.locator("[data-mark=flank][data-side=drive]")
    for patch in ("wanted", "painted", "predicted"):
        expect(drive.locator(f"[data-patch={patch}]").first).to_be_visible()
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-move-panel]")).to_be_visible()
    bench.keyboard.press("d")
    expect(bench.locator("[data-move-panel]")).to_have_count(0)
    at = stands(bench, begun)
    read_teeth(bench, at)
    for side in SIDES:
        expect(bench.locator(f"[data-paint-zone][data-side={side}]")).to_be_visible()
        paint(bench, as_painted(contact(TRUTH, side, at)))
        bench.keyboard.press("Enter")
        expect(bench.locator(f"[data-slot='paint.{side}']")).to_have_attribute("data-status", "taken")
    say(bench, "Leave it: everything is in. Sign it.")
    bench.keyboard.press("s")
    expect(bench.locator("[data-sign]")).to_be_visible()
    bench.keyboard.press("d")
    say(bench, "Signed: in")
    bench.goto(f"{home(bench)}/jobs/f12/record")
    expect(bench.locator("[data-record-setting]", has_text="Ring gear").first).to_contain_text("Signed by")
    assert bench.request.get(f"{home(bench)}/api/jobs/f12/record.pdf").body()[:5] == b"%PDF-"


@pytest.mark.wide
def test_packs_are_tried_out_by_keys_and_made_the_move(bench: Page) -> None:
    open_pair(bench)
    bench.keyboard.press("w")
    first, second = bench.locator("[data-slider=pinion] svg"), bench.locator("[data-slider=carrier] svg")
    expect(first).to_be_focused()
    expect(bench.locator("[data-value-of=pinion]")).to_have_text("0.80")
    expect(bench.locator("[data-loaded] [data-mark=flank]")).to_have_count(2)
    bench.keyboard.press("ArrowLeft")
    expect(bench.locator("[data-value-of=pinion]")).not_to_have_text("0.80")
    bench.keyboard.press("Tab")
    expect(second).to_be_focused()
    bench.keyboard.press("ArrowLeft")
    chosen = (
        bench.locator("[data-value-of=pinion]").inner_text(),
        bench.locator("[data-value-of=carrier]").inner_text(),
    )
    expect(bench.locator("[data-alone]").first).to_contain_text("If only the")
    expect(bench.locator("[data-no-load] [data-patch=predicted]").first).to_be_visible()
    bench.keyboard.press("l")
    expect(bench.locator("[data-loaded]")).to_have_count(0)
    bench.keyboard.press("Enter")
    expect(bench.locator("[data-move-panel]")).to_be_visible()
    assert bench.request.get(f"{home(bench)}/api/settings/f12.ring-set").json()["sheet"]["round"] == 1
    bench.keyboard.press("d")
    expect(bench.locator("[data-move-panel]")).to_have_count(0)
    found = packs(bench)
    assert (f"{found['pinion']:.2f}", f"{found['carrier']:.2f}") == chosen


@pytest.mark.wide
def test_a_slider_is_dragged_to_what_the_drawer_can_make(bench: Page) -> None:
    open_pair(bench)
    bench.goto(f"{home(bench)}{PAIR}/what-if")
    slider = bench.locator("[data-slider=pinion] svg")
    expect(slider).to_be_visible()
    ends = bench.evaluate("fetch('/api/settings/f12.ring-set/what-if').then((r) => r.json())")["sliders"][0][
        "places"
    ]
    box = slider.bounding_box()
    assert box
    middle = box["y"] + box["height"] / 2
    bench.mouse.move(box["x"] + box["width"] / 2, middle)
    bench.mouse.down()
    bench.mouse.move(box["x"] + 2, middle, steps=4)
    bench.mouse.up()
    expect(bench.locator("[data-value-of=pinion]")).to_have_text(ends[0]["label"])
    bench.keyboard.press("Home")
    expect(bench.locator("[data-value-of=pinion]")).to_have_text("0.80")


def photo_of_tooth() -> bytes:
    image = Image.new("RGB", (800, 600), (40, 40, 40))
    pen = ImageDraw.Draw(image)
    pen.polygon([(160, 420), (640, 450), (640, 180), (160, 210)], fill=(120, 120, 120))
    pen.ellipse((320, 240, 480, 360), fill=(240, 240, 240))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


@pytest.mark.wide
def test_a_photo_lies_under_the_flank_and_gives_a_first_paint_that_is_corrected(bench: Page) -> None:
    open_pair(bench)
    bench.locator("[data-slot='paint.drive'] button").click()
    zone = bench.locator("[data-paint-zone]")
    expect(zone.locator("[data-painted]").first).to_be_visible()
    zone.get_by_role("button", name="Wipe clean").click()
    expect(zone.locator("[data-painted]")).to_have_count(0)
    zone.locator("[data-photo-open]").click()
    bench.locator("[data-photo-new]").set_input_files(
        {"name": "tooth.png", "mimeType": "image/png", "buffer": photo_of_tooth()}
    )
    corner = bench.locator("[data-corner='0']")
    expect(corner).to_be_visible()
    was = corner.get_attribute("cx")
    corner.focus()
    bench.keyboard.press("ArrowRight")
    expect(corner).not_to_have_attribute("cx", was or "")
    bench.locator("[data-first=lighter]").click()
    expect(zone.locator("[data-photo-under]")).to_be_visible()
    expect(zone.locator("[data-painted]").first).to_be_visible()
    before = zone.locator("[data-painted]").count()
    svg = zone.locator("[role=application]")
    box = svg.bounding_box()
    assert box
    svg.click(position={"x": 0.85 * box["width"], "y": 0.4 * box["height"]})
    expect(zone.locator("[data-painted]")).not_to_have_count(before)
    bench.locator("[data-main]").click()
    expect(bench.locator("[data-slot='paint.drive']")).to_have_attribute("data-status", "taken")
    mask = json.loads(bench.request.get(f"{home(bench)}/api/settings/f12.ring-set").text())
    drive = next(s for s in mask["sheet"]["scenes"] if s["type"] == "flank" and s["side"] == "drive")
    assert len(next(p for p in drive["patches"] if p["role"] == "painted")["points"]) > before


def test_what_was_painted_and_not_taken_outlives_a_reload(bench: Page) -> None:
    open_pair(bench)
    bench.keyboard.press("r")
    say(bench, "Read the backlash")
    bench.locator("[data-slot='paint.drive'] button").click()
    zone = bench.locator("[data-paint-zone]")
    expect(zone.locator("[role=application]")).to_be_focused()
    for key in (" ", "ArrowRight", " ", "ArrowRight", " "):
        bench.keyboard.press(key)
    expect(zone.locator("[data-painted]")).to_have_count(3)
    bench.reload()
    bench.locator("[data-slot='paint.drive'] button").click()
    expect(bench.locator("[data-paint-zone] [data-painted]")).to_have_count(3)


@pytest.mark.wide
@pytest.mark.parametrize("path", ["/jobs/p22/mesh", "/jobs/w17/set/w17.output-end-play/what-if"])
def test_where_there_is_nothing_to_mesh_it_is_said(bench: Page, path: str) -> None:
    bench.goto(f"{home(bench)}{path}")
    expect(bench.locator("[data-say], [data-trouble]").first).to_contain_text(
        "No pair of gears" if path.endswith("mesh") else "Nothing is shown ahead"
    )
