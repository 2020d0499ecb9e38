"""Worm and wheel, sectors in eccentric covers, spur pairs: by hand, through the application's own sheet."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.mesh.cover import holes_of
from bornek.core.mesh.spur import centre_mm, lash_by_centre_mm, runout_of_lash_mm, squeezed_lash_mm
from bornek.core.mesh.worm import (
    at_wheel_deg,
    eccentric_shift_mm,
    float_at_handle_deg,
    lash_per_apart,
    length_at_mm,
)
from bornek.core.scenes import HoleRing
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Setting
from bornek.core.settings.records import Context, Entry, Scalar
from bornek.core.settings.registry import find_kind
from bornek.core.settings.worm_read import tightest_before
from bornek.core.units.checks import check_definition
from bornek.core.units.definition import read_definition
from bornek.core.units.known import give_known, known_words, unit_facts
from bornek.demo.yard import TYPES
from written_cases import CASES, SECTORS, SPUR, WORM, WORM_READ, Case, played

UNITS = {key: read_definition(d) for key, _, d in TYPES}


def value(sheet: dict[str, Any], key: str) -> float:
    found = next(r for r in sheet["outcome"]["results"] if r["key"] == key)["value"]
    return float(found["v"])


def say(sheet: dict[str, Any]) -> str:
    return "".join(s["text"] for s in sheet["say"])


# Worm and wheel.
def test_eight_degrees_of_a_sixty_to_one_head_by_hand() -> None:
    wheel = at_wheel_deg(8.0, 60)
    assert wheel * 60 == pytest.approx(8.0)
    assert length_at_mm(wheel, 125) == pytest.approx(0.2909, abs=1e-4)


def test_the_worms_float_is_taken_off_and_the_tightest_place_judged() -> None:
    """0.023 of float on a lead of 7.854 is 1.054° of the handle; the least of 9.5, 10.1, 8.9, 9.8 is 8.9."""
    sheet = played(Case("worm_lash", WORM, (WORM_READ | {"lash": (9.5, 0.6)},), ({"carrier": 86.0},)))
    float_deg = float_at_handle_deg(0.02325, 7.854)
    tight = min(9.5 + s * 0.6 for s in (0.0, 1.0, -1.0, 0.5)) - float_deg
    assert value(sheet, "lash") * 60 == pytest.approx(tight / 90 * 60, abs=0.02)
    assert value(sheet, "arc") == pytest.approx(200 * math.radians(tight / 90), abs=5e-4)


def test_said_to_be_in_it_the_float_is_neither_asked_nor_taken_off() -> None:
    given_in = {k: v for k, v in WORM.items() if k != "lead"} | {"float": "included"}
    sheet = played(Case("worm_lash", given_in, ({"lash": (9.5, 0.6), "feel": "free"},), ({"carrier": 86.0},)))
    assert not any(c["slot"].startswith("float") for c in sheet["cells"])
    assert value(sheet, "lash") * 60 == pytest.approx(8.9 / 90 * 60, abs=1e-6)


@pytest.mark.parametrize(
    ("limit_as", "ends", "expected"),
    [("handle", ("1.5", "4.5"), 3.0), ("length", ("0.05", "0.15"), 200 * math.radians(3 / 90))],
)
def test_the_same_lost_motion_in_each_way_of_saying_the_limit(
    limit_as: str, ends: tuple[str, str], expected: float
) -> None:
    asked = WORM | {"limit_as": limit_as, "least": ends[0], "greatest": ends[1], "float": "included"}
    asked.pop("lead")
    sheet = played(Case("worm_lash", asked, ({"lash": (3.0, 0.0), "feel": "free"},), ({"carrier": 86.0},)))
    assert value(sheet, "lash") == pytest.approx(expected, rel=1e-6)
    assert sheet["verdict"]["code"] == "in"


def test_the_move_turns_the_eccentric_by_its_geometry() -> None:
    """From 86° at 5.63 arc minutes to the middle, 2: the axes go 5.45/33.4 mm nearer, 1.5·(cos 80.5° − cos 86°)."""
    sheet = played(CASES["worm-loose"])
    there = sheet["move"]["best"]["states"]["carrier"]["position"]
    moved = eccentric_shift_mm(1.5, there, 0.0) - eccentric_shift_mm(1.5, 86.0, 0.0)
    per_mm = lash_per_apart(20.0) * math.degrees(1 / 112.5) * 60
    assert value(sheet, "lash") * 60 + moved * per_mm == pytest.approx(2.0, abs=0.4)


def test_read_before_clamping_the_number_is_owed_again_clamped() -> None:
    first = ({"carrier": 86.0}, {"carrier": 80.0})
    sheet = played(Case("worm_lash", WORM, (WORM_READ | {"lash": (9.5, 0.6)}, {"snug": "5.0"}), first), 8)
    assert sheet["next"] == "lash.1" and sheet["verdict"]["code"] == "read_again"
    assert "Clamp the carrier to its final tightness" in next(
        c["posture"] for c in sheet["cells"] if c["slot"] == "lash.1"
    )
    assert any("Still to read" in b for b in sheet["sign_blockers"])


def test_what_the_clamp_adds_is_told_after_two_clampings_and_not_before() -> None:
    once = played(
        Case("worm_lash", WORM, CASES["worm-clamped-twice"].answers[:2], CASES["worm-clamped-twice"].acts[:2])
    )
    assert not any(r["key"] == "clamp" for r in once["outcome"]["results"])
    twice = played(CASES["worm-clamped-twice"])
    assert value(twice, "clamp") == pytest.approx(-0.65, abs=0.06)
    assert any("The clamp takes off" in c["sentence"] for c in twice["outcome"]["checks"])


@pytest.mark.parametrize(
    ("slot", "words"),
    [("out", "disengaged position"), ("small", "still on the tray")],
    ids=["in mesh", "on the tray"],
)
def test_put_together_at_mesh_or_with_a_part_on_the_tray_it_stops(slot: str, words: str) -> None:
    data = {
        "given": WORM | {"first": "apart"},
        "acts": [{"round": 1, "states": {"carrier": 86.0}}],
        "entries": [{"slot": slot, "value": False}],
    }
    sheet = compute("worm_lash", data)
    assert words in sheet["stop"] and sheet["verdict"]["code"] == "not_read"


def test_crunchy_is_not_set_any_tighter_whatever_the_number_says() -> None:
    sheet = played(CASES["worm-crunchy"])
    assert say(sheet).startswith("It is crunchy") and sheet["move"] is None
    assert sheet["sign_blockers"]


def test_a_wheel_that_is_loose_in_one_place_is_not_closed_up_there() -> None:
    sheet = played(
        Case("worm_lash", WORM | {"float": "included"},
             ({"lash.1": "3.0", "lash.2": "3.2", "lash.3": "6.0", "lash.4": "3.5", "feel": "free"},), ({"carrier": 86.0},))
    )  # fmt: skip
    assert any(
        "Place 3 has" in c["sentence"] and "would bind" in c["sentence"] for c in sheet["outcome"]["checks"]
    )


@given(st.floats(0.1, 5), st.floats(-180, 180), st.floats(0, 180))
def test_an_eccentric_is_deepest_where_it_is_said_and_even_to_both_sides(
    throw: float, deepest: float, off: float
) -> None:
    here = eccentric_shift_mm(throw, deepest + off, deepest)
    assert here == pytest.approx(eccentric_shift_mm(throw, deepest - off, deepest))
    assert here >= eccentric_shift_mm(throw, deepest, deepest) - 1e-9


# Sectors.
def test_what_four_holes_give_by_hand() -> None:
    """e·(sin(30° + 90°k) − sin 30°), e = 2: 0, 2·(0.866 − 0.5), 2·(−0.5 − 0.5), 2·(−0.866 − 0.5)."""
    moves = [h.moves for h in holes_of(4, 2.0, 30.0)]
    assert moves == pytest.approx([0.0, 0.7321, -2.0, -2.7321], abs=1e-4)
    assert [h.moves for h in holes_of(4, 2.0, 30.0, -1)] == pytest.approx([-m for m in moves])


@given(st.integers(2, 48), st.floats(0.01, 50), st.floats(-180, 180))
def test_half_holes_double_the_positions_and_never_leave_the_throw(
    n: int, throw: float, angle: float
) -> None:
    holes = holes_of(n, throw, angle, 1, True)
    assert len(holes) == 2 * n and holes[0].moves == pytest.approx(0.0, abs=1e-9)
    assert max(h.moves for h in holes) - min(h.moves for h in holes) <= 2 * throw + 1e-6
    assert [h for h in holes if not h.between] == list(holes_of(n, throw, angle))


@pytest.mark.parametrize(("n", "throw", "field"), [(1, 1.0, "holes"), (49, 1.0, "holes"), (6, 0.0, "throw")])
def test_a_cover_that_is_none_is_refused_by_its_field(n: int, throw: float, field: str) -> None:
    with pytest.raises(RangeError) as refused:
        holes_of(n, throw, 0.0)
    assert refused.value.field == field


def ring(sheet: dict[str, Any]) -> dict[str, Any]:
    return next(s for s in sheet["scenes"] if s["type"] == "ring")


def test_every_hole_is_drawn_with_what_it_gives_and_the_one_to_go_to() -> None:
    sheet = played(CASES["sectors-turned"], 4)
    rungs = ring(sheet)["rungs"]
    assert len(rungs) == 16
    here, there = (next(r for r in rungs if r["state"] == s) for s in ("now", "move"))
    assert here["at"] == 0 and here["value"] == pytest.approx(0.3125)
    assert 0 <= there["value"] <= 0.08
    assert there["at"] == sheet["move"]["best"]["states"]["cover"]["position"]


def test_where_no_hole_gives_it_the_halves_are_named_before_leaving_it() -> None:
    assert say(played(CASES["sectors-no-hole"])).startswith(
        "No hole gives it. Halves between two holes come by turning"
    )
    none = played(
        Case(
            "sector_cover",
            SECTORS | {"angle": 12, "holes": 3, "throw": 5, "half": "turned over"},
            ({"lost": (0.31, 0.005)},),
        )
    )
    assert "the halves between included: leave the nearest on the loose side" in say(none)


@pytest.mark.parametrize("way", ["one", "back"])
def test_binding_anywhere_in_the_travel_is_out_low_whatever_was_read(way: str) -> None:
    other = "back" if way == "one" else "one"
    sheet = played(
        Case(
            "sector_cover",
            SECTORS,
            ({"lost": (0.05, 0.004), f"through.{way}": "binds", f"through.{other}": "free"},),
        )
    )
    assert sheet["verdict"]["code"] == "out_low"
    assert any("stand too close" in c["sentence"] for c in sheet["outcome"]["checks"])


@pytest.mark.parametrize(
    ("sense", "words"),
    [
        ("apart", "Turn the cover clockwise to 45.0°"),
        ("together", "Turn the cover clockwise to 45.0°"),
        ("unknown", "by one hole"),
    ],
)
def test_bound_as_found_it_is_let_free_by_the_least_step(sense: str, words: str) -> None:
    """At 0° of throw the sine grows to 45° and 135° alike; the other way round they come closer, and 225° is the least."""
    given_at = SECTORS | {"angle": 0 if sense != "together" else 180, "sense": sense}
    sheet = played(
        Case("sector_cover", given_at, ({"lost": (0.0, 0.0), "through": "binds", "needle": True},))
    )
    assert say(sheet).startswith("It binds.") and words in say(sheet)


def test_sectors_read_once_have_no_value_yet() -> None:
    half = compute("sector_cover", {"given": SECTORS, "entries": [{"slot": "lost.1", "value": 0.05}]})
    assert (half["outcome"]["results"][0]["value"], half["verdict"]["code"]) == (None, "not_read")


def test_sectors_that_read_no_lost_motion_at_all_may_be_tightened_and_read_again() -> None:
    sheet = played(Case("sector_cover", SECTORS, ({"lost": (0.0, 0.0), "needle": True},)), 4)
    assert {"torqued", "again.1", "again.2"} <= {c["slot"] for c in sheet["cells"]}


def test_once_it_reads_in_it_is_read_again_with_the_bolts_tight() -> None:
    case = Case("sector_cover", SECTORS | {"torque": 22}, ({"lost": (0.04, 0.004)},))
    sheet = played(case, 4)
    assert sheet["next"] == "torqued"
    assert "22 N·m" in next(c["posture"] for c in sheet["cells"] if c["slot"] == "torqued")
    assert {"again.1", "again.2"} <= {c["slot"] for c in sheet["cells"]}


def test_before_clamping_it_is_read_at_the_tightest_place_of_the_last_round_that_was_read() -> None:
    kind = find_kind("worm_lash")
    ctx = Context(given=read_given(kind, WORM), round=4)
    assert tightest_before(ctx) == 1

    def handle(number: int, *degrees: float) -> tuple[Entry, ...]:
        return tuple(Entry(f"{number}.{n}", f"lash.{n}", Scalar(v), number) for n, v in enumerate(degrees, 1))

    first = handle(1, 3.0, 2.5, 2.0, 2.8)
    assert tightest_before(replace(ctx, entries=first)) == 3
    assert tightest_before(replace(ctx, entries=(*first, *handle(2, 2.0, 1.5, 1.8, 2.2)))) == 2


def test_which_tooth_meets_which_space_is_asked_first_and_drawn() -> None:
    d = UNITS["steering-gear"]
    given_all = give_known(d, d.settings[0], find_kind("sector_cover")) | {"greatest": 0.08, "source": "card"}
    sheet = compute("sector_cover", {"given": given_all})
    assert sheet["next"] == "timed" and "paint tooth 4" in sheet["cells"][0]["posture"]
    assert "The output sector goes in first" in sheet["cells"][0]["posture"]
    assert any(s["type"] == "gears" for s in sheet["scenes"])


def test_a_picture_that_no_hole_stands_in_is_left_as_it_is_by_a_move() -> None:
    kind = find_kind("sector_cover")
    ctx = Context(given=read_given(kind, dict(SECTORS)))
    cut, ring = kind.thing(), HoleRing("Cover holes", ())
    assert kind.after_move(ctx, cut, {}, {"cover": 45.0}) is cut
    assert kind.after_move(ctx, ring, {}, {"cover": 0.0}) is kind.after_move(ctx, ring, {}, {}) is ring


# Spur and helical pairs.
def test_centre_distance_by_hand_straight_and_helical() -> None:
    assert centre_mm(17, 71, 4) == 176.0
    assert centre_mm(17, 71, 4, 15) == pytest.approx(176 / math.cos(math.radians(15)))
    assert lash_by_centre_mm(0.05, 20) == pytest.approx(0.1 * math.tan(math.radians(20)))


def test_two_squeezed_flanks_are_the_backlash_square_to_the_tooth() -> None:
    assert squeezed_lash_mm(0.06, 0.04, 20) == pytest.approx(0.1 / math.cos(math.radians(20)))
    sheet = played(Case("spur_lash", SPUR | {"method": "wire", "meant": "normal"}, ({"wire": (0.05, 0.0)},)))
    assert value(sheet, "backlash") == pytest.approx(0.1)


@given(st.floats(0.01, 0.2), st.floats(0, 360), st.sampled_from([4, 6, 8, 12]))
def test_the_lash_around_tells_how_far_the_gear_runs_out(tir: float, high: float, places: int) -> None:
    """A gear off centre by e is nearer by e·cos: its lash swings by 2·tan α·e."""
    e, k = tir / 2, 2 * math.tan(math.radians(20))
    lash = {
        f"lash.{n + 1}": str(0.5 - k * e * math.cos(2 * math.pi * n / places - math.radians(high)))
        for n in range(places)
    }
    sheet = played(Case("spur_lash", SPUR | {"places": places, "variation": 1.0}, (lash,)))
    assert value(sheet, "runout") == pytest.approx(tir, abs=1e-6)
    assert runout_of_lash_mm(k * e, 20) == pytest.approx(tir)


def test_the_runout_is_of_the_gear_wherever_the_indicator_stands() -> None:
    """At 126 mm from the axis it swings by 126/z of what it does at the pitch circle."""
    pitch = SPUR["module"] * SPUR["z2"] / 2  # type: ignore[operator]
    swing = {0: 0.02, 1: 0.0, 2: -0.02, 3: 0.0}
    found = []
    for radius in (pitch, 0.9 * pitch):
        lash = {f"lash.{n + 1}": str((0.5 + v) * radius / pitch) for n, v in swing.items()}
        given = SPUR | {"places": 4, "variation": 1.0, "indicator_radius": radius}
        found.append(value(played(Case("spur_lash", given, (lash,))), "runout"))
    assert found[0] == pytest.approx(runout_of_lash_mm(0.02, 20))
    assert found[1] == pytest.approx(found[0], rel=1e-4)


def test_the_measured_centre_distance_says_what_it_makes_of_backlash() -> None:
    """176.05 where 17/71 of module 4 want 176: 2·tan 20°·0.05."""
    assert value(played(CASES["spur-read"]), "by_centre") == pytest.approx(0.0364, abs=1e-4)


def test_shims_under_the_blocks_move_it_by_two_tangents() -> None:
    kind = find_kind("spur_lash")
    asked = {**CASES["spur-wire"].given, "meant": "transverse"}
    read = kind.response(Context(given=_read(kind, asked)))
    assert read is not None and read.k0[0][0] == pytest.approx(2 * math.tan(math.radians(20)))
    together = kind.response(Context(given=_read(kind, asked | {"sense": "together"})))
    assert together is not None and together.k0[0][0] == pytest.approx(-2 * math.tan(math.radians(20)))


def _read(kind: Setting, asked: dict[str, Any]) -> dict[str, Any]:
    from bornek.core.settings.given import read_given

    return read_given(kind, asked)


def test_an_indicator_beyond_the_teeth_is_refused_with_where_they_end() -> None:
    with pytest.raises(InputError, match=r"pitch circle is at 142\.0 mm"):
        compute(
            "spur_lash",
            {
                "given": SPUR | {"meant": "transverse", "indicator_radius": 284},
                "entries": [{"slot": "lash.1", "value": 0.2}],
            },
        )


def test_levers_with_more_combinations_than_any_gearbox_are_refused() -> None:
    data = next(d for key, _, d in TYPES if key == "dredger-gearbox")
    lever = {
        **data["levers"][0],
        "positions": [{"key": f"p{n}", "label": f"{n}", "joins": ["third"]} for n in range(7)],
    }
    three = [{**lever, "key": f"l{n}"} for n in range(3)]
    with pytest.raises(InputError, match="more than 256 combinations"):
        check_definition(read_definition({**data, "levers": three, "interlocks": []}))


# What the unit knows.
def test_teeth_need_not_be_typed_where_the_unit_has_them() -> None:
    d = UNITS["rotary-table"]
    point = next(s for s in d.settings if s.kind == "worm_lash")
    assert "teeth" not in point.given
    known = give_known(d, point, find_kind("worm_lash"))
    assert (known["starts"], known["teeth"]) == (1, 90)


def test_the_types_page_says_what_need_not_be_typed() -> None:
    d = UNITS["rotary-table"]
    point = next(s for s in d.settings if s.kind == "worm_lash")
    assert known_words(d, point) == "starts of the worm 1, teeth of the wheel 90"
    assert known_words(d, replace(point, kind="none")) == ""


def test_what_was_typed_stands_against_what_the_unit_says() -> None:
    d = UNITS["rotary-table"]
    point = next(s for s in d.settings if s.kind == "worm_lash")
    point.given["teeth"] = 91
    try:
        assert give_known(d, point, find_kind("worm_lash"))["teeth"] == 91
    finally:
        del point.given["teeth"]


def test_a_ring_gears_setting_learns_from_the_train_which_way_its_pinion_turns() -> None:
    d = UNITS["chain-ferry"]
    point = next(s for s in d.settings if s.kind == "bevel_mesh")
    facts = unit_facts(d, point)
    assert (facts["pinion_turns"], facts["driving"], facts["pinion_teeth"], facts["gear_teeth"]) == (
        "clockwise", "pinion", 11, 43,
    )  # fmt: skip


def test_a_hypoid_pair_is_refused_by_the_contact_model_from_its_mesh() -> None:
    data = next(d for key, _, d in TYPES if key == "chain-ferry")
    meshes = [
        m | ({"kind": "hypoid", "offset": 25.0} if m["key"] == "ring-set" else {}) for m in data["meshes"]
    ]
    d = read_definition({**data, "meshes": meshes})
    check_definition(d)
    point = next(s for s in d.settings if s.kind == "bevel_mesh")
    given_all = give_known(d, point, find_kind("bevel_mesh")) | {
        "least": "0.15",
        "greatest": "0.20",
        "source": "card",
    }
    kind = find_kind("bevel_mesh")
    ctx = Context(given=_read(kind, given_all))
    assert ctx.given["offset"] == 25.0 and kind.response(ctx) is None


@pytest.mark.parametrize(
    ("field", "row", "path"),
    [
        ("meshes", {"kind": "hypoid"}, "meshes[0].offset"),
        ("meshes", {"offset": 12.0}, "meshes[0].offset"),
        ("meshes", {"toward": "out", "kind": "bevel"}, "meshes[0].toward"),
        ("levers", {"dog": "ghost"}, "levers[0].dog"),
        ("levers", {"positions": [{"key": "a", "label": "a", "joins": ["counter-first"]}]}, None),
        (
            "levers",
            {"positions": [{"key": "a", "label": "a", "joins": ["ghost"]}]},
            "levers[0].positions[0].joins[0]",
        ),
        (
            "levers",
            {"positions": [{"key": "a", "label": "a"}, {"key": "b", "label": "b"}]},
            "levers[0].positions",
        ),
        (
            "levers",
            {"positions": [{"key": f"p{n}", "label": "x", "joins": ["counter-first"]} for n in range(9)]},
            "levers[0].positions",
        ),
        ("shafts", {"power": "in"}, "shafts[1].power"),
        ("interlocks", {"other": "high"}, "interlocks[0].other"),
        ("timing", {"space": 99}, "timing[0].space"),
        ("timing", {"mesh": "ghost"}, "timing[0].mesh"),
    ],
)
def test_what_does_not_hold_in_levers_and_marks_is_named_by_its_path(
    field: str, row: dict[str, Any], path: str | None
) -> None:
    unit = (
        "crane-box"
        if field == "timing"
        else "chain-ferry"
        if "offset" in row or "kind" in row
        else "dredger-gearbox"
    )
    data = next(d for key, _, d in TYPES if key == unit)
    changed = [*data[field]]
    at = 1 if field == "shafts" else 0
    changed[at] = changed[at] | row
    d = read_definition({**data, field: changed})
    if path is None:
        check_definition(d)
        return
    with pytest.raises(InputError) as refused:
        check_definition(d)
    assert path in refused.value.details["fields"]
