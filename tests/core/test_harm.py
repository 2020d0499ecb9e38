"""Advice that could do harm: open windows, the worst place, tight starts, unknown senses, one-way rings."""

from itertools import product
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.settings.registry import kinds
from bornek.core.tables.lookup import rows
from helpers import in_gate, plates

SOURCE = {"source": "card"}
PLACES = ("near", "middle", "far")
PLAY = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, **SOURCE}
DRAWER = {f"{n / 100:.2f}": 10 for n in (5, 8, 10, 11, 12, 13, 15, 20, 30, 50)}


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def sizes(what: str, *pairs: tuple[float, float]) -> list[dict[str, Any]]:
    return [
        {"slot": f"{what}.{place}.{way}", "value": v}
        for place, pair in zip(PLACES, pairs, strict=True)
        for way, v in zip(("up", "across"), pair, strict=True)
    ]


def bush(bore: list[tuple[float, float]], journal: float = 50.0, **given: Any) -> dict[str, Any]:
    typed = {"diameter": 50, "remedy": "ream", **SOURCE, **given}
    entries = [
        *sizes("bore", *bore),
        *sizes("journal", *[(journal, journal)] * 3),
        {"slot": "oil.hole", "value": True},
    ]
    return compute("plain_bearing", {"given": typed, "entries": entries})


def play(*readings: float, **more: Any) -> dict[str, Any]:
    slots = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    entries = [{"slot": s, "value": v} for s, v in zip(slots, readings, strict=True)]
    if any(v == 0 for v in readings):
        entries.append({"slot": "needle", "value": True})
    data = {
        "given": PLAY,
        "entries": entries,
        "acts": [{"states": {"pack": [0.5, 0.3, 0.1]}}],
        "stock": DRAWER,
    }
    data["given"] = PLAY | more.pop("given", {})
    return compute("shim_pack_end_play", data | more)


# 1 open windows


@pytest.mark.parametrize("journal", [49.99, 50.0, 50.02])
@pytest.mark.parametrize("greatest", [0.04, 0.08, 0.2])
def test_with_only_a_greatest_clearance_nothing_is_led_into_interference(
    journal: float, greatest: float
) -> None:
    tight = bush([(journal - 0.01,) * 2] * 3, journal, greatest=greatest)
    assert tight["verdict"]["code"] == "out_low"
    loose = bush([(journal + greatest + 0.05,) * 2] * 3, journal, greatest=greatest)
    best = loose["move"]["best"]
    assert best["expected"][0]["v"] > 0.005
    for option in [best, *loose["move"]["alternatives"]]:
        assert option["p_harm"] < 0.5 or "below the window" in option["why"]


@pytest.mark.parametrize("bore", [50.2, 50.0, 49.98])
def test_one_sheet_names_one_size(bore: float) -> None:
    sheet = bush([(bore, bore)] * 3, greatest=0.08)
    words = " ".join([said(sheet), *(c["sentence"] for c in sheet["outcome"]["checks"])])
    assert words.lower().count("ream") == 1
    assert abs(sheet["move"]["best"]["states"]["bore"]["position"] - 50.04) < 0.01


def test_a_window_open_above_is_aimed_well_inside_its_closed_end() -> None:
    sheet = bush([(50.0, 50.0)] * 3, least=0.05)
    assert sheet["move"]["best"]["expected"][0]["v"] > 0.05 + 0.005


@pytest.mark.parametrize("own", [0.06, 0.12])
def test_an_own_aim_at_the_edge_is_taken_inside(own: float) -> None:
    strip = play(*[0.3, 0.305] * 3, given={"aim": own})["scenes"][0]
    assert 0.06 + 0.004 < strip["aim"] < 0.12 - 0.004


def test_every_kind_that_sets_a_clearance_or_float_declares_its_floor() -> None:
    floors = {k.id: k.floor for k in kinds() if hasattr(k, "floor")}
    assert {"shim_pack_end_play", "plain_bearing", "spring_thrust_nut", "bevel_mesh"} <= set(floors)


# 2 the worst place


def test_the_tightest_place_seizes_though_the_mean_is_in() -> None:
    sheet = bush([(50.06, 50.06), (50.06, 50.06), (50.02, 50.02)], least=0.04, greatest=0.09)
    found = {r["key"]: r for r in sheet["outcome"]["results"]}
    assert found["clearance"]["verdict"]["code"] != "out_low"
    assert found["least"]["value"]["v"] == pytest.approx(0.02)
    assert sheet["verdict"]["code"] == "out_low"


def test_the_move_brings_the_tightest_place_in_and_the_mean_not_out() -> None:
    sheet = bush([(50.03, 50.03), (50.03, 50.03), (50.01, 50.01)], least=0.03, greatest=0.09)
    expected = sheet["move"]["best"]["expected"][0]["v"]
    tight = 0.03 * 2 / 3 + 0.01 / 3 - 0.01
    assert 0.03 + tight < expected < 0.09


