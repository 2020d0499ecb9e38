"""Every kind, read so far and no further: the strip is there from the start, and the headline asks for the rest."""

from __future__ import annotations

from typing import Any

import pytest

from bornek.core.compute import compute
from bornek.core.settings.registry import find_kind
from written_cases import CASES, DECLARED, played


def said(sheet: dict[str, Any]) -> str:
    return "".join(span["text"] for span in sheet["say"])


@pytest.mark.parametrize("name", DECLARED)
def test_before_anything_is_read_the_window_is_on_a_strip(name: str) -> None:
    case = CASES[name]
    sheet = compute(case.kind, {"given": dict(case.given)})
    if not sheet["cells"]:
        pytest.skip("nothing is read at it")
    assert [s for s in sheet["scenes"] if s["type"] == "readout"]


@pytest.mark.parametrize("name", DECLARED)
def test_while_readings_are_owed_the_headline_asks_for_them(name: str) -> None:
    """Never that nothing helps: that rests on what was not read yet."""
    case = CASES[name]
    stations = compute(case.kind, {"given": dict(case.given), "stock": dict(case.stock)})["cells"]
    for most in range(1, len(stations)):
        sheet = played(case, most)
        assert "gets nearer" not in said(sheet)
        if sheet["next"] is None:
            break


def test_an_adjuster_that_is_no_shim_is_not_looked_for_in_a_drawer() -> None:
    for name in DECLARED:
        kind = find_kind(CASES[name].kind)
        sheet = played(CASES[name])
        if not kind.from_drawer:
            assert "drawer" not in said(sheet), name
