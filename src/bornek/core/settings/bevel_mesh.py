"""Bevel gears: backlash and contact set together, by pinion and gear shims in one teardown.

The contact is reckoned ahead where the geometry is known; what is painted always has the last word.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any, ClassVar, Literal

from bornek.core.mesh.bevel_set import SIDES, BevelSet, Side
from bornek.core.mesh.contact import Shift
from bornek.core.mesh.lash import lash_slopes
from bornek.core.mesh.load import Support, contact_under_load
from bornek.core.mesh.pattern_words import one_third
from bornek.core.mesh.slopes import slopes
from bornek.core.quantities import Speech
from bornek.core.scenes import Flank, Scene, Section
from bornek.core.settings.bevel_checks import first_pack_result, pair_checks
from bornek.core.settings.bevel_form import form_of, model_side, set_of, why_no_set
from bornek.core.settings.bevel_lash import per_reading
from bornek.core.settings.bevel_limits import (
    Force,
    in_force,
    pattern_windows,
    witness_of,
)
from bornek.core.settings.bevel_model import model_of, painted_on, stands_at, total_nm
from bornek.core.settings.bevel_picture import bare_flank, centroid, expected_ring, painted_patch, ring
from bornek.core.settings.bevel_stations import FREE, stations, turning_words
from bornek.core.settings.common import unread
from bornek.core.settings.figures.bevel_in_mesh import draw_bevel_in_mesh
from bornek.core.settings.kind import Field, Guide, Outcome, Result, Setting, Slot, first_open, speech
from bornek.core.settings.knobs import JointPacks, Knob, Packs, Response
from bornek.core.settings.lash_around import LEAST_SPREAD_MM, around_wheel, lash_results
from bornek.core.settings.records import Choice, Context, Predicted
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.settings.state import State
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, verdict, worst
from bornek.core.working import Line, Working

PAINT_SD, TEETH_MARKED = 0.04, 6
PAINT_U = PAINT_SD / math.sqrt(TEETH_MARKED)
"""A centre is off by so much on one tooth, and is looked for on six."""
ROWS = ("backlash", "x_drive", "y_drive")
UNKNOWN_X, UNKNOWN_Y = (0.3, 0.6), (1.5, -0.8)
"""Pattern per mm out of pinion and gear where no geometry is known: a straight pair's, wide."""
FAINT_X, WIDE_X = 0.25, 1.2
"""A spiral pair's lengthwise answer: at least this much per mm, and its sign left open."""


