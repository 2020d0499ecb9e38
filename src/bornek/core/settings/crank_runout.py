"""Runout of a built-up crank at both ends: first harmonics, their sum and difference as vectors.

e = √(a² + b²), a = 2/N Σ r cosθ, b = 2/N Σ r sinθ; high spot at atan2(b, a); angle 0 is the
crankpin. s = (v_L + v_R)/2, d = (v_R − v_L)/2. No truing move is computed: beyond the limit the
crank is sent out.
"""

from __future__ import annotations

import cmath
import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.gauges import Gauge
from bornek.core.readings import Budget, combined, resolution_u, spread
from bornek.core.scenes import Circle, Ray
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Working

ENDS = (("L", "Left end"), ("R", "Right end"))
LEAST_ANGLES, MOST_ANGLES = 8, 36
SCATTER_PRIOR_MM = 0.002


def first_harmonic(readings_mm: Sequence[float]) -> complex:
    """Eccentricity vector from N equally spaced readings, 360° not repeated; mm.

    Needs at least 8. Its size is e, its phase the high spot. Source: discrete Fourier series.

    >>> v = first_harmonic([0.01 * math.cos(math.radians(45 * k - 30)) for k in range(8)])
    >>> round(abs(v), 4), round(math.degrees(cmath.phase(v)))
    (0.01, 30)
    """
    n = len(readings_mm)
    if n < 8:
        raise RangeError(f"A harmonic needs at least 8 readings around (got {n}).", field="readings")
    return sum((r * cmath.exp(2j * math.pi * k / n) for k, r in enumerate(readings_mm)), 0j) * 2 / n


def _travel_budget(tir_mm: float, gauges: Sequence[Gauge]) -> Budget:
    """Greatest less smallest of one end: two readings of one gauge, and how true the gauge travels."""
    coarsest = max(gauges, key=lambda g: g.resolution)
    return Budget(
        mean=tir_mm,
        resolution=resolution_u(coarsest, "travel"),
        scatter=SCATTER_PRIOR_MM * math.sqrt(2),
        n=2,
        gauges=((coarsest, 1.0),),
    )


def _vector_u(gauges: Sequence[Gauge]) -> float:
    """Standard uncertainty of an eccentricity from N readings: √(2/N) of one reading's, and half of what the
    gauge is off by over its full travel."""
    coarsest = max(gauges, key=lambda g: g.resolution)
    one = math.hypot(resolution_u(coarsest, "size"), SCATTER_PRIOR_MM)
    return math.hypot(one * math.sqrt(2 / len(gauges)), coarsest.calibration_u / 2)


