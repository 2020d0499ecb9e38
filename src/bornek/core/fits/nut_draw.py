"""A nut pulled up in place of the ram: the hand's pull on the lever and the push along the shaft."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.fits.sums import HAND_N, MAKERS, FitSum, kn, line, nm, number_of
from bornek.core.phrases import Say, Span, plain
from bornek.core.settings.kind import Check, Field, Outcome, Result
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Line, Working

K_FACTORS = (("0.20", "dry, as it came: K 0.20"), ("0.16", "oiled: K 0.16"), ("0.12", "moly paste: K 0.12"))


def pull_n(torque_n_m: float, lever_mm: float) -> float:
    """Pull square on the lever [N]: F = T / L.

    >>> pull_n(900, 1200)
    750.0
    """
    return torque_n_m / (lever_mm / 1000)


def axial_n(torque_n_m: float, thread_mm: float, k: float) -> float:
    """Push along the thread [N]: F = T / (K d). An estimate, ± 30 %, friction decides.

    >>> round(axial_n(900, 64, 0.16))
    87891
    """
    return torque_n_m / (k * thread_mm / 1000)


@register
class NutDraw(FitSum):
    id = "fit_nut"
    title = "Torque on a nut in place of the ram"
    group = "Press"
    cautions = (
        "No pipe on a handle, no more hands on a bar: a multiplier, or the hydraulic way.",
        "Hold the far end; stand so that nobody falls when it lets go.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field("torque", "Torque wanted", "torque", required=False, lo=1, hi=200_000),
            Field("force", "Or push wanted (kN)", "force", required=False, lo=10, hi=1e7, unit="kN"),
            Field("lever", "Lever, nut to hand", "length", lo=50, hi=5000),
            Field("thread", "Thread's diameter", "length", required=False, lo=4, hi=500, why="For the push along the shaft."),
            Field("k", "Thread is", "choice", options=K_FACTORS, default="0.16"),
        ]  # fmt: skip

    def torque(self, ctx: Context) -> float | None:
        """As given, or that for the push wanted."""
        given, force, thread = (number_of(ctx, key) for key in ("torque", "force", "thread"))
        if given is not None:
            return given
        return None if force is None or thread is None else force * float(ctx.given["k"]) * thread / 1000

    def evaluate(self, ctx: Context) -> Outcome:
        torque, lever, thread = self.torque(ctx), float(ctx.given["lever"]), number_of(ctx, "thread")
        if torque is None:
            return Outcome(instruct="Say the torque, or the push and the thread's diameter.")
        pull = pull_n(torque, lever)
        lines: list[Line] = []
        if number_of(ctx, "torque") is None and thread is not None:
            force = number_of(ctx, "force") or 0.0
            lines.append(
                line("Torque", f"{force / 1000:g} kN × {ctx.given['k']} × {thread:g} mm", torque, "N·m", 0)
            )
        lines.append(
            line("Pull on the lever", f"{torque:g} N·m ÷ {lever / 1000:g} m", pull, "N", 0, main=True)
        )
        window = Window(None, HAND_N, "one person, without a jerk")
        judged = verdict(Normal(round(pull, 6), 0.0), window)
        results = [
            Result("pull", "Pull on the lever", "force", Normal(round(pull, 6), 0.0), window,
                   working=Working(tuple(lines), (MAKERS,)), verdict=judged)
        ]  # fmt: skip
        if thread is not None:
            push, k = axial_n(torque, thread, float(ctx.given["k"])), float(ctx.given["k"])
            working = Working(
                (
                    line(
                        "Push along the shaft", f"{torque:g} ÷ ({k:g} × {thread:g} mm)", push / 1000, "kN", 0
                    ),
                ),
                ("An estimate, ± 30 %: friction decides.",),
            )
            results.append(
                Result(
                    "push",
                    "Push along the shaft",
                    "force",
                    Normal(round(push, 3), push * 0.15),
                    role="estimate",
                    working=working,
                )
            )
        checks = (
            (
                Check(
                    "multiplier",
                    "warn",
                    f"{kn(pull)} is more than {HAND_N:.0f} N: a torque multiplier or the hydraulic way, not more hands on a bar.",
                    "ask",
                ),
            )
            if judged.code == "out_high"
            else ()
        )
        return self.spoken(ctx, Outcome(tuple(results), checks, judged))

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        torque = self.torque(ctx)
        if torque is None:
            return plain(outcome.instruct)
        lever = float(ctx.given["lever"]) / 1000
        pull = pull_n(torque, lever * 1000)
        tail = f" on {lever:g} m is {kn(pull)}"
        if outcome.checks:
            return (
                Span(f"{nm(torque)}{tail}: take a "),
                Span("torque multiplier", True),
                Span(" or the hydraulic way."),
            )
        return (Span(nm(torque), True), Span(f"{tail}: by hand."))
