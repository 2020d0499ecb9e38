"""An adjuster's state: what it comes to, how it is said, kept and read back."""

import ast
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bornek.core.errors import InputError
from bornek.core.quantities import Speech
from bornek.core.settings.state import (
    PackPair,
    Position,
    ShimPack,
    State,
    read_state,
    show_state,
    stored_state,
)

SOURCE = Path(__file__).parents[2] / "src/bornek"
plates = st.lists(st.integers(10_000, 2_000_000), max_size=6).map(tuple)
states = st.one_of(
    st.builds(ShimPack, plates),
    st.builds(PackPair, plates, plates),
    st.builds(Position, st.floats(-720, 720), st.sampled_from(["mm", "deg"]), st.just(0.005)),
)


@given(states)
def test_what_is_stored_comes_back_the_same(state: State) -> None:
    assert stored_state(state.dump()) == state


def test_the_first_form_of_storing_is_still_read() -> None:
    assert stored_state({"plates": [80_000, 500_000]}) == ShimPack((500_000, 80_000))
    assert stored_state({"at": 41.4}) == Position(41.4)
    assert stored_state({}) is None


@given(plates, plates)
def test_a_pair_laid_at_its_places_is_two_packs(left: tuple[int, ...], right: tuple[int, ...]) -> None:
    laid = PackPair(left, right).by_place(("a", "b"))
    assert laid == {"a": ShimPack(left), "b": ShimPack(right)}


@pytest.mark.parametrize("unit", ["mm", "thou"])
def test_a_nut_s_angle_is_what_was_typed_in_a_job_of_any_unit(unit: str) -> None:
    state = read_state("position", "63", unit, "deg")
    assert state.position == 63.0
    assert state.label(Speech(unit)) == "63.0°"


def test_a_bare_length_is_in_the_jobs_unit_and_shown_so() -> None:
    state = read_state("position", "250", "thou", "mm")
    assert state.position == pytest.approx(6.35)
    assert state.label(Speech("thou")) == "250"


def test_plates_typed_in_thou_are_thou() -> None:
    assert read_state("pack", ["10", "0.1 mm"], "thou").packs == ((254_000, 100_000),)


@pytest.mark.parametrize(
    ("sort", "raw"),
    [
        ("pack", "0.5"), ("pack", [0]), ("pack", [21]), ("pack", [True]), ("pack", [0.1] * 21),
        ("pair", [0.1]), ("pair", {"left": [0.1]}), ("pair", {"left": [0.1], "right": "x"}),
        ("position", [1.0]), ("position", True), ("position", {}),
    ],
)  # fmt: skip
def test_what_cannot_be_a_state_is_refused_in_words(sort: Any, raw: Any) -> None:
    with pytest.raises(InputError) as refused:
        read_state(sort, raw)
    assert refused.value.field == "states"


def test_the_page_is_given_labels_and_converts_nothing() -> None:
    shown = show_state(PackPair((508_000,), (254_000,)), Speech("thou"))
    assert [[p.label for p in pack] for pack in shown.packs] == [["20"], ["10"]]
    assert shown.label == "20 left, 10 right"


def test_only_its_own_module_asks_which_sort_a_state_is() -> None:
    """isinstance (or match) on a state or on a bare tuple or number in its place."""
    sorts = {"ShimPack", "PackPair", "Position", "State"}
    own = SOURCE / "core/settings/state.py"
    asked = []
    for path in SOURCE.rglob("*.py"):
        text = path.read_text(encoding="utf-8")
        if not any(name in text for name in sorts):
            continue
        for node in ast.walk(ast.parse(text)):
            names: set[str] = set()
            if isinstance(node, ast.Call) and getattr(node.func, "id", "") == "isinstance":
                names = {n.id for n in ast.walk(node.args[1]) if isinstance(n, ast.Name)}
            elif isinstance(node, ast.MatchClass):
                names = {getattr(node.cls, "id", "")}
            if names & sorts and path != own:
                asked.append(f"{path.name}:{node.lineno}")
    assert asked == []


def test_what_stands_at_one_place_lies_there_whole() -> None:
    pack, nut = ShimPack((500_000,)), Position(63.0, "deg")
    assert pack.by_place(("cover",)) == {"cover": pack}
    assert nut.by_place(("shaft",)) == {"shaft": nut}


def test_the_page_divides_by_no_million() -> None:
    page = Path(__file__).parents[2] / "frontend/src"
    sources = [p for p in page.rglob("*") if p.suffix in (".ts", ".vue")]
    assert len(sources) > 50
    assert [p.name for p in sources if "1e6" in p.read_text(encoding="utf-8")] == []
