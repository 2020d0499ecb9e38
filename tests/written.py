"""What is written down of kinds and advisor, page by page; `make written` writes it again.

The change is then read line by line before it is kept: the pages hold what was true when they were written.
"""

from __future__ import annotations

import json
import re
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from written_advice import WEIGHED, weighed
from written_cases import CASES, DECLARED, declared, told
from written_views import VIEWS, shown

SHORT_LIST = re.compile(r"\[\n[^\[\]{}]*\n\s*\]")
WRITTEN = Path(__file__).parent / "written_pages"
PAGES: tuple[tuple[Callable[[str], dict[str, Any]], str], ...] = (
    *((told, n) for n in CASES),
    *((declared, n) for n in DECLARED),
    *((weighed, n) for n in WEIGHED),
)
"""What the core says; the views of the demo yard have pages too."""


def page(say: Callable[[str], dict[str, Any]], name: str) -> Path:
    return WRITTEN / f"{say.__name__}-{name}.json"


def kept(say: Callable[[str], dict[str, Any]], name: str) -> Any:
    """The page as it is kept, to be compared: another machine's arithmetic may round otherwise."""
    return _close(json.loads(page(say, name).read_text(encoding="utf-8")))


def _close(value: Any) -> Any:
    if isinstance(value, float):
        return pytest.approx(value, rel=1e-5, abs=1e-8)
    if isinstance(value, dict):
        return {k: _close(v) for k, v in value.items()}
    if isinstance(value, list):
        return [_close(v) for v in value]
    return value


def _on_one_line(found: re.Match[str]) -> str:
    return "[" + re.sub(r"\n\s*", " ", found[0][1:-1]).strip() + "]"


if __name__ == "__main__":
    WRITTEN.mkdir(exist_ok=True)
    for say, name in (*PAGES, *((shown, n) for n in VIEWS)):
        text = json.dumps(say(name), ensure_ascii=False, indent=1)
        page(say, name).write_text(SHORT_LIST.sub(_on_one_line, text) + "\n", encoding="utf-8")
