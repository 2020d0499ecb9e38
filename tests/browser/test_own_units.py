"""Units that the yard does not hold, made on the drawing by keys and taps; each goes to an empty yard and is set there."""

from __future__ import annotations

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from playwright.sync_api import Page, expect

from apps import app_over
from bornek.store.database import Database
from helpers import Bench
from making import Maker

Make = Callable[[Maker], None]
HEADERS = {"X-Mechanic": "tove"}


CARD = "Own card 1"
PLAY = {"sense": "adds", "torque": "22"}
"""What an end play by shims is given besides its limits."""


def single_cover(m: Maker) -> None:
    """Nobody knows the box: two bearings, one cover, something on its end."""
    m.begin("plain-shaft", "Unknown box, single cover", covers="one", bearings="ball_bearing")
    m.shaft("shaft")
    m.put_on("Slinger ring", "Fan pulley")
    m.setting("shaft-end-play", ("0.05", "0.10"), **PLAY)


def hub(m: Maker) -> None:
    """A wheel hub with its brake: other teeth, one more planet, bolts on its cover."""
    m.begin("planetary-hub", "Landing wheel hub with brake")
    m.part("planets")
    m.type("teeth", "27")
    m.part("ring")
    m.type("teeth", "78")
    m.part("brake-discs")
    m.put_on("Brake piston seal", "Brake springs")
    m.setting("hub-preload", new_least="34 N", new_greatest="40 N", adjuster="nut", source=CARD)


def right_angle(m: Maker) -> None:
    """A right-angle head with a hollow cross shaft; a lock collar goes on it."""
    m.begin("right-angle-drive", "Conveyor head, hollow shaft", output="hollow", preload="shims")
    m.part("cross-right-cover")
    m.put_on("Shrink collar")
    m.choose("kind", "coupling")
    m.setting("pinion-preload", ("0.02", "0.05"), **PLAY)
    m.setting("cross-end-play", ("0.05", "0.10"), **PLAY)


def slew(m: Maker) -> None:
    """A slew drive of two planet stages, its pinion below, a motor brake on top."""
    m.begin("planetary-drive", "Two-stage slew drive", lies="upright")
    m.part("input-coupling")
    m.put_on("Motor brake discs")
    m.press("Shift+ArrowLeft")
    m.part("output-pinion")
    m.type("teeth", "13")
    m.setting("output-end-play", ("0.05", "0.10"), **PLAY)


def boring(m: Maker) -> None:
    """A boring spindle driven by a belt: its nose's runout is what counts."""
    m.begin("spindle", "Boring spindle, belt-driven", preload="spacer")
    m.part("drive")
    m.put_on("Belt guard washer")
    m.choose("kind", "spacer")
    m.setting("nose-preload", new_least="10 N", new_greatest="14 N", source=CARD)
    m.setting("nose-runout", limit="0.02", convention="tir", gauges="outboard", source=CARD)


def pump(m: Maker) -> None:
    """A pump with its case split along the shaft; the list of its small parts is pasted."""
    m.begin("pump", "Split-case pump", bearings="ball_bearing")
    m.tap("[data-whole]")
    m.tap("[data-paste]")
    m.type("pasted", "Pos\tName\tQty\n1\tCase bolts M16\t12\n2\tCase gasket\t1\n3\tGrease nipple\t2\n")
    m.tap("[data-read-pasted]")
    expect(m.page.locator("[data-pasted-line]")).to_have_count(3)
    m.tap("[data-take-pasted]")
    m.setting("pump-end-play", ("0.05", "0.10"), **PLAY)
    m.setting("shaft-runout", limit="0.03", convention="tir", gauges="outboard", source=CARD)


END_PLAY = ("0.07",)
MADE: dict[str, tuple[Make, str, tuple[str, ...]]] = {
    "planetary hub with brake": (hub, "hub-preload", ("1.8", "3.2", "5.55")),
    "right-angle head with a hollow shaft": (right_angle, "cross-end-play", END_PLAY),
    "two-stage slew drive": (slew, "output-end-play", END_PLAY),
    "belt-driven boring spindle": (boring, "nose-runout", ("0.004",)),
    "split-case pump": (pump, "pump-end-play", END_PLAY),
    "unknown box with a single cover": (single_cover, "shaft-end-play", END_PLAY),
}
"""How it is made; the setting that is worked elsewhere, with what is read in each of its rounds."""


@pytest.fixture
def elsewhere(empty: Database) -> FlaskClient:
    """Another yard, with nobody and nothing in it."""
    return app_over(empty).test_client()


@pytest.mark.wide
@pytest.mark.parametrize("name", MADE)
def test_a_unit_of_ones_own_is_made_goes_elsewhere_and_is_set_there(
    bench: Page, elsewhere: FlaskClient, tmp_path: Path, name: str
) -> None:
    make, point, rounds = MADE[name]
    maker = Maker(bench)
    make(maker)
    key = maker.save()
    print(f"{name}: {maker.acts} acts")
    with bench.expect_download() as download:
        bench.get_by_text("JSON", exact=True).click()
    sent = json.loads(Path(download.value.path()).read_text("utf-8"))
    assert sent["key"] == key
    set_elsewhere(elsewhere, sent, point, rounds)


def set_elsewhere(client: FlaskClient, sent: dict[str, Any], point: str, rounds: tuple[str, ...]) -> None:
    """Taken in by an empty yard, received there, one setting read round by round and signed."""
    client.post("/api/mechanics", json={"id": "tove", "name": "Tove"})
    assert client.post("/api/unit-types/imports", json=sent, headers=HEADERS).status_code == 201
    body = {"id": "own", "revision": f"{sent['key']}.1", "tag": "O-1", "name": sent["name"], "serial": "1"}
    job = client.post("/api/jobs", json=body, headers=HEADERS)
    assert job.status_code == 201, job.get_json()
    bench = Bench(client, f"own.{point}", "tove")
    if any(k["key"] == "pack" for k in bench.view()["knobs"]):
        bench.written(
            "acts", {"kind": "as_found", "states": {"pack": [0.5]}, "seen": bench.view()["version"]}
        )
    for n, text in enumerate(rounds):
        if n:
            best = bench.view()["sheet"]["move"]["best"]
            to = {key: state["position"] for key, state in best["states"].items()}
            bench.written("acts", {"kind": "move", "states": to, "seen": bench.view()["version"]})
        read_round(bench, text)
    signed = bench.written("signatures", {"seen": bench.view()["version"], "remark": "set on the bench"})
    assert signed["signature"] is not None


def read_round(bench: Bench, text: str) -> None:
    while live := next((c for c in bench.view()["sheet"]["cells"] if c["status"] == "live"), None):
        said: dict[str, Any] = {"text": text}
        if live["accepts"] == "confirm":
            said = {"value": True}
        elif live["accepts"] == "choice":
            said = {"value": live["options"][0][0]}
        bench.written("entries", {"slot": live["slot"], **said})
