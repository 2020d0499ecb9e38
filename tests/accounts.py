"""A yard that trusts nobody, with accounts in it, and browsers that sign in."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from argon2 import PasswordHasher
from flask import Flask
from flask.testing import FlaskClient

from apps import app_over
from bornek.services.people.accounts import make_account
from bornek.store.database import Database
from bornek.web.people.routes import limiter
from helpers import NOW

QUICK = PasswordHasher(time_cost=1, memory_cost=8, parallelism=1)
"""As strong as a test needs."""
PHRASE, PIN = "three worn bearings", "480293"
PEOPLE = {
    "ada": ("Ada Pell", "apprentice"),
    "mo": ("Mo Ritter", "mechanic"),
    "li": ("Li Sand", "lead"),
    "ow": ("Ow Berg", "owner"),
}
REMOTE = {"REMOTE_ADDR": "10.0.0.7"}


class Clock:
    """A clock that a test puts forward."""

    def __init__(self) -> None:
        self.now = NOW

    def __call__(self) -> datetime:
        return self.now

    def on(self, **by: float) -> None:
        self.now += timedelta(**by)


def guarded(database: Database, clock: Clock, trusts: bool = False) -> Flask:
    app = app_over(database, clock, trusts=trusts)
    limiter.enabled = False
    return app


def give_accounts(database: Database) -> dict[str, str]:
    """One account of each role; the mechanic's id by it."""
    with database.writing() as session:
        return {
            role: make_account(session, {"name": name, "role": role, "passphrase": PHRASE}, NOW)
            for name, role in PEOPLE.values()
        }


class Browser:
    """One browser: it keeps cookies, and says the token with what it writes."""

    def __init__(self, app: Flask, remote: bool = True) -> None:
        self.client: FlaskClient = app.test_client()
        self.environ = REMOTE if remote else {}
        self.token = ""

    def get(self, path: str) -> Any:
        return self.client.get(path, environ_overrides=self.environ)

    def post(self, path: str, body: dict[str, Any] | None = None, **headers: str) -> Any:
        answer = self.client.post(
            path, json=body or {}, headers={"X-Token": self.token, **headers}, environ_overrides=self.environ
        )
        if answer.is_json and isinstance(answer.get_json(), dict):
            self.token = answer.get_json().get("token", self.token)
        return answer

    def enter(self, role: str, device: str = "", phrase: str = PHRASE) -> Any:
        name = next(n for n, r in PEOPLE.values() if r == role)
        return self.post("/api/sign-ins", {"name": name, "passphrase": phrase, "device": device})


def sign(browser: Browser, headers: dict[str, str] | None = None, **more: str) -> Any:
    url = "/api/settings/w17.output-end-play"
    seen = browser.get(url).get_json()["version"]
    body = {"id": f"s{len(more)}", "remark": "left so for the test", "seen": seen, **more}
    return browser.post(f"{url}/signatures", body, **(headers or {}))


def read_rest(browser: Browser, **headers: str) -> None:
    url = "/api/settings/w17.output-end-play"
    while (slot := browser.get(url).get_json()["sheet"]["next"]) is not None:
        body = {"id": f"e.{slot}", "slot": slot, "text": "0.145"}
        assert browser.post(f"{url}/entries", body, **headers).status_code == 201
