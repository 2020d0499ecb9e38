"""Spur and helical pairs: backlash by indicator or by a wire squeezed in both flanks, and what the centre distance does.

The lash around tells the gear's runout; shims under a bearing block bring the axes together or apart.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.mesh.spur import lash_by_centre_mm, squeezed_lash_mm
from bornek.core.scenes import Scene, Section
from bornek.core.settings.common import given_window, unread
from bornek.core.settings.figures.pair_of_gears import draw_pair_of_gears
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, speech
from bornek.core.settings.knobs import Knob, Packs, Response
from bornek.core.settings.lash_around import LEAST_SPREAD_MM, around_wheel, lash_results, lash_slot
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.spur_around import by_centre, runout, scatter_of, table_of
from bornek.core.settings.spur_form import INDICATOR, SHIMS, WIRE, across_of, form_of, per_reading
from bornek.core.windows import NOT_READ, Normal, Window, worst

KNOB = "blocks"
FLANKS = (("loaded", "loaded flank"), ("other", "other flank"))


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
        return form_of(given)

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
        apart = by_centre(ctx)
        picture = draw_pair_of_gears(ctx.given["method"] == WIRE)
        if not read:
            empty = unread("backlash", "Backlash", window)
            return Outcome((empty, *apart), (), NOT_READ, scenes=(picture,))
        per, say = per_reading(ctx.given), speech(ctx)
        gauges = [ctx.find_gauge(e) for e in sift(slots, ctx.now()).counted.values()][: len(read)]
        results = lash_results(
            list(read.values()), gauges, (window, None), ctx.given["variation"], per, scatter_of(ctx)
        )
        whole = len(read) == places
        results += [*(runout(ctx, read) if whole else []), *apart]
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
            scenes=(circle, table_of(results, say) if whole else picture),
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
        across = 1.0 if ctx.given["method"] == WIRE else across_of(ctx.given)
        k = lash_by_centre_mm(1.0, pressure, helix) * per_reading(ctx.given) / across
        return Response(
            rows=("backlash",),
            knobs=(KNOB,),
            k0=((k if ctx.given["sense"] != "together" else -k,),),
            rho=((0.1,),),
            s_a=(0.006,),
            s_r=(scatter_of(ctx),),
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


def _fixed_words(mean: str, overall: str) -> str:
    """What is left to do where the case fixes the centre distance; empty where the number is not clear."""
    if overall == "in":
        return "In all round: leave it and sign it."
    if mean == "out_high":
        return "More than the limit, and the case fixes the centres: look at the wear of teeth and bearings, and at the bores."
    if mean == "out_low":
        return "Less than the limit, and the case fixes the centres: is it the pair that belongs here? Look at its marks."
    return ""
