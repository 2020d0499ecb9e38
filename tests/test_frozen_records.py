"""What core and services hand on cannot be changed by who receives it; only sums, figures and the rows of a drawing are built up line by line."""

import dataclasses
import importlib
import pkgutil
from types import ModuleType

import pytest

import bornek.core
import bornek.services


@pytest.mark.parametrize(
    ("room", "built_up"), [(bornek.core, {"Sum", "Figure", "Rows"}), (bornek.services, set())]
)
def test_every_record_is_frozen(room: ModuleType, built_up: set[str]) -> None:
    seen, loose = 0, set()
    for found in pkgutil.walk_packages(room.__path__, f"{room.__name__}."):
        module = importlib.import_module(found.name)
        for name, thing in vars(module).items():
            if isinstance(thing, type) and dataclasses.is_dataclass(thing) and thing.__module__ == found.name:
                seen += 1
                if not thing.__dataclass_params__.frozen:  # type: ignore[attr-defined]
                    loose.add(name)
    assert seen > 50
    assert loose == built_up
