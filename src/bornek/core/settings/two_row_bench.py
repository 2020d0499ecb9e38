"""Bench setting of a two-row tapered bearing with a double cup and a spacer between the cones.

gap = mean(A) + mean(B) − mean(W); bench setting = spacer − gap: positive end play, 0 line to
line, negative preload. A, B: depth from the cup's upper face to the cone's front face with the cup
on the one cone and on the other; W: cup width. All in mm.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from functools import partial
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.readings import Budget, budget, combined, expected_u, show_budget, spread
from bornek.core.scenes import Section, Table
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, whole_form
from bornek.core.settings.figures.two_rows import draw_two_rows
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Continuous, Knob, Response
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State
from bornek.core.temperature import STEEL_PER_K, size_correction_mm
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Verdict, Window, verdict
from bornek.core.working import Line, Sum, Working

STATIONS = ("12", "3", "6", "9")
SETS = (
    ("A", "Depth A, cup on the first cone", "Stand the first cone on its back face, cup on it. Press and "
     "rotate to seat. Depth from the cup's upper face down to that cone's front face."),
    ("B", "Depth B, cup on the second cone", "Turn the cup over onto the other cone. Press and rotate to "
     "seat. The same depth. Do not turn the cup within a set."),
    ("W", "Cup width", "Width of the cup, face to face."),
    ("S", "Spacer width", "Width of the spacer, face to face."),
)  # fmt: skip
SPREAD_LIMIT_MM = 0.02
PARALLEL_LIMIT_MM = 0.01
SCATTER_PRIOR_MM = 0.003
SPACER_STEP_MM = 0.005
KNOB = "spacer"


def mounted_loss_mm(
    cone_interference_mm: float,
    cup_interference_mm: float,
    half_angle_deg: float,
    cone_ratio: float = 0.8,
    cup_ratio: float = 0.8,
) -> float:
    """How much bench setting two rows lose when cone and cup are fitted tight.

    Equation: cot α · (λ_cone · δ_cone + λ_cup · δ_cup); a loose fit counts 0.
    Parameters: δ effective diametral interference [mm], 0 to 0.5; α half the included cup angle
    [deg], 5 to 40; λ cone: bore / mean cone race diameter, λ cup: mean cup race / outside diameter.
    Source: elastic ring expansion on a taper. Raises RangeError outside the range.

    >>> round(mounted_loss_mm(0.030, 0.0, 15.0), 3)
    0.09
    """
    if not 5 <= half_angle_deg <= 40:
        raise RangeError(
            f"half_angle_deg must be 5 to 40 (got {half_angle_deg:g}). Was it the whole angle?",
            field="half_angle",
        )
    for name, ratio in (("cone_ratio", cone_ratio), ("cup_ratio", cup_ratio)):
        if not 0.4 <= ratio <= 1:
            raise RangeError(f"{name} must be 0.4 to 1 (got {ratio:g}).", field=name)
    cone, cup = max(cone_interference_mm, 0.0), max(cup_interference_mm, 0.0)
    if max(cone, cup) > 0.5:
        raise RangeError(
            "An interference above 0.5 mm is not a bearing fit.",
            field="cone_fit",
            next_step="Check the unit.",
        )
    return (cone_ratio * cone + cup_ratio * cup) / math.tan(math.radians(half_angle_deg))


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
        return whole_form(
            [
                Field(
                    key="arrangement",
                    label="Arrangement",
                    quantity="choice",
                    default="spacer_between",
                    options=(
                        ("spacer_between", "double cup, spacer between the cone front faces"),
                        ("other", "another arrangement"),
                    ),
                    why="Only this arrangement follows these sums.",
                ),
                Field("least", "Least bench setting (preload negative)", "length", lo=-1, hi=3),
                Field("greatest", "Greatest bench setting (preload negative)", "length", lo=-1, hi=3),
                Field(
                    key="half_angle",
                    label="Half the included cup angle",
                    quantity="angle",
                    required=False,
                    lo=5,
                    hi=40,
                    why="With the fits it gives the mounted setting, as an estimate.",
                ),
                Field(
                    key="cone_fit",
                    label="Cone on shaft, diametral interference",
                    quantity="length",
                    required=False,
                    lo=-0.5,
                    hi=0.5,
                ),
                Field(
                    key="cup_fit",
                    label="Cup in housing, diametral interference",
                    quantity="length",
                    required=False,
                    lo=-0.5,
                    hi=0.5,
                ),
                Field(
                    key="cone_ratio",
                    label="Bore over mean cone race",
                    quantity="number",
                    default=0.8,
                    lo=0.4,
                    hi=1,
                ),
                Field(
                    key="cup_ratio",
                    label="Mean cup race over outside",
                    quantity="number",
                    default=0.8,
                    lo=0.4,
                    hi=1,
                ),
                Field(
                    key="gauge_c",
                    label="Gauge temperature",
                    quantity="temperature",
                    default=20.0,
                    lo=-20,
                    hi=80,
                ),
                Field(
                    key="bearing_c",
                    label="Bearing temperature",
                    quantity="temperature",
                    default=20.0,
                    lo=-20,
                    hi=120,
                ),
                Field(
                    key="spacer_c",
                    label="Spacer temperature",
                    quantity="temperature",
                    default=20.0,
                    lo=-20,
                    hi=120,
                ),
            ]
        )

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
        """The first round reads all four sets; after a move the spacer alone is owed."""
        owed = SETS if ctx.round == ctx.first_round else SETS[3:]
        return [
            Slot(
                key=f"{key}.{station}",
                label=f"{label}, {station} o'clock",
                group=label,
                axes={"set": key, "station": station},
                quantity="length",
                nature="size",
                needs="depth" if key in ("A", "B") else "outside",
                posture=posture,
                plausible=(1.0, 600.0),
                peers=key,
            )
            for key, label, posture in owed
            for station in STATIONS
        ]

    def _read(self, ctx: Context) -> dict[str, list[tuple[float, Gauge]]]:
        """Sizes per set corrected to 20 °C with the gauge that read each, the newest round that has them."""
        found: dict[str, list[tuple[float, Gauge]]] = {}
        for number in range(ctx.first_round, ctx.round + 1):
            now = ctx.once((self.id, number), partial(self._read_in, ctx, number))
            if number > ctx.first_round:
                now = {"S": [], **now}
            found |= now
        return {k: v for k, v in found.items() if v}

    def _read_in(self, ctx: Context, number: int) -> dict[str, list[tuple[float, Gauge]]]:
        """The sets that were read in one round."""
        then = ctx.at(number)
        slots = self.slots(then)
        sifted = sift(slots, then.now())
        found: dict[str, list[tuple[float, Gauge]]] = {}
        for key in "ABWS":
            mine = [s for s in slots if s.key.startswith(key)]
            values = [v for g in sifted.numbers(mine).values() for v in g]
            if values:
                gauges = sifted.gauges(mine, then)
                found[key] = [(self._at_20(v, key, then), g) for v, g in zip(values, gauges, strict=True)]
        return found

    def _sets(self, ctx: Context) -> dict[str, list[float]]:
        return {key: [v for v, _ in rows] for key, rows in self._read(ctx).items()}

    def _at_20(self, size_mm: float, key: str, ctx: Context) -> float:
        part = float(ctx.given["spacer_c" if key == "S" else "bearing_c"])
        gauge = float(ctx.given["gauge_c"])
        return size_mm + size_correction_mm(size_mm, part, gauge)

    def evaluate(self, ctx: Context) -> Outcome:
        window = self.window(ctx)
        read = self._read(ctx)
        sets = {key: [v for v, _ in rows] for key, rows in read.items()}
        checks = self._seating(ctx, sets)
        say = speech(ctx)
        picture = draw_two_rows({key: say.number(sum(v) / len(v)) for key, v in sets.items()})
        scenes = (picture, self._table(ctx, sets)) if sets else (picture,)
        usual = expected_u(ctx.find_gauge(), "size", SCATTER_PRIOR_MM, len(STATIONS)) * math.sqrt(len(SETS))
        aim = aim_in(window, ctx.given.get("aim"), usual)
        if set(sets) != set("ABWS"):
            empty = Result(
                key="bench",
                label="Bench setting",
                quantity="length",
                value=None,
                window=window,
                verdict=NOT_READ,
                aim=aim,
            )
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
        results += self._mounted(ctx, value)
        return Outcome(tuple(results), tuple(checks), judged, scenes=scenes, observed={"bench": value})

    def _value(self, parts: Mapping[str, Budget]) -> Normal:
        """Spacer less gap: what a gauge is off by adds up over the depths and cancels against a width by it."""
        v = parts["S"].mean - (parts["A"].mean + parts["B"].mean - parts["W"].mean)
        signs = {"S": 1.0, "A": -1.0, "B": -1.0, "W": 1.0}
        return Normal(round(v, 9), combined([(signs[k], p) for k, p in parts.items()]))

    def _seating(self, ctx: Context, sets: Mapping[str, list[float]]) -> list[Check]:
        say = speech(ctx)
        found = []
        for key, label, _ in SETS:
            values = sets.get(key, [])
            limit = PARALLEL_LIMIT_MM if key == "S" else SPREAD_LIMIT_MM
            wide = spread(values)
            if wide <= limit + 1e-9:
                continue
            across = max((abs(x - y) for x, y in zip(values, values[2:], strict=False)), default=0)
            why = "re-seat and read again"
            if key == "S":
                why = "not parallel: grind it true and read again"
            elif across > limit + 1e-9:
                why = "tilted across opposite stations: re-seat and read again"
            found.append(
                Check(
                    f"spread_{key}",
                    "warn",
                    f"{label}: the stations differ by {say.number(wide)} {say.unit}, more than "
                    f"{say.size(limit)}: {why}.",
                    "reseat",
                )
            )
        return found

    def _table(self, ctx: Context, sets: Mapping[str, list[float]]) -> Table:
        say = speech(ctx)
        rows = tuple(
            (
                key,
                *(say.number(v) for v in values),
                *("" for _ in range(4 - len(values))),
                say.number(sum(values) / len(values)),
            )
            for key, values in sets.items()
        )
        return Table(f"Sizes at 20 °C, {say.unit}", ("", *STATIONS, "mean"), rows)

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

    def _mounted(self, ctx: Context, bench: Normal) -> list[Result]:
        angle = ctx.given.get("half_angle")
        fits = [ctx.given.get("cone_fit"), ctx.given.get("cup_fit")]
        if angle is None or all(f is None for f in fits):
            return []
        say = speech(ctx)
        cone, cup = (float(f or 0) for f in fits)
        loss = mounted_loss_mm(cone, cup, angle, ctx.given["cone_ratio"], ctx.given["cup_ratio"])
        mounted = Normal(bench.v - loss, math.hypot(bench.u, 0.15 * loss))
        working = Working(
            (
                Line(
                    "Loss by the fits",
                    f"cot {angle:g}° × ({ctx.given['cone_ratio']:g} × {say.size(max(cone, 0))} + "
                    f"{ctx.given['cup_ratio']:g} × {say.size(max(cup, 0))})",
                    say.number(loss),
                ),
                Line(
                    "Mounted, an estimate",
                    f"{say.number(bench.v)} − {say.number(loss)}; negative is preload",
                    say.number(mounted.v),
                    True,
                ),
            )
        )
        return [
            Result(
                key="mounted",
                label="Mounted setting, estimated",
                quantity="length",
                value=mounted,
                window=None,
                role="estimate",
                working=working,
                verdict=Verdict("not_proven"),
            )
        ]

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The spacer as measured in that round, else as it was said to be made."""
        then = ctx.at(ctx.round if number is None else number)
        values = self._sets(then).get("S")
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
