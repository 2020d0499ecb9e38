"""A bevel pair as a setting: which limits hold, what its first assembly is told, what its next move is, what it disturbs."""

from __future__ import annotations

import math
from typing import Any

import pytest

from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.mesh.bevel_set import S2, SIDES
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.first_depth import FARTHER, NEARER, by_gauge_block, by_mark
from bornek.core.mesh.paint import as_painted
from bornek.core.settings.bevel_form import set_of
from bornek.core.settings.bevel_lash import tightest_at
from bornek.core.settings.bevel_limits import in_force
from bornek.core.settings.given import read_given
from bornek.core.settings.records import Context, Witnessed
from bornek.core.settings.registry import find_kind
from bornek.core.settings.state import PackPair, ShimPack

PAIR: dict[str, Any] = {
    "least": 0.15, "greatest": 0.20, "pinion_sense": "out", "left_sense": "out", "carrier_total": 1.55, "source": "card",
    "geometry": "known", "z1": 11, "z2": 43, "module": 7, "face": 55, "spiral_angle": 35, "hand": "left", "cutter": 114.3,
    "forward": "clockwise", "torque": 1500,
}  # fmt: skip
PACKS = {"pinion": [0.5, 0.25, 0.15], "carrier": {"left": [0.5, 0.25, 0.05], "right": [0.5, 0.25]}}
DRAWER = {"0.05": 6, "0.08": 4, "0.10": 8, "0.15": 5, "0.20": 6, "0.25": 4, "0.50": 3}
LASH = (0.31, 0.325, 0.32, 0.32)


TOO_FAR_OUT = Shift(0.13, 0.045)


def painted(out: Shift = TOO_FAR_OUT, number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"paint.{side}", "round": number,
         "value": {"flank": side, "mask": [list(r) for r in as_painted(contact(S2, side, out))]}}
        for side in SIDES
    ]  # fmt: skip


def sheet(
    lash: tuple[float, ...] = LASH, paint: list[dict[str, Any]] | None = None, **more: Any
) -> dict[str, Any]:
    acts, schools = more.pop("acts", [{"states": PACKS}]), more.pop("schools", {})
    entries = [{"slot": f"lash.{n}", "value": v, "confirmed": True} for n, v in enumerate(lash, 1)]
    extra = more.pop("entries", [])
    data = {"given": PAIR | more, "stock": DRAWER, "acts": acts, "school": schools,
            "entries": [*extra, *entries, *(painted() if paint is None else paint)]}  # fmt: skip
    return compute("bevel_mesh", data)


def said(found: dict[str, Any]) -> str:
    return "".join(span["text"] for span in found["say"])


def sentences(found: dict[str, Any]) -> str:
    return " ".join(c["sentence"] for c in found["outcome"]["checks"])


def results(found: dict[str, Any]) -> dict[str, Any]:
    return {r["key"]: r for r in found["outcome"]["results"]}


def ctx(witness: Witnessed | None = None, school: dict[str, str] | None = None, **more: Any) -> Context:
    kind = find_kind("bevel_mesh")
    return Context(given=read_given(kind, PAIR | more), witness=witness, school=school or {})


# the move


def test_both_packs_move_in_one_teardown_and_what_to_expect_is_said_as_at_the_bench() -> None:
    found = sheet(least=0.20, greatest=0.26)
    assert "Pinion: " in said(found)
    assert "Gear: " in said(found)
    assert " ± " in said(found)
    assert "% up." in said(found)
    best = found["move"]["best"]
    moved = {k: v["position"] for k, v in best["states"].items()}
    assert moved["pinion"] < 0.90
    assert moved["carrier"] < 0.80
    sides = best["states"]["carrier"]["packs"]
    assert sum(p["thickness"] for side in sides for p in side) == pytest.approx(1.55)
    assert all("Why" not in o["why"] and o["why"] for o in found["move"]["alternatives"])


