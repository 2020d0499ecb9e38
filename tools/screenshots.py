"""Refreshes docs/screenshots from the demo data, on a fixed clock, so that pictures do not churn."""

from __future__ import annotations

import json
import tempfile
import threading
from datetime import UTC, datetime
from pathlib import Path
from urllib.request import Request, urlopen

from playwright.sync_api import Page, sync_playwright
from playwright.sync_api import Request as Sent
from werkzeug.serving import make_server

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.services.people.accounts import make_account
from bornek.store.blobs import Blobs
from bornek.store.database import Database
from chromium import launch_options

OUT = Path(__file__).parents[1] / "docs/screenshots"
NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)
SET = "/jobs/w17/set/w17.output-end-play"
PAIR = "/jobs/f12/set/f12.ring-set"
PEOPLE = (("Marl Tennick", "owner"), ("Oda Brisk", "lead"))
PHRASE = "kept for pictures alone"
FILL = "fill:"
"""A key that fills a named field: fill:name=text."""
SHOTS: tuple[tuple[str, str, tuple[int, int], str, tuple[str, ...]], ...] = (
    ("board", "/", (1280, 800), "light", ()),
    ("set", SET, (1280, 800), "light", ()),
    ("plan", "/jobs/f12/plan", (1280, 800), "light", ()),
    ("step", "/jobs/f12/plan/left-cover", (1280, 800), "light", ("Enter",) * 6),
    ("fit", "/jobs/f12/fit", (1280, 800), "light", ("1", "3", "5", "Enter")),
    ("sums", "/sums/fit_bolts", (1280, 800), "light", ()),
    ("today", "/today", (1280, 800), "light", ()),
    ("mesh", PAIR, (1280, 800), "light", ()),
    ("what-if", f"{PAIR}/what-if", (1280, 800), "light", ("Home",) * 4),
    ("train", "/jobs/r15/mesh/train?zone=turns", (1280, 800), "light", ("ArrowDown", "ArrowDown")),
    ("prove", "/jobs/k08/prove", (1280, 800), "light", ()),
    ("life", "/units/u-h31", (1280, 800), "light", ()),
    ("strip", "/jobs/f12/strip", (1280, 800), "light", ()),
    ("inspect", "/jobs/k08/inspect", (1280, 800), "light", ("3", "0")),
    ("people", "/people", (1280, 800), "light", ()),
    ("type", "/types/chain-ferry", (1280, 800), "light", ("ArrowDown", *("ArrowRight",) * 3)),
    ("practice", "rig:shims:27", (1280, 800), "light", ("Enter", *("ArrowDown",) * 20)),
    ("job", "/jobs/w17", (1280, 800), "light", ()),
    ("record", "/jobs/w11/record", (1280, 800), "light", ()),
)


def rig_path(address: str, told: str) -> str:
    """A rig begun afresh: rig:sort:number."""
    _, sort, number = told.split(":")
    body = {"sort": sort, "number": int(number), "learner": "0" * 32, "name": "Jun Havers"}
    sent = Request(
        f"{address}/api/practice/rigs", json.dumps(body).encode(), {"Content-Type": "application/json"}
    )
    with urlopen(sent) as answer:
        return str(json.load(answer)["path"])


def shoot(page: Page, address: str, name: str, path: str, keys: tuple[str, ...]) -> None:
    page.goto(address + (rig_path(address, path) if path.startswith("rig:") else path))
    page.locator(
        "[data-say], [data-record-setting], [data-pattern], [data-accounts], table, form"
    ).first.wait_for()
    page.evaluate("document.fonts.ready")
    writes: set[Sent] = set()
    page.on("request", lambda r: writes.add(r) if r.method != "GET" else None)
    page.on("requestfinished", lambda r: writes.discard(r))
    page.on("requestfailed", lambda r: writes.discard(r))
    for key in keys:
        if key.startswith(FILL):
            field, text = key.removeprefix(FILL).split("=")
            page.locator(f"[name={field}]").fill(text)
        else:
            page.keyboard.press(key)
        page.wait_for_timeout(250)
        while writes:  # an Enter while the one before is on its way is not a second one
            page.wait_for_timeout(100)
    page.wait_for_timeout(600)
    page.screenshot(path=OUT / f"{name}.png")


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        database = Database(Path(folder) / "yard.sqlite")
        database.migrate()
        with database.writing() as session:
            seed(session, Blobs(database.files))
            for name, role in PEOPLE:
                make_account(session, {"name": name, "role": role, "passphrase": PHRASE}, NOW)
        server = make_server("127.0.0.1", 0, create_app(database, lambda: NOW, trusts=True), threaded=True)
        threading.Thread(target=server.serve_forever, daemon=True).start()
        browser = playwright.chromium.launch(**launch_options())
        for name, path, (width, height), theme, keys in SHOTS:
            context = browser.new_context(
                viewport={"width": width, "height": height}, color_scheme=theme, reduced_motion="reduce"
            )  # type: ignore[arg-type]
            context.add_init_script("localStorage.setItem('bornek.actor', 'marl')")
            shoot(context.new_page(), f"http://127.0.0.1:{server.port}", name, path, keys)
            context.close()
        browser.close()
        server.shutdown()


if __name__ == "__main__":
    main()
