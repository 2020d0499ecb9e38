"""End play or preload set by a shim pack under a bearing cover.

Readings: full travel between seated positions, 3 repeats at 2 or more angular positions.
Value: mean travel. Below zero an indicator reads 0, so a preload is reached from a measured play
by what the shims take away, and proved by rolling drag.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.advice.packs import change
from bornek.core.quantities import Speech
from bornek.core.readings import budget, coarse_gauge, show_budget, spread, travel_value
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Packs, Response
from bornek.core.settings.records import Confirm, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift, sift_checks
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, AtMost, Normal, Value, Verdict, Window, verdict, worst
from bornek.core.working import Line, Sum, Working

REPEATS = 3
POSITIONS = (("mark_up", "Mark up"), ("mark_right", "Mark right"), ("mark_down", "Mark down"),
             ("mark_left", "Mark left"))  # fmt: skip
SPREAD_LIMIT_MM = 0.02
SCATTER_PRIOR_MM = 0.0035
PLATE_U_MM = 0.001
KNOB = "pack"


@register
class ShimPackEndPlay(Setting):
    id = "shim_pack_end_play"
    title = "End play or preload by a shim pack under a cover"
    cautions = (
        "Fingers out of the gap while you pry; nobody turns the shaft meanwhile.",
        "Cover bolts at full torque before each reading, or the cover lifts and adds to the travel.",
        "Block and sling the shaft before the cover comes off; lock out the drive in the field.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        preload = given.get("meant") == "preload"
        noun = "preload" if preload else "end play"
        own = [
            Field(
                key="meant",
                label="The manual's figure means",
                quantity="choice",
                options=(
                    ("play", "end play: the shaft can float"),
                    ("preload", "preload: bearings pressed together"),
                ),
                default="play",
                why="A manual that says preload and prints a play is asked about, never converted.",
            ),
            Field("least", f"Least {noun}", "length", lo=0, hi=3),
            Field("greatest", f"Greatest {noun}", "length", lo=0, hi=3),
            Field(
                "sense",
                "Adding a shim",
                "choice",
                options=(
                    ("adds", "adds play (shims under the cover)"),
                    ("takes", "takes play away (shims behind the cup)"),
                    ("unknown", "not known yet: the first small move shows it"),
                ),
            ),
            Field("torque", "Cover bolt torque", "torque", lo=0, hi=5000),
            Field(
                "housing",
                "Housing and cover",
                "choice",
                default="stiff",
                options=(("stiff", "stiff, iron or steel"), ("soft", "soft, light alloy or welded sheet")),
            ),
            Field(
                key="most_plates", label="Most shims in the pack", quantity="count", default=6, lo=1, hi=10
            ),
            Field(
                key="positions", label="Angular positions to read", quantity="count", default=2, lo=1, hi=4
            ),
        ]
        if preload:
            own += [
                Field(
                    key="drag_least",
                    label="Least rolling drag, seals included",
                    quantity="torque",
                    lo=0,
                    hi=2000,
                    why="The proof of a preload: an indicator cannot see it.",
                ),
                Field("drag_greatest", "Greatest rolling drag, seals included", "torque", lo=0, hi=2000),
            ]
        return whole_form(own)

    def window(self, ctx: Context) -> Window:
        lo, hi = ctx.given["least"], ctx.given["greatest"]
        if self.preload(ctx):
            lo, hi = -hi, -lo
        return given_window(ctx.given, lo, hi)

    def preload(self, ctx: Context) -> bool:
        return bool(ctx.given["meant"] == "preload")

    def _travel_slots(self, ctx: Context) -> list[Slot]:
        all_used = {1: (0,), 2: (0, 2), 3: (0, 1, 2), 4: (0, 1, 2, 3)}[int(ctx.given["positions"])]
        top = max(1.2, 4 * float(ctx.given["greatest"]))
        return [
            Slot(
                key=f"travel.{POSITIONS[p][0]}.{rep}",
                label=f"{POSITIONS[p][1]}, reading {rep}",
                group=POSITIONS[p][1],
                axes={"position": POSITIONS[p][0], "rep": rep},
                quantity="length",
                nature="travel",
                posture="Push home and tap. Five turns. Zero. Pry up until it stops. Type the full travel.",
                plausible=(0.0, top),
                peers="travel",
            )
            for p in all_used
            for rep in range(1, REPEATS + 1)
        ]

    def slots(self, ctx: Context) -> Sequence[Slot]:
        slots = self._travel_slots(ctx)
        sifted = sift(slots, ctx.now())
        if self._zeros(sifted, ctx):
            slots.append(
                Slot(
                    key="needle",
                    label="Needle alive?",
                    group="Proof",
                    axes={},
                    quantity="count",
                    nature="confirm",
                    accepts="confirm",
                    posture="The needle stood still. Push or pry the base by a known amount and see it move.",
                )
            )
            if self.preload(ctx):
                slots.append(
                    Slot(
                        key="drag",
                        label="Rolling drag",
                        group="Proof",
                        axes={},
                        quantity="torque",
                        nature="force",
                        posture="Turn steadily, not from a standstill. Read the drag while it turns, "
                        "seals included.",
                        plausible=(0.01, 2000.0),
                    )
                )
        return slots

    def _zeros(self, sifted: Sifted, ctx: Context) -> bool:
        numbers = [v for g in sifted.numbers(self._travel_slots(ctx)).values() for v in g]
        limit = max(0.002, ctx.find_gauge().resolution)
        return any(abs(v) <= limit for v in numbers)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        travel = self._travel_slots(ctx)
        groups = sifted.numbers(travel)
        window, gauge, say = self.window(ctx), ctx.find_gauge(), speech(ctx)
        checks = sift_checks(sifted, slots)
        note = coarse_gauge(window, gauge, say)
        if note:
            checks.append(Check("coarse", "warn" if note[1] else "note", note[0]))
        if gauge.overdue:
            checks.append(Check("overdue", "warn", f"{gauge.name} is past its calibration date."))
        if not groups:
            empty = Result(
                key="end_play",
                label="End play",
                quantity="length",
                value=None,
                window=window,
                verdict=NOT_READ,
                aim=aim_in(window, ctx.given.get("aim")),
            )
            return Outcome((empty,), tuple(checks), NOT_READ)
        observed = travel_value(groups, gauge, SCATTER_PRIOR_MM)
        checks += self._spread_checks(groups, say)
        working = self._working(groups, ctx)
        value: Value = observed
        if isinstance(observed, AtMost):
            checks += self._zero_checks(ctx, sifted, say)
            if self.preload(ctx):
                value, working = self._by_shims(ctx, observed, working)
        judged = verdict(value, window)
        target = Result(
            key="end_play",
            label="Preload" if self.preload(ctx) and isinstance(observed, AtMost) else "End play",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=working.sourced(*source_lines(window)),
            verdict=judged,
            aim=aim_in(window, ctx.given.get("aim")),
            readings=tuple(v for g in groups.values() for v in g),
        )
        results = [target]
        if self.preload(ctx):
            results.append(self._drag(ctx, sifted))
        overall = worst([r.verdict for r in results])
        if self.preload(ctx) and overall.code == "not_read":
            overall = Verdict("not_proven") if judged.code in ("in", "at_edge") else judged
        return Outcome(tuple(results), tuple(checks), overall, observed={"end_play": observed})

    def _spread_checks(self, groups: Mapping[str, list[float]], say: Speech) -> list[Check]:
        found = [
            Check(
                "spread",
                "warn",
                f"{name}: repeats differ by {say.number(spread(g))} "
                f"{say.unit}, more than {say.size(SPREAD_LIMIT_MM)}. Re-seat and read again.",
                "reseat",
            )
            for name, g in groups.items()
            if spread(g) > SPREAD_LIMIT_MM + 1e-9
        ]
        means = [sum(g) / len(g) for g in groups.values()]
        if not found and spread(means) > SPREAD_LIMIT_MM + 1e-9:
            found.append(
                Check(
                    "positions",
                    "warn",
                    f"The positions differ by {say.number(spread(means))} "
                    f"{say.unit}: bent shaft or dirt. Clean, re-seat and read again.",
                    "reseat",
                )
            )
        return found

    def _zero_checks(self, ctx: Context, sifted: Sifted, say: Speech) -> list[Check]:
        found = []
        proof = sifted.counted.get("needle")
        if proof is None or proof.raw != Confirm(True):
            found.append(
                Check(
                    "zero",
                    "warn",
                    "The needle never moved. Prove that it is alive: push or pry by a known amount.",
                    "prove_alive",
                    "needle",
                )
            )
        if self.preload(ctx):
            found.append(
                Check(
                    "blind",
                    "note",
                    "An indicator cannot see preload: below zero it reads 0. The rolling drag is the proof.",
                )
            )
        return found

    def _working(self, groups: Mapping[str, list[float]], ctx: Context) -> Working:
        gauge, say = ctx.find_gauge(), speech(ctx)
        total = Sum(3 if say.unit == "mm" else 1)
        values = [v * say.per_mm for g in groups.values() for v in g]
        total.mean(f"Mean of {len(values)}", values)
        parts = budget(groups, gauge, "travel", SCATTER_PRIOR_MM)
        show_budget(total, parts, gauge, "travel", say.per_mm)
        return total.working()

    def _by_shims(self, ctx: Context, observed: AtMost, working: Working) -> tuple[Value, Working]:
        """Preload from the last play that was measured, less what the shims took away since."""
        say = speech(ctx)
        earlier = [ctx.at(n) for n in range(ctx.round - 1, 0, -1)]
        for past in earlier:
            groups = sift(self._travel_slots(past), past.now()).numbers(self._travel_slots(past))
            played = travel_value(groups, past.find_gauge(), SCATTER_PRIOR_MM) if groups else None
            before, after = past.state(KNOB), ctx.state(KNOB)
            if not isinstance(played, Normal) or before is None:
                continue
            if after is None or ctx.given["sense"] == "unknown":
                break
            sign = 1 if ctx.given["sense"] == "adds" else -1
            moved = sign * (after.position - before.position)
            out, new = change(before.packs[0], after.packs[0])
            u = math.hypot(played.u, PLATE_U_MM * math.sqrt(max(len(out) + len(new), 1)))
            v = played.v + moved
            lines = (
                Line(
                    f"Play, round {past.round}", "the last that could be measured", say.number(played.v), True
                ),
                Line(
                    "Shims since",
                    f"pack {before.label(say)} to {after.label(say)}",
                    say.number(moved, plus=True),
                ),
                Line(
                    "Play less shims",
                    f"{say.number(played.v)} {say.number(moved, plus=True)}; negative is preload",
                    say.number(v),
                    True,
                ),
                Line("Give or take", f"2 × √({say.number(played.u)}² + plates²)", say.spread(expanded(u))),
            )
            return Normal(v, u), working.plus(*lines)
        none = Line("Preload", "no play was measured before: start from a full pack", "unknown")
        return observed, working.plus(none)

    def _drag(self, ctx: Context, sifted: Sifted) -> Result:
        window = given_window(ctx.given, ctx.given["drag_least"], ctx.given["drag_greatest"])
        entry = sifted.counted.get("drag")
        number = entry.number if entry else None
        value = None if number is None else Normal(number, 0.025 * max(number, 0.1))
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
        rho = 0.07 if ctx.given["housing"] == "soft" else 0.05
        repeats = REPEATS * int(ctx.given["positions"])
        return Response(
            rows=("end_play",),
            knobs=(KNOB,),
            k0=((sign,),),
            rho=((rho,),),
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
        return [*found, "spring scale or drag gauge"] if self.preload(ctx) else found

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
