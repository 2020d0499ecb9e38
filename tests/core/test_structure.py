from dataclasses import dataclass
from typing import Literal

import pytest

from bornek.core.errors import InputError
from bornek.core.structure import build


@dataclass(frozen=True)
class Leaf:
    size: float
    side: Literal["left", "right"] = "left"


@dataclass(frozen=True)
class Tree:
    name: str
    leaves: tuple[Leaf, ...] = ()
    ripe: bool = False
    rest: str | None = None


def test_nested_data_becomes_records() -> None:
    tree = build(Tree, {"name": " oak ", "leaves": [{"size": 2}], "ripe": True})
    assert tree == Tree("oak", (Leaf(2.0),), True)


@pytest.mark.parametrize(
    ("data", "path", "why"),
    [
        ({}, "name", "is missing"),
        ({"name": 3}, "name", "must be a text"),
        ({"name": "x", "leaves": [{"size": "wide"}]}, "leaves[0].size", "must be a number"),
        (
            {"name": "x", "leaves": [{"size": 1, "side": "up"}]},
            "leaves[0].side",
            "must be one of left, right",
        ),
        ({"name": "x", "leaves": {}}, "leaves", "must be a list"),
        ({"name": "x", "leaves": [3]}, "leaves[0]", "must be an object"),
        ({"name": "x", "ripe": "yes"}, "ripe", "must be true or false"),
        ({"name": "x", "bark": 1}, "bark", "is not known here"),
        ({"name": "x", "leaves": [{"size": 1}] * 401}, "leaves", "more than 400"),
        ({"name": "x" * 2001}, "name", "at most 2000"),
    ],
)
def test_each_misfit_is_named_by_its_path(data: dict, path: str, why: str) -> None:
    with pytest.raises(InputError) as refused:
        build(Tree, data)
    assert why in refused.value.details["fields"][path]


def test_all_misfits_come_at_once() -> None:
    with pytest.raises(InputError) as refused:
        build(Tree, {"leaves": [{}], "ripe": 1})
    assert set(refused.value.details["fields"]) == {"name", "leaves[0].size", "ripe"}
