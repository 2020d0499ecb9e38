"""What every kind declares and says, and the advisor's numbers: none of it moves unseen."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest

from bornek.core.settings.registry import kinds
from written import PAGES, kept
from written_cases import CASES


@pytest.mark.parametrize(
    ("say", "name"), [pytest.param(say, n, id=f"{say.__name__}-{n}") for say, n in PAGES]
)
def test_it_is_as_it_was_written_down(say: Callable[[str], dict[str, Any]], name: str) -> None:
    assert say(name) == kept(say, name)


def test_no_kind_is_left_out() -> None:
    assert {c.kind for c in CASES.values()} == {k.id for k in kinds()}
