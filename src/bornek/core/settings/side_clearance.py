"""Side clearance between gears, by feeler, set by a washer chosen from the shelf.

Washer wanted = washer in + (gap − aim). A washer is turned one tooth in its groove and keyed; their order along the
shaft is kept. If no washer brings it in, gear faces or washer are worn: measure them.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.quantities import from_nm
from bornek.core.scenes import Section
from bornek.core.settings.common import PLAY_TELLS, confirm, given_window, source_lines, unread, whole_form
from bornek.core.settings.figures.washer_between import draw_washer_between
from bornek.core.settings.kind import Check, Field, Outcome, Result, Setting, SlipHint, Slot, aim_in, speech
from bornek.core.settings.knobs import Knob, Packs, Response
from bornek.core.settings.records import Between, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.windows import NOT_READ, Interval, Window, verdict
from bornek.core.working import Line, Working

PLACES = (1, 2, 3)
KNOB = "pack"
SCATTER_PRIOR_MM = 0.004


def washer_wanted_mm(washer_mm: float, gap_mm: float, aim_mm: float) -> float:
    """Thickness of the washer that leaves the wanted gap: washer in + (gap − aim), mm.

    >>> round(washer_wanted_mm(2.5, 0.45, 0.25), 3)
    2.7
    """
    return washer_mm + (gap_mm - aim_mm)


@register
class SideClearance(Setting):
    id = "side_clearance"
    title = "Side clearance between gears, by selective washers"
    plain = "Gears that want side clearance, set by a washer"
    from_drawer = True
    cautions = (
        "Nobody turns the shaft while a blade stands between the gears.",
        "A washer that is not turned into its groove and keyed wanders out under load.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        own = [
            Field("pair", "Between which gears", "text", why="Every pair has its own washer."),
            Field("least", "Least side clearance", "length", lo=0, hi=5),
            Field("greatest", "Greatest side clearance", "length", lo=0, hi=5),
            Field("order", "Where the washer stands along the shaft", "text", required=False,
                  why="Washers go back in their order: left to right, as they came off."),
            Field("lock", "How the washer is kept", "choice", default="tooth",
                  options=(("tooth", "turned one tooth in its groove and keyed"), ("ring", "by a snap ring"),
                           ("free", "it lies free"))),
        ]  # fmt: skip
        return whole_form(own)

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, ctx.given["least"], ctx.given["greatest"], self.floor(ctx))

    def floor(self, ctx: Context) -> float:
        return 0.0

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_washer_between({})

    def slots(self, ctx: Context) -> list[Slot]:
        gaps = [
            Slot(
                key=f"gap.{n}",
                label=f"Gap, place {n}",
                group="Gap",
                axes={"place": n},
                quantity="length",
                nature="size",
                accepts="between",
                posture="Push the gears apart. The thickest stack of blades that goes, then the one that does not; "
                "at three places round the face.",
                plausible=(0.01, 6.0),
                peers="gap",
            )
            for n in PLACES
        ]
        if ctx.given["lock"] != "tooth" or not self._holds(ctx, gaps):
            return gaps
        kept = confirm(
            "kept",
            "Washer turned and keyed",
            "Lock",
            "Turn the washer one tooth in its groove and put the key in. Does it hold?",
        )
        return [*gaps, kept]

    def _holds(self, ctx: Context, gaps: Sequence[Slot]) -> bool:
        found = self._gap(ctx, gaps)
        return found is not None and self.window(ctx).holds((found.a + found.b) / 2)

    def _gap(self, ctx: Context, gaps: Sequence[Slot]) -> Interval | None:
        """The mean of the brackets, end by end."""
        counted = sift(gaps, ctx.now()).counted.values()
        blades = [e.raw for e in counted if isinstance(e.raw, Between)]
        if not blades:
            return None
        n = len(blades)
        return Interval(round(sum(b.lo for b in blades) / n, 9), round(sum(b.hi for b in blades) / n, 9))

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window, say = self.slots(ctx), self.window(ctx), speech(ctx)
        gaps = [s for s in slots if s.key.startswith("gap")]
        aim = aim_in(window, ctx.given.get("aim"), SCATTER_PRIOR_MM)
        gap = self._gap(ctx, gaps)
        state = ctx.state(KNOB)
        words = {} if gap is None else {"gap": f"{say.size(gap.a)}–{say.size(gap.b)}"}
        if state is not None:
            words["washer"] = state.label(say)
        picture = draw_washer_between(words)
        if gap is None:
            empty = unread("gap", "Side clearance", window, aim=aim)
            return Outcome((empty,), (), NOT_READ, scenes=(picture,))
        lines, checks = [], list[Check]()
        if state is not None:
            middle = (gap.a + gap.b) / 2
            wanted = washer_wanted_mm(state.position, middle, aim)
            how = f"{state.label(say)} + ({say.number(middle)} − {say.size(aim)})"
            lines.append(Line("Washer wanted", how, say.number(wanted), True))
            checks += self._worn(ctx, wanted, window, aim)
        judged = verdict(gap, window)
        result = Result(
            key="gap",
            label="Side clearance",
            quantity="length",
            value=gap,
            window=window,
            role="target",
            working=Working(tuple(lines), source_lines(window)),
            verdict=judged,
            aim=aim,
        )
        return Outcome((result,), tuple(checks), judged, scenes=(picture,), observed={"gap": gap})

    def _worn(self, ctx: Context, wanted: float, window: Window, aim: float) -> list[Check]:
        """Where no washer of the shelf could bring it in, the faces or the washer are worn."""
        shelf = [from_nm(nm) for nm, n in ctx.stock.items() if n > 0]
        if not shelf or any(window.holds(aim + wanted - t) for t in shelf):
            return []
        say = speech(ctx)
        words = (
            f"No washer on the shelf brings it in ({say.size(min(shelf))} to {say.size(max(shelf))}, {say.number(wanted)} "
            "wanted). Measure the washer and the gear faces: they are worn, or a washer is missing."
        )
        return [Check("worn", "note", words)]

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        return (
            Knob(
                key=KNOB,
                label="Washer",
                place="",
                unit="mm",
                domain=Packs(1),
                sense=-1,
                noun="washer",
                title=f"Washer: {ctx.given['pair']}",
            ),
        )

    def response(self, ctx: Context) -> Response:
        return Response(
            rows=("gap",),
            knobs=(KNOB,),
            k0=((-1.0,),),
            rho=((0.03,),),
            s_a=(0.006,),
            s_r=(SCATTER_PRIOR_MM,),
            harm=("low",),
            repeats=len(PLACES),
        )

    def brief(self, ctx: Context) -> Sequence[str]:
        order = str(ctx.given.get("order") or "")
        return tuple(x for x in (str(ctx.given["pair"]), order) if x)

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("feeler blades", "micrometer for the washers")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack", "axial"})

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("Two washers changed places: look at their order along the shaft."),
            SlipHint("The washer is not in its groove."),
            SlipHint("A burr, or dirt behind the washer."),
            SlipHint("The gears were not pushed apart."),
        ]
