"""A unit type made on its page by a hand that counts what it does."""

from __future__ import annotations

from dataclasses import dataclass

from playwright.sync_api import Page, expect

from controls import home, pick, radio


@dataclass
class Maker:
    """`acts`: taps, keys that do something, and names or numbers typed, each as one."""

    page: Page
    acts: int = 0

    def tap(self, where: str) -> None:
        self.acts += 1
        self.page.locator(where).first.click()

    def press(self, key: str) -> None:
        self.acts += 1
        self.page.keyboard.press(key)

    def type(self, field: str, text: str) -> None:
        self.acts += 1
        self.page.locator(f"[data-in-hand] [name={field}], [data-type-head] [name={field}]").first.fill(text)

    def choose(self, name: str, value: str) -> None:
        self.acts += 2
        pick(self.page.locator("[data-in-hand]"), name, value)

    def begin(self, pattern: str, name: str, **answers: str) -> None:
        """From the unit types' page through the questions to the drawing."""
        self.page.goto(f"{home(self.page)}/types")
        self.tap("text=New type")
        self.tap(f"[data-pattern={pattern}]")
        for question, answer in answers.items():
            self.acts += 1
            radio(self.page, question, answer)
        if pattern != "empty":
            self.tap("[data-begin]")
        expect(self.page.locator("[data-editor]")).to_be_visible()
        self.type("type-name", name)

    def shaft(self, key: str) -> None:
        """Taken in hand by its name on the drawing."""
        self.tap(f"[data-shaft-by-name='{key}']")

    def part(self, key: str) -> None:
        """Tapped on the drawing, wherever it lies there; a tap takes the focus out of a field."""
        self.acts += 1
        self.page.evaluate("document.activeElement?.blur()")
        self.page.locator(f"[data-part='{key}']").first.dispatch_event("pointerdown", {"pointerId": 1})
        self.page.locator(f"[data-part='{key}']").first.dispatch_event("pointerup", {"pointerId": 1})

    def put_on(self, *names: str) -> None:
        """The next parts of the shaft in hand: Enter, a name, Enter, …"""
        for name in names:
            field = self.page.locator("[name=next-part]")
            if not field.evaluate("e => e === document.activeElement"):
                self.press("Enter")
            field.fill(name)
            self.acts += 1
            self.press("Enter")
            expect(self.page.locator("[data-hand-name]")).to_have_text(name)

    def setting(self, key: str, limits: tuple[str, str] | None = None, **given: str) -> None:
        """A setting answered: what it is given, its limits with their source where they are rows."""
        self.tap("[data-leaf=settings]")
        self.tap(f"[data-list=settings] [data-row-key='{key}'] button")
        expect(self.page.locator("[data-given-fields] input").first).to_be_visible()
        for field, value in given.items():
            if self.page.locator(f"[data-given-fields] [data-pick={field}]").count():
                self.choose(field, value)
            else:
                self.type(field, value)
        if limits is None:
            return
        if not self.page.locator("[data-sub-rows=limits] [name=least]").count():
            self.tap("[data-sub-rows=limits] [data-add-row]")
        for field, text in (("least", limits[0]), ("greatest", limits[1]), ("source", "Own card 1")):
            self.acts += 1
            self.page.locator(f"[data-sub-rows=limits] [name={field}]").first.fill(text)

    def save(self) -> str:
        """Stored without a trouble; returns the key that the yard made of the name."""
        expect(self.page.locator("[data-trouble]")).to_have_text([])
        self.tap("[data-save-type]")
        expect(self.page.locator("[data-problem]")).to_have_text([])
        expect(self.page.locator("[data-save-type]")).to_have_text("Save revision 2")
        return self.page.url.rsplit("/", 1)[1]
