"""Spindle on a taper, drag, thrust nut, deflection, feel, washers, float: each worked with a pencil first."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.advice.one_way import begin, learned_between
from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.gauges import UNKNOWN
from bornek.core.readings import expected_u
from bornek.core.settings.feel_nut import PLAY_SCATTER_MM, PLAYS, band_of
from bornek.core.settings.float_check import read_earlier
from bornek.core.settings.force_line import fit_line
from bornek.core.settings.given import read_given
from bornek.core.settings.nut_lock import pitch_mm, rim_angle_deg
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.uncertainty import expanded
from kinds import run
from rigs import RIGS
from written_cases import CASES, FLOAT, LIFT, NOSE, SCREW, SIDE, THRUST, Case, played

FINE = {"id": "f", "name": "lever", "division": 0.001, "calibration_u": 0.0002}


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def result(sheet: dict[str, Any], key: str) -> dict[str, Any]:
    found: dict[str, Any] = next(r for r in sheet["outcome"]["results"] if r["key"] == key)
    return found


def lines(sheet: dict[str, Any], key: str) -> dict[str, str]:
    return {line["label"]: line["result"] for line in result(sheet, key)["working"]["lines"]}


def nose(first: float = 0.0135, second: float = 0.0165, **more: Any) -> dict[str, Any]:
    """The worked spindle: 0.0135 at 100 N and 0.0165 at 200 N; leave 0.002."""
    given = NOSE | {"least": 0.0, "greatest": 0.004} | more
    entries = [
        {"slot": f"play.{n}.{rep}", "value": v, "confirmed": True}
        for n, v in ((1, first), (2, second))
        for rep in (1, 2)
    ]
    return compute("taper_spindle", {"given": given, "entries": entries, "gauges": [FINE], "gauge": "f"})


def test_the_worked_spindle_takes_up_18_degrees_or_13_9_of_tape() -> None:
    sheet = nose()
    assert result(sheet, "play")["value"]["v"] == pytest.approx(0.00735)
    found = lines(sheet, "play")
    assert found["Play at no force"] == "0.0105"
    assert (found["Nut angle"], found["Tape on the rim"]) == ("18.1°", "13.9 mm")


def test_the_worked_spindle_is_drawn_up_in_stages_and_never_aimed_past_its_edge() -> None:
    best = nose()["move"]["best"]
    assert 8 < best["states"]["nut"]["position"] < 18.1
    assert best["p_harm"] <= 0.01
    assert "of tape on the rim" in "".join(s["text"] for s in best["say"])


def test_a_decimal_that_is_misplaced_is_shown_beside_what_was_read() -> None:
    table = next(s for s in nose()["scenes"] if s["type"] == "table")
    assert [row[1] for row in table["rows"]] == ["0.0735", "0.0073", "0.0007"]
    assert "nothing left" in table["rows"][2][2]


def test_play_at_the_rear_counts_by_its_lever() -> None:
    # (0.0105 · 210 − 0.004 · 90) ÷ 300
    assert result(nose(rear_play=0.004), "play")["value"]["v"] == pytest.approx(0.00615)


def test_a_force_that_does_not_lift_the_nose_is_refused() -> None:
    sheet = nose(weight=120)
    assert "does not lift the nose" in said(sheet)
    assert sheet["move"] is None or sheet["sign_blockers"]


def test_a_nose_past_its_edge_is_driven_back_not_on() -> None:
    sheet = nose(0.0030, 0.0050, least=0.004, greatest=0.009)
    assert sheet["verdict"]["code"] == "out_low"
    assert "driving the ring back" in said(sheet)


@given(st.floats(0.001, 0.05), st.floats(1e-6, 1e-4))
def test_a_straight_line_is_found_again_from_any_three_forces(play: float, slope: float) -> None:
    forces = [50.0, 120.0, 300.0]
    line = fit_line(forces, [play + slope * f for f in forces], 0.001)
    assert line.play.v == pytest.approx(play, abs=1e-9)
    assert line.slope.v == pytest.approx(slope, abs=1e-9)
    assert line.at(0.0).u >= line.at(150.0).u


def test_one_force_twice_is_no_line() -> None:
    with pytest.raises(RangeError, match="two different forces"):
        fit_line([100.0, 100.0], [0.01, 0.012], 0.001)


# drag: 1.8 kgf of seals = 17.65 N


def drag(case: str) -> dict[str, Any]:
    return played(CASES[case])


@pytest.mark.parametrize(
    ("bearings", "newtons", "scale"),
    [("run_in", (35.65, 39.65), "3.64–4.04"), ("new", (51.65, 57.65), "5.27–5.87")],
)
def test_the_worked_drag_windows_rounded_inward(
    bearings: str, newtons: tuple[float, float], scale: str
) -> None:
    typed = {
        "scale": "kgf", "bearings": bearings, "new_least": "34 N", "new_greatest": "40 N", "run_in_least": "18 N",
        "run_in_greatest": "22 N", "source": "card",
    }  # fmt: skip
    entries = [
        {"slot": f"{s}.{n}", "text": t} for s, t in (("seal", "1.8 kgf"), ("drag", "3.8")) for n in (1, 2, 3)
    ]
    sheet = compute("rolling_drag", {"given": typed, "entries": entries})
    window = result(sheet, "drag")["window"]
    assert (window["lo"], window["hi"]) == pytest.approx(newtons, abs=0.01)
    strip = next(s for s in sheet["scenes"] if s["type"] == "readout")
    assert (strip["unit"], strip["window"]["label"]) == ("kgf", scale)
    assert strip["needle"]["label"] == "3.80"


def test_a_torque_limit_is_read_on_the_cord_by_its_radius() -> None:
    typed = {
        "scale": "N", "limit_as": "torque", "radius": 50, "bearings": "new", "new_least": 1.7, "new_greatest": 2.0,
        "source": "card",
    }  # fmt: skip
    entries = [
        {"slot": f"{s}.{n}", "value": v} for s, v in (("seal", 10.0), ("drag", 46.0)) for n in (1, 2, 3)
    ]
    window = result(compute("rolling_drag", {"given": typed, "entries": entries}), "drag")["window"]
    assert (window["lo"], window["hi"]) == pytest.approx((44.0, 50.0))


def test_a_force_limit_is_read_as_torque_by_the_cord_s_radius() -> None:
    """34 to 40 N at 50 mm are 1.7 to 2.0 N·m, and the seals' own 0.5 come on top."""
    typed = {
        "read_as": "torque", "limit_as": "force", "radius": 50, "bearings": "new", "new_least": "34 N", "new_greatest": "40 N",
        "source": "card",
    }  # fmt: skip
    entries = [{"slot": f"{s}.{n}", "value": v} for s, v in (("seal", 0.5), ("drag", 2.3)) for n in (1, 2, 3)]
    window = result(compute("rolling_drag", {"given": typed, "entries": entries}), "drag")["window"]
    assert (window["lo"], window["hi"]) == pytest.approx((2.2, 2.5))


