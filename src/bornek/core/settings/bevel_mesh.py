"""Bevel gears: backlash and contact pattern, set by pinion and gear shims together.

The shape only: paint in, centroids and backlash out, two adjusters declared with their joint
response. The contact model and the joint move are not built yet; no move is proposed.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any, Literal

from bornek.core.errors import InputError
from bornek.core.readings import budget, spread
from bornek.core.scenes import Flank, Patch, Section
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.figures.bevel_in_mesh import draw_bevel_in_mesh
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, Slot
from bornek.core.settings.knobs import JointPacks, Knob, Packs, Response
from bornek.core.settings.records import Context, Paint
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Sum, Working

TEETH = 4
WHERE = "Shims move there, and what rests on it is read again."
SCATTER_PRIOR_MM = 0.004
PAINT_U = 0.04
FLANKS = ("drive", "coast")


def centroid(mask: Sequence[Sequence[float]]) -> tuple[float, float, float]:
    """Centre of painted contact and its share of the flank: x toe to heel, y root to tip, 0 to 1.

    Rows root to tip, columns toe to heel, each cell a share 0 to 1. Raises InputError on a mask
    with no paint or ragged rows.

    >>> centroid([[0, 1], [0, 1]])
    (0.75, 0.5, 0.5)
    """
    width = len(mask[0]) if mask else 0
    if width == 0 or any(len(row) != width for row in mask):
        raise InputError("The painted flank needs rows of one length.", field="mask")
    total = sum(sum(row) for row in mask)
    if total <= 0:
        raise InputError(
            "Nothing is painted on the flank.", field="mask", next_step="Paint the contact first."
        )
    x = sum(v * (j + 0.5) / width for row in mask for j, v in enumerate(row)) / total
    y = sum(v * (i + 0.5) / len(mask) for i, row in enumerate(mask) for v in row) / total
    return x, y, total / (width * len(mask))


@register
class BevelMesh(Setting):
    id = "bevel_mesh"
    title = "Bevel gears: backlash and contact pattern"
    plain = "A bevel pinion and ring gear: backlash and contact"
    from_drawer = True
    cautions = (
        "Fingers and gears turned by hand: one person turns, and says so first.",
        "Brake the gear with a cloth or a block, never with the hand between teeth.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("least", "Least backlash", "length", lo=0, hi=5),
                Field("greatest", "Greatest backlash", "length", lo=0, hi=5),
                Field(
                    key="variation",
                    label="Greatest variation around",
                    quantity="length",
                    default=0.05,
                    lo=0,
                    hi=1,
                ),
                Field(
                    "pinion_sense",
                    "Adding pinion shims",
                    "choice",
                    options=(("out", "moves the pinion out"), ("in", "moves the pinion in")),
                ),
                Field("pinion_place", "Pinion shims lie at", "place", required=False, why=WHERE),
                Field("left_place", "Left carrier shims lie at", "place", required=False, why=WHERE),
                Field("right_place", "Right carrier shims lie at", "place", required=False, why=WHERE),
                Field("carrier_total", "Carrier shims, both sides together", "length", lo=0.1, hi=20),
                Field("pinion_angle", "Pinion pitch angle", "angle", lo=5, hi=85),
                Field(
                    key="pressure_angle", label="Pressure angle", quantity="angle", default=20.0, lo=10, hi=30
                ),
                Field(key="spiral_angle", label="Spiral angle", quantity="angle", default=0.0, lo=0, hi=50),
            ]
        )

    def thing(self) -> Section:
        return draw_bevel_in_mesh()

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        lash = [
            Slot(
                key=f"lash.{n}",
                label=f"Backlash, tooth {n}",
                group="Backlash",
                axes={"tooth": n},
                quantity="length",
                nature="travel",
                posture="Pinion held. Rock the gear; read at the outer pitch circle, square to the tooth.",
                plausible=(0.0, 3.0),
                peers="lash",
            )
            for n in range(1, TEETH + 1)
        ]
        paint = [
            Slot(
                key=f"paint.{f}",
                label=f"Contact, {f} side",
                group="Contact",
                axes={"flank": f},
                quantity="count",
                nature="paint",
                accepts="paint",
                posture="Mark 6 to 8 teeth, brake the gear, three passes in the loaded direction. Paint what you see.",
            )
            for f in FLANKS
        ]
        return (*lash, *paint)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        checks = list[Check]()
        results = [*self._lash(ctx, sifted), *self._pattern(sifted)]
        if not results:
            return Outcome((), tuple(checks), NOT_READ)
        found = {r.key: r for r in results}
        if "variation" in found and found["variation"].verdict.code == "out_high":
            checks.append(
                Check(
                    "variation",
                    "stop",
                    "The backlash varies around the gear by more than is allowed: look for its runout, "
                    "find the high spot, and do not set it before that is mended.",
                    "stop",
                )
            )
        overall = worst([r.verdict for r in results if r.role == "target"])
        rows = self.response(ctx).rows
        observed = {r.key: r.value for r in results if r.value is not None and r.key in rows}
        return Outcome(tuple(results), tuple(checks), overall, scenes=self._flanks(sifted), observed=observed)

    def floor(self, ctx: Context) -> float:
        """Below no backlash the teeth bind."""
        return 0.0

    def _lash(self, ctx: Context, sifted: Sifted) -> list[Result]:
        values = sifted.numbers(self.slots(ctx)[:TEETH]).get("Backlash", [])
        if not values:
            return []
        window = given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], self.floor(ctx))
        total = Sum()
        total.mean(f"Mean of {len(values)}", values)
        total.line("Tightest tooth", "the least of them", min(values))
        gauges = sifted.gauges(self.slots(ctx)[:TEETH], ctx)
        parts = budget({str(i): [v] for i, v in enumerate(values)}, gauges, "travel", SCATTER_PRIOR_MM)
        value = Normal(parts.mean, parts.u)
        one = replace(parts, scatter=SCATTER_PRIOR_MM, n=1)
        tight = Normal(min(values), one.u)
        below, worse = replace(window, hi=None), value.v - tight.v
        fits = window.low + worse < window.high
        found = Result(
            key="backlash",
            label="Backlash",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=total.working(*source_lines(window)),
            verdict=verdict(value, window),
            aim=None,
            steer=replace(window, lo=window.low + worse) if fits else None,
            readings=tuple(values),
        )
        tightest = Result(
            key="tightest",
            label="Backlash at the tightest tooth",
            quantity="length",
            value=tight,
            window=below,
            role="target",
            verdict=verdict(tight, below),
            strip=False,
        )
        around = Normal(spread(values), math.hypot(one.resolution, one.scatter) * math.sqrt(2))
        limit = Window(None, ctx.given["variation"], window.source)
        varies = Result(
            key="variation",
            label="Variation around",
            quantity="length",
            value=around,
            window=limit,
            role="target" if len(values) > 1 else "info",
            strip=False,
            verdict=verdict(around, limit),
        )
        return [found, tightest, varies]

    def _pattern(self, sifted: Sifted) -> list[Result]:
        results = []
        for flank in FLANKS:
            entry = sifted.counted.get(f"paint.{flank}")
            if entry is None or not isinstance(entry.raw, Paint):
                continue
            x, y, share = centroid(entry.raw.mask)
            line = Line(
                "Centre of paint",
                f"{share:.2f} of the flank",
                f"{x:.2f} toe to heel, {y:.2f} root to tip",
                True,
            )
            for key, label, v in (("x", "toe to heel", x), ("y", "root to tip", y)):
                results.append(
                    Result(
                        key=f"{key}_{flank}",
                        label=f"Pattern {flank}, {label}",
                        quantity="number",
                        value=Normal(v, PAINT_U),
                        window=None,
                        role="info",
                        working=Working((line,)),
                    )
                )
        return results

    def _flanks(self, sifted: Sifted) -> tuple[Flank, ...]:
        found = []
        for flank in FLANKS:
            entry = sifted.counted.get(f"paint.{flank}")
            if entry is not None and isinstance(entry.raw, Paint):
                x, y, _ = centroid(entry.raw.mask)
                cells = tuple(
                    ((j + 0.5) / len(row), (i + 0.5) / len(entry.raw.mask))
                    for i, row in enumerate(entry.raw.mask)
                    for j, v in enumerate(row)
                    if v >= 0.5
                )
                found.append(Flank(f"{flank.capitalize()} side", flank, (Patch("painted", cells, (x, y)),)))  # type: ignore[arg-type]
        return tuple(found)

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        total_nm = round(ctx.given["carrier_total"] * 1e6)
        sense: Literal[1, -1] = 1 if ctx.given["pinion_sense"] == "out" else -1
        return (
            Knob(
                key="pinion",
                label="Pinion shims",
                place=str(ctx.given.get("pinion_place", "")),
                unit="mm",
                domain=Packs(),
                sense=sense,
                title="Shims behind the pinion",
            ),
            Knob(
                key="carrier",
                label="Carrier shims, side to side",
                place=str(ctx.given.get("left_place", "")),
                unit="mm",
                domain=JointPacks(
                    (str(ctx.given.get("left_place", "left")), str(ctx.given.get("right_place", "right"))),
                    total_nm,
                ),
                title="Shims at the carrier bearings",
            ),
        )

    def response(self, ctx: Context) -> Response:
        """Backlash 2 tan α (sin γ dP + sin Γ dG)/cos ψ; pattern slopes wide and free to be learned."""
        alpha, gamma, psi = (
            math.radians(ctx.given[k]) for k in ("pressure_angle", "pinion_angle", "spiral_angle")
        )
        lash = 2 * math.tan(alpha) / math.cos(psi)
        rows = ("backlash", "x_drive", "y_drive")
        k0 = ((lash * math.sin(gamma), lash * math.cos(gamma)), (0.3, 0.6), (1.5, -0.8))
        return Response(
            rows=rows,
            knobs=("pinion", "carrier"),
            k0=k0,
            rho=((0.2, 0.2), (0.4, 0.4), (0.35, 0.35)),
            s_a=(0.006, 0.02, 0.02),
            s_r=(0.002, 0.04, 0.04),
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "marking compound", "depth micrometer")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pinion", "carrier", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pinion", "carrier", "axial"})
