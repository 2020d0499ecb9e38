"""The advisor's sums one by one, each against a case worked by hand."""

import math
from types import SimpleNamespace
from typing import Any

import numpy as np
import pytest
from scipy.special import ndtr

from bornek.core.advice.belief import Belief, Prior, learn, learn_drag, start
from bornek.core.advice.choose import Aim, score, wanted
from bornek.core.advice.first_steps import sense_open, sense_step
from bornek.core.advice.one_way import Creep, step
from bornek.core.advice.packs import plates_tried, reachable, thinned
from bornek.core.advice.stock import drawers_of
from bornek.core.compute import compute
from bornek.core.settings.knobs import Drag, Knob, Packs
from bornek.core.settings.records import Context
from bornek.core.settings.state import ShimPack

GIVEN = {"least": 0.08, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "card"}
SLOTS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]


def read(value: float, **more: Any) -> dict[str, Any]:
    swing = (0.0, 0.002, -0.002, 0.001, -0.001, 0.0)
    entries = [{"slot": s, "value": round(value + e, 4)} for s, e in zip(SLOTS, swing, strict=True)]
    return compute("shim_pack_end_play", {"given": GIVEN, "entries": entries, **more})


def test_a_step_that_cannot_be_taken_back_by_hand() -> None:
    c = Creep(np.array([[100.0, -1.0]]), np.array([[[4.0, 1.0], [1.0, 0.01]]]), np.zeros(1), np.array([2.5]))
    found = step(c, np.array([50.0]), -25.0, 25.0, 4.0)
    var = 4 + 2 * 50 * 1 + 50**2 * 0.01 + 2.5**2 + (0.03 * 50) ** 2
    assert found.p_past[0] == pytest.approx(ndtr((-25 - 50) / math.sqrt(var)))
    inside = ndtr((25 - 50) / math.sqrt(var + 4)) - ndtr((-25 - 50) / math.sqrt(var + 4))
    assert found.p_in[0] == pytest.approx(inside)


def test_plates_in_another_pack_of_the_same_drawer_can_be_taken() -> None:
    first, second = (Knob(k, k, k, "mm", Packs()) for k in ("a", "b"))
    states = {"a": ShimPack((100_000,)), "b": ShimPack((200_000, 300_000))}
    history: Any = SimpleNamespace(last=SimpleNamespace(states=states), knobs=[first, second])
    ctx = Context(stock={300_000: 1}, forms={"a": "ring", "b": "ring"})
    assert drawers_of(history, ctx) == {"a": {300_000: 2, 200_000: 1}, "b": {300_000: 1, 100_000: 1}}
    apart = Context(stock={300_000: 1}, forms={"a": "ring", "b": "split"})
    assert drawers_of(history, apart) == {"a": {300_000: 1}, "b": {300_000: 1}}


def test_a_thickness_of_which_none_is_left_is_named_as_missing() -> None:
    acts = [{"states": {"pack": [0.5, 0.25]}}]
    sheet = read(0.30, acts=acts, stock={"0.25": 2, "0.05": 0})
    assert "A 0.05 shim, not in the drawer" in sheet["move"]["missing"]


def test_a_setting_that_is_in_is_surely_left() -> None:
    sheet = read(
        0.10,
        acts=[{"states": {"pack": [0.5]}}],
        gauges=[{"id": "f", "division": 0.002, "calibration_u": 0.0005}],
    )
    assert sheet["move"]["stay"] == "in"
    assert sheet["move"]["best"] is None


def test_the_preload_that_is_wanted_goes_by_the_drag_of_each_hypothesis() -> None:
    b = start([1.0], 0.05, s_a=5.0, drag=True)
    aim = Aim(-25.0, 25.0, 25.0, -50.0, value=-75.0)
    y = wanted(b, aim)
    assert sorted(set(np.round(y, 3))) == sorted({round(75 - 75 / r, 3) for r in (0.6, 0.8, 1.0, 1.25, 1.6)})
    assert wanted(b, aim, 25.0) == pytest.approx((-50.0) / b.rho_q + 75.0)


def test_a_drag_weighs_the_ratios_by_hand() -> None:
    """y known to 1 µm at −80: a drag of 80 says that the ratio is 1."""
    b = start([], 0.0, s_a=1e-6, priors=[Prior((1.0,), (1e-9,))], drag=True)
    b = learn(b, [0.0], -80.0, 1.0)
    after = learn_drag(b, [0.0], 80.0, 0.0)
    by_ratio = {r: float(after.w[(after.rho_q == r) & (after.off == 0)].sum()) for r in (0.8, 1.0, 1.25)}
    assert by_ratio[1.0] > 0.9
    assert by_ratio[1.25] < 0.05