def test_a_pack_that_works_the_other_way_moves_the_other_way() -> None:
    found = sheet(least=0.20, greatest=0.26, pinion_sense="in")
    assert found["move"]["best"]["states"]["pinion"]["position"] > 0.90
    assert "more shims behind it, here" in sentences(found)


@pytest.mark.parametrize("senses", [("unknown", "out"), ("out", "unknown"), ("unknown", "unknown")])
def test_a_sense_that_nobody_knows_is_tried_with_something_small(senses: tuple[str, str]) -> None:
    found = sheet(least=0.20, greatest=0.26, pinion_sense=senses[0], left_sense=senses[1])
    best = found["move"]["best"]
    assert best is not None
    for knob, sense, now in (("pinion", senses[0], 0.90), ("carrier", senses[1], 0.80)):
        if sense == "unknown":
            assert abs(best["states"][knob]["position"] - now) < 0.12
    assert "shims behind it, here" not in sentences(found) or senses[0] != "unknown"


def test_the_expected_ring_stands_where_the_move_is_said_to_bring_contact() -> None:
    found = sheet(least=0.20, greatest=0.26)
    drive = next(s for s in found["scenes"] if s["type"] == "flank" and s["side"] == "drive")
    ring = next(p for p in drive["patches"] if p["role"] == "predicted")
    expected = {e["row"]: e["v"] for e in found["move"]["best"]["expected"]}
    assert ring["centre"] == pytest.approx([expected["x_drive"], expected["y_drive"]], abs=2e-3)
    assert len(ring["outline"]) == 32
    assert drive["reach"]


def test_by_paint_alone_the_move_is_there_and_no_ring_is_drawn() -> None:
    bare = {k: v for k, v in PAIR.items() if k not in ("z1", "z2", "module", "face", "hand", "cutter")}
    found = compute("bevel_mesh", {
        "given": bare | {"geometry": "unknown", "pinion_angle": 14.3, "least": 0.2, "greatest": 0.26}, "stock": DRAWER,
        "acts": [{"states": PACKS}],
        "entries": [*({"slot": f"lash.{n}", "value": v} for n, v in enumerate(LASH, 1)), *painted()],
    })  # fmt: skip
    assert found["move"]["best"] is not None
    roles = {p["role"] for s in found["scenes"] if s["type"] == "flank" for p in s["patches"]}
    assert "predicted" not in roles


def test_half_read_it_asks_for_the_paint_and_never_for_other_shims() -> None:
    found = sheet(paint=[])
    assert "contact" in said(found)
    assert found["verdict"]["code"] == "out_high"


def test_the_shim_that_would_do_most_is_named_with_its_place() -> None:
    """Two thick plates behind the pinion and nothing in the drawer: it cannot come in by a tenth."""
    data = {
        "given": PAIR | {"least": 0.20, "greatest": 0.30}, "stock": {},
        "acts": [{"states": {"pinion": [0.5, 0.4], "carrier": {"left": [0.8], "right": [0.75]}}}],
        "entries": [*({"slot": f"lash.{n}", "value": v} for n, v in enumerate((0.28, 0.285, 0.28, 0.275), 1)),
                    *painted(Shift(0.16))],
    }  # fmt: skip
    found = compute("bevel_mesh", data)
    assert found["move"]["missing_at"] == "pinion"
    assert found["move"]["missing_p"] > 0.1
    assert "at the pinion, not in the drawer, would make it" in said(found)


# the limits


def test_a_worn_pair_goes_back_to_what_it_ran_with_where_its_school_says_so() -> None:
    found = sheet(ran_with=0.23, schools={"backlash": "B"})
    lash = results(found)["backlash"]
    assert (lash["window"]["lo"], lash["window"]["hi"]) == pytest.approx((0.20, 0.26))
    assert (lash["other"]["lo"], lash["other"]["hi"]) == (0.15, 0.20)
    assert "School B: what it ran with before strip" in found["aside"]
    assert "That would say 0.15–0.20: out high." in found["aside"]
    strip = next(s for s in found["scenes"] if s["type"] == "readout")
    assert strip["window_not_in_force"]["label"].endswith("0.15–0.20")


