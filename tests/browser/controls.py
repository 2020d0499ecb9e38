"""The page's own lists, rows of radios and ticks, worked as a hand would."""

from __future__ import annotations

from playwright.sync_api import Locator, Page, expect

Scope = Page | Locator


def pick(scope: Scope, name: str, value: str) -> None:
    """Opens a list and takes one of it."""
    scope.locator(f"[data-pick='{name}']").click()
    scope.locator(f"[role=option][data-option={value!r}]").click()


def radio(scope: Scope, name: str, value: str) -> None:
    scope.locator(f"[data-radio='{name}'] [data-option={value!r}]").click()


def tick(scope: Scope, name: str) -> None:
    scope.locator(f"[data-tick='{name}']").click()


def home(page: Page) -> str:
    """The address that the page was opened under."""
    return "/".join(page.url.split("/")[:3])


def say(page: Page, words: str) -> None:
    expect(page.locator("[data-say]")).to_contain_text(words)
