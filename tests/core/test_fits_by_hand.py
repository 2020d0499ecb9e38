"""Fits against cases worked by hand: the sums of a card, and what is refused."""

from __future__ import annotations

import csv
import math
from importlib import resources
from typing import Any

import pytest

import bornek.core.tables as tables
from bornek.core.errors import InputError, RangeError, UnitError
from bornek.core.fits.answer import Answer, ask
from bornek.core.fits.bolt_table import bolt, torque_n_m
from bornek.core.fits.materials import growth_mm, materials, strain
from bornek.core.fits.press_fit import PushPoint, Seat, judge_push
from bornek.core.phrases import text_of
from bornek.core.quantities import parse
from bornek.core.tables.bearing_marks import read_mark
from bornek.core.windows import Normal
from bornek.services.shop.sums import find_sum, sum_names

STEEL = materials()["carbon_steel"]
HUB = {"d": "140", "interference": "0.098"}
HEAT = HUB | {"entering": "0.070"}
SEAT = HUB | {"outside": "240", "length": "100"}
SHAFT = {"shaft_a1": "140.112", "shaft_a2": "140.113", "shaft_b1": "140.112", "shaft_b2": "140.111",
         "shaft_c1": "140.111", "shaft_c2": "140.112"}  # fmt: skip
BORE = {"bore_a1": "140.014", "bore_a2": "140.015", "bore_b1": "140.014", "bore_b2": "140.014", "bore_c1": "140.013",
        "bore_c2": "140.014"}  # fmt: skip
SIZES = {"nominal": "140", "shaft_fit": "s6", "bore_fit": "H7"} | SHAFT | BORE


def reckon(kind: str, said_in: str = "mm", **given: str) -> Answer:
    asked = ask(find_sum(kind), given, said_in)
    assert asked.answer is not None, (asked.problems, asked.missing)
    return asked.answer


def value(answer: Answer, key: str) -> float:
    result = answer.outcome.result(key)
    assert result is not None and isinstance(result.value, Normal), key
    return result.value.v


def words(answer: Answer) -> str:
    return text_of(answer.say)


def problem(kind: str, **given: str) -> dict[str, str]:
    return dict(ask(find_sum(kind), given, "mm").problems)


def test_a_hollow_ram_of_63_over_30_at_40_mpa_pushes_96_4_kn_or_10_84_short_tons() -> None:
    a = reckon("fit_ram", ram="63", hole="30", reading="40")
    assert value(a, "push") == pytest.approx(96.4e3, abs=50)
    assert "10.84 short" in words(a)
    assert math.pi / 4 * (6.3**2 - 3.0**2) == pytest.approx(24.10, abs=0.005)


def test_900_newton_metres_on_1_2_m_are_750_newton_and_want_a_multiplier() -> None:
    a = reckon("fit_nut", torque="900 N·m", lever="1.2 m")
    assert value(a, "pull") == 750
    assert words(a) == "900 N·m on 1.2 m is 750 N: take a torque multiplier or the hydraulic way."
    assert words(reckon("fit_nut", torque="500 N·m", lever="1.2 m")) == "500 N·m on 1.2 m is 417 N: by hand."


def test_a_hub_of_140_with_0_098_wants_123_degrees_and_in_dry_ice_12_kelvin_more_than_room() -> None:
    alone = reckon("fit_heat", **HEAT)
    assert value(alone, "hub_c") == pytest.approx(20 + 0.168 / (11.7e-6 * 140), abs=0.01)
    assert words(alone) == (
        "Heat the hub to 123 °C. It grips at 80 °C. Be home before 101 °C; once it touches the shaft you have seconds."
    )
    cold = reckon("fit_heat", **HEAT, cooler="dry_ice")
    assert growth_mm(STEEL, 140, 20, -78) == pytest.approx(-0.148, abs=0.0005)
    assert value(cold, "hub_c") - 20 == pytest.approx(12, abs=0.5)


def test_cold_steel_shrinks_1_06_and_1_99_per_mille_and_not_by_a_constant() -> None:
    assert 1000 * strain(STEEL, -78) == pytest.approx(-1.06, abs=0.005)
    assert 1000 * strain(STEEL, -196) == pytest.approx(-1.99, abs=0.005)
    assert pytest.approx(2.53, abs=0.01) == 1000 * 11.7e-6 * 216


