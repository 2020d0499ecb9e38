"""Where a plain bearing is read, and what its members read: bore and journal, or the squeezed strip."""

from __future__ import annotations

from functools import partial

from bornek.core.settings.kind import Slot
from bornek.core.settings.places_around import PLACES, Readings, size_slots
from bornek.core.settings.records import Context, Entry
from bornek.core.settings.sifting import sift

SCATTER_PRIOR_MM = 0.002
STRIP_PRIOR_MM = 0.005
OIL = "oil.hole"


def scatter_mm(ctx: Context) -> float:
    """What one reading scatters by before this unit has shown its own."""
    return STRIP_PRIOR_MM if ctx.given["method"] == "strip" else SCATTER_PRIOR_MM


def slots_of(ctx: Context) -> list[Slot]:
    d = float(ctx.given["diameter"])
    if ctx.given["method"] == "strip":
        found = [
            Slot(
                key=f"strip.{place}",
                label=f"Strip, {label}",
                group="Strip",
                axes={"what": "strip", "place": place},
                quantity="length",
                nature="size",
                posture="Dry and clean. Lay the strip along the shaft, cap to full torque, off again; "
                "read its squeezed thickness.",
                plausible=(0.005, 3.0),
                peers="strip",
            )
            for place, label in PLACES
        ]
    else:
        near = (d * 0.98, d * 1.02)
        found = size_slots(
            "bore", "Bore", "Bore gauge set on the journal's size; rock it for the least.", near, "inside"
        )
        if ctx.round == ctx.first_round:
            found = (
                size_slots("journal", "Journal", "Micrometer, clear of oil hole and edges.", near, "outside")
                + found
            )
    return [
        *found,
        Slot(
            key=OIL,
            label="Oil hole open and aligned",
            group="Oil hole",
            axes={"step": "oil"},
            quantity="count",
            nature="confirm",
            accepts="confirm",
            posture="Oil hole: a wire through it into the groove. Confirm.",
        ),
    ]


def read_of(ctx: Context, what: str) -> Readings:
    """The newest readings of one member: a journal is read in the first round and stays."""
    found: dict[tuple[str, str], Entry] = {}
    for number in range(ctx.first_round, ctx.round + 1):
        now = ctx.once(("member", what, number), partial(_read_in, ctx, what, number))
        if what != "journal":
            found = {}
        found |= now
    return found


def _read_in(ctx: Context, what: str, number: int) -> Readings:
    """The readings of one member in one round."""
    then = ctx.at(number)
    slots = slots_of(then)
    sifted = sift(slots, then.now())
    return {
        (str(s.axes["place"]), str(s.axes.get("way", ""))): e
        for s in slots
        if s.axes.get("what") == what
        and (e := sifted.counted.get(s.key)) is not None
        and e.number is not None
    }