def test_a_drag_like_that_of_the_seals_is_no_load_yet() -> None:
    assert "No load yet" in said(drag("drag-not-loaded"))


def test_a_crush_spacer_past_its_window_is_used_up_and_the_seals_are_read_again() -> None:
    sheet = drag("drag-crushed-past")
    assert "used up" in said(sheet)


# thrust nut: pitch 2, 17 tabs and 4 slots, first lock 2.1° from snug


def test_the_worked_nut_backs_off_to_39_16_for_0_218() -> None:
    sheet = played(CASES["thrust-snug"])
    assert said(sheet).startswith("Back off 39.2°, to 39.16°. Expect 0.218")
    ladder = next(s for s in sheet["scenes"] if s["type"] == "ladder")
    tags = {r["tag"]: r["state"] for r in ladder["rungs"]}
    assert tags["39.16°"] == "move"
    assert tags["44.45°"] == "wanted"


def test_a_rotor_that_lifts_less_than_its_play_is_not_set() -> None:
    sheet = played(Case("thrust_nut", THRUST, ({"lift": 0.25},)))
    assert "guide bearing would carry it" in said(sheet)
    assert sheet["sign_blockers"]


def test_no_movement_while_jacking_stops_and_starts_again() -> None:
    data = {
        "given": THRUST,
        "entries": [{"slot": k, "value": True} for k in ("free", "carrier", "down")]
        + [{"slot": "lift", "value": 0.0}],
    }
    sheet = compute("thrust_nut", data)
    assert sheet["stop"].startswith("No movement while jacking")
    assert sheet["restart_at"] == "free"


def test_it_is_signed_only_when_locked_read_again_and_turned() -> None:
    sheet = played(CASES["thrust-backed-off"])
    assert sheet["verdict"]["code"] == "in"
    assert sheet["sign_blockers"] == []
    assert result(sheet, "end_play")["value"]["v"] == pytest.approx(0.22, abs=0.002)
    short = compute("thrust_nut", {
        "given": THRUST,
        "acts": [{"round": 2, "states": {"nut": 39.16}}],
        "entries": [{"slot": f"travel.{n}", "value": 0.22, "round": 2} for n in (1, 2)],
    })  # fmt: skip
    assert "Still to read: Lock the nut" in " ".join(short["sign_blockers"])


def test_threads_per_inch_and_a_distance_on_the_rim_mean_the_same_nut() -> None:
    assert pitch_mm({"thread": "tpi", "tpi": 12.7}) == pytest.approx(2.0)
    assert rim_angle_deg(math.pi * 88 * 2.1 / 360, 88) == pytest.approx(2.1)


