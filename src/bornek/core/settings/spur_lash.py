"""Spur and helical pairs: backlash by indicator or by a wire squeezed in both flanks, and what the centre distance does.

The lash around tells the gear's runout; shims under a bearing block bring the axes together or apart.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.around import first_harmonic
from bornek.core.draw import value_label
from bornek.core.errors import RangeError
from bornek.core.mesh.lash import normal_lash, transverse_lash
from bornek.core.mesh.spur import (
    centre_mm,
    lash_by_centre_mm,
    runout_of_lash_mm,
    squeezed_lash_mm,
    transverse_pressure_deg,
)
from bornek.core.quantities import Speech
from bornek.core.readings import resolution_u
from bornek.core.scenes import Scene, Section, Table
from bornek.core.settings.common import given_window, unread, whole_form
from bornek.core.settings.figures.pair_of_gears import draw_pair_of_gears
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, speech
from bornek.core.settings.knobs import Knob, Packs, Response
from bornek.core.settings.lash_around import (
    LEAST_SPREAD_MM,
    SCATTER_PRIOR_MM,
    around_wheel,
    lash_results,
    lash_slot,
)
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.windows import NOT_READ, Normal, Window, worst
from bornek.core.working import Line, Working

KNOB = "blocks"
INDICATOR, WIRE, SHIMS = "indicator", "wire", "shims"
LEAST_PLACES, MOST_PLACES = 4, 12
FLANKS = (("loaded", "loaded flank"), ("other", "other flank"))
WIRE_SCATTER_MM = 0.008
"""A wire is squeezed a little otherwise each time."""
BEYOND = 1.1


@register
class SpurLash(Setting):
    id = "spur_lash"
    stage = "mesh"
    layout = "side_by_side"
    title = "Spur or helical gears: backlash"
    plain = "A pair of spur or helical gears: backlash"
    from_drawer = True
    from_unit: ClassVar[Mapping[str, str]] = {"z1": "driver_teeth", "z2": "driven_teeth"}
    cautions = (
        "Turn it by hand only; the wire is laid in and taken out with the gears at rest.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form([*_limits(given), *_gears(), *_centre(given)], aim=False)

    def thing(self) -> Section:
        return draw_pair_of_gears()

    def floor(self, ctx: Context) -> float:
        """Below no backlash the teeth bind."""
        return 0.0

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], 0.0)

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        places = int(ctx.given["places"])
        if ctx.given["method"] == INDICATOR:
            posture = "Hold the pinion. Indicator square to a tooth of the gear; rock it and type the travel."
            return tuple(lash_slot(n, places, posture) for n in range(1, places + 1))
        return tuple(
            Slot(
                key=f"wire.{n}.{flank}",
                label=f"Wire, place {n}, {words}",
                group=f"Place {n}",
                axes={"place": n, "flank": flank},
                quantity="length",
                nature="size",
                needs="outside",
                posture="Lay soft wire along the tooth and turn the mesh over it, slowly. Type its thickness where this "
                f"flank squeezed it{'.' if n == 1 else f', {360 / places:.0f}° on from the last.'}",
                plausible=(0.005, 3.0),
            )
            for n in range(1, places + 1)
            for flank, words in FLANKS
        )

    def _read(self, ctx: Context, slots: Sequence[Slot]) -> dict[int, float]:
        """By place: what was read, or across the tooth what a wire says, before the limit's own meaning [mm]."""
        counted = {k: v for k, e in sift(slots, ctx.now()).counted.items() if (v := e.number) is not None}
        if ctx.given["method"] == INDICATOR:
            return {int(k.split(".")[1]): v for k, v in counted.items()}
        pressure, helix = float(ctx.given["pressure_angle"]), float(ctx.given["helix"])
        found = {}
        for n in range(1, int(ctx.given["places"]) + 1):
            both = [counted.get(f"wire.{n}.{flank}") for flank, _ in FLANKS]
            if both[0] is not None and both[1] is not None:
                found[n] = squeezed_lash_mm(both[0], both[1], pressure, helix)
        return found

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window = self.slots(ctx), self.window(ctx)
        read, places = self._read(ctx, slots), int(ctx.given["places"])
        by_centre = _by_centre(ctx)
        picture = draw_pair_of_gears(ctx.given["method"] == WIRE)
        if not read:
            empty = unread("backlash", "Backlash", window)
            return Outcome((empty, *by_centre), (), NOT_READ, scenes=(picture,))
        per, say = _per(ctx.given), speech(ctx)
        gauges = [ctx.find_gauge(e) for e in sift(slots, ctx.now()).counted.values()][: len(read)]
        results = lash_results(
            list(read.values()), gauges, (window, None), ctx.given["variation"], per, _scatter(ctx)
        )
        whole = len(read) == places
        results += [*(_runout(ctx, read) if whole else []), *by_centre]
        overall = worst([r.verdict for r in results if r.role == "target"])
        circle: Scene = around_wheel(
            {n: v * per for n, v in read.items()}, places, say.number, say.unit, LEAST_SPREAD_MM
        )
        observed = {"backlash": results[0].value} if results[0].value is not None else {}
        return Outcome(
            results=tuple(results),
            checks=tuple(self._checks(ctx, results)),
            verdict=overall if whole else NOT_READ,
            instruct=_fixed_words(results[0].verdict.code, overall.code)
            if ctx.given["adjust"] != SHIMS
            else "",
            scenes=(circle, _besides(results, say) if whole else picture),
            observed=observed,
        )

    def _checks(self, ctx: Context, results: Sequence[Result]) -> list[Check]:
        """Where the mean is right and the tightest is not, the gear runs out: no centre distance mends that."""
        by = {r.key: r for r in results}
        varies = by["variation"].verdict.code == "out_high"
        if not varies:
            return []
        runout = by.get("runout")
        size = (
            f" by about {speech(ctx).number(runout.value.v)} {speech(ctx).unit}"
            if runout is not None and isinstance(runout.value, Normal)
            else ""
        )
        words = (
            f"The gear runs out{size}: look at its seat and read its runout. No centre distance mends that."
        )
        return [Check("runs_out", "warn", words)]

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        if ctx.given["adjust"] != SHIMS:
            return ()
        return (
            Knob(
                key=KNOB,
                label="Shims under the bearing blocks",
                place="",
                unit="mm",
                domain=Packs(),
                sense=-1 if ctx.given["sense"] == "together" else 1,
                title="Bearing blocks",
            ),
        )

    def response(self, ctx: Context) -> Response | None:
        """2·tan α_t for each mm of centre distance, as the limit means backlash."""
        if ctx.given["adjust"] != SHIMS:
            return None
        pressure, helix = float(ctx.given["pressure_angle"]), float(ctx.given["helix"])
        across = 1.0 if ctx.given["method"] == WIRE else _across(ctx.given)
        k = lash_by_centre_mm(1.0, pressure, helix) * _per(ctx.given) / across
        return Response(
            rows=("backlash",),
            knobs=(KNOB,),
            k0=((k if ctx.given["sense"] != "together" else -k,),),
            rho=((0.1,),),
            s_a=(0.006,),
            s_r=(_scatter(ctx),),
            repeats=int(ctx.given["places"]),
            harm=("low",),
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack", "axial", "centre"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack", "centre"})

    def brief(self, ctx: Context) -> Sequence[str]:
        how = "by wire in both flanks" if ctx.given["method"] == WIRE else "by indicator"
        return (f"{ctx.given['z1']}/{ctx.given['z2']}, {how}",)

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("soft wire", "micrometer") if ctx.given["method"] == WIRE else ("magnetic base",)

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The blocks were not tight, or went back askew."),
            SlipHint("The pinion turned while the gear was rocked."),
            SlipHint("Another tooth than before: mark it."),
        ]


