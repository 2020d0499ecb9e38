"""Radial internal clearance of a tapered-bore spherical roller bearing, read by feeler, and its drive-up.

A feeler gives a bracket [largest that goes, smallest that does not]; all arithmetic stays interval
arithmetic. Round 1 is unmounted; every later round is after a drive.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import InputError
from bornek.core.quantities import Speech
from bornek.core.settings.common import PLAY_TELLS, given_window, whole_form
from bornek.core.settings.drive_up import DRIVE, RIC, Limits, axial_drive_mm, reduction
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.knobs import Continuous, Knob
from bornek.core.settings.records import Between, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.tables.lookup import GROUPS, Mark, mark_of, row_for
from bornek.core.windows import NOT_READ, Interval, Verdict, Window, verdict, worst
from bornek.core.working import Line, Working

ROWS = (("near", "Row near you"), ("far", "Far row"))
POSITIONS = (1, 2, 3)
TILT_MM = 0.03
JUMP = 5.0
BORE_REACH_MM = 1.0
SMALLEST_DRIVE_MM = 0.01
MARKED = "marked"


@dataclass(frozen=True)
class _Feeler:
    """One round of feelers: the mean bracket, the tightest roller's, and whether all rollers were read."""

    mean: Interval
    tight: Interval
    whole: bool


def _said(bracket: Interval, say: Speech) -> str:
    return f"{say.size(bracket.a)}–{say.size(bracket.b)}"


def _mark(ctx: Context) -> Mark | None:
    """What the designation says of itself; None where none is given or the bore was measured instead."""
    try:
        return mark_of(str(ctx.given.get("designation") or ""))
    except InputError:
        return None


