"""Runout at one place or at both ends of a shaft or a built-up crank: first harmonics, at two ends their sum and
difference as vectors.

e = √(a² + b²), a = 2/N Σ r cosθ, b = 2/N Σ r sinθ; high spot at atan2(b, a); angle 0 is the
crankpin. s = (v_L + v_R)/2, d = (v_R − v_L)/2. No truing move is computed: beyond the limit the
crank is sent out.
"""

from __future__ import annotations

import cmath
import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.around import first_harmonic, points_to
from bornek.core.gauges import Gauge
from bornek.core.readings import Budget, combined, resolution_u, spread
from bornek.core.scenes import Circle, Ray, Section, Trace
from bornek.core.settings.common import given_window, source_lines, unread
from bornek.core.settings.crank_form import ENDS, EXTREMES, LEAST_ANGLES, ends_of, form_of, stations_of
from bornek.core.settings.figures.shaft_on_blocks import draw_shaft_on_blocks
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Working

SCATTER_PRIOR_MM = 0.002
RIM_SHARE = 1.1
"""The rim is drawn at so many times what runs out most."""


BOTH_ADDED, ECCENTRICITY, FULL_READING = "Both ends' full readings added", "Eccentricity", "Runout"


def _vector_u(gauges: Sequence[Gauge]) -> float:
    """Standard uncertainty of an eccentricity from N readings: √(2/N) of one reading's, and half of what the
    gauge is off by over its full travel."""
    coarsest = max(gauges, key=lambda g: g.resolution)
    one = math.hypot(resolution_u(coarsest, "size"), SCATTER_PRIOR_MM)
    return math.hypot(one * math.sqrt(2 / len(gauges)), coarsest.calibration_u / 2)


def _high(v: complex, u: float) -> str:
    at = points_to(v, u)
    return "no sure high spot" if at is None else f"high at {at:.0f}°"


def _ray(size: str, v: complex, u: float) -> Ray:
    """A high spot that is not sure stays in the middle: a ray would point somewhere."""
    at = points_to(v, u)
    return Ray(at or 0.0, 0.0 if at is None else abs(v), f"{size}, {_high(v, u)}", "vector")


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


