"""An hour without a signal, simulated: two tablets at the same job keep readings, moves and photos, then the yard
answers again, and is killed now and then while they are sent. What was lost, what came twice, what was shown as a
conflict.

python bench/offline.py [rounds a tablet, 26] [kills, 20]
"""

from __future__ import annotations

import shutil
import sqlite3
import subprocess
import sys
import tempfile
import time
from io import BytesIO
from pathlib import Path

from PIL import Image
from playwright.sync_api import BrowserContext, Page, sync_playwright

from bornek.demo.seed import seed
from bornek.store.yard_file import make_yard
from chromium import launch_options

PORT = 8493
HOME = f"http://127.0.0.1:{PORT}"
SETTING = "w17.output-end-play"
MOVES, PHOTOS = 10, 5
"""Of each tablet."""


def start(data: Path) -> subprocess.Popen[bytes]:
    """Until it answers."""
    command = [sys.executable, "-m", "bornek.cli", "serve", "--trust-machine", "--proxy", "--data", str(data)]
    process = subprocess.Popen([*command, "--port", str(PORT)], stdout=subprocess.PIPE)
    assert process.stdout is not None
    for line in process.stdout:
        if b"Bornek is at" in line:
            return process
    raise SystemExit("It did not start.")


def begin(context: BrowserContext, name: str) -> Page:
    context.add_init_script(f"localStorage.setItem('bornek.actor', '{name}')")
    page = context.new_page()
    page.goto(f"{HOME}/jobs/w17/strip")
    page.locator("[data-say]").first.wait_for()
    page.goto(f"{HOME}/jobs/w17/set/{SETTING}")
    page.locator("[data-live]").first.wait_for()
    return page


def kept(page: Page) -> int:
    found = page.locator("[data-kept]")
    return int(found.inner_text().split()[0]) if found.count() else 0


def wait_kept(page: Page, n: int) -> None:
    page.locator("[data-kept]", has_text=f"{n} kept here").wait_for(timeout=8000)


def work(page: Page, rounds: int, first: int) -> list[str]:
    """Rounds of readings, each of its own; between them moves, and reseats once those are done."""
    texts: list[str] = []
    n = 0
    for turn in range(rounds):
        while page.locator("[data-live]").count():
            text = f"0.{first + len(texts):04d}"
            page.keyboard.type(text)
            page.keyboard.press("Enter")
            texts.append(text)
            n += 1
            wait_kept(page, n)
        if turn < rounds - 1:
            if turn < MOVES:
                page.keyboard.press("m")
                page.locator("[data-move-panel]").wait_for()
                page.keyboard.press("d")
            else:
                page.keyboard.press("r")
            n += 1
            wait_kept(page, n)
    return texts


def photograph(page: Page, first: int) -> None:
    """Photos of the job, each another grey, on top of what is kept already."""
    page.get_by_role("navigation", name="Stages").get_by_role("link", name="Strip").click()
    page.get_by_role("button", name="Photos").or_(page.get_by_role("tab", name="Photos")).first.click()
    field = page.locator("input[type=file]").first
    field.wait_for(state="attached")
    n = kept(page)
    for turn in range(PHOTOS):
        picture = BytesIO()
        Image.new("L", (640, 480), first + turn).save(picture, "PNG")
        field.set_input_files({"name": f"{turn}.png", "mimeType": "image/png", "buffer": picture.getvalue()})
        wait_kept(page, n + turn + 1)


def main() -> None:
    rounds = int(sys.argv[1]) if len(sys.argv) > 1 else 26
    kills = int(sys.argv[2]) if len(sys.argv) > 2 else 20
    folder = Path(tempfile.mkdtemp(prefix="bornek-offline-"))
    data = folder / "yard.sqlite"
    make_yard(data, lambda session, files: seed(session))
    server = start(data)
    with sync_playwright() as p:
        browser = p.chromium.launch(**launch_options())
        contexts = [browser.new_context(service_workers="block", reduced_motion="reduce") for _ in range(2)]
        pages = [begin(c, who) for c, who in zip(contexts, ("marl", "oda"), strict=True)]
        for c in contexts:
            c.set_offline(True)
        began = time.monotonic()
        texts = [work(page, rounds, 1 + 1000 * n) for n, page in enumerate(pages)]
        for n, page in enumerate(pages):
            photograph(page, 40 + 100 * n)
        waits = [kept(page) for page in pages]
        print(f"kept: {[len(t) for t in texts]} readings, {waits} in all, {time.monotonic() - began:.0f} s")
        shutil.copy(data, folder / "before.sqlite")
        for c in contexts:
            c.set_offline(False)
        conflicts, killed, began = 0, 0, time.monotonic()
        while any(kept(page) for page in pages) and time.monotonic() - began < 900:
            if killed < kills:
                time.sleep(0.4)
                server.kill()
                server.wait()
                killed += 1
                server = start(data)
            for page in pages:
                ask = page.locator("[data-kept-open]", has_text="to decide")
                if ask.count() and not page.locator("[data-kept-list]").count():
                    ask.click()
                insist = page.locator("[data-insist]")
                if insist.count():
                    conflicts += 1
                    insist.first.click()
                    page.wait_for_timeout(500)
            pages[0].wait_for_timeout(300)
        left = [kept(page) for page in pages]
        browser.close()
    server.kill()
    server.wait()
    with sqlite3.connect(data) as connection:
        typed = [
            t for (t,) in connection.execute("SELECT as_typed FROM entry WHERE setting_id = ?", (SETTING,))
        ]
        acts = connection.execute(
            "SELECT kind, count(*) FROM act WHERE job_id = 'w17' GROUP BY kind"
        ).fetchall()
        photos = [x for (x,) in connection.execute("SELECT sha256 FROM attachment WHERE job_id = 'w17'")]
    sent = [t for some in texts for t in some]
    lost = [t for t in sent if t not in typed]
    doubled = [t for t in sent if typed.count(t) > 1]
    print(
        f"readings {len(sent)}, lost {len(lost)}, doubled {len(doubled)}; acts {dict(acts)}; left here {left}"
    )
    print(
        f"photos {2 * PHOTOS}, lost {2 * PHOTOS - len(set(photos))}, doubled {len(photos) - len(set(photos))}"
    )
    print(f"conflicts shown {conflicts}, killed {killed} times, sent in {time.monotonic() - began:.0f} s")
    shutil.rmtree(folder)


if __name__ == "__main__":
    main()
