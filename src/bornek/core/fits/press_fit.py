"""Pressing a hub on cold: contact pressure, force, what it then holds, and the stress in the hub."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.materials import Material
from bornek.core.fits.sums import (
    MAKERS,
    FitSum,
    kn,
    line,
    material_field,
    material_of,
    nm,
    number_of,
    or_else,
)
from bornek.core.phrases import Say, Span
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import NOT_READ, Normal, Window, verdict
from bornek.core.working import Working

FRICTION = (0.06, 0.12, 0.20)
"""Least, usual and greatest between steel seats pressed with a film of oil."""


@dataclass(frozen=True)
class Seat:
    """A hub pressed on a shaft. Lengths [mm]: seat `d`, hub `outside`, shaft's own `bore` (0 solid), `length`."""

    d: float
    outside: float
    bore: float
    length: float
    hub: Material
    shaft: Material

    def __post_init__(self) -> None:
        for field, good, words in (
            (
                "outside",
                self.outside > self.d,
                f"The hub's outside must be larger than the seat ({self.d:g}).",
            ),
            (
                "shaft_bore",
                0 <= self.bore < self.d,
                f"The shaft's own bore must be smaller than the seat ({self.d:g}).",
            ),
            ("length", self.length > 0, "The seat's length must be above 0."),
        ):
            if not good:
                raise RangeError(words, field=field, next_step="Measure it again.")

    @property
    def hub_ratio(self) -> float:
        return (self.outside**2 + self.d**2) / (self.outside**2 - self.d**2)

    @property
    def shaft_ratio(self) -> float:
        return (self.d**2 + self.bore**2) / (self.d**2 - self.bore**2)

    def pressure(self, interference: float) -> float:
        """Contact pressure [MPa] of an interference [mm] on the diameter, after Lamé; nothing for a clearance.

        Equation: p = δ / {d [(Rh + νh)/Eh + (Rs − νs)/Es]}, R = (a² + b²)/(a² − b²). Source: thick cylinders.

        >>> from bornek.core.fits.materials import materials
        >>> steel = materials()["carbon_steel"]
        >>> seat = Seat(140, 240, 0, 100, steel, steel)
        >>> round(seat.pressure(0.098), 1)
        47.6
        """
        give = (self.hub_ratio + self.hub.nu) / self.hub.e_mpa + (
            self.shaft_ratio - self.shaft.nu
        ) / self.shaft.e_mpa
        return max(0.0, interference) / (self.d * give)

    def force(self, pressure: float, friction: float, travel: float | None = None) -> float:
        """Push [N] with so much of the seat home: F = µ p π d L.

        >>> from bornek.core.fits.materials import materials
        >>> steel = materials()["carbon_steel"]
        >>> seat = Seat(140, 240, 0, 100, steel, steel)
        >>> round(seat.force(seat.pressure(0.098), 0.12) / 1000)
        251
        """
        home = self.length if travel is None else min(max(travel, 0.0), self.length)
        return friction * pressure * math.pi * self.d * home

    def torque(self, force: float) -> float:
        """What it holds before it turns [N·m]: T = F·d/2."""
        return force * self.d / 2000

    def hoop(self, pressure: float) -> float:
        """Stress round the bore [MPa]: p·Rh."""
        return pressure * self.hub_ratio

    def tresca(self, pressure: float) -> float:
        """Greatest shear stress of the bore as a pull [MPa]: 2 p D²/(D² − d²)."""
        return 2 * pressure * self.outside**2 / (self.outside**2 - self.d**2)