@register
class CrankRunout(Setting):
    id = "crank_runout"
    title = "Runout of a built-up crank at both ends"
    cautions = (
        "Keep sleeves and hair clear of the turning crank; turn by hand only.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("limit", "Runout limit", "length", lo=0.001, hi=2),
                Field(
                    "convention",
                    "The limit means",
                    "choice",
                    options=(
                        ("tir", "full indicator reading at each end"),
                        ("sum", "both ends' readings added"),
                        ("eccentricity", "eccentricity at each end"),
                    ),
                    why="Asked, never guessed.",
                ),
                Field(
                    key="angles",
                    label="Angles read around",
                    quantity="count",
                    default=LEAST_ANGLES,
                    lo=LEAST_ANGLES,
                    hi=MOST_ANGLES,
                ),
                Field(
                    "gauges",
                    "The gauges stand",
                    "choice",
                    options=(
                        ("outboard", "outboard of the two supports"),
                        ("between", "between the supports"),
                    ),
                ),
            ]
        )

    def tells(self, ctx: Context, verdict: str) -> str:
        return "shaft_bent" if verdict == "out_high" else ""

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        n = int(ctx.given["angles"])
        return tuple(
            Slot(
                key=f"{end}.{k}",
                label=f"{label}, {360 * k / n:.3g}°",
                group=label,
                axes={"end": end, "angle": round(360 * k / n)},
                quantity="length",
                nature="size",
                posture="Angle 0 is the crankpin. Turn to the mark, let it rest, read.",
                plausible=(-2.0, 2.0),
                alike="end",
            )
            for end, label in ENDS
            for k in range(n)
        )

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        around = {end: self._around(ctx, sifted, end) for end, _ in ENDS}
        if any(len(r) < int(ctx.given["angles"]) for r in around.values()):
            return Outcome((), (), NOT_READ)
        left, right = (first_harmonic(around[end]) for end in "LR")
        s, d = (left + right) / 2, (right - left) / 2
        gauges = {end: sifted.gauges([x for x in slots if x.axes["end"] == end], ctx) for end, _ in ENDS}
        results = [*self._limits(ctx, around, gauges, left, right), *self._vectors(ctx, gauges, s, d)]
        overall = worst([r.verdict for r in results if r.role == "target"])
        checks = self._shape(ctx, s, d)
        sentence = "Inside the limit: leave it alone." if overall.code == "in" else ""
        if overall.code.startswith("out"):
            sentence = "Beyond the limit: the crank is sent out. No truing move is reckoned here."
        return Outcome(
            results=tuple(results),
            checks=tuple(checks),
            verdict=overall,
            instruct=sentence,
            scenes=(self._circle(ctx, left, right),),
            unverified=("The rods' straightness",),
        )

    def _around(self, ctx: Context, sifted: Sifted, end: str) -> list[float]:
        found = (sifted.counted.get(f"{end}.{k}") for k in range(int(ctx.given["angles"])))
        return [e.number for e in found if e is not None and e.number is not None]

    def _limits(
        self,
        ctx: Context,
        around: Mapping[str, list[float]],
        gauges: Mapping[str, list[Gauge]],
        left: complex,
        right: complex,
    ) -> list[Result]:
        """A full reading is one travel of its gauge: its card counts once, in a sum of ends by one gauge twice."""
        window = given_window(ctx.given, None, ctx.given["limit"])
        tir = {end: spread(values) for end, values in around.items()}
        one = {end: _travel_budget(tir[end], gauges[end]) for end, _ in ENDS}
        match ctx.given["convention"]:
            case "tir":
                rows = [(f"tir_{e}", f"Full reading, {label.lower()}", tir[e], one[e].u) for e, label in ENDS]
            case "sum":
                u = combined([(1.0, one["L"]), (1.0, one["R"])])
                rows = [("tir_sum", "Both ends' full readings added", tir["L"] + tir["R"], u)]
            case _:
                rows = [
                    (f"e_{e}", f"Eccentricity, {label.lower()}", abs(v), _vector_u(gauges[e]))
                    for (e, label), v in zip(ENDS, (left, right), strict=True)
                ]
        return [self._judge(key, label, Normal(v, u), window) for key, label, v, u in rows]

    def _judge(self, key: str, label: str, value: Normal, window: Window) -> Result:
        working = Working(
            (Line(label, "greatest less smallest, or √(a² + b²)", f"{value.v:.4f}", True),),
            source_lines(window),
        )
        return Result(
            key=key,
            label=label,
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=working,
            verdict=verdict(value, window),
        )

    def _vectors(
        self, ctx: Context, gauges: Mapping[str, list[Gauge]], s: complex, d: complex
    ) -> list[Result]:
        u = math.hypot(_vector_u(gauges["L"]), _vector_u(gauges["R"])) / 2
        return [
            Result(
                key=key,
                label=f"{label}, high at {math.degrees(cmath.phase(v)) % 360:.0f}°",
                quantity="length",
                value=Normal(abs(v), u),
                window=None,
                role="info",
            )
            for key, label, v in (
                ("sum", "Both ends together", s),
                ("difference", "Ends against each other", d),
            )
        ]

    def _shape(self, ctx: Context, s: complex, d: complex) -> list[Check]:
        """What the vectors say of the rims: gape, pinch, twist, or neither."""
        floor = 2 * SCATTER_PRIOR_MM
        found = []
        if abs(s) > floor:
            toward = math.cos(cmath.phase(s)) * (1 if ctx.given["gauges"] == "outboard" else -1)
            if toward > 0.7:
                found.append("The rims gape opposite the pin.")
            elif toward < -0.7:
                found.append("The rims are pinched opposite the pin.")
            else:
                found.append("Neither squeeze, spread nor twist: nothing is advised.")
        if abs(d) > floor and abs(math.sin(cmath.phase(d))) > 0.7:
            found.append("The rims are twisted about the pin.")
        return [Check("shape", "note", words) for words in found]

    def _circle(self, ctx: Context, left: complex, right: complex) -> Circle:
        say = speech(ctx)
        rays = tuple(
            Ray(math.degrees(cmath.phase(v)) % 360, abs(v), f"{label} {say.number(abs(v))}", "vector")
            for (_, label), v in zip(ENDS, (left, right), strict=True)
        )
        return Circle(
            "High spots", say.unit, max(abs(left), abs(right), ctx.given["limit"]), rays, "crankpin"
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("two magnetic bases", "supports or centres", "soft hammer")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"crank"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset()
