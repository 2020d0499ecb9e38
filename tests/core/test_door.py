"""The door: every bad input is refused with its field, the reason and the next step; work stays bounded."""

import math
from collections.abc import Callable
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.compute import compute
from bornek.core.door import check_plain, read_json
from bornek.core.errors import BornekError, InputError
from bornek.core.quantities import parse
from fuzz import HOSTILE, SOUND, answer_of, hurt

KIND = "shim_pack_end_play"
EACH = 63


def changed(**parts: Any) -> dict[str, Any]:
    return SOUND[KIND] | parts


def refused(data: Any, kind: str = KIND) -> BornekError:
    with pytest.raises(BornekError) as error:
        compute(kind, data)
    assert error.value.next_step
    return error.value


@pytest.mark.parametrize("kind", SOUND)
def test_the_sound_input_of_every_kind_is_answered(kind: str) -> None:
    assert answer_of(kind, SOUND[kind]) == "answered"


@pytest.mark.parametrize("kind", SOUND)
def test_hostile_inputs_are_answered_or_refused_and_never_break(kind: str) -> None:
    answers = {seed: answer_of(kind, hurt(kind, seed)) for seed in range(EACH)}
    assert set(answers.values()) <= {"answered", "refused"}, answers


@pytest.mark.parametrize(
    "value", [v for v in HOSTILE if isinstance(v, float) and not math.isfinite(v)] + [10**400, 1e308]
)
@pytest.mark.parametrize("where", ["given", "entries", "stock", "gauges", "history", "acts"])
def test_a_number_that_cannot_be_is_refused_wherever_it_stands(value: float, where: str) -> None:
    put: dict[str, Any] = {
        "given": SOUND[KIND]["given"] | {"least": value},
        "entries": [{"slot": "travel.mark_up.1", "value": value}],
        "stock": {"0.05": value},
        "gauges": [{"division": value}],
        "history": [{"k": value, "se": 0.1}],
        "acts": [{"states": {"pack": [value]}}],
    }
    error = refused(changed(**{where: put[where]}))
    assert error.field is not None
    assert error.field.startswith(where)


@pytest.mark.parametrize(
    ("parts", "field"),
    [
        ({"gauge": "nobody"}, "gauge"),
        ({"entries": [{"slot": "travel.mark_up.1", "value": 0.2, "gauge": "nobody"}]}, "entries[0].gauge"),
        ({"gauges": [{"id": "t", "unit": "N·m", "quantity": "torque"}], "gauge": "t"}, "entries[0].gauge"),
        ({"stock": {"0.05": -1}}, "stock"),
        ({"stock": {"0.05": 2.5}}, "stock"),
        ({"given": SOUND[KIND]["given"] | {"positions": 2.9}}, "positions"),
        ({"given": SOUND[KIND]["given"] | {"sense": ["adds"]}}, "sense"),
        ({"entries": [{"slot": ["travel"], "value": 1}]}, "entries[0].slot"),
        ({"entries": [{"slot": "travel.mark_up.1", "value": 0.2, "id": ["a"]}]}, "entries[0].id"),
        ({"explanations": [{"round": 1, "cause": "luck"}]}, "explanations[0].cause"),
        ({"acts": [{"kind": "wish", "states": {}}]}, "acts[0].kind"),
        ({"given": []}, "given"),
        ({"surprise": 1}, "surprise"),
    ],
)  # fmt: skip
def test_nonsense_is_refused_by_the_name_of_its_field(parts: dict[str, Any], field: str) -> None:
    assert refused(changed(**parts)).field == field


@pytest.mark.parametrize(
    "paint",
    [
        {"flank": "coast", "mask": [[1]]},
        {"flank": "drive", "mask": [[1, 0], [1]]},
        {"flank": "drive", "mask": [["wet"]]},
        {"flank": "drive", "mask": [[2]]},
        {"flank": ["drive"], "mask": [[1]]},
        {"flank": "drive", "mask": []},
    ],
)
def test_paint_that_is_ragged_or_on_the_other_flank_is_refused(paint: Any) -> None:
    data = SOUND["bevel_mesh"] | {"entries": [{"slot": "paint.drive", "value": paint}]}
    assert refused(data, "bevel_mesh").field == "entries[0]"


