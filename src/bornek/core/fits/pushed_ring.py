"""Which ring of a bearing may be pushed, and how large the driver is."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.sums import MAKERS, FitSum
from bornek.core.phrases import Say, Span, text_of
from bornek.core.settings.kind import Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal
from bornek.core.working import Line, Working

RING_SHARE = 0.2
"""Thickness of one ring as a share of the section: what a driver may cover without touching cage or shield."""
CLEAR_MM = 0.3
TIGHT = (("shaft", "on the shaft"), ("housing", "in the housing"), ("both", "both"))


def driver_mm(bore: float, outside: float, ring: str) -> tuple[float, float]:
    """Inside and outside diameter of the driver for one ring [mm]: clear of what it slides past, and on the ring
    alone. An estimate from a ring of a fifth of the section; look at the bearing's face.

    Raises RangeError unless outside > bore > 0.

    >>> driver_mm(50, 90, "inner"), driver_mm(50, 90, "outer")
    ((50.3, 58.0), (82.0, 89.7))
    """
    if not outside > bore > 0:
        raise RangeError(
            f"The bearing's outside ({outside:g}) must be larger than its bore ({bore:g}).",
            field="outside",
            next_step="Read both off the bearing.",
        )
    thick = RING_SHARE * (outside - bore)
    if ring == "inner":
        return round(bore + CLEAR_MM, 3), round(bore + thick, 3)
    return round(outside - thick, 3), round(outside - CLEAR_MM, 3)


@register
class PushedRing(FitSum):
    id = "fit_ring"
    title = "Which ring is pushed, and the driver"
    group = "Press"
    cautions = (
        "Never through the balls or rollers; never on cage, shield or seal; soft metal between hammer and ring.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("tight", "The tight fit is", "choice", options=TIGHT, default="shaft"),
            Field("bore", "Bearing's bore", "length", lo=1, hi=1500),
            Field("outside", "Bearing's outside", "length", lo=2, hi=2000),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        bore, outside, say = float(ctx.given["bore"]), float(ctx.given["outside"]), speech(ctx)
        rings = {"shaft": ("inner",), "housing": ("outer",), "both": ("inner", "outer")}[
            str(ctx.given["tight"])
        ]
        results = []
        for ring in rings:
            lo, hi = driver_mm(bore, outside, ring)
            thick = f"{RING_SHARE:g} × ({say.size(outside)} − {say.size(bore)})"
            sums = (
                Line("Inside", f"{say.size(bore)} + {CLEAR_MM:g}" if ring == "inner" else f"{say.size(outside)} − {thick}", say.size(lo)),
                Line("Outside", f"{say.size(bore)} + {thick}" if ring == "inner" else f"{say.size(outside)} − {CLEAR_MM:g}", say.size(hi), True),
            )  # fmt: skip
            for key, label, value in (("inside", "inside", lo), ("outside", "outside", hi)):
                results.append(
                    Result(
                        f"{ring}_{key}",
                        f"Driver for the {ring} ring, {label}",
                        "length",
                        Normal(value, 0.0),
                        role="estimate",
                        working=Working(sums, ("An estimate: look at the ring's own face.", MAKERS)),
                    )
                )
        return Outcome(tuple(results), instruct=text_of(self._say(ctx, rings)))

    def _say(self, ctx: Context, rings: Sequence[str]) -> Say:
        bore, outside, say = float(ctx.given["bore"]), float(ctx.given["outside"]), speech(ctx)
        if len(rings) == 2:
            lo, hi = driver_mm(bore, outside, "inner")[0], driver_mm(bore, outside, "outer")[1]
            return (
                Span("Push "),
                Span("both rings", True),
                Span(f" at once, by a plate from {say.size(lo)} to {say.size(hi)} {say.unit}."),
            )
        lo, hi = driver_mm(bore, outside, rings[0])
        return (
            Span("Push the "),
            Span(f"{rings[0]} ring", True),
            Span(f", by a sleeve {say.size(lo)} inside and {say.size(hi)} {say.unit} outside."),
        )

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        rings = [ring for ring in ("inner", "outer") if outcome.result(f"{ring}_inside") is not None]
        return self._say(ctx, rings)