@register
class BevelMesh(Setting):
    id = "bevel_mesh"
    version = 2
    stage = "mesh"
    layout = "mesh"
    sees_witness = True
    what_if = True
    title = "Bevel gears: backlash and contact pattern"
    plain = "A bevel pinion and ring gear: backlash and contact"
    from_drawer = True
    from_unit: ClassVar[Mapping[str, str]] = {
        "z1": "pinion_teeth", "z2": "gear_teeth", "offset": "offset", "driver": "driving", "forward": "pinion_turns",
    }  # fmt: skip
    cautions = (
        "Fingers and gears turned by hand: one person turns, and says so first.",
        "Brake the gear with a cloth or a block, never with the hand between teeth.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def thing(self) -> Section:
        return draw_bevel_in_mesh()

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        return stations(ctx, set_of(ctx.given))

    def guide(self, ctx: Context) -> Guide:
        """A pair that binds when it is first turned is drawn out before anything is read."""
        slots = self.slots(ctx)
        turned = next((e.raw for e in reversed(ctx.now()) if e.slot == "turn"), None)
        if isinstance(turned, Choice) and turned.option != FREE:
            return Guide(slots, None, {}, "It binds: stop. Draw the pinion out, then turn it again.", "turn")
        owed = first_open(slots, ctx.now())
        barred = {s.key: "First: turned by hand." for s in slots if owed == "turn" and s.key != "turn"}
        return Guide(slots, owed, barred)

    def evaluate(self, ctx: Context) -> Outcome:
        slots = self.slots(ctx)
        sifted = sift(slots, ctx.now())
        values = sifted.numbers([s for s in slots if s.peers == "lash"]).get("Backlash", [])
        force = self._force(ctx)
        results = [
            *self._lash(ctx, slots, sifted, values, force),
            *self._pattern(sifted, force),
            *first_pack_result(ctx),
        ]
        overall = worst([r.verdict for r in results if r.role == "target"])
        missing = any(r.value is None for r in results if r.role == "target")
        observed = {r.key: r.value for r in results if r.value is not None and r.key in ROWS}
        return Outcome(
            results=tuple(results),
            checks=tuple(pair_checks(ctx, sifted, results, force)),
            verdict=NOT_READ if missing and not overall.code.startswith("out") else overall,
            instruct=why_no_set(ctx.given) if ctx.given.get("offset") and not missing else "",
            scenes=self._scenes(ctx, sifted),
            observed=observed,
        )

    def floor(self, ctx: Context) -> float:
        """Below no backlash the teeth bind."""
        return 0.0

    def _lash(
        self, ctx: Context, slots: Sequence[Slot], sifted: Sifted, values: Sequence[float], force: Force
    ) -> list[Result]:
        if not values:
            return [unread("backlash", "Backlash", force.lash, other=force.other)]
        gauges = sifted.gauges([s for s in slots if s.peers == "lash"], ctx)
        windows, per = (force.lash, force.other), per_reading(ctx.given, set_of(ctx.given))
        return lash_results(values, gauges, windows, ctx.given["variation"], per)

    def _pattern(self, sifted: Sifted, force: Force) -> list[Result]:
        results = []
        windows = pattern_windows(force)
        for flank in SIDES:
            paint = painted_on(sifted, flank)
            ways = (("x", "toe to heel"), ("y", "root to tip"))
            if paint is None:
                if flank == "drive":
                    results += [
                        unread(f"{k}_drive", _pattern_label("drive", way), w, "share", strip=False)
                        for (k, way), w in zip(ways, windows, strict=True)
                    ]
                continue
            x, y, share = centroid(paint.mask)
            line = Line(
                "Centre of paint",
                f"{100 * share:.0f} % of the flank painted",
                f"{100 * x:.0f} % toe to heel, {100 * y:.0f} % root to tip",
                True,
            )
            for (key, way), at, window in zip(ways, (x, y), windows, strict=True):
                value = Normal(at, PAINT_U)
                loaded = flank == "drive"
                results.append(
                    Result(
                        key=f"{key}_{flank}",
                        label=_pattern_label(flank, way),
                        quantity="share",
                        value=value,
                        window=window if loaded else None,
                        role="target" if loaded else "info",
                        strip=False,
                        working=Working((line,), (window.source,) if loaded else ()),
                        verdict=verdict(value, window) if loaded else NOT_READ,
                    )
                )
        return results

    def _scenes(self, ctx: Context, sifted: Sifted) -> tuple[Scene, ...]:
        scenes: list[Scene] = [self._flank(ctx, sifted, flank) for flank in SIDES]
        teeth, counted = int(ctx.given["teeth"]), sifted.counted
        read = {
            n: v
            for n in range(1, teeth + 1)
            if (e := counted.get(f"lash.{n}")) and (v := e.number) is not None
        }
        if read:
            say, per = speech(ctx), per_reading(ctx.given, set_of(ctx.given))
            found = {n: v * per for n, v in read.items()}
            scenes.append(around_wheel(found, teeth, say.number, say.unit, LEAST_SPREAD_MM))
        return tuple(scenes)

    def _flank(self, ctx: Context, sifted: Sifted, flank: Side) -> Flank:
        s = model_of(ctx)
        scene = bare_flank(
            f"{flank.capitalize()} side", flank, s, model_side(s, ctx.given, flank) if s else flank
        )
        witness, paint = witness_of(ctx, flank), painted_on(sifted, flank)
        patches = [painted_patch("wanted", witness)] if witness is not None else []
        words = "not painted yet"
        if paint is not None:
            patches.append(painted_patch("painted", paint))
            x, y, _ = centroid(paint.mask)
            words = f"{round(100 * y)} % up the tooth, {one_third(x)}"
        return replace(scene, patches=tuple(patches), words=words)

    def after_move(
        self, ctx: Context, scene: Scene, predicted: Mapping[str, Predicted], by: Mapping[str, float]
    ) -> Scene:
        """The flank with the ring where contact is expected; nothing where the model has nothing to say."""
        s = model_of(ctx)
        if not isinstance(scene, Flank) or s is None or _open_sense(ctx):
            return scene
        painted = {p.role: p.centre for p in scene.patches}.get("painted")
        centre = None
        if scene.side == "drive" and {"x_drive", "y_drive"} <= set(predicted):
            centre = (predicted["x_drive"].v, predicted["y_drive"].v)
        side = model_side(s, ctx.given, scene.side)
        after = expected_ring(s, side, stands_at(ctx, s), self.out(ctx, by), centre, painted)
        if after is None or after.centre is None:
            return scene
        words = scene.words if painted is None else f"{round(100 * painted[1])} % up"
        return replace(
            scene,
            patches=(*scene.patches, after),
            words=f"{words}, after the move {round(100 * after.centre[1])} %",
        )

    def under_load(self, ctx: Context, scene: Scene, by: Mapping[str, float]) -> Scene | None:
        """The flank at the torque that the gear works at: a model, on guessed stiffness."""
        s, torque = model_of(ctx), ctx.given.get("torque")
        if not isinstance(scene, Flank) or s is None or torque is None or _open_sense(ctx):
            return None
        stands, moved = stands_at(ctx, s), self.out(ctx, by)
        at = Shift(stands.pinion + moved[0], stands.gear + moved[1])
        support = Support(play_mm=float(ctx.given["pinion_play"]))
        side = model_side(s, ctx.given, scene.side)
        found = contact_under_load(s, side, float(torque), support, at).contact
        after = ring(found)
        return replace(
            scene,
            label=f"{scene.side.capitalize()}, {torque:g} N·m",
            patches=(after,) if after is not None else (),
            words=f"{round(100 * found.share)} % of what can touch",
            model=True,
        )

    @staticmethod
    def out(ctx: Context, by: Mapping[str, float]) -> tuple[float, float]:
        """How far pinion and gear go out when the packs change by so much [mm]."""
        pinion, left = (_sign(ctx.given[k]) for k in ("pinion_sense", "left_sense"))
        return pinion * by.get("pinion", 0.0), left * by.get("carrier", 0.0)

    def because(self, ctx: Context, outcome: Outcome) -> str:
        force, lash = self._force(ctx), outcome.result("backlash")
        if force.other is None:
            return ""
        judged = (
            f": {verdict(lash.value, force.other).words}"
            if lash is not None and lash.value is not None
            else ""
        )
        return f"{force.why}. That would say {force.other.words(speech(ctx))}{judged}."

    def brief(self, ctx: Context) -> Sequence[str]:
        turning = turning_words(ctx.given, set_of(ctx.given), "drive")
        return [self._force(ctx).why, f"for the drive side turn {turning}"]

    @staticmethod
    def _force(ctx: Context) -> Force:
        witness = witness_of(ctx, "drive")
        return in_force(ctx, centroid(witness.mask)[:2] if witness else None)

    def expects(self, predicted: Mapping[str, Predicted], say: Speech) -> str:
        return expect_words(predicted, say)

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        places = tuple(
            str(ctx.given.get(k, "")) or k.removesuffix("_place") for k in ("left_place", "right_place")
        )
        return (
            Knob(
                key="pinion",
                label="Pinion shims",
                place=str(ctx.given.get("pinion_place", "")),
                unit="mm",
                domain=Packs(),
                sense=_known_sense(ctx.given["pinion_sense"]),
                title="Pinion",
            ),
            Knob(
                key="carrier",
                label="Side shims",
                place=str(ctx.given.get("left_place", "")),
                unit="mm",
                domain=JointPacks((places[0], places[1]), round(ctx.given["carrier_total"] * 1e6)),
                sense=_known_sense(ctx.given["left_sense"]),
                title="Gear",
            ),
        )

    def response(self, ctx: Context) -> Response | None:
        """By the model where the geometry is known; else 2 tan α (sin γ dP + sin Γ dG)/cos ψ and wide patterns.

        A hypoid pair has none.
        """
        if ctx.given.get("offset"):
            return None
        sign = (_sign(ctx.given["pinion_sense"]), _sign(ctx.given["left_sense"]))
        lash, x, y = self._per_mm_out(ctx)
        spiral = float(ctx.given["spiral_angle"]) > 0
        if spiral:
            x = tuple(math.copysign(max(abs(k), FAINT_X), k) for k in x)  # type: ignore[assignment]
        wide = WIDE_X if spiral else 0.4
        return Response(
            rows=ROWS,
            knobs=("pinion", "carrier"),
            k0=tuple((k[0] * sign[0], k[1] * sign[1]) for k in (lash, x, y)),
            rho=((0.2, 0.15), (wide, wide), (0.35, 0.35)),
            s_a=(0.006, 0.02, 0.02),
            s_r=(0.004, PAINT_SD, PAINT_SD),
            repeats=TEETH_MARKED,
            harm=("low", "", ""),
        )

    def _per_mm_out(
        self, ctx: Context
    ) -> tuple[tuple[float, float], tuple[float, float], tuple[float, float]]:
        s = model_of(ctx)
        per = per_reading(ctx.given, set_of(ctx.given))
        as_limit = per / _per_transverse(ctx, s)
        if s is None:
            alpha, gamma, psi = (
                math.radians(float(ctx.given.get(k) or d))
                for k, d in (("pressure_angle", 20), ("pinion_angle", 20), ("spiral_angle", 0))
            )
            a, b = lash_slopes(alpha, psi, gamma)
            return (a * as_limit, b * as_limit), UNKNOWN_X, UNKNOWN_Y
        found, side = slopes(s), model_side(s, ctx.given, "drive")
        return (found.lash[0] * as_limit, found.lash[1] * as_limit), found.x[side], found.y[side]

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "marking compound", "depth micrometer")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pinion", "carrier", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pinion", "carrier"})

    def disturbs(self, ctx: Context, after: Mapping[str, State]) -> frozenset[str]:
        """Side to side leaves the carrier bearings alone; another total does not."""
        now, then = ctx.state("carrier"), after.get("carrier")
        if now is None or then is None or total_nm(now) == total_nm(then):
            return self.writes(ctx)
        return self.writes(ctx) | {"pack"}