def seat_fields() -> list[Field]:
    return [
        Field("d", "Seat diameter", "length", lo=3, hi=2000),
        Field("outside", "Hub outside", "length", lo=3, hi=3000),
        Field("shaft_bore", "Shaft's own bore", "length", default=0.0, lo=0, hi=1990, why="0: solid."),
        Field("length", "Seat length", "length", lo=1, hi=2000),
        Field("interference", "Interference", "length", lo=0, hi=3),
        Field("interference_give", "Give or take of it", "length", required=False, lo=0, hi=1),
        material_field("hub", "Hub is of"),
        material_field("shaft", "Shaft is of"),
        Field(
            "friction",
            "Friction",
            "number",
            default=FRICTION[1],
            lo=0.02,
            hi=0.5,
            why="Oiled steel 0.06 to 0.20.",
        ),
        Field("yield_mpa", "Hub's yield stress (MPa)", "pressure", required=False, lo=50, hi=2500),
        Field("safety", "Safety against yield", "number", default=1.3, lo=1, hi=5),
    ]


def seat_of(ctx: Context) -> Seat:
    return Seat(
        float(ctx.given["d"]),
        float(ctx.given["outside"]),
        or_else(ctx, "shaft_bore", 0.0),
        float(ctx.given["length"]),
        material_of(ctx, "hub"),
        material_of(ctx, "shaft"),
    )