@register
class CrankRunout(Setting):
    id = "crank_runout"
    version = 2
    layout = "side_by_side"
    title = "Runout, at one place or at both ends"
    plain = "A shaft or crank that may run out: how much, and where it is high"
    cautions = (
        "Keep sleeves and hair clear of the turning shaft; turn by hand only.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def tells(self, ctx: Context, verdict: str) -> str:
        return "shaft_bent" if verdict == "out_high" else ""

    def thing(self) -> Section:
        return draw_shaft_on_blocks()

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        return stations_of(ctx)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        ends = ends_of(ctx)
        around = {end: self._around(slots, sifted, end) for end, _ in ends}
        checks = self._centres(ctx)
        whole = len(slots) // len(ends)
        if any(len(r) < whole for r in around.values()):
            return Outcome(self._unread(ctx), tuple(checks), NOT_READ, scenes=(draw_shaft_on_blocks(),))
        gauges = {end: sifted.gauges([x for x in slots if x.axes["end"] == end], ctx) for end, _ in ends}
        vectors = {} if ctx.given["read"] == EXTREMES else {e: first_harmonic(around[e]) for e, _ in ends}
        results = self._limits(ctx, around, gauges, vectors)
        if len(vectors) == len(ENDS):
            s, d = (vectors["L"] + vectors["R"]) / 2, (vectors["R"] - vectors["L"]) / 2
            u = math.hypot(_vector_u(gauges["L"]), _vector_u(gauges["R"])) / 2
            results += self._sums(s, d, u)
            checks += self._shape(ctx, s, d, u)
        elif vectors:
            results += self._eccentricity(around, gauges, vectors)
        overall = worst([r.verdict for r in results if r.role == "target"])
        return Outcome(
            results=tuple(results),
            checks=tuple(checks),
            verdict=overall,
            instruct=self._instruct(ctx, overall.code),
            scenes=(self._circle(ctx, around, gauges, vectors) if vectors else draw_shaft_on_blocks(),),
            unverified=(*self._unverified(ctx),),
        )

    @staticmethod
    def _instruct(ctx: Context, code: str) -> str:
        if code == "in":
            return "Inside the limit: leave it alone."
        what = "the crank is" if ctx.given["ends"] == "two" else "it is"
        return (
            f"Beyond the limit: {what} sent out. No truing move is reckoned here."
            if code.startswith("out")
            else ""
        )

    @staticmethod
    def _unverified(ctx: Context) -> list[str]:
        rods = ["The rods' straightness"] if ctx.given["ends"] == "two" else []
        return [*rods, *(f"Surface not trusted: {x}" for x in ctx.given.get("untrusted") or ()),
                *(ctx.given.get("unchecked") or ())]  # fmt: skip

    @staticmethod
    def _centres(ctx: Context) -> list[Check]:
        """A surface that cannot be trusted excludes running between centres."""
        bad = ctx.given.get("untrusted") or ()
        if not bad or ctx.given["held"] != "centres":
            return []
        words = f"{bad[0]}: it cannot be run between centres. Lay it on blocks at its own journals and read again."
        return [Check("centres", "warn", words, "reseat")]

    @staticmethod
    def _around(slots: Sequence[Slot], sifted: Sifted, end: str) -> list[float]:
        found = (sifted.counted.get(s.key) for s in slots if s.axes["end"] == end)
        return [e.number for e in found if e is not None and e.number is not None]

    def _limits(
        self,
        ctx: Context,
        around: Mapping[str, list[float]],
        gauges: Mapping[str, list[Gauge]],
        vectors: Mapping[str, complex],
    ) -> list[Result]:
        """A full reading is one travel of its gauge: its card counts once, in a sum of ends by one gauge twice."""
        window = given_window(ctx.given, None, ctx.given["limit"])
        ends = ends_of(ctx)
        tir = {end: spread(values) for end, values in around.items()}
        one = {end: _travel_budget(tir[end], gauges[end]) for end, _ in ends}
        match ctx.given["convention"]:
            case "sum":
                u = combined([(1.0, one["L"]), (1.0, one["R"])])
                rows = [("tir_sum", BOTH_ADDED, tir["L"] + tir["R"], u)]
            case "eccentricity":
                rows = [
                    (
                        f"e_{e}",
                        self._named(ECCENTRICITY, ends, label),
                        abs(vectors[e]),
                        _vector_u(gauges[e]),
                    )
                    for e, label in ends
                ]
            case _:
                rows = [
                    (f"tir_{e}", self._named(FULL_READING, ends, label), tir[e], one[e].u)
                    for e, label in ends
                ]
        return [self._judge(key, label, Normal(v, u), window, around) for key, label, v, u in rows]

    def _unread(self, ctx: Context) -> tuple[Result, ...]:
        window, ends = given_window(ctx.given, None, ctx.given["limit"], 0.0), ends_of(ctx)
        match ctx.given["convention"]:
            case "sum":
                rows = [("tir_sum", BOTH_ADDED)]
            case "eccentricity":
                rows = [(f"e_{e}", self._named(ECCENTRICITY, ends, label)) for e, label in ends]
            case _:
                rows = [(f"tir_{e}", self._named(FULL_READING, ends, label)) for e, label in ends]
        return tuple(unread(key, label, window) for key, label in rows)

    @staticmethod
    def _named(what: str, ends: Sequence[tuple[str, str]], label: str) -> str:
        return f"{what}, {label.lower()}" if len(ends) > 1 else what

    def _judge(
        self, key: str, label: str, value: Normal, window: Window, around: Mapping[str, list[float]]
    ) -> Result:
        lines = [Line(label, "greatest less smallest, or √(a² + b²)", f"{value.v:.4f}", True)]
        for end, values in around.items():
            if len(values) >= LEAST_ANGLES:
                e = abs(first_harmonic(values))
                how = f"2 × {e:.4f} of {spread(values):.4f}; the rest is out of round, or the surface"
                lines.append(
                    Line("From eccentricity" + (f", {end}" if len(around) > 1 else ""), how, f"{2 * e:.4f}")
                )
        return Result(
            key=key,
            label=label,
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=Working(tuple(lines), source_lines(window)),
            verdict=verdict(value, window),
        )

    def _eccentricity(
        self,
        around: Mapping[str, list[float]],
        gauges: Mapping[str, list[Gauge]],
        vectors: Mapping[str, complex],
    ) -> list[Result]:
        (end, v), *_ = vectors.items()
        rest = max(spread(around[end]) - 2 * abs(v), 0.0)
        u = _vector_u(gauges[end])
        return [
            self._told("high", f"Eccentricity, {_high(v, u)}", abs(v), u),
            self._told("rest", "Out of round, or the surface", rest, math.hypot(u, u)),
        ]

    def _sums(self, s: complex, d: complex, u: float) -> list[Result]:
        return [
            self._told("sum", f"Both ends together, {_high(s, u)}", abs(s), u),
            self._told("difference", f"Ends against each other, {_high(d, u)}", abs(d), u),
        ]

    @staticmethod
    def _told(key: str, label: str, v: float, u: float) -> Result:
        return Result(key=key, label=label, quantity="length", value=Normal(v, u), window=None, role="info")

    def _shape(self, ctx: Context, s: complex, d: complex, u: float) -> list[Check]:
        """What the vectors say of the rims: gape, pinch, twist, or neither."""
        floor = max(2 * SCATTER_PRIOR_MM, expanded(u))
        twisted = abs(d) > floor and abs(math.sin(cmath.phase(d))) > 0.7
        found = []
        if abs(s) > floor:
            toward = math.cos(cmath.phase(s)) * (1 if ctx.given["gauges"] == "outboard" else -1)
            if toward > 0.7:
                found.append("The rims gape opposite the pin.")
            elif toward < -0.7:
                found.append("The rims are pinched opposite the pin.")
            elif twisted:
                found.append("Neither squeeze nor spread mends what both ends have in common.")
            else:
                found.append("Neither squeeze, spread nor twist: nothing is advised.")
        if twisted:
            found.append("The rims are twisted about the pin.")
        return [Check("shape", "note", words) for words in found]

    def _circle(
        self,
        ctx: Context,
        around: Mapping[str, list[float]],
        gauges: Mapping[str, list[Gauge]],
        vectors: Mapping[str, complex],
    ) -> Circle:
        """What was read about the rim, grown so that the limit is seen, and the high spots."""
        say = speech(ctx)
        ends = ends_of(ctx)
        most = max(
            [SCATTER_PRIOR_MM, *(abs(v) for v in vectors.values()), *(spread(r) for r in around.values())]
        )
        rim = RIM_SHARE * most
        rays = tuple(
            _ray(f"{label}: {say.number(abs(vectors[end]))}", vectors[end], _vector_u(gauges[end]))
            for end, label in ends
        )
        traces = tuple(
            Trace(label, tuple((360 * k / len(r), rim + x - sum(r) / len(r)) for k, x in enumerate(r)), n > 0)
            for n, (end, label) in enumerate(ends)
            if (r := around[end])
        )
        zero = "crankpin" if len(ends) > 1 else "mark"
        return Circle("High spots", say.unit, rim + most, rays, zero, rim, traces)

    def tools(self, ctx: Context) -> Sequence[str]:
        bases = "two magnetic bases" if ctx.given["ends"] == "two" else "magnetic base"
        return (bases, "supports or centres", "soft hammer")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"crank"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset()
