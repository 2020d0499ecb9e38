"""Feelers over the rollers of a two-row bearing: brackets by row, their mean, the tightest, and what speaks against
them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.quantities import Speech
from bornek.core.settings.kind import Check, Slot
from bornek.core.settings.records import Between, Context
from bornek.core.settings.sifting import sift
from bornek.core.windows import Interval

ROWS = (("near", "Row near you"), ("far", "Far row"))
POSITIONS = (1, 2, 3)
TILT_MM = 0.03
JUMP = 5.0
"""Clearance that falls to less than this share of itself in one drive was not read as it is."""


@dataclass(frozen=True)
class Feeler:
    """One round of feelers: the mean bracket, the tightest roller's, and whether all rollers were read."""

    mean: Interval
    tight: Interval
    whole: bool


def said(bracket: Interval, say: Speech) -> str:
    """
    >>> said(Interval(0.09, 0.1), Speech())
    '0.09–0.10'
    """
    return f"{say.size(bracket.a)}–{say.size(bracket.b)}"


def feeler_slots(where: str, when: str) -> list[Slot]:
    """`where`: over the unloaded roller; `when`: mounted or not."""
    return [
        Slot(
            key=f"feeler.{row}.{p}",
            label=f"{label}, roller {p}",
            group=label,
            axes={"row": row, "position": p},
            quantity="length",
            nature="size",
            accepts="between",
            posture=f"Over the unloaded roller, at the {where}, {when}. Swing the outer ring true. The "
            "blade must pass along the roller's full length. Largest that goes, smallest that does not.",
            plausible=(0.005, 2.0),
            peers="feeler",
        )
        for row, label in ROWS
        for p in POSITIONS
    ]


def brackets(slots: Sequence[Slot], ctx: Context) -> dict[str, list[Between]]:
    """By row, what counts of this round."""
    found: dict[str, list[Between]] = {}
    counted = sift(slots, ctx.now()).counted
    for slot in slots:
        entry = counted.get(slot.key)
        if entry is not None and isinstance(entry.raw, Between):
            found.setdefault(slot.group, []).append(entry.raw)
    return found


def feeler_of(by_row: Mapping[str, Sequence[Between]]) -> Feeler | None:
    """The mean of the brackets, end by end, and the tightest of them."""
    blades = [b for row in by_row.values() for b in row]
    if not blades:
        return None
    ends = (sum(b.lo for b in blades), sum(b.hi for b in blades))
    mean = Interval(*(round(end / len(blades), 9) for end in ends))
    tight = min(blades, key=lambda b: (b.lo, b.hi))
    return Feeler(mean, Interval(tight.lo, tight.hi), len(blades) == len(ROWS) * len(POSITIONS))


def tilt(by_row: Mapping[str, Sequence[Between]]) -> list[Check]:
    """Rows that differ markedly: the outer ring is tilted."""
    means = [sum(b.lo + b.hi for b in row) / (2 * len(row)) for row in by_row.values()]
    if len(means) < 2 or abs(means[0] - means[1]) <= TILT_MM:
        return []
    words = "The two rows differ: the outer ring is tilted. Swing it true and read again before averaging."
    return [Check("tilt", "warn", words, "reseat")]


def grown(now: Feeler, earlier: Sequence[Feeler], say: Speech) -> list[Check]:
    """Clearance that grew, or fell to a fifth at once, was not read as it is."""
    for then in earlier:
        if now.mean.a > then.mean.b:
            words = f"The clearance grew from {said(then.mean, say)} to {said(now.mean, say)}: a ring driven up loses it."
        elif now.mean.b * JUMP < then.mean.a:
            words = f"The clearance fell from {said(then.mean, say)} to {said(now.mean, say)} at once."
        else:
            continue
        return [Check("grown", "warn", f"{words} Is it the same roller and posture? Read both again.", "ask")]
    return []