# deflection, feel, washers, float


def test_play_left_under_a_lift_is_told_and_gone_play_proves_the_preload() -> None:
    loose = played(CASES["lift-soft"])
    # 0.010 at 150 and 0.0165 at 300: 0.0035 at none, 0.0433 µm a N
    assert result(loose, "play")["value"]["v"] == pytest.approx(0.0035, abs=4e-4)
    assert result(loose, "play")["verdict"]["code"] == "out_high"
    stiff = ({"lift.1": (0.0049, 0.0), "lift.2": (0.0098, 0.0)},)
    tight = played(Case("lift_deflection", LIFT, stiff))
    play = result(tight, "play")
    assert play["verdict"]["code"] == "in"
    assert play["verdict"]["margin"] == pytest.approx(2 * play["value"]["u"] - play["value"]["v"])
    assert float(lines(tight, "deflection")["Stiffness"].split()[0]) == pytest.approx(150 / 4.9, rel=0.05)


def test_too_much_drag_overrules_a_stiff_spindle() -> None:
    case = Case(
        "lift_deflection", LIFT | {"drag_most": 1.0},
        ({"lift.1": (0.0049, 0.0), "lift.2": (0.0098, 0.0), "drag": 1.6},),
    )  # fmt: skip
    assert "drags too much" in said(played(case))


def test_a_good_axis_teaches_its_band() -> None:
    # 2.0, 2.1, 2.2: sd 0.1, 2·0.1·√(4/3) = 0.231 < 15 % of 2.1
    assert band_of([2.0, 2.1, 2.2]) == pytest.approx((2.1 * 0.85, 2.1 * 1.15))
    with pytest.raises(InputError, match="at least 3"):
        band_of([2.0, 2.1])


def test_half_the_time_is_twice_the_drag() -> None:
    sheet = played(Case("feel_nut", SCREW, ({"spin": (1.05, 0.0), "play": (0.004, 0.001), "lump": "even"},)))
    assert lines(sheet, "spin")["Drag"].startswith("2.00 times")
    assert sheet["verdict"]["code"] == "out_low"


@pytest.mark.parametrize(("slowest", "asked"), [("2.79", False), ("2.81", True)])
def test_flicks_that_differ_by_more_than_two_fifths_are_asked_for_again(slowest: str, asked: bool) -> None:
    seen = {"spin.1": "2.0", "spin.2": "2.1", "spin.3": slowest, "play": (0.004, 0.0), "lump": "even"}
    checks = played(Case("feel_nut", SCREW, (seen,)))["outcome"]["checks"]
    assert any("The flicks differ from 2.0 to 2.8 s" in c["sentence"] for c in checks) == asked


def test_a_finer_gauge_is_wanted_where_it_cannot_tell_the_play_that_is_allowed() -> None:
    usual = expanded(expected_u(UNKNOWN, "travel", PLAY_SCATTER_MM, PLAYS))
    kind = find_kind("feel_nut")

    def brief(most: float) -> tuple[str, ...]:
        return tuple(kind.brief(Context(given={**read_given(kind, dict(SCREW)), "play_most": most})))

    assert "a finer gauge is wanted" not in brief(usual)
    assert "a finer gauge is wanted" in brief(0.999 * usual)


def test_a_lump_is_tapped_out_before_any_nut_is_turned() -> None:
    sheet = played(CASES["screw-lump"])
    assert "tap the block" in said(sheet)
    assert sheet["sign_blockers"]


def test_a_washer_thicker_by_the_gap_that_is_too_much() -> None:
    sheet = played(CASES["side-wide"])
    # 2.50 + (0.425 − 0.275) = 2.65; the shelf has 2.60 and 2.70
    assert lines(sheet, "gap")["Washer wanted"] == "2.650"
    assert "Swap the 2.50 for a" in said(sheet)


def test_where_no_washer_brings_it_in_the_faces_are_measured() -> None:
    notes = " ".join(c["sentence"] for c in played(CASES["side-worn"])["outcome"]["checks"])
    assert "Measure the washer and the gear faces" in notes
    assert SIDE["greatest"] == 0.35


def test_the_worked_wear_acts_before_the_limit() -> None:
    sheet = played(CASES["float-trend"])
    assert "Inside its limits" in said(sheet)
    assert "Act before" in said(sheet)
    assert lines(sheet, "radial")["Of the allowance"] == "62%"
    assert "Beyond the limit: radial float" in said(played(CASES["float-beyond"]))


