"""Where a shim pack under a cover is read: travel at several angles, and the drag once a play cannot be seen any more."""

from __future__ import annotations

from bornek.core.errors import RangeError
from bornek.core.readings import censor_limit_mm
from bornek.core.settings.kind import Slot
from bornek.core.settings.knobs import Drag
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import Sifted, sift

KNOB = "pack"
SCATTER_PRIOR_MM = 0.0035
REPEATS = 3
POSITIONS = (("mark_up", "Mark up"), ("mark_right", "Mark right"), ("mark_down", "Mark down"),
             ("mark_left", "Mark left"))  # fmt: skip


def is_preload(ctx: Context) -> bool:
    return bool(ctx.given["meant"] == "preload")


def travel_slots(ctx: Context) -> list[Slot]:
    all_used = {1: (0,), 2: (0, 2), 3: (0, 1, 2), 4: (0, 1, 2, 3)}[int(ctx.given["positions"])]
    top = max(1.2, 4 * float(ctx.given["greatest"]))
    return [
        Slot(
            key=f"travel.{POSITIONS[p][0]}.{rep}",
            label=f"{POSITIONS[p][1]}, reading {rep}",
            group=POSITIONS[p][1],
            axes={"position": POSITIONS[p][0], "rep": rep},
            quantity="length",
            nature="travel",
            posture="Push home and tap. Five turns. Zero. Pry up until it stops. Type the full travel.",
            plausible=(0.0, top),
            peers="travel",
        )
        for p in all_used
        for rep in range(1, REPEATS + 1)
    ]


def slots_of(ctx: Context) -> list[Slot]:
    slots = travel_slots(ctx)
    sifted = sift(slots, ctx.now())
    if drag_link(ctx) and _reads_nothing(sifted, ctx):
        slots.append(
            Slot(
                key="drag",
                label="Rolling drag",
                group="Proof",
                axes={},
                quantity="torque",
                nature="force",
                posture="Turn steadily, not from a standstill. Read the drag while it turns, seals included.",
                plausible=(0.01, 2000.0),
            )
        )
    return slots


def _reads_nothing(sifted: Sifted, ctx: Context) -> bool:
    slots = travel_slots(ctx)
    numbers = [v for g in sifted.numbers(slots).values() for v in g]
    read = zip(numbers, sifted.gauges(slots, ctx), strict=True)
    return any(abs(v) <= censor_limit_mm(gauge) for v, gauge in read)


def drag_link(ctx: Context) -> Drag | None:
    """What the two windows say of drag and preload: their middles belong together."""
    least, greatest = ctx.given.get("drag_least"), ctx.given.get("drag_greatest")
    if not is_preload(ctx) or least is None or greatest is None:
        return None
    idle = float(ctx.given["drag_idle"])
    wanted = (ctx.given["least"] + ctx.given["greatest"]) / 2
    if (least + greatest) / 2 <= idle or wanted <= 0:
        raise RangeError(
            f"The drag with preload must be more than that of the seals alone ({idle:g} N·m).",
            field="drag_least",
            next_step="Enter the drag seals included, and the seals alone under their own field.",
        )
    return Drag("drag", ((least + greatest) / 2 - idle) / wanted, idle)
