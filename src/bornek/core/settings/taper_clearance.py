"""Radial internal clearance of a tapered-bore spherical roller bearing, read by feeler, and its drive-up.

A feeler gives a bracket [largest that goes, smallest that does not]; all arithmetic stays interval
arithmetic. Round 1 is unmounted; every later round is after a drive.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.settings.common import given_window, whole_form
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.knobs import Continuous, Knob
from bornek.core.settings.records import Between, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift, sift_checks
from bornek.core.tables.lookup import GROUPS, Row, bore_of, row_for
from bornek.core.windows import NOT_READ, Interval, Verdict, Window, verdict, worst
from bornek.core.working import Line, Working

ROWS = (("near", "Row near you"), ("far", "Far row"))
POSITIONS = (1, 2, 3)
TILT_MM = 0.03
RIC, DRIVE = "ric_spherical_tapered_bore", "driveup_spherical_tapered"


def reduction(before: Interval, after: Interval) -> Interval:
    """Clearance taken up, from two brackets: [a₀ − b₁, b₀ − a₁], mm.

    >>> r = reduction(Interval(0.09, 0.10), Interval(0.05, 0.06))
    >>> round(r.a, 3), round(r.b, 3)
    (0.03, 0.05)
    """
    return Interval(round(before.a - after.b, 9), round(before.b - after.a, 9))


def axial_drive_mm(reduction_mm: float, taper: int, row: Row) -> tuple[float, float]:
    """Axial drive-up for a reduction, least and most.

    Equation: s = reduction × taper × k, k from the table's own row (s/(taper·reduction) at its ends),
    else 1.15 to 1.45. taper 12 or 30; mm.

    >>> lo, hi = axial_drive_mm(0.05, 12, row_for(DRIVE, 90))
    >>> round(lo, 3), round(hi, 3)
    (0.75, 0.778)
    """
    if taper not in (12, 30):
        raise RangeError(f"taper must be 12 or 30 (got {taper}).", field="taper")
    ends = []
    for end in ("min", "max"):
        column = f"driveup_1to{taper}_{end}_mm"
        if column in row.cells:
            ends.append(row.number(column) / (taper * row.number(f"reduction_{end}_mm")))
    factors = sorted(ends) or [1.15, 1.45]
    return reduction_mm * taper * factors[0], reduction_mm * taper * factors[-1]


@dataclass(frozen=True)
class _Limits:
    """The bearing's rows: its group's clearance, the permitted reduction and the least residual."""

    clearance: Row
    drive: Row
    group: str
    taper: int

    def clearance_of(self, group: str) -> Window:
        lo, hi = (self.clearance.number(f"{group}_{end}_um") / 1000 for end in ("min", "max"))
        return Window(lo, hi, f"{self.clearance.name}, {group}")

    @property
    def reduction(self) -> tuple[float, float]:
        return self.drive.number("reduction_min_mm"), self.drive.number("reduction_max_mm")

    @property
    def residual(self) -> float:
        return self.drive.number(f"min_residual_{self.group}_mm")


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
                    default="CN",
                    options=tuple((g, g) for g in ("CN", "C3", "C4")),
                ),
                Field(
                    "taper",
                    "Taper of the bore",
                    "choice",
                    default="12",
                    options=(("12", "1:12 (K)"), ("30", "1:30 (K30)")),
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

    def _limits(self, ctx: Context) -> _Limits:
        bore = ctx.given.get("bore")
        if bore is None:
            bore = bore_of(str(ctx.given.get("designation", "")))
        return _Limits(
            row_for(RIC, bore), row_for(DRIVE, bore), str(ctx.given["group"]), int(ctx.given["taper"])
        )

    def slots(self, ctx: Context) -> list[Slot]:
        where = "top" if ctx.given["posture"] == "supported" else "bottom"
        when = "unmounted" if ctx.round == 1 else "mounted"
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

    def _clearance(self, ctx: Context) -> Interval | None:
        """The mean of the brackets, end by end."""
        blades = [b for row in self._brackets(ctx).values() for b in row]
        if not blades:
            return None
        ends = (sum(b.lo for b in blades), sum(b.hi for b in blades))
        return Interval(*(round(end / len(blades), 9) for end in ends))

    def evaluate(self, ctx: Context) -> Outcome:
        limits, slots = self._limits(ctx), self.slots(ctx)
        sifted = sift(slots, ctx.now())
        checks = [*sift_checks(sifted, slots), *self._tilt(ctx)]
        now, before = self._clearance(ctx), self._clearance(ctx.at(1))
        if now is None or before is None:
            return Outcome((), tuple(checks), NOT_READ)
        unmounted = self._unmounted(before, limits)
        checks += self._group_check(ctx, before, limits)
        if ctx.round == 1:
            drive = " to ".join(dict.fromkeys(f"{x:.2f}" for x in self._drive(ctx, limits)))
            return Outcome(
                (unmounted,),
                tuple(checks),
                Verdict("not_proven"),
                f"Drive it up {drive} mm from where the ring first seats, then read again.",
                ("It has not been driven up yet.",),
            )
        results = self._after(ctx, before, now, limits)
        overall = worst([r.verdict for r in results if r.role == "target"])
        return Outcome((*results, unmounted), tuple(checks), overall, self._say(results, overall))

    def _drive(self, ctx: Context, limits: _Limits) -> tuple[float, float]:
        """Axial drive-up for the end of the reduction window that the school aims at."""
        lo, hi = limits.reduction
        aimed = lo if ctx.given["school"] == "least" else hi
        return axial_drive_mm(aimed, limits.taper, limits.drive)

    def _after(self, ctx: Context, before: Interval, now: Interval, limits: _Limits) -> list[Result]:
        say = speech(ctx)
        lo, hi = limits.reduction
        taken = reduction(before, now)
        window = given_window({**ctx.given, "source": limits.drive.name}, lo, hi)
        floor = Window(limits.residual, None, f"{limits.drive.name}, least residual {limits.group}")
        how = Line(
            "Reduction",
            f"[{say.size(before.a)} − {say.size(now.b)}, {say.size(before.b)} − {say.size(now.a)}]",
            f"{say.number(taken.a)} to {say.number(taken.b)}",
            True,
        )
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
                label="Clearance left",
                quantity="length",
                value=now,
                window=floor,
                role="target",
                working=Working((), (floor.source, "The residual wins over the reduction.")),
                verdict=verdict(now, floor),
            ),
        ]

    def _unmounted(self, before: Interval, limits: _Limits) -> Result:
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

    def _group_check(self, ctx: Context, before: Interval, limits: _Limits) -> list[Check]:
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

    def _say(self, results: Sequence[Result], overall: Verdict) -> str:
        if results[1].verdict.code == "out_low":
            return "Too little clearance is left: the residual decides. Release it and start again."
        return {
            "in": "In. Lock the nut: on to the next slot only if the reduction allows it, never back.",
            "not_proven": "Not proven by these blades. Take finer ones, or measure the axial drive-up too.",
            "out_low": "Not enough yet: drive it up further in small steps and read again.",
        }.get(overall.code, "Driven too far: release it by oil and start again.")

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