def test_a_limit_that_is_far_beyond_what_was_watched_has_no_date() -> None:
    """Some 7 µm in 1000 h leave 3.2 mm for half a million hours: 6000 were watched, not before 30,000 is all."""
    far = Case("float_check", FLOAT | {"axial": 3.5}, ({"axial": (0.25, 0.002), "radial": (0.111, 0.001)},))
    sheet = played(far)
    assert lines(sheet, "axial")["Told"] == ""
    told = {line["label"]: line["sum"] for line in result(sheet, "axial")["working"]["lines"]}
    assert told["Told"] == "Not before five times the span that was watched."
    assert "Limit met in" not in told and "Wear" in told
    log = next(s for s in sheet["scenes"] if s["type"] == "log" and "xial" in s["label"])
    assert "limit met" not in [r["label"] for r in log["rows"]]


@pytest.mark.parametrize("line", ["2000 0.05", "soon 0.05 0.03", "2000 a lot 0.03"])
def test_an_inspection_that_cannot_be_read_says_which_line(line: str) -> None:
    data = {
        "given": FLOAT | {"earlier": ["0 0.2 0.05", line]},
        "entries": [{"slot": "axial.1", "value": 0.2}],
    }
    with pytest.raises(InputError, match="Earlier inspection 2"):
        compute("float_check", data)


# what cannot be taken back, played by the benchmark's own rigs


@pytest.mark.parametrize("number", range(len(RIGS)), ids=[r.name for r in RIGS])
def test_simulated_units_are_brought_in_and_none_is_left_standing(number: int) -> None:
    games = run(0, 12, number, "advisor")
    assert all(g.solved for g in games)
    assert sum(g.harm for g in games) <= 1
    assert max(g.moves for g in games) <= 5


def test_brackets_are_learned_as_brackets_by_a_ring_that_only_goes_onward() -> None:
    """Between 0.09 and 0.10 is no reading of 0.095: half of it is left as doubt."""
    wide = learned_between(begin(1.0, 0.1), -50.0, 50.0, 1.0)
    narrow = learned_between(begin(1.0, 0.1), -5.0, 5.0, 1.0)
    assert math.sqrt(wide.p[0, 0, 0]) == pytest.approx(100 / math.sqrt(12), rel=0.02)
    assert wide.p[0, 0, 0] > 20 * narrow.p[0, 0, 0]


# a whole round in the wrong unit: no reading of it has a peer, what gives is the same bar on the same shaft

LINES = {
    "taper_spindle": (NOSE | {"force_1": 100, "force_2": 200}, "play", (0.0105, 3e-5)),
    "lift_deflection": (LIFT, "lift", (0.0035, 4.3e-5)),
}


def slopes_told(kind: str, *scales: float) -> list[str]:
    """What is asked about the slope after rounds of the same true readings, each written `scale` times."""
    given, slot, (play, per_newton) = LINES[kind]
    forces = (given["force_1"], given["force_2"])
    entries = [
        {
            "slot": f"{slot}.{n}.{rep}",
            "value": round((play + per_newton * force) * scale, 6),
            "round": number,
            "confirmed": True,
        }
        for number, scale in enumerate(scales, 1)
        for n, force in enumerate(forces, 1)
        for rep in (1, 2)
    ]
    acts = [{"round": number, "states": {"nut": 3.0 * (number - 1)}} for number in range(1, len(scales) + 1)]
    sheet = compute(kind, {"given": given, "entries": entries, "acts": acts, "gauges": [FINE], "gauge": "f"})
    return [c["sentence"] for c in sheet["outcome"]["checks"] if c["code"] == "slope"]


@pytest.mark.parametrize("kind", LINES)
@pytest.mark.parametrize("scale", [0.1, 10.0, 1 / 25.4, 25.4])
def test_a_round_in_another_unit_is_seen_in_its_slope(kind: str, scale: float) -> None:
    (told,) = slopes_told(kind, 1.0, scale)
    assert "in round 1 it was" in told and "Read all forces again" in told
    assert (
        slopes_told(kind, 1.0, scale, scale) == []
    )  # read again and the same: the first round was the wrong one


@pytest.mark.parametrize("kind", LINES)
def test_what_gives_may_halve_as_the_bearing_tightens(kind: str) -> None:
    assert slopes_told(kind, 1.0, 0.5) == []


@pytest.mark.parametrize("hours", ["nan", "inf", "-5", "2e6", "soon"])
def test_an_earlier_inspection_without_a_time_is_refused_with_what_to_write(hours: str) -> None:
    with pytest.raises(InputError, match="running hours like 2000"):
        read_earlier(f"{hours} 0.05 0.03", "hours", "mm")


def test_a_good_axis_that_scatters_teaches_a_band_as_wide_as_one_more_time_may_lie() -> None:
    """1.4, 2.0, 2.6: s = 0.6, 2 · 0.6 · √(1 + 1/3) = 1.386 about 2.0."""
    assert band_of([1.4, 2.0, 2.6]) == pytest.approx((0.6144, 3.3856), abs=1e-4)
    assert band_of([2.0, 2.0, 2.0]) == pytest.approx((1.7, 2.3))
