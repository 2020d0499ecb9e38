"""End play or preload set by a shim pack under a bearing cover.

Readings: full travel between seated positions, 3 repeats at 2 or more angular positions.
Value: mean travel. Below zero an indicator reads 0, so a preload is reached from a measured play
by what the shims take away, and proved by rolling drag.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.gauges import Gauge
from bornek.core.readings import budget, expected_u, show_budget, travel_value
from bornek.core.scenes import Section
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, unread
from bornek.core.settings.figures.shims_under_cover import draw_shims_under_cover
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Packs, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.shim_pack_form import form_of
from bornek.core.settings.shim_pack_preload import by_shims
from bornek.core.settings.shim_pack_stations import (
    KNOB,
    REPEATS,
    SCATTER_PRIOR_MM,
    drag_link,
    is_preload,
    slots_of,
    travel_slots,
)
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.windows import NOT_READ, AtMost, Normal, Value, Verdict, Window, verdict
from bornek.core.working import Line, Sum, Working

DRAG_U_SHARE = 0.025
"""A drag in steady turning is read within 5 %: twice this."""
BLIND = "An indicator cannot see preload: below zero it reads 0. The rolling drag is the proof."
UNPROVEN = (
    "No drag is given: a preload by shims alone is never called proven. Ask the maker for its rolling drag."
)


def _by_proof(by_shims: Verdict, drag: Verdict) -> Verdict:
    """The drag decides, unless what the shims say is beyond doubt against it; before it is read, nothing is proven."""
    if drag.code == "not_read":
        return by_shims if by_shims.code.startswith("out") else Verdict("not_proven")
    return drag if not by_shims.code.startswith("out") or drag.code != "in" else Verdict("not_proven")


@register
class ShimPackEndPlay(Setting):
    id = "shim_pack_end_play"
    title = "End play or preload by a shim pack under a cover"
    plain = "A shaft that floats end to end, or is to be preloaded, by shims under its cover"
    from_drawer = True
    cautions = (
        "Fingers out of the gap while you pry; nobody turns the shaft meanwhile.",
        "Cover bolts at full torque before each reading, or the cover lifts and adds to the travel.",
        "Block and sling the shaft before the cover comes off; lock out the drive in the field.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def window(self, ctx: Context) -> Window:
        lo, hi = ctx.given["least"], ctx.given["greatest"]
        if is_preload(ctx):
            lo, hi = -hi, -lo
        return given_window(ctx.given, lo, hi, self.floor(ctx))

    def floor(self, ctx: Context) -> float | None:
        """A play below 0 is a preload; where preload is wanted nothing bounds it."""
        return None if is_preload(ctx) else 0.0

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_shims_under_cover()

    def slots(self, ctx: Context) -> Sequence[Slot]:
        return slots_of(ctx)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        travel = travel_slots(ctx)
        groups = sifted.numbers(travel)
        window, checks = self.window(ctx), list[Check]()
        if not groups:
            empty = unread("end_play", "End play", window, aim=self._aim(ctx, window))
            return Outcome((empty,), (), NOT_READ)
        observed = travel_value(groups, sifted.gauges(travel, ctx), SCATTER_PRIOR_MM)
        working = self._working(groups, sifted.gauges(travel, ctx), ctx)
        value: Value = observed
        if isinstance(observed, AtMost) and is_preload(ctx):
            checks.append(Check("blind", "note", BLIND))
            value, working = by_shims(ctx, self.response(ctx), working)
        judged = verdict(value, window)
        target = Result(
            key="end_play",
            label="Preload" if is_preload(ctx) and isinstance(observed, AtMost) else "End play",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=working.sourced(*source_lines(window)),
            verdict=judged,
            aim=self._aim(ctx, window),
            steer=self._steer(ctx),
            readings=tuple(v for g in groups.values() for v in g),
        )
        if not is_preload(ctx):
            return Outcome((target,), (), judged, observed={"end_play": observed})
        if drag_link(ctx) is None:
            checks.append(Check("no_proof", "note", UNPROVEN))
            overall = judged if judged.code.startswith("out") else Verdict("not_proven")
            return Outcome((target,), tuple(checks), overall, observed={"end_play": observed})
        drag = self._drag(ctx, sifted)
        seen = {"end_play": observed} | ({"drag": drag.value} if drag.value is not None else {})
        return Outcome((target, drag), tuple(checks), _by_proof(judged, drag.verdict), observed=seen)

    def _aim(self, ctx: Context, window: Window) -> float:
        n = REPEATS * int(ctx.given["positions"])
        return aim_in(
            window, ctx.given.get("aim"), expected_u(ctx.find_gauge(), "travel", SCATTER_PRIOR_MM, n)
        )

    def _steer(self, ctx: Context) -> Window | None:
        """The preload that the drag window nominally means: that is what must be met."""
        link = drag_link(ctx)
        if link is None:
            return None
        ends = [-link.nominal_um(ctx.given[key]) / 1000 for key in ("drag_greatest", "drag_least")]
        return given_window(ctx.given, ends[0], ends[1])

    def _working(self, groups: Mapping[str, list[float]], gauges: Sequence[Gauge], ctx: Context) -> Working:
        say = speech(ctx)
        total = Sum(3 if say.unit == "mm" else 1)
        values = [v * say.per_mm for g in groups.values() for v in g]
        total.mean(f"Mean of {len(values)}", values)
        show_budget(total, budget(groups, gauges, "travel", SCATTER_PRIOR_MM), "travel", say.per_mm)
        return total.working()

    def _drag(self, ctx: Context, sifted: Sifted) -> Result:
        window = given_window(ctx.given, ctx.given["drag_least"], ctx.given["drag_greatest"])
        entry = sifted.counted.get("drag")
        number = entry.number if entry else None
        value = None if number is None else Normal(number, DRAG_U_SHARE * max(number, 0.1))
        working = Working(
            (
                Line(
                    "Rolling drag",
                    "steady turning, seals included; read within 5 %",
                    "not read" if number is None else f"{number:.2f} N·m",
                    True,
                ),
            ),
            source_lines(window),
        )
        return Result(
            key="drag",
            label="Rolling drag",
            quantity="torque",
            value=value,
            window=window,
            role="proof",
            working=working,
            verdict=verdict(value, window),
            aim=window.middle,
            readings=() if number is None else (number,),
        )

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        sense = {"adds": 1, "takes": -1}.get(str(ctx.given["sense"]))
        return (
            Knob(
                key=KNOB,
                label="Shim pack",
                place="",
                unit="mm",
                domain=Packs(int(ctx.given["most_plates"])),
                sense=1 if sense == 1 else -1 if sense == -1 else None,
                title="Shims under the cover" if sense != -1 else "Shims behind the cup",
            ),
        )

    def response(self, ctx: Context) -> Response:
        sign = -1.0 if ctx.given["sense"] == "takes" else 1.0
        repeats = REPEATS * int(ctx.given["positions"])
        if is_preload(ctx):
            wanted = self.window(ctx)
            return Response(
                rows=("end_play",),
                knobs=(KNOB,),
                k0=((sign,),),
                rho=((0.08,),),
                s_a=(0.005,),
                s_r=(SCATTER_PRIOR_MM,),
                harm=("low",),
                harm_at=(min((wanted.middle or 0.0) * 2, wanted.low - wanted.half),),
                repeats=repeats,
                drag=drag_link(ctx),
            )
        return Response(
            rows=("end_play",),
            knobs=(KNOB,),
            k0=((sign,),),
            rho=((0.07 if ctx.given["housing"] == "soft" else 0.05,),),
            s_a=(0.006,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=repeats,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        found = [
            "magnetic base",
            "pry bar",
            "micrometer for the shims",
            f"torque wrench to {ctx.given['torque']:g} N·m",
        ]
        return [*found, "spring scale or drag gauge"] if is_preload(ctx) else found

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack", "cover", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack", "cover", "axial"})

    def brief(self, ctx: Context) -> Sequence[str]:
        sense = {"adds": "a shim adds play", "takes": "a shim takes play away"}
        return (
            sense.get(str(ctx.given["sense"]), "sense not known yet"),
            f"cover at {ctx.given['torque']:g} N·m",
        )

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        torque = f"{ctx.given['torque']:g} N·m"
        hints = [
            "A shim still sticks to the cover, or two lay together: count what came out.",
            f"The cover was not at {torque}, or lifted on its bolts.",
            "Not seated: push home, tap and turn again.",
            "Burr or dirt under the cover or between shims.",
            "The indicator's base moved.",
        ]
        if predicted and abs(found / predicted) > 5:
            hints.insert(0, "A unit slip: thou and mm differ by 25.4.")
        if abs(found - predicted) > 0.02 and found * predicted < 0:
            hints.append("The shims went to the wrong side, or work the other way than was given.")
        return [SlipHint(h) for h in hints]
