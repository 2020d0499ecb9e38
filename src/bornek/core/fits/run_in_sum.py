"""Run-in as a sum: temperatures typed by the minute, what to do now."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import BornekError, InputError
from bornek.core.fits.sums import MAKERS, FitSum, line, number_of, temperature_words
from bornek.core.phrases import Say, Span
from bornek.core.prove.run_in import COOL_K, READING_SD_C, RunIn, Temperature, beside_words, judge_stage
from bornek.core.quantities import parse
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Working

HOW = "minutes, then the temperature: 10 34.5"


def read_lines(lines: Sequence[str]) -> list[Temperature]:
    """`10 34.5` a line: minutes since the stage began, then what was read, °C where nothing else is said.

    Raises InputError that names the line.

    >>> read_lines(["10 34,5", "20 100 °F"])[0]
    Temperature(minutes=10.0, celsius=34.5)
    """
    found = []
    for n, text in enumerate(lines, 1):
        minutes, _, heat = text.strip().partition(" ")
        try:
            found.append(Temperature(parse(minutes, "count").value, parse(heat, "temperature", "°C").value))
        except BornekError as error:
            raise InputError(
                f"Line {n}: {error.message}", field="readings", next_step=f"Type {HOW}."
            ) from error
    return found


@register
class RunInSum(FitSum):
    id = "fit_run_in"
    title = "Run-in, where the temperature goes"
    group = "Running in"
    at = "step"
    cautions = (
        "Guards on before it runs; lock-out again before anything inside them is read or tightened.",
        "Stop at once for smoke, a new noise or a leak, whatever the numbers say.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("readings", "Temperatures, a line each", "lines", why=f"{HOW[0].upper()}{HOW[1:]}."),
            Field("limit", "Greatest temperature allowed", "temperature", lo=30, hi=250),
            Field("source", "Where the limit comes from", "text"),
            Field("ambient", "Surroundings", "temperature", lo=-40, hi=60),
            Field(
                key="stage", label="The stage runs, minutes", quantity="number", default=60.0, lo=5, hi=1440
            ),
            Field(
                "partner", "Its partner at the same load reads", "temperature", required=False, lo=-40, hi=250
            ),
            Field(
                key="sd",
                label="A reading scatters by, K",
                quantity="number",
                default=READING_SD_C,
                lo=0.05,
                hi=5,
            ),
        ]

    def _judged(self, ctx: Context) -> tuple[list[Temperature], RunIn]:
        read = read_lines(ctx.given["readings"])
        if not read:
            raise InputError("No temperature was typed.", field="readings", next_step=f"Type {HOW}.")
        return read, judge_stage(
            read, float(ctx.given["limit"]), float(ctx.given["stage"]), float(ctx.given["sd"])
        )

    def evaluate(self, ctx: Context) -> Outcome:
        read, found = self._judged(ctx)
        limit, ambient = float(ctx.given["limit"]), float(ctx.given["ambient"])
        window = Window(None, limit, str(ctx.given["source"]))
        last = Normal(read[-1].celsius, float(ctx.given["sd"]))
        results = [
            Result(
                key="now",
                label="Read last",
                quantity="temperature",
                value=last,
                window=window,
                verdict=verdict(last, window),
            )
        ]
        if found.rise is not None and found.code in ("levels", "over"):
            end = Normal(found.rise.end, found.rise.end_u)
            lines = (
                line("Began at", "fitted", found.rise.start, "°C", 1),
                line("Time constant", "fitted", found.rise.tau, "min", 0),
                line("Levels at", "T0 + (T_end − T0) × (1 − e^(−t/τ))", found.rise.end, "°C", 1, True),
                line(
                    "Rise over the surroundings",
                    f"{found.rise.end:.1f} − {ambient:g}",
                    found.rise.end - ambient,
                    "K",
                    1,
                ),
            )
            results.append(
                Result(
                    key="end",
                    label="Levels at",
                    quantity="temperature",
                    value=end,
                    window=window,
                    verdict=verdict(end, window),
                    working=Working(lines, (window.source,)),
                )
            )
        return self.spoken(
            ctx, Outcome(tuple(results), tuple(self._checks(ctx, read, found)), results[0].verdict)
        )

    @staticmethod
    def _checks(ctx: Context, read: Sequence[Temperature], found: RunIn) -> list[Check]:
        checks = []
        if found.stop:
            cool = f"Cool to within {COOL_K:g} K of the surroundings before it starts again."
            checks.append(Check("stop", "stop", cool, "stop"))
        partner = number_of(ctx, "partner")
        if partner is not None and (words := beside_words(read[-1].celsius, partner)):
            checks.append(Check("partner", "warn", words))
        return checks

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        return (Span(self._judged(ctx)[1].words),)

    def head(self, ctx: Context, outcome: Outcome) -> tuple[str, str]:
        read, _ = self._judged(ctx)
        over = read[-1].celsius - float(ctx.given["ambient"])
        return (
            f"{temperature_words(read[-1].celsius)} after {read[-1].minutes:g} min",
            f"{over:.0f} K over the surroundings.",
        )
