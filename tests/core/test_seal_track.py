"""Where a seal runs: its lip, the groove of the one before, depths that can be."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import RangeError
from bornek.core.facts.seal_set import SealSet
from bornek.core.parts.inspection import inspect
from bornek.core.parts.seal_track import judge_track, lip_words
from bornek.core.units.definition import Definition, Part
from winch import fact


@pytest.mark.parametrize(
    ("lip", "planned", "trouble"),
    [
        ("inward", "8", ""),
        ("outward", "8", "lip"),
        ("inward", "5.5", "groove"),
        ("outward", "5.5", "lip and groove"),
    ],
)
def test_a_seal_s_lip_faces_the_oil_and_runs_clear_of_the_groove(
    lip: Any, planned: str, trouble: str
) -> None:
    seal = Part("s", "Seal", "seal")
    body = SealSet("s", "5", planned, "2", lip, "inward")
    words = inspect(Definition(parts=(seal,)), seal, [fact("seal_set", body, 1)]).basis.seal
    assert (lip_words(lip, "inward").rstrip(".") in words) == ("lip" in trouble)
    assert ("groove" in words) == ("groove" in trouble)


@given(st.floats(0, 30), st.floats(0, 30), st.floats(0, 10))
def test_moving_a_seal_by_what_is_said_makes_it_clear(found: float, planned: float, groove: float) -> None:
    first = judge_track(found, planned, groove)
    farther = planned + (first.move_mm + 1e-6 if planned >= found else -first.move_mm - 1e-6)
    if 0 <= farther <= 500:
        assert judge_track(found, farther, groove).clear


@pytest.mark.parametrize(("most", "at"), [(500, 0), (500, 1), (20, 2)])
def test_a_depth_and_a_groove_have_their_range_and_both_ends_of_it(most: float, at: int) -> None:
    sizes = [10.0, 10.0, 2.0]
    for size in (0.0, float(most)):
        judge_track(*(size if i == at else s for i, s in enumerate(sizes)))
    for size in (-0.01, most + 0.01):
        with pytest.raises(RangeError, match=f"must be 0 to {most} mm"):
            judge_track(*(size if i == at else s for i, s in enumerate(sizes)))


def test_a_depth_that_cannot_be_is_refused() -> None:
    with pytest.raises(RangeError, match="groove must be 0 to 20 mm"):
        judge_track(5, 6, 60)
