"""End play by a nut: vertical motor with a plain thrust bearing.

The nut is run snug with the rotor jacked up; the jack is released and the nut backed off by play ÷ pitch × 360 to a
position that can be locked. First the total lift is measured: it must exceed the play, else the guide bearing would
carry the rotor.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import ClassVar

from bornek.core.readings import travel_value
from bornek.core.scenes import Section
from bornek.core.settings.common import confirm
from bornek.core.settings.figures.nut_on_carrier import draw_nut_on_carrier
from bornek.core.settings.kind import Check, Guide, Outcome, Result, SlipHint, Slot, speech
from bornek.core.settings.nut_end_play import SCATTER_PRIOR_MM, NutEndPlay
from bornek.core.settings.records import Confirm, Context, Entry
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.settings.state import Position, State
from bornek.core.windows import NOT_READ, Normal, Value, Window, verdict, worst
from bornek.core.working import Line, Working

SNUG_U_MM = 0.003
"""How well a nut run snug stands for no play."""
LEAST_LIFT_MM = 0.005
BEFORE_LIFT = (
    ("free", "Nut runs free, alone", "Run the nut down the whole thread by hand, alone, then take it off. Does it "
     "run freely?"),
    ("carrier", "Carrier, lock washer, nut on", "Carrier, lock washer and nut on, the nut still loose."),
    ("down", "Rotor down, zero", "Rotor down on its thrust bearing. Zero the indicator."),
)  # fmt: skip
AFTER_LIFT = (
    ("snug", "Nut snug", "Run the nut down snug, the rotor still jacked up."),
    ("released", "RELEASE the jack, zero again", "RELEASE the jack. Zero the indicator again."),
)
ENDING = (
    ("turned", "Turn the rotor by hand", "Turn the rotor through a full turn by hand. Does it turn freely?"),
)


@register
class ThrustNut(NutEndPlay):
    id = "thrust_nut"
    title = "End play by a nut: plain thrust bearing, vertical motor"
    plain = "A vertical motor that hangs on a plain thrust bearing and a nut"
    cautions = (
        "The rotor hangs on the jack: nobody under it, block it; the nut never carries it while the jack is moved.",
        "No movement while jacking: stop and investigate, never pump on.",
        "Electrical isolation is for those who hold the licence; proved dead before anything is lifted.",
        "The maker's manual, the shop's rules and local codes come first.",
    )
    rho: ClassVar[float] = 0.05
    restart: ClassVar[str] = "down"
    read_posture: ClassVar[str] = (
        "Read how far the rotor came down since the zero; jack it up to the nut and let it down for the next."
    )

    def thing(self) -> Section:
        return draw_nut_on_carrier(True)

    def sequence(self, ctx: Context) -> Sequence[Slot]:
        if not self.began_here(ctx):
            return ()
        lift = Slot(
            key="lift",
            label="Total lift",
            group="Lift",
            axes={"step": "lift"},
            quantity="length",
            nature="travel",
            posture="Jack the rotor until the indicator stops: the guide bearing is on its cap. Type the full lift.",
            plausible=(0.0, 12.0),
        )
        first = [confirm(key, label, "Sequence", posture) for key, label, posture in BEFORE_LIFT]
        then = [confirm(key, label, "Snug", posture) for key, label, posture in AFTER_LIFT]
        return [*first, lift, *then]

    def read_here(self, ctx: Context) -> list[Slot]:
        """With the nut snug there is nothing to read: the play begins there."""
        return [] if self.began_here(ctx) else self.travels(ctx)

    def ending(self, ctx: Context) -> Sequence[Slot]:
        return [confirm(key, label, "At the end", posture) for key, label, posture in ENDING]

    def stops(self, entry: Entry) -> str:
        if entry.slot == "lift" and entry.number is not None and entry.number < LEAST_LIFT_MM:
            return "No movement while jacking: stop and investigate. Nothing is set before the rotor lifts."
        if entry.slot == "free" and entry.raw == Confirm(False):
            return "The nut does not run free: clean or chase the thread first, then start again."
        if entry.slot == "turned" and entry.raw == Confirm(False):
            return "It does not turn freely: find out why before it runs, then start again."
        return ""

    def found(self, ctx: Context, guide: Guide, sifted: Sifted) -> tuple[Value, tuple[float, ...]] | None:
        if not self.began_here(ctx):
            return super().found(ctx, guide, sifted)
        snug = sifted.counted.get("released")
        return (Normal(0.0, SNUG_U_MM), ()) if snug is not None else None

    def _lift(self, ctx: Context) -> tuple[Value, float] | None:
        """The lift that was measured last, in this round or before."""
        for number in range(ctx.round, 0, -1):
            then = ctx.at(number)
            slots = [s for s in self.sequence(then) if s.key == "lift"]
            sifted = sift(slots, then.now())
            groups = sifted.numbers(slots)
            if groups:
                values = [v for g in groups.values() for v in g]
                return travel_value(groups, sifted.gauges(slots, then), SCATTER_PRIOR_MM), values[0]
        return None

    def evaluate(self, ctx: Context) -> Outcome:
        outcome = super().evaluate(ctx)
        found = self._lift(ctx)
        greatest = ctx.given["greatest"]
        window = Window(greatest, None, "Total lift must exceed the greatest play")
        if found is None:
            return outcome
        value, read = found
        say = speech(ctx)
        how = Line("Total lift", "against the guide bearing's cap", say.number(read), True)
        lift = Result(
            key="lift",
            label="Total lift",
            quantity="length",
            value=value,
            window=window,
            role="proof",
            working=Working((how,), (window.source,)),
            verdict=verdict(value, window),
            strip=False,
            readings=(read,),
        )
        checks = list(outcome.checks)
        if lift.verdict.code in ("out_low", "not_proven", "at_edge"):
            words = (
                f"The rotor lifts only {say.number(read)}: with up to {say.size(greatest)} of play the guide bearing "
                "would carry it. Look at the guide bearing's cap before the nut is set."
            )
            checks.append(Check("lift", "stop", words, "stop"))
        overall = outcome.verdict if outcome.verdict == NOT_READ else worst([outcome.verdict, lift.verdict])
        return replace(outcome, results=(*outcome.results, lift), checks=tuple(checks), verdict=overall)

    def picture(self, ctx: Context) -> Section:
        done = {e.slot for e in ctx.now()}
        jacked = self.began_here(ctx) and "down" in done and "released" not in done
        lift = self._lift(ctx)
        return draw_nut_on_carrier(jacked, speech(ctx).number(lift[1]) if lift else "")

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """In a round that runs the nut snug it stands at 0."""
        then = ctx.at(ctx.round if number is None else number)
        if self.began_here(then):
            return Position(0.0, "deg", self.step(ctx))
        return super().state(ctx, knob, number)

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "jack", "hook spanner", "blocking timber")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The jack was not released before the indicator was zeroed."),
            SlipHint("The nut was not snug, or turned with its washer."),
            SlipHint("The thread is not what was given: count its pitch."),
        ]
