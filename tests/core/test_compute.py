"""The envelope of `compute`: entries, acts, gauges, stock and history from plain JSON."""

from typing import Any

import pytest

from bornek.core.compute import compute, input_schema
from bornek.core.errors import BornekError, InputError, RangeError, UnitError, UnknownKind
from bornek.core.raw import read_raw
from bornek.core.settings.kind import Slot
from bornek.core.settings.records import Between, Choice, Confirm, Paint, Scalar
from bornek.core.settings.state import read_state
from helpers import plates

GIVEN = {"least": 0.06, "greatest": 0.12, "sense": "adds", "torque": 80, "source": "card"}
KIND = "shim_pack_end_play"


def slot(accepts: Any, **more: Any) -> Slot:
    return Slot(
        key="k",
        label="Station",
        group="G",
        axes={},
        quantity="length",
        nature="travel",
        accepts=accepts,
        **more,
    )


def test_every_way_of_answering_a_station() -> None:
    assert read_raw(slot("scalar"), "8 thou", "mm") == Scalar(0.2032)
    assert read_raw(slot("scalar"), 0.2, "thou") == Scalar(0.2)
    assert read_raw(slot("confirm"), True, "mm") == Confirm(True)
    assert read_raw(slot("choice", options=(("y", "yes"),)), "y", "mm") == Choice("y")
    assert read_raw(slot("between"), "0.09 0.10", "mm") == Between(0.09, 0.10)
    assert read_raw(slot("between"), "0.09/0.10", "mm") == Between(0.09, 0.10)
    assert read_raw(slot("between"), [0.09, 0.10], "mm") == Between(0.09, 0.10)
    assert read_raw(slot("paint"), {"flank": "drive", "mask": [[0, 1]]}, "mm") == Paint(
        "drive", ((0.0, 1.0),)
    )


@pytest.mark.parametrize(
    ("accepts", "raw"),
    [
        ("scalar", None),
        ("scalar", True),
        ("scalar", "x"),
        ("confirm", "yes"),
        ("choice", "z"),
        ("between", "0.1"),
        ("between", "0.10 0.09"),
        ("between", 3),
        ("paint", []),
        ("paint", {"mask": 3}),
    ],
)
def test_what_a_station_cannot_take_is_refused_clearly(accepts: Any, raw: Any) -> None:
    with pytest.raises(InputError) as refused:
        read_raw(slot(accepts), raw, "mm")
    assert refused.value.message


def test_states_are_packs_or_positions() -> None:
    assert read_state("pack", [0.1, "0.5", "10 thou"]).packs == ((500_000, 254_000, 100_000),)
    assert read_state("pack", []).packs == ((),)
    assert read_state("position", "6.78").position == 6.78
    assert read_state("position", "10", "thou").position == pytest.approx(0.254)
    assert read_state("pack", ["10"], "thou").packs == ((254_000,),)


@pytest.mark.parametrize("raw", [[0], [-0.1], [21], [None], [0.1] * 21, None, {}, True])
def test_a_state_that_cannot_be_is_refused(raw: Any) -> None:
    with pytest.raises(BornekError):
        read_state("pack", raw)


def test_an_entry_in_the_gauges_unit() -> None:
    gauge = {"id": "d", "name": "dial", "unit": "thou", "division": 1.0}
    entries = [{"slot": "travel.mark_up.1", "text": "6"}]
    sheet = compute(KIND, {"given": GIVEN, "gauges": [gauge], "entries": entries})
    assert sheet["outcome"]["results"][0]["value"]["v"] == pytest.approx(0.1524)


@pytest.mark.parametrize(
    "gauge",
    [{"unit": "N"}, {"division": -1}, {"interpolation": 3}, {"made_by": "x"}, {"division": "thick"}],
)
def test_a_gauge_that_cannot_be_is_refused(gauge: dict[str, Any]) -> None:
    with pytest.raises((RangeError, InputError)):
        compute(KIND, {"given": GIVEN, "gauges": [gauge]})


def test_an_overdue_and_a_coarse_gauge_are_said() -> None:
    gauge = {"name": "old dial", "division": 0.05, "overdue": True}
    entries = [{"slot": "travel.mark_up.1", "text": "0.1"}]
    sheet = compute(KIND, {"given": GIVEN, "gauges": [gauge], "entries": entries})
    words = " ".join(c["sentence"] for c in sheet["outcome"]["checks"])
    assert "past its calibration date" in words
    assert "Take a finer gauge" in words


def test_the_unknown_kind_lists_those_there_are() -> None:
    with pytest.raises(UnknownKind) as refused:
        compute("nothing", {})
    assert KIND in refused.value.next_step


def test_the_rounds_are_as_many_as_the_acts_and_entries_say() -> None:
    acts = [{"round": n, "states": {"pack": [0.5]}} for n in (1, 2, 3)]
    assert compute(KIND, {"given": GIVEN, "acts": acts})["round"] == 3


@pytest.mark.parametrize("rounds", [0, -1, 501, "two", 1.5, True])
def test_a_round_is_a_whole_number_in_range(rounds: Any) -> None:
    with pytest.raises(InputError, match="whole number"):
        compute(KIND, {"given": GIVEN, "acts": [{"round": rounds, "states": {"pack": [0.5]}}]})


def test_stock_is_read_as_spoken() -> None:
    acts = [{"states": {"pack": [0.5, 0.25]}}]
    entries = [{"slot": f"travel.mark_up.{n}", "text": "0.30"} for n in (1, 2, 3)]
    data = {"given": GIVEN, "acts": acts, "entries": entries, "stock": {"2 thou": 4}}
    found = plates(compute(KIND, data)["move"]["best"])
    assert 0.0508 in found
    with pytest.raises(UnitError):
        compute(KIND, data | {"stock": {"2 kgf": 1}})


def test_the_schema_describes_the_envelope() -> None:
    schema = input_schema(KIND)
    assert schema["required"] == ["given"]
    assert schema["properties"]["unit"]["enum"] == ["mm", "thou"]
    assert "least" in schema["properties"]["given"]["properties"]
