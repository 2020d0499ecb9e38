"""Definitions: what must hold together, what is asked, which limits apply to which machine."""

from copy import deepcopy
from typing import Any

import pytest

from bornek.core.errors import InputError
from bornek.core.settings.registry import find_kind
from bornek.core.units.checks import check_definition, questions
from bornek.core.units.definition import Limit, read_definition
from bornek.core.units.limits import choose_limit, give_limits, in_range
from bornek.demo.yard import TYPES

WINCH = next(d for key, _, d in TYPES if key == "ramp-winch")


def changed(leaf: str, n: int, **values: Any) -> dict[str, Any]:
    data = deepcopy(WINCH)
    data[leaf][n] |= values
    return data


@pytest.mark.parametrize(("key", "definition"), [(key, d) for key, _, d in TYPES])
def test_every_type_of_the_yard_holds_together_and_asks_nothing(key: str, definition: dict[str, Any]) -> None:
    d = read_definition(definition)
    check_definition(d)
    assert questions(d) == [], key


@pytest.mark.parametrize(
    ("data", "path"),
    [
        (changed("parts", 0, shaft="none"), "parts[0].shaft"),
        (changed("parts", 0, kind="wheelbarrow"), "parts[0].kind"),
        (changed("parts", 0, count=0), "parts[0].count"),
        (changed("parts", 1, key="motor-coupling"), "parts[0].key"),
        (changed("parts", 0, key="Not A Key"), "parts[0].key"),
        (changed("meshes", 0, driver="input-seal"), "meshes[0].driver"),
        (changed("meshes", 1, kind="bevel"), "meshes[1].kind"),
        (changed("places", 0, at="moon"), "places[0].at"),
        (changed("settings", 0, place="moon"), "settings[0].place"),
        (changed("settings", 0, rides_on="input-seal"), "settings[0].rides_on"),
        (changed("settings", 0, rests_on=["moon"]), "settings[0].rests_on[0]"),
        (changed("settings", 0, kind="guess"), "settings[0]"),
        (
            changed("settings", 0, limits=[{"least": "0.2", "greatest": "a lot", "source": "s"}]),
            "settings[0]",
        ),
        (changed("shafts", 0, after="moon"), "shafts[0].after"),
        (changed("shafts", 0, label=""), "shafts[0].label"),
    ],
)
def test_what_does_not_hold_is_named_by_its_path(data: dict[str, Any], path: str) -> None:
    with pytest.raises(InputError) as refused:
        check_definition(read_definition(data))
    assert path in refused.value.details["fields"]


def test_a_table_that_says_preload_over_a_positive_play_is_asked_about() -> None:
    row = {"least": "0.05", "greatest": "0.10", "source": "book", "text": "Preload 0.05 to 0.10"}
    asked = questions(read_definition(changed("settings", 0, limits=[row])))
    assert [q.path for q in asked] == ["settings[0].limits[0].meant"]
    assert [answer for answer, _ in asked[0].options] == ["preload", "play"]


@pytest.mark.parametrize("meant", ["play", "preload"])
def test_answered_it_is_not_asked_again(meant: str) -> None:
    row = {"least": "0.05", "greatest": "0.10", "source": "book", "text": "preload", "meant": meant}
    assert questions(read_definition(changed("settings", 0, limits=[row]))) == []


def test_a_table_of_play_is_not_asked_about() -> None:
    row = {"least": "0.05", "greatest": "0.10", "source": "book", "text": "end play"}
    assert questions(read_definition(changed("settings", 0, limits=[row]))) == []


def test_a_row_meant_as_preload_says_so_where_the_kind_asks() -> None:
    row = Limit("0.02", "0.05", "card 3", meant="preload")
    assert give_limits(find_kind("shim_pack_end_play"), {"sense": "adds"}, row)["meant"] == "preload"


def test_elsewhere_preload_is_negative_play_with_its_ends_changed_over() -> None:
    given = give_limits(find_kind("two_row_bench"), {}, Limit("0.02", "0.05", "card 3", meant="preload"))
    assert (given["least"], given["greatest"]) == ("-0.05", "-0.02")


@pytest.mark.parametrize(
    ("serial", "first", "last", "holds"),
    [
        ("RW7-0300", "RW7-0300", "RW7-0400", True),
        ("RW7-0401", "RW7-0300", "RW7-0400", False),
        ("rw7-0350", "RW7-0300", "", True),
        ("RW8-0350", "RW7-0300", "", None),
        ("no digits", "RW7-0300", "", None),
        ("anything", "", "", True),
    ],
)
def test_serials_are_compared_by_their_last_digits(
    serial: str, first: str, last: str, holds: bool | None
) -> None:
    assert in_range(serial, first, last) is holds


ROWS = (
    Limit("1", "2", "any"), Limit("3", "4", "new", serial_from="A-100"),
    Limit("5", "6", "worn", basis="worn matched parts", serial_from="A-100"),
)  # fmt: skip


@pytest.mark.parametrize(
    ("serial", "basis", "source"),
    [
        ("A-50", "new parts", "any"),
        ("A-120", "new parts", "new"),
        ("A-120", "worn matched parts", "worn"),
        ("A-50", "worn matched parts", "any"),
    ],
)
def test_the_row_for_the_machine_is_chosen(serial: str, basis: str, source: str) -> None:
    assert choose_limit(ROWS, serial, basis).source == source


def test_no_row_for_a_serial_is_refused_with_the_ranges_there_are() -> None:
    with pytest.raises(InputError, match="A-100 to last"):
        choose_limit(ROWS[1:], "A-50", "new parts")
