"""What every kind declares and says, and the advisor's numbers: none of it moves unseen."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any

import pytest

from bornek.core.settings.registry import kinds
from written import PAGES, page
from written_cases import CASES


@pytest.mark.parametrize(
    ("say", "name"), [pytest.param(say, n, id=f"{say.__name__}-{n}") for say, n in PAGES]
)
def test_it_is_as_it_was_written_down(say: Callable[[str], dict[str, Any]], name: str) -> None:
    assert say(name) == _close(json.loads(page(say, name).read_text(encoding="utf-8")))


def test_no_kind_is_left_out() -> None:
    assert {c.kind for c in CASES.values()} == {k.id for k in kinds()}


def _close(value: Any) -> Any:
    """Numbers within a hundred-thousandth: another machine's arithmetic may round otherwise."""
    if isinstance(value, float):
        return pytest.approx(value, rel=1e-5, abs=1e-8)
    if isinstance(value, dict):
        return {k: _close(v) for k, v in value.items()}
    if isinstance(value, list):
        return [_close(v) for v in value]
    return value
