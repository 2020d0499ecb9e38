"""What the end plays set by a nut share: window, lockable positions, the response of a thread, the lock at the end."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Mapping, Sequence
from typing import Any, ClassVar

from bornek.core.readings import expected_u, travel_value
from bornek.core.scenes import Section
from bornek.core.settings.common import (
    PLAY_TELLS,
    confirm,
    from_start,
    given_window,
    source_lines,
    unread,
    whole_form,
)
from bornek.core.settings.guarded import guarded_guide, steps_scene
from bornek.core.settings.kind import Check, Field, Guide, Outcome, Result, Setting, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Lattice, Response
from bornek.core.settings.nut_lock import (
    first_lock_deg,
    ladder_of,
    lock_fields,
    lock_step_deg,
    pitch_mm,
    positions_deg,
    thread_fields,
)
from bornek.core.settings.records import Context, Entry
from bornek.core.settings.sifting import Sifted, sift
from bornek.core.settings.state import State
from bornek.core.windows import NOT_READ, Normal, Value, Window, verdict
from bornek.core.working import Line, Working

READ, AGAIN = "travel", "again"
SCATTER_PRIOR_MM = 0.0035
MOVED_BY_HAND = "move"


class NutEndPlay(Setting):
    """A guarded sequence, the travel, and once it reads in: lock, read again, let down, turn."""

    restart: ClassVar[str] = "jack"
    rho: ClassVar[float] = 0.15
    before_move: ClassVar[str] = ""
    read_posture: ClassVar[str]

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("least", "Least end play", "length", lo=0, hi=5),
                Field("greatest", "Greatest end play", "length", lo=0, hi=5),
                *thread_fields(given),
                *lock_fields(given),
                *self.own_fields(given),
            ]
        )

    def own_fields(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return ()

    @abstractmethod
    def sequence(self, ctx: Context) -> Sequence[Slot]:
        """What must be done, in order, before the travel of this round is read."""

    @abstractmethod
    def ending(self, ctx: Context) -> Sequence[Slot]:
        """What is done last, after the play has been read again with the nut locked."""

    @abstractmethod
    def stops(self, entry: Entry) -> str:
        """What an entry by itself says against going on; empty if nothing."""

    @abstractmethod
    def picture(self, ctx: Context) -> Section: ...

    def began_here(self, ctx: Context) -> bool:
        """Whether this round goes through the whole sequence: the nut was not just turned."""
        return not any(a.round == ctx.round and a.act_kind == MOVED_BY_HAND for a in ctx.acts)

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], self.floor(ctx))

    def floor(self, ctx: Context) -> float:
        """Below no play at all the bearing is pressed."""
        return 0.0

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def travels(self, ctx: Context, key: str = READ, group: str = "Travel") -> list[Slot]:
        return [
            Slot(
                key=f"{key}.{n}",
                label=f"{group}, reading {n}",
                group=group,
                axes={"rep": n},
                quantity="length",
                nature="travel",
                posture=self.read_posture,
                plausible=(0.0, 6.0),
                peers=key,
            )
            for n in (1, 2)
        ]

    def slots(self, ctx: Context) -> tuple[Slot, ...]:
        own = [*self.sequence(ctx), *self.read_here(ctx)]
        read = self._mean(ctx, self.read_here(ctx), READ)
        if read is None or not self.window(ctx).holds(read):
            return tuple(own)
        lock = confirm("lock", "Lock the nut", "Lock", "Bend the tab into its slot; not back, not on.")
        again = self.travels(ctx, AGAIN, "Read again, locked")
        return (*own, lock, *again, *self.ending(ctx))

    def read_here(self, ctx: Context) -> list[Slot]:
        """The stations of the travel in this round."""
        return self.travels(ctx)

    def _mean(self, ctx: Context, slots: Sequence[Slot], key: str) -> float | None:
        """Mean of a travel, once all of its stations are read."""
        mine = [s for s in slots if s.key.startswith(key)]
        numbers = [v for g in sift(mine, ctx.now()).numbers(mine).values() for v in g]
        return sum(numbers) / len(numbers) if mine and len(numbers) == len(mine) else None

    def guide(self, ctx: Context) -> Guide:
        return guarded_guide(ctx, self.slots(ctx), self.stops, self.start_again(ctx))

    def start_again(self, ctx: Context) -> str:
        own = self.sequence(ctx)
        return own[0].key if own else f"{READ}.1"

    def found(self, ctx: Context, guide: Guide, sifted: Sifted) -> tuple[Value, tuple[float, ...]] | None:
        """The play of this round with its readings; with the nut locked it is what was read after locking."""
        for key in (AGAIN, READ):
            slots = [s for s in guide.slots if s.key.startswith(key)]
            groups = sifted.numbers(slots)
            if groups:
                value = travel_value(groups, sifted.gauges(slots, ctx), SCATTER_PRIOR_MM)
                return value, tuple(v for g in groups.values() for v in g)
        return None

    def evaluate(self, ctx: Context) -> Outcome:
        guide, window, say = self.guide(ctx), self.window(ctx), speech(ctx)
        found = None if guide.stop else self.found(ctx, guide, sift(guide.slots, ctx.now()))
        usual = expected_u(ctx.find_gauge(), "travel", SCATTER_PRIOR_MM, 2)
        aim = aim_in(window, ctx.given.get("aim"), usual)
        scenes = (
            self.picture(ctx),
            steps_scene(ctx, guide, "Sequence"),
            ladder_of(ctx.given, window, say),
        )
        checks = tuple(self.checks(ctx))
        if found is None:
            return Outcome(
                (unread("end_play", "End play", window, aim=aim),), checks, NOT_READ, scenes=scenes
            )
        value, readings = found
        result = Result(
            key="end_play",
            label="End play",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=self.working(ctx, value, window),
            verdict=verdict(value, window),
            aim=aim,
            readings=readings,
        )
        return Outcome((result,), checks, result.verdict, scenes=scenes, observed={"end_play": value})

    def checks(self, ctx: Context) -> Sequence[Check]:
        return ()

    def working(self, ctx: Context, value: Value, window: Window) -> Working:
        if not isinstance(value, Normal):
            return Working((), source_lines(window))
        say, pitch = speech(ctx), pitch_mm(ctx.given)
        sum_words = f"{say.number(value.v)} ÷ {say.size(pitch)} × 360"
        step = lock_step_deg(ctx.given["tabs"], ctx.given["slots"])
        lines = (
            Line("Nut from snug", sum_words, f"{self.angle(ctx, value.v):.1f}°", True),
            Line(
                "One lock position", f"360 ÷ lcm({ctx.given['tabs']}, {ctx.given['slots']})", f"{step:.2f}°"
            ),
            Line("and as play", f"{step:.2f} ÷ 360 × {say.size(pitch)}", say.number(step / 360 * pitch)),
        )
        return Working(lines, source_lines(window))

    def angle(self, ctx: Context, play_mm: float) -> float:
        """How far from snug the nut stands for this play: play ÷ pitch × 360 [deg]."""
        return play_mm / pitch_mm(ctx.given) * 360

    def step(self, ctx: Context) -> float:
        return lock_step_deg(ctx.given["tabs"], ctx.given["slots"])

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        return from_start(ctx, knob, "deg", self.step(ctx), number)

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        at = positions_deg(ctx.given, self.window(ctx))
        return (
            Knob(
                key="nut",
                label="Nut angle from snug",
                place="",
                unit="deg",
                domain=Lattice(first_lock_deg(ctx.given), self.step(ctx), len(at)),
                sense=1,
                noun="nut",
                title="Nut and lock washer",
                read=True,
                first=self.before_move,
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("end_play",),
            knobs=("nut",),
            k0=((pitch_mm(ctx.given) / 360,),),
            rho=((self.rho,),),
            s_a=(0.006,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=2,
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"nut", "axial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"nut", "axial"})
