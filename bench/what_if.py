"""What if in the browser: first picture, a frame while a handle is dragged, how long after it rests the exact one is there,
what it weighs, and whether others wait meanwhile.

python bench/what_if.py [--drags 40]; prints, asserts nothing. Needs the built page and Chromium.
"""

from __future__ import annotations

import argparse
import statistics
import sys
import tempfile
import threading
import time
import urllib.request
from pathlib import Path

from playwright.sync_api import sync_playwright

from served import served

sys.path.insert(0, str(Path(__file__).parents[1] / "tools"))
from chromium import launch_options

PAIR = "f12.ring-set"
FRAMES = """
window.frames_ms = [];
window.watching = false;
let last = 0;
const tick = (now) => {
  if (window.watching && last) window.frames_ms.push(now - last);
  last = now;
  requestAnimationFrame(tick);
};
requestAnimationFrame(tick);
"""
EXACT = """() => new Promise((done) => {
  const begun = performance.now();
  const look = () => document.querySelector('[data-alone]') || document.querySelector('[data-loaded] [data-mark=flank]')
    ? done(performance.now() - begun) : requestAnimationFrame(look);
  look();
})"""


def percentiles(found: list[float]) -> str:
    if len(found) < 2:
        return f"{found[0]:.0f} ms" if found else "none"
    cut = statistics.quantiles(found, n=20)
    return f"p50 {statistics.median(found):.0f} ms, p95 {cut[18]:.0f} ms, most {max(found):.0f} ms"


def asked(address: str, path: str) -> tuple[float, int]:
    begun = time.perf_counter()
    with urllib.request.urlopen(f"{address}{path}") as answer:
        size = len(answer.read())
    return 1e3 * (time.perf_counter() - begun), size


def others(address: str, stop: threading.Event, found: list[float]) -> None:
    while not stop.is_set():
        found.append(asked(address, "/api/settings/w17.output-end-play")[0])
        time.sleep(0.02)


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--drags", type=int, default=40)
    drags = parser.parse_args().drags
    with (
        tempfile.TemporaryDirectory() as folder,
        served(Path(folder) / "y.sqlite") as server,
        sync_playwright() as p,
    ):
        address = f"http://127.0.0.1:{server.port}"
        first, size = asked(address, f"/api/settings/{PAIR}/what-if")
        print(f"first of the set {first:.0f} ms, {size / 1000:.0f} kB")
        alone = [asked(address, "/api/settings/w17.output-end-play")[0] for _ in range(60)]
        stop, waited = threading.Event(), list[float]()
        other = threading.Thread(target=others, args=(address, stop, waited))
        other.start()
        rows = [asked(address, f"/api/settings/{PAIR}/what-if/pictures/{row}") for row in range(15)]
        stop.set()
        other.join()
        print(
            f"pictures {sum(kb for _, kb in rows) / 1000:.0f} kB in 15 rows: a row {percentiles([ms for ms, _ in rows])}"
        )
        print(
            f"somebody else's setting: alone {percentiles(alone)}; while pictures are made {percentiles(waited)}"
        )
        browser = p.chromium.launch(**launch_options())
        page = browser.new_page(viewport={"width": 1280, "height": 800}, bypass_csp=True)
        page.add_init_script("localStorage.setItem('bornek.actor', 'marl')")
        page.add_init_script(FRAMES)
        begun = time.perf_counter()
        page.goto(f"{address}/jobs/f12/set/{PAIR}/what-if")
        page.locator("[data-loaded] [data-mark=flank]").first.wait_for()
        print(f"page opened to its first exact picture {1e3 * (time.perf_counter() - begun):.0f} ms")
        page.wait_for_timeout(5000)
        box = page.locator("[data-slider=pinion] svg").bounding_box()
        assert box
        y = box["y"] + box["height"] / 2
        page.mouse.move(box["x"] + box["width"] / 2, y)
        page.mouse.down()
        page.evaluate("window.watching = true")
        for n in range(drags):
            page.mouse.move(box["x"] + box["width"] * (0.2 + 0.6 * (n % 10) / 10), y, steps=6)
        frames = page.evaluate("(window.watching = false, window.frames_ms)")
        exact = []
        for n in range(12):
            page.mouse.move(box["x"] + box["width"] * (0.25 + 0.05 * n), y)
            exact.append(page.evaluate(EXACT))
        page.mouse.up()
        browser.close()
    print(f"a frame while dragging: {percentiles(frames)} ({len(frames)} frames)")
    print(f"from the last movement to the exact picture, its 120 ms of rest included: {percentiles(exact)}")


if __name__ == "__main__":
    main()