def test_the_other_school_keeps_to_the_book_and_shows_what_it_ran_with() -> None:
    found = sheet(ran_with=0.23)
    assert (
        results(found)["backlash"]["window"]["lo"],
        results(found)["backlash"]["other"]["lo"],
    ) == pytest.approx((0.15, 0.20))
    assert "School A" in found["aside"]


def test_a_pair_that_ran_badly_goes_by_the_book_whatever_the_school() -> None:
    force = in_force(ctx(school={"backlash": "B"}, ran_with=0.23, ran="badly"), None)
    assert not force.as_ran
    assert "ran badly" in force.why
    by_witness = in_force(ctx(Witnessed(ran="badly"), {"backlash": "B"}, ran_with=0.23), None)
    assert not by_witness.as_ran


def test_contact_belongs_where_the_witness_is_and_else_where_the_school_wants_it() -> None:
    at = (0.46, 0.62)
    assert in_force(ctx(school={"backlash": "B"}, ran_with=0.23), at).centre == at
    assert in_force(ctx(), at).centre[0] == 0.5
    assert in_force(ctx(school={"pattern": "B"}), None).centre[0] == pytest.approx(1 / 3)


def test_a_floating_pinion_under_the_other_school_is_remarked_on() -> None:
    assert "floats by 0.10" in sentences(sheet(pinion_play=0.10))
    assert "floats" not in sentences(sheet(pinion_play=0.10, schools={"pattern": "B"}))


def test_what_the_limit_means_is_what_is_judged() -> None:
    """Read at 120 mm where the outer pitch radius is 150.5: 1.254 / cos ψ(r) across the tooth; that cos ψ cos α square to it."""
    read = results(sheet())["backlash"]["value"]["v"]
    s = set_of(ctx().given)
    assert s is not None
    psi = s.spiral_at(s.outer_cone_mm * 120 / 150.5)
    across = results(sheet(meant="transverse", indicator_radius=120))["backlash"]["value"]["v"]
    assert across == pytest.approx(read * (150.5 / 120) / math.cos(psi), rel=1e-3)
    square = results(sheet(meant="normal", indicator_radius=120))["backlash"]["value"]["v"]
    assert square == pytest.approx(across * math.cos(psi) * math.cos(math.radians(20)), rel=1e-3)


# the first assembly


def test_first_packs_by_hand() -> None:
    """Gap 1.32, block 120, marked 120.75: 0.57 behind a pinion that it holds in; 0.43 where it holds it out, from 118.25."""
    assert by_gauge_block(1.32, 120.0, 120.75, "in").mm == pytest.approx(0.57)
    assert by_gauge_block(0.32, 120.0, 120.75, "out").mm == pytest.approx(0.43)
    assert [
        by_mark(0.9, 0.05, c, s).mm
        for c, s in ((FARTHER, "out"), (FARTHER, "in"), (NEARER, "out"), (NEARER, "in"))
    ] == (pytest.approx([0.95, 0.85, 0.85, 0.95]))


@pytest.mark.parametrize(("given", "words"), [
    ({"depth_way": "gauge", "depth_gap": 0.32, "depth_block": 120, "distance": 120.75}, "First pinion pack, gap + block − mounting distance: 0.43"),
    ({"depth_way": "gauge", "depth_gap": 1.32, "depth_block": 120, "distance": 120.75}, "which cannot be"),
    ({"depth_way": "mark", "reference_pack": 0.9, "mark": 0.05, "mark_convention": FARTHER}, "by the mark: 0.95"),
    ({"depth_way": "mark", "reference_pack": 0.9, "mark": 0.05, "mark_convention": "not known"}, "Nobody knows which way the mark"),
    ({"depth_way": "flush"}, "says nothing on a spiral pair"),
    ({"housing": "other", "pack_with_set": 0.90, "pack_of_housing": 0.85}, "within what housings may differ by"),
    ({"housing": "other", "pack_with_set": 0.90, "pack_of_housing": 0.70}, "Measure both packs again"),
    ({"housing": "other", "pack_with_set": 0.90, "pack_of_housing": 0.95}, "Begin with 0.95 behind the pinion"),
    ({"housing": "other", "pack_with_set": 0.90, "pack_of_housing": 0.95, "pinion_sense": "in"}, "Begin with 0.90 behind the pinion"),
    ({"housing": "other", "pack_with_set": 0.90, "pack_of_housing": 0.95, "pinion_sense": "unknown"}, "draw the pinion down in steps"),
])  # fmt: skip
def test_a_first_assembly_is_told_its_pack_and_cannot_jam(given: dict[str, Any], words: str) -> None:
    assert words in sentences(sheet(**given))


