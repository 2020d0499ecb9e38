"""A nut that is adjusted by feel, made repeatable: spin-down time, end play, and a lump over the whole travel.

From the same flick the time to stop goes with one over the drag: drag₂/drag₁ = t₁/t₂ for the same screw and starting
speed (Coulomb friction). What is too tight stops at once; what runs on and has play is too loose. The band is taught
from a good axis.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from statistics import fmean, stdev
from typing import Any, ClassVar

from bornek.core.errors import BornekError, InputError
from bornek.core.quantities import parse, signed
from bornek.core.readings import expected_u, travel_value
from bornek.core.scenes import Section
from bornek.core.settings.common import confirm, given_window, source_lines, unread, whole_form
from bornek.core.settings.counted_nut import Counted, turned_nut
from bornek.core.settings.figures.flicked_screw import draw_flicked_screw
from bornek.core.settings.kind import Check, Field, Outcome, Result, SlipHint, Slot, speech
from bornek.core.settings.knobs import Knob, Response
from bornek.core.settings.nut_lock import pitch_mm, thread_fields
from bornek.core.settings.records import Choice, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Working

SPINS, PLAYS = 3, 2
LEAST_TAUGHT = 3
FLICK_SHARE = 0.06
"""Flicks of one hand differ by this share of the time."""
BAND_SHARE = 0.15
"""A band is never taught narrower than this share of its middle."""
PLAY_SCATTER_MM = 0.001
TURN_STEP_DEG, MOST_TURN_DEG = 0.5, 180.0
WHAT = (
    ("bearings", "the screw's bearings"),
    ("nut", "the feed nut's lash"),
    ("block", "the block's alignment"),
)


def band_of(times_s: Sequence[float]) -> tuple[float, float]:
    """The band that a good axis teaches: mean ± the larger of 2·s·√(1 + 1/n) and 15 % [s].

    Needs at least 3 times. Source: prediction interval of one more mean-like reading, rounded to twice the sd.

    >>> [round(x, 2) for x in band_of([2.0, 2.1, 1.9])]
    [1.7, 2.3]
    """
    if len(times_s) < LEAST_TAUGHT or min(times_s) <= 0:
        raise InputError(
            f"A good axis teaches by at least {LEAST_TAUGHT} times above 0 (got {len(times_s)}).",
            field="taught",
            next_step="Flick the good axis the same way and write each time to stop on its own line.",
        )
    mean = fmean(times_s)
    half = max(expanded(stdev(times_s)) * math.sqrt(1 + 1 / len(times_s)), BAND_SHARE * mean)
    return mean - half, mean + half


def drag_ratio(good_s: float, here_s: float) -> float:
    """Drag here over drag of the good axis: t_good/t_here.

    >>> drag_ratio(2.0, 1.0)
    2.0
    """
    return good_s / here_s


@register
class FeelNut(Counted):
    id = "feel_nut"
    counted_by: ClassVar[float] = TURN_STEP_DEG
    touches: ClassVar[frozenset[str]] = frozenset({"nut", "axial"})
    title = "Nut adjusted by feel: feed screw, small spindle"
    plain = "A feed screw or small spindle whose nut is set by feel"
    cautions = (
        "The drive is off and locked out: a feed screw that is flicked must be turned by nothing else.",
        "Sleeves and hair clear of the crank handle: it spins.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        taught = given.get("band", "taught") == "taught"
        own = [
            Field("axis", "Which axis", "text", why="Each axis has a band of its own."),
            Field("what", "What is set", "choice", options=WHAT, default="bearings"),
            Field("band", "The band is", "choice", default="taught",
                  options=(("taught", "taught by a good axis"), ("given", "given as times"))),
            *self._band_fields(taught),
            Field("play_most", "Most end play", "length", default=0.01, lo=0.0005, hi=1),
            *thread_fields(given),
        ]  # fmt: skip
        return whole_form(own, aim=False)

    @staticmethod
    def _band_fields(taught: bool) -> list[Field]:
        if taught:
            why = "The same flick, each time to stop on its own line, at least three: 2.1 s."
            return [Field("taught", "Times to stop of the good axis", "lines", why=why)]
        return [
            Field("least", "Least time to stop", "time", lo=0.05, hi=600),
            Field("greatest", "Greatest time to stop", "time", lo=0.05, hi=600),
        ]

    def _good(self, ctx: Context) -> list[float]:
        times = []
        for n, line in enumerate(ctx.given["taught"], 1):
            try:
                times.append(parse(line, "time").value)
            except BornekError as refused:
                raise InputError(f"Line {n} of the good axis: {refused.message}", field="taught") from refused
        return times

    def _band(self, ctx: Context) -> tuple[float, float]:
        if ctx.given["band"] == "taught":
            return band_of(self._good(ctx))
        return float(ctx.given["least"]), float(ctx.given["greatest"])

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, *self._band(ctx))

    def thing(self) -> Section:
        return draw_flicked_screw("by feel")

    def slots(self, ctx: Context) -> list[Slot]:
        middle = sum(self._band(ctx)) / 2
        spins = [
            Slot(
                key=f"spin.{n}",
                label=f"Flick {n}: time to stop",
                group="Spin-down",
                axes={"rep": n},
                quantity="time",
                nature="time",
                accepts="time",
                posture="The same flick each time. Space as it leaves the hand, Space again as it stops.",
                plausible=(0.02, 20 * middle),
                peers="spin",
            )
            for n in range(1, SPINS + 1)
        ]
        plays = [
            Slot(
                key=f"play.{n}",
                label=f"End play, reading {n}",
                group="End play",
                axes={"rep": n},
                quantity="length",
                nature="travel",
                posture="Push the screw home, zero, pull it. Type the full travel.",
                plausible=(0.0, 1.0),
                peers="play",
            )
            for n in range(1, PLAYS + 1)
        ]
        lump = Slot(
            key="lump",
            label="Over the full travel",
            group="Alignment",
            axes={},
            quantity="count",
            nature="count",
            accepts="choice",
            posture="Turn it through the full travel. Even all the way, or a lump somewhere?",
            options=(("even", "even"), ("lump", "a lump")),
        )
        mark = confirm("mark", "Nut marked", "Mark", "Mark nut and screw with one line: that is 0°.")
        first = [mark] if ctx.round == ctx.first_round else []
        return [*first, *spins, *plays, lump]

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        spins = [s for s in slots if s.key.startswith("spin")]
        times = [v for g in sifted.numbers(spins).values() for v in g]
        results = [self._spin(ctx, times), self._play(ctx, slots)]
        overall = worst([r.verdict for r in results])
        observed = {r.key: r.value for r in results if r.value is not None}
        return Outcome(
            results=tuple(results),
            checks=tuple(self._checks(ctx, results, times)),
            verdict=NOT_READ if not times else overall,
            scenes=(draw_flicked_screw(dict(WHAT)[ctx.given["what"]]),),
            observed=observed,
        )

    def _spin(self, ctx: Context, times: Sequence[float]) -> Result:
        window = self.window(ctx)
        middle = window.middle or 0.0
        if not times:
            return unread("spin", "Time to stop", window, "time", aim=middle)
        mean = fmean(times)
        scatter = max(stdev(times) if len(times) > 1 else 0.0, FLICK_SHARE * mean)
        value = Normal(mean, scatter / math.sqrt(len(times)))
        lines = [Line("Time to stop", f"mean of {len(times)}", f"{signed(mean, 2)} s", True)]
        good = middle
        lines.append(
            Line(
                "Drag",
                f"{good:.2f} ÷ {mean:.2f}",
                f"{drag_ratio(good, mean):.2f} times that of the band's middle",
            )
        )
        if ctx.given["band"] == "taught":
            lo, hi = self._band(ctx)
            taught = f"{len(self._good(ctx))} times of the good axis"
            lines.append(Line("Band", taught, f"{lo:.2f} to {hi:.2f} s"))
        return Result(
            key="spin",
            label="Time to stop",
            quantity="time",
            value=value,
            window=window,
            role="target",
            working=Working(tuple(lines), source_lines(window)),
            verdict=verdict(value, window),
            aim=middle,
            readings=tuple(times),
        )

    def _play(self, ctx: Context, slots: Sequence[Slot]) -> Result:
        window = given_window(ctx.given, None, ctx.given["play_most"], 0.0)
        plays = [s for s in slots if s.key.startswith("play")]
        sifted = sift(plays, ctx.now())
        groups = sifted.numbers(plays)
        aim = float(ctx.given["play_most"]) / 2
        if not groups:
            return unread("play", "End play", window, aim=aim)
        value = travel_value(groups, sifted.gauges(plays, ctx), PLAY_SCATTER_MM)
        return Result(
            key="play",
            label="End play",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=Working((), source_lines(window)),
            verdict=verdict(value, window),
            aim=aim,
            readings=tuple(v for g in groups.values() for v in g),
        )

    def _checks(self, ctx: Context, results: Sequence[Result], times: Sequence[float]) -> list[Check]:
        found = []
        lump = next((e.raw.option for e in ctx.now() if e.slot == "lump" and isinstance(e.raw, Choice)), "")
        if lump == "lump":
            words = "A lump in its travel: tap the block, let it re-seat, tighten it and turn through again."
            found.append(Check("lump", "warn", words, "reseat"))
        spin, play = results
        loose = isinstance(play.value, Normal) and play.verdict.code == "out_high"
        if spin.verdict.code == "out_low" and loose:
            words = "It stops early and has play: that is no adjustment but dirt, a bent screw or a worn nut."
            found.append(Check("both", "warn", words, "reseat"))
        if len(times) > 1 and max(times) > 1.4 * min(times):
            words = (
                f"The flicks differ from {min(times):.1f} to {max(times):.1f} s: flick it the same each time."
            )
            found.append(Check("flicks", "warn", words, "reseat"))
        return found

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return (
            turned_nut(
                "Nut, from its mark",
                "Nut, from its mark",
                1,
                (TURN_STEP_DEG, -MOST_TURN_DEG, MOST_TURN_DEG),
            ),
        )

    def response(self, ctx: Context) -> Response:
        """Backing off raises both: the play by the thread, the time to stop, by guess, from binding to the band's
        middle over the turn that lets go the play that is allowed."""
        lo, hi = self._band(ctx)
        middle = (lo + hi) / 2
        turn = max(float(ctx.given["play_most"]) / pitch_mm(ctx.given) * 360, TURN_STEP_DEG)
        return Response(
            rows=("spin", "play"),
            knobs=("nut",),
            k0=((middle / turn,), (pitch_mm(ctx.given) / 360,)),
            rho=((0.5,), (0.3,)),
            s_a=(FLICK_SHARE * middle, 0.002),
            s_r=(FLICK_SHARE * middle, PLAY_SCATTER_MM),
            harm=("low", ""),
            repeats=PLAYS,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("stopwatch: the space bar", "magnetic base", "pin wrench")

    def brief(self, ctx: Context) -> Sequence[str]:
        usual = expected_u(ctx.find_gauge(), "travel", PLAY_SCATTER_MM, PLAYS)
        most = speech(ctx).size(float(ctx.given["play_most"]))
        coarse = expanded(usual) > float(ctx.given["play_most"])
        return (
            f"{ctx.given['axis']}: play at most {most}",
            *(("a finer gauge is wanted",) if coarse else ()),
        )

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The flick was not the same."),
            SlipHint("The lock ring turned the nut along as it was tightened."),
            SlipHint("The block was not tightened the same."),
        ]
