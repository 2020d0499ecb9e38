"""Radial internal clearance of a tapered-bore spherical roller bearing, read by feeler, and its drive-up.

A feeler gives a bracket [largest that goes, smallest that does not]; all arithmetic stays interval
arithmetic. Round 1 is unmounted; every later round is after a drive.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.scenes import Section
from bornek.core.settings.common import PLAY_TELLS, confirm, given_window, unread
from bornek.core.settings.counted_nut import Counted
from bornek.core.settings.drive_up import Limits, axial_drive_mm, reduction
from bornek.core.settings.drive_up_form import contradictions, form_of, group_check, limits_of
from bornek.core.settings.drive_up_measured import DRIVEN, driven_results, lock_words, unmounted_result
from bornek.core.settings.feelers import Feeler, brackets, feeler_of, feeler_slots, grown, said, tilt
from bornek.core.settings.figures.feeler_over_roller import draw_feeler_over_roller
from bornek.core.settings.kind import Check, Field, Outcome, Result, Slot, speech
from bornek.core.settings.knobs import Continuous, Knob, Response, Scale
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import NOT_READ, Interval, Normal, Value, Verdict, Window, verdict, worst
from bornek.core.working import Line, Working

DRIVE_STEP_MM = 0.01
KNOB = "drive"
USUAL_BLADE_MM = 0.01
RESPONSE_SHARE = 0.08
"""How far a ring's own reduction for its drive lies from the table's row, as a share of it (1 sd)."""


@register
class TaperClearance(Counted):
    id = "taper_clearance"
    version = 2
    counted_in: ClassVar[str] = "mm"
    counted_by: ClassVar[float] = DRIVE_STEP_MM
    touches: ClassVar[frozenset[str]] = frozenset({"drive"})
    title = "Radial clearance and drive-up of a tapered-bore roller bearing"
    plain = "A roller bearing driven up a taper or a sleeve, read by feelers"
    cautions = (
        "Hydraulic release lets parts jump: nut on the thread, gap larger than the drive-up, nobody in line.",
        "Oil injection and hydraulic nuts: never above the rated pressure; pipes and hoses sound.",
        "To remove: loosen the nut by more than the drive-up travel and leave it on.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def _where(self, ctx: Context) -> str:
        return "top" if ctx.given["posture"] == "supported" else "bottom"

    def thing(self) -> Section:
        return draw_feeler_over_roller(True, "", "")

    def slots(self, ctx: Context) -> list[Slot]:
        first = ctx.round == ctx.first_round
        feelers = feeler_slots(self._where(ctx), "unmounted" if first else "mounted")
        if first:
            return feelers
        return [*feelers, DRIVEN, *self._lock_slots(ctx, feelers)]

    def _lock_slots(self, ctx: Context, feelers: Sequence[Slot]) -> list[Slot]:
        """Once it is in: the nut is locked, on to the next slot only as far as the reduction allows."""
        limits = limits_of(ctx)
        now, before = feeler_of(brackets(feelers, ctx)), self._feeler(ctx.at(ctx.first_round))
        if now is None or before is None or not now.whole:
            return []
        overall = self._overall(self._after(ctx, before, now, limits))
        if overall.code not in ("in", "at_edge"):
            return []
        return [confirm("lock", "Lock the nut", "Lock", lock_words(ctx, before, now, limits))]

    def _feeler(self, ctx: Context) -> Feeler | None:
        return feeler_of(brackets(feeler_slots("", ""), ctx))

    def evaluate(self, ctx: Context) -> Outcome:
        limits, say = limits_of(ctx), speech(ctx)
        first = ctx.round == ctx.first_round
        checks = [*contradictions(ctx, limits), *tilt(brackets(feeler_slots("", ""), ctx))]
        now, before = self._feeler(ctx), self._feeler(ctx.at(ctx.first_round))
        driven = ctx.state(KNOB)
        words = said(now.mean, say) if now else ""
        top = self._where(ctx) == "top"
        picture = draw_feeler_over_roller(top, words, driven.label(say) if driven else "")
        if now is None or before is None:
            lo, hi = limits.reduction
            empty = unread("reduction", "Clearance reduction", self._reduction_window(ctx, limits, lo, hi))
            return Outcome((empty,), tuple(checks), NOT_READ, scenes=(picture,))
        unmounted = unmounted_result(before.mean, limits)
        checks += group_check(before.mean, limits)
        if not first:
            last = self._feeler(ctx.at(ctx.round - 1))
            checks += grown(now, [f for f in (before, last) if f is not None], say)
        if first and now.whole and not any(c.action for c in checks):
            checks += self._no_room(ctx, before, limits)
        results = self._after(ctx, before, now, limits)
        targets = [r for r in results if r.role == "target"]
        overall = Verdict("not_proven") if first else self._overall(results)
        observed = {r.key: r.value for r in targets if r.value is not None}
        clear = now.whole and not any(c.action for c in checks)
        return Outcome(
            results=(*results, unmounted),
            checks=tuple(checks),
            verdict=overall,
            instruct=self._say(results, overall) if clear and not first else "",
            sign_blockers=("It has not been driven up yet.",) if first else (),
            scenes=(picture,),
            unverified=("It has not been driven up yet.",) if first else (),
            observed=observed,
        )

    def _overall(self, results: Sequence[Result]) -> Verdict:
        """Both must be met; where the blades cannot tell a reduction that is not out, the drive-up may prove it."""
        by_key = {r.key: r for r in results}
        taken, left, drive = by_key["reduction"].verdict, by_key["residual"].verdict, by_key.get("drive")
        proven = drive is not None and drive.verdict.code == "in"
        if proven and left.code == "in" and taken.code == "not_proven":
            return Verdict("in")
        return worst([taken, left])

    def _no_room(self, ctx: Context, before: Feeler, limits: Limits) -> list[Check]:
        say, (_, most) = speech(ctx), self._wanted(ctx, before, limits)
        if most > 0:
            return []
        words = (
            f"Do not drive it up: {say.size(before.tight.a)} at the tightest roller, and {say.size(limits.residual)} "
            "must be left. Take a bearing of another group, or ask its maker."
        )
        return [Check("no_room", "stop", words, "stop")]

    def _wanted(self, ctx: Context, before: Feeler, limits: Limits) -> tuple[float, float]:
        """The reduction to aim at, and the most that leaves the least residual at the tightest roller.

        The school's end of the window, drawn in by what two brackets can tell; where they can tell less than
        the window is wide, its middle. The residual wins over the reduction.
        """
        lo, hi = limits.reduction
        inside = before.mean.b - before.mean.a
        aimed = (lo + hi) / 2
        if 2 * inside < hi - lo:
            aimed = lo + inside if ctx.given["school"] == "least" else hi - inside
        most = before.tight.a - limits.residual
        return min(aimed, most), most

    def _reduction_window(self, ctx: Context, limits: Limits, lo: float, hi: float) -> Window:
        return given_window({**ctx.given, "source": limits.drive.name}, lo, hi)

    def _after(self, ctx: Context, before: Feeler, now: Feeler, limits: Limits) -> list[Result]:
        say = speech(ctx)
        lo, hi = limits.reduction
        first = ctx.round == ctx.first_round
        bracket = Interval(0.0, 0.0) if first else reduction(before.mean, now.mean)
        taken: Value = Normal(0.0, 0.0) if first else bracket
        window = self._reduction_window(ctx, limits, lo, hi)
        floor = Window(limits.residual, None, f"{limits.drive.name}, least residual {limits.group}")
        aimed, _ = self._wanted(ctx, before, limits)
        how = Line(
            "Reduction",
            f"[{say.size(before.mean.a)} − {say.size(now.mean.b)}, {say.size(before.mean.b)} − {say.size(now.mean.a)}]",
            f"{say.number(bracket.a)} to {say.number(bracket.b)}",
            True,
        )
        mean = Line("Clearance left, mean", "of all rollers; judged is the tightest", said(now.mean, say))
        maker = "The maker's data comes first."
        lines = (how, *self._aim_lines(ctx, aimed, before, limits))
        return [
            Result(
                key="reduction",
                label="Clearance reduction",
                quantity="length",
                value=taken,
                window=window,
                role="target",
                working=Working(lines, (window.source, maker)),
                verdict=verdict(taken, window),
                aim=aimed,
            ),
            Result(
                key="residual",
                label="Clearance left",
                quantity="length",
                value=now.tight,
                window=floor,
                role="target",
                working=Working((mean,), (floor.source, "The residual wins over the reduction.")),
                verdict=verdict(now.tight, floor),
                aim=before.tight.a - aimed,
            ),
            *driven_results(ctx, limits, lo, hi),
        ]

    def _aim_lines(self, ctx: Context, aimed: float, before: Feeler, limits: Limits) -> tuple[Line, ...]:
        say = speech(ctx)
        least, most = axial_drive_mm(aimed, limits.taper, limits.drive)
        school = f"the {ctx.given['school']} reduction, drawn in by what two brackets can tell"
        why = school if aimed >= limits.reduction[0] else "the least residual decides"
        return (
            Line("Aim", why, say.number(aimed)),
            Line("Axial drive for it", f"{say.number(aimed)} × {limits.taper} × k of the table's row",
                 f"{say.size(round(least, 2))} to {say.size(round(most, 2))}"),
        )  # fmt: skip

    @staticmethod
    def _say(results: Sequence[Result], overall: Verdict) -> str:
        residual = next(r for r in results if r.key == "residual")
        if residual.verdict.code == "out_low":
            return "Too little clearance is left: the residual decides. Release it and start again."
        if overall.code == "out_high":
            return "Driven too far: release it by oil and start again."
        if overall.code == "in":
            return "In. Lock the nut: on to the next slot only if the reduction allows it, never back."
        if overall.code in ("not_proven", "at_edge") and overall.leaning != "low":
            return "Not proven by these blades. Take finer ones, or measure the axial drive-up too."
        return ""

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        pitch = ctx.given.get("pitch")
        turn = (Scale(360 / float(pitch), "°", "of nut"),) if pitch else ()
        return (
            Knob(
                key=KNOB,
                label="Axial drive-up",
                place="",
                unit="mm",
                domain=Continuous(DRIVE_STEP_MM, 0.0, 20.0),
                sense=-1,
                one_way=True,
                noun="drive-up",
                title="Nut on the sleeve",
                read=True,
                more="Drive it up",
                scales=turn,
            ),
        )

    def response(self, ctx: Context) -> Response:
        limits = limits_of(ctx)
        least, most = axial_drive_mm(1.0, limits.taper, limits.drive)
        k0 = 2 / (least + most)
        before = self._feeler(ctx.at(ctx.first_round))
        blade = before.mean.b - before.mean.a if before else USUAL_BLADE_MM
        return Response(
            rows=("reduction", "residual"),
            knobs=(KNOB,),
            k0=((k0,), (-k0,)),
            rho=((RESPONSE_SHARE,), (RESPONSE_SHARE,)),
            s_a=(0.0025, 0.0025),
            s_r=(2 * blade / 4, blade / 4),
            harm=("", "low"),
            repeats=1,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("feeler blades, long", "hydraulic pump or nut for the drive-up", "stop gauge")
