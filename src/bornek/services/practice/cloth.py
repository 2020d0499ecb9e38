"""The cloth lifted: what was believed beside what is true, how it ended, and what the advice would have done."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Result = Literal["", "in", "more", "out"]
"""How a rig ended: truly right and as good as the best, truly right, or not. Empty while it is open."""
MARKS: dict[str, str] = {"in": "in", "more": "at_edge", "out": "out_high", "": "not_read"}
"""The verdict mark that says it."""


@dataclass(frozen=True)
class ClothRow:
    """One thing: as it was believed, as it is."""

    label: str
    believed: str
    true: str


@dataclass(frozen=True)
class Cloth:
    """`mark` and `words` say the result; `fault`: what was wrong; `told_first`: what told it; `advice`: what the
    advice would have done, step by step."""

    result: Result
    mark: str
    words: str
    rows: list[ClothRow]
    fault: str
    told_first: str
    harm: str
    advice: list[str]
