"""The contact model against the published check values of three sets, and the laws that follow from its geometry."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import NotSolved, RangeError
from bornek.core.mesh.bevel_set import S1, S2, S3, SIDES, BevelSet, Side
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.flank import flank_of
from bornek.core.mesh.lash import lash_change_mm, lash_slopes, normal_lash, transverse_lash
from bornek.core.mesh.load import Support, contact_under_load, pushed
from bornek.core.mesh.outline import RAYS, outline
from bornek.core.mesh.paint import as_painted
from bornek.core.mesh.seen import crowned_as_painted, spread_of, standing
from bornek.core.mesh.slopes import slopes
from bornek.core.mesh.turning import loaded_flank, pinion_turns, thrust
from bornek.core.settings.bevel_picture import ring as bevel_ring

SETS = {"S1": S1, "S2": S2, "S3": S3, "S2 biased": replace(S2, bias=0.6), "S3 biased": replace(S3, bias=0.6)}
HOME_LASH = 0.150
PLACES = (Shift(), Shift(0.1), Shift(-0.1), Shift(0.0, 0.1), Shift(0.0, -0.1))
CENTRES = {
    "S1": ((.461, .609, .44, .461, .609, .1500), (.487, .750, .33, .487, .749, .1764), (.421, .478, .30, .421, .480, .0982),
           (.531, .534, .39, .531, .534, .2300), (.386, .684, .39, .386, .684, .0640)),
    "S2": ((.456, .601, .28, .456, .600, .1500), (.439, .695, .26, .488, .696, .1792), (.470, .503, .27, .421, .501, .1142),
           (.484, .575, .28, .470, .570, .2540), (.428, .627, .28, .439, .631, .0450)),
    "S3": ((.457, .599, .35, .454, .600, .1500), (.452, .713, .28, .489, .706, .1997), (.454, .464, .31, .418, .456, .0901),
           (.489, .513, .34, .467, .507, .2316), (.422, .671, .31, .440, .674, .0641)),
}  # fmt: skip
"""By place: drive x, y, share; coast x, y; backlash."""
PER_TENTH = {
    "S1": ((.0382, .034, .198, .034, .197), (.0830, .073, -.081, .073, -.081)),
    "S2": ((.0324, -.015, .105, .033, .106), (.1045, .028, -.027, .016, -.032)),
    "S3": ((.0545, .001, .137, .033, .135), (.0838, .033, -.085, .014, -.089)),
    "S2 biased": ((.0324, .005, .112, .014, .107), (.1045, .026, -.014, .024, -.047)),
    "S3 biased": ((.0545, .029, .154, .008, .139), (.0838, .019, -.083, .033, -.108)),
}  # fmt: skip
"""Pinion out, gear out: backlash, drive x, y, coast x, y for 0.1 mm."""
NODES = {
    "S1": (-.20142, 88.0536, .14257, .31221, -.93925),
    "S2": (-.27277, 94.1133, .61214, .19644, -.76596),
    "S3": (-.12399, 53.0525, .57945, .04600, -.81371),
}  # fmt: skip
sizes = st.floats(-0.1, 0.1)


@pytest.mark.parametrize("name", CENTRES)
@pytest.mark.parametrize("nth", range(5))
def test_centres_and_backlash_are_those_published(name: str, nth: int) -> None:
    s, at, wanted = SETS[name], PLACES[nth], CENTRES[name][nth]
    drive, coast = contact(s, "drive", at), contact(s, "coast", at)
    assert (drive.x, drive.y, coast.x, coast.y) == pytest.approx((*wanted[:2], *wanted[3:5]), abs=0.01)
    assert HOME_LASH + lash_change_mm(s, at) == pytest.approx(wanted[5], rel=0.02)
    assert drive.share == pytest.approx(wanted[2], abs=0.04)


@pytest.mark.parametrize("name", PER_TENTH)
def test_slopes_are_those_published(name: str) -> None:
    found = slopes(SETS[name])
    for knob, wanted in enumerate(PER_TENTH[name]):
        got = (
            found.lash[knob],
            found.x["drive"][knob],
            found.y["drive"][knob],
            found.x["coast"][knob],
            found.y["coast"][knob],
        )
        for a, b in zip(got, wanted, strict=True):
            assert a / 10 == pytest.approx(b, rel=0.1, abs=0.005)


@pytest.mark.parametrize("name", NODES)
def test_a_node_lies_where_it_was_published(name: str) -> None:
    """x 0.45, y 0.60 on the drive flank, between the nodes about it."""
    f = flank_of(SETS[name], "drive")

    def there(field: np.ndarray) -> float:
        along = np.array([np.interp(0.45, f.x[0], row) for row in field])
        return float(np.interp(0.60, f.y[:, 0], along))

    got = (there(f.phase) / f.pitch, there(f.arm), there(f.pinion_out), there(f.gear_out), there(f.pinion_up))
    assert got == pytest.approx(NODES[name], rel=1e-3, abs=1e-4)


@pytest.mark.parametrize("name", SETS)
@given(deep=st.floats(0.02, 0.1), gear=sizes)
def test_pinion_in_goes_to_the_root_and_takes_backlash(name: str, deep: float, gear: float) -> None:
    s = SETS[name]
    assert lash_change_mm(s, Shift(-deep, gear), Shift(0.0, gear)) < 0
    for side in SIDES:
        was, then = contact(s, side, Shift(0.0, gear)), contact(s, side, Shift(-deep, gear))
        assert then.y < was.y


@given(pinion=sizes, gear=sizes)
def test_a_straight_pair_is_the_same_on_both_flanks(pinion: float, gear: float) -> None:
    drive, coast = (contact(S1, side, Shift(pinion, gear)) for side in SIDES)
    assert (drive.x, drive.y) == pytest.approx((coast.x, coast.y), abs=2e-3)


@given(pinion=sizes, gear=sizes)
def test_the_hand_changes_nothing_in_what_the_shims_do(pinion: float, gear: float) -> None:
    at, other = Shift(pinion, gear), replace(S3, hand=-1)
    for side in SIDES:
        a, b = contact(S3, side, at), contact(other, side, at)
        assert (a.x, a.y, a.share) == pytest.approx((b.x, b.y, b.share), abs=2e-3)
    assert lash_change_mm(S3, at) == pytest.approx(lash_change_mm(other, at), abs=1e-6)


def test_on_the_pitch_line_the_plain_formula_is_exact_for_a_shift_of_the_gear() -> None:
    """Straight, contact at the pitch line: 2 tan α sin Γ at the cone distance of contact, times Re/L."""
    on_pitch = replace(
        S1, centre=(0.5, (S1.depth - S1.gear_addendum) / S1.depth), crown_up=0.3, crown_along=0.3
    )
    _, gear = lash_slopes(math.radians(20), 0.0, S1.pinion_angle)
    stretch = S1.outer_cone_mm / S1.mean_cone_mm
    got = lash_change_mm(on_pitch, Shift(0.0, 0.01), Shift(0.0, -0.01)) / 0.02
    assert got == pytest.approx(gear * stretch, rel=0.03)


def test_indicator_readings_by_hand() -> None:
    """0.30 read at 120 mm of 150.5, 20° off square, ψ 35°: 0.30·1.2542/(cos 35°·cos 20°) = 0.4888."""
    across = transverse_lash(0.30, 150.5 / 120, math.radians(20), math.radians(35))
    assert across == pytest.approx(0.4888, abs=2e-4)
    assert normal_lash(across, math.radians(35), math.radians(20)) == pytest.approx(
        0.4888 * 0.81915 * 0.93969, abs=2e-4
    )
    with pytest.raises(RangeError, match="within 60"):
        transverse_lash(0.3, 1.0, math.radians(70))


# under load


@pytest.mark.parametrize(("name", "torque"), [("S1", 800.0), ("S2", 1500.0), ("S3", 300.0)])
@pytest.mark.parametrize("side", SIDES)
def test_under_load_contact_grows_and_walks_to_the_heel(name: str, torque: float, side: Side) -> None:
    s = replace(SETS[name], centre=(0.28, 0.60))
    light, loaded = contact(s, side), contact_under_load(s, side, torque).contact
    assert loaded.share > 2 * light.share
    assert loaded.x > light.x


def test_the_pressed_lines_carry_the_torque() -> None:
    """More torque presses deeper and touches more; none at all is refused."""
    shares = [contact_under_load(S2, "drive", t).contact.share for t in (100.0, 500.0, 2500.0)]
    assert shares == sorted(shares)
    with pytest.raises(RangeError, match="above 0"):
        pushed(S2, "drive", 0.0, Support())


def test_a_floating_pinion_goes_to_its_stop_the_way_it_is_pushed() -> None:
    held, loose = (pushed(S2, "drive", 1000.0, Support(play_mm=p))[0] for p in (0.0, 0.1))
    assert loose.pinion - held.pinion == pytest.approx(0.1)
    held, loose = (pushed(S2, "coast", 1000.0, Support(play_mm=p))[0] for p in (0.0, 0.1))
    assert loose.pinion - held.pinion == pytest.approx(-0.1)


# turning


def test_a_left_hand_pinion_driving_clockwise_is_pushed_out_by_the_convex_flank() -> None:
    assert pinion_turns(S2, "drive") == "clockwise"
    assert loaded_flank(S2, "clockwise") == "drive"
    assert loaded_flank(S2, "clockwise", "gear") == "coast"
    assert loaded_flank(replace(S2, hand=-1), "clockwise") == "coast"


def test_thrust_by_hand() -> None:
    """At the pitch line, by the usual formula: W_a/W = cos α sin ψ cos γ + sin α sin γ for the convex flank."""
    a, psi, gamma = math.radians(20), math.radians(35), S2.pinion_angle
    by_hand = math.cos(a) * math.sin(psi) * math.cos(gamma) + math.sin(a) * math.sin(gamma)
    assert thrust(S2, "drive").pinion == pytest.approx(by_hand, abs=0.02)


# what is drawn, and learned from what is painted


@pytest.mark.parametrize("name", SETS)
@given(pinion=sizes, gear=sizes)
def test_an_outline_holds_its_centre_and_lies_on_the_flank(name: str, pinion: float, gear: float) -> None:
    c = contact(SETS[name], "drive", Shift(pinion, gear))
    ring = outline(c)
    assert len(ring) == RAYS
    assert all(0 <= x <= 1 and 0 <= y <= 1 for x, y in ring)
    assert min(x for x, _ in ring) < c.x < max(x for x, _ in ring)


def test_a_reckoned_pattern_is_laid_about_where_the_paint_was_seen() -> None:
    c = contact(S1, "drive", Shift())
    here, there = bevel_ring(c), bevel_ring(c, (c.x + 0.02, c.y - 0.03))
    assert here is not None and there is not None
    assert there.centre == pytest.approx((c.x + 0.02, c.y - 0.03), abs=1e-3)
    for (x0, y0), (x1, y1) in zip(here.outline, there.outline, strict=True):
        assert x1 == pytest.approx(min(max(x0 + 0.02, 0), 1), abs=2e-3)
        assert y1 == pytest.approx(min(max(y0 - 0.03, 0), 1), abs=2e-3)


def test_a_gear_that_stands_far_off_touches_nothing_and_has_no_outline() -> None:
    c = contact(S1, "drive", Shift(), film=-1.0)
    assert (c.share, outline(c)) == (0.0, ())


@pytest.mark.parametrize("more", [0.7, 1.5])
def test_crowning_is_learned_from_a_painted_flank(more: float) -> None:
    truth = replace(S2, crown_along=S2.crown_along * more, crown_up=S2.crown_up * more)
    found = crowned_as_painted(S2, "drive", as_painted(contact(truth, "drive")))
    assert found.crown_along == pytest.approx(truth.crown_along, rel=0.2)
    assert found.crown_up == pytest.approx(truth.crown_up, rel=0.25)


def test_a_dot_of_paint_teaches_no_more_than_two_and_a_half_times_the_crowning() -> None:
    dot = tuple(tuple(1.0 if (r, c) == (6, 12) else 0.0 for c in range(24)) for r in range(12))
    assert spread_of(dot) == pytest.approx((0.0, 0.0), abs=1e-9)
    assert crowned_as_painted(S2, "drive", dot) == S2


@given(pinion=sizes, gear=sizes)
def test_where_the_members_stand_is_read_from_both_flanks(pinion: float, gear: float) -> None:
    painted = {side: (c.x, c.y) for side in SIDES for c in [contact(S1, side, Shift(pinion, gear))]}
    found = standing(S1, painted)
    assert found.pinion == pytest.approx(pinion, abs=0.04)
    assert found.gear == pytest.approx(gear, abs=0.07)


# outside the model


@pytest.mark.parametrize(("change", "words"), [
    ({"z1": 4}, "Teeth"), ({"z2": 8}, "Teeth"), ({"face": 70.0}, "Face width"), ({"spiral_deg": 50.0}, "Spiral angle"),
    ({"pressure_deg": 30.0}, "Pressure angle"), ({"cutter": 40.0}, "Cutter radius"), ({"gear_addendum": 13.0}, "addendum"),
    ({"bias": 1.2}, "bias"), ({"module": 0.1}, "module"),
])  # fmt: skip
def test_a_set_outside_the_model_is_refused_by_name(change: dict[str, float], words: str) -> None:
    with pytest.raises(RangeError, match=words):
        replace(S2, **change)  # type: ignore[arg-type]


def test_a_cutter_that_does_not_reach_the_heel_is_refused() -> None:
    tight = BevelSet(11, 43, 7.0, 55.0, 5.0, 64.5, 20.0, 11.9, 3.3987)
    with pytest.raises((RangeError, NotSolved)):
        tight.spiral_at(1000.0)
