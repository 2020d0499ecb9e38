"""One rule for odd readings in every kind: signs, needles, scales, equal readings, repeats, gauges."""

from typing import Any

import pytest

from bornek.core.compute import compute

SOURCE = {"source": "card"}
PLAY = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, **SOURCE}
NUT = {"least": 0.18, "greatest": 0.28, "pitch": 2, "tabs": 17, "slots": 4, **SOURCE}
BEVEL = {
    "least": 0.1,
    "greatest": 0.3,
    "pinion_sense": "out",
    "carrier_total": 2,
    "pinion_angle": 20,
    **SOURCE,
}
CRANK = {"limit": 0.04, "convention": "tir", "gauges": "outboard", **SOURCE}
SEQUENCE = [
    {"slot": k, "value": True} for k in ("jack", "washer", "bracket", "springs", "zero", "nut", "ram")
]
FINE = {"id": "f", "name": "lever", "division": 0.002, "calibration_u": 0.001}


def travels(*values: float) -> list[dict[str, Any]]:
    slots = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    return [{"slot": s, "value": v} for s, v in zip(slots, values, strict=False)]


def lash(*values: float) -> list[dict[str, Any]]:
    return [{"slot": f"lash.{n}", "value": v} for n, v in enumerate(values, 1)]


AGAIN = [{"slot": k, "value": True} for k in ("springs", "ram")]


def lifts(*values: float, sequence: Any = SEQUENCE) -> list[dict[str, Any]]:
    return [*sequence, *({"slot": f"travel.{n}", "value": v} for n, v in enumerate(values, 1))]


def around(left: list[float], right: list[float]) -> list[dict[str, Any]]:
    return [
        {"slot": f"{end}.{k}", "value": v}
        for end, row in (("L", left), ("R", right))
        for k, v in enumerate(row)
    ]


TRAVELS: list[tuple[str, dict[str, Any], Any]] = [
    ("shim_pack_end_play", PLAY, travels),
    ("spring_thrust_nut", NUT, lifts),
    ("bevel_mesh", BEVEL, lash),
]


def checks(sheet: dict[str, Any], action: str) -> list[str]:
    return [c["sentence"] for c in sheet["outcome"]["checks"] if c["action"] == action]


@pytest.mark.parametrize(("kind", "given", "entries"), TRAVELS)
@pytest.mark.parametrize("confirmed", [False, True])
def test_a_travel_below_zero_never_counts(
    kind: str, given: dict[str, Any], entries: Any, confirmed: bool
) -> None:
    sent = entries(-0.15, 0.2)
    sent[-2]["confirmed"] = confirmed
    sheet = compute(kind, {"given": given, "entries": sent})
    assert any("below zero, and a travel has no sign" in s for s in checks(sheet, "ask"))


@pytest.mark.parametrize(("kind", "given", "entries"), TRAVELS)
def test_a_zero_asks_to_prove_the_needle_and_a_dead_one_stops(
    kind: str, given: dict[str, Any], entries: Any
) -> None:
    sent = entries(0.0, 0.0)
    owed = compute(kind, {"given": given, "entries": sent})
    assert checks(owed, "prove_alive")
    assert owed["move"] is None
    dead = compute(kind, {"given": given, "entries": [*sent, {"slot": "needle", "value": False}]})
    assert any("dead" in s for s in checks(dead, "stop"))
    alive = compute(kind, {"given": given, "entries": [*sent, {"slot": "needle", "value": True}]})
    assert not checks(alive, "prove_alive")


def test_readings_alike_to_the_last_digit_ask_for_the_needle_by_how_unlikely_they_are() -> None:
    coarse = compute("shim_pack_end_play", {"given": PLAY, "entries": travels(*[0.24] * 6)})
    assert any("Does the needle move" in s for s in checks(coarse, ""))
    fine = compute("shim_pack_end_play", {"given": PLAY, "entries": travels(*[0.24] * 6), "gauges": [FINE]})
    assert any("same to the last digit" in s for s in checks(fine, "prove_alive"))
    spread = compute(
        "shim_pack_end_play",
        {"given": PLAY, "entries": travels(0.24, 0.242, 0.241, 0.24, 0.239, 0.24), "gauges": [FINE]},
    )
    assert not checks(spread, "prove_alive")


@pytest.mark.parametrize("fine", [(0,), (5,), (1, 3)])
def test_readings_alike_by_two_gauges_are_as_unlikely_whichever_read_first(fine: tuple[int, ...]) -> None:
    """Of readings that scatter by 3.5 µm a step of 5 µm takes 0.525, one of 1 µm 0.114. Six alike by chance:
    0.525⁵ · 0.114 = 0.0045 is remarked on, 0.525⁴ · 0.114² = 0.00099 is too seldom to be chance."""
    coarse = {"id": "c", "name": "dial", "division": 0.01, "calibration_u": 0.002}
    entries = [e | {"gauge": "f" if i in fine else "c"} for i, e in enumerate(travels(*[0.24] * 6))]
    found = compute("shim_pack_end_play", {"given": PLAY, "entries": entries, "gauges": [FINE, coarse]})
    assert bool(checks(found, "prove_alive")) == (len(fine) == 2)
    assert any("Does the needle move" in s for s in checks(found, "")) == (len(fine) == 1)


@pytest.mark.parametrize("n", [8, 12])
def test_a_runout_that_is_the_same_all_round_is_a_needle_that_stood_still(n: int) -> None:
    sheet = compute(
        "crank_runout", {"given": CRANK | {"angles": n}, "entries": around([0.2] * n, [0.01] * n)}
    )
    assert any(f"All {n} readings around are the same" in s for s in checks(sheet, "prove_alive"))


