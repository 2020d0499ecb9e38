"""What is written down of kinds and advisor, page by page; `make written` writes it again.

The change is then read line by line before it is kept: the pages hold what was true when they were written.
"""

from __future__ import annotations

import json
import re
from collections.abc import Callable
from pathlib import Path
from typing import Any

from written_advice import WEIGHED, weighed
from written_cases import CASES, DECLARED, declared, told

SHORT_LIST = re.compile(r"\[\n[^\[\]{}]*\n\s*\]")
WRITTEN = Path(__file__).parent / "core" / "written"
PAGES: tuple[tuple[Callable[[str], dict[str, Any]], str], ...] = (
    *((told, n) for n in CASES),
    *((declared, n) for n in DECLARED),
    *((weighed, n) for n in WEIGHED),
)


def page(say: Callable[[str], dict[str, Any]], name: str) -> Path:
    return WRITTEN / f"{say.__name__}-{name}.json"


def _on_one_line(found: re.Match[str]) -> str:
    return "[" + re.sub(r"\n\s*", " ", found[0][1:-1]).strip() + "]"


if __name__ == "__main__":
    WRITTEN.mkdir(exist_ok=True)
    for say, name in PAGES:
        text = json.dumps(say(name), ensure_ascii=False, indent=1)
        page(say, name).write_text(SHORT_LIST.sub(_on_one_line, text) + "\n", encoding="utf-8")
