"""The contract carries brackets (3), a guarded sequence (7), two vectors (12), paint and two knobs (15)."""

import math
from itertools import pairwise
from typing import Any

import pytest

from bornek.core.around import first_harmonic
from bornek.core.compute import compute
from bornek.core.errors import InputError, RangeError
from bornek.core.settings.bevel_mesh import centroid
from bornek.core.settings.drive_up import axial_drive_mm, reduction
from bornek.core.settings.given import read_given
from bornek.core.settings.records import Context
from bornek.core.settings.registry import find_kind
from bornek.core.tables.lookup import bore_of, row_for, rows
from bornek.core.windows import Interval


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


def feelers(go: str, number: int = 1) -> list[dict[str, Any]]:
    return [
        {"slot": f"feeler.{row}.{p}", "text": go, "round": number}
        for row in ("near", "far")
        for p in (1, 2, 3)
    ]


def taper(*rounds: str, **more: Any) -> dict[str, Any]:
    given = {"designation": "22212 K", "source": "shop chart"} | more
    entries = [e for n, go in enumerate(rounds, 1) for e in feelers(go, n)]
    acts = [{"round": n, "states": {"drive": 0.5}} for n in range(2, len(rounds) + 1)]
    return {"given": given, "entries": entries, "acts": acts}


def test_brackets_subtract_as_intervals() -> None:
    found = reduction(Interval(0.09, 0.10), Interval(0.05, 0.06))
    assert (round(found.a, 6), round(found.b, 6)) == (0.03, 0.05)


def test_blades_that_prove_only_a_wide_reduction_leave_it_not_proven() -> None:
    sheet = compute("taper_clearance", taper("0.07 0.075", "0.03 0.04"))
    results = {r["key"]: r for r in sheet["outcome"]["results"]}
    assert results["reduction"]["value"]["type"] == "interval"
    assert sheet["verdict"]["code"] == "not_proven"
    assert "finer ones" in said(sheet)


def test_the_residual_wins_over_the_reduction() -> None:
    sheet = compute("taper_clearance", taper("0.055 0.06", "0.01 0.02"))
    assert "residual decides" in said(sheet)


def test_a_clearance_outside_its_stamped_group_names_the_one_it_fits() -> None:
    sheet = compute("taper_clearance", taper("0.08 0.09"))
    words = " ".join(c["sentence"] for c in sheet["outcome"]["checks"])
    assert "it fits C3" in words
    assert "worn bearing" in words


def test_a_hanging_ring_is_read_at_the_bottom() -> None:
    cells = compute("taper_clearance", taper(posture="hanging"))["cells"]
    assert "at the bottom" in cells[0]["posture"]


def test_bores_are_read_from_designations() -> None:
    read = {d: bore_of(d) for d in ("6204", "6308", "22218", "23096", "230/500", "62/22", "7203", "51100")}
    assert list(read.values()) == [20, 40, 90, 480, 500, 22, 17, 10]
    with pytest.raises(InputError):
        bore_of("odd one")


def test_a_bore_without_a_row_is_refused_with_the_range() -> None:
    with pytest.raises(RangeError, match="over 24 to 500"):
        row_for("driveup_spherical_tapered", 20)
    with pytest.raises(RangeError, match="taper must be"):
        axial_drive_mm(0.05, 20, row_for("driveup_spherical_tapered", 90))


@pytest.mark.parametrize("table", ["ric_spherical_tapered_bore", "driveup_spherical_tapered"])
def test_tables_are_contiguous_and_rise_with_the_bore(table: str) -> None:
    found = rows(table)
    assert all(a.incl_mm == b.over_mm for a, b in pairwise(found))
    column = "CN_min_um" if table.startswith("ric") else "reduction_min_mm"
    values = [r.number(column) for r in found]
    assert values == sorted(values)


def test_spherical_groups_abut() -> None:
    for row in rows("ric_spherical_tapered_bore"):
        assert row.cells["C2_max_um"] == row.cells["CN_min_um"]
        assert row.cells["CN_max_um"] == row.cells["C3_min_um"]