def test_an_end_that_stood_still_is_told_as_that_and_not_as_another_scale() -> None:
    sheet = compute(
        "crank_runout", {"given": CRANK, "entries": around([0.01] * 8, [0.0, 0.01, 0.02, 0.03] * 2)}
    )
    assert any("are the same" in s for s in checks(sheet, "prove_alive"))
    assert not any("times the other" in s for a in ("ask", "prove_alive", "") for s in checks(sheet, a))


@pytest.mark.parametrize("factor", [10, 25.4])
def test_one_end_read_on_another_scale_is_asked_about(factor: float) -> None:
    left = [0.0, 0.004, 0.008, 0.01, 0.008, 0.004, 0.002, 0.001]
    data = {"given": CRANK | {"limit": 0.4}, "entries": around(left, [round(v * factor, 4) for v in left])}
    sheet = compute("crank_runout", data)
    assert any(f"about {factor:g} times the other" in s for s in checks(sheet, "ask"))
    settled = compute(
        "crank_runout", data | {"entries": [*data["entries"], {"slot": "scale", "value": True}]}
    )
    assert not checks(settled, "ask")
    alike = compute("crank_runout", {"given": CRANK, "entries": around(left, [v * 1.5 for v in left])})
    assert not checks(alike, "ask")


@pytest.mark.parametrize(("kind", "given", "entries"), TRAVELS[:2])
def test_repeats_that_scatter_ask_for_reseating(kind: str, given: dict[str, Any], entries: Any) -> None:
    sheet = compute(kind, {"given": given, "entries": entries(0.20, 0.235)})
    assert checks(sheet, "reseat")
    assert sheet["move"] is None


@pytest.mark.parametrize(
    ("kind", "given", "entries"),
    [*TRAVELS, ("crank_runout", CRANK, lambda *v: around([*v, *v] * 2, [*v, *v] * 2))],
)
def test_coarse_and_overdue_gauges_are_said_in_every_kind(
    kind: str, given: dict[str, Any], entries: Any
) -> None:
    old = {"id": "o", "name": "old dial", "division": 0.05, "overdue": True}
    data = {"given": given, "entries": entries(0.2, 0.21), "gauges": [old]}
    codes = {c["code"] for c in compute(kind, data)["outcome"]["checks"]}
    assert "overdue" in codes
    if kind != "crank_runout":
        assert "coarse" in codes


def test_the_gauge_that_read_counts_and_not_the_settings() -> None:
    coarse = {"id": "c", "name": "coarse", "division": 0.02, "calibration_u": 0.01}
    data = {"given": PLAY, "gauges": [FINE, coarse], "gauge": "f"}
    by_own = compute("shim_pack_end_play", data | {"entries": travels(0.24, 0.244, 0.24)})
    by_other = compute(
        "shim_pack_end_play", data | {"entries": [e | {"gauge": "c"} for e in travels(0.24, 0.244, 0.24)]}
    )
    u = [s["outcome"]["results"][0]["value"]["u"] for s in (by_own, by_other)]
    assert u[1] > 3 * u[0]
    assert "coarse" in str(by_other["outcome"]["results"][0]["working"])


def test_a_size_far_from_what_can_be_is_asked_about() -> None:
    given = {"what": "journal", "nominal": 60, "least": 59.9, "greatest": 60.1, **SOURCE}
    sheet = compute("seat_size", {"given": given, "entries": [{"slot": "size.near.up", "value": 63.0}]})
    assert any("where it was to be expected" in s for s in checks(sheet, "ask"))


@pytest.mark.parametrize("n", [8, 9, 24, 36])
def test_runout_takes_any_number_of_angles(n: int) -> None:
    import math

    values = [0.02 * math.cos(2 * math.pi * k / n - 0.5) for k in range(n)]
    data = {"given": CRANK | {"convention": "eccentricity", "angles": n}, "entries": around(values, values)}
    found = {r["key"]: r["value"]["v"] for r in compute("crank_runout", data)["outcome"]["results"]}
    assert found["e_L"] == pytest.approx(0.02, abs=1e-9)


@pytest.mark.parametrize("pitch", [0.5, 1.5, 2, 6])
@pytest.mark.parametrize("k", [0.8, 1.0, 1.15])
def test_a_nut_is_brought_in_whatever_its_thread(pitch: float, k: float) -> None:
    """A response of micrometres a degree is no dead one: the nut reaches its window in a few rounds."""
    given = NUT | {"pitch": pitch, "least": 0.15, "greatest": 0.25, "first_lock": 1.0}
    data: dict[str, Any] = {"given": given, "entries": [], "acts": [], "gauges": [FINE]}
    play, at = 0.40, 0.40 / pitch * 360
    for number in range(1, 7):
        lifted = lifts(round(play, 4), round(play + 0.001, 4), sequence=SEQUENCE if number == 1 else AGAIN)
        data["entries"] += [e | {"round": number} for e in lifted]
        sheet = compute("spring_thrust_nut", data)
        if sheet["verdict"]["code"] == "in":
            break
        best = sheet["move"]["best"]["states"]["nut"]["position"]
        assert any(
            r["at"] == pytest.approx(best)
            for s in sheet["scenes"]
            if s["type"] == "ladder"
            for r in s["rungs"]
        )
        play += k * (best - at) * pitch / 360
        at = best
        data["acts"].append({"round": number + 1, "states": {"nut": best}})
    assert sheet["verdict"]["code"] == "in"