@register
class TaperClearance(Setting):
    id = "taper_clearance"
    title = "Radial clearance and drive-up of a tapered-bore roller bearing"
    cautions = (
        "Hydraulic release lets parts jump: nut on the thread, gap larger than the drive-up, nobody in line.",
        "Oil injection and hydraulic nuts: never above the rated pressure; pipes and hoses sound.",
        "To remove: loosen the nut by more than the drive-up travel and leave it on.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("designation", "Designation", "text", required=False, why="The bore is read from it."),
                Field(
                    key="bore", label="Bore, if measured", quantity="length", required=False, lo=18, hi=500
                ),
                Field(
                    "group",
                    "Clearance group stamped",
                    "choice",
                    default=MARKED,
                    options=(
                        (MARKED, "as the mark says; no mark is CN"),
                        *((g, g) for g in ("CN", "C3", "C4")),
                    ),
                ),
                Field(
                    "taper",
                    "Taper of the bore",
                    "choice",
                    default=MARKED,
                    options=(
                        (MARKED, "as the mark says; none is 1:12"),
                        ("12", "1:12 (K)"),
                        ("30", "1:30 (K30)"),
                    ),
                ),
                Field(
                    "posture",
                    "The bearing",
                    "choice",
                    default="supported",
                    options=(
                        ("supported", "outer ring supported: standing, or in its housing"),
                        ("hanging", "outer ring hangs free on the shaft"),
                    ),
                ),
                Field(
                    "school",
                    "Aim at",
                    "choice",
                    default="least",
                    options=(
                        ("least", "the least reduction: more clearance left"),
                        ("greatest", "the greatest reduction: tighter"),
                    ),
                ),
            ]
        )

    def _limits(self, ctx: Context) -> Limits:
        bore, taper, group = ctx.given.get("bore"), str(ctx.given["taper"]), str(ctx.given["group"])
        mark = _mark(ctx)
        if bore is None:
            bore = mark_of(str(ctx.given.get("designation", ""))).bore_mm
        if taper == MARKED:
            taper = str(mark.taper if mark and mark.taper else 12)
        if group == MARKED:
            group = mark.group if mark and mark.group else "CN"
        return Limits(row_for(RIC, bore), row_for(DRIVE, bore), group, int(taper))

    def _contradictions(self, ctx: Context, limits: Limits) -> list[Check]:
        """What is given against what the mark says: which of them is on the ring is asked."""
        mark, said = _mark(ctx), []
        if mark is None:
            return []
        if mark.group and mark.group != limits.group:
            said.append(f"the mark says {mark.group}, given is {limits.group}")
        if mark.taper and mark.taper != limits.taper:
            said.append(f"the mark says 1:{mark.taper}, given is 1:{limits.taper}")
        bore = ctx.given.get("bore")
        if bore is not None and abs(mark.bore_mm - bore) > BORE_REACH_MM:
            said.append(f"the mark's bore is {mark.bore_mm:g} mm, {bore:g} mm was measured")
        if not said:
            return []
        words = "; ".join(said)
        words = f"{words[0].upper()}{words[1:]}. Look at the ring and mend what was given."
        return [Check("mark", "warn", words, "ask")]

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def slots(self, ctx: Context) -> list[Slot]:
        where = "top" if ctx.given["posture"] == "supported" else "bottom"
        when = "unmounted" if ctx.round == ctx.first_round else "mounted"
        return [
            Slot(
                key=f"feeler.{row}.{p}",
                label=f"{label}, roller {p}",
                group=label,
                axes={"row": row, "position": p},
                quantity="length",
                nature="size",
                accepts="between",
                posture=f"Over the unloaded roller, at the {where}, {when}. Swing the outer ring true. The "
                "blade must pass along the roller's full length. Largest that goes, smallest that does not.",
                plausible=(0.005, 2.0),
                peers="feeler",
            )
            for row, label in ROWS
            for p in POSITIONS
        ]

    def _brackets(self, ctx: Context) -> dict[str, list[Between]]:
        found: dict[str, list[Between]] = {}
        counted = sift(self.slots(ctx), ctx.now()).counted
        for slot in self.slots(ctx):
            entry = counted.get(slot.key)
            if entry is not None and isinstance(entry.raw, Between):
                found.setdefault(slot.group, []).append(entry.raw)
        return found

    def _clearance(self, ctx: Context) -> _Feeler | None:
        """The mean of the brackets, end by end, and the tightest of them."""
        blades = [b for row in self._brackets(ctx).values() for b in row]
        if not blades:
            return None
        ends = (sum(b.lo for b in blades), sum(b.hi for b in blades))
        mean = Interval(*(round(end / len(blades), 9) for end in ends))
        tight = min(blades, key=lambda b: (b.lo, b.hi))
        return _Feeler(mean, Interval(tight.lo, tight.hi), len(blades) == len(ROWS) * len(POSITIONS))

    def evaluate(self, ctx: Context) -> Outcome:
        limits = self._limits(ctx)
        checks = [*self._contradictions(ctx, limits), *self._tilt(ctx)]
        now, before = self._clearance(ctx), self._clearance(ctx.at(ctx.first_round))
        if now is None or before is None:
            return Outcome((), tuple(checks), NOT_READ)
        unmounted = self._unmounted(before.mean, limits)
        checks += self._group_check(ctx, before.mean, limits)
        checks += self._grown(ctx, before, now)
        clear = now.whole and before.whole and not any(c.action for c in checks)
        if ctx.round == ctx.first_round:
            return Outcome(
                (unmounted,),
                tuple(checks),
                Verdict("not_proven"),
                self._first_drive(ctx, before, limits) if clear else "",
                ("It has not been driven up yet.",),
            )
        results = self._after(ctx, before, now, limits)
        overall = worst([r.verdict for r in results if r.role == "target"])
        words = self._say(ctx, results, overall, before, now, limits) if clear else ""
        return Outcome((*results, unmounted), tuple(checks), overall, words)

    def _wanted(self, ctx: Context, before: _Feeler, limits: Limits) -> tuple[float, float]:
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

    def _drive(self, reduction_mm: float, most_mm: float, limits: Limits) -> tuple[float, float]:
        """Axial drive-up for a reduction, never so far that a stiff ring would lose more than `most_mm`."""
        least, greatest = axial_drive_mm(reduction_mm, limits.taper, limits.drive)
        bound = axial_drive_mm(most_mm, limits.taper, limits.drive)[0]
        return least, min(greatest, bound)

    def _first_drive(self, ctx: Context, before: _Feeler, limits: Limits) -> str:
        say = speech(ctx)
        aimed, most = self._wanted(ctx, before, limits)
        if most <= 0:
            return (
                f"Do not drive it up: {say.size(before.tight.a)} at the tightest roller, and {say.size(limits.residual)} "
                "must be left. Take a bearing of another group, or ask its maker."
            )
        drive = " to ".join(
            dict.fromkeys(f"{math.floor(x * 100 + 1e-6) / 100:.2f}" for x in self._drive(aimed, most, limits))
        )
        why = "" if aimed >= limits.reduction[0] else " The residual decides: less than the usual reduction."
        return f"Drive it up {drive} mm from where the ring first seats, then read again.{why}"

    def _grown(self, ctx: Context, before: _Feeler, now: _Feeler) -> list[Check]:
        """Clearance that grew, or fell to a fifth at once, was not read as it is."""
        last = self._clearance(ctx.at(ctx.round - 1)) if ctx.round > ctx.first_round else None
        say = speech(ctx)
        for then in (before, last):
            if ctx.round == ctx.first_round or then is None:
                continue
            if now.mean.a > then.mean.b:
                words = f"The clearance grew from {_said(then.mean, say)} to {_said(now.mean, say)}: a ring driven up loses it."
            elif now.mean.b * JUMP < then.mean.a:
                words = f"The clearance fell from {_said(then.mean, say)} to {_said(now.mean, say)} at once."
            else:
                continue
            return [
                Check("grown", "warn", f"{words} Is it the same roller and posture? Read both again.", "ask")
            ]
        return []

    def _after(self, ctx: Context, before: _Feeler, now: _Feeler, limits: Limits) -> list[Result]:
        say = speech(ctx)
        lo, hi = limits.reduction
        taken = reduction(before.mean, now.mean)
        window = given_window({**ctx.given, "source": limits.drive.name}, lo, hi)
        floor = Window(limits.residual, None, f"{limits.drive.name}, least residual {limits.group}")
        how = Line(
            "Reduction",
            f"[{say.size(before.mean.a)} − {say.size(now.mean.b)}, {say.size(before.mean.b)} − {say.size(now.mean.a)}]",
            f"{say.number(taken.a)} to {say.number(taken.b)}",
            True,
        )
        mean = Line("Clearance left, mean", "of all rollers", _said(now.mean, say))
        maker = "The maker's data comes first."
        return [
            Result(
                key="reduction",
                label="Clearance reduction",
                quantity="length",
                value=taken,
                window=window,
                role="target",
                working=Working((how,), (window.source, maker)),
                verdict=verdict(taken, window),
            ),
            Result(
                key="residual",
                label="Clearance left at the tightest roller",
                quantity="length",
                value=now.tight,
                window=floor,
                role="target",
                working=Working((mean,), (floor.source, "The residual wins over the reduction.")),
                verdict=verdict(now.tight, floor),
            ),
        ]

    def _unmounted(self, before: Interval, limits: Limits) -> Result:
        window = limits.clearance_of(limits.group)
        return Result(
            key="unmounted",
            label="Unmounted clearance",
            quantity="length",
            value=before,
            window=window,
            role="info",
            working=Working((), (window.source,)),
            verdict=verdict(before, window),
        )

    def _group_check(self, ctx: Context, before: Interval, limits: Limits) -> list[Check]:
        if verdict(before, limits.clearance_of(limits.group)).code not in ("out_low", "out_high"):
            return []
        middle = (before.a + before.b) / 2
        fits = [
            g
            for g in GROUPS
            if f"{g}_min_um" in limits.clearance.cells and limits.clearance_of(g).holds(middle)
        ]
        name = f"it fits {fits[0]}" if fits else "it fits no group of this bore"
        return [
            Check(
                "group",
                "warn",
                f"Unmounted clearance is not {limits.group}: {name}. Another group than "
                "stamped, a worn bearing, or the feeler tilted.",
                "reseat",
            )
        ]

    def _tilt(self, ctx: Context) -> list[Check]:
        means = [sum(b.lo + b.hi for b in row) / (2 * len(row)) for row in self._brackets(ctx).values()]
        if len(means) == 2 and abs(means[0] - means[1]) > TILT_MM:
            return [
                Check(
                    "tilt",
                    "warn",
                    "The two rows differ: the outer ring is tilted. Swing it true and "
                    "read again before averaging.",
                    "reseat",
                )
            ]
        return []

    def _say(
        self,
        ctx: Context,
        results: Sequence[Result],
        overall: Verdict,
        before: _Feeler,
        now: _Feeler,
        limits: Limits,
    ) -> str:
        if results[1].verdict.code == "out_low":
            return "Too little clearance is left: the residual decides. Release it and start again."
        if overall.code == "out_low":
            return self._further(ctx, before, now, limits)
        return {
            "in": "In. Lock the nut: on to the next slot only if the reduction allows it, never back.",
            "not_proven": "Not proven by these blades. Take finer ones, or measure the axial drive-up too.",
        }.get(overall.code, "Driven too far: release it by oil and start again.")

    def _further(self, ctx: Context, before: _Feeler, now: _Feeler, limits: Limits) -> str:
        """How much further: what is still wanted of the reduction, and no more than the residual leaves."""
        aimed, _ = self._wanted(ctx, before, limits)
        taken = reduction(before.mean, now.mean)
        most = now.tight.a - limits.residual
        more = min(aimed - (taken.a + taken.b) / 2, most)
        if more <= 0:
            return "Leave it: the least residual is reached before the usual reduction, and the residual decides."
        step = math.floor(axial_drive_mm(more, limits.taper, limits.drive)[0] * 100 + 1e-6) / 100
        if step < SMALLEST_DRIVE_MM:
            return "Leave it: what could still be driven is less than can be told. Take finer blades."
        return f"Not enough yet: drive it up {step:.2f} mm further and read again."

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        domain = Continuous(0.02, 0.0, 20.0)
        return (
            Knob(
                key="drive",
                label="Axial drive-up",
                place="",
                unit="mm",
                domain=domain,
                sense=-1,
                one_way=True,
                noun="drive-up",
                title="Nut on the sleeve",
                read=True,
            ),
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("feeler blades, long", "hydraulic pump or nut for the drive-up", "stop gauge")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"drive"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"drive"})
