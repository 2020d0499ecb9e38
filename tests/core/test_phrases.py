"""Sentences in trade words."""

import pytest

from bornek.core.phrases import adjust, chance, expecting, shims, text_of
from bornek.core.plain import dump
from bornek.core.quantities import Speech, say_quantity
from bornek.core.settings.knobs import Continuous, Knob, Lattice, Packs
from bornek.core.settings.records import Predicted
from bornek.core.settings.state import Position
from bornek.core.windows import AtMost, Interval, Normal, Verdict
from bornek.core.working import Sum

MM, THOU = Speech(), Speech("thou")
SPACER = Knob(key="s", label="Spacer", place="p", unit="mm", domain=Continuous(0.005, 0, 100), noun="spacer")
NUT = Knob(key="n", label="Nut", place="p", unit="deg", domain=Lattice(0, 5, 10), noun="nut")


def nm(*hundredths: int) -> tuple[int, ...]:
    return tuple(n * 10_000 for n in hundredths)


@pytest.mark.parametrize(
    ("before", "after", "words"),
    [
        (nm(50, 15), nm(50, 8), "Swap the 0.15 for a 0.08. "),
        (nm(50, 25, 8), nm(50), "Take out 0.25 + 0.08. "),
        (nm(50), nm(50, 10), "Add a 0.10. "),
        (nm(50), nm(50, 10, 5), "Add 0.10 + 0.05. "),
        (nm(50, 25), nm(50, 10, 5), "Take out the 0.25, put in 0.10 + 0.05. "),
        (nm(50), nm(50), "Leave the pack; re-seat and read again. "),
        (nm(10, 10), nm(10), "Take out the 0.10. "),
    ],
)
def test_a_pack_change_is_said_as_one_would(
    before: tuple[int, ...], after: tuple[int, ...], words: str
) -> None:
    assert text_of(shims(before, after, MM)) == words


def test_only_what_is_handled_is_marked() -> None:
    marked = [span.text for span in shims(nm(50, 15), nm(50, 8), MM) if span.move]
    assert marked == ["0.15", "0.08"]


def test_shims_in_thou() -> None:
    assert text_of(shims((254_000,), (127_000,), THOU)) == "Swap the 10 for a 5. "


def test_a_spacer_is_ground_or_made() -> None:
    assert (
        text_of(adjust(SPACER, Position(6.82), Position(6.78), MM)) == "Grind 0.040 off the spacer, to 6.78. "
    )
    assert text_of(adjust(SPACER, Position(6.75), Position(6.78), MM)) == "Make a spacer of 6.78. "
    assert "Change nothing" in text_of(adjust(SPACER, Position(6.75), Position(6.75), MM))


def test_a_nut_is_turned() -> None:
    assert (
        text_of(adjust(NUT, Position(10.0, "deg"), Position(25.0, "deg"), MM)) == "Back off 15.0°, to 25.0°. "
    )
    assert (
        text_of(adjust(NUT, Position(25.0, "deg"), Position(10.0, "deg"), MM)) == "Tighten 15.0°, to 10.0°. "
    )


def test_what_to_expect_never_promises_too_much() -> None:
    assert expecting(Predicted(0.0851, 0.0101), MM) == "Expect 0.085, give or take 0.021."
    assert expecting(Predicted(-0.02, 0.005), THOU) == "Expect 0.8 tight, give or take 0.4."


def test_chances_are_never_certain() -> None:
    assert [chance(p) for p in (0.0, 0.5, 1.0)] == ["1 in 100", "50 in 100", "99 in 100"]


def test_other_quantities_are_said_in_their_own_unit() -> None:
    assert say_quantity(80, "torque", MM) == "80 N·m"
    assert say_quantity(117.68, "force", MM, "kgf") == "12 kgf"
    assert say_quantity(20, "temperature", MM, "°F") == "68 °F"
    assert say_quantity(0.8, "number", MM) == "0.8"
    assert say_quantity(0.254, "length", THOU) == "10 thou"


def test_plain_data_tags_what_a_union_must_tell_apart() -> None:
    assert dump([Normal(1, 0.1), Interval(0, 1), AtMost(0.5)]) == [
        {"v": 1, "u": 0.1, "type": "normal"},
        {"a": 0, "b": 1, "type": "interval"},
        {"c": 0.5, "type": "at_most"},
    ]
    assert dump({"k": (float("inf"), None, True)}) == {"k": [None, None, True]}
    assert dump(Packs())["type"] == "packs"
    assert dump(Verdict("in"))["words"] == "in"


def test_a_sum_shows_its_numbers_and_its_unit() -> None:
    total = Sum(2)
    assert total.mean("Mean", [1.0, 2.0]) == 1.5
    total.line("Twice", "2 × 1.50", 3.0, "mm", main=True)
    total.note("Note", "words only")
    lines = total.working("card").lines
    assert [x.result for x in lines] == ["1.50", "3.00 mm", ""]
    assert total.working("card").sources == ("card",)


def test_a_long_mean_is_shortened() -> None:
    total = Sum(1)
    total.mean("Mean", [float(n) for n in range(12)])
    assert total.lines[0].sum == "(0.0 + … + 11.0) ÷ 12"
