"""End play or preload set by a shim pack under a bearing cover.

Readings: full travel between seated positions, 3 repeats at 2 or more angular positions.
Value: mean travel. Below zero an indicator reads 0, so a preload is reached from a measured play
by what the shims take away, and proved by rolling drag.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import partial
from typing import Any

from bornek.core.advice.belief import UM
from bornek.core.advice.hidden import Seen, hidden_value
from bornek.core.advice.memory import fitting_pool, priors
from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.readings import budget, censor_limit_mm, expected_u, show_budget, travel_value
from bornek.core.scenes import Section
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, whole_form
from bornek.core.settings.figures.shims_under_cover import draw_shims_under_cover
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Drag, Knob, Packs, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, AtMost, Normal, Value, Verdict, Window, verdict
from bornek.core.working import Line, Sum, Working

REPEATS = 3
POSITIONS = (("mark_up", "Mark up"), ("mark_right", "Mark right"), ("mark_down", "Mark down"),
             ("mark_left", "Mark left"))  # fmt: skip
SCATTER_PRIOR_MM = 0.0035
DRAG_U_SHARE = 0.025
"""A drag in steady turning is read within 5 %: twice this."""
KNOB = "pack"
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
                    required=False,
                    lo=0,
                    hi=2000,
                    why="The proof of a preload: an indicator cannot see it. Without it none is ever proven.",
                ),
                Field(
                    key="drag_greatest",
                    label="Greatest rolling drag, seals included",
                    quantity="torque",
                    required=given.get("drag_least") is not None,
                    lo=0,
                    hi=2000,
                ),
                Field(
                    key="drag_idle",
                    label="Drag of the seals alone, before the bearings are loaded",
                    quantity="torque",
                    default=0.0,
                    lo=0,
                    hi=2000,
                ),
            ]
        return whole_form(own)

    def window(self, ctx: Context) -> Window:
        lo, hi = ctx.given["least"], ctx.given["greatest"]
        if self.preload(ctx):
            lo, hi = -hi, -lo
        return given_window(ctx.given, lo, hi, self.floor(ctx))

    def floor(self, ctx: Context) -> float | None:
        """A play below 0 is a preload; where preload is wanted nothing bounds it."""
        return None if self.preload(ctx) else 0.0

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

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_shims_under_cover()

    def slots(self, ctx: Context) -> Sequence[Slot]:
        slots = self._travel_slots(ctx)
        sifted = sift(slots, ctx.now())
        if self._drag_link(ctx) and self._zeros(sifted, ctx):
            slots.append(
                Slot(
                    key="drag",
                    label="Rolling drag",
                    group="Proof",
                    axes={},
                    quantity="torque",
                    nature="force",
                    posture="Turn steadily, not from a standstill. Read the drag while it turns, seals included.",
                    plausible=(0.01, 2000.0),
                )
            )
        return slots

    def _zeros(self, sifted: Sifted, ctx: Context) -> bool:
        slots = self._travel_slots(ctx)
        numbers = [v for g in sifted.numbers(slots).values() for v in g]
        read = zip(numbers, sifted.gauges(slots, ctx), strict=True)
        return any(abs(v) <= censor_limit_mm(gauge) for v, gauge in read)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        travel = self._travel_slots(ctx)
        groups = sifted.numbers(travel)
        window, checks = self.window(ctx), list[Check]()
        if not groups:
            empty = Result(
                key="end_play",
                label="End play",
                quantity="length",
                value=None,
                window=window,
                verdict=NOT_READ,
                aim=self._aim(ctx, window),
            )
            return Outcome((empty,), (), NOT_READ)
        observed = travel_value(groups, sifted.gauges(travel, ctx), SCATTER_PRIOR_MM)
        working = self._working(groups, sifted.gauges(travel, ctx), ctx)
        value: Value = observed
        if isinstance(observed, AtMost) and self.preload(ctx):
            checks.append(Check("blind", "note", BLIND))
            value, working = self._by_shims(ctx, working)
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
            aim=self._aim(ctx, window),
            steer=self._steer(ctx),
            readings=tuple(v for g in groups.values() for v in g),
        )
        if not self.preload(ctx):
            return Outcome((target,), (), judged, observed={"end_play": observed})
        if self._drag_link(ctx) is None:
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

    def _drag_link(self, ctx: Context) -> Drag | None:
        """What the two windows say of drag and preload: their middles belong together."""
        least, greatest = ctx.given.get("drag_least"), ctx.given.get("drag_greatest")
        if not self.preload(ctx) or least is None or greatest is None:
            return None
        idle = float(ctx.given["drag_idle"])
        wanted = (ctx.given["least"] + ctx.given["greatest"]) / 2
        if (least + greatest) / 2 <= idle or wanted <= 0:
            raise RangeError(
                f"The drag with preload must be more than that of the seals alone ({idle:g} N·m).",
                field="drag_least",
                next_step="Enter the drag seals included, and the seals alone under their own field.",
            )
        return Drag("drag", ((least + greatest) / 2 - idle) / wanted, idle)

    def _steer(self, ctx: Context) -> Window | None:
        """The preload that the drag window nominally means: that is what must be met."""
        link = self._drag_link(ctx)
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

    def _seen(self, ctx: Context) -> list[Seen]:
        """Every round with its pack: what the indicator said and the drag that was read."""
        rounds: list[Seen] = []
        first: float | None = None
        struck = {e.round for e in ctx.explanations if e.cause == "reread"}
        for number in range(ctx.first_round, ctx.round + 1):
            read = ctx.once((self.id, number), partial(self._seen_in, ctx, number))
            if read is None or number in struck:
                continue
            at, value, drag = read
            first = at if first is None else first
            rounds.append(Seen((at - first) * UM, value, drag))
        return rounds

    def _seen_in(self, ctx: Context, number: int) -> tuple[float, Normal | AtMost, float | None] | None:
        """One round's pack [mm], what the indicator said, and the drag as nominal preload [µm]."""
        then = ctx.at(number)
        state, slots = then.state(KNOB), self._travel_slots(then)
        sifted = sift(self.slots(then), then.now())
        groups = sifted.numbers(slots)
        if state is None or not groups:
            return None
        drag, link = sifted.counted.get("drag"), self._drag_link(then)
        torque = drag.number if drag else None
        return (
            state.position,
            travel_value(groups, sifted.gauges(slots, then), SCATTER_PRIOR_MM),
            link.nominal_um(torque) if link and torque is not None else None,
        )

    def _by_shims(self, ctx: Context, working: Working) -> tuple[Value, Working]:
        """Preload from the plays that were measured and what the shims took away since, each shim by what it
        gives on this unit, and from the drag where it was read."""
        say, rounds = speech(ctx), self._seen(ctx)
        played = [r for r in rounds if isinstance(r.value, Normal)]
        limit = AtMost(max(censor_limit_mm(g) for g in (ctx.find_gauge(), *map(ctx.find_gauge, ctx.now()))))
        if not rounds or ctx.given["sense"] == "unknown" or not (played or rounds[-1].drag):
            none = Line("Preload", "no play was measured before: start from a full pack", "unknown")
            return limit, working.plus(none)
        response = self.response(ctx)
        k0, rho = response.k0[0][0], response.rho[0][0]
        noise = (SCATTER_PRIOR_MM * UM) ** 2 / response.repeats
        value, belief = hidden_value(priors(k0, rho, fitting_pool(ctx.history, k0)), rounds, noise)
        gives, spread_k = belief.response()
        lines = [
            Line("A shim of 1.00 gives", "this unit, give or take", f"{gives:.2f} ± {expanded(spread_k):.2f}")
        ]
        if played:
            last = played[-1].value
            assert isinstance(last, Normal)
            moved = (rounds[-1].x - played[-1].x) / UM
            lines.insert(
                0, Line("Play, the last that showed", "mean of its readings", say.number(last.v), True)
            )
            lines.append(Line("Shims since", "what was put in and taken out", say.number(moved, plus=True)))
            less = last.v + gives * moved
            how = f"{say.number(last.v)} + {gives:.2f} × {say.number(moved, plus=True)}; negative is preload"
            lines.append(Line("Play less shims", how, say.number(less), True))
        if rounds[-1].drag:
            nominal = say.number(-rounds[-1].drag / UM)
            lines.append(Line("Drag", "as much preload as it nominally means", nominal))
            lines.append(
                Line("Preload", "shims and drag, each as far as it can be trusted", say.number(value.v), True)
            )
        lines.append(
            Line(
                "Give or take",
                "play, response of the shims and seating, 95 in 100",
                say.spread(expanded(value.u)),
            )
        )
        return value, working.plus(*lines)

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
        if self.preload(ctx):
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
                drag=self._drag_link(ctx),
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
