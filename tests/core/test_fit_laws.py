"""Laws of fits: more wants more, units change nothing, and the countdown is never later than the part itself."""

from __future__ import annotations

import math

from hypothesis import assume, given
from hypothesis import strategies as st

from bornek.core.build.torque_order import star_order, two_row_order
from bornek.core.fits.bolt_torque import stages_of
from bornek.core.fits.cooling import Fall, Pair, Reading, fall_of, until_mm
from bornek.core.fits.heat_plan import combination
from bornek.core.fits.materials import growth_mm, materials, strain, temperature_for
from bornek.core.fits.press_fit import Seat
from bornek.core.fits.ram_gauge import ram_area_mm2
from bornek.core.fits.wrench_extension import set_value
from bornek.core.quantities import UNITS, parse

metals = st.sampled_from(sorted(materials())).map(lambda key: materials()[key])
diameters = st.floats(10, 800)
STEEL = materials()["carbon_steel"]


@given(metals, st.floats(-196, 400), st.floats(-196, 400))
def test_what_is_hotter_is_larger(metal, a, b) -> None:  # type: ignore[no-untyped-def]
    assume(abs(a - b) > 0.01)
    assert (strain(metal, a) < strain(metal, b)) == (a < b)


@given(metals, diameters, st.floats(20, 380))
def test_the_temperature_for_a_growth_gives_that_growth(metal, d, t_c) -> None:  # type: ignore[no-untyped-def]
    growth = growth_mm(metal, d, 20, t_c)
    assert math.isclose(temperature_for(metal, d, growth, 20), t_c, abs_tol=1e-6)


@given(
    diameters, st.floats(0.0, 0.0008), st.floats(0.0, 0.0005), st.floats(0.00005, 0.0005), st.floats(-196, 20)
)
def test_more_interference_or_clearance_wants_a_hotter_hub_and_a_colder_shaft_a_cooler_one(
    d, share, more, entering, cold
) -> None:  # type: ignore[no-untyped-def]
    def at(interference: float, clearance: float, shaft_c: float) -> float:
        pair = Pair(d, interference, STEEL, STEEL)
        return combination(pair, clearance, "", shaft_c, 400).drops_on_c

    base = at(share * d, entering * d, 20)
    assert at((share + more) * d, entering * d, 20) >= base
    assert at(share * d, (entering + more) * d, 20) >= base
    assert at(share * d, entering * d, cold) <= base
    c = combination(Pair(d, share * d, STEEL, STEEL), entering * d, "", cold, 400)
    assert c.grips_c <= c.home_c <= c.drops_on_c


@given(
    st.floats(600, 20_000), st.floats(80, 300), st.floats(-10, 40), st.floats(10, 1500), st.floats(-3, 3), st.floats(-3, 3),
    st.floats(0.00005, 0.0008),
)  # fmt: skip
def test_the_countdown_is_never_later_than_the_hub_itself(tau, start, air, span, off_1, off_2, share) -> None:  # type: ignore[no-untyped-def]
    """True fall of τ; two readings each off by no more than the probe may be; what is left is reckoned from them."""
    true = Fall(0, start, air, tau)
    assume(true.at(span) - air > 12)
    told = fall_of([Reading(0, start + off_1), Reading(span, true.at(span) + off_2)], air, 1e9)
    if not told.learned:
        return
    pair = Pair(140, share * 140, STEEL, STEEL, air)
    left = 0.035
    end = until_mm(pair, told, None, left, span)
    if end is None:
        return
    if end > span:
        assert pair.clearance_mm(true.at(end), air) >= left - 1e-9
    assert told.tau_s <= tau * (1 + 1e-9)


@given(st.floats(600, 20_000), st.floats(-190, -60), st.floats(10, 1500), st.floats(-3, 3), st.floats(-3, 3))
def test_the_countdown_of_a_cold_shaft_is_never_later_than_the_shaft(tau, start, span, off_1, off_2) -> None:  # type: ignore[no-untyped-def]
    true = Fall(0, start, 20, tau)
    assume(20 - true.at(span) > 12)
    told = fall_of([Reading(0, start + off_1), Reading(span, true.at(span) + off_2)], 20, 1e9, hot=False)
    if not told.learned:
        return
    pair = Pair(140, 0.02, STEEL, STEEL)
    end = until_mm(pair, None, told, 0.01, span)
    if end is not None and end > span:
        assert pair.clearance_mm(20, max(true.at(end), -196)) >= 0.01 - 1e-9


@given(diameters, st.floats(1.1, 4), st.floats(0, 0.9), st.floats(1e-5, 1e-3), st.floats(1.01, 3))
def test_more_interference_presses_harder_in_proportion(d, wall, hollow, share, factor) -> None:  # type: ignore[no-untyped-def]
    seat = Seat(d, d * wall, d * hollow, d, STEEL, STEEL)
    p = seat.pressure(share * d)
    assert math.isclose(seat.pressure(share * d * factor), p * factor, rel_tol=1e-9)
    assert seat.pressure(-share * d) == 0
    thicker = Seat(d, d * wall * 1.5, d * hollow, d, STEEL, STEEL)
    assert thicker.pressure(share * d) > p
    assert seat.force(p, 0.12, d / 2) <= seat.force(p, 0.12)


@given(st.floats(10, 400), st.floats(0, 0.95), st.floats(1, 100))
def test_a_ring_shaped_ram_pushes_less_than_a_full_one(bore, hole, mpa) -> None:  # type: ignore[no-untyped-def]
    assert ram_area_mm2(bore, bore * hole) <= ram_area_mm2(bore)


@given(st.sampled_from(["pressure", "force", "torque"]), st.floats(0.01, 9e5))
def test_units_go_there_and_back(quantity, amount) -> None:  # type: ignore[no-untyped-def]
    for unit, factor in UNITS[quantity].items():
        text = f"{amount:.6f} {unit}"
        if amount * factor < 1e9:
            assert math.isclose(
                parse(text, quantity).value / factor, float(f"{amount:.6f}"), rel_tol=1e-6, abs_tol=1e-6
            )


@given(st.floats(1, 5000), st.floats(50, 2000), st.floats(1, 1000), st.floats(0, 89))
def test_a_longer_extension_is_set_lower_and_never_to_nothing(torque, wrench, more, angle) -> None:  # type: ignore[no-untyped-def]
    value = set_value(torque, wrench, more, angle)
    assert 0 < value < torque
    assert set_value(torque, wrench, more + 50, angle) < value


@given(st.integers(3, 24))
def test_every_bolt_has_its_turn_once_and_the_next_is_across(n) -> None:  # type: ignore[no-untyped-def]
    assert sorted(star_order(n)) == list(range(n)) == sorted(two_row_order(n))
    first, second = star_order(n)[:2]
    assert min(abs(first - second), n - abs(first - second)) == n // 2 or (
        n % 2 and abs(first - second) == (n - 1) // 2
    )


@given(st.floats(0.5, 20_000))
def test_rounds_rise_to_the_whole(torque) -> None:  # type: ignore[no-untyped-def]
    a, b, c = stages_of(torque)
    assert 0 <= a <= b <= c == torque