def _pattern_label(flank: str, way: str) -> str:
    return f"Contact {flank}, {way}"


def _sign(sense: str) -> Literal[1, -1]:
    return -1 if sense == "in" else 1


def _known_sense(sense: str) -> Literal[1, -1] | None:
    return None if sense == "unknown" else _sign(sense)


def _open_sense(ctx: Context) -> bool:
    """Whether nobody knows which way a pack works: then nobody knows where it brings the contact."""
    return "unknown" in (ctx.given["pinion_sense"], ctx.given["left_sense"])


def _per_transverse(ctx: Context, s: BevelSet | None) -> float:
    """What the limit's backlash is made of: 1 where it is as read, or across the tooth at the outer circle."""
    if ctx.given.get("meant", "as_read") == "as_read":
        return 1.0
    return per_reading({**ctx.given, "meant": "transverse"}, s)


def expect_words(predicted: Mapping[str, Predicted], say: Speech) -> str:
    """
    >>> expect_words({"backlash": Predicted(0.21, 0.015), "x_drive": Predicted(0.34, 0.03), "y_drive": Predicted(0.61, 0.03)}, Speech())
    'Expect backlash 0.210 ± 0.030 and contact one third from the toe, 61 % up.'
    """
    parts = []
    if "backlash" in predicted:
        p = predicted["backlash"]
        parts.append(f"backlash {say.number(p.v)} ± {say.spread(expanded(p.u))}")
    if {"x_drive", "y_drive"} <= set(predicted):
        parts.append(
            f"contact {one_third(predicted['x_drive'].v)}, {round(100 * predicted['y_drive'].v)} % up"
        )
    return f"Expect {' and '.join(parts)}." if parts else ""