def test_of_two_ratios_that_both_fit_the_smaller_is_likelier_by_the_width_it_leaves() -> None:
    """Preload 80 ± 10 µm, drag 80. Chance of τ at a ratio: N(80/r; 80, √(100 + (0.05 · 80/r)² + 1)) / r."""
    b = start([], 0.0, s_a=1e-6, priors=[Prior((1.0,), (1e-9,))], drag=True)
    b = learn(b, [0.0], -80.0, 100.0)
    after = learn_drag(b, [0.0], 80.0, 0.0)

    def share(c: Belief, r: float) -> float:
        return float(c.w[(c.rho_q == r) & (c.off == 0)].sum())

    def chance(r: float) -> float:
        v = 100 + (0.05 * 80 / r) ** 2 + 1
        return math.exp(-((80 / r - 80) ** 2) / (2 * v)) / math.sqrt(v) / r

    for r in (0.8, 1.25):
        found = (share(after, r) / share(after, 1.0)) / (share(b, r) / share(b, 1.0))
        assert found == pytest.approx(chance(r) / chance(1.0), rel=0.01)


def test_nominal_preload_is_drag_less_idle_over_the_windows_ratio() -> None:
    assert Drag("drag", 50.0, 1.5).nominal_um(4.0) == pytest.approx(50.0)
    assert Drag("drag", 50.0, 1.5).nominal_um(1.0) == 0.0


def test_the_step_that_tells_by_hand() -> None:
    """3 · √(2 · (10² + 4)) = 43.3 µm at a response of one."""
    b = learn(start([1.0], 0.05, signs=(1.0, -1.0)), [0.0], 300.0, 4.0)
    assert sense_open(b)
    x = np.arange(-100.0, 101.0, 1.0)
    i = sense_step(b, x, 0.0, Aim(-30.0, 30.0, 30.0, -60.0), 4.0, np.ones(len(x)))
    assert i is not None
    assert abs(x[i]) == 44.0
    near = learn(start([1.0], 0.05, signs=(1.0, -1.0)), [0.0], -20.0, 4.0)
    j = sense_step(near, x, 0.0, Aim(-30.0, 30.0, 30.0, -60.0), 4.0, np.ones(len(x)))
    assert j is not None
    assert 0 < abs(x[j]) < 40.0  # −20 less the step stays above −60
    known = learn(b, [-60.0], 240.0, 4.0)
    assert not sense_open(known)


def test_a_high_harm_is_kept_clear_of_too() -> None:
    b = learn(start([1.0], 0.05, signs=(1.0, -1.0)), [0.0], 20.0, 4.0)
    x = np.arange(-100.0, 101.0, 1.0)
    i = sense_step(b, x, 0.0, Aim(-30.0, 30.0, 30.0, 60.0, harm_side=1), 4.0, np.ones(len(x)))
    assert i is not None
    assert abs(x[i]) < 40.0


def test_a_drawer_is_thinned_evenly_and_keeps_what_is_in() -> None:
    kinds = [n * 1013 for n in range(20, 420)]
    kept = thinned(kinds, {kinds[7]}, 6)
    assert kinds[7] in kept
    gaps = np.diff([k for k in kept if k != kinds[7]])
    assert gaps.max() < 2 * gaps.min()
    assert thinned(kinds[:8], set(), 6) == tuple(kinds[:8])
    assert plates_tried(kinds, 10, 3) == 6
    assert plates_tried(kinds, 10, 8) == 8
    assert plates_tried(kinds[:6], 10, 3) == 10
    assert reachable(dict.fromkeys(kinds, 2), [kinds[7]], 6).left_out == 400 - len(kept)


def test_harm_and_landing_of_one_hypothesis_by_the_normal_law() -> None:
    b = start([1.0], 1e-9, s_a=5.0, exact=True)
    b = learn(b, [0.0], 0.0, 1.0)
    sound = b.off == 0
    mean, var = b.m[sound][0], b.s[sound][0]
    x = np.array([-40.0])
    found = score(b, x, 0.0, Aim(-25.0, 25.0, 25.0, -50.0), 4.0)
    mu, sd = mean[0] - 40.0 * mean[1], math.sqrt(var[0, 0] + 25.0)
    assert found.p_harm[0] == pytest.approx(ndtr((-50 - mu) / sd), abs=0.03)