def test_a_bearing_too_uneven_for_its_window_gets_no_move() -> None:
    sheet = bush([(50.10, 50.10), (50.05, 50.05), (50.01, 50.01)], least=0.04, greatest=0.06)
    assert "no clearance is right all round" in " ".join(sheet["sign_blockers"])
    assert sheet["move"] is None


def test_a_seat_is_judged_where_it_holds_least_and_where_it_holds_most() -> None:
    given = {"what": "journal", "nominal": 60, "least": 60.002, "greatest": 60.021, **SOURCE}
    fine = [{"id": "m", "name": "mic", "division": 0.001, "calibration_u": 0.0005}]
    tapered = sizes("size", (60.012, 60.012), (60.012, 60.012), (59.99, 59.99))
    sheet = compute("seat_size", {"given": given, "entries": tapered, "gauges": fine})
    assert sheet["verdict"]["code"] == "out_low"
    assert "ring would spin" in said(sheet)
    swollen = sizes("size", (60.012, 60.012), (60.012, 60.012), (60.04, 60.04))
    assert (
        compute("seat_size", {"given": given, "entries": swollen, "gauges": fine})["verdict"]["code"]
        == "out_high"
    )


def test_a_broken_form_limit_blocks() -> None:
    given = {"what": "journal", "nominal": 60, "least": 59.9, "greatest": 60.1, "form_limit": 0.01, **SOURCE}
    oval = sizes("size", *[(60.0, 60.04)] * 3)
    sheet = compute("seat_size", {"given": given, "entries": oval})
    assert sheet["verdict"]["code"] == "out_high"
    assert "Ovality" in said(sheet)
    assert sheet["sign_blockers"]


def test_the_tightest_tooth_binds() -> None:
    given = {"least": 0.15, "greatest": 0.25, "pinion_sense": "out", "carrier_total": 2, "pinion_angle": 20,
             "variation": 0.5, **SOURCE}  # fmt: skip
    entries = [{"slot": f"lash.{n}", "value": v} for n, v in enumerate((0.22, 0.22, 0.22, 0.1), 1)]
    sheet = compute("bevel_mesh", {"given": given, "entries": entries})
    found = {r["key"]: r["verdict"]["code"] for r in sheet["outcome"]["results"]}
    assert found["backlash"] != "out_low"
    assert found["tightest"] == "out_low"
    assert sheet["verdict"]["code"] == "out_low"


# 5 the tapered bore


DRIVE = "driveup_spherical_tapered"
GROUPS = ("CN", "C3", "C4")


def feelers(lo: float, hi: float, number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"feeler.{row}.{p}", "value": [lo, hi], "round": number, "confirmed": True}
        for row in ("near", "far")
        for p in (1, 2, 3)
    ]


@pytest.mark.parametrize(
    ("group", "school", "taper"), in_gate(product(GROUPS, ("least", "greatest"), ("12", "30")), 4)
)
def test_no_point_of_the_tables_is_driven_beyond_its_least_residual(
    group: str, school: str, taper: str
) -> None:
    """From the loosest and the tightest bearing of every row: what is told leaves the residual even when the ring
    is as stiff as the table says."""
    told = 0
    for row, drive in (
        (r, d) for d in rows(DRIVE) for r in rows("ric_spherical_tapered_bore") if r.incl_mm == d.incl_mm
    ):
        least, most = (row.number(f"{group}_{end}_um") / 1000 for end in ("min", "max"))
        residual = drive.number(f"min_residual_{group}_mm")
        for clearance in (least, (least + most) / 2, most - 0.002):
            typed = {"bore": row.incl_mm, "group": group, "school": school, "taper": taper, **SOURCE}
            sheet = compute(
                "taper_clearance", {"given": typed, "entries": feelers(clearance, clearance + 0.002)}
            )
            if "Drive it up" not in said(sheet):
                continue
            told += 1
            driven = sheet["move"]["best"]["states"]["drive"]["position"]
            column = f"driveup_1to{taper}"
            factors = [1.15]
            if f"{column}_min_mm" in drive.cells:
                factors = [
                    drive.number(f"{column}_{e}_mm") / (int(taper) * drive.number(f"reduction_{e}_mm"))
                    for e in ("min", "max")
                ]
            taken = driven / (int(taper) * min(factors))
            assert clearance - taken >= residual - 1e-6, (row.incl_mm, clearance, said(sheet))
    assert told > 10


def tapered(*rounds: tuple[float, float], **given: Any) -> dict[str, Any]:
    entries = [e for n, r in enumerate(rounds, 1) for e in feelers(*r, number=n)]
    return compute("taper_clearance", {"given": {"bore": 60, **SOURCE} | given, "entries": entries})


def test_nothing_is_driven_while_feelers_are_missing_or_a_warning_stands() -> None:
    few = compute("taper_clearance", {"given": {"bore": 60, **SOURCE}, "entries": feelers(0.06, 0.062)[:4]})
    assert "Drive" not in said(few)
    other_group = tapered((0.10, 0.102))
    assert "drive" not in said(other_group).lower()
    rows_apart = compute(
        "taper_clearance",
        {"given": {"bore": 60, **SOURCE}, "entries": feelers(0.045, 0.047)[:3] + feelers(0.09, 0.092)[3:]},
    )
    assert "drive" not in said(rows_apart).lower()


