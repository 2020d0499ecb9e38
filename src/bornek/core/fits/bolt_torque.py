"""Torque of a joint's bolts: from class, size and lubrication, in stages, in the order of a star."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.build.torque_order import star_order, two_row_order
from bornek.core.fits.bolt_table import USUAL_SHARE, Bolt, bolt, grades, threads, torque_n_m
from bornek.core.fits.nut_draw import pull_n
from bornek.core.fits.sums import HAND_N, MAKERS, FitSum, kn, line, nm, number_of, or_else, yes_no
from bornek.core.fits.wrench_extension import wrench_checks, wrench_fields
from bornek.core.phrases import Say, Span
from bornek.core.scenes import BoltDisc, Bolts
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal
from bornek.core.working import Working

LUBRICATION = (
    ("0.20", "dry, as it came"),
    ("0.16", "oiled"),
    ("0.12", "moly paste"),
    ("own", "another, K given"),
)
WAYS = (("torque", "by torque"), ("angle", "torque, then an angle"), ("yield", "to yield"))
STAGES = (0.3, 0.7, 1.0)
STEP_TO = 5.0
"""Stages are rounded to so many N·m where they are large enough."""


def stages_of(torque: float) -> tuple[float, ...]:
    """What is set in each round of the bolts [N·m], the last as it is.

    >>> stages_of(218.0), stages_of(12.0)
    ((65.0, 155.0, 218.0), (3.6, 8.4, 12.0))
    """
    step = STEP_TO if torque >= 50 else 0.1
    return (*(round(round(share * torque / step) * step, 3) for share in STAGES[:-1]), torque)


@register
class BoltTorque(FitSum):
    id = "fit_bolts"
    title = "Bolt torque, stages and order"
    group = "Torque"
    at = "step"
    cautions = (
        "Another lubricant is another torque. Bolts stretched to yield are used once.",
        "Hold the far end; stand so that nobody falls when it lets go. Re-torque cold, locked out.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        thread = given.get("thread", "M16")
        known = grades(str(thread)) or grades("M16")
        own = (
            [Field("k", "Nut factor K", "number", lo=0.05, hi=0.4)]
            if given.get("lubrication") == "own"
            else []
        )
        angled = given.get("way", "torque") != "torque"
        more = [
            Field("snug", "Snug torque", "torque", lo=0.5, hi=5000, why="As the maker gives it."),
            Field("angle", "Then turn by", "angle", lo=5, hi=360),
        ]
        return [
            Field("thread", "Thread", "choice", options=threads(), default="M16"),
            Field("grade", "Class", "choice", options=known, default=known[0][0]),
            Field("lubrication", "Thread and under the head", "choice", options=LUBRICATION, default="0.20"),
            *own,
            Field("share", "Preload, share of proof", "number", default=USUAL_SHARE, lo=0.1, hi=1.0),
            Field("given_torque", "Torque on the card, if there is one", "torque", required=False, lo=0.5, hi=20_000,
                  why="Then it alone holds; the table stands beside it."),
            Field("way", "Tightened", "choice", options=WAYS, default="torque"),
            *(more if angled else []),
            Field("n", "How many", "count", default=8, lo=1, hi=60),
            Field("pattern", "They stand", "choice", options=(("circle", "in a circle"), ("rows", "in two rows")),
                  default="circle"),
            yes_no("left_hand", "Left-hand thread"),
            yes_no("settles", "Something settles under it", "Gasket, paint, soft part: it is tightened again."),
            Field("lever", "Lever or wrench, nut to hand", "length", required=False, lo=50, hi=5000),
            *wrench_fields(),
        ]  # fmt: skip

    def _bolt(self, ctx: Context) -> Bolt:
        return bolt(str(ctx.given["thread"]), str(ctx.given["grade"]))

    def _k(self, ctx: Context) -> float:
        chosen = str(ctx.given["lubrication"])
        return float(ctx.given["k"]) if chosen == "own" else float(chosen)

    def _torque(self, ctx: Context) -> float:
        """By the card where it says one, else by the table."""
        card, b = number_of(ctx, "given_torque"), self._bolt(ctx)
        return (
            card
            if card is not None
            else torque_n_m(b.preload_n(or_else(ctx, "share", USUAL_SHARE)), b.d_mm, self._k(ctx))
        )

    def evaluate(self, ctx: Context) -> Outcome:
        b, k, share = self._bolt(ctx), self._k(ctx), or_else(ctx, "share", USUAL_SHARE)
        preload = b.preload_n(share)
        table = torque_n_m(preload, b.d_mm, k)
        torque = self._torque(ctx)
        stages = stages_of(float(ctx.given["snug"]) if self._angled(ctx) else torque)
        lines = [
            line("Preload", f"{share:g} × {b.proof_mpa:g} MPa × {b.area_mm2:g} mm²", preload / 1000, "kN", 1),
            line(
                "Torque by the table",
                f"{k:g} × {b.d_mm:g} mm × {preload / 1000:.1f} kN",
                table,
                "N·m",
                0,
                main=True,
            ),
            line("First round", "about 30 %", stages[0], "N·m", 1),
            line("Second round", "about 70 %", stages[1], "N·m", 1),
        ]
        results = [
            Result("torque", "Torque", "torque", Normal(round(torque, 6), 0.0), role="info",
                   working=Working(tuple(lines), (b.row, "K d F: good to ± 25 %, friction decides.", MAKERS))),
            Result("preload", "Preload of one bolt", "force", Normal(round(torque / table * preload, 3), 0.0), role="estimate"),
        ]  # fmt: skip
        checks = [*self._checks(ctx, torque, table), *wrench_checks(ctx, stages[-1])]
        return self.spoken(ctx, Outcome(tuple(results), tuple(checks), scenes=(self._order(ctx, stages),)))

    def _angled(self, ctx: Context) -> bool:
        return ctx.given.get("way") in ("angle", "yield")

    def _checks(self, ctx: Context, torque: float, table: float) -> list[Check]:
        found = []
        if (
            not self._angled(ctx)
            and number_of(ctx, "given_torque") is not None
            and not 0.6 < torque / table < 1.5
        ):
            found.append(
                Check(
                    "far",
                    "warn",
                    f"The card says {nm(torque)}, the table {nm(table)}: is it this bolt, and this lubricant?",
                    "ask",
                )
            )
        lever = number_of(ctx, "lever")
        if lever is not None and (pull := pull_n(torque, lever)) > HAND_N:
            found.append(
                Check(
                    "multiplier",
                    "warn",
                    f"{kn(pull)} on the lever is more than {HAND_N:.0f} N: a multiplier or the hydraulic way.",
                    "ask",
                )
            )
        if ctx.given.get("way") == "yield":
            found.append(
                Check(
                    "once",
                    "note",
                    "Stretched to yield: new bolts each time; mark each at snug, count the angle from the mark.",
                )
            )
        elif ctx.given.get("way") == "angle":
            found.append(
                Check(
                    "marked",
                    "note",
                    "Mark each bolt and the part at snug: the angle is counted from the mark.",
                )
            )
        if ctx.given.get("settles") == "yes":
            found.append(
                Check(
                    "settles",
                    "note",
                    "Re-torque after it has settled: cold, locked out, unless the maker says hot.",
                )
            )
        if ctx.given.get("left_hand") == "yes":
            found.append(Check("left_hand", "warn", "Left-hand thread: it tightens anticlockwise."))
        return found

    def _order(self, ctx: Context, stages: Sequence[float]) -> Bolts:
        n = int(ctx.given["n"])
        words = tuple(nm(s) for s in stages)
        if ctx.given.get("pattern") == "rows":
            columns = (n + 1) // 2
            order = two_row_order(n)
            discs = tuple(
                BoltDisc(number + 1, at // 2 - (columns - 1) / 2, 0.5 - at % 2, 0.3)
                for number, at in enumerate(order)
            )
            return Bolts("Order of the bolts", discs, (columns - 1) / 2 + 0.5, 1.0, words)
        size = min(0.2, 0.8 * math.sin(math.pi / max(n, 2)))
        discs = tuple(
            BoltDisc(
                number + 1,
                round(math.sin(2 * math.pi * at / n), 6),
                round(-math.cos(2 * math.pi * at / n), 6),
                round(size, 6),
            )
            for number, at in enumerate(star_order(n))
        )
        return Bolts("Order of the bolts", discs, 1 + size, 1 + size, words)

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        n, torque = int(ctx.given["n"]), self._torque(ctx)
        tail = ", left-hand thread." if ctx.given.get("left_hand") == "yes" else "."
        if self._angled(ctx):
            snug, angle = float(ctx.given["snug"]), float(ctx.given["angle"])
            return (
                Span("Snug to "), Span(nm(snug), True), Span(f", mark, then turn {n} bolts by "),
                Span(f"{angle:g}°", True), Span(f" in the same order{tail}"),
            )  # fmt: skip
        stages = stages_of(torque)
        return (
            Span(f"{n} bolts to "), Span(nm(torque), True), Span(f": {nm(stages[0])}, {nm(stages[1])}, then the whole{tail}"),
        )  # fmt: skip
