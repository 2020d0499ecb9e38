"""The reading on this ram's own gauge for the push that is wanted, and where it must stop."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import InputError, RangeError
from bornek.core.fits.sums import MAKERS, FitSum, kn, line, number_of, or_else
from bornek.core.phrases import Say, Span, plain
from bornek.core.quantities import KGF_N, LONG_TON_N, SHORT_TON_N, UNITS, parse
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Working

GAUGE_UNITS = (("MPa", "MPa"), ("bar", "bar"), ("psi", "psi"))
WEAK = (
    ("none", "nothing else"),
    ("chain", "a chain"),
    ("eye", "an eye"),
    ("puller", "a puller"),
    ("bolt", "bolts"),
)

SCALE_FIT = 0.02
"""A scale is this ram's when its area is within this share of it."""


def ram_area_mm2(bore_mm: float, rod_mm: float = 0.0) -> float:
    """Area that the oil pushes on: a full ram, or a ring round a hole or rod.

    Equation: π/4 (D² − d²). Lengths [mm]. Raises RangeError unless D > d ≥ 0.

    >>> round(ram_area_mm2(63, 30) / 100, 2)
    24.1
    """
    if not bore_mm > rod_mm >= 0:
        raise RangeError(
            f"The hole ({rod_mm:g}) must be smaller than the ram ({bore_mm:g}).",
            field="hole",
            next_step="Read both off the ram's plate.",
        )
    return math.pi / 4 * (bore_mm**2 - rod_mm**2)


def tons(force_n: float) -> str:
    """A force in each ton, named.

    >>> tons(96413)
    '9.83 metric, 10.84 short, 9.68 long tons'
    """
    metric, short, long = (force_n / n for n in (1000 * KGF_N, SHORT_TON_N, LONG_TON_N))
    return f"{metric:.2f} metric, {short:.2f} short, {long:.2f} long tons"