def _besides(results: Sequence[Result], say: Speech) -> Table:
    """What else the readings around tell, each with its limit and verdict."""
    rows = [
        (
            r.label,
            value_label(r.value, say),
            r.window.words(say) if r.window is not None else "",
            r.verdict.words if r.window is not None else "",
        )
        for r in results[1:]
    ]
    return Table("Around the gear", ("", "Found", "Limit", ""), tuple(rows))


def _fixed_words(mean: str, overall: str) -> str:
    """What is left to do where the case fixes the centre distance; empty where the number is not clear."""
    if overall == "in":
        return "In all round: leave it and sign it."
    if mean == "out_high":
        return "More than the limit, and the case fixes the centres: look at the wear of teeth and bearings, and at the bores."
    if mean == "out_low":
        return "Less than the limit, and the case fixes the centres: is it the pair that belongs here? Look at its marks."
    return ""


def _scatter(ctx: Context) -> float:
    return SCATTER_PRIOR_MM if ctx.given["method"] == INDICATOR else WIRE_SCATTER_MM


def _limits(given: Mapping[str, Any]) -> list[Field]:
    by_indicator = given.get("method", INDICATOR) == INDICATOR
    meant = [("transverse", "across the tooth at the pitch circle"), ("normal", "square to the tooth face")]
    if by_indicator:
        meant.insert(0, ("as_read", "as read in the same set-up"))
    return [
        Field("method", "It is read", "choice", default=INDICATOR,
              options=((INDICATOR, "by an indicator on a tooth"), (WIRE, "by a soft wire squeezed in both flanks"))),
        Field("least", "Least backlash", "length", lo=0, hi=5),
        Field("greatest", "Greatest backlash", "length", lo=0, hi=5),
        Field("meant", "The limit means backlash", "choice", default=meant[0][0], options=tuple(meant),
              why="Asked, never guessed."),
        *([Field("indicator_radius", "The indicator stands at radius", "length", required=given.get("meant", "as_read") != "as_read",
                 lo=1, hi=5000)] if by_indicator else []),
        Field(key="variation", label="Greatest variation around", quantity="length", default=0.05, lo=0, hi=1),
        Field(key="places", label="Places around the gear", quantity="count", default=LEAST_PLACES, lo=LEAST_PLACES,
              hi=MOST_PLACES),
    ]  # fmt: skip


