"""Where a worm and its wheel are read: what is asked when it goes together, its float, before and after clamping."""

from __future__ import annotations

from dataclasses import replace

from bornek.core.settings.common import confirm
from bornek.core.settings.kind import Slot
from bornek.core.settings.lash_around import lash_slot
from bornek.core.settings.records import EXCHANGED, TAKEN_APART, Confirm, Context, Entry
from bornek.core.settings.worm_form import APART, ECCENTRIC, MEASURED

FEELS = (("free", "free"), ("smooth", "smooth"), ("stiff", "stiff"), ("catches", "catches"), ("crunchy", "crunchy"))  # fmt: skip
FIRST = ("out", "small")
"""What must be said before anything is read."""


def asked_together(ctx: Context) -> list[Slot]:
    """Asked whenever it was put together: out of mesh, and nothing left on the tray."""
    apart = ctx.given["first"] == APART and ctx.round == ctx.first_round
    again = any(a.round == ctx.round and a.act_kind in (EXCHANGED, TAKEN_APART) for a in ctx.acts)
    if not (apart or again):
        return []
    small = str(ctx.given.get("small_part") or "")
    asked = []
    if ctx.given["carrier"] == ECCENTRIC:
        asked.append(
            confirm(
                "out",
                "Carrier in out of mesh",
                "Together",
                "Turn the carrier to its disengaged position before it goes in. Is it there?",
            )
        )
    if small:
        asked.append(
            confirm("small", f"{small} in", "Together", f"Look on the tray: is the {small.lower()} in?")
        )
    return asked


def float_slots(ctx: Context) -> list[Slot]:
    """Once for the parts that are in."""
    if ctx.given["float"] != MEASURED or ctx.round != ctx.first_round:
        return []
    return [
        Slot(
            key=f"float.{n}",
            label=f"Worm end float, reading {n}",
            group="Worm end float",
            axes={"rep": n},
            quantity="length",
            nature="travel",
            posture="Indicator on the worm's end. Push and pull the worm without turning it; type the full travel.",
            plausible=(0.0, 2.0),
            peers="float",
        )
        for n in (1, 2)
    ]


def before_clamping(ctx: Context, place: int) -> list[Slot]:
    """From the second round on: what clamping adds is the difference."""
    if ctx.given["carrier"] != ECCENTRIC or ctx.round == 1:
        return []
    return [
        Slot(
            key="snug",
            label=f"Before clamping, place {place}",
            group="Before clamping",
            axes={"place": place},
            quantity="angle",
            nature="angle",
            posture="The carrier snug, not clamped: the lost motion at the handle, at the tightest place.",
            plausible=(0.0, 180.0),
        )
    ]


def around_slots(ctx: Context) -> list[Slot]:
    places = int(ctx.given["places"])
    clamped = "Clamp the carrier to its final tightness. " if ctx.given["carrier"] == ECCENTRIC else ""
    posture = f"{clamped}Rock the handle to both stops without moving the wheel; type the degrees."
    return [
        replace(
            lash_slot(n, places, posture),
            label=f"Lost motion, place {n}",
            group="Lost motion",
            axes={"place": n, "angle": round(360 * (n - 1) / places)},
            quantity="angle",
            nature="angle",
            plausible=(0.0, 180.0),
        )
        for n in range(1, places + 1)
    ]


def feel_slot() -> Slot:
    return Slot(
        key="feel",
        label="How it turns",
        group="Feel",
        axes={},
        quantity="count",
        nature="count",
        accepts="choice",
        posture="Turn the handle until the wheel has gone all the way round. How does it feel?",
        options=FEELS,
    )


def stops(entry: Entry) -> str:
    if entry.slot == "out" and entry.raw == Confirm(False):
        return "Not in mesh like that: turn the carrier to its disengaged position, then put it in."
    if entry.slot == "small" and entry.raw == Confirm(False):
        return "A part is still on the tray: take the worm out again and put it in first."
    return ""
