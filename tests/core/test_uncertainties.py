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
    # one gauge read both: what it is off by cancels; temperature α·d·0.58 K counts for each
    one = math.sqrt(SIZE**2 + (0.002 / math.sqrt(6)) ** 2 + (11.7e-6 * 50 * 0.58) ** 2)
    assert found["clearance"]["value"]["v"] == pytest.approx(0.06)
    assert found["clearance"]["value"]["u"] == pytest.approx(one * math.sqrt(2), rel=1e-3)


def test_two_gauges_count_each_with_its_own_card() -> None:
    given = {"diameter": 50, "least": 0.03, "greatest": 0.09, "remedy": "ream", "source": "card"}
    second = GAUGE | {"id": "m", "name": "micrometer", "calibration_u": 0.004}
    entries = [*sizes("bore", 50.06), *(e | {"gauge": "m"} for e in sizes("journal", 50.0))]
    data = {"given": given, "entries": entries, "gauges": [GAUGE, second]}
    found = {r["key"]: r for r in compute("plain_bearing", data)["outcome"]["results"]}
    one = SIZE**2 + (0.002 / math.sqrt(6)) ** 2 + (11.7e-6 * 50 * 0.58) ** 2
    assert found["clearance"]["value"]["u"] == pytest.approx(math.sqrt(2 * one + CAL**2 + 0.004**2), rel=1e-3)


def test_in_a_two_row_bearing_offsets_add_up_over_depths_and_over_widths() -> None:
    given = {"least": 0.0, "greatest": 0.1, "source": "card"}
    mean = {"A": 31.86, "B": 32.04, "W": 57.2, "S": 6.75}
    depth, width = GAUGE | {"id": "d"}, GAUGE | {"id": "w"}
    entries = [
        {"slot": f"{k}.{s}", "value": v, "gauge": "d" if k in "AB" else "w"}
        for k, v in mean.items()
        for s in ("12", "3", "6", "9")
    ]
    found = compute("two_row_bench", {"given": given, "entries": entries, "gauges": [depth, width]})
    apart = 4 * (SIZE**2 + (0.003 / 2) ** 2)
    assert found["outcome"]["results"][0]["value"]["u"] == pytest.approx(
        math.sqrt(apart + (2 * CAL) ** 2 + (2 * CAL) ** 2), rel=1e-6
    )


def test_a_seat_has_one_gauge_and_six_sizes() -> None:
    given = {"what": "journal", "nominal": 80, "least": 79.98, "greatest": 80.02, "source": "drawing"}
    found = results("seat_size", given, sizes("size", 80.0))
    scatter = 0.002 / math.sqrt(6)
    always = SIZE**2 + CAL**2 + (11.7e-6 * 80 * 0.58) ** 2
    assert found["size"]["value"]["u"] == pytest.approx(math.sqrt(always + scatter**2), rel=1e-6)
    # the smallest and the greatest place were read once each
    one = math.sqrt(always + 0.002**2)
    assert [found[key]["value"]["u"] for key in ("smallest", "greatest")] == [
        pytest.approx(one, rel=1e-6)
    ] * 2


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
    assert fit["value"]["u"] == pytest.approx(found["smallest"]["value"]["u"] * math.sqrt(2), rel=1e-6)


def crank(convention: str) -> dict[str, Any]:
    given = {"limit": 0.04, "convention": convention, "gauges": "outboard", "source": "card"}
    entries = [
        {"slot": f"{end}.{k}", "value": round(0.01 * math.cos(2 * math.pi * k / 8), 6)}
        for end in "LR"
        for k in range(8)
    ]
    return results("crank_runout", given, entries)


@pytest.mark.parametrize(
    ("convention", "key", "value", "u2"),
    [
        ("tir", "tir_L", 0.02, TRAVEL**2 + 2 * 0.002**2 + CAL**2),
        ("sum", "tir_sum", 0.04, 2 * (TRAVEL**2 + 2 * 0.002**2) + (2 * CAL) ** 2),
        ("eccentricity", "e_L", 0.01, (SIZE**2 + 0.002**2) * 2 / 8 + (CAL / 2) ** 2),
    ],
)
def test_a_crank_by_each_convention(convention: str, key: str, value: float, u2: float) -> None:
    found = crank(convention)[key]
    assert found["value"]["v"] == pytest.approx(value, abs=1e-6)
    assert found["value"]["u"] == pytest.approx(math.sqrt(u2), rel=1e-6)


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
    assert found["variation"]["value"]["u"] == pytest.approx(math.sqrt(2 * (TRAVEL**2 + 0.004**2)), rel=1e-6)


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


def test_a_preload_by_shims_carries_the_response_and_the_seating() -> None:
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
    narrow, wide = 0.08 * 0.28, 0.2 * 0.28  # k ± 8 %, a fifth of the trust in ± 20 %
    response = math.sqrt(0.8 * narrow**2 + 0.2 * wide**2)
    seating = 0.006 * math.sqrt(2)
    assert found["u"] == pytest.approx(math.sqrt(play**2 + response**2 + seating**2), rel=0.15)