def nested(levels: int) -> Any:
    found: Any = 1
    for _ in range(levels):
        found = [found]
    return found


@pytest.mark.parametrize("text", ["[" * 100_000, "NaN", "1" * 5000, '{"a": Infinity}', "{", b"\xff\xfe"])
def test_what_is_no_json_is_refused(text: str | bytes) -> None:
    with pytest.raises(InputError) as error:
        read_json(text)
    assert error.value.field


@given(st.integers(13, 5000))
def test_depth_is_bounded_without_recursion(levels: int) -> None:
    with pytest.raises(InputError, match="nested at most"):
        check_plain(nested(levels))


@pytest.mark.parametrize(
    ("text", "quantity", "value"),
    [
        ("12,5 hundredths mm", "length", 0.125),
        ("12 hundredths", "length", 0.12),
        ("3/64", "length", 3 / 64 * 25.4),
        ("1 1/8", "length", 28.575),
        ("3/64 mm", "length", 0.046875),
        ("8 tenths", "length", 0.02032),
        ("8 tenths of a thou", "length", 0.02032),
        ("8 thou", "length", 0.2032),
        (".008 in", "length", 0.2032),
        ("5 microns", "length", 0.005),
        ("12 kgf", "force", 117.6798),
        ("20 lbf", "force", 88.964432),
        ("40 lb·in", "torque", 4.519394),
        ("40 in-lb", "torque", 4.519394),
        ("85 lb-ft", "torque", 115.244529),
        ("2 kgf·m", "torque", 19.6133),
        ("   0.20   mm  ", "length", 0.2),
    ],
)
def test_every_unit_is_read_as_it_is_spoken(text: str, quantity: str, value: float) -> None:
    assert parse(text, quantity).value == pytest.approx(value, rel=1e-6)


@pytest.mark.parametrize("text", [" " * 8000 + "1", "1" + " " * 8000, "9" * 400, "1 " * 200])
def test_a_text_that_is_no_reading_is_refused_at_once(text: str) -> None:
    with pytest.raises(InputError):
        parse(text)


def work(make: Callable[[], Any]) -> int:
    """Lines of the core that run: the same on every machine."""
    import sys

    lines = 0

    def count(frame: Any, event: str, arg: Any) -> Any:
        nonlocal lines
        lines += event == "line"
        return count

    sys.settrace(count)
    try:
        make()
    finally:
        sys.settrace(None)
    return lines


def rounds_of(n: int) -> dict[str, Any]:
    entries, acts = [], []
    for number in range(1, n + 1):
        entries += [row | {"round": number} for row in SOUND[KIND]["entries"]]
        acts.append(
            {"round": number, "states": {"pack": [0.5, 0.2, 0.1] if number % 2 else [0.5, 0.2, 0.05]}}
        )
    return changed(entries=entries, acts=acts, explanations=[], history=[])


def drawer_of(n: int) -> dict[str, Any]:
    return changed(stock={f"{(n + 2) / 100:.2f}": 20 for n in range(n)})


def jobs_of(n: int) -> dict[str, Any]:
    return changed(
        history=[
            {"setting": f"s{i}", "serial": f"u{i}", "k": 0.9 + i % 7 / 100, "se": 0.03} for i in range(n)
        ]
    )


@pytest.mark.parametrize(
    ("make", "sizes"), [(rounds_of, (6, 12)), (drawer_of, (100, 200)), (jobs_of, (20, 40))]
)
def test_twice_the_input_is_at_most_two_and_a_half_times_the_work(make: Any, sizes: tuple[int, int]) -> None:
    compute(KIND, make(2))
    less, more = (work(lambda n=n: compute(KIND, make(n))) for n in sizes)  # type: ignore[misc]
    assert more <= 2.5 * less


def test_a_drawer_of_four_hundred_thicknesses_is_thinned_with_a_word_about_it() -> None:
    sheet = compute(KIND, drawer_of(400))
    assert "thicknesses were left out" in sheet["aside"]
    assert sheet["move"]["best"] is not None