def test_what_is_too_hot_for_a_bearing_is_refused_with_the_cold_that_does_it() -> None:
    a = reckon("fit_heat", **HEAT, hub_is="bearing")
    assert a.outcome.verdict.code == "out_high"
    assert words(a).startswith(
        "Not so: it would take 123 °C, and 110 °C is the most. With the shaft in a freezer 85 °C"
    )
    ring = reckon("fit_heat", **HEAT, cooler="nitrogen", shaft_is="ring")
    assert "a bearing ring not below −50 °C" in words(ring)


def test_lames_press_of_140_in_240_by_100() -> None:
    a = reckon("fit_press", **SEAT)
    assert value(a, "pressure") == pytest.approx(47.6, abs=0.05)
    assert value(a, "force") == pytest.approx(251e3, abs=500)
    assert value(a, "torque") == pytest.approx(17.6e3, abs=50)
    assert value(a, "hoop") == pytest.approx(96.6, abs=0.05)
    assert value(a, "stress") == pytest.approx(144, abs=0.5)


def test_the_hub_that_would_yield_is_stopped() -> None:
    a = reckon("fit_press", **SEAT, yield_mpa="180", safety="1.3")
    assert [c.severity for c in a.checks] == ["stop"]
    assert 144.3 > 180 / 1.3
    assert reckon("fit_press", **SEAT, yield_mpa="250").checks == ()


def test_a_solid_disc_pressed_into_the_same_metal_sits_at_half_of_e_times_its_share() -> None:
    """A solid shaft in an endless body of its own metal: p = E δ / (2 d)."""
    endless = Seat(100, 1e6, 0, 50, STEEL, STEEL)
    assert endless.pressure(0.05) == pytest.approx(206_000 * 0.05 / (2 * 100), rel=1e-6)


def test_interference_of_six_readings_each_is_in_h7_s6() -> None:
    a = reckon("fit_interference", **SIZES)
    assert value(a, "interference") == pytest.approx(140.0 + 0.671 / 6 - (140.0 + 0.084 / 6), abs=1e-9)
    window = a.outcome.results[0].window
    assert window is not None and (window.lo, window.hi) == (0.052, 0.117)
    assert a.outcome.verdict.code == "in"
    assert value(a, "oval_shaft") == pytest.approx(0.001, abs=1e-9)
    assert value(a, "taper_shaft") == pytest.approx(0.001, abs=1e-9)


def test_a_seat_out_of_its_fit_goes_back_to_inspect() -> None:
    worn = dict.fromkeys(SHAFT, "140.030")
    a = reckon("fit_interference", **(SIZES | worn))
    assert a.outcome.verdict.code == "out_low"
    assert "too loose: it would turn on its seat. Back to Inspect" in words(a)
    assert [s.text for s in a.say if s.move] == ["Back to Inspect"]


def test_a_bore_gauged_warm_is_taken_back_to_twenty_degrees() -> None:
    warm = value(reckon("fit_interference", **SIZES, bore_c="40"), "interference")
    assert warm - value(reckon("fit_interference", **SIZES), "interference") == pytest.approx(
        140 * 11.7e-6 * 20, abs=1e-5
    )


@pytest.mark.parametrize(
    ("given", "field", "why"),
    [
        ({"shaft_fit": "s6"}, "bore_fit", "One class alone gives no fit."),
        ({"shaft_fit": "S6", "bore_fit": "H7"}, "shaft_fit", "small letters are for the shaft"),
        ({"shaft_fit": "s6", "bore_fit": "H77"}, "fit", "H77"),
        ({"shaft_a1": "139"}, "", "140"),
        ({"bore_a1": "120"}, "bore_a1", "must be 137.2 to 142.8 (got 120)"),
    ],
)
def test_what_makes_no_fit_is_said(given: dict[str, str], field: str, why: str) -> None:
    base = {"nominal": "140"} | SHAFT | BORE
    asked = ask(find_sum("fit_interference"), base | given, "mm")
    if field == "":
        assert asked.answer is not None and asked.answer.checks
    else:
        assert why in " ".join(asked.problems.values())


def test_bolts_of_the_table_come_to_its_torques() -> None:
    text = resources.files(tables).joinpath("bolt_torque.csv").read_text(encoding="utf-8")
    rows = list(csv.DictReader(text.splitlines()))
    assert len(rows) > 60
    for r in rows:
        b = bolt(r["thread"], r["class"])
        assert b.preload_n() / 1000 == pytest.approx(float(r["preload_75pct_proof_kN"]), rel=3e-4, abs=0.006)
        for k, column in ((0.20, "torque_K0.20_dry_Nm"), (0.16, "torque_K0.16_lub_Nm")):
            assert torque_n_m(b.preload_n(), b.d_mm, k) == pytest.approx(float(r[column]), rel=2e-3, abs=0.06)


