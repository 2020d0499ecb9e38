"""End play by a nut: vertical motor with a spherical roller thrust bearing on springs.

A sequence that refuses to be taken out of order; whatever was done is written down all the same. A
broken sequence gives no value, cannot be signed and says where to start again.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from math import lcm
from typing import Any

from bornek.core.readings import expected_u, travel_value
from bornek.core.scenes import Ladder, Rung, Step, Steps
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, whole_form
from bornek.core.settings.kind import Field, Guide, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Lattice, Response
from bornek.core.settings.records import Confirm, Context, Entry
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State, degrees
from bornek.core.windows import NOT_READ, Normal, Window, verdict
from bornek.core.working import Line, Working

STEPS = (
    ("jack", "Jack until the indicator first stops", "Jack the shaft until the indicator FIRST stops: the guide "
     "bearing is on its cap. No harder. Did the indicator move before it stopped?"),
    ("washer", "Lock washer and nut on", "Lock washer and nut on, finger tight."),
    ("bracket", "Bracket and ram", "Bracket, chains and ram on. Never above the weakest of them."),
    ("springs", "Compress the springs", "Press with the ram, watching the indicator. When it stops they are "
     "solid: no further, the rollers dent."),
    ("zero", "Zero the indicator", "Zero. The gauge stands on the carrier: it is the carrier that will lift."),
    ("nut", "Nut down", "Run the nut down to touch."),
    ("ram", "Release the ram only", "Release the RAM ONLY. The jack stays."),
)  # fmt: skip
NAMES = {key: label for key, label, _ in STEPS}
MOVED_STEPS = ("jack",)
READ_STEP = "travel"
SCATTER_PRIOR_MM = 0.0035


def lock_step_deg(tabs: int, slots: int) -> float:
    """Angle between lockable positions of a nut: 360/lcm(tabs, slots) [deg].

    >>> round(lock_step_deg(17, 4), 2)
    5.29
    """
    return 360.0 / lcm(tabs, slots)


@register
class SpringThrustNut(Setting):
    id = "spring_thrust_nut"
    title = "End play by a nut: roller thrust bearing on springs, vertical motor"
    cautions = (
        "The rotor hangs on the jack: nobody under it; block it as soon as it stands.",
        "The ram's force goes through bracket, chains, spreader and lifting eyes: never above the weakest.",
        "Springs hold energy: release the ram slowly, hands clear.",
        "No movement while jacking: stop and investigate.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("least", "Least end play", "length", lo=0, hi=5),
                Field("greatest", "Greatest end play", "length", lo=0, hi=5),
                Field(
                    key="pitch",
                    label="Thread pitch of the nut",
                    quantity="length",
                    lo=0.2,
                    hi=12,
                    why="Was it threads per inch? Convert.",
                ),
                Field("tabs", "Tabs on the lock washer", "count", lo=1, hi=60),
                Field("slots", "Slots in the nut", "count", lo=1, hi=60),
                Field(
                    key="first_lock",
                    label="From snug back to the first lock position",
                    quantity="angle",
                    default=0.0,
                    lo=0,
                    hi=360,
                ),
            ]
        )

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], self.floor(ctx))

    def floor(self, ctx: Context) -> float:
        """Below no play at all the springs carry nothing and the rollers are pressed."""
        return 0.0

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        confirms = [
            Slot(
                key=key,
                label=label,
                group="Sequence",
                axes={"step": key},
                quantity="count",
                nature="confirm",
                accepts="confirm",
                posture=posture,
            )
            for key, label, posture in STEPS
        ]
        return (*confirms, *self._travels())

    def _travels(self) -> list[Slot]:
        return [
            Slot(
                key=f"{READ_STEP}.{n}",
                label=f"Travel, reading {n}",
                group="Travel",
                axes={"rep": n},
                quantity="length",
                nature="travel",
                posture="Read how far the carrier lifted.",
                plausible=(0.0, 6.0),
                peers="travel",
            )
            for n in (1, 2)
        ]

    def guide(self, ctx: Context) -> Guide:
        """Folds what was confirmed, in the order written, into what may come next."""
        slots = self.slots(ctx)
        order = [s.key for s in slots]
        done: list[str] = []
        stop, restart = "", None
        for entry in sorted(ctx.now(), key=lambda e: e.seq):
            if entry.slot not in order or stop:
                continue
            problem = self._breaks(entry, done, order)
            if problem:
                stop, restart = problem, "jack"
            elif entry.slot not in done:
                done.append(entry.slot)
        left = [k for k in order if k not in done]
        ahead = (
            {}
            if stop
            else {k: f"First: {NAMES.get(left[0], 'the first reading').lower()}." for k in left[1:]}
        )
        return Guide(slots, None if stop or not left else left[0], ahead, stop, restart)

    def _breaks(self, entry: Entry, done: Sequence[str], order: Sequence[str]) -> str:
        if isinstance(entry.raw, Confirm) and not entry.raw.done:
            if entry.slot in MOVED_STEPS:
                return "No movement while jacking: stop and investigate before anything is pressed."
            return f"{entry.slot.capitalize()} was not done: start again from the jack."
        missing = [k for k in order[: order.index(entry.slot)] if k not in done]
        if missing:
            named = NAMES.get(missing[0], missing[0])
            return f"Out of order: {named.lower()} was left out. Start again from the jack."
        return ""

    def evaluate(self, ctx: Context) -> Outcome:
        guide, window, say = self.guide(ctx), self.window(ctx), speech(ctx)
        sifted = sift(guide.slots, ctx.now())
        travels = [s for s in guide.slots if s.key.startswith(READ_STEP)]
        groups = sifted.numbers(travels)
        scenes = (self._steps(guide, ctx), self._ladder(ctx, window))
        usual = expected_u(ctx.find_gauge(), "travel", SCATTER_PRIOR_MM, len(travels))
        aim = aim_in(window, ctx.given.get("aim"), usual)
        if guide.stop or not groups:
            empty = Result(
                key="end_play",
                label="End play",
                quantity="length",
                value=None,
                window=window,
                verdict=NOT_READ,
                aim=aim,
            )
            return Outcome((empty,), (), NOT_READ, scenes=scenes)
        value = travel_value(groups, sifted.gauges(travels, ctx), SCATTER_PRIOR_MM)
        judged = verdict(value, window)
        lines: tuple[Line, ...] = ()
        if isinstance(value, Normal):
            lines = (
                Line(
                    "Nut from snug",
                    f"{say.number(value.v)} ÷ {ctx.given['pitch']:g} × 360",
                    f"{self._angle(ctx, value.v):.1f}°",
                    True,
                ),
            )
        result = Result(
            key="end_play",
            label="End play",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=Working(lines, source_lines(window)),
            verdict=judged,
            aim=aim,
            readings=tuple(v for g in groups.values() for v in g),
        )
        return Outcome(
            results=(result,),
            verdict=judged,
            scenes=scenes,
            observed={"end_play": value},
        )

    def _steps(self, guide: Guide, ctx: Context) -> Steps:
        filled = {e.slot for e in ctx.now()}
        rows = [
            Step(
                label,
                "stopped"
                if guide.stop and key == guide.restart_at
                else "live"
                if key == guide.next
                else "done"
                if key in filled
                else "blocked",
            )
            for key, label, _ in STEPS
        ]
        return Steps("Sequence", tuple(rows))

    def _ladder(self, ctx: Context, window: Window) -> Ladder:
        """Every lockable position with the play it gives."""
        say, pitch = speech(ctx), float(ctx.given["pitch"])
        rungs = []
        for at in self._positions(ctx):
            play = pitch * at / 360
            state = "wanted" if window.holds(play) else "free"
            rungs.append(Rung(at, f"{degrees(at)} = {say.number(play)}", state))  # type: ignore[arg-type]
        return Ladder("Lockable positions from snug", tuple(rungs))

    def _positions(self, ctx: Context) -> list[float]:
        step = self._step(ctx)
        top = (self.window(ctx).hi or 0) / ctx.given["pitch"] * 360 * 1.3
        n = max(1, int((top - ctx.given["first_lock"]) / step) + 1)
        return [ctx.given["first_lock"] + j * step for j in range(min(n, 400))]

    def _step(self, ctx: Context) -> float:
        return lock_step_deg(ctx.given["tabs"], ctx.given["slots"])

    def _angle(self, ctx: Context, play_mm: float) -> float:
        """How far from snug the nut stands for this play: play ÷ pitch × 360 [deg]."""
        return play_mm / float(ctx.given["pitch"]) * 360

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """As it was written down; before that, from the play that was read: snug is no play."""
        then = ctx.at(ctx.round if number is None else number)
        written = then.state(knob)
        if written is not None:
            return written
        groups = sift(self.slots(then), then.now()).numbers(self._travels())
        if not groups:
            return None
        read = [v for g in groups.values() for v in g]
        return Position(self._angle(ctx, sum(read) / len(read)), "deg", self._step(ctx))

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        at = self._positions(ctx)
        domain = Lattice(at[0], self._step(ctx), len(at))
        return (
            Knob(
                key="nut",
                label="Nut angle from snug",
                place="",
                unit="deg",
                domain=domain,
                sense=1,
                noun="nut",
                title="Nut and lock washer",
                read=True,
                first="Compress the springs again first.",
            ),
        )

    def response(self, ctx: Context) -> Response:
        per_deg = float(ctx.given["pitch"]) / 360
        return Response(
            rows=("end_play",),
            knobs=("nut",),
            k0=((per_deg,),),
            rho=((0.15,),),
            s_a=(0.006,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=2,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "hook spanner", "pry bar")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"nut", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"nut", "axial"})

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The springs were not solid when the nut was turned."),
            SlipHint("The jack moved with the ram."),
            SlipHint("The gauge stood on the shaft."),
        ]
