"""Sector gears set by eccentric covers: input and output start together, and nothing binds over the whole travel.

A cover can be turned by its bolt holes only, so what can be reached is a list: the shaft moves by
e·(sin(θ + kΔ) − sin θ). Where no hole gives it there are the halves between holes, or it is left as it is.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any, ClassVar

from bornek.core.mesh.worm import lash_per_apart
from bornek.core.quantities import Speech
from bornek.core.readings import expected_u, travel_value
from bornek.core.scenes import HoleRing, Rung, Scene, Section
from bornek.core.settings.common import confirm, given_window, source_lines, unread
from bornek.core.settings.figures.cover_and_sectors import draw_cover_and_sectors
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
from bornek.core.settings.records import Context, Predicted
from bornek.core.settings.registry import register
from bornek.core.settings.sector_form import OPEN, form_of, holes_given, timed_given
from bornek.core.settings.sector_stations import (
    AGAIN,
    READ,
    WAYS,
    felt,
    lost_slots,
    stops,
    timing_slots,
    travel_slots,
)
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State, degrees
from bornek.core.train.gears_drawn import draw_gears
from bornek.core.windows import NOT_READ, AtMost, Normal, Value, Verdict, Window, verdict
from bornek.core.working import Line, Working

KNOB = "cover"
SCATTER_MM, REASSEMBLY_MM = 0.006, 0.015
PRESSED_MM = -0.05
"""So far past touching the teeth press hard enough to hurt, turned by hand."""
NEAR_DEG = 0.05


@register
class SectorCover(Setting):
    id = "sector_cover"
    stage = "mesh"
    title = "Sector gears, by eccentric covers"
    plain = "Gears cut as sectors, of a steering gear, set by eccentric covers"
    from_unit: ClassVar[Mapping[str, str]] = {
        "driver_teeth": "driver_teeth", "driver_cut": "driver_cut", "driven_teeth": "driven_teeth",
        "driven_cut": "driven_cut", "tooth_on": "tooth_on", "tooth": "tooth", "space": "space", "holes": "holes",
        "throw": "throw", "angle": "throw_angle", "half": "half",
    }  # fmt: skip
    cautions = (
        "Block what hangs on the output: the rudder or wheel turns by itself when the sectors are out of mesh.",
        "Fingers off the teeth while it is turned through its travel.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def thing(self) -> Section:
        return draw_cover_and_sectors()

    def floor(self, ctx: Context) -> float:
        """Below no lost motion the teeth press."""
        return 0.0

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, 0.0, ctx.given["greatest"], 0.0)

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        own = [*timing_slots(ctx), *lost_slots(READ, "Lost motion"), *travel_slots()]
        value, binds = self._value(ctx, READ), self._binds(ctx)
        if value is None or binds or not self._may_do(ctx, value):
            return tuple(own)
        torque = ctx.given.get("torque")
        to = f" to {torque:g} N·m" if torque else ""
        tight = confirm(
            "torqued", "Cover bolts tight", "Tight", f"Tighten the cover bolts{to}, crosswise, in steps."
        )
        return (*own, tight, *lost_slots(AGAIN, "Read again, tight"))

    def guide(self, ctx: Context) -> Guide:
        """A tooth out stops everything; before the teeth are seen right nothing is read."""
        return open_guide(ctx, self.slots(ctx), stops, ("timed",))

    def _may_do(self, ctx: Context, value: Value) -> bool:
        middle = value.v if isinstance(value, Normal) else 0.0
        return self.window(ctx).holds(middle)

    def _binds(self, ctx: Context) -> bool:
        return "binds" in felt(ctx)

    def _value(self, ctx: Context, key: str) -> Value | None:
        slots = lost_slots(key, "")
        sifted = sift(slots, ctx.now())
        groups = sifted.numbers(slots)
        if not groups or sum(map(len, groups.values())) < len(slots):
            return None
        return travel_value(groups, sifted.gauges(slots, ctx), SCATTER_MM)

    def evaluate(self, ctx: Context) -> Outcome:
        window, say = self.window(ctx), speech(ctx)
        value = self._value(ctx, AGAIN) or self._value(ctx, READ)
        aim = aim_in(window, ctx.given.get("aim"), expected_u(ctx.find_gauge(), "travel", SCATTER_MM, 2))
        turned = felt(ctx)
        if value is None or len(turned) < len(WAYS):
            empty = unread("lost", "Lost motion", window, aim=aim)
            return Outcome(
                (empty,), tuple(self._checks(ctx)), NOT_READ, scenes=tuple(self._scenes(ctx, None))
            )
        if "binds" in turned:
            value = AtMost(0.0)
        judged = Verdict("out_low") if "binds" in turned else verdict(value, window)
        lines = [
            Line(
                f"Hole {n}",
                f"{float(ctx.given['throw']):g} × (sin({ctx.given['angle']:g}° + {h.turned:g}°) − sin {ctx.given['angle']:g}°)",
                say.number(h.moves),
            )
            for n, h in enumerate(holes_given(ctx.given))
        ]
        result = Result(
            key="lost",
            label="Lost motion",
            quantity="length",
            value=value,
            window=window,
            working=Working(tuple(lines), source_lines(window)),
            verdict=judged,
            aim=aim,
        )
        return Outcome(
            (result,),
            tuple(self._checks(ctx)),
            judged,
            instruct=self._instruct(ctx, value, judged.code),
            scenes=tuple(self._scenes(ctx, value)),
            observed={"lost": value},
        )

    def _checks(self, ctx: Context) -> list[Check]:
        found, turned = list[Check](), felt(ctx)
        if "binds" in turned:
            words = "It binds: the gears stand too close. Turn the cover so that they go apart; never run it in like that."
            found.append(Check("binds", "warn", words))
        elif "drags" in turned:
            words = "It drags at a place: a burr, dirt or a bent sector. Find the place before the number is believed."
            found.append(Check("drags", "warn", words, "reseat"))
        return found

    def _instruct(self, ctx: Context, value: Value, code: str) -> str:
        """Where nothing was measured yet, which hole lets it free; where none gives it, what is left."""
        if code == "out_low" and self._binds(ctx) and ctx.round == 1:
            return self._let_free(ctx)
        return self._no_hole(ctx, value) if code.startswith("out") else ""

    def _let_free(self, ctx: Context) -> str:
        """The hole that brings the gears apart by the least step."""
        if ctx.given["sense"] == OPEN:
            return "It binds. Turn the cover by one hole and feel whether it frees; if not, one hole the other way."
        here = self._moves_at(ctx)
        apart = sorted((h.moves - here, h.turned) for h in holes_given(ctx.given) if h.moves > here + 1e-9)
        if not apart:
            return (
                "It binds, and no hole brings the gears farther apart: look at the sectors and at the covers."
            )
        return f"It binds. Turn the cover clockwise to {degrees(apart[0][1])}, the least step apart, and read again."

    def _no_hole(self, ctx: Context, value: Value) -> str:
        """What is left where no hole is expected to give it, in words; empty where one may, or nobody knows which way
        the cover works."""
        window, reach = self.window(ctx), 2 * REASSEMBLY_MM
        if ctx.given["sense"] == OPEN or any(
            window.low - reach <= at <= window.high + reach for _, at in self._expected(ctx, value)
        ):
            return ""
        if ctx.given["half"] != "no":
            return "No hole gives it, the halves between included: leave the nearest on the loose side, and say so."
        return (
            "No hole gives it. Halves between two holes come by turning the cover over, or with the other side's: try "
            "whether they fit. If not, leave the nearest on the loose side."
        )

    def _expected(self, ctx: Context, value: Value) -> list[tuple[float, float]]:
        """What each hole would read by geometry, from what reads here now: (turned [°], lost motion [mm])."""
        k = lash_per_apart(float(ctx.given["pressure_angle"]))
        now = value.v if isinstance(value, Normal) else 0.0
        holes = holes_given(ctx.given)
        here = self._moves_at(ctx)
        return [(h.turned, now + k * (h.moves - here)) for h in holes]

    def _moves_at(self, ctx: Context) -> float:
        at = self._turned(ctx)
        near = min(holes_given(ctx.given), key=lambda h: abs((h.turned - at + 180) % 360 - 180))
        return near.moves

    def _turned(self, ctx: Context) -> float:
        state = self.state(ctx, KNOB)
        return state.position % 360 if state is not None else 0.0

    def _scenes(self, ctx: Context, value: Value | None) -> list[Scene]:
        t = timed_given(ctx.given)
        ring = self._ring(ctx, value)
        figure = draw_cover_and_sectors(
            float(ctx.given["angle"]) + self._turned(ctx), int(ctx.given["holes"])
        )
        return [ring, *([draw_gears("Tooth and space", [t])] if t is not None else [figure])]

    def _ring(self, ctx: Context, value: Value | None) -> HoleRing:
        say, window, at = speech(ctx), self.window(ctx), self._turned(ctx)
        known = value is not None and ctx.given["sense"] != OPEN
        expected = dict(self._expected(ctx, value)) if value is not None and known else {}
        rungs = []
        number = 0
        for h in holes_given(ctx.given):
            name = "½" if h.between else str(number)
            number += not h.between
            v = expected.get(h.turned)
            gives = _gives(v, h.moves, ctx.given["sense"] == OPEN, say)
            state = (
                "now"
                if abs(h.turned - at) < NEAR_DEG
                else "wanted"
                if v is not None and window.holds(v)
                else "free"
            )
            extra = f", {ctx.given['half']}" if h.between else ""
            rungs.append(Rung(h.turned, f"{degrees(h.turned)}{extra}: {gives}", state, v, name))  # type: ignore[arg-type]
        throw = (float(ctx.given["angle"]) + at) % 360
        return HoleRing(
            "Cover holes, and the lost motion that each gives", tuple(rungs), throw, "square to the mesh"
        )

    def after_move(
        self, ctx: Context, scene: Scene, predicted: Mapping[str, Predicted], by: Mapping[str, float]
    ) -> Scene:
        """The hole that the move goes to, with what is expected there."""
        if not isinstance(scene, HoleRing) or not by.get(KNOB):
            return scene
        wanted, at = self._moves_at(ctx) + by[KNOB], self._turned(ctx)
        moves = {h.turned: h.moves for h in holes_given(ctx.given)}
        there = [r for r in scene.rungs if abs(moves[r.at] - wanted) < 1e-6 and abs(r.at - at) > NEAR_DEG]
        if not there:
            return scene
        rungs = tuple(replace(r, state="move") if r is there[0] else r for r in scene.rungs)
        return replace(scene, rungs=rungs)

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """As it was found it stands at hole 0."""
        return ctx.state(knob, number) or Position(0.0, "deg")

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        holes = holes_given(ctx.given)
        both = "both covers" if ctx.given["covers"] == "both" else "the cover"
        return (
            Knob(
                key=KNOB,
                label="Cover, turned clockwise from where it stood",
                place="",
                unit="deg",
                domain=Curve(tuple(h.turned for h in holes), tuple(h.moves for h in holes)),
                sense=None if ctx.given["sense"] == OPEN else 1,
                noun="cover",
                title="Eccentric cover",
                read=True,
                more=f"Turn {both} clockwise to",
                less=f"Turn {both} clockwise to",
                answers="mm that the shafts go apart",
            ),
        )

    def response(self, ctx: Context) -> Response:
        """2·tan α of lost motion for each mm that the shafts go apart."""
        return Response(
            rows=("lost",),
            knobs=(KNOB,),
            k0=((lash_per_apart(float(ctx.given["pressure_angle"])),),),
            rho=((0.15,),),
            s_a=(REASSEMBLY_MM,),
            s_r=(SCATTER_MM,),
            harm=("low",),
            harm_at=(PRESSED_MM,),
            repeats=2,
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"cover", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"cover"})

    def brief(self, ctx: Context) -> Sequence[str]:
        step = 360 / int(ctx.given["holes"])
        first = str(ctx.given.get("goes_first") or "")
        steps = f"{ctx.given['holes']} holes, {step:.4g}° apart, throw {speech(ctx).size(float(ctx.given['throw']))}"
        return (steps, *((f"{first} goes in first",) if first else ()))

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "torque wrench")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint(
                "The covers were turned the other way round, or by another number of holes on each side."
            ),
            SlipHint("A tooth out: look at the marks."),
            SlipHint("The bolts were not tight when it was read."),
            SlipHint("The output moved: hold it."),
        ]


def _gives(lost: float | None, moves: float, open_sense: bool, say: Speech) -> str:
    """What a hole gives in a few words: the lost motion expected there, or how far it moves the shafts.

    >>> _gives(0.04, -0.3, False, Speech()), _gives(-0.1, -0.5, False, Speech()), _gives(None, -0.5, True, Speech())
    ('0.040', 'binds', '0.500 apart or closer')
    """
    if lost is not None:
        return say.number(lost) if lost >= 0 else "binds"
    if moves == 0:
        return "as it stands"
    return (
        f"{say.number(abs(moves))} {'apart or closer' if open_sense else 'apart' if moves > 0 else 'closer'}"
    )
