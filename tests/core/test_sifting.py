"""Which entries count."""

from bornek.core.settings.kind import Slot
from bornek.core.settings.records import Confirm, Entry, Scalar
from bornek.core.settings.sifting import sift, sift_checks

SLOTS = [
    Slot(
        key=f"s{n}",
        label=f"Station {n}",
        group="G",
        axes={"rep": n},
        quantity="length",
        nature="travel",
        plausible=(0.0, 1.0),
        peers="p",
    )
    for n in (1, 2, 3)
]


def entry(slot: str, value: float, seq: int, confirmed: bool = False, by: str = "") -> Entry:
    return Entry(
        id=f"e{seq}", slot=slot, raw=Scalar(value), as_typed=str(value), seq=seq, confirmed=confirmed, by=by
    )


def test_plain_readings_count_in_slot_order() -> None:
    sifted = sift(SLOTS, [entry("s2", 0.2, 1), entry("s1", 0.21, 2)])
    assert sifted.numbers(SLOTS) == {"G": [0.21, 0.2]}


def test_the_order_written_decides_who_guards_whom() -> None:
    sifted = sift(SLOTS, [entry("s1", 0.2, 1), entry("s2", 2.0, 2)])
    assert list(sifted.asked) == ["s2"]
    turned = sift(SLOTS, [entry("s1", 0.02, 1), entry("s2", 0.2, 2)])
    assert list(turned.asked) == ["s2"]


def test_a_confirmed_odd_value_counts() -> None:
    sifted = sift(SLOTS, [entry("s1", 0.2, 1), entry("s2", 2.0, 2, confirmed=True)])
    assert sifted.asked == {}
    assert sifted.numbers(SLOTS)["G"] == [0.2, 2.0]


def test_a_first_value_is_held_against_what_is_plausible() -> None:
    assert list(sift(SLOTS, [entry("s1", 25.4 * 0.3, 1)]).asked) == ["s1"]


def test_a_slot_filled_twice_counts_for_nothing_and_guards_nobody() -> None:
    sifted = sift(SLOTS, [entry("s1", 0.2, 1, by="Oda"), entry("s1", 0.3, 2, by="Jun"), entry("s2", 0.9, 3)])
    assert sifted.numbers(SLOTS) == {"G": [0.9]}
    words = sift_checks(sifted, SLOTS)[0].sentence
    assert "Oda" in words
    assert "Jun" in words


def test_entries_for_stations_that_are_not_there_are_left_aside() -> None:
    sifted = sift(SLOTS, [entry("elsewhere", 0.2, 1), entry("elsewhere", 0.3, 2)])
    assert (sifted.counted, sifted.contested) == ({}, {})


def test_a_confirmation_is_never_a_slip() -> None:
    slot = Slot(
        key="ok",
        label="Done?",
        group="G",
        axes={},
        quantity="count",
        nature="confirm",
        accepts="confirm",
        plausible=(5.0, 6.0),
    )
    sifted = sift([slot], [Entry("e", "ok", Confirm(True))])
    assert list(sifted.counted) == ["ok"]


def test_the_question_says_what_was_typed_and_how_it_is_off() -> None:
    check = sift_checks(sift(SLOTS, [entry("s1", 0.2, 1), entry("s2", 2.0, 2)]), SLOTS)[0]
    assert check.sentence == "Station 2: 2.0 is about ten times too large. Was it meant?"
    assert (check.action, check.slot) == ("ask", "s2")