def sequence(*slots: tuple[str, Any]) -> dict[str, Any]:
    given = {
        "least": 0.18,
        "greatest": 0.28,
        "pitch": 2,
        "tabs": 17,
        "slots": 4,
        "first_lock": 2.1,
        "source": "manual",
    }
    return {"given": given, "entries": [{"slot": s, "value": v} for s, v in slots]}


IN_ORDER = [(k, True) for k in ("jack", "washer", "bracket", "springs", "zero", "nut", "ram")]


def test_a_sequence_in_order_gives_a_value() -> None:
    sheet = compute("spring_thrust_nut", sequence(*IN_ORDER, ("travel.1", "0.22"), ("travel.2", "0.22")))
    assert sheet["outcome"]["results"][0]["value"]["v"] == pytest.approx(0.22)
    assert not sheet["stop"]


def test_out_of_order_gives_no_value_cannot_be_signed_and_says_where_to_restart() -> None:
    done = [IN_ORDER[0], IN_ORDER[3], *IN_ORDER[4:], ("travel.1", "0.22")]
    sheet = compute("spring_thrust_nut", sequence(*done))
    assert sheet["outcome"]["results"][0]["value"] is None
    assert sheet["restart_at"] == "jack"
    assert sheet["sign_blockers"]
    assert "Out of order: lock washer" in said(sheet)


def test_no_movement_while_jacking_stops_everything() -> None:
    assert "stop and investigate" in said(compute("spring_thrust_nut", sequence(("jack", False))))


def test_what_may_not_be_done_yet_is_blocked_with_its_reason() -> None:
    cells = {c["slot"]: c for c in compute("spring_thrust_nut", sequence(IN_ORDER[0]))["cells"]}
    assert cells["washer"]["status"] == "live"
    assert cells["springs"]["blocked"].startswith("First: lock washer")


def test_lockable_positions_by_hand() -> None:
    ladder = next(s for s in compute("spring_thrust_nut", sequence())["scenes"] if s["type"] == "ladder")
    labels = [r["label"] for r in ladder["rungs"] if r["state"] == "wanted"]
    assert "39.16° = 0.218" in labels
    assert "44.45° = 0.247" in labels


def crank(left: complex, right: complex, **more: Any) -> dict[str, Any]:
    given = {"limit": 0.04, "convention": "tir", "gauges": "outboard", "source": "crank card"} | more
    entries = []
    for end, v in (("L", left), ("R", right)):
        for k in range(8):
            turned = (v * complex(math.cos(-k * math.pi / 4), math.sin(-k * math.pi / 4))).real
            entries.append({"slot": f"{end}.{k}", "value": round(turned, 6)})
    return {"given": given, "entries": entries, "gauges": [{"id": "l", "name": "lever", "division": 0.002}]}


def test_sum_and_difference_vectors_tell_gape_from_twist() -> None:
    gape = compute("crank_runout", crank(0.03 + 0j, 0.03 + 0j))
    assert "The rims gape opposite the pin." in [c["sentence"] for c in gape["outcome"]["checks"]]
    turned = compute("crank_runout", crank(0.03 + 0j, 0.03 + 0j, gauges="between"))
    assert "The rims are pinched opposite the pin." in [c["sentence"] for c in turned["outcome"]["checks"]]
    twist = compute("crank_runout", crank(-0.02j, 0.02j))
    assert "The rims are twisted about the pin." in [c["sentence"] for c in twist["outcome"]["checks"]]


def test_what_lies_square_to_the_pin_is_not_said_to_be_no_twist_where_it_is_twisted() -> None:
    def told(left: complex, right: complex) -> list[str]:
        checks = compute("crank_runout", crank(left, right))["outcome"]["checks"]
        return [c["sentence"] for c in checks if c["code"] == "shape"]

    assert told(0.02j, 0.02j) == ["Neither squeeze, spread nor twist: nothing is advised."]
    assert told(0j, 0.03j) == [
        "Neither squeeze nor spread mends what both ends have in common.",
        "The rims are twisted about the pin.",
    ]