def test_m16_of_8_8_dry_is_218_in_three_rounds_and_oiled_a_fifth_less() -> None:
    dry = reckon("fit_bolts", thread="M16", grade="8.8")
    assert words(dry) == "8 bolts to 218 N·m: 65 N·m, 155 N·m, then the whole."
    oiled = reckon("fit_bolts", thread="M16", grade="8.8", lubrication="0.16")
    assert value(oiled, "torque") == pytest.approx(0.8 * value(dry, "torque"), rel=1e-9)


def test_a_card_that_is_far_from_the_table_is_asked_about() -> None:
    a = reckon("fit_bolts", thread="M16", grade="8.8", given_torque="95 N·m")
    assert "The card says 95 N·m, the table 218 N·m" in a.checks[0].sentence
    assert value(a, "torque") == 95
    assert value(a, "preload") == pytest.approx(95 / (0.20 * 0.016), rel=1e-3)


def test_bolts_to_yield_are_marked_at_snug_and_used_once() -> None:
    a = reckon("fit_bolts", way="yield", snug="60 N·m", angle="90")
    assert words(a) == "Snug to 60 N·m, mark, then turn 8 bolts by 90° in the same order."
    assert any("new bolts each time" in c.sentence for c in a.checks)


def test_a_left_hand_thread_and_a_long_pull_are_told() -> None:
    a = reckon("fit_bolts", thread="M24", grade="10.9", left_hand="yes", lever="1000")
    assert {c.code for c in a.checks} == {"left_hand", "multiplier"}
    assert words(a).endswith("left-hand thread.")


def test_a_wrench_with_an_extension_is_set_lower() -> None:
    assert (
        words(reckon("fit_extension", torque="400", wrench="600", extension="200"))
        == "Set 300 N·m for 400 N·m at the nut."
    )
    square = reckon("fit_extension", torque="400", wrench="600", extension="200", angle="90")
    assert value(square, "set") == pytest.approx(400)
    back = problem("fit_extension", torque="400", wrench="100", extension="200", angle="180")
    assert back["extension"].startswith("The extension folds back over the whole wrench.")


@pytest.mark.parametrize(
    ("torque", "code"), [("60", "wrench_range"), ("300", "wrench_range"), ("30", "wrench_range"), ("120", "")]
)
def test_a_wrench_out_of_its_range_or_in_its_lowest_fifth_is_asked_about(torque: str, code: str) -> None:
    a = reckon(
        "fit_extension", torque=torque, wrench="600", extension="1", wrench_least="40", wrench_greatest="200"
    )
    assert [c.code for c in a.checks] == ([code] if code else [])


def test_a_tapers_drive_up_grips_a_twelfth_of_itself() -> None:
    a = reckon(
        "fit_taper",
        taper="12",
        before="14.2",
        after="13.0",
        least_travel="1.0",
        greatest_travel="1.4",
        source="card",
    )
    assert value(a, "travel") == pytest.approx(1.2)
    assert value(a, "grip") == pytest.approx(0.1)
    short = reckon(
        "fit_taper",
        taper="12",
        before="14.2",
        after="13.5",
        least_travel="1.0",
        greatest_travel="1.4",
        source="card",
    )
    assert "push on by 0.50 mm" in words(short)


def test_a_taper_that_comes_to_the_hubs_face_is_worn() -> None:
    a = reckon("fit_taper", before="1.0", after="-0.1")
    assert words(a) == "The taper comes to the hub's face: worn, reject hub or taper."
    assert "cannot stand further out" in problem("fit_taper", before="1.0", after="2.0")["after"]


def test_the_ring_with_the_tight_fit_is_pushed() -> None:
    assert (
        words(reckon("fit_ring", bore="50", outside="90"))
        == "Push the inner ring, by a sleeve 50.30 inside and 58.00 mm outside."
    )
    assert "both rings" in words(reckon("fit_ring", tight="both", bore="50", outside="90"))
    assert "must be larger" in problem("fit_ring", bore="90", outside="50")["outside"]


