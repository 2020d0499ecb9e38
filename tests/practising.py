"""Rigs of a test's own, and one worked through the API."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from flask import Flask
from flask.testing import FlaskClient

from bornek.app import rig_wires
from bornek.services.practice.rigs import Rigs
from helpers import NOW

LEARNER, OTHER = "a" * 32, "b" * 32
HEAD = {"X-Mechanic": "learner"}


@contextmanager
def own_rigs(application: Flask, folder: Path) -> Iterator[Rigs]:
    """The application of the run serves every test: each has rigs of its own."""
    rigs = Rigs(folder / "practice", lambda: NOW)
    application.extensions["bornek.rigs"] = rigs
    application.extensions["bornek.rig_wire"] = rig_wires(rigs, lambda: NOW)
    yield rigs
    rigs.close()


class AtRig:
    """One rig worked through the API."""

    def __init__(
        self, client: FlaskClient, sort: str = "shims", number: int = 27, learner: str = LEARNER
    ) -> None:
        body = {"sort": sort, "number": number, "learner": learner, "name": "Jun Havers"}
        answer = client.post("/api/practice/rigs", json=body)
        assert answer.status_code == 201, answer.get_json()
        self.client, self.id = client, answer.get_json()["id"]
        self.base = f"/rigs/{self.id}"
        self.n = 0

    @property
    def url(self) -> str:
        return f"{self.base}/api/settings/{self.rig()['setting']}"

    def rig(self) -> dict[str, Any]:
        return self.client.get(f"{self.base}/api/rig").get_json()

    def view(self) -> dict[str, Any]:
        return self.client.get(self.url).get_json()

    def post(self, url: str, body: dict[str, Any]) -> dict[str, Any]:
        self.n += 1
        answer = self.client.post(url, json={"id": f"x{self.n}", **body}, headers=HEAD)
        assert answer.status_code == 201, answer.get_json()
        return answer.get_json()

    def read_all(self) -> dict[str, Any]:
        """With the same push each time."""
        view = self.view()
        while (slot := view["sheet"]["next"]) is not None:
            dial = self.client.get(f"{self.base}/api/rig/stations/{slot}").get_json()["dial"]
            at = dial["needle"][round(dial["same_push"] / dial["step"])]
            text = f"{round(at / 0.005) * 0.005:.3f}"
            view = self.post(f"{self.url}/entries", {"slot": slot, "text": text})
        return view

    def do(self, what: str, **body: Any) -> Any:
        """A look, an ask or the cloth lifted; the answer as it comes."""
        return self.client.post(f"{self.base}/api/rig/{what}", json=body, headers=HEAD)

    def move(self, *pack: float) -> dict[str, Any]:
        seen = self.view()["version"]
        return self.post(f"{self.url}/acts", {"kind": "move", "states": {"pack": list(pack)}, "seen": seen})

    def sign(self, remark: str = "") -> None:
        self.post(f"{self.url}/signatures", {"remark": remark, "seen": self.view()["version"]})
