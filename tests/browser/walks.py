"""Random walks of taps, keys and reloads over the page of a setting: what was typed is kept or refused in words."""

from __future__ import annotations

import random
import re
from dataclasses import dataclass, field

from playwright.sync_api import Page, TimeoutError

SETTINGS = (
    "w17.output-end-play",
    "p22.thrust-end-play",
    "k08.counter-end-play",
    "f12.wheel-end-play",
    "l03.rear-play",
)
TAPS = (
    "header h1",
    "[data-say]",
    "[data-given-brief]",
    "h2",
    "main",
    "[data-sum]",
    "footer",
    "[data-mark=readout]",
)
KEYS = ("=", "m", "g", "c", "s", "r", "t", "a", "?", "Tab")
KEPT = """async ([number, record]) => {
    const here = JSON.stringify([
        [...document.querySelectorAll('input, textarea')].map((f) => f.value),
        document.querySelector('main').innerText,
        Object.values(sessionStorage),
    ]);
    return here.includes(number) || (await (await fetch(record)).text()).includes(number);
}"""
WAIT_MS = 3000
FIELDS = "() => [...document.querySelectorAll('input, textarea')].map((f) => f.value)"
JOINED = re.compile(r"0\.\d{4}\d")


@dataclass
class Walk:
    """One walk: what it did, in order, and what went wrong. `seed` repeats it."""

    seed: int
    setting: str
    done: list[str] = field(default_factory=list)
    wrong: list[str] = field(default_factory=list)


def walk(page: Page, address: str, seed: int, steps: int = 9) -> Walk:
    chance = random.Random(seed)
    setting = SETTINGS[seed % len(SETTINGS)]
    found = Walk(seed, setting)
    page.goto(f"{address}/api/health")
    page.evaluate("sessionStorage.clear()")
    page.goto(f"{address}/jobs/{setting.split('.')[0]}/set/{setting}")
    page.locator("[data-say]").wait_for()
    for n in range(steps):
        what = chance.choice(("number", "number", "number", "tap", "key", "reload"))
        if what == "number":
            _number(page, address, found, f"0.{chance.randrange(10, 99)}{n}{chance.randrange(1, 9)}", chance)
        elif what == "tap":
            _tap(page, found, chance.choice(TAPS))
        elif what == "key":
            _key(page, found, chance.choice(KEYS))
        else:
            found.done.append("reload")
            page.reload()
            page.locator("[data-say]").wait_for()
        if found.wrong:
            break
    stored = _stored(page, f"{address}/api/jobs/{setting.split('.')[0]}/record", setting)
    if JOINED.search(stored):
        found.wrong.append(f"two numbers were joined: {stored}")
    return found


def _number(page: Page, address: str, found: Walk, number: str, chance: random.Random) -> None:
    """Typed in two halves, with a tap between them now and then, and Enter: as a hand or a gauge does it."""
    found.done.append(number)
    page.keyboard.type(number[:3])
    if chance.random() < 0.4:
        _tap(page, found, chance.choice(TAPS[:5]))
    page.keyboard.type(number[3:])
    page.keyboard.press("Enter")
    record = f"{address}/api/jobs/{found.setting.split('.')[0]}/record"
    try:
        page.wait_for_function(KEPT, arg=[number, record], polling=100, timeout=WAIT_MS)
    except TimeoutError:
        found.wrong.append(f"{number} was neither kept nor refused")
    fields = " ".join(page.evaluate(FIELDS))
    if JOINED.search(fields.replace(" + ", "+")):
        found.wrong.append(f"two numbers were joined: {fields}")


def _tap(page: Page, found: Walk, where: str) -> None:
    found.done.append(f"tap {where}")
    spot = page.locator(where).first
    if spot.is_visible():
        spot.click(position={"x": 2, "y": 2}, force=True)


def _key(page: Page, found: Walk, key: str) -> None:
    found.done.append(key)
    page.keyboard.press(key)
    dialog = page.locator("[role=dialog]")
    if key in ("a", "?") and dialog.count():
        page.keyboard.press("Escape")
        dialog.wait_for(state="detached")


def _stored(page: Page, record: str, setting: str) -> str:
    shown = page.request.get(record).json()
    mine = next(s for s in shown["settings"] if s["id"] == setting)
    return " ".join(f"{e['as_typed']};" for e in mine["entries"]) + " ".join(a["words"] for a in mine["acts"])