def test_the_red_line_is_the_weakest_of_ram_and_what_carries_it() -> None:
    given = {"ram": "80", "force": "251 kN", "rated_pressure": "70 MPa"}
    area = math.pi / 4 * 80**2
    assert value(reckon("fit_ram", **given), "gauge") == pytest.approx(251e3 / area, rel=1e-6)
    weak = reckon("fit_ram", **given, weak="eye", weak_force="200 kN")
    assert "Past the red line of an eye" in words(weak)
    assert value(weak, "red") == pytest.approx(200e3 / area, rel=1e-6)
    over = reckon("fit_ram", ram="80", rated_pressure="70", reading="71")
    assert words(over) == "Let off now: past the red line of the ram's rated pressure."


def test_a_gauge_in_bar_or_psi_takes_bare_numbers_in_its_own_unit() -> None:
    bar = reckon("fit_ram", ram="63", hole="30", unit="bar", reading="400", rated_pressure="700")
    psi = reckon("fit_ram", ram="63", hole="30", unit="psi", reading="5801.5", rated_pressure="10000")
    assert value(bar, "push") == pytest.approx(96.4e3, abs=50)
    assert value(psi, "push") == pytest.approx(96.4e3, abs=50)


def test_every_ton_is_asked_for_by_name() -> None:
    assert parse("10.84 short tons", "force").value == pytest.approx(96.4e3, abs=50)
    assert parse("1 long ton", "force").value == pytest.approx(9964, abs=0.1)
    assert parse("1 metric ton", "force").value == pytest.approx(9806.65)
    with pytest.raises(UnitError) as refused:
        parse("10 tons", "force")
    assert "metric ton (9.807 kN), short ton (8.896 kN) or long ton (9.964 kN)" in refused.value.next_step


def test_points_of_a_push_tell_a_burr_and_a_loose_fit_in_time() -> None:
    seat = Seat(140, 240, 0, 100, STEEL, STEEL)
    low, high = 126e3, 418e3
    good = [PushPoint(x, 2.5e3 * x) for x in (20, 40, 60, 80, 100)]
    assert judge_push(seat, low, high, good) == ""
    assert judge_push(seat, low, high, [*good[:2], PushPoint(45, 260e3)]).startswith("Stop: 260 kN at 45 mm")
    assert judge_push(seat, low, high, [PushPoint(50, 30e3)]).startswith("Too easy: 30.0 kN at 50 mm")


@pytest.mark.parametrize(
    ("bad", "field"), [({"outside": "130"}, "outside"), ({"shaft_bore": "150"}, "shaft_bore")]
)
def test_a_seat_that_cannot_be_is_refused_at_its_field(bad: dict[str, str], field: str) -> None:
    assert list(problem("fit_press", **(SEAT | bad))) == [field]


@pytest.mark.parametrize("name", [s.kind for s in sum_names()])
def test_every_field_answers_nonsense_in_words_and_asks_for_what_is_missing(name: str) -> None:
    kind = find_sum(name)
    fields = [f for f in kind.form({}) if f.quantity not in ("text", "lines")]
    for f in fields:
        asked = ask(kind, {f.key: "a lot"}, "mm")
        assert asked.answer is None and f.key in asked.problems, f.key
        assert len(asked.problems[f.key]) > 20
        if f.quantity not in ("choice",) and f.hi is not None:
            assert f.key in ask(kind, {f.key: str(f.hi * 10 + 1)}, "mm").problems, f.key
    required = {f.label for f in kind.form({}) if f.required and f.default is None}
    assert required <= set(ask(kind, {}, "mm").missing)
    assert kind.cautions and kind.cautions[-1].startswith("The maker's manual")


@pytest.mark.parametrize("t_c", [-197, 401])
def test_a_temperature_beyond_the_table_is_refused(t_c: float) -> None:
    with pytest.raises(RangeError):
        strain(STEEL, t_c)


def test_thou_are_understood_and_said() -> None:
    given: dict[str, Any] = {"d": "5.5 in", "interference": "3.9", "entering": "2.8"}
    a = reckon("fit_heat", said_in="thou", **given)
    assert value(a, "hub_c") == pytest.approx(20 + (3.9 + 2.8) * 0.0254 / (11.7e-6 * 139.7), abs=0.1)
    assert any("thou" in line.result for line in a.outcome.results[0].working.lines)


