"""What every kind declares and says is written down: a bound, a prior or a word does not move unseen."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any

import pytest

from bornek.core.settings.registry import kinds
from written_cases import BOOKS, CASES, Case, page


@pytest.mark.parametrize(
    ("say", "name"), [pytest.param(say, n, id=f"{say.__name__}-{n}") for say, names in BOOKS for n in names]
)
def test_each_kind_says_what_was_written_down(say: Callable[[Case], dict[str, Any]], name: str) -> None:
    assert say(CASES[name]) == json.loads(page(say, name).read_text(encoding="utf-8"))


def test_no_kind_is_left_out() -> None:
    assert {c.kind for c in CASES.values()} == {k.id for k in kinds()}