@pytest.mark.parametrize("after", [(0.08, 0.085), (0.3, 0.31), (0.008, 0.01)])
def test_clearance_that_grew_or_fell_to_a_fifth_is_asked_about(after: tuple[float, float]) -> None:
    sheet = tapered((0.06, 0.065), after)
    assert "drive it up" not in said(sheet).lower()
    assert any(c["action"] == "ask" for c in sheet["outcome"]["checks"])


@pytest.mark.parametrize(
    ("designation", "given", "asked"),
    [
        ("22212 EK/C3", {"group": "CN"}, "C3"),
        ("24024 CCK30", {"taper": "12"}, "1:30"),
        ("22212 K", {"bore": 80}, "60 mm"),
    ],
)
def test_a_mark_that_contradicts_what_is_given_is_asked_about(
    designation: str, given: dict[str, Any], asked: str
) -> None:
    typed = {"designation": designation, **SOURCE, **given}
    sheet = compute("taper_clearance", {"given": typed, "entries": feelers(0.08, 0.081)})
    assert asked in said(sheet)
    assert "Look at the ring" in said(sheet)


@pytest.mark.parametrize("number", ["15101", "LM11949", "30205", "HM88649", "7203"])
def test_the_number_of_another_bearing_is_no_bore_code(number: str) -> None:
    with pytest.raises(Exception, match="not the number of a spherical roller bearing"):
        compute(
            "taper_clearance", {"given": {"designation": number, **SOURCE}, "entries": feelers(0.05, 0.055)}
        )


# 7 and 8 starting tight, sense unknown


@pytest.mark.parametrize("sense", ["adds", "takes"])
@pytest.mark.parametrize("meant", ["play", "preload"])
def test_a_tight_start_says_which_pack_makes_it_loose(sense: str, meant: str) -> None:
    sheet = play(*[0] * 6, given={"sense": sense, "meant": meant})
    assert said(sheet).startswith("Make it loose first. ")
    moved = sum(plates(sheet["move"]["best"])) - 0.9
    assert moved > 0.15 if sense == "adds" else moved < -0.15


def test_with_no_sense_and_no_play_nothing_is_tried() -> None:
    sheet = play(*[0] * 6, given={"sense": "unknown"})
    assert sheet["move"]["best"] is None


@given(st.floats(0.16, 0.6))
def test_the_first_step_of_unknown_sense_is_the_smallest_that_tells(travel: float) -> None:
    read = [travel, travel + 0.004, travel - 0.004, travel, travel + 0.004, travel]
    sheet = play(*read, given={"sense": "unknown"})
    step = abs(sum(plates(sheet["move"]["best"])) - 0.9)
    assert 0.035 <= step <= 0.06
    assert " or " in said(sheet)
    assert "which way it works" in sheet["aside"]


@given(st.floats(0.04, 0.16))
def test_in_the_worse_sense_the_first_step_stops_short_of_harm(travel: float) -> None:
    read = [travel, travel + 0.004, travel - 0.004, travel, travel + 0.004, travel]
    best = play(*read, given={"sense": "unknown", "least": 0.2, "greatest": 0.26})["move"]["best"]
    if best is not None:
        step = abs(sum(plates(best)) - 0.9)
        assert travel - step > 0.2 - 0.03


def test_a_sense_once_learned_is_remembered_and_a_contradiction_is_asked() -> None:
    jobs = [{"setting": f"s{n}", "serial": f"u{n}", "k": -0.97, "se": 0.03} for n in range(3)]
    read = [0.3, 0.305, 0.3, 0.305, 0.3, 0.305]
    known = play(*read, given={"sense": "unknown"}, history=jobs)
    assert sum(plates(known["move"]["best"])) > 0.9 + 0.15
    against = play(*read, given={"sense": "adds"}, history=jobs)
    assert "answered the other way" in against["aside"] + said(against)
    assert abs(sum(plates(against["move"]["best"])) - 0.9) <= 0.06


def test_from_zeros_alone_nothing_is_promised_of_the_next_round() -> None:
    slots = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
    swing = (0.0, 0.003, -0.003, 0.002, -0.002, 0.0)
    entries = [{"slot": s, "value": 0.0, "round": 1} for s in slots] + [
        {"slot": "needle", "value": True, "round": 1}
    ]
    entries += [{"slot": s, "value": 0.25 + e, "round": 2} for s, e in zip(slots, swing, strict=True)]
    acts = [
        {"round": 1, "states": {"pack": [0.5, 0.3, 0.1]}},
        {"round": 2, "states": {"pack": [0.5, 0.5, 0.3, 0.1]}},
    ]
    sheet = compute("shim_pack_end_play", {"given": PLAY, "entries": entries, "acts": acts, "stock": DRAWER})
    strip = next(s for s in sheet["scenes"] if s["type"] == "readout")
    assert strip["lo"] == 0.0
    assert sheet["surprise"] is None
    assert sheet["move"]["best"]["p_in"] > 0.5
