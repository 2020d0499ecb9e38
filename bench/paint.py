"""From the Enter that takes a reading to the verdict painted in the page; p50 and p95 in ms.

python bench/paint.py [--readings 60]; prints, asserts nothing. Needs the built page and Chromium.
"""

from __future__ import annotations

import argparse
import statistics
import sys
import tempfile
from pathlib import Path

from playwright.sync_api import sync_playwright

from served import served

sys.path.insert(0, str(Path(__file__).parents[1] / "tools"))
from chromium import launch_options

PROBE = """
window.paints = [];
window.addEventListener('keydown', (e) => {
  if (e.key !== 'Enter') return;
  const begun = performance.now();
  const shown = () => document.querySelector('[data-value]')?.textContent + document.querySelector('[data-say]')?.textContent
    + [...document.querySelectorAll('[data-slot]')].map((c) => c.dataset.status + c.textContent).join();
  const before = shown();
  const look = new MutationObserver(() => {
    if (shown() === before) return;
    look.disconnect();
    requestAnimationFrame(() => requestAnimationFrame(() => window.paints.push(performance.now() - begun)));
  });
  look.observe(document.body, {subtree: true, childList: true, characterData: true, attributes: true});
}, true);
"""


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--readings", type=int, default=60)
    n = parser.parse_args().readings
    with (
        tempfile.TemporaryDirectory() as folder,
        served(Path(folder) / "y.sqlite") as server,
        sync_playwright() as p,
    ):
        browser = p.chromium.launch(**launch_options())
        page = browser.new_page(viewport={"width": 1280, "height": 800}, bypass_csp=True)
        page.add_init_script("localStorage.setItem('bornek.actor', 'marl')")
        page.add_init_script(PROBE)
        page.goto(f"http://127.0.0.1:{server.port}/jobs/w17/set/w17.output-end-play")
        page.locator("[data-live]").wait_for()
        for i in range(n):
            page.locator('[data-slot="travel.mark_up.1"] button').click()
            page.keyboard.type(f"0.14{i % 9}")
            page.keyboard.press("Enter")
            page.wait_for_function(f"window.paints.length > {i}")
        paints = page.evaluate("window.paints")
        browser.close()
    cut = statistics.quantiles(paints, n=20)
    print(
        f"\nEnter to painted verdict, {n} readings: p50 {statistics.median(paints):.0f} ms, p95 {cut[18]:.0f} ms"
    )


if __name__ == "__main__":
    main()