def test_a_pair_that_binds_when_first_turned_is_drawn_out_before_anything_is_read() -> None:
    asked = compute("bevel_mesh", {"given": PAIR | {"depth_way": "flush"}, "acts": [{"states": PACKS}]})
    cells = {c["slot"]: c for c in asked["cells"]}
    assert asked["next"] == "turn"
    assert cells["lash.1"]["status"] == "blocked"
    bound = sheet(depth_way="flush", entries=[{"slot": "turn", "value": "binds"}])
    assert "It binds: stop" in said(bound)
    assert "Draw the pinion out" in " ".join(bound["sign_blockers"])


# what stands in the way


def test_backlash_that_varies_too_much_names_the_tight_place_and_stops() -> None:
    found = sheet((0.20, 0.24, 0.20, 0.16))
    assert "tightest near 270°" in sentences(found)
    assert "find the high spot" in said(found)
    assert tightest_at([0.20, 0.24, 0.20, 0.16], 0.003) == pytest.approx(270)


def test_backlash_that_is_tight_at_two_places_names_neither() -> None:
    found = sheet((0.20, 0.28, 0.20, 0.28))
    assert "find the high spot" in said(found) and "tightest near" not in sentences(found)
    # ± of the first harmonic of four: 2 · √(2/4) of one reading's 0.0036; 0.266 is 0.007 off, 0.276 is 0.002
    assert "tightest near 270°" in sentences(sheet((0.20, 0.28, 0.20, 0.266)))
    assert "tightest near" not in sentences(sheet((0.20, 0.28, 0.20, 0.276)))


def test_the_tightest_tooth_decides_though_the_mean_is_in() -> None:
    found = results(sheet((0.19, 0.19, 0.19, 0.145), variation=0.1))
    assert found["backlash"]["verdict"]["code"] != "out_low"
    assert found["tightest"]["verdict"]["code"] in ("out_low", "not_proven")


def test_a_hypoid_pair_is_refused_in_words_and_still_judged() -> None:
    found = sheet(offset=30)
    assert "hypoid" in said(found)
    assert found["move"] is None
    assert results(found)["backlash"]["verdict"]["code"] == "out_high"


def test_a_set_outside_the_model_is_refused_in_words_and_goes_by_paint() -> None:
    found = sheet(least=0.20, greatest=0.26, face=90)
    assert "Face width must be" in sentences(found)
    assert found["move"]["best"] is not None


def test_flanks_that_disagree_are_no_matter_of_shims() -> None:
    up, down = as_painted(contact(S2, "drive", Shift(0.15))), as_painted(contact(S2, "coast", Shift(-0.2)))
    paint = [
        {"slot": f"paint.{f}", "value": {"flank": f, "mask": [list(r) for r in m]}}
        for f, m in (("drive", up), ("coast", down))
    ]
    assert "no shim mends both" in sentences(sheet(paint=paint))


def test_which_way_to_turn_is_worked_out_from_the_pair() -> None:
    postures = {c["slot"]: c["posture"] for c in sheet()["cells"]}
    assert (
        "the pinion clockwise, seen from its shaft's end, the gear braked: that loads the gear's convex flank"
        in postures["paint.drive"]
    )
    assert "counter-clockwise" in postures["paint.coast"]
    right = {c["slot"]: c["posture"] for c in sheet(hand="right")["cells"]}
    assert "concave" in right["paint.drive"]
    driven = {c["slot"]: c["posture"] for c in sheet(driver="gear")["cells"]}
    assert "the gear counter-clockwise" in driven["paint.drive"]
    assert "two gears" in " ".join(c["posture"] for c in sheet(hold="gears")["cells"])