def test_a_gauge_with_several_scales_is_read_on_this_rams() -> None:
    ram = {"ram": "80", "force": "100 kN", "rated_pressure": "70"}

    def checks(scales: str) -> list[str]:
        return [c.sentence for c in reckon("fit_ram", **ram, scales=scales).checks]

    assert checks("20\n50.3\n78") == ["Read the scale for 50.3 cm²: it is this ram's."]
    assert checks("20\n78")[0].startswith("None of its scales is this ram's (50.3 cm²)")
    assert "Scales:" in problem("fit_ram", **ram, scales="large")["scales"]


def test_a_key_that_is_not_in_by_what_it_must_stops_the_seat() -> None:
    short = reckon("fit_taper", key_engaged="20", key_least="35", source="card")
    assert [c.code for c in short.checks] == ["key"]
    assert reckon("fit_taper", key_engaged="40", key_least="35", source="card").checks == ()


def test_the_yards_own_oven_and_freezer_hold_for_their_reach() -> None:
    weak = reckon("fit_heat", **HEAT, heater_c="110 °C")
    assert weak.outcome.verdict.code == "out_high" and "110 °C is the most" in words(weak)
    cold = reckon("fit_heat", **HEAT, cooler="freezer", cooler_c="-40 °C", hub_is="bearing")
    assert value(cold, "hub_c") < value(reckon("fit_heat", **HEAT, cooler="freezer"), "hub_c")


def test_a_tapered_bearing_of_80_end_play_loses_90_to_its_fit() -> None:
    a = reckon("fit_left", sort="two_row", unmounted="0.080", inner="0.030", angle="15")
    assert value(a, "left") == pytest.approx(-0.010, abs=0.0005)
    assert words(a).startswith("About 0.010 mm of preload is left.")
    radial = reckon("fit_left", unmounted="0.045", inner="0.030", outer="-0.010")
    assert value(radial, "left") == pytest.approx(0.045 - 0.8 * 0.030)


def test_what_settles_is_tightened_again() -> None:
    assert any(
        "Re-torque after it has settled" in c.sentence for c in reckon("fit_bolts", settles="yes").checks
    )


def test_a_travel_beyond_the_seat_is_told_and_not_cut_off() -> None:
    seat = Seat(140, 240, 0, 100, STEEL, STEEL)
    assert judge_push(seat, 126e3, 418e3, [PushPoint(450, 100e3)]).startswith(
        "450 mm is more than the seat is long"
    )


def bore(**typed: Any) -> Any:
    return ask(find_sum("bearing_bore"), typed, "mm")


@pytest.mark.parametrize(
    ("mark", "size", "sort"),
    [("6204", 20, "ball"), ("6308", 40, "ball"), ("22218", 90, "spherical"), ("23096 K", 480, "spherical_taper"),
     ("230/500", 500, "spherical"), ("62/22", 22, "ball"), ("608", 8, "ball"), ("NU 2310", 50, "cylindrical"),
     ("24124 CCK30/C3", 120, "spherical_taper")],
)  # fmt: skip
def test_bores_are_read_from_marks(mark: str, size: float, sort: str) -> None:
    read = read_mark(mark)
    assert (read.bore_mm, read.sort) == (size, sort)


@pytest.mark.parametrize("mark", ["LM 501349", "31594/31520", "HM 88649"])
def test_an_inch_number_is_no_bore_code(mark: str) -> None:
    with pytest.raises(InputError, match="inch"):
        read_mark(mark)


def test_a_bore_shows_its_groups_and_where_what_was_measured_lies() -> None:
    found = bore(designation="22218 EK/C3", goes="0.07", stops="0.08").answer
    groups = next(s for s in found.scenes if s.type == "groups")
    assert [r.name for r in groups.rows] == ["C2", "CN", "C3", "C4", "C5"]
    assert {r.name: r.code for r in groups.rows}["C2"] == "in"
    assert [r.name for r in groups.rows if r.stamped] == ["C3"]
    assert "lies in C2; stamped is C3" in found.outcome.instruct
    assert "ric_spherical_tapered_bore, bore over 80 to 100 mm" in found.aside


@pytest.mark.parametrize(("sort", "size"), [("ball", "1.5"), ("spherical", "1000"), ("cylindrical", "900")])
def test_a_bore_outside_its_table_is_refused_with_the_range(sort: str, size: str) -> None:
    asked = bore(bore=size, sort=sort)
    assert asked.answer is None
    assert any("outside table" in why for why in asked.problems.values())
