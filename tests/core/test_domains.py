"""What a knob can be brought to."""

import numpy as np
import pytest

from bornek.core.advice.domains import choices, travel
from bornek.core.settings.knobs import Continuous, Curve, JointPacks, Lattice, Packs, Points
from bornek.core.settings.state import PackPair, Position, ShimPack

STOCK = {50_000: 2, 100_000: 1}


def test_packs_are_positions_in_mm_with_what_each_costs() -> None:
    found = choices(Packs(3), ShimPack((500_000,)), STOCK, 0.5)
    assert 0.65 in found.at.round(6)
    here = found.find(0.5)
    assert here is not None
    assert found.handled[here] == 0
    assert found.state(here) == ShimPack((500_000,))


def test_a_pack_of_miked_plates_stands_as_high_as_they_measure() -> None:
    found = choices(
        Packs(3, miked=((100_000, 103_000), (500_000, 499_000))), ShimPack((500_000,)), STOCK, 0.5
    )
    heights = {found.state(i).packs[0]: float(found.at[i]) for i in range(len(found.at))}
    assert heights[(500_000,)] == pytest.approx(0.499)
    assert heights[(500_000, 100_000)] == pytest.approx(0.602)
    assert heights[(500_000, 100_000, 50_000)] == pytest.approx(0.652)


def test_a_pack_over_the_most_plates_is_not_offered_unless_it_is_in_now() -> None:
    found = choices(Packs(1), ShimPack((500_000, 100_000)), STOCK, 0.5)
    assert max(len(found.state(i).packs[0]) for i in range(len(found.at))) == 2


def test_a_continuous_knob_offers_a_grid_about_the_target_and_where_it_stands() -> None:
    found = choices(Continuous(0.005, 0.5, 50), Position(6.8213), {}, 6.78)
    assert found.find(6.78) is not None
    assert found.find(6.8213) is not None
    assert np.diff(found.at).min() > 0
    nearest = int(np.argmin(found.second))
    assert found.at[nearest] == pytest.approx(6.78)


def test_a_continuous_knob_stays_inside_its_ends() -> None:
    found = choices(Continuous(0.005, 6.7, 6.8), Position(6.75), {}, 6.9)
    assert found.at.min() == pytest.approx(6.7)
    assert found.at.max() <= 6.8 + 1e-9


def test_a_lattice_and_points_offer_just_their_positions() -> None:
    assert list(choices(Lattice(2.0, 5.0, 4), Position(2.0, "deg"), {}, 9.0).at) == [2.0, 7.0, 12.0, 17.0]
    assert list(choices(Points((2.2, 2.0, 2.1)), Position(2.0), {}, 2.1).at) == [2.0, 2.1, 2.2]


def test_a_pair_keeps_its_total_and_crossing_a_plate_is_handled_once() -> None:
    now = PackPair((300_000, 100_000), (200_000,))
    found = choices(JointPacks(("a", "b"), 600_000), now, {50_000: 2}, 0.4)
    for i in range(len(found.at)):
        left, right = found.state(i).packs
        assert sum(left) + sum(right) == 600_000
    crossed = found.find(0.3)
    assert crossed is not None
    assert (found.handled[crossed], found.state(crossed)) == (1, PackPair((300_000,), (200_000, 100_000)))


def test_both_sides_draw_from_one_stock() -> None:
    found = choices(JointPacks(("a", "b"), 400_000), PackPair((200_000,), (200_000,)), {100_000: 1}, 0.2)
    used = [[t for pack in found.state(i).packs for t in pack].count(100_000) for i in range(len(found.at))]
    assert max(used) <= 1


def test_a_curve_is_chosen_by_what_it_moves_and_says_where_to_stand() -> None:
    cover = Curve((0.0, 60.0, 120.0, 180.0), (0.0, 0.433, 0.433, 0.0))
    found = choices(cover, Position(0.0, "deg"), {}, 0.43)
    best = int(np.argmin(found.second))
    assert found.at[best] == pytest.approx(0.433)
    assert found.state(best).position in (60.0, 120.0)
    assert travel(cover, Position(60.0, "deg")) == pytest.approx(0.433)
