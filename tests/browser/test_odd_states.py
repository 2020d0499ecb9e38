"""Pages in states that the demo yard is not in: long names, values at either end of a strip, five settings."""

from __future__ import annotations

import itertools
import math
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from playwright.sync_api import Browser, Page

from bornek.app import create_app
from bornek.store.database import Database
from controls import at_every_width, nothing_beside
from helpers import NOW, Bench, in_gate
from serving import ACTOR, served
from views import LONG, LONG_ONES, LONG_STANDING

VALUES = {"0": "0.001", "1": "0.06", "2": "0.09", "3": "0.125", "4": "1.9"}
BOXES = """() => {
    const box = (e) => { const r = e.getBoundingClientRect(); return [r.left, r.top, r.right, r.bottom]; };
    return [...document.querySelectorAll('[data-mark=readout]')].map((strip) => {
        const found = { sum: document.querySelector('[data-sum]'), value: strip.querySelector('[data-value]'),
                        verdict: strip.querySelector('[data-verdict]'), window: strip.querySelector('[data-limits]'),
                        needle: strip.querySelector('[data-needle]'), other: strip.querySelector('[data-other-window] text') };
        strip.querySelectorAll('[data-scale] text').forEach((t, n) => { found['figure ' + n] = t; });
        return Object.fromEntries(Object.entries(found).filter(([, e]) => e).map(([k, e]) => [k, box(e)]));
    });
}"""
"""What stands on each strip of a page, and the button of the sum."""


