"""Whole settings played on simulated iron through `compute`: the application's own path to a verdict."""

from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.practice.streams import Stream
from helpers import plates

DRAWER = {f"{n / 100:.2f}": 10 for n in (5, 8, 10, 11, 12, 13, 15, 20, 30, 50)}
GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "drawing"}
FINE = {"id": "l", "name": "lever", "division": 0.002, "calibration_u": 0.001}


class Iron:
    """A bearing whose play follows the pack by k, with scatter of reassembly and of reading [mm]."""

    def __init__(self, seed: int, k: float, play: float, pack: list[float], s_a: float = 0.005) -> None:
        self.stream, self.k, self.play, self.pack, self.s_a = Stream(seed, 0), k, play, pack, s_a
        self.first, self.number = sum(pack), 0

    def true(self) -> float:
        change = sum(self.pack) - self.first
        return self.play + self.k * change + self.s_a * self.stream.n(1, self.number)

    def readings(self) -> list[float]:
        noise = (0.003 * self.stream.n(2, 16 * self.number + i) for i in range(6))
        return [round(max(self.true() + e, 0.0) / 0.001) * 0.001 for e in noise]


def play(iron: Iron, given_more: dict[str, Any] | None = None, most: int = 8) -> tuple[int, dict[str, Any]]:
    """Rounds needed, and the last sheet. Surprises are answered 'unexplained', zeros by the needle."""
    data: dict[str, Any] = {
        "given": GIVEN | (given_more or {}),
        "gauges": [FINE],
        "stock": DRAWER,
        "acts": [],
        "entries": [],
        "explanations": [],
    }
    for number in range(1, most + 1):
        iron.number = number
        data["acts"].append({"round": number, "states": {"pack": list(iron.pack)}})
        slots = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
        data["entries"] += [
            {"slot": s, "value": v, "round": number, "confirmed": True}
            for s, v in zip(slots, iron.readings(), strict=True)
        ]
        sheet = compute("shim_pack_end_play", data)
        if sheet["next"] == "needle":
            data["entries"].append({"slot": "needle", "value": True, "round": number})
            sheet = compute("shim_pack_end_play", data)
        if sheet["surprise"]:
            data["explanations"].append({"round": number, "cause": "unexplained"})
            sheet = compute("shim_pack_end_play", data)
        if sheet["verdict"]["code"] == "in" or sheet["move"] is None or sheet["move"]["best"] is None:
            return number, sheet
        iron.pack = plates(sheet["move"]["best"])
    return most, sheet


@pytest.mark.parametrize("seed", range(8))
@pytest.mark.parametrize("k", [0.8, 1.0, 1.1])
def test_a_setting_comes_in_within_a_few_rounds_whatever_its_response(seed: int, k: float) -> None:
    rounds, sheet = play(Iron(seed, k, 0.35, [0.5, 0.3, 0.1]))
    assert sheet["verdict"]["code"] == "in"
    assert rounds <= 5


@pytest.mark.parametrize("seed", range(4))
def test_shims_behind_the_cup_come_in_too(seed: int) -> None:
    rounds, sheet = play(Iron(seed, -1.0, 0.30, [0.5, 0.1]), {"sense": "takes"})
    assert sheet["verdict"]["code"] == "in"
    assert rounds <= 5


@pytest.mark.parametrize("seed", range(4))
def test_an_unknown_sense_is_found_out_and_comes_in(seed: int) -> None:
    for k in (1.0, -1.0):
        _, sheet = play(Iron(seed, k, 0.30, [0.5, 0.3, 0.1]), {"sense": "unknown"})
        assert sheet["verdict"]["code"] == "in"


@given(seed=st.integers(0, 10_000), play_mm=st.floats(0.14, 0.6))
@settings(max_examples=15, suppress_health_check=list(HealthCheck))
def test_what_is_called_in_is_truly_in(seed: int, play_mm: float) -> None:
    """A verdict of 'in' allows for the gauge: the true value may pass the window by a hair at most."""
    iron = Iron(seed, 1.0, play_mm, [0.5, 0.3, 0.1])
    _, sheet = play(iron)
    if sheet["verdict"]["code"] == "in":
        assert 0.06 - 0.004 <= iron.true() <= 0.12 + 0.004


@given(st.floats(0.13, 0.9), st.sampled_from([[0.5, 0.3, 0.1], [0.5, 0.2], [0.3, 0.3, 0.2]]))
@settings(max_examples=20)
def test_the_proposed_pack_can_be_built_from_what_exists(travel: float, pack: list[float]) -> None:
    entries = [
        {"slot": f"travel.{p}.{n}", "value": travel} for p in ("mark_up", "mark_down") for n in (1, 2, 3)
    ]
    stock = {"0.05": 1, "0.10": 1, "0.20": 1}
    sheet = compute(
        "shim_pack_end_play",
        {"given": GIVEN, "entries": entries, "stock": stock, "acts": [{"states": {"pack": pack}}]},
    )
    best = sheet["move"]["best"]
    if best is not None:
        have = [*pack, 0.05, 0.1, 0.2]
        for plate in plates(best):
            assert plate in have
            have.remove(plate)


@given(st.floats(0.13, 0.8))
@settings(max_examples=20)
def test_more_play_never_means_a_thicker_pack(travel: float) -> None:
    def proposed(mm: float) -> float:
        entries = [
            {"slot": f"travel.{p}.{n}", "value": mm} for p in ("mark_up", "mark_down") for n in (1, 2, 3)
        ]
        data = {
            "given": GIVEN,
            "entries": entries,
            "stock": DRAWER,
            "acts": [{"states": {"pack": [0.5, 0.5]}}],
        }
        best = compute("shim_pack_end_play", data)["move"]["best"]
        return sum(plates(best)) if best else 1.0

    assert proposed(travel + 0.05) <= proposed(travel) + 1e-9
