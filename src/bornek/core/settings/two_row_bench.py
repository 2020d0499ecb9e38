"""Bench setting of a two-row tapered bearing with a double cup and a spacer between the cones.

gap = mean(A) + mean(B) − mean(W); bench setting = spacer − gap: positive end play, 0 line to
line, negative preload. A, B: depth from the cup's upper face to the cone's front face with the cup
on the one cone and on the other; W: cup width. All in mm.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.readings import Budget, budget, combined, expected_u, show_budget
from bornek.core.scenes import Section
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, unread
from bornek.core.settings.figures.two_rows import draw_two_rows
from bornek.core.settings.kind import Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Continuous, Knob, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.state import Position, State
from bornek.core.settings.two_row_form import form_of
from bornek.core.settings.two_row_mounted import mounted_results
from bornek.core.settings.two_row_read import (
    SCATTER_PRIOR_MM,
    SETS,
    STATIONS,
    read_of,
    seating_checks,
    slots_of,
    table_of,
)
from bornek.core.temperature import STEEL_PER_K
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Window, verdict
from bornek.core.working import Line, Sum, Working

SPACER_STEP_MM = 0.005
KNOB = "spacer"


@register
class TwoRowBench(Setting):
    id = "two_row_bench"
    title = "Bench setting of a two-row tapered bearing by its spacer"
    plain = "A two-row tapered bearing with a spacer between its cones"
    cautions = (
        "Heavy cups slip from oily gloves: lift with a sling, fingers clear of the edge.",
        "Grinding a spacer: guard on, eye protection, both faces parallel.",
        "Clean and dry faces; gauge and parts at one temperature.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def window(self, ctx: Context) -> Window:
        if ctx.given["arrangement"] != "spacer_between":
            raise RangeError(
                "Only a double cup with the spacer between the cone front faces is reckoned here.",
                field="arrangement",
                next_step="Use the bearing maker's own method.",
            )
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"])

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_two_rows({})

    def slots(self, ctx: Context) -> list[Slot]:
        return slots_of(ctx)

    def evaluate(self, ctx: Context) -> Outcome:
        window = self.window(ctx)
        read = read_of(ctx)
        sets = {key: [v for v, _ in rows] for key, rows in read.items()}
        checks = seating_checks(ctx, sets)
        say = speech(ctx)
        picture = draw_two_rows({key: say.number(sum(v) / len(v)) for key, v in sets.items()})
        scenes = (picture, table_of(ctx, sets)) if sets else (picture,)
        usual = expected_u(ctx.find_gauge(), "size", SCATTER_PRIOR_MM, len(STATIONS)) * math.sqrt(len(SETS))
        aim = aim_in(window, ctx.given.get("aim"), usual)
        if set(sets) != set("ABWS"):
            empty = unread("bench", "Bench setting", window, aim=aim)
            return Outcome((empty,), tuple(checks), NOT_READ, scenes=scenes)
        parts = {
            k: budget({k: sets[k]}, [g for _, g in rows], "size", SCATTER_PRIOR_MM)
            for k, rows in read.items()
        }
        value = self._value(parts)
        working = self._working(ctx, sets, parts, value).sourced(*source_lines(window))
        judged = verdict(value, window)
        results = [
            Result(
                key="bench",
                label="Bench setting",
                quantity="length",
                value=value,
                window=window,
                role="target",
                working=working,
                verdict=judged,
                aim=aim,
            )
        ]
        results += mounted_results(ctx, value)
        return Outcome(tuple(results), tuple(checks), judged, scenes=scenes, observed={"bench": value})

    def _value(self, parts: Mapping[str, Budget]) -> Normal:
        """Spacer less gap: what a gauge is off by adds up over the depths and cancels against a width by it."""
        v = parts["S"].mean - (parts["A"].mean + parts["B"].mean - parts["W"].mean)
        signs = {"S": 1.0, "A": -1.0, "B": -1.0, "W": 1.0}
        return Normal(round(v, 9), combined([(signs[k], p) for k, p in parts.items()]))

    def _working(
        self,
        ctx: Context,
        sets: Mapping[str, list[float]],
        parts: Mapping[str, Budget],
        value: Normal,
    ) -> Working:
        say = speech(ctx)
        total = Sum(3 if say.unit == "mm" else 1)
        shown = {k: [v * say.per_mm for v in values] for k, values in sets.items()}
        a, b, w = (total.mean(f"Mean {k}", shown[k]) for k in "ABW")
        gap = total.line(
            "Gap",
            f"{say.number(a / say.per_mm)} + {say.number(b / say.per_mm)} − {say.number(w / say.per_mm)}",
            a + b - w,
            main=True,
        )
        s = total.mean("Mean spacer", shown["S"])
        total.line("Bench setting", f"{s:.{total.places}f} − {gap:.{total.places}f}", s - gap, main=True)
        for part, key in (("bearing", "bearing_c"), ("spacer", "spacer_c")):
            warmer = ctx.given[key] - ctx.given["gauge_c"]
            if warmer:
                total.note(
                    f"Warm {part}",
                    f"{warmer:+g} K against the gauge: sizes × (1 − {STEEL_PER_K:g} × {warmer:g})",
                )
        show_budget(total, parts["S"], "size", say.per_mm)
        total.lines.pop()
        total.lines.append(
            Line(
                "Give or take",
                "2 × √(four sets' scatter² + gauge²), what a gauge is off by summed over all that it read",
                say.spread(expanded(value.u)),
                True,
            )
        )
        return total.working()

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The spacer as measured in that round, else as it was said to be made."""
        then = ctx.at(ctx.round if number is None else number)
        values = [v for v, _ in read_of(then).get("S", [])]
        return Position(sum(values) / len(values), step=SPACER_STEP_MM) if values else then.state(knob)

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        domain = Continuous(SPACER_STEP_MM, 0.5, 500.0)
        return (
            Knob(
                key=KNOB,
                label="Spacer",
                place="",
                unit="mm",
                domain=domain,
                sense=1,
                noun="spacer",
                title="Spacer and bearing",
                read=True,
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("bench",),
            knobs=(KNOB,),
            k0=((1.0,),),
            rho=((0.01,),),
            s_a=(0.001,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=4,
            geometry=True,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("depth micrometer", "outside micrometer", "flat plate", "press or hands to seat the cup")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({KNOB})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({KNOB})

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint(h)
            for h in (
                "The spacer was measured warm from the grinder.",
                "A burr on the spacer's edge.",
                "The cup was turned within a set, or sat on the wrong cone.",
                "Another spacer was taken than the one measured.",
            )
        ]