@register
class PressFit(FitSum):
    id = "fit_press"
    title = "Pressing force, hold and stress"
    group = "Press"
    cautions = (
        "Nobody in line with the ram; guards on; stop at a jump of the gauge, a bang, or a hub that goes on skew.",
        "Over the red line of ram, chain, eye or bolt: never.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return seat_fields()

    def band(self, ctx: Context) -> tuple[float, float, float]:
        """Push with the seat all home [N]: least, usual, greatest, friction and interference both at their ends."""
        seat, delta = seat_of(ctx), float(ctx.given["interference"])
        give, usual = number_of(ctx, "interference_give") or 0.0, or_else(ctx, "friction", FRICTION[1])
        ends = (min(usual, FRICTION[0]), usual, max(usual, FRICTION[2]))
        low, middle, high = (
            seat.force(seat.pressure(delta + sign * give), mu)
            for sign, mu in zip((-1, 0, 1), ends, strict=True)
        )
        return low, middle, high

    def evaluate(self, ctx: Context) -> Outcome:
        seat, delta, mu = (
            seat_of(ctx),
            float(ctx.given["interference"]),
            or_else(ctx, "friction", FRICTION[1]),
        )
        p = seat.pressure(delta)
        low, force, high = self.band(ctx)
        stress, hoop = seat.tresca(p), seat.hoop(p)
        most = number_of(ctx, "yield_mpa")
        safety = or_else(ctx, "safety", 1.3)
        window = Window(None, most / safety, f"yield {most:g} MPa ÷ {safety:g}") if most else None
        judged = verdict(Normal(round(stress, 6), 0.0), window) if window else NOT_READ
        d, big, long = seat.d, seat.outside, seat.length
        lines = (
            line("Hub", f"({big:g}² + {d:g}²) ÷ ({big:g}² − {d:g}²)", seat.hub_ratio, "", 3),
            line("Shaft", f"({d:g}² + {seat.bore:g}²) ÷ ({d:g}² − {seat.bore:g}²)", seat.shaft_ratio, "", 3),
            line(
                "Pressure",
                f"{delta:.3f} ÷ {{{d:g} × [({seat.hub_ratio:.3f} + {seat.hub.nu:g}) ÷ {seat.hub.e_mpa:.0f}"
                f" + ({seat.shaft_ratio:.3f} − {seat.shaft.nu:g}) ÷ {seat.shaft.e_mpa:.0f}]}}",
                p, "MPa", 1,
            ),
            line("Push", f"{mu:g} × {p:.1f} × π × {d:g} × {long:g}", force / 1000, "kN", 0, main=True),
            line("Push, least and most", f"friction {FRICTION[0]:g} and {FRICTION[2]:g}, interference at its ends", low / 1000, f"to {high / 1000:.0f} kN", 0),
            line("Holds before it turns", f"{force / 1000:.0f} kN × {d:g} ÷ 2", seat.torque(force) / 1000, "kN·m", 1),
            line("Hoop stress at the bore", f"{p:.1f} × {seat.hub_ratio:.3f}", hoop, "MPa", 1),
            line("Stress to judge by yield", f"2 × {p:.1f} × {big:g}² ÷ ({big:g}² − {d:g}²)", stress, "MPa", 0),
        )  # fmt: skip
        working = Working(lines, (seat.hub.row, seat.shaft.row, MAKERS))
        results = (
            Result("force", "Push when home", "force", Normal(round(force, 3), (high - low) / 4), role="estimate", working=working),
            Result("pressure", "Contact pressure", "pressure", Normal(round(p, 6), 0.0), role="info"),
            Result("torque", "Holds before it turns", "torque", Normal(round(seat.torque(force), 3), 0.0), role="info"),
            Result("hoop", "Hoop stress at the bore", "pressure", Normal(round(hoop, 6), 0.0), role="info"),
            Result("stress", "Stress to judge by yield", "pressure", Normal(round(stress, 6), 0.0), window,
                   role="target" if window else "info", verdict=judged),
        )  # fmt: skip
        checks = (
            [
                Check(
                    "yields",
                    "stop",
                    "The hub would yield: a smaller interference, or a stronger hub.",
                    "stop",
                )
            ]
            if judged.code == "out_high"
            else []
        )
        return self.spoken(ctx, Outcome(results, tuple(checks), judged))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        if outcome.checks:
            return (Span(outcome.checks[0].sentence),)
        low, force, high = self.band(ctx)
        holds = nm(seat_of(ctx).torque(force))
        return (
            Span("Push "),
            Span(kn(force), True),
            Span(f", {kn(low)} to {kn(high)} by friction. It holds {holds} before it turns."),
        )


@dataclass(frozen=True)
class PushPoint:
    """Push [N] written down at so much travel [mm]."""

    travel_mm: float
    force_n: float


def judge_push(seat: Seat, low: float, high: float, points: Sequence[PushPoint]) -> str:
    """What the written points say while there is still time; empty while they lie in the predicted band.

    The band grows with the travel: F = µ p π d x. More than it by a tenth, or a jump of more than a third of the
    whole push between two points: burr or skew. Less than it: a loose fit. A travel beyond the seat is told as one.

    >>> from bornek.core.fits.materials import materials
    >>> steel = materials()["carbon_steel"]
    >>> seat = Seat(140, 240, 0, 100, steel, steel)
    >>> judge_push(seat, 125e3, 418e3, [PushPoint(20, 50e3), PushPoint(40, 100e3)])
    ''
    >>> judge_push(seat, 125e3, 418e3, [PushPoint(20, 50e3), PushPoint(25, 300e3)])[:5]
    'Stop:'
    >>> judge_push(seat, 125e3, 418e3, [PushPoint(60, 20e3)])[:9]
    'Too easy:'
    """
    beyond = next((p for p in points if p.travel_mm > seat.length), None)
    if beyond is not None:
        return f"{beyond.travel_mm:g} mm is more than the seat is long ({seat.length:g} mm): strike it if it was typed wrongly; else the hub goes past its seat."
    for before, now in zip([PushPoint(0.0, 0.0), *points], points, strict=False):
        share = now.travel_mm / seat.length
        grown = now.force_n - before.force_n
        due = high * max(now.travel_mm - before.travel_mm, 0.0) / seat.length
        if (now.force_n > 1.1 * high * share and now.force_n > 0.1 * high) or grown > due + high / 3:
            return f"Stop: {kn(now.force_n)} at {now.travel_mm:g} mm is more than it should be. A burr, or it goes on skew: take it off and look."
        if share > 0.3 and now.force_n < 0.9 * low * share:
            return f"Too easy: {kn(now.force_n)} at {now.travel_mm:g} mm, and at least {kn(low * share)} is due. A loose fit: measure again before it is home."
    return ""
