"""Where and how a bevel pair is read: teeth around, flanks to be painted, and what must be turned first."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.mesh.bevel_set import SIDES, BevelSet
from bornek.core.mesh.turning import Way
from bornek.core.settings.bevel_form import HOLDS, model_side
from bornek.core.settings.kind import Slot
from bornek.core.settings.lash_around import lash_slot
from bornek.core.settings.records import Context

FREE = "free"
OPPOSITE: Mapping[str, Way] = {"clockwise": "counter-clockwise", "counter-clockwise": "clockwise"}


def turning_words(given: Mapping[str, Any], s: BevelSet | None, flank: str) -> str:
    """Which way to turn so that this flank is loaded; worked out from the pair's hand and how it runs."""
    forward = given.get("forward")
    way = forward if flank == "drive" or forward is None else OPPOSITE[forward]
    if way is None:
        return (
            "in the direction in which it works"
            if flank == "drive"
            else "against the direction in which it works"
        )
    turned, braked = ("pinion", "gear") if given.get("driver", "pinion") == "pinion" else ("gear", "pinion")
    if turned == "gear":
        way = OPPOSITE[way]
    words = f"the {turned} {way}, seen from its shaft's end, the {braked} braked"
    if s is None or not s.spiral:
        return words
    side = model_side(s, given, "drive" if flank == "drive" else "coast")
    return f"{words}: that loads the gear's {'convex' if side == 'drive' else 'concave'} flank"


def stations(ctx: Context, s: BevelSet | None) -> tuple[Slot, ...]:
    given, teeth = ctx.given, int(ctx.given["teeth"])
    held = dict(HOLDS)[given["hold"]]
    posture = f"Pinion held {held}. Rock the gear; read at the outer pitch circle, square to the tooth."
    lash = [lash_slot(n, teeth, posture) for n in range(1, teeth + 1)]
    paint = [
        Slot(
            key=f"paint.{flank}",
            label=f"Contact, {flank} side",
            group="Contact",
            axes={"flank": flank},
            quantity="count",
            nature="paint",
            accepts="paint",
            posture="Mark 6 to 8 teeth, thin. Brake by hand with a cloth and make three passes, turning "
            f"{turning_words(given, s, flank)}. Paint what is wiped off.",
        )
        for flank in SIDES
    ]
    return (*_turned_first(ctx), *lash, *paint, *_witness(ctx))


def _turned_first(ctx: Context) -> list[Slot]:
    """A first assembly is turned by hand before anything else."""
    if ctx.given["depth_way"] == "found" or ctx.round > ctx.first_round:
        return []
    return [
        Slot(
            key="turn",
            label="Turned by hand",
            group="First",
            axes={},
            quantity="count",
            nature="count",
            accepts="choice",
            posture="Turn the pair by hand all the way round. Free all round, or does it bind somewhere?",
            options=((FREE, "free"), ("binds", "binds")),
        )
    ]


def _witness(ctx: Context) -> list[Slot]:
    """What it ran with, if nobody painted it at Strip: in the first round, and only if anyone can see it."""
    if ctx.witness is not None or ctx.round > ctx.first_round or ctx.given.get("ran_with") is None:
        return []
    return [
        Slot(
            key=f"witness.{flank}",
            label=f"Witness as found, {flank} side",
            group="As it ran",
            axes={"flank": flank},
            quantity="count",
            nature="paint",
            accepts="paint",
            optional=True,
            posture="The polish that the teeth wore into each other at work, before any compound is put on.",
        )
        for flank in SIDES
    ]
