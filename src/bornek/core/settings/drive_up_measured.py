"""A ring on its taper: its clearance unmounted, how far it went up, and whether the nut may go on to its next slot."""

from __future__ import annotations

from bornek.core.readings import expected_u
from bornek.core.settings.drive_up import Limits, axial_drive_mm, reduction
from bornek.core.settings.feelers import Feeler
from bornek.core.settings.kind import Result, Slot, speech
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import sift
from bornek.core.windows import Interval, Normal, Window, verdict
from bornek.core.working import Working

DRIVE_SCATTER_MM = 0.01
DRIVEN = Slot(
    key="drive",
    label="Axial drive-up, measured",
    group="Drive-up",
    axes={},
    quantity="length",
    nature="size",
    needs="depth",
    posture="How far the ring went up, from where it first seated. A cross-check of the blades.",
    plausible=(0.01, 20.0),
    optional=True,
)


def unmounted_result(before: Interval, limits: Limits) -> Result:
    window = limits.clearance_of(limits.group)
    return Result(
        key="unmounted",
        label="Unmounted clearance",
        quantity="length",
        value=before,
        window=window,
        role="info",
        working=Working((), (window.source,)),
        verdict=verdict(before, window),
    )


def driven_results(ctx: Context, limits: Limits, lo: float, hi: float) -> list[Result]:
    """The axial drive-up as it was measured, against what the table's row allows."""
    entry = sift([DRIVEN], ctx.now()).counted.get(DRIVEN.key)
    if ctx.round == ctx.first_round or entry is None or entry.number is None:
        return []
    window = Window(
        axial_drive_mm(lo, limits.taper, limits.drive)[0],
        axial_drive_mm(hi, limits.taper, limits.drive)[1],
        f"{limits.drive.name}, drive-up 1:{limits.taper}",
    )
    gauge = ctx.find_gauge(entry)
    value = Normal(entry.number, expected_u(gauge, "size", DRIVE_SCATTER_MM, 1))
    return [
        Result(
            key="drive",
            label="Axial drive-up",
            quantity="length",
            value=value,
            window=window,
            role="estimate",
            working=Working((), (window.source, "A cross-check: it proves what the blades cannot tell.")),
            verdict=verdict(value, window),
        )
    ]


def lock_words(ctx: Context, before: Feeler, now: Feeler, limits: Limits) -> str:
    pitch, slots = ctx.given.get("pitch"), ctx.given.get("slots")
    if pitch is None or slots is None:
        return "On to the next slot only if the reduction allows it, never back."
    say = speech(ctx)
    further = float(pitch) / int(slots) / axial_drive_mm(1.0, limits.taper, limits.drive)[0]
    most = min(limits.reduction[1] - reduction(before.mean, now.mean).b, now.tight.a - limits.residual)
    allowed = (
        "it may go on to the next slot" if further <= most else "NOT on to the next slot: take another washer"
    )
    return f"The next slot is at most {say.number(further)} more of reduction, {say.number(most)} is left: {allowed}. Never back."
