"""The uncertainty of each kind's value, reckoned beside it with a pencil."""

import math
from typing import Any

import pytest

from bornek.core.compute import compute

GAUGE = {
    "id": "g",
    "name": "gauge",
    "unit": "mm",
    "division": 0.01,
    "interpolation": 0.5,
    "calibration_u": 0.003,
}
RESOLUTION = 0.005
SIZE, TRAVEL = RESOLUTION / math.sqrt(12), RESOLUTION / math.sqrt(6)
CAL = 0.003


def results(kind: str, given: dict[str, Any], entries: list[dict[str, Any]], **more: Any) -> dict[str, Any]:
    data = {"given": given, "entries": entries, "gauges": [GAUGE], **more}
    return {r["key"]: r for r in compute(kind, data)["outcome"]["results"]}


def sizes(what: str, value: float) -> list[dict[str, Any]]:
    return [
        {"slot": f"{what}.{p}.{w}", "value": value}
        for p in ("near", "middle", "far")
        for w in ("up", "across")
    ]


def test_a_plain_bearing_joins_bore_and_journal() -> None:
    given = {"diameter": 50, "least": 0.03, "greatest": 0.09, "remedy": "ream", "source": "card"}
    found = results("plain_bearing", given, [*sizes("bore", 50.06), *sizes("journal", 50.0)])
    one = math.sqrt(SIZE**2 + CAL**2 + (0.002 / math.sqrt(6)) ** 2)
    assert found["clearance"]["value"]["v"] == pytest.approx(0.06)
    assert found["clearance"]["value"]["u"] == pytest.approx(one * math.sqrt(2), rel=1e-6)


def test_a_seat_has_one_gauge_and_six_sizes() -> None:
    given = {"what": "journal", "nominal": 80, "least": 79.98, "greatest": 80.02, "source": "drawing"}
    found = results("seat_size", given, sizes("size", 80.0))
    scatter = 0.002 / math.sqrt(6)
    assert found["size"]["value"]["u"] == pytest.approx(math.sqrt(SIZE**2 + CAL**2 + scatter**2), rel=1e-6)


def test_the_fit_of_a_seat_doubles_it() -> None:
    given = {
        "what": "journal",
        "nominal": 80,
        "least": 79.98,
        "greatest": 80.02,
        "mate": 80.03,
        "source": "drawing",
    }
    found = results("seat_size", given, sizes("size", 80.0))
    fit = next(r for key, r in found.items() if key != "size" and r["value"] and abs(r["value"]["v"]) < 1)
    assert fit["value"]["v"] == pytest.approx(0.03)
    assert fit["value"]["u"] == pytest.approx(found["size"]["value"]["u"] * math.sqrt(2), rel=1e-6)


def crank(convention: str) -> dict[str, Any]:
    given = {"limit": 0.04, "convention": convention, "gauges": "outboard", "source": "card"}
    entries = [
        {"slot": f"{end}.{k}", "value": round(0.01 * math.cos(2 * math.pi * k / 8), 6)}
        for end in "LR"
        for k in range(8)
    ]
    return results("crank_runout", given, entries)


@pytest.mark.parametrize(
    ("convention", "key", "value", "times"),
    [
        ("tir", "tir_L", 0.02, math.sqrt(2)),
        ("sum", "tir_sum", 0.04, 2.0),
        ("eccentricity", "e_L", 0.01, math.sqrt(2 / 8)),
    ],
)
def test_a_crank_by_each_convention(convention: str, key: str, value: float, times: float) -> None:
    found = crank(convention)[key]
    prior = found["value"]["u"] / times
    assert found["value"]["v"] == pytest.approx(value, abs=1e-6)
    assert prior**2 - SIZE**2 == pytest.approx(0.002**2, rel=0.3)
    assert crank("tir")["tir_L"]["value"]["u"] * times == pytest.approx(found["value"]["u"] * math.sqrt(2))


def test_bevel_backlash_is_a_travel_over_four_teeth() -> None:
    given = {
        "least": 0.1,
        "greatest": 0.3,
        "pinion_sense": "out",
        "carrier_total": 2,
        "pinion_angle": 20,
        "source": "c",
    }
    entries = [{"slot": f"lash.{n}", "value": 0.2} for n in (1, 2, 3, 4)]
    found = results("bevel_mesh", given, entries)
    u = math.sqrt(TRAVEL**2 + CAL**2 + (0.004 / math.sqrt(4)) ** 2)
    assert found["backlash"]["value"]["u"] == pytest.approx(u, rel=1e-6)
    assert found["variation"]["value"]["u"] == pytest.approx(u * math.sqrt(2), rel=1e-6)


def test_a_nut_on_springs_reads_a_travel_twice() -> None:
    given = {"least": 0.18, "greatest": 0.28, "pitch": 2, "tabs": 17, "slots": 4, "source": "m"}
    done = [
        {"slot": k, "value": True} for k in ("jack", "washer", "bracket", "springs", "zero", "nut", "ram")
    ]
    found = results(
        "spring_thrust_nut", given, [*done, *({"slot": f"travel.{n}", "value": 0.22} for n in (1, 2))]
    )
    assert found["end_play"]["value"]["u"] == pytest.approx(
        math.sqrt(TRAVEL**2 + CAL**2 + (0.0035 / math.sqrt(2)) ** 2), rel=0.02
    )


def test_a_preload_by_shims_carries_the_plates_that_moved() -> None:
    given = {
        "meant": "preload", "least": 0.05, "greatest": 0.1, "drag_least": 1, "drag_greatest": 2, "sense": "adds",
        "torque": 80, "source": "drawing",
    }  # fmt: skip
    slots = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    entries = [{"slot": s, "value": 0.2, "round": 1} for s in slots] + [
        {"slot": s, "value": 0.0, "round": 2} for s in slots
    ]
    acts = [
        {"round": 1, "states": {"pack": [0.5, 0.3, 0.1]}},
        {"round": 2, "states": {"pack": [0.5, 0.12]}},
    ]
    found = results("shim_pack_end_play", given, entries, acts=acts)["end_play"]["value"]
    play = math.sqrt(TRAVEL**2 + CAL**2 + (0.0035 / math.sqrt(6)) ** 2)
    assert found["v"] == pytest.approx(0.2 - 0.28)
    assert found["u"] == pytest.approx(math.hypot(play, 0.001 * math.sqrt(3)), rel=1e-6)
