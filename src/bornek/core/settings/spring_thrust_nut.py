"""End play by a nut: vertical motor with a spherical roller thrust bearing on springs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.scenes import Section
from bornek.core.settings.common import confirm
from bornek.core.settings.figures.springs_under_nut import draw_springs_under_nut
from bornek.core.settings.kind import Check, Field, SlipHint, Slot
from bornek.core.settings.nut_end_play import READ, NutEndPlay
from bornek.core.settings.records import Confirm, Context, Entry
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State

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
ONCE_MORE = (
    ("springs", "Springs solid, nut turned", "The springs were pressed solid before the nut was turned, the jack "
     "still up?"),
    ("ram", "Release the ram only", "Release the RAM ONLY. The jack stays."),
)  # fmt: skip
"""After the nut was turned the jack still holds the shaft: only springs and ram come again."""
ENDING = (
    ("lowered", "Jack down, rig off", "Let the jack down, take bracket, chains and ram off."),
    ("turned", "Turn the rotor by hand", "Turn the rotor through a full turn by hand. Does it turn freely?"),
)
MOVED_STEPS = ("jack",)


@register
class SpringThrustNut(NutEndPlay):
    id = "spring_thrust_nut"
    version = 2
    title = "End play by a nut: roller thrust bearing on springs, vertical motor"
    plain = "A vertical motor whose thrust bearing stands on springs"
    cautions = (
        "The rotor hangs on the jack: nobody under it; block it as soon as it stands.",
        "The ram's force goes through bracket, chains, spreader and lifting eyes: never above the weakest.",
        "Springs hold energy: release the ram slowly, hands clear.",
        "No movement while jacking: stop and investigate.",
        "The maker's manual, the shop's rules and local codes come first.",
    )
    before_move: ClassVar[str] = "Compress the springs again first."
    read_posture: ClassVar[str] = "Read how far the carrier lifted."

    def own_fields(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field(
                "gauge_on",
                "The gauge stands on",
                "choice",
                default="carrier",
                options=(("carrier", "the carrier that the springs lift"), ("shaft", "the shaft")),
                why="The jack holds the shaft: it is the carrier that lifts against the nut.",
            )
        ]

    def thing(self) -> Section:
        return draw_springs_under_nut(False, True)

    def sequence(self, ctx: Context) -> Sequence[Slot]:
        steps = STEPS if self.began_here(ctx) else ONCE_MORE
        return [confirm(key, label, "Sequence", posture) for key, label, posture in steps]

    def ending(self, ctx: Context) -> Sequence[Slot]:
        return [confirm(key, label, "At the end", posture) for key, label, posture in ENDING]

    def stops(self, entry: Entry) -> str:
        if entry.slot in MOVED_STEPS and entry.raw == Confirm(False):
            return "No movement while jacking: stop and investigate before anything is pressed."
        if entry.slot == "turned" and entry.raw == Confirm(False):
            return "It does not turn freely: find out why before it runs. Start again from the jack."
        return ""

    def checks(self, ctx: Context) -> Sequence[Check]:
        if ctx.given.get("gauge_on") != "shaft":
            return ()
        words = "The jack holds the shaft: a gauge on it need not move. Stand the gauge on the carrier and read again."
        return (Check("gauge_on", "warn", words, "reseat"),)

    def picture(self, ctx: Context) -> Section:
        done = {e.slot for e in ctx.now() if e.raw == Confirm(True)}
        return draw_springs_under_nut(
            pressed="springs" in done and "ram" not in done, jacked="lowered" not in done
        )

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """As it was written down; before that, from the play that was read: snug is no play."""
        then = ctx.at(ctx.round if number is None else number)
        written = then.state(knob)
        if written is not None:
            return written
        travels = [s for s in self.travels(then) if s.key.startswith(READ)]
        read = [v for g in sift(travels, then.now()).numbers(travels).values() for v in g]
        return Position(self.angle(ctx, sum(read) / len(read)), "deg", self.step(ctx)) if read else None

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "hook spanner", "jack", "ram with bracket and chains")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("The springs were not solid when the nut was turned."),
            SlipHint("The jack moved with the ram."),
            SlipHint("The gauge stood on the shaft."),
        ]
