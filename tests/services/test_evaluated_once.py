"""A view evaluates each round once, however many parts of it ask."""

from __future__ import annotations

from collections import Counter

import pytest
from flask.testing import FlaskClient

from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from helpers import Bench

SETTING = "p22.thrust-end-play"


@pytest.fixture
def counted(monkeypatch: pytest.MonkeyPatch) -> Counter[int]:
    """How often each round of the pump's setting was evaluated."""
    kind = find_kind("shim_pack_end_play")
    seen: Counter[int] = Counter()
    plain = kind.evaluate

    def evaluate(ctx: Context) -> object:
        seen[ctx.round] += 1
        return plain(ctx)

    monkeypatch.setattr(kind, "evaluate", evaluate)
    return seen


def rounds(pump: Bench, n: int) -> None:
    pump.act("as_found", 0.5, 0.25, 0.1)
    pump.read_all(("0.30",) * 3, ("0.30",) * 3)
    for number in range(2, n + 1):
        pump.act("move", 0.5, 0.25 - 0.01 * number)
        pump.read_all(("0.20",) * 3, ("0.20",) * 3)


@pytest.mark.parametrize("n", [1, 2, 5])
def test_a_setting_s_view_evaluates_every_round_once(pump: Bench, counted: Counter[int], n: int) -> None:
    rounds(pump, n)
    forget_kept(pump)
    counted.clear()
    assert pump.view()["sheet"]["round"] == n
    assert counted == Counter(range(1, n + 1))


def test_what_was_thought_through_is_not_thought_through_again(pump: Bench, counted: Counter[int]) -> None:
    rounds(pump, 3)
    counted.clear()
    pump.view(), pump.view()
    assert not counted
    pump.read("travel.mark_up.1", "0.21")
    assert counted == Counter([3])


def test_nothing_kept_is_stale(pump: Bench) -> None:
    """What a setting rests on outside its job: the drawer, a gauge's card, a name, what others signed."""
    rounds(pump, 2)
    before = pump.view()
    count = {"id": "n1", "form": "C3 ring", "thickness": "0.33", "count": 4}
    assert (
        pump.client.post("/api/drawer/counts", json=count, headers={"X-Mechanic": "oda"}).status_code == 201
    )
    drawer = pump.view()["knobs"][0]["drawer"]
    assert len(drawer) == len(before["knobs"][0]["drawer"]) + (before["shim_form"] == "C3 ring")
    card = {"id": before["gauge"]["id"], "name": "Renamed", "unit": "mm", "division": 0.05}
    assert pump.client.post("/api/gauges", json=card, headers={"X-Mechanic": "oda"}).status_code == 201
    assert pump.view()["gauge"]["name"] == "Renamed"


def forget_kept(pump: Bench) -> None:
    pump.client.application.extensions["bornek"].settings.clear()


def test_so_does_a_write_for_what_it_reads_before_and_shows_after(pump: Bench, counted: Counter[int]) -> None:
    rounds(pump, 3)
    seen = pump.view()["version"]
    forget_kept(pump)
    counted.clear()
    pump.written("acts", {"kind": "move", "states": {"pack": [0.5, 0.2]}, "seen": seen})
    assert max(counted.values()) <= 2
    assert counted[4] == 1


def test_the_record_evaluates_every_round_once_too(
    client: FlaskClient, pump: Bench, counted: Counter[int]
) -> None:
    rounds(pump, 3)
    forget_kept(pump)
    counted.clear()
    assert client.get("/api/jobs/p22/record").status_code == 200
    assert counted[3] == 1
