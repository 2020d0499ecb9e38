"""Simulated gauges: how many pries and turns are taken rightly without a key, at three levels of noise, and how long it
takes from the needle at rest to the reading in its cell.

    python bench/gauges.py            shares
    python bench/gauges.py --latency  also the latency, over the real page (about two minutes)
"""

from __future__ import annotations

import statistics
import sys
import tempfile
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from time import monotonic, time

import numpy as np
from playwright.sync_api import sync_playwright
from werkzeug.serving import make_server

from bornek.app import create_app
from bornek.core.trace.pries import find_pries
from bornek.core.trace.trace import Trace
from bornek.core.trace.turns import find_turns
from bornek.demo.seed import seed
from bornek.devices.sim_motion import HOLD_S, PULL_S, REST_S, TURN_REST_S, Bench
from bornek.devices.sim_needle import Faults, Needle
from bornek.devices.sim_server import RATE_HZ, SimGauge
from bornek.store.yard_file import make_yard, open_yard
from chromium import launch_options

PRIES, TURNS, BENCHES = 200, 50, 10
NOISE_MM = (0.0005, 0.001, 0.002)
STEP_MM = 0.001
CELLS = 6
RIGHT_MM = 0.003
"""A reading is right that lies so near its truth, and one standard deviation of the noise."""


def trace_of(bench: Bench, noise: float, seconds: float, seed_: int) -> Trace:
    needle = Needle(Faults(noise=noise), seed_)
    t = np.arange(0, seconds, 1 / RATE_HZ)
    return Trace(t, np.array([needle.shows(bench.at(x), x) for x in t]))


def shares(noise: float) -> tuple[float, float]:
    """Of pries and of turns, each at ten sizes."""
    right = [0, 0]
    for n in range(BENCHES):
        pry = Bench("pries", 0.03 + 0.03 * n)
        trace = trace_of(pry, noise, pry.period * PRIES / BENCHES + REST_S, n)
        right[0] += sum(abs(x.value - pry.size) <= RIGHT_MM + noise for x in find_pries(trace, STEP_MM).pries)
        turn = Bench("turns", 0.02 + 0.01 * n, high_deg=36 * n)
        trace = trace_of(turn, noise, turn.period * TURNS / BENCHES + TURN_REST_S, n)
        right[1] += sum(
            abs(x.value - turn.size) <= RIGHT_MM + noise for x in find_turns(trace, STEP_MM).turns
        )
    return right[0] / PRIES, right[1] / TURNS


@contextmanager
def page_with_gauge() -> Iterator[tuple[object, SimGauge]]:
    sim = SimGauge(Bench("pries", 0.235), Faults(noise=0.0004))
    sim.start()
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        path = Path(folder) / "yard.sqlite"
        make_yard(path, seed)
        app = create_app(open_yard(path), trusts=True)
        line = {"port": sim.address, "pedal": "PEDAL"}
        app.test_client().post("/api/gauges/lever-6/line", json=line, headers={"X-Mechanic": "marl"})
        server = make_server("127.0.0.1", 0, app, threaded=True)
        threading.Thread(target=server.serve_forever, daemon=True).start()
        browser = playwright.chromium.launch(**launch_options())
        context = browser.new_context()
        context.add_init_script("localStorage.setItem('bornek.actor', 'marl')")
        page = context.new_page()
        page.goto(f"http://127.0.0.1:{server.port}/jobs/p22/set/p22.thrust-end-play")
        yield page, sim
        browser.close()
    sim.close()


def latency() -> list[float]:
    """From the moment when the needle is home again to its reading in the cell [s]; it must rest 0.4 s before."""
    found: list[float] = []
    with page_with_gauge() as (page, sim):
        page.get_by_role("button", name="Read Enter").click()  # type: ignore[attr-defined]
        page.locator("[data-slot='travel.mark_up.1'] button").click()  # type: ignore[attr-defined]
        page.locator("[data-gauge-choice]").click()  # type: ignore[attr-defined]
        page.locator("[data-option=lever-6]").click()  # type: ignore[attr-defined]
        offset = time() - monotonic()
        begun = sim._begun + offset
        page.evaluate(  # type: ignore[attr-defined]
            """() => { window.taken = []; const seen = new Set();
            new MutationObserver(() => document.querySelectorAll('[data-status=taken]').forEach((c) => {
              if (!seen.has(c.dataset.slot)) { seen.add(c.dataset.slot); window.taken.push(Date.now() / 1000); }
            })).observe(document.body, {subtree: true, childList: true, attributes: true}); }"""
        )
        while len(page.evaluate("window.taken")) < CELLS:  # type: ignore[attr-defined]
            page.wait_for_timeout(200)  # type: ignore[attr-defined]
        home = REST_S + 2 * PULL_S + HOLD_S
        for at in page.evaluate("window.taken"):  # type: ignore[attr-defined]
            found.append((at - begun - home) % sim.bench.period)
    return found


def main() -> None:
    for noise in NOISE_MM:
        pries, turns = shares(noise)
        print(f"noise {1000 * noise:.1f} um: pries {pries:.1%} of {PRIES}, turns {turns:.1%} of {TURNS}")
    if "--latency" in sys.argv:
        found = [x for _ in range(4) for x in latency()]
        p95 = sorted(found)[int(0.95 * len(found))]
        print(
            f"needle home to cell: median {statistics.median(found):.2f} s, p95 {p95:.2f} s, n = {len(found)}"
        )


if __name__ == "__main__":
    main()
