"""Spindle: double-row cylindrical roller bearing on a taper, drawn up by a nut.

Play is read at the nose with a bar, the same force down and up, at two forces; the straight line's end at no force is
the play, its slope what gives. At the bearing: (gauge·L − rear·c)/(L + c). Take-up ÷ λ × 12 is the axial drive,
÷ pitch × 360 the nut's angle, π·D·angle/360 the tape on its rim. There is no way back but driving the ring off.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.scenes import Section, Table
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, unread, whole_form
from bornek.core.settings.counted_nut import Counted, turned_nut
from bornek.core.settings.figures.nose_on_taper import draw_nose_on_taper
from bornek.core.settings.force_line import ForceLine, force_slots, forces_of, line_checks, line_of
from bornek.core.settings.kind import Check, Field, Outcome, Result, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Response, Scale
from bornek.core.settings.nut_lock import pitch_mm, thread_fields
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.windows import NOT_READ, Normal, Window, verdict
from bornek.core.working import Line, Working

TAPER = 12.0
SCATTER_PRIOR_MM = 0.0006
MOVE_SCATTER_MM = 0.0005
REPEATS = 2
TURN_STEP_DEG = 0.5
MOST_TURN_DEG = 720.0


def play_at_bearing(gauge_mm: float, rear_mm: float, span_mm: float, overhang_mm: float) -> float:
    """Play at the front bearing from what a gauge outboard of it reads.

    Equation: (g·L − r·c)/(L + c), L rear to front bearing, c front bearing to gauge, r play at the rear; mm.

    >>> round(play_at_bearing(0.0105, 0.0, 210, 90), 5)
    0.00735
    """
    return (gauge_mm * span_mm - rear_mm * overhang_mm) / (span_mm + overhang_mm)


def axial_drive_mm(take_up_mm: float, growth: float) -> float:
    """How far the ring goes up its 1:12 taper for a play taken up; `growth` λ: raceway per bore growth, 0.5 to 1.

    >>> round(axial_drive_mm(0.00535, 0.85), 4)
    0.0755
    """
    return take_up_mm * TAPER / growth


def rim_mm(angle_deg: float, diameter_mm: float) -> float:
    """The length of tape on a rim for an angle: π·D·angle/360, mm.

    >>> round(rim_mm(18.1, 88), 1)
    13.9
    """
    return math.pi * diameter_mm * angle_deg / 360


@register
class TaperSpindle(Counted):
    id = "taper_spindle"
    counted_by: ClassVar[float] = TURN_STEP_DEG
    touches: ClassVar[frozenset[str]] = frozenset({"taper", "radial"})
    title = "Spindle: double-row roller bearing on a taper"
    plain = "A spindle's front bearing drawn up a taper by a nut, read at the nose"
    fine: ClassVar[bool] = True
    cautions = (
        "Backing off means driving the ring back: stop a little loose and creep up.",
        "Never strike above an open bearing, chips fall in: drop or press it home on a clean tube.",
        "The nut's torque alone must not pull the ring up: the thread strips. Bump, then tighten after each bump.",
        "The oil ring goes in before the bearing; turn the spindle as it enters, or rollers are pushed out.",
        "A tight rear bearing is pulled, never driven.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        own = [
            Field("least", "Least play left at the bearing", "length", lo=-0.05, hi=0.2),
            Field("greatest", "Greatest play left at the bearing", "length", lo=-0.05, hi=0.2),
            Field("span", "From rear to front bearing", "length", lo=20, hi=5000),
            Field("overhang", "From front bearing to the gauge", "length", lo=0, hi=2000),
            Field(
                "rear_play", "Play at the rear bearing (0 if preloaded)", "length", default=0.0, lo=0, hi=1
            ),
            Field(
                "force_1",
                "First force at the nose, the same down and up",
                "force",
                default=100.0,
                lo=1,
                hi=20000,
            ),
            Field("force_2", "Second force", "force", default=200.0, lo=1, hi=20000),
            Field("force_3", "Third force, if one is wanted", "force", required=False, lo=1, hi=20000),
            Field(
                "weight",
                "What lifts the nose's own weight",
                "force",
                default=0.0,
                lo=0,
                hi=20000,
                why="Less than that lifts nothing and reads as no play.",
            ),
            *thread_fields(given),
            Field("rim", "Diameter of the nut's rim", "length", lo=10, hi=1000),
            Field(
                "growth",
                "Raceway growth per bore growth",
                "number",
                default=0.85,
                lo=0.5,
                hi=1.0,
                why="A guess until the first moves show it.",
            ),
        ]
        return whole_form(own)

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"])

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_nose_on_taper()

    def slots(self, ctx: Context) -> list[Slot]:
        posture = "Push the nose down with the bar, zero; lift it with the same force. Type the full travel."
        return force_slots(ctx, "play", REPEATS, posture, 0.5)

    def _at_bearing(self, ctx: Context, line: ForceLine) -> Normal:
        span, over = float(ctx.given["span"]), float(ctx.given["overhang"])
        v = play_at_bearing(line.play.v, float(ctx.given["rear_play"]), span, over)
        return Normal(v, line.play.u * span / (span + over))

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window = self.slots(ctx), self.window(ctx)
        line = line_of(ctx, slots, SCATTER_PRIOR_MM)
        picture = draw_nose_on_taper()
        aim = aim_in(window, ctx.given.get("aim"), SCATTER_PRIOR_MM)
        checks = self._forces_checked(ctx)
        if line is None:
            empty = unread("play", "Play at the front bearing", window, aim=aim)
            return Outcome((empty,), tuple(checks), NOT_READ, scenes=(picture,))
        value = self._at_bearing(ctx, line)
        checks += line_checks(ctx, slots, line, SCATTER_PRIOR_MM)
        result = Result(
            key="play",
            label="Play at the front bearing",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=self._working(ctx, line, value, aim).sourced(*source_lines(window)),
            verdict=verdict(value, window),
            aim=aim,
        )
        instruct = ""
        if result.verdict.code == "out_low":
            instruct = "Past the edge: only driving the ring back helps. Take the nut off, drive it back, begin again."
        return Outcome(
            results=(result,),
            checks=tuple(checks),
            verdict=result.verdict,
            instruct=instruct,
            scenes=(picture, self._neighbours(ctx, value.v, aim)),
            observed={"play": value},
        )

    def _forces_checked(self, ctx: Context) -> list[Check]:
        weight = float(ctx.given["weight"])
        low = [f for f in forces_of(ctx) if f <= weight]
        if not low:
            return []
        words = f"{low[0]:g} N does not lift the nose: its own weight takes {weight:g} N. Take larger forces."
        return [Check("weight", "warn", words, "reseat")]

    def _deg_per_mm(self, ctx: Context) -> float:
        """Nut angle for a mm of play taken up."""
        return axial_drive_mm(1.0, float(ctx.given["growth"])) / pitch_mm(ctx.given) * 360

    def _working(self, ctx: Context, line: ForceLine, value: Normal, aim: float) -> Working:
        say, g = speech(ctx), ctx.given
        take = value.v - aim
        axial = axial_drive_mm(take, float(g["growth"]))
        angle = take * self._deg_per_mm(ctx)
        lines = (
            Line("Play at no force", "the line through all forces, at 0 N", say.number(line.play.v), True),
            Line("What gives", "slope of the line", f"{line.slope.v * 1e4:.2f} µm for 10 N"),
            Line(
                "At the bearing",
                f"({say.number(line.play.v)} × {g['span']:g} − {say.number(float(g['rear_play']))} × {g['overhang']:g}) "
                f"÷ ({g['span']:g} + {g['overhang']:g})",
                say.number(value.v),
                True,
            ),
            Line("To take up", f"{say.number(value.v)} − {say.number(aim)}", say.number(take), True),
            Line("Axial drive", f"{say.number(take)} × 12 ÷ {g['growth']:g}", say.number(axial)),
            Line("Nut angle", f"{say.number(axial)} ÷ {say.size(pitch_mm(g))} × 360", f"{angle:.1f}°"),
            Line(
                "Tape on the rim",
                f"π × {g['rim']:g} × {angle:.1f} ÷ 360",
                f"{rim_mm(angle, float(g['rim'])):.1f} mm",
                True,
            ),
            Line(
                "One mm of rim",
                "is worth this much play; below what the gauge can tell it means nothing",
                say.number(1 / (rim_mm(1.0, float(g["rim"])) * self._deg_per_mm(ctx))),
            ),
        )
        return Working(lines)

    def _neighbours(self, ctx: Context, play: float, aim: float) -> Table:
        """The play beside ten times and a tenth of it: a printed figure may carry a misplaced decimal."""
        say, rows = speech(ctx), []
        for factor, name in ((10.0, "ten times"), (1.0, "as read"), (0.1, "a tenth")):
            angle = (play * factor - aim) * self._deg_per_mm(ctx)
            meant = f"draw up {angle:.1f}°" if angle > 0 else "nothing left to take up"
            rows.append((name, say.number(play * factor), meant))
        return Table(
            "If a decimal were misplaced", ("", f"play, {say.unit}", "would mean"), tuple(rows), here=(1,)
        )

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return (
            turned_nut(
                "Nut on the taper, from where it stood",
                "Nut on the taper",
                -1,
                (TURN_STEP_DEG, 0.0, MOST_TURN_DEG),
                one_way=True,
                more="Draw the nut up",
                scales=(Scale(rim_mm(1.0, float(ctx.given["rim"])), "mm", "of tape on the rim"),),
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("play",),
            knobs=("nut",),
            k0=((-1 / self._deg_per_mm(ctx),),),
            rho=((0.15,),),
            s_a=(MOVE_SCATTER_MM,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=REPEATS,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("bar for the nose", "force gauge", "magnetic base", "hook spanner", "tape for the rim")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint(
                "The ring did not follow the nut: the mark on the rim says where the nut is, not the ring."
            ),
            SlipHint("The bar was not pulled with the same force down and up."),
            SlipHint("The nut was not tightened after the bump."),
        ]
