"""Hands for the tests: one setting worked through the API by one mechanic."""

from __future__ import annotations

import itertools
from collections.abc import Iterable
from datetime import UTC, datetime
from typing import Any

import pytest
from flask.testing import FlaskClient

NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)
PICTURE = bytes.fromhex(
    "89504e470d0a1a0a0000000d4948445200000001000000010802000000907753de0000000c49444154789c63606060"
    "000000040001f61738550000000049454e44ae426082"
)
"""A photo of one pixel."""


def in_gate(cases: Iterable[Any], least: int) -> list[Any]:
    """Cases of which the first few are tried in every run, the others with `make wide`; a tuple is a case of several names."""
    whole = [c if isinstance(c, tuple) else (c,) for c in cases]
    return [pytest.param(*c, marks=[pytest.mark.wide] if n >= least else []) for n, c in enumerate(whole)]


def whole_board(client: FlaskClient) -> dict[str, Any]:
    """The board once every job is read into it: some at each look."""
    for _ in range(100):
        shown: dict[str, Any] = client.get("/api/board").get_json()
        if not shown["unread"]:
            return shown
    raise AssertionError("the board never was whole")


class Bench:
    """One setting worked through the API by one mechanic."""

    def __init__(self, client: FlaskClient, setting: str, actor: str = "marl") -> None:
        self.client, self.setting, self.actor = client, setting, actor
        self.n = 0

    @property
    def url(self) -> str:
        return f"/api/settings/{self.setting}"

    def view(self) -> dict[str, Any]:
        return self.client.get(self.url).get_json()

    def post(self, what: str, body: dict[str, Any], key: str | None = None) -> Any:
        self.n += 1
        body = {"id": f"{self.actor}-{self.n}", **body}
        headers = {"X-Mechanic": self.actor} | ({"Idempotency-Key": key} if key else {})
        return self.client.post(f"{self.url}/{what}", json=body, headers=headers)

    def written(self, what: str, body: dict[str, Any]) -> dict[str, Any]:
        answer = self.post(what, body)
        assert answer.status_code == 201, answer.get_json()
        return answer.get_json()

    def read(self, slot: str, text: str) -> dict[str, Any]:
        return self.written("entries", {"slot": slot, "text": text})

    def read_all(self, up: tuple[str, ...], down: tuple[str, ...]) -> dict[str, Any]:
        for position, texts in (("mark_up", up), ("mark_down", down)):
            for rep, text in enumerate(texts, 1):
                self.read(f"travel.{position}.{rep}", text)
        return self.view()

    def act(self, kind: str, *plates: float) -> dict[str, Any]:
        states = {} if kind == "reseat" else {"pack": list(plates)}
        return self.written("acts", {"kind": kind, "states": states, "seen": self.view()["version"]})


def said(view: dict[str, Any]) -> str:
    return "".join(span["text"] for span in view["sheet"]["say"])


def plates(option: dict[str, Any], knob: str = "pack") -> list[float]:
    """The pack of an option, thickest first, in mm."""
    return [p["thickness"] for pack in option["states"][knob]["packs"] for p in pack]


def pack_in(view: dict[str, Any], knob: int = 0) -> list[float]:
    """The pack that is in now, in mm."""
    return [p["thickness"] for pack in view["knobs"][knob]["state"]["packs"] for p in pack]


def let_out(
    client: FlaskClient, job: str, words: str = "goes back as it is, tagged", actor: str = "marl"
) -> None:
    """Released as it is: a unit that leaves without being proved."""
    sent = {"id": f"{job}.out-{len(words)}", "how": "as_it_is", "words": words}
    answer = client.post(f"/api/jobs/{job}/release", json=sent, headers={"X-Mechanic": actor})
    assert answer.status_code == 201, answer.get_json()


SAID = itertools.count(1)


def prove(client: FlaskClient, job: str, kind: str, actor: str = "marl", **body: Any) -> Any:
    """Something said at the last look."""
    sent = {"id": f"{job}.{kind}-{next(SAID)}".replace("_", "-"), "kind": kind, "body": body}
    return client.post(f"/api/jobs/{job}/prove", json=sent, headers={"X-Mechanic": actor})


def points_of(client: FlaskClient, job: str) -> dict[str, dict[str, Any]]:
    shown = client.get(f"/api/jobs/{job}/prove").get_json()
    return {p["key"]: p for g in shown["groups"] for p in g["points"]}


def look_at_all(client: FlaskClient, job: str, *groups: str, actor: str = "marl") -> None:
    """Every point that is looked at here is seen, in its order; locks come off by whoever hung them."""
    view = client.get(f"/api/jobs/{job}/prove").get_json()
    for group in view["groups"]:
        for p in group["points"]:
            if (
                (groups and group["key"] not in groups)
                or not p["here"]
                or p["state"] in ("done", "could_not")
            ):
                continue
            if p["key"] == "ready:lock":
                answer = prove(client, job, "lock_off", actor, lock=view["locks"][0]["fact"])
            else:
                said = {"way": p["ways"][0]} if "way" in p["asks"] else {}
                said |= {"words": "no camera here"} if "photo" in p["asks"] else {}
                said |= {"count": p["most"]} if "count" in p["asks"] else {}
                answer = prove(client, job, "proved", actor, point=p["key"], **said)
            assert answer.status_code == 201, answer.get_json()
