"""A hub drawn up a taper: how far it went, what that grips, and how it stands at the taper's end."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.sums import MAKERS, FitSum, number_of, or_else, size_line
from bornek.core.phrases import Say, Span, plain
from bornek.core.settings.kind import Check, Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict, worst
from bornek.core.working import Working

CALIPER_U_MM = 0.01
"""Standard uncertainty of a step read by depth gauge, where nothing better is said [mm]."""


def interference_of(travel_mm: float, taper: float) -> float:
    """What a drive-up grips on the diameter [mm]: travel / taper, a taper of 1 in `taper`.

    travel_mm [mm], taper 3 to 100. Raises RangeError outside.

    >>> interference_of(1.2, 12)
    0.1
    """
    if not 3 <= taper <= 100:
        raise RangeError(
            f"A taper is 1 in 3 to 1 in 100 (got 1 in {taper:g}).",
            field="taper",
            next_step="1 in 12 is typed as 12.",
        )
    return round(travel_mm / taper, 9)


@register
class TaperSeat(FitSum):
    id = "fit_taper"
    title = "Seat on a taper"
    group = "Press"
    cautions = (
        "Leave the nut on by more than the travel before any oil pressure: the hub jumps off.",
        "Taper and bore dry and clean, blued first where they are old; nobody in line.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("taper", "Taper, 1 in", "number", default=12.0, lo=3, hi=100),
            Field(
                "before", "Stands proud, hand tight", "length", required=False, lo=-50, hi=500,
                why="Hub's face beyond the taper's small end; minus where the taper stands out.",
            ),
            Field("after", "Stands proud, pressed home", "length", required=False, lo=-50, hi=500),
            Field("least_travel", "Least drive-up", "length", required=False, lo=0, hi=100),
            Field("greatest_travel", "Greatest drive-up", "length", required=False, lo=0, hi=100),
            Field("least_proud", "Must still stand proud by", "length", default=0.2, lo=0, hi=100),
            Field("key_engaged", "Key engaged over", "length", required=False, lo=0, hi=500),
            Field("key_least", "Key engaged at least", "length", required=False, lo=0, hi=500),
            Field("source", "Where the limits come from", "text", required=False),
            Field("u", "Depth gauge, give or take", "length", required=False, lo=0.001, hi=0.5),
        ]  # fmt: skip

    def evaluate(self, ctx: Context) -> Outcome:
        before, after, say = number_of(ctx, "before"), number_of(ctx, "after"), speech(ctx)
        u = or_else(ctx, "u", 2 * CALIPER_U_MM) / 2
        source = str(ctx.given.get("source") or "limits given, source not named")
        results: list[Result] = []
        checks: list[Check] = []
        if after is not None:
            window = Window(or_else(ctx, "least_proud", 0.2), None, source)
            judged = verdict(Normal(after, u), window)
            results.append(
                Result(
                    "proud", "Stands proud, pressed home", "length", Normal(after, u), window, verdict=judged
                )
            )
            if judged.code == "out_low":
                checks.append(
                    Check(
                        "worn",
                        "stop",
                        "The taper comes to the hub's face: worn, reject hub or taper.",
                        "stop",
                    )
                )
        if before is not None and after is not None:
            travel, taper = before - after, float(ctx.given["taper"])
            if travel < 0:
                raise RangeError(
                    f"It cannot stand further out pressed home ({say.size(after)}) than hand tight ({say.size(before)}).",
                    field="after",
                    next_step="Measure both from the same face.",
                )
            lo, hi = number_of(ctx, "least_travel"), number_of(ctx, "greatest_travel")
            bound = Window(lo, hi, source) if lo is not None or hi is not None else None
            grip = interference_of(travel, taper)
            working = Working(
                (
                    size_line("Drive-up", f"{say.number(before)} − {say.number(after)}", travel, say, True),
                    size_line("Grips on the diameter", f"{say.number(travel)} ÷ {taper:g}", grip, say),
                ),
                (MAKERS,),
            )
            value = Normal(round(travel, 9), 2**0.5 * u)
            results.insert(
                0,
                Result(
                    "travel",
                    "Drive-up",
                    "length",
                    value,
                    bound,
                    working=working,
                    verdict=verdict(value, bound),
                    role="target" if bound else "info",
                ),
            )
            results.append(
                Result(
                    "grip",
                    "Interference on the diameter",
                    "length",
                    Normal(grip, value.u / taper),
                    role="info",
                )
            )
        results += _key(ctx, u, source)
        if any(r.key == "key" and r.verdict.code == "out_low" for r in results):
            checks.append(
                Check(
                    "key",
                    "stop",
                    "The key is not in by what it must: a longer key, or the hub farther on.",
                    "stop",
                )
            )
        targets = [r.verdict for r in results if r.role == "target"]
        return self.spoken(ctx, Outcome(tuple(results), tuple(checks), worst(targets)))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        say, travel = speech(ctx), outcome.result("travel")
        if outcome.checks:
            return plain(outcome.checks[0].sentence)
        if travel is None or not isinstance(travel.value, Normal):
            return plain("Measure how far the hub stands proud: hand tight, then pressed home.")
        went = f"It went up {say.number(travel.value.v)} {say.unit}"
        lo, hi = number_of(ctx, "least_travel"), number_of(ctx, "greatest_travel")
        if travel.verdict.code == "out_low" and lo is not None:
            more = lo if hi is None else (lo + hi) / 2
            return (
                Span(f"{went}: push on by "), Span(f"{say.size(round(more - travel.value.v, 3))} {say.unit}", True), Span("."),
            )  # fmt: skip
        if travel.verdict.code == "out_high":
            return plain(f"{went}, more than it may: draw it off, look at taper and bore, begin again.")
        return plain(f"{went} and grips. Feeler at the shoulder all round, then the nut and its lock.")


def _key(ctx: Context, u: float, source: str) -> list[Result]:
    """Engagement of the key, judged where a least one is given."""
    engaged, least = number_of(ctx, "key_engaged"), number_of(ctx, "key_least")
    if engaged is None:
        return []
    value, window = Normal(engaged, u), Window(least, None, source) if least is not None else None
    judged = verdict(value, window)
    return [
        Result(
            "key", "Key engaged", "length", value, window, role="target" if window else "info", verdict=judged
        )
    ]
