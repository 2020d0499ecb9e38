"""What the core hands on cannot be changed by who receives it; only a sum is built up line by line."""

import dataclasses
import importlib
import pkgutil

import bornek.core

BUILT_UP = {"Sum"}


def test_every_record_of_the_core_is_frozen() -> None:
    seen, loose = 0, set()
    for found in pkgutil.walk_packages(bornek.core.__path__, "bornek.core."):
        module = importlib.import_module(found.name)
        for name, thing in vars(module).items():
            if isinstance(thing, type) and dataclasses.is_dataclass(thing) and thing.__module__ == found.name:
                seen += 1
                if not thing.__dataclass_params__.frozen:  # type: ignore[attr-defined]
                    loose.add(name)
    assert seen > 100
    assert loose == BUILT_UP
