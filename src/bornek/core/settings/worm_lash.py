"""Worm and wheel: lost motion at the handle, set at the tightest place by an eccentric carrier.

The worm's own end float is in what the handle shows: it is measured and taken off, or said to be in it. Clamping the
carrier shifts the mesh, so that only what is read clamped counts; what the clamp adds is learned by reading before and
after it.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from functools import lru_cache
from typing import Any, ClassVar

from bornek.core.mesh.worm import at_wheel_deg, eccentric_shift_mm, lash_per_apart, length_at_mm
from bornek.core.quantities import shown_in, signed
from bornek.core.readings import expected_u
from bornek.core.scenes import Scene, Section
from bornek.core.settings.common import given_window, source_lines
from bornek.core.settings.figures.worm_in_wheel import draw_worm_in_wheel
from bornek.core.settings.guarded import open_guide
from bornek.core.settings.kind import (
    Check,
    Field,
    Guide,
    Outcome,
    Result,
    Setting,
    SlipHint,
    Slot,
    aim_in,
    speech,
)
from bornek.core.settings.knobs import Curve, Knob, Response
from bornek.core.settings.lash_around import around_wheel
from bornek.core.settings.records import Choice, Context
from bornek.core.settings.registry import register
from bornek.core.settings.worm_form import ECCENTRIC, MEASURED, form_of, ratio_of, said_of
from bornek.core.settings.worm_read import (
    PROTRACTOR,
    SCATTER_DEG,
    Read,
    clamp_of,
    float_of,
    of_quantity,
    read_of,
    tightest_before,
)
from bornek.core.settings.worm_stations import (
    FIRST,
    around_slots,
    asked_together,
    before_clamping,
    feel_slot,
    float_slots,
    stops,
)
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Sum

KNOB = "carrier"
STEP_DEG = 0.5
REASSEMBLY_SHARE = 0.05


@register
class WormLash(Setting):
    id = "worm_lash"
    stage = "mesh"
    title = "Worm and wheel: lost motion"
    plain = "A worm and its wheel: lost motion at the handle"
    from_unit: ClassVar[Mapping[str, str]] = {"starts": "driver_teeth", "teeth": "driven_teeth"}
    cautions = (
        "Turn it by hand only; fingers off worm and wheel.",
        "The carrier goes in and out only in its disengaged position: the teeth chip.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def thing(self) -> Section:
        return draw_worm_in_wheel()

    def floor(self, ctx: Context) -> float:
        """Below no lost motion it binds."""
        return 0.0

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], 0.0)

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        return (
            *asked_together(ctx),
            *float_slots(ctx),
            *before_clamping(ctx, tightest_before(ctx)),
            *around_slots(ctx),
            feel_slot(),
        )

    def guide(self, ctx: Context) -> Guide:
        """What was left on the tray, or went in at mesh, stops everything."""
        return open_guide(ctx, self.slots(ctx), stops, FIRST)

    def evaluate(self, ctx: Context) -> Outcome:
        read, window, said = read_of(ctx), self.window(ctx), said_of(ctx.given)
        usual = said.per * expected_u(of_quantity(ctx.find_gauge(), PROTRACTOR), "travel", SCATTER_DEG, 1)
        aim = aim_in(window, None, usual)
        scenes: list[Scene] = [self._circle(ctx, read) if read is not None else self._picture(ctx)]
        about: dict[str, Any] = {"quantity": said.quantity, "unit": said.unit, "window": window, "aim": aim}
        stopped = bool(self.guide(ctx).stop)
        if read is None or stopped or not read.whole(ctx):
            return Outcome(
                (Result(key="lash", label="Lost motion, tightest", value=None, verdict=NOT_READ, **about),),
                tuple(self._checks(ctx, None)),
                NOT_READ,
                scenes=tuple(scenes),
            )
        tight = min(read.places.values())
        value = Normal(tight * said.per, math.hypot(read.u, read.float_u) * said.per)
        target = Result(
            key="lash",
            label="Lost motion, tightest",
            value=value,
            verdict=verdict(value, window),
            readings=tuple(v * said.per for v in read.places.values()),
            beside=self._beside(ctx, tight),
            working=self._working(ctx, read).working(*source_lines(window)),
            **about,
        )
        results = (target, *self._besides(ctx, read))
        overall = worst([r.verdict for r in results if r.role == "target"])
        return Outcome(
            results, tuple(self._checks(ctx, read)), overall, scenes=tuple(scenes), observed={"lash": value}
        )

    def _beside(self, ctx: Context, handle_deg: float) -> str:
        """The same at the radius, and how it turned."""
        said, felt = [], _felt(ctx)
        if ctx.given.get("radius") and said_of(ctx.given).quantity != "length":
            radius, say = float(ctx.given["radius"]), speech(ctx)
            arc = length_at_mm(at_wheel_deg(handle_deg, ratio_of(ctx.given)), radius)
            said.append(f"{say.number(arc)} {say.unit} at radius {say.size(radius)}")
        return " · ".join([*said, *([f"turns {felt}"] if felt else [])])

    def _besides(self, ctx: Context, read: Read) -> list[Result]:
        """The same lost motion at the wheel and at the radius; how much it varies; what the clamp adds."""
        wheel = at_wheel_deg(min(read.places.values()), ratio_of(ctx.given))
        u = at_wheel_deg(math.hypot(read.u, read.float_u), ratio_of(ctx.given))
        swing = max(read.places.values()) - min(read.places.values())
        found = [
            _info("wheel", "At the wheel", "angle", "arcmin", wheel, u),
            _info("swing", "Varies around, at the handle", "angle", "deg", swing, read.u * math.sqrt(2)),
        ]
        if ctx.given.get("radius"):
            radius = float(ctx.given["radius"])
            found.append(
                _info(
                    "arc", "At the radius", "length", "", length_at_mm(wheel, radius), length_at_mm(u, radius)
                )
            )
        clamp = clamp_of(ctx)
        if clamp is not None:
            found.append(_info("clamp", "The clamp adds, at the handle", "angle", "deg", clamp.v, clamp.u))
        return found

    def _working(self, ctx: Context, read: Read) -> Sum:
        total, tight = Sum(2), min(read.places.values())
        place = min(read.places, key=read.places.__getitem__)
        ratio = ratio_of(ctx.given)
        if ctx.given["float"] == MEASURED:
            f, lead = read.float_deg * float(ctx.given["lead"]) / 360, float(ctx.given["lead"])
            total.line("Worm end float at the handle", f"{f:.3f} ÷ {lead:g} × 360", read.float_deg, "°")
            total.line(
                f"Place {place}, the float taken off",
                f"{tight + read.float_deg:.2f} − {read.float_deg:.2f}",
                tight,
                "°",
                main=True,
            )
        else:
            total.line(f"Place {place}, the worm's float in it", "as read", tight, "°", main=True)
        wheel = at_wheel_deg(tight, ratio)
        total.line("At the wheel", f"{tight:.2f} ÷ {ratio:g} × 60", wheel * 60, "′")
        if ctx.given.get("radius"):
            radius = float(ctx.given["radius"])
            total.places = 3
            total.line(
                "At the radius", f"{radius:g} × {wheel:.4f} × π/180", length_at_mm(wheel, radius), "mm"
            )
        return total

    def _checks(self, ctx: Context, read: Read | None) -> list[Check]:
        found = []
        words = {
            "stiff": "It turns stiffly: lost motion does not tell a mesh that is dry or too deep. Oil it, turn it, read again.",
            "catches": "It catches at a place: look for a burr or a chip there before the number is believed.",
            "crunchy": "It is crunchy: dirt or broken teeth. Clean and look before it is set any tighter.",
        }
        feel = _felt(ctx)
        if feel in words:
            grave = feel == "crunchy"
            found.append(
                Check(f"feel_{feel}", "stop" if grave else "warn", words[feel], "stop" if grave else "reseat")
            )
        if read is None:
            return found
        if min(read.places.values()) < -expanded(math.hypot(read.u, read.float_u)):
            words_less = "It reads less than the worm's own end float gives alone: read the float again, then the lost motion."
            found.append(Check("less_than_float", "warn", words_less, "reseat"))
        window, per, say = self.window(ctx), said_of(ctx.given).per, self._said(ctx)
        loose = max(read.places.values()) * per
        if loose > window.high >= min(read.places.values()) * per:
            place = max(read.places, key=read.places.__getitem__)
            sentence = (
                f"Place {place} has {say(loose)}, more than the limit, with the tightest right: the wheel is worn or runs out "
                "there. Tighter would bind at the tightest."
            )
            found.append(Check("loosest", "note", sentence))
        clamp = clamp_of(ctx)
        if clamp is not None:
            way = "adds" if clamp.v > 0 else "takes off"
            sentence = (
                f"The clamp {way} {abs(clamp.v):.1f}° at the handle, by {self._clampings(ctx)} clampings: set it so much "
                f"{'tighter' if clamp.v > 0 else 'looser'} before it is clamped."
            )
            found.append(Check("clamp", "note", sentence))
        return found

    @staticmethod
    def _clampings(ctx: Context) -> int:
        return len({e.round for e in ctx.entries if e.slot == "snug" and e.round <= ctx.round})

    def _said(self, ctx: Context) -> Callable[[float], str]:
        """How a lost motion is said in the limit's own unit."""
        said = said_of(ctx.given)
        if said.quantity == "length":
            say = speech(ctx)
            return lambda v: f"{say.number(v)} {say.unit}"
        own = shown_in("angle", said.unit)
        return lambda v: f"{signed(v * own.per, 1)}{'°' if said.unit == 'deg' else '′'}"

    def _circle(self, ctx: Context, read: Read) -> Scene:
        said = said_of(ctx.given)
        found = {n: v * said.per for n, v in read.places.items()}
        unit = {"deg": "degrees at the handle", "arcmin": "arc minutes"}.get(said.unit, speech(ctx).unit)
        return around_wheel(found, int(ctx.given["places"]), self._said(ctx), unit, 0.5 * said.per, "place")

    def _picture(self, ctx: Context) -> Section:
        if ctx.given["carrier"] != ECCENTRIC:
            return draw_worm_in_wheel(eccentric=False)
        state = ctx.state(KNOB)
        if state is None:
            return draw_worm_in_wheel()
        words = f"carrier {state.label(speech(ctx))}"
        return draw_worm_in_wheel(words, state.position - float(ctx.given["deepest"]))

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        if ctx.given["carrier"] != ECCENTRIC:
            return ()
        deepest, throw = float(ctx.given["deepest"]), float(ctx.given["throw"])
        state = ctx.state(KNOB, ctx.first_round)
        side = -1 if state is not None and (state.position - deepest + 180) % 360 < 180 else 1
        return (
            Knob(
                key=KNOB,
                label="Carrier angle",
                place="",
                unit="deg",
                domain=_carrier_curve(throw, deepest, side),
                sense=1,
                noun="carrier",
                title="Eccentric carrier",
                more="Turn the carrier to",
                less="Turn the carrier to",
                first="Let the clamp go.",
                answers="mm that the axes go apart",
            ),
        )

    def response(self, ctx: Context) -> Response | None:
        """2·tan α for each mm apart along the pitch line, as the limit is said."""
        if ctx.given["carrier"] != ECCENTRIC:
            return None
        said = said_of(ctx.given)
        turn = math.degrees(1 / float(ctx.given["pitch_radius"])) * ratio_of(ctx.given)
        per_mm = lash_per_apart(float(ctx.given["pressure_angle"])) * turn * said.per
        scatter = max(SCATTER_DEG * said.per, REASSEMBLY_SHARE * (self.window(ctx).half or 0.0))
        return Response(
            rows=("lash",),
            knobs=(KNOB,),
            k0=((per_mm,),),
            rho=((0.15,),),
            s_a=(scatter,),
            s_r=(SCATTER_DEG * said.per,),
            harm=("low",),
            repeats=1,
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"carrier", "axial", "clamp"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"carrier"})

    def brief(self, ctx: Context) -> Sequence[str]:
        off, _ = float_of(ctx)
        measured = f"worm float {off:.1f}° at the handle taken off" if off else "worm float to be measured"
        return (
            f"{ratio_of(ctx.given):g} : 1",
            measured if ctx.given["float"] == MEASURED else "the worm's float is in it",
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("protractor on the handle", "magnetic base")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The carrier crept as it was clamped: hold it, clamp in two steps, read again."),
            SlipHint("The wheel moved while the handle was rocked: hold the table."),
            SlipHint("The worm's bearings were not home: its float is more than was measured."),
            SlipHint("Another tooth: mark the tightest place."),
        ]


@lru_cache(maxsize=64)
def _carrier_curve(throw_mm: float, deepest_deg: float, side: int) -> Curve:
    """Half a turn from the deepest mesh to the shallowest: every angle with what it moves."""
    turns = [n * STEP_DEG for n in range(round(180.0 / STEP_DEG) + 1)]
    return Curve(
        tuple(round(deepest_deg + side * t, 6) for t in turns),
        tuple(eccentric_shift_mm(throw_mm, t, 0.0) for t in turns),
    )


def _felt(ctx: Context) -> str:
    """How it turned in this round; empty while nobody said."""
    felt = (e.raw.option for e in reversed(ctx.now()) if e.slot == "feel" and isinstance(e.raw, Choice))
    return next(felt, "")


def _info(key: str, label: str, quantity: str, unit: str, v: float, u: float) -> Result:
    return Result(
        key=key, label=label, quantity=quantity, unit=unit, value=Normal(v, u), role="info", strip=False
    )
