"""Whatever the schema allows is drawn, or refused in words that name the thing: never an error of the program, never
two flags over each other."""

import math
import os
from collections.abc import Callable
from itertools import combinations
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bornek.core.errors import InputError
from bornek.core.scenes import Section
from bornek.core.section.draw_section import draw_section
from bornek.core.units.checks import check_definition
from bornek.core.units.definition import read_definition
from bornek.core.units.half_built import read_half_built
from bornek.core.units.part_kinds import PART_KINDS
from bornek.core.units.told import tell

EXAMPLES = int(os.environ.get("BORNEK_FUZZ", "20"))
"""Few in every run; at length with `make fuzz`."""
SHAFTS = ["a", "b", "c", "d"]
PARTS = [f"p{i}" for i in range(12)]
LABELS = st.sampled_from(
    [
        "Shaft",
        "Längliche Welle mit einem sehr langen Namen " * 4,
        "主動軸組立" * 20,
        "וועל",
        "a" * 200,
        "Вал " * 50,
        " ",
    ]
)
SHAFT_KEY = st.sampled_from([*SHAFTS, "", "gone"])
PART_KEY = st.sampled_from([*PARTS[:8], "", "gone"])


def rows(
    keys: list[str], fields: dict[str, st.SearchStrategy[Any]]
) -> st.SearchStrategy[list[dict[str, Any]]]:
    """Some rows with keys of these, now and then one twice."""
    return st.lists(
        st.fixed_dictionaries({"key": st.sampled_from(keys), "label": LABELS}, optional=fields),
        max_size=len(keys),
    )


DEFINITIONS = st.fixed_dictionaries(
    {
        "shafts": rows(
            SHAFTS,
            {
                "line": st.sampled_from(["level", "upright"]),
                "carried": st.booleans(),
                "after": SHAFT_KEY,
                "beside": SHAFT_KEY,
                "inside": SHAFT_KEY,
                "enters": PART_KEY,
                "pins": PART_KEY,
                "hollow": st.booleans(),
                "stands": st.booleans(),
            },
        ),
        "parts": rows(
            PARTS,
            {
                "shaft": SHAFT_KEY,
                "size": st.sampled_from([0.3, 1.0, 3.0]),
                "teeth": st.sampled_from([0, 1, 17, 72, 500]),
                "count": st.sampled_from([1, 3, 500]),
                "flip": st.booleans(),
                "held": st.booleans(),
                "free": st.booleans(),
            },
        ).flatmap(lambda made: st.tuples(*(st.sampled_from(list(PART_KINDS)).map(lambda k, r=r: r | {"kind": k}) for r in made)).map(list)),
        "meshes": rows(
            ["m", "n", "o"],
            {
                "driver": PART_KEY,
                "driven": PART_KEY,
                "kind": st.sampled_from(["spur", "bevel", "worm", "sector", "hypoid", "internal"]),
                "toward": st.sampled_from(["left", "right", "above", "below", "out"]),
                "body": st.sampled_from(["left", "right", "above", "below"]),
            },
        ).map(lambda made: [{"driver": "p0", "driven": "p1"} | r for r in made]),
        "places": rows([f"at{i}" for i in range(9)], {"at": PART_KEY, "shim_form": st.sampled_from(["none", "plain"])}),
        "split": st.sampled_from(["", "along", "across"]),
        "plate": st.lists(PART_KEY, max_size=3),
    }
)  # fmt: skip


def sound(section: Section) -> None:
    boxes = [(f.x, f.y, f.x + f.w, f.y + f.h) for f in section.flags]
    boxes += [(x.x, x.y, x.x + x.w, x.y + x.h) for x in section.labels]
    over = [
        (a, b)
        for a, b in combinations(boxes, 2)
        if a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
    ]
    assert over == []
    points = [p for s in section.shapes for p in s.points]
    points += [(x, y) for a, b, c, d in boxes for x, y in ((a, b), (c, d))]
    assert all(
        math.isfinite(x) and -1 <= x <= section.width + 1 and -1 <= y <= section.height + 1 for x, y in points
    )


@settings(max_examples=EXAMPLES, suppress_health_check=[HealthCheck.too_slow])
@given(data=DEFINITIONS)
def test_any_definition_is_drawn_as_far_as_it_goes(data: dict[str, Any]) -> None:
    half = read_half_built(data)
    sound(draw_section(half.d))
    for trouble in tell(data, half.wrong):
        assert trouble.words.startswith("The ") and "[" not in trouble.words.split("“")[0], trouble
        assert "names no" not in trouble.words and "gone" not in trouble.words


@settings(max_examples=EXAMPLES, suppress_health_check=[HealthCheck.too_slow])
@given(data=DEFINITIONS)
def test_what_is_stored_is_sound_or_refused_in_words(data: dict[str, Any]) -> None:
    refused = refusal(data)
    if refused is None:
        sound(draw_section(read_definition(data)))
    else:
        assert refused.message.startswith("The unit type does not hold together. The ")
        assert refused.next_step


def refusal(data: dict[str, Any]) -> InputError | None:
    try:
        check_definition(read_definition(data))
    except InputError as error:
        return error
    return None


JUNK = st.recursive(
    st.one_of(st.none(), st.booleans(), st.integers(-5, 600), st.text(max_size=5)),
    lambda inner: st.one_of(st.lists(inner, max_size=3), st.dictionaries(st.sampled_from(["key", "label", "shaft", "kind"]), inner)),
)  # fmt: skip


@given(
    data=st.dictionaries(st.sampled_from(["shafts", "parts", "places", "plate", "split", "nonsense"]), JUNK)
)
def test_what_the_schema_does_not_allow_is_read_as_far_as_it_goes(data: dict[str, Any]) -> None:
    half = read_half_built(data)
    sound(draw_section(half.d))
    assert tell(data, half.wrong) is not None


def shaft(n: int) -> dict[str, Any]:
    kinds = list(PART_KINDS)
    return {
        "shafts": [{"key": "s", "label": "long shaft"}],
        "parts": [
            {"key": f"p{i}", "label": f"part {i}", "kind": kinds[i % len(kinds)], "shaft": "s"}
            for i in range(n)
        ],
        "places": [{"key": f"at{i}", "label": f"place {i}", "at": f"p{i}"} for i in range(0, n, 7)],
    }


def forty(n: int) -> dict[str, Any]:
    return {
        "shafts": [{"key": f"s{i}", "label": f"shaft {i}"} for i in range(n)],
        "parts": [
            {"key": f"{kind[0]}{i}-{j}", "label": kind, "kind": kind, "shaft": f"s{i}"}
            for i in range(n)
            for j, kind in enumerate(("ball_bearing", "gear", "ball_bearing"))
        ],
        "places": [{"key": f"at{i}", "label": "place", "at": f"g{i}-1"} for i in range(n)],
    }


@pytest.mark.parametrize(("made", "n"), [(shaft, 1), (shaft, 40), (shaft, 120), (forty, 12)])
def test_one_part_and_a_very_long_unit_are_drawn(made: Callable[[int], dict[str, Any]], n: int) -> None:
    section = draw_section(read_definition(made(n)))
    sound(section)
    assert section.shapes and section.width < 45 * n + 900
