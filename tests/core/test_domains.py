"""What a knob can be brought to."""

import numpy as np
import pytest

from bornek.core.advice.domains import choices, position
from bornek.core.errors import NotSolved, RangeError
from bornek.core.settings.kind import Continuous, JointPacks, Lattice, Packs, Points

STOCK = {50_000: 2, 100_000: 1}


def test_packs_are_positions_in_mm_with_what_each_costs() -> None:
    found = choices(Packs(3), (500_000,), STOCK, 0.5)
    assert 0.65 in found.at.round(6)
    here = found.find(0.5)
    assert here is not None
    assert found.handled[here] == 0
    assert found.state(here) == (500_000,)


def test_a_pack_over_the_most_plates_is_not_offered_unless_it_is_in_now() -> None:
    found = choices(Packs(1), (500_000, 100_000), STOCK, 0.5)
    assert max(len(found.state(i)) for i in range(len(found.at))) == 2  # type: ignore[arg-type]


def test_a_pack_is_a_list_of_shims() -> None:
    with pytest.raises(RangeError, match="list of shims"):
        choices(Packs(), 0.5, STOCK, 0.5)


def test_a_continuous_knob_offers_a_grid_about_the_target_and_where_it_stands() -> None:
    found = choices(Continuous(0.005, 0.5, 50), 6.8213, {}, 6.78)
    assert found.find(6.78) is not None
    assert found.find(6.8213) is not None
    assert np.diff(found.at).min() > 0
    nearest = int(np.argmin(found.second))
    assert found.at[nearest] == pytest.approx(6.78)


def test_a_continuous_knob_stays_inside_its_ends() -> None:
    found = choices(Continuous(0.005, 6.7, 6.8), 6.75, {}, 6.9)
    assert found.at.min() >= 6.7 - 1e-9
    assert found.at.max() <= 6.8 + 1e-9


def test_a_lattice_and_points_offer_just_their_positions() -> None:
    assert list(choices(Lattice(2.0, 5.0, 4), 2.0, {}, 9.0).at) == [2.0, 7.0, 12.0, 17.0]
    assert list(choices(Points((2.2, 2.0, 2.1)), 2.0, {}, 2.1).at) == [2.0, 2.1, 2.2]


def test_joint_packs_are_named_as_not_solved() -> None:
    with pytest.raises(NotSolved, match="JointPacks") as refused:
        choices(JointPacks(("a", "b"), 2_400_000), (1,), {}, 0.0)
    assert "Enter what you did" in refused.value.next_step


def test_a_state_as_a_position() -> None:
    assert position(()) == 0
    assert position((254_000, 50_800)) == pytest.approx(0.3048)
    assert position(6.78) == 6.78