@pytest.mark.parametrize(
    ("right", "more"), [((500_000, 300_000), frozenset()), ((500_000, 350_000), frozenset({"pack"}))]
)
def test_side_to_side_leaves_the_carrier_bearings_alone_and_another_total_does_not(
    right: tuple[int, ...], more: frozenset[str]
) -> None:
    from bornek.core.settings.records import Act

    kind = find_kind("bevel_mesh")
    now = {
        "pinion": ShimPack((500_000,)),
        "carrier": PackPair((500_000, 250_000, 50_000), (500_000, 250_000)),
    }
    here = ctx()
    here = Context(given=here.given, acts=(Act("a", 1, "as_found", now),))
    after = {"carrier": PackPair((500_000, 250_000), right)}
    assert kind.disturbs(here, after) - kind.writes(here) == more


def test_a_changed_total_says_what_the_carrier_bearings_get() -> None:
    second = {"pinion": [0.5, 0.25, 0.15], "carrier": {"left": [0.5, 0.25, 0.10], "right": [0.5, 0.25]}}
    found = sheet(acts=[{"states": PACKS}, {"round": 2, "states": second}])
    assert "0.05 more than 1.55" in sentences(found)


def test_all_in_is_left_alone() -> None:
    home = painted(Shift(-0.02, 0.0))
    found = sheet((0.23, 0.235, 0.23, 0.225), home, ran_with=0.23, schools={"backlash": "B"})
    assert found["verdict"]["code"] == "in"
    assert "Leave it" in said(found)


def bare(**more: Any) -> dict[str, Any]:
    """The same pair with its teeth not known."""
    known = {k: v for k, v in PAIR.items() if k not in ("z1", "z2", "module", "face", "hand", "cutter")}
    entries = [{"slot": f"lash.{n}", "value": v} for n, v in enumerate(LASH, 1)]
    given = known | {"geometry": "unknown", "pinion_angle": 14.3, "spiral_angle": 0} | more
    return compute(
        "bevel_mesh",
        {"given": given, "stock": DRAWER, "acts": [{"states": PACKS}], "entries": [*entries, *painted()]},
    )


def test_where_the_teeth_are_not_known_the_outer_radius_is_asked_and_never_taken_for_the_indicators() -> None:
    with pytest.raises(InputError, match="outer pitch radius is missing"):
        bare(meant="transverse", indicator_radius=100)
    read, across = bare(), bare(meant="transverse", indicator_radius=100, outer_radius=150)
    assert results(across)["backlash"]["value"]["v"] == pytest.approx(
        1.5 * results(read)["backlash"]["value"]["v"]
    )


def test_an_indicator_beyond_the_teeth_is_refused_with_what_to_do() -> None:
    with pytest.raises(RangeError, match="beyond the teeth") as told:
        sheet(meant="transverse", indicator_radius=200)
    assert "they end at 150.5 mm" in told.value.message
    assert "from the gear's axis" in told.value.next_step


@pytest.mark.parametrize("sense", ["pinion_sense", "left_sense"])
def test_no_ring_is_drawn_where_nobody_knows_which_way_a_pack_works(sense: str) -> None:
    found = sheet(least=0.20, greatest=0.26, **{sense: "unknown"})
    assert "predicted" not in {
        p["role"] for s in found["scenes"] if s["type"] == "flank" for p in s["patches"]
    }


def test_the_sum_of_the_first_pack_is_shown_line_by_line() -> None:
    found = results(sheet(depth_way="mark", reference_pack=0.9, mark=0.05, mark_convention=FARTHER))
    (line,) = found["first_pack"]["working"]["lines"]
    assert (line["sum"], line["result"]) == ("0.900 + 0.050", "0.950 mm")
