"""What the fits leave of a bearing's clearance: radial, or the end play of tapered rows."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.fits.sums import MAKERS, FitSum, or_else, size_line
from bornek.core.phrases import Say, Span
from bornek.core.settings.kind import Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Working

SORTS = (
    ("radial", "ball or cylindrical, radial"),
    ("two_row", "tapered, two rows"),
    ("one_row", "tapered, one row"),
)
SHARE = 0.8
"""How much of an interference the race takes over where its own diameters are not known."""
U_SHARE = 0.15
"""Standard uncertainty of what is lost, as a share of it: the races' walls are guessed."""


def lost_mm(
    sort: str, inner: float, outer: float, inner_share: float, outer_share: float, angle_deg: float
) -> float:
    """What is lost of the clearance [mm]: λi·δi + λo·δo radially; times cot α along the shaft for two tapered rows,
    half of that for one. A loose fit counts 0. δ [mm]; α half the included cup angle, 5 to 45.

    >>> round(lost_mm("two_row", 0.030, 0, 0.8, 0.8, 15), 3)
    0.09
    >>> round(lost_mm("radial", 0.030, -0.01, 0.8, 0.8, 15), 3)
    0.024
    """
    radial = inner_share * max(inner, 0.0) + outer_share * max(outer, 0.0)
    if sort == "radial":
        return radial
    return radial / math.tan(math.radians(angle_deg)) * (1.0 if sort == "two_row" else 0.5)


@register
class ClearanceLeft(FitSum):
    id = "fit_left"
    title = "Clearance left after fitting"
    group = "Sizes"
    cautions = ("An estimate: the bearing itself is read when it is mounted and cold.", MAKERS)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        tapered = given.get("sort", "radial") != "radial"
        angle = (
            [Field("angle", "Half the cup's included angle", "angle", default=15.0, lo=5, hi=45)]
            if tapered
            else []
        )
        return [
            Field("sort", "Bearing", "choice", options=SORTS, default="radial"),
            Field("unmounted", "Clearance before, unmounted", "length", lo=-1, hi=2),
            Field("inner", "Interference on the shaft", "length", default=0.0, lo=-0.5, hi=0.5),
            Field("outer", "Interference in the housing", "length", default=0.0, lo=-0.5, hi=0.5),
            *angle,
            Field("inner_share", "Share that the inner race takes", "number", default=SHARE, lo=0.3, hi=1),
            Field("outer_share", "Share that the outer race takes", "number", default=SHARE, lo=0.3, hi=1),
            Field("least", "Must be left at least", "length", required=False, lo=-1, hi=2),
            Field("source", "Where that comes from", "text", required=False),
        ]  # fmt: skip

    def evaluate(self, ctx: Context) -> Outcome:
        say, sort = speech(ctx), str(ctx.given["sort"])
        before, inner, outer = (or_else(ctx, key, 0.0) for key in ("unmounted", "inner", "outer"))
        li, lo = or_else(ctx, "inner_share", SHARE), or_else(ctx, "outer_share", SHARE)
        angle = or_else(ctx, "angle", 15.0)
        lost = lost_mm(sort, inner, outer, li, lo, angle)
        left = Normal(round(before - lost, 9), U_SHARE * lost)
        tilt = "" if sort == "radial" else f" × cot {angle:g}°{' ÷ 2' if sort == 'one_row' else ''}"
        working = Working(
            (
                size_line(
                    "Lost",
                    f"({li:g} × {say.number(max(inner, 0))} + {lo:g} × {say.number(max(outer, 0))}){tilt}",
                    lost,
                    say,
                ),
                size_line("Left", f"{say.number(before)} − {say.number(lost)}", left.v, say, True),
            ),
            ("An estimate: the races' walls are taken as usual.", MAKERS),
        )
        least = ctx.given.get("least")
        window = (
            Window(float(least), None, str(ctx.given.get("source") or "limit given, source not named"))
            if least is not None
            else None
        )
        judged = verdict(left, window) if window else verdict(None, None)
        result = Result(
            "left",
            "Left after fitting",
            "length",
            left,
            window,
            working=working,
            role="target" if window else "estimate",
            verdict=judged,
        )
        return self.spoken(ctx, Outcome((result,), verdict=judged))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        value = outcome.results[0].value
        assert isinstance(value, Normal)
        say = speech(ctx)
        what = "preload" if value.v < 0 else "clearance" if ctx.given["sort"] == "radial" else "end play"
        return (
            Span(
                f"About {say.number(abs(value.v))} {say.unit} of {what} is left. Read it when it is mounted and cold."
            ),
        )
