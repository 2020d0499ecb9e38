"""Preload of a spindle by its deflection under a lift.

The nose is lifted with known forces; the straight line through the deflections has its play at no force and its
stiffness as slope. Preload is enough when that play cannot be told from none, or is negative; then the drag is looked
at, because too much preload wears the bearings out.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.quantities import decimals, signed
from bornek.core.scenes import Section, Table
from bornek.core.settings.common import given_window, source_lines, unread, whole_form
from bornek.core.settings.counted_nut import Counted, turned_nut
from bornek.core.settings.figures.lifted_nose import draw_lifted_nose
from bornek.core.settings.force_line import ForceLine, force_slots, forces_of, line_checks, line_of
from bornek.core.settings.kind import Field, Outcome, Result, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Response
from bornek.core.settings.nut_lock import pitch_mm, thread_fields
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Verdict, Window, verdict, worst
from bornek.core.working import Line, Working

SCATTER_PRIOR_MM = 0.0008
REPEATS = 2
TURN_STEP_DEG, MOST_TURN_DEG = 2.0, 360.0
RADIAL_SHARE = 0.5
"""What a mm of nut travel does to the deflection at the nose, as a guess that the first moves replace."""


@register
class LiftDeflection(Counted):
    id = "lift_deflection"
    counted_by: ClassVar[float] = TURN_STEP_DEG
    touches: ClassVar[frozenset[str]] = frozenset({"nut", "axial", "radial"})
    title = "Preload by deflection under a lift"
    plain = "A spindle that is stiff enough when it is lifted"
    fine: ClassVar[bool] = True
    cautions = (
        "Lift at the nose alone, on a bar: never on the chuck's jaws or a guard.",
        "The drive is locked out; nobody's fingers between bar and bed.",
        "Too much preload wears the bearings out: look at the drag before it runs.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        own = [
            Field("limit", "Greatest deflection", "length", lo=0.0005, hi=1),
            Field("limit_force", "at a lift of", "force", lo=1, hi=50000),
            Field("force_1", "First force", "force", lo=1, hi=50000),
            Field("force_2", "Second force", "force", lo=1, hi=50000),
            Field("force_3", "Third force, if one is wanted", "force", required=False, lo=1, hi=50000),
            Field(
                "drag_most",
                "Most drag that may be felt, if it is given",
                "torque",
                required=False,
                lo=0,
                hi=500,
            ),
            *thread_fields(given),
        ]
        return whole_form(own, aim=False)

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, None, ctx.given["limit"])

    def thing(self) -> Section:
        return draw_lifted_nose()

    def slots(self, ctx: Context) -> list[Slot]:
        posture = "Zero with the nose at rest. Lift with {force} and hold. Type how far it came up."
        found = force_slots(ctx, "lift", REPEATS, posture, 1.0)
        if ctx.given.get("drag_most") is not None:
            found.append(
                Slot(
                    key="drag",
                    label="Drag by hand",
                    group="Proof",
                    axes={},
                    quantity="torque",
                    nature="force",
                    posture="Turn steadily and read the drag while it turns.",
                    plausible=(0.001, 500.0),
                )
            )
        return found

    def evaluate(self, ctx: Context) -> Outcome:
        window, picture = self.window(ctx), draw_lifted_nose()
        lifts = [s for s in self.slots(ctx) if s.key.startswith("lift")]
        line = line_of(ctx, lifts, SCATTER_PRIOR_MM)
        aim = aim_in(window, None, SCATTER_PRIOR_MM)
        if line is None:
            empty = unread("deflection", "Deflection", window, aim=aim)
            return Outcome((empty,), (), NOT_READ, scenes=(picture,))
        at = line.at(float(ctx.given["limit_force"]))
        deflection = Result(
            key="deflection",
            label=f"Deflection at {ctx.given['limit_force']:g} N",
            quantity="length",
            value=at,
            window=window,
            role="target",
            working=self._working(ctx, line, at).sourced(*source_lines(window)),
            verdict=verdict(at, window),
            aim=aim,
        )
        play = self._play(line)
        results = [deflection, play, *self._drag(ctx)]
        overall = worst([r.verdict for r in results])
        return Outcome(
            results=tuple(results),
            checks=tuple(line_checks(ctx, lifts, line, SCATTER_PRIOR_MM)),
            verdict=overall,
            instruct=self._instruct(results),
            scenes=(picture, self._table(ctx, line)),
            observed={"deflection": at},
        )

    def _play(self, line: ForceLine) -> Result:
        """Enough preload leaves no play that could be told from none; less than none is preload."""
        give = expanded(line.play.u)
        loose = line.play.v - give > 0
        code = (
            Verdict("out_high", "high", -(line.play.v - give))
            if loose
            else Verdict("in", margin=give - line.play.v)
        )
        return Result(
            key="play",
            label="Play at no force",
            quantity="length",
            value=line.play,
            window=Window(None, give, "no more than its own give or take") if give > 0 else None,
            role="proof",
            verdict=code,
            strip=False,
        )

    def _drag(self, ctx: Context) -> list[Result]:
        most = ctx.given.get("drag_most")
        if most is None:
            return []
        entry = next((e for e in ctx.now() if e.slot == "drag"), None)
        number = entry.number if entry else None
        value = None if number is None else Normal(number, 0.025 * max(number, 0.01))
        window = given_window(ctx.given, None, most)
        return [
            Result(
                key="drag",
                label="Drag",
                quantity="torque",
                value=value,
                window=window,
                role="proof",
                working=Working((), source_lines(window)),
                verdict=verdict(value, window),
            )
        ]

    @staticmethod
    def _instruct(results: Sequence[Result]) -> str:
        drag = next((r for r in results if r.key == "drag"), None)
        if drag is not None and drag.verdict.code == "out_high":
            return "It drags too much: less preload, whatever the deflection says. Too much wears the bearings out."
        return ""

    def _working(self, ctx: Context, line: ForceLine, at: Normal) -> Working:
        say = speech(ctx)
        force = float(ctx.given["limit_force"])
        stiff = signed(line.stiffness, decimals(line.stiffness, 0, 1)) if line.slope.v > 0 else "none"
        told = "cannot be told from none" if line.play.v <= expanded(line.play.u) else "play is left"
        return Working(
            (
                Line("Stiffness", "1 ÷ slope of the line", f"{stiff} N/µm", True),
                Line("Play at no force", "the line at 0 N", f"{say.number(line.play.v)}: {told}", True),
                Line("Deflection", f"the line at {force:g} N", say.number(at.v), True),
            )
        )

    def _table(self, ctx: Context, line: ForceLine) -> Table:
        say = speech(ctx)
        rows = [(f"{f:g} N", say.number(line.at(f).v)) for f in (0.0, *forces_of(ctx))]
        return Table("The line", ("lift", f"deflection, {say.unit}"), tuple(rows))

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return (
            turned_nut(
                "Preload nut, from where it stood",
                "Preload nut",
                -1,
                (TURN_STEP_DEG, -MOST_TURN_DEG, MOST_TURN_DEG),
                more="Tighten to",
                less="Back off to",
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("deflection",),
            knobs=("nut",),
            k0=((-pitch_mm(ctx.given) / 360 * RADIAL_SHARE,),),
            rho=((0.5,),),
            s_a=(0.0012,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            harm_at=(0.0,),
            repeats=REPEATS,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("force gauge and bar", "magnetic base", "hook spanner")
