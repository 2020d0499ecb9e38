"""What is asked of a bevel pair, the set that is made of it, and the witness that it brings along."""

from __future__ import annotations

import pytest

from bornek.core.settings.bevel_form import form_of, make_set
from bornek.core.settings.bevel_limits import witness_of
from bornek.core.settings.records import Choice, Context, Entry, Paint, Witnessed

GIVEN = {"z1": 14, "z2": 39, "module": 4.0, "face": 30.0, "spiral_angle": 35.0, "pressure_angle": 20.0}


def test_a_set_whose_cutter_nobody_knows_has_the_usual_one_by_hand() -> None:
    """Outer cone 4·39 / (2 sin atan(39/14)) = 82.873, its middle 67.873; the cutter is 1.2 of that."""
    assert make_set(GIVEN).cutter == pytest.approx(1.2 * 67.873, abs=0.01)
    assert make_set(GIVEN | {"cutter": 76.2}).cutter == 76.2
    assert make_set(GIVEN | {"spiral_angle": 0.0}).cutter is None


@pytest.mark.parametrize(
    ("spiral", "depth", "addendum"),
    [(0.0, 2.0, 0.54 + 0.46 / (39 / 14) ** 2), (35.0, 1.7, 0.46 + 0.39 / (39 / 14) ** 2)],
)
def test_depth_and_addendum_follow_the_usual_proportions_by_hand(
    spiral: float, depth: float, addendum: float
) -> None:
    made = make_set(GIVEN | {"spiral_angle": spiral})
    assert made.depth == pytest.approx(4.0 * depth)
    assert made.gear_addendum == pytest.approx(4.0 * addendum, abs=1e-4)


@pytest.mark.parametrize(("spiral", "asked"), [(0.0, False), (0.5, True), (35.0, True), (None, False)])
def test_hand_and_cutter_are_asked_of_spiral_teeth_alone(spiral: float | None, asked: bool) -> None:
    known = {f.key for f in form_of({"geometry": "known", "spiral_angle": spiral})}
    assert {"z1", "z2", "module", "face"} <= known
    assert known & {"hand", "cutter"} == ({"hand", "cutter"} if asked else set())
    assert not {f.key for f in form_of({"geometry": "unknown", "spiral_angle": 35.0})} & {
        "z1",
        "hand",
        "cutter",
    }


def test_the_witness_of_a_flank_is_the_last_that_was_painted_there_as_found_else_the_one_at_strip() -> None:
    def paint(slot: str, share: float) -> Entry:
        return Entry(f"{slot}{share}", slot, Paint("drive", ((share,),)))

    entries = (
        paint("witness.drive", 0.1),
        paint("witness.drive", 0.2),
        paint("paint.drive", 0.9),
        paint("witness.coast", 0.8),
        Entry("said", "witness.drive", Choice("not seen")),
    )
    found = witness_of(Context(entries=entries), "drive")
    assert found == Paint("drive", ((0.2,),))
    at_strip = Context(entries=entries[2:3], witness=Witnessed(drive=((0.3,),)))
    assert witness_of(at_strip, "drive") == Paint("drive", ((0.3,),))
    assert witness_of(at_strip, "coast") is None