@pytest.mark.parametrize(("e", "sure"), [(0.0, False), (0.002, False), (0.006, True), (0.02, True)])
def test_a_high_spot_is_told_only_where_it_is_more_than_it_is_uncertain_by(e: float, sure: bool) -> None:
    """A lever that shows 2 µm reads to 0.0021 with the scatter: the vector of eight to half of that, ±0.0021."""
    words = "high at 30°" if sure else "no sure high spot"
    v = e * complex(math.cos(math.pi / 6), math.sin(math.pi / 6))
    one = crank(v, 0j, ends="one")
    alone = compute("crank_runout", one | {"entries": [x for x in one["entries"] if x["slot"][0] == "L"]})
    labels = {r["key"]: r["label"] for r in alone["outcome"]["results"]}
    assert labels["high"] == f"Eccentricity, {words}"
    both = compute("crank_runout", crank(v, v))
    labels = {r["key"]: r["label"] for r in both["outcome"]["results"]}
    assert labels["sum"] == f"Both ends together, {words}"
    assert labels["difference"] == "Ends against each other, no sure high spot"
    rays = next(s for s in both["scenes"] if s["type"] == "circle")["rays"]
    assert [r["r"] for r in rays] == [pytest.approx(e if sure else 0.0, abs=1e-6)] * 2
    assert all(r["label"].endswith(words) for r in rays)


def test_the_limits_convention_changes_the_judgement() -> None:
    small = crank(0.015 + 0j, 0.015 + 0j)
    assert compute("crank_runout", small)["verdict"]["code"] == "in"
    small["given"]["convention"] = "sum"
    assert compute("crank_runout", small)["verdict"]["code"] == "out_high"


def test_a_harmonic_needs_eight_readings_and_finds_the_high_spot() -> None:
    v = first_harmonic([0.02 * math.cos(math.radians(30 * k - 100)) + 0.5 for k in range(12)])
    assert abs(v) == pytest.approx(0.02)
    assert math.degrees(math.atan2(v.imag, v.real)) == pytest.approx(100)
    with pytest.raises(RangeError, match="at least 8"):
        first_harmonic([0.0] * 7)


def mesh() -> dict[str, Any]:
    given = {
        "least": 0.15,
        "greatest": 0.25,
        "pinion_sense": "out",
        "carrier_total": 2.4,
        "pinion_angle": 20,
        "source": "gear card",
    }
    mask = [[0, 0, 0, 0], [1, 1, 0, 0], [1, 1, 0, 0], [0, 0, 0, 0]]
    entries = [
        {"slot": f"lash.{n}", "text": t} for n, t in ((1, "0.19"), (2, "0.20"), (3, "0.21"), (4, "0.20"))
    ]
    entries += [{"slot": f"paint.{f}", "value": {"flank": f, "mask": mask}} for f in ("drive", "coast")]
    acts = [{"states": {"pinion": [0.5, 0.3], "carrier": {"left": [1.2], "right": [1.0]}}}]
    return {"given": given, "entries": entries, "acts": acts}


def test_paint_becomes_centroids_and_flanks_and_two_knobs_are_declared() -> None:
    sheet = compute("bevel_mesh", mesh())
    results = {r["key"]: r["value"] for r in sheet["outcome"]["results"]}
    assert results["x_drive"]["v"] == pytest.approx(0.25)
    assert results["y_drive"]["v"] == pytest.approx(0.5)
    assert results["backlash"]["v"] == pytest.approx(0.20)
    assert [s["side"] for s in sheet["scenes"] if s["type"] == "flank"] == ["drive", "coast"]
    assert set(sheet["move"]["best"]["states"]) == {"pinion", "carrier"}


def test_a_flank_without_paint_or_with_ragged_rows_is_refused() -> None:
    with pytest.raises(InputError, match="Nothing is painted"):
        centroid([[0, 0]])
    for mask in ([], [[]], [[1, 0], [1]]):
        with pytest.raises(InputError, match="rows of one length"):
            centroid(mask)


def test_the_bevel_declares_its_rows_and_knobs() -> None:
    joint = find_kind("bevel_mesh").response(
        Context(given=read_given(find_kind("bevel_mesh"), mesh()["given"]))
    )
    assert joint is not None
    assert (len(joint.k0), len(joint.k0[0]), len(joint.rho[0])) == (3, 2, 2)