def _gears() -> list[Field]:
    return [
        Field("z1", "Teeth of the pinion", "count", lo=5, hi=400),
        Field("z2", "Teeth of the gear", "count", lo=5, hi=500),
        Field("module", "Module, square to the tooth", "length", lo=0.2, hi=60),
        Field(key="helix", label="Helix angle", quantity="angle", default=0.0, lo=0, hi=45),
        Field(key="pressure_angle", label="Pressure angle, square to the tooth", quantity="angle", default=20.0, lo=14, hi=30),
    ]  # fmt: skip


def _centre(given: Mapping[str, Any]) -> list[Field]:
    shims = given.get("adjust", "none") == SHIMS
    return [
        Field("centre", "Centre distance, as measured", "length", required=False, lo=1, hi=10_000,
              why="What it differs from the gears' own is backlash."),
        Field("adjust", "The centre distance", "choice", default="none",
              options=(("none", "is fixed by the case"), (SHIMS, "is set by shims under bearing blocks"))),
        *([Field("sense", "Adding shims brings the axes", "choice", options=(("apart", "apart"), ("together", "together")))]
          if shims else []),
    ]  # fmt: skip


def _across(given: Mapping[str, Any]) -> float:
    """Transverse backlash at the gear's pitch circle for each mm that an indicator reads."""
    radius = given.get("indicator_radius")
    if radius is None:
        return 1.0
    helix = math.radians(float(given["helix"]))
    pitch = float(given["module"]) * int(given["z2"]) / (2 * math.cos(helix))
    if float(radius) > BEYOND * pitch:
        raise RangeError(
            f"The indicator stands at {float(radius):g} mm, beyond the teeth: their pitch circle is at {pitch:.1f} mm.",
            field="indicator_radius",
            next_step="Measure from the gear's axis, not across it.",
        )
    return transverse_lash(1.0, pitch / float(radius), 0.0, helix)


def _per(given: Mapping[str, Any]) -> float:
    """What the limit's backlash is for each mm read; a wire's reading is across the tooth already."""
    if given["meant"] == "as_read":
        return 1.0
    across = 1.0 if given["method"] == WIRE else _across(given)
    if given["meant"] == "transverse":
        return across
    return normal_lash(
        across, math.radians(float(given["helix"])), math.radians(float(given["pressure_angle"]))
    )


def _by_centre(ctx: Context) -> list[Result]:
    """What the measured centre distance makes of backlash, against the gears' own."""
    if ctx.given.get("centre") is None:
        return []
    z1, z2, helix = int(ctx.given["z1"]), int(ctx.given["z2"]), float(ctx.given["helix"])
    module, pressure = float(ctx.given["module"]), float(ctx.given["pressure_angle"])
    own, say = centre_mm(z1, z2, module, helix), speech(ctx)
    apart = float(ctx.given["centre"]) - own
    lash = lash_by_centre_mm(apart, pressure, helix)
    lines = (
        Line("The gears' own centre distance", f"{module:g} × ({z1} + {z2}) ÷ (2 × cos {helix:g}°)", f"{own:.3f} mm"),
        Line("It stands apart by", f"{float(ctx.given['centre']):.3f} − {own:.3f}", say.number(apart)),
        Line("That is backlash", f"2 × tan {transverse_pressure_deg(pressure, helix):.2f}° × {say.number(apart)}",
             say.number(lash), True),
    )  # fmt: skip
    u = resolution_u(ctx.find_gauge(), "size")
    return [
        Result(
            key="by_centre",
            label="Backlash that the centre distance gives",
            quantity="length",
            value=Normal(lash, lash_by_centre_mm(u, pressure, helix)),
            role="info",
            strip=False,
            working=Working(lines),
        )
    ]


def _runout(ctx: Context, read: Mapping[int, float]) -> list[Result]:
    """The gear's runout as the lash around has it: its first harmonic, as the axes would have to move."""
    pressure, helix = float(ctx.given["pressure_angle"]), float(ctx.given["helix"])
    across = 1.0 if ctx.given["method"] == WIRE else _across(ctx.given)
    swing = abs(first_harmonic([v * across for _, v in sorted(read.items())], LEAST_PLACES))
    value = runout_of_lash_mm(swing, pressure, helix)
    u = runout_of_lash_mm(_scatter(ctx) * math.sqrt(2 / len(read)), pressure, helix)
    angle = transverse_pressure_deg(pressure, helix)
    say = speech(ctx)
    line = Line(
        "Runout by the lash around",
        f"2 × {say.number(swing)} ÷ (2 × tan {angle:.2f}°)",
        say.number(value),
        True,
    )
    return [
        Result(
            key="runout",
            label="Runout of the gear, by its lash",
            quantity="length",
            value=Normal(value, u),
            role="info",
            strip=False,
            working=Working((line,)),
        )
    ]
