"""What to set on a torque wrench that has an extension on its drive."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.sums import MAKERS, FitSum, line, nm, number_of, or_else
from bornek.core.phrases import Say, Span
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Working

LOWEST_SHARE = 0.2
"""Below this share of its range a wrench is not to be trusted."""


def set_value(torque_n_m: float, wrench_mm: float, extension_mm: float, angle_deg: float = 0.0) -> float:
    """Equation: T·L / (L + E·cos φ), E from the square drive to the nut, L from the drive to the hand.

    Lengths [mm], angle of the extension to the wrench [°]: 0 in line, 90 square to it (then T itself).
    Raises RangeError where the extension folds back over the whole wrench.

    >>> set_value(400, 600, 200)
    300.0
    >>> round(set_value(400, 600, 200, 90), 6)
    400.0
    """
    whole = wrench_mm + extension_mm * math.cos(math.radians(angle_deg))
    if whole <= 0:
        raise RangeError(
            "The extension folds back over the whole wrench.",
            field="extension",
            next_step="Check its length and its angle.",
        )
    return torque_n_m * wrench_mm / whole


def range_words(value: float, least: float, greatest: float) -> str:
    """Why a wrench of that range is asked about for a value [N·m]; empty where it is fit for it.

    >>> range_words(60, 40, 200)
    '60 N·m lies in the lowest fifth of the wrench (40 to 200 N·m)'
    >>> range_words(120, 40, 200)
    ''
    """
    if value > greatest:
        return f"{nm(value)} is beyond the wrench ({least:g} to {greatest:g} N·m)"
    if value < least:
        return f"{nm(value)} is below the wrench ({least:g} to {greatest:g} N·m)"
    if value < least + LOWEST_SHARE * (greatest - least):
        return f"{nm(value)} lies in the lowest fifth of the wrench ({least:g} to {greatest:g} N·m)"
    return ""


def wrench_fields() -> list[Field]:
    return [
        Field("wrench_least", "Wrench, from", "torque", required=False, lo=0, hi=10_000),
        Field("wrench_greatest", "Wrench, to", "torque", required=False, lo=1, hi=10_000),
        Field("wrench_due", "Its calibration", "choice",
              options=(("unknown", "not known"), ("good", "in date"), ("due", "due")), default="unknown"),
    ]  # fmt: skip


def wrench_checks(ctx: Context, value: float) -> list[Check]:
    """What speaks against the wrench at this value."""
    least, greatest = number_of(ctx, "wrench_least"), number_of(ctx, "wrench_greatest")
    found = []
    if greatest is not None and (words := range_words(value, least or 0.0, greatest)):
        stop = "lowest" not in words
        found.append(
            Check(
                "wrench_range",
                "stop" if stop else "warn",
                f"{words}: take another.",
                "stop" if stop else "ask",
            )
        )
    if ctx.given.get("wrench_due") == "due":
        found.append(
            Check(
                "wrench_due",
                "warn",
                "The wrench is due for calibration: another, or say why this one.",
                "ask",
            )
        )
    return found


@register
class WrenchExtension(FitSum):
    id = "fit_extension"
    title = "Torque wrench with an extension"
    group = "Torque"
    at = "step"
    cautions = (
        "A pipe on the handle is no extension: forbidden on a click wrench.",
        "Pull at the middle of the grip, square to the wrench.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("torque", "Torque at the nut", "torque", lo=0.1, hi=20_000),
            Field("wrench", "Wrench, drive to hand", "length", lo=50, hi=3000),
            Field("extension", "Extension, drive to nut", "length", lo=1, hi=2000),
            Field("angle", "Angle between them (0 in line)", "angle", default=0.0, lo=0, hi=180),
            *wrench_fields(),
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        torque, long, more = (float(ctx.given[k]) for k in ("torque", "wrench", "extension"))
        angle = or_else(ctx, "angle", 0.0)
        value = set_value(torque, long, more, angle)
        bend = f" × cos {angle:g}°" if angle else ""
        working = Working(
            (
                line(
                    "Set on the wrench",
                    f"{torque:g} × {long:g} ÷ ({long:g} + {more:g}{bend})",
                    value,
                    "N·m",
                    1,
                    main=True,
                ),
            ),
            (MAKERS,),
        )
        greatest = number_of(ctx, "wrench_greatest")
        window = (
            Window(or_else(ctx, "wrench_least", 0.0), greatest, "the wrench's range") if greatest else None
        )
        judged = verdict(Normal(round(value, 9), 0.0), window) if window else verdict(None, None)
        result = Result(
            "set",
            "Set on the wrench",
            "torque",
            Normal(round(value, 9), 0.0),
            window,
            working=working,
            role="target" if window else "info",
            verdict=judged,
        )
        return Outcome(
            (result,),
            tuple(wrench_checks(ctx, value)),
            judged,
            f"Set {nm(value)} for {nm(torque)} at the nut.",
        )

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        value = outcome.results[0].value
        assert isinstance(value, Normal)
        return (
            Span("Set "),
            Span(nm(value.v), True),
            Span(f" for {nm(float(ctx.given['torque']))} at the nut."),
        )