@register
class RamGauge(FitSum):
    id = "fit_ram"
    title = "Ram and gauge"
    group = "Press"
    cautions = (
        "Nobody in line with the ram or the work; stop first, then look. Never over the red line.",
        "A gauge with several scales is read on the scale of this ram; of another ram it lies.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        weak, unit = given.get("weak", "none"), str(given.get("unit", "MPa"))
        unit = unit if unit in UNITS["pressure"] else "MPa"
        round_ram = [
            Field("ram", "Ram's diameter", "length", lo=5, hi=1000),
            Field("hole", "Hole through it", "length", default=0.0, lo=0, hi=900, why="0: a full ram."),
        ]
        return [
            Field("area", "Ram's area off its card (cm²)", "number", required=False, lo=0.2, hi=10_000),
            *([] if given.get("area") else round_ram),
            Field("force", "Push wanted (kN)", "force", required=False, lo=1, hi=1e8, unit="kN",
                  why="Tons by their name: metric, short or long."),
            Field("unit", "Gauge shows", "choice", options=GAUGE_UNITS, default="MPa"),
            Field("rated_pressure", f"Ram's rated pressure ({unit})", "pressure", required=False, lo=0.1, hi=400, unit=unit),
            Field("rated_force", "Ram's rated push (kN)", "force", required=False, lo=10, hi=1e8, unit="kN"),
            Field("weak", "What else carries it", "choice", options=WEAK, default="none"),
            *(
                [Field("weak_force", f"Rated for, {dict(WEAK).get(weak, weak)} (kN)", "force", lo=10, hi=1e8, unit="kN")]
                if weak != "none"
                else []
            ),
            Field("scales", "Scales on its face, ram areas in cm²", "lines", required=False,
                  why="One a line, where the gauge has several."),
            Field("reading", f"Gauge reads now ({unit})", "pressure", required=False, lo=0, hi=400, unit=unit),
        ]  # fmt: skip

    def area(self, ctx: Context) -> float:
        card = number_of(ctx, "area")
        if card is not None:
            return card * 100
        return ram_area_mm2(float(ctx.given["ram"]), or_else(ctx, "hole", 0.0))

    def _scale_checks(self, ctx: Context, area_cm2: float) -> list[Check]:
        """Which of several scales belongs to this ram; none: only the pressure holds."""
        typed = [str(x) for x in ctx.given.get("scales") or ()]
        if not typed:
            return []
        try:
            areas = [parse(x.removesuffix("cm²").strip(), "count").value for x in typed]
        except InputError as error:
            raise InputError(
                f"Scales: {error.message}", field="scales", next_step="Areas in cm², one a line."
            ) from error
        nearest = min(areas, key=lambda a: abs(a - area_cm2))
        if abs(nearest - area_cm2) <= SCALE_FIT * area_cm2:
            return [Check("scale", "note", f"Read the scale for {nearest:g} cm²: it is this ram's.")]
        words = f"None of its scales is this ram's ({area_cm2:.1f} cm²): go by the pressure alone."
        return [Check("no_scale", "warn", words, "ask")]

    def _area_words(self, ctx: Context) -> str:
        hole = or_else(ctx, "hole", 0.0)
        return f"π/4 × ({float(ctx.given['ram']):g}²{f' − {hole:g}²' if hole else ''})"

    def red_line(self, ctx: Context) -> tuple[float, str] | None:
        """The pressure never to be passed [MPa] and what sets it: ram, or the weakest thing that carries the push."""
        area = self.area(ctx)
        found = []
        if (p := number_of(ctx, "rated_pressure")) is not None:
            found.append((p, "the ram's rated pressure"))
        if (f := number_of(ctx, "rated_force")) is not None:
            found.append((f / area, "the ram's rated push"))
        if (w := number_of(ctx, "weak_force")) is not None and ctx.given.get("weak", "none") != "none":
            found.append((w / area, dict(WEAK)[str(ctx.given["weak"])]))
        return min(found) if found else None

    def shown(self, ctx: Context, mpa: float) -> str:
        """As this gauge shows it."""
        unit = str(ctx.given.get("unit", "MPa"))
        value = mpa / UNITS["pressure"][unit]
        return f"{value:.0f} {unit}" if value >= 100 else f"{value:.1f} {unit}"

    def evaluate(self, ctx: Context) -> Outcome:
        area, force, red = self.area(ctx), number_of(ctx, "force"), self.red_line(ctx)
        formula = "off the ram's card" if number_of(ctx, "area") is not None else self._area_words(ctx)
        lines = [line("Area", formula, area / 100, "cm²", 2)]
        results, checks = [], []
        window = Window(None, red[0], red[1]) if red else None
        if force is not None:
            want = force / area
            lines.append(
                line("Gauge", f"{force / 1000:.1f} kN ÷ {area / 100:.2f} cm² × 10", want, "MPa", 2, main=True)
            )
            lines.append(line("In tons", tons(force), force / 1000, "kN", 1))
            judged = verdict(Normal(round(want, 9), 0.0), window)
            results.append(
                Result(
                    "gauge",
                    "Gauge for the push wanted",
                    "pressure",
                    Normal(round(want, 9), 0.0),
                    window,
                    working=Working(tuple(lines), (MAKERS,)),
                    verdict=judged,
                )
            )
            if judged.code == "out_high":
                checks.append(
                    Check(
                        "red_line",
                        "stop",
                        f"Past the red line of {red[1] if red else ''}: a larger ram, or heat.",
                        "stop",
                    )
                )
        now = number_of(ctx, "reading")
        if now is not None:
            push = now * area
            sum_line = line(
                "Push now", f"{now:g} MPa × {area / 100:.2f} cm² ÷ 10", push / 1000, "kN", 1, main=True
            )
            results.append(
                Result(
                    "push",
                    "Push at this reading",
                    "force",
                    Normal(round(push, 3), 0.0),
                    role="info",
                    working=Working((lines[0], sum_line, line("In tons", tons(push), push / 1000, "kN", 1))),
                )
            )
            if red is not None and now > red[0]:
                checks.append(Check("over", "stop", f"Let off now: past the red line of {red[1]}.", "stop"))
        checks += self._scale_checks(ctx, area / 100)
        if red is None:
            checks.append(
                Check(
                    "no_red_line",
                    "warn",
                    "No red line: read the ram's rating off its plate, and what else carries the push.",
                    "ask",
                )
            )
        results.append(Result("area", "Area (cm²)", "number", Normal(round(area / 100, 6), 0.0), role="info"))
        if red is not None:
            results.append(
                Result(
                    "red", f"Red line, by {red[1]}", "pressure", Normal(round(red[0], 9), 0.0), role="info"
                )
            )
        overall = results[0].verdict if results and results[0].key == "gauge" else verdict(None, None)
        return self.spoken(ctx, Outcome(tuple(results), tuple(checks), overall))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        stop = next((c.sentence for c in outcome.checks if c.severity == "stop"), "")
        if stop:
            return plain(stop)
        red, force, now = self.red_line(ctx), number_of(ctx, "force"), number_of(ctx, "reading")
        tail = f" Red line {self.shown(ctx, red[0])}, by {red[1]}." if red else " No red line is known yet."
        if force is not None:
            want = self.shown(ctx, force / self.area(ctx))
            return (Span(f"{kn(force)} is "), Span(want, True), Span(f" on this gauge.{tail}"))
        if now is not None:
            push = now * self.area(ctx)
            return (
                Span(f"{self.shown(ctx, now)} on this ram is "),
                Span(kn(push), True),
                Span(f", {tons(push)}.{tail}"),
            )
        return plain(f"Say the push that is wanted, or what the gauge reads.{tail}")
