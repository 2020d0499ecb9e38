"""Two hundred random walks of taps, keys and reloads over the page of a setting: nothing typed is lost or joined.

`make bench-typed`; a seed alone: `python bench/typed.py 37`. Prints each walk that went wrong, with what it did.
"""

from __future__ import annotations

import sys
import tempfile
from collections import Counter
from pathlib import Path

from playwright.sync_api import sync_playwright

from bornek.app import create_app
from bornek.demo.seed import seed as seed_yard
from bornek.store.database import Database
from chromium import launch_options
from helpers import NOW
from serving import ACTOR, served
from walks import Walk, walk

WALKS = 200
A_YARD = 20
"""Walks over one yard, before a new one: a setting must not run out of rounds that can be read."""


def walks(seeds: list[int]) -> list[Walk]:
    """The walks of these seeds, over one yard of their own."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        database = Database(Path(folder) / "yard.sqlite")
        database.migrate()
        with database.writing() as session:
            seed_yard(session)
        app = create_app(database, lambda: NOW, trusts=True)
        with served(app) as address:
            browser = playwright.chromium.launch(**launch_options())
            page = browser.new_page(viewport={"width": 1280, "height": 800}, reduced_motion="reduce")
            page.add_init_script(ACTOR)
            found = [walk(page, address, n) for n in seeds]
            browser.close()
        database.close()
    return found


def main() -> int:
    seeds = [int(x) for x in sys.argv[1:]] or list(range(WALKS))
    found = [w for n in range(0, len(seeds), A_YARD) for w in walks(seeds[n : n + A_YARD])]
    done = Counter(what.split(" ")[0].split(".")[0] for w in found for what in w.done)
    wrong = [w for w in found if w.wrong]
    for w in wrong:
        print(f"seed {w.seed}, {w.setting}: {w.wrong} after {w.done}")
    numbers = sum(what[0].isdigit() for w in found for what in w.done)
    print(
        f"{len(found)} walks, {numbers} numbers, {done['tap']} taps, {done['reload']} reloads: {len(wrong)} wrong"
    )
    return bool(wrong)


if __name__ == "__main__":
    sys.exit(main())
