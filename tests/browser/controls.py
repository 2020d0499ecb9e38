"""The page's own lists, rows of radios and ticks, worked as a hand would."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from playwright.sync_api import Locator, Page, TimeoutError, expect

AXE = Path(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
LEAST = "resultTypes: ['violations'], preload: false"
"""What was found alone, and no style sheet fetched anew for it."""
DRAWN = "new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 0))))"
"""Until what was changed is on the screen."""
Scope = Page | Locator


def pick(scope: Scope, name: str, value: str) -> None:
    """Opens a list and takes one of it; where the page moved under the finger it is tapped once more."""
    button = scope.locator(f"[data-pick='{name}']")
    option = scope.locator(f"[role=option][data-option={value!r}]")
    button.click()
    try:
        option.wait_for(timeout=5000)
    except TimeoutError:
        if button.get_attribute("aria-expanded") != "true":
            button.click()
    option.click()


def radio(scope: Scope, name: str, value: str) -> None:
    scope.locator(f"[data-radio='{name}'] [data-option={value!r}]").click()


def tick(scope: Scope, name: str) -> None:
    scope.locator(f"[data-tick='{name}']").click()


def complaints(page: Page) -> dict[str, list[tuple[str, list[str]]]]:
    """What axe finds that is moderate or worse, by light and, of the contrast, in the dark."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    found = {}
    for theme, rules in (("light", "{}"), ("dark", "{runOnly: ['color-contrast']}")):
        page.emulate_media(color_scheme=theme)  # type: ignore[arg-type]
        violations = page.evaluate(f"axe.run({{{LEAST}, ...{rules}}}).then((found) => found.violations)")
        found[theme] = [
            (v["id"], [n["html"][:120] for n in v["nodes"]])
            for v in violations
            if v["impact"] in ("moderate", "serious", "critical")
        ]
    return found


def at_every_width(page: Page) -> Iterator[int]:
    """On a phone, a tablet, a small and a full screen at the bench: each once the page is drawn in that width."""
    for width in (390, 768, 1000, 1280):
        page.set_viewport_size({"width": width, "height": 900})
        page.evaluate(DRAWN)
        yield width


CROWDED = """() => {
    const box = (e) => e.getBoundingClientRect();
    const off = [...document.querySelectorAll('[data-mark=readout] text, [data-mark=log] text')]
        .filter((t) => box(t).left < -1 || box(t).right > innerWidth + 1);
    const over = [...document.querySelectorAll('[data-scale]')]
        .flatMap((scale) => [...scale.children].filter((t, n, all) => n && box(all[n - 1]).right > box(t).left));
    const squeezed = [...document.querySelectorAll('main *')].filter((e) => {
        if (e.children.length || e.textContent.trim().length < 15 || e.closest('svg, .sr-only')) return false;
        const style = getComputedStyle(e);
        const [letter, line] = [parseFloat(style.fontSize), parseFloat(style.lineHeight)];
        return box(e).width > 0 && box(e).width < 5.5 * letter && box(e).height > 3.5 * (line || 1.3 * letter);
    });
    return [...off, ...over, ...squeezed].map((t) => t.textContent.trim());
}"""
"""Words of strips and round logs that stand off the page, figures of a scale that run into the one before, and words
that are squeezed into a column of a letter or two."""


def nothing_beside(page: Page) -> None:
    """Nothing is pushed off the page at any width, and the scales have room."""
    for width in at_every_width(page):
        assert page.evaluate("document.documentElement.scrollWidth") <= width, width
        crowded = page.evaluate(CROWDED)
        assert crowded == [], (width, crowded)


def home(page: Page) -> str:
    """The address that the page was opened under."""
    return "/".join(page.url.split("/")[:3])


def open_board(page: Page) -> None:
    page.goto(home(page))


def open_setting(page: Page, setting: str) -> None:
    page.goto(f"{home(page)}/jobs/{setting.split('.')[0]}/set/{setting}")
    expect(page.locator("[data-say]")).to_be_visible()


def say(page: Page, words: str) -> None:
    expect(page.locator("[data-say]")).to_contain_text(words)
