"""What a bearing on a taper is asked for, what its mark says of it, and the limits that follow."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import InputError
from bornek.core.settings.common import whole_form
from bornek.core.settings.drive_up import DRIVE, RIC, Limits
from bornek.core.settings.kind import Check, Field
from bornek.core.settings.records import Context
from bornek.core.tables.lookup import GROUPS, Mark, mark_of, row_for
from bornek.core.windows import Interval, verdict

BORE_REACH_MM = 1.0
MARKED = "marked"


def form_of(given: Mapping[str, Any]) -> Sequence[Field]:
    return whole_form(
        [
            Field("designation", "Designation", "text", required=False, why="The bore is read from it."),
            Field(key="bore", label="Bore, if measured", quantity="length", required=False, lo=18, hi=500),
            Field(
                "group",
                "Clearance group stamped",
                "choice",
                default=MARKED,
                options=(
                    (MARKED, "as the mark says; no mark is CN"),
                    *((g, g) for g in ("CN", "C3", "C4")),
                ),
            ),
            Field(
                "taper",
                "Taper of the bore",
                "choice",
                default=MARKED,
                options=(
                    (MARKED, "as the mark says; none is 1:12"),
                    ("12", "1:12 (K)"),
                    ("30", "1:30 (K30)"),
                ),
            ),
            Field(
                "posture",
                "The bearing",
                "choice",
                default="supported",
                options=(
                    ("supported", "outer ring supported: standing, or in its housing"),
                    ("hanging", "outer ring hangs free on the shaft"),
                ),
            ),
            Field(
                "school",
                "Aim at",
                "choice",
                default="least",
                options=(
                    ("least", "the least reduction: more clearance left"),
                    ("greatest", "the greatest reduction: tighter"),
                ),
            ),
            Field("pitch", "Pitch of the nut, to say its turn", "length", False, lo=0.2, hi=12),
            Field("slots", "Slots in the nut, to say the next one", "count", False, lo=1, hi=60),
        ]
    )


def limits_of(ctx: Context) -> Limits:
    """Rows of clearance and drive-up for the bore [mm], with group and taper: as given, else as the mark says. Raises
    InputError where neither tells the bore, RangeError where no row holds it."""
    bore, taper, group = ctx.given.get("bore"), str(ctx.given["taper"]), str(ctx.given["group"])
    mark = _mark(ctx)
    if bore is None:
        bore = mark_of(str(ctx.given.get("designation", ""))).bore_mm
    if taper == MARKED:
        taper = str(mark.taper if mark and mark.taper else 12)
    if group == MARKED:
        group = mark.group if mark and mark.group else "CN"
    return Limits(row_for(RIC, bore), row_for(DRIVE, bore), group, int(taper))


def _mark(ctx: Context) -> Mark | None:
    """What the designation says of itself; None where none is given or the bore was measured instead."""
    try:
        return mark_of(str(ctx.given.get("designation") or ""))
    except InputError:
        return None


def contradictions(ctx: Context, limits: Limits) -> list[Check]:
    """What is given against what the mark says: which of them is on the ring is asked."""
    mark, said = _mark(ctx), []
    if mark is None:
        return []
    if mark.group and mark.group != limits.group:
        said.append(f"the mark says {mark.group}, given is {limits.group}")
    if mark.taper and mark.taper != limits.taper:
        said.append(f"the mark says 1:{mark.taper}, given is 1:{limits.taper}")
    bore = ctx.given.get("bore")
    if bore is not None and abs(mark.bore_mm - bore) > BORE_REACH_MM:
        said.append(f"the mark's bore is {mark.bore_mm:g} mm, {bore:g} mm was measured")
    if not said:
        return []
    words = "; ".join(said)
    words = f"{words[0].upper()}{words[1:]}. Look at the ring and mend what was given."
    return [Check("mark", "warn", words, "ask")]


def group_check(before: Interval, limits: Limits) -> list[Check]:
    """A clearance [mm] that was found unmounted and is surely of another group than the one given."""
    if verdict(before, limits.clearance_of(limits.group)).code not in ("out_low", "out_high"):
        return []
    middle = (before.a + before.b) / 2
    fits = [
        g for g in GROUPS if f"{g}_min_um" in limits.clearance.cells and limits.clearance_of(g).holds(middle)
    ]
    name = f"it fits {fits[0]}" if fits else "it fits no group of this bore"
    return [
        Check(
            "group",
            "warn",
            f"Unmounted clearance is not {limits.group}: {name}. Another group than "
            "stamped, a worn bearing, or the feeler tilted.",
            "reseat",
        )
    ]
