"""The names of shafts: what is written at an end of each, and where."""

from __future__ import annotations

import unicodedata

from bornek.core.section.laid import Laid, Point
from bornek.core.units.definition import Shaft

LETTER, MOST_WIDE = 7.9, 230.0
BEYOND = 30.0


def shown_name(laid: Laid, shaft: Shaft) -> str:
    """Its label, with how many pins it stands for, cut where it would not find room."""
    count = max((s.part.count for s in laid.placed.spots[shaft.key] if s.part.teeth), default=1)
    tail = f" ×{count}" if shaft.pins and count > 1 else ""
    return shortened(shaft.label, MOST_WIDE - wide_of(tail)) + tail


def wide_of(text: str) -> float:
    """How wide a text is on the sheet; letters of east Asian scripts are twice as wide."""
    return LETTER * sum(
        0 if unicodedata.combining(c) else 2 if unicodedata.east_asian_width(c) in "WF" else 1 for c in text
    )


def shortened(text: str, wide: float) -> str:
    """
    >>> shortened("input shaft", 200), shortened("a very long name of a shaft", 80)
    ('input shaft', 'a very lo…')
    """
    text = " ".join(text.split())
    if wide_of(text) <= wide:
        return text
    while text and wide_of(text) > wide - LETTER:
        text = text[:-1]
    return text.rstrip() + "…"


def name_spot(laid: Laid, shaft: Shaft) -> Point:
    """Just beyond the end of a shaft that lies nearer to the outside."""
    frame, w = laid.frames[shaft.key], laid.placed.walls
    first, last = laid.placed.ends(shaft.key)
    first, last = first - BEYOND, last + BEYOND
    if w is None:
        return frame.at(first, 0)
    low, high = (w.top, w.bottom) if frame.upright else (w.left, w.right)
    return frame.at(first, 0) if low - first >= last - high else frame.at(last, 0)
