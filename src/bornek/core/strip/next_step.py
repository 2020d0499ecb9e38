"""The one sentence of the strip stage."""

from __future__ import annotations

from collections.abc import Sequence

from bornek.core.facts.kind import Fact
from bornek.core.facts.locked_out import LockedOut
from bornek.core.phrases import Say, Span, plain
from bornek.core.strip.baselines import Baseline
from bornek.core.strip.ledger import open_items
from bornek.core.strip.part_counts import PartCount


def say_strip(
    stands: str, found: Sequence[Baseline], parts: Sequence[PartCount], facts: Sequence[Fact]
) -> Say:
    """What to do next before and while the unit comes apart.

    >>> say_strip("field", [], [], [])[0].text
    'Lock out and tag out first. Say what is locked and who holds the key.'
    """
    if stands == "field" and not any(isinstance(f.body, LockedOut) for f in facts):
        return plain("Lock out and tag out first. Say what is locked and who holds the key.")
    loose = open_items(facts)
    if loose:
        return Span("Find the "), Span(loose[0].what, True), Span(f" dropped at {loose[0].where}.")
    first = next((b for b in found if b.state == "open"), None)
    if first is not None:
        begun = any(s.off for s in parts)
        return Span(f"{first.ask}, " if begun else f"Before anything moves: {_small(first.ask)}."), Span(
            "while it can still be had." if begun else ""
        )
    short = next((s for s in parts if 0 < s.off < s.part.count), None)
    if short is not None:
        return (
            Span(f"{short.part.label}: "),
            Span(f"{short.off} of {short.part.count}", True),
            Span(" are off. Look for the rest where dirt glues thin parts."),
        )
    left = [s for s in parts if s.off == 0 and s.part.part_kind != "housing"]
    if left and len(left) == sum(s.part.part_kind != "housing" for s in parts):
        return plain("As found is complete. Log each part as it comes off.")
    if left:
        return Span("Log the next part as it comes off. "), Span(f"{len(left)} still on."), Span("")
    return plain("Everything is off and counted. Inspect it part by part.")


def _small(words: str) -> str:
    return words[:1].lower() + words[1:]
