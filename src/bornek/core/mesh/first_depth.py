"""The pack a pinion is first put in with: by gauge block, by its mark, or as it was; and how it cannot jam."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.errors import RangeError
from bornek.core.quantities import Speech
from bornek.core.working import Line

Sense = Literal["out", "in"]
"""What a thicker pack does to the pinion."""
SIGN: dict[str, int] = {"out": 1, "in": -1}
FARTHER, NEARER = "plus is farther from the gear", "plus is nearer to the gear"
THICKEST_MM = 20.0


@dataclass(frozen=True)
class FirstPack:
    mm: float
    line: Line


def by_gauge_block(gap_mm: float, block_mm: float, distance_mm: float, sense: Sense) -> FirstPack:
    """pack = measured gap + block − marked mounting distance where a thicker pack holds the pinion in; the reverse where
    it holds it out. All in mm, gap ≥ 0. Raises RangeError where nothing positive comes of it.

    >>> by_gauge_block(1.32, 120.0, 120.75, "in").mm
    0.57
    """
    if gap_mm < 0 or block_mm <= 0 or distance_mm <= 0:
        raise RangeError(
            "Gap, block and mounting distance are measured from 0 up.",
            field="depth_gap",
            next_step="Measure from the pinion's seat to the block on the arbor.",
        )
    over = gap_mm + block_mm - distance_mm
    pack = over if sense == "in" else -over
    how = f"{gap_mm:.3f} + {block_mm:.3f} − {distance_mm:.3f}"
    return _pack(pack, "Gap + block − mounting distance", how if sense == "in" else f"−({how})")


def by_mark(reference_mm: float, deviation_mm: float, convention: str, sense: Sense) -> FirstPack:
    """pack = reference pack ± n: a pinion marked to stand farther out by n stands so by that much more of a pack that
    holds it out, or less of one that holds it in. Raises RangeError where the convention of the mark is not known.

    >>> by_mark(0.90, 0.05, FARTHER, "out").mm, by_mark(0.90, 0.05, FARTHER, "in").mm, by_mark(0.90, 0.05, NEARER, "out").mm
    (0.95, 0.85, 0.85)
    """
    if convention not in (FARTHER, NEARER):
        raise RangeError(
            "Nobody knows which way the mark on the pinion counts.",
            field="mark_convention",
            next_step="Look in the maker's manual, or go by the pack as found.",
        )
    out = deviation_mm * (1 if convention == FARTHER else -1)
    by = out * SIGN[sense]
    return _pack(
        reference_mm + by,
        "Reference pack, by the mark",
        f"{reference_mm:.3f} {'+' if by >= 0 else '−'} {abs(by):.3f}",
    )


def _pack(mm: float, label: str, how: str) -> FirstPack:
    if not 0 < mm <= THICKEST_MM:
        raise RangeError(
            f"That makes a pack of {mm:.3f} mm, which cannot be.",
            field="depth_way",
            next_step="Look at the sense of the pack, the sign of the mark and the unit.",
        )
    return FirstPack(round(mm, 6), Line(label, how, f"{mm:.3f} mm", True))


def housings_apart(with_set_mm: float, of_housing_mm: float, tolerance_mm: float, say: Speech) -> str:
    """A gear set in another housing: two packs exist. Pack and worn-in backlash follow the gear set; what the packs
    differ by is set against what housings may differ by.

    >>> housings_apart(0.90, 0.85, 0.10, Speech())
    "The set's own pack 0.90, this housing's 0.85: 0.05 apart, within what housings may differ by (0.10). Begin with the set's own."
    """
    apart = abs(with_set_mm - of_housing_mm)
    own, other, most = (say.size(v) for v in (with_set_mm, of_housing_mm, tolerance_mm))
    both = f"The set's own pack {own}, this housing's {other}: {say.size(round(apart, 6))} apart"
    if apart <= tolerance_mm + 1e-9:
        return f"{both}, within what housings may differ by ({most}). Begin with the set's own."
    return f"{both}, more than housings may differ by ({most}). Measure both packs again; begin with the one that holds the pinion farther out."


def farthest_out(packs_mm: Sequence[float], sense: Sense | None) -> float | None:
    """Of several packs the one that holds the pinion farther out: with it the gears cannot jam. None where nobody knows
    which way a pack works.

    >>> farthest_out([0.90, 0.85], "out"), farthest_out([0.90, 0.85], "in"), farthest_out([0.9], None)
    (0.9, 0.85, None)
    """
    if sense is None or not packs_mm:
        return None
    return max(packs_mm) if sense == "out" else min(packs_mm)


def no_jam(pack_words: str, sense: Sense | None) -> str:
    """What is said before gears are brought together for the first time: with which pack, or how without knowing.

    >>> no_jam("0.90", "out")[:55]
    'Begin with 0.90 behind the pinion: it holds it farther '
    >>> no_jam("", "in")[:60]
    'Begin with a thinner pack than you expect to need: it holds '
    >>> no_jam("", None)[:34]
    'Nobody knows which way the pack wo'
    """
    turn = "Turn it by hand all the way round while the bolts are drawn down; stop at the first resistance."
    if sense is None:
        return f"Nobody knows which way the pack works: draw the pinion down in steps. {turn}"
    if pack_words:
        return f"Begin with {pack_words} behind the pinion: it holds it farther out, the gears cannot jam. {turn}"
    thick = "thicker" if sense == "out" else "thinner"
    return f"Begin with a {thick} pack than you expect to need: it holds the pinion farther out. {turn}"