@pytest.fixture(scope="module")
def odd(yard_template: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """A yard with one unit of long names and five settings, each read at another place of its strip."""
    path = tmp_path_factory.mktemp("odd") / "yard.sqlite"
    shutil.copy(yard_template, path)
    database = Database(path)
    app = create_app(database, lambda: NOW, trusts=True)
    client = app.test_client()
    headers = {"X-Mechanic": "oda"}
    body: dict[str, Any] = {"id": "z9", "revision": "quay-capstan.1", "tag": "W-99", "serial": "Z"}
    body["revision"] = next(t["id"] for t in client.get("/api/unit-types").get_json() if "capstan" in t["id"])
    body |= {"name": LONG, "complaint": "C" * 400, "bench": "B" * 60, "waits_for": "X" * 120}
    assert client.post("/api/jobs", json=body, headers=headers).status_code == 201
    job = client.get("/api/jobs/z9").get_json()
    first = job["definition"]["settings"][0]
    given = {**first["given"], "least": "0.06", "greatest": "0.12", "source": "card"}
    for key in VALUES:
        new = {
            **first,
            "key": f"odd-{key}",
            "label": f"End play {key} {'x' * 60}"[:80],
            "given": given,
            "limits": [],
        }
        job["definition"]["settings"].append(new)
    sent = {"definition": job["definition"], "seen": job["version"]}
    answer = client.post("/api/jobs/z9/definition", json=sent, headers=headers)
    assert answer.status_code == 201, answer.get_json()
    for key, value in VALUES.items():
        bench = Bench(client, f"z9.odd-{key}", "oda")
        bench.n = 100 * int(key)
        if bench.view()["knobs"][0]["state"] is None:
            bench.act("as_found", 0.5)
        for cell in bench.view()["sheet"]["cells"]:
            bench.written("entries", {"slot": cell["slot"], "text": f"{value} mm", "confirmed": True})
    own = {
        "key": "own",
        "label": LONG,
        "side": LONG[:40],
        "way_round": LONG,
        "wrong_way": LONG,
        "tools": [LONG],
    }
    own |= {"wait": "soak", "wait_minutes": 600, "hold": LONG, "consumables": [LONG]}
    body = {"id": "odd-step", "kind": "step_written", "body": {"step": own, "after": ""}}
    answer = client.post("/api/jobs/z9/plan", json=body, headers=headers)
    assert answer.status_code == 201, answer.get_json()
    ring = {"sum": "fit_ring", "step": "own", "given": {"bore": "50", "outside": "90"}}
    body = {"id": "odd-sum", "kind": "reckoned", "body": ring}
    assert client.post("/api/jobs/z9/fit", json=body, headers=headers).status_code == 201
    off = {"what": LONG, "why": "Y" * 300, "who": "Oda Brisk", "until": "2026-11-01"}
    body = {"id": "odd-off", "kind": "deferred", "body": off}
    assert client.post("/api/jobs/z9/prove", json=body, headers=headers).status_code == 201
    two_strips(client)
    with served(app) as address:
        yield address
    database.close()


def two_strips(client: FlaskClient) -> None:
    """A crank that is in at its left end, and at the edge at its right."""
    given = {"limit": 0.05, "convention": "tir", "gauges": "outboard", "source": "card", "basis": "new parts"}
    body = {"id": "two", "name": "A crank", "kind": "crank_runout", "given": given}
    answer = client.post("/api/jobs/bench", json=body, headers={"X-Mechanic": "oda"})
    assert answer.status_code == 201, answer.get_json()
    bench = Bench(client, answer.get_json()["settings"][0]["id"], "oda")
    bench.n = 1000
    for cell in bench.view()["sheet"]["cells"]:
        end, k = cell["slot"].split(".")
        across = math.cos(math.pi * int(k) / 2)
        bench.written(
            "entries", {"slot": cell["slot"], "text": f"{(0.015 if end == 'L' else 0.023) * across:.3f} mm"}
        )


@pytest.fixture(scope="module")
def page(browser: Browser) -> Iterator[Page]:
    context = browser.new_context(reduced_motion="reduce")
    context.add_init_script(ACTOR)
    page = context.new_page()
    page.errors = []  # type: ignore[attr-defined]
    page.on("console", lambda m: page.errors.append(m.text) if m.type in ("error", "warning") else None)  # type: ignore[attr-defined]
    page.on("pageerror", lambda e: page.errors.append(str(e)))  # type: ignore[attr-defined]
    yield page
    context.close()


def apart(a: list[float], b: list[float]) -> bool:
    return a[2] <= b[0] + 1 or b[2] <= a[0] + 1 or a[3] <= b[1] + 1 or b[3] <= a[1] + 1


STRIPS = [f"/jobs/z9/set/z9.odd-{key}" for key in VALUES]


@pytest.mark.parametrize("path", in_gate(("/jobs/two/set/two.setting", *STRIPS), 1))
def test_nothing_on_a_strip_lies_over_anything_else(page: Page, odd: str, path: str) -> None:
    page.goto(odd + path)
    page.locator("[data-value]").first.wait_for()
    page.evaluate("document.fonts.ready")
    for width in at_every_width(page):
        for boxes in page.evaluate(BOXES):
            assert {"sum", "value", "verdict", "window", "needle"} <= set(boxes)
            for (one, a), (two, b) in itertools.combinations(boxes.items(), 2):
                assert apart(a, b), (width, path, one, a, two, b)
            for name, (left, _, right, _) in boxes.items():
                assert left >= 0 and right <= width, (width, path, name, boxes)
        page.locator("[data-sum]").first.click(trial=True, timeout=2000)


@pytest.mark.parametrize("path", in_gate(LONG_ONES, len(LONG_STANDING)))
def test_long_names_push_nothing_off_the_page(page: Page, odd: str, path: str) -> None:
    page.errors.clear()  # type: ignore[attr-defined]
    page.goto(odd + path)
    page.locator("main").first.wait_for()
    page.wait_for_load_state("networkidle")
    nothing_beside(page)
    assert page.errors == []  # type: ignore[attr-defined]


def test_six_settings_have_room_on_the_board(page: Page, odd: str) -> None:
    page.set_viewport_size({"width": 1280, "height": 900})
    page.goto(odd)
    row = page.locator("[data-row]", has_text="W-99")
    marks = row.locator("xpath=./span[last()]").locator("[role=img]")
    marks.first.wait_for()
    boxes = [m.bounding_box() for m in marks.all()]
    strip = row.locator("[data-mark=readout]").bounding_box()
    assert len(boxes) > 5 and strip
    for box in boxes:
        assert box and box["x"] >= strip["x"] + strip["width"]
