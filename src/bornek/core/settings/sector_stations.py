"""Where a pair of sectors is read: its timing seen, its lost motion, the whole travel both ways."""

from __future__ import annotations

from bornek.core.settings.common import confirm
from bornek.core.settings.kind import Slot
from bornek.core.settings.records import Choice, Confirm, Context, Entry
from bornek.core.settings.sector_form import timed_given
from bornek.core.train.timing import paint_words

READ, AGAIN = "lost", "again"
WAYS = (("one", "one way, to its stop"), ("back", "back, to the other stop"))
TRAVEL = (("free", "free"), ("drags", "drags"), ("binds", "binds"))


def timing_slots(ctx: Context) -> list[Slot]:
    """Which tooth meets which space, seen once before anything is read."""
    t = timed_given(ctx.given)
    first = str(ctx.given.get("goes_first") or "")
    if ctx.round > ctx.first_round or (t is None and not first):
        return []
    said = [
        f"{first} goes in first." if first else "",
        paint_words(t) if t is not None else "",
        "Does it stand so?",
    ]
    return [confirm("timed", "Tooth in its space", "Timing", " ".join(x for x in said if x))]


def lost_slots(key: str, group: str) -> list[Slot]:
    return [
        Slot(
            key=f"{key}.{n}",
            label=f"{group}, reading {n}",
            group=group,
            axes={"rep": n},
            quantity="length",
            nature="travel",
            posture="Travel in the middle. Indicator on the input sector at its pitch line: move the input to and fro "
            "until the output just starts; type how far.",
            plausible=(0.0, 3.0),
            peers=key,
        )
        for n in (1, 2)
    ]


def travel_slots() -> list[Slot]:
    return [
        Slot(
            key=f"through.{way}",
            label=f"Through its travel, {words}",
            group="Whole travel",
            axes={"way": way},
            quantity="count",
            nature="count",
            accepts="choice",
            posture=f"Turn it by hand through its whole travel {words}. Free all the way, does it drag at a place, or bind?",
            options=TRAVEL,
        )
        for way, words in WAYS
    ]


def stops(entry: Entry) -> str:
    """What an entry by itself says against going on; empty if nothing."""
    if entry.slot == "timed" and entry.raw == Confirm(False):
        return "A tooth out: take the sectors out of mesh and put them together by their marks, then start again."
    if entry.slot == "torqued" and entry.raw == Confirm(False):
        return "Not tight: what it reads loose is not what it runs with. Tighten the cover bolts."
    return ""


def felt(ctx: Context) -> list[str]:
    """How it went through its travel in this round, as far as it was turned."""
    return [e.raw.option for e in ctx.now() if e.slot.startswith("through.") and isinstance(e.raw, Choice)]
