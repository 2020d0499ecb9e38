"""A gear's teeth: which are damaged, in what pattern, and which mates they meet."""

from __future__ import annotations

import itertools
import math
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import RangeError

Flank = Literal["drive", "coast", "both", "tip"]
DAMAGE = (
    ("pits", "pits"), ("spall", "broken out"), ("chip", "chipped"), ("crack", "cracked"), ("broken", "broken off"),
    ("scuff", "scuffed"), ("end_wear", "worn at one end"), ("wear", "worn"),
)  # fmt: skip
DAMAGE_WORDS = dict(DAMAGE)
GRADED_AS = {
    "pits": "worn_within", "spall": "worn_beyond", "chip": "worn_beyond", "crack": "unsafe", "broken": "unsafe",
    "scuff": "worn_within", "end_wear": "worn_within", "wear": "worn_within",
}  # fmt: skip
"""What damage on a tooth comes to as a grade: a cracked or broken tooth breaks the next."""


@dataclass(frozen=True)
class ToothMark:
    tooth: int
    flank: Flank
    damage: str


@dataclass(frozen=True)
class ToothShape:
    """One tooth of the ring, as drawn: `number` from the mark clockwise, its two flanks and its tip."""

    number: int
    points: tuple[tuple[float, float], ...]
    at: tuple[float, float]
    drive: str = ""
    coast: str = ""
    tip: str = ""


@dataclass(frozen=True)
class ToothRing:
    label: str
    size: float
    teeth: tuple[ToothShape, ...]
    words: str


SIZE = 400.0


def hunting_words(z1: int, z2: int, lapped: bool = False) -> str:
    """Which teeth meet which, by the common factor of the tooth counts.

    Equation: g = gcd(z1, z2); every tooth meets z2/g of the mate's; the same two meet again after z2/g turns of z1.
    Parameters: tooth counts 1 to 1000. `lapped`: a pair finished together. Raises RangeError outside.

    >>> hunting_words(14, 39)
    '14/39 hunt: every tooth meets every other, the same two again after 39 turns of the 14. Old marks need not be kept for wear.'
    >>> hunting_words(15, 60)[:46]
    '15/60 share 15: a tooth meets only 4 of the ma'
    """
    if not (1 <= z1 <= 1000 and 1 <= z2 <= 1000):
        raise RangeError("Tooth counts must be 1 to 1000.", field="teeth")
    g = math.gcd(z1, z2)
    if g == 1:
        marks = (
            "It is a lapped pair all the same: put it back on its marks."
            if lapped
            else "Old marks need not be kept for wear."
        )
        return f"{z1}/{z2} hunt: every tooth meets every other, the same two again after {z2} turns of the {z1}. {marks}"
    return (
        f"{z1}/{z2} share {g}: a tooth meets only {z2 // g} of the mate's, always the same. They have worn to each "
        "other: put them back on their marks, or they run loud and wear anew."
    )


def pattern_words(total: int, marked: Collection[int], mate: int = 0) -> str:
    """What the spread of damaged teeth says.

    >>> pattern_words(39, [7]), pattern_words(39, [])
    ('One tooth: a local blow or a flaw in that tooth.', '')
    >>> pattern_words(60, [3, 18, 33, 48], 15)
    'Every 15th tooth: one bad tooth on the mate meets just these. Look for it there.'
    """
    teeth = sorted(set(marked))
    if not teeth:
        return ""
    if teeth[0] < 1 or teeth[-1] > total:
        raise RangeError(f"Teeth are numbered 1 to {total}.", field="tooth")
    n = len(teeth)
    if n == 1:
        return "One tooth: a local blow or a flaw in that tooth."
    if n >= 0.8 * total:
        return "All round: load, oil or alignment, not an accident."
    gaps = _gaps(total, teeth)
    if len(set(gaps)) == 1:
        step = gaps[0]
        if mate and step == math.gcd(total, mate):
            return f"Every {_nth(step)} tooth: one bad tooth on the mate meets just these. Look for it there."
        return f"Every {_nth(step)} tooth: something that comes round as often. Runout, or a marked mate."
    if total - max(gaps) + 1 <= max(n + 1, total // 4):
        return f"{n} teeth side by side: a blow or something that went through the mesh."
    if total - max(gaps) + 1 <= total // 2:
        return "On one side of the gear: it runs out. Read the runout of gear and seat."
    return "Scattered: hard particles through the mesh, or the start of fatigue."


def _gaps(total: int, teeth: Sequence[int]) -> list[int]:
    return [b - a for a, b in itertools.pairwise(teeth)] + [teeth[0] + total - teeth[-1]]


def _nth(n: int) -> str:
    ending = "th" if 10 <= n % 100 <= 20 else {1: "st", 2: "nd", 3: "rd"}.get(n % 10, "th")
    return f"{n}{ending}"


def draw_ring(label: str, total: int, marks: Sequence[ToothMark], mate: int = 0) -> ToothRing:
    """The ring of teeth on a square sheet, tooth 1 at the top, numbered clockwise."""
    outer, root = SIZE / 2 - 8, SIZE / 2 - 8 - max(22.0, min(46.0, 1500 / total))
    shapes = []
    for i in range(total):
        mine = [m for m in marks if m.tooth == i + 1]
        said = {
            flank: next((m.damage for m in mine if m.flank in (flank, "both")), "")
            for flank in ("drive", "coast")
        }
        tip = next((m.damage for m in mine if m.flank == "tip"), "")
        shapes.append(
            ToothShape(
                number=i + 1,
                points=_tooth(i, total, outer, root),
                at=_polar((i + 0.0) / total, root - 14),
                drive=said["drive"],
                coast=said["coast"],
                tip=tip,
            )
        )
    return ToothRing(label, SIZE, tuple(shapes), pattern_words(total, {m.tooth for m in marks}, mate))


def _tooth(i: int, total: int, outer: float, root: float) -> tuple[tuple[float, float], ...]:
    """Four corners: root left, tip left, tip right, root right, seen from the centre."""
    half_root, half_tip = 0.34 / total, 0.2 / total
    middle = i / total
    return (
        _polar(middle - half_root, root),
        _polar(middle - half_tip, outer),
        _polar(middle + half_tip, outer),
        _polar(middle + half_root, root),
    )


def _polar(turn: float, radius: float) -> tuple[float, float]:
    a = 2 * math.pi * turn
    return round(SIZE / 2 + radius * math.sin(a), 2), round(SIZE / 2 - radius * math.cos(a), 2)
