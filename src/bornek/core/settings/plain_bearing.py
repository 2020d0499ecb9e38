"""Clearance of a plain bearing or bush: bore less journal, or a soft strip squeezed in the joint.

Clearance = mean bore − mean journal [mm], diametral; or the mean thickness of the strip with the cap at its torque.
Against least and greatest, or a share of the diameter [‰]. A bush that passes "snug" by feel gets a number here.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.quantities import Speech
from bornek.core.readings import Budget, budget, show_budget
from bornek.core.scenes import Table
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import (
    Check,
    Field,
    Offer,
    Outcome,
    Result,
    Setting,
    SlipHint,
    Slot,
    aim_in,
    speech,
)
from bornek.core.settings.knobs import Continuous, Knob, Packs, Response
from bornek.core.settings.places_around import (
    FORM_LIMIT,
    PLACES,
    Sizes,
    by_place,
    form_of,
    size_slots,
    size_table,
)
from bornek.core.settings.records import Confirm, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift, sift_checks
from bornek.core.settings.state import Position, State
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Verdict, Window, verdict
from bornek.core.working import Sum, Working

SCATTER_PRIOR_MM = 0.002
BORE_STEP_MM = 0.005
STRIP_PRIOR_MM = 0.005
BORE, CAP = "bore", "pack"
OIL = "oil.hole"


def share_of_mm(diameter_mm: float, per_mille: float) -> float:
    """A clearance given as a share of the diameter.

    Equation: c = d · s / 1000, d [mm] 1 to 2000, s [‰] 0 to 10. Source: definition. Raises RangeError outside.

    >>> share_of_mm(50, 1.2)
    0.06
    """
    if not 1 <= diameter_mm <= 2000:
        raise RangeError(f"diameter must be 1 to 2000 mm (got {diameter_mm:g}).", field="diameter")
    if not 0 <= per_mille <= 10:
        raise RangeError(
            f"A share must be 0 to 10 per mille (got {per_mille:g}). Was it per cent?", field="share"
        )
    return round(diameter_mm * per_mille / 1000, 9)


@register
class PlainBearing(Setting):
    id = "plain_bearing"
    title = "Clearance of a plain bearing or bush"
    offers = (
        Offer(
            key="clearance",
            label="a clearance, bore on journal",
            given={},
            asks=("diameter", "least", "greatest", "source"),
            suits=("bush",),
        ),
    )
    cautions = (
        "Cap bolts at full torque for every reading; a strip is squeezed once, the shaft not turned.",
        "Chips from reaming and scraping: eyes covered, oil ways plugged, then blown clear away from people.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        own = [
            Field(
                "method",
                "Measured",
                "choice",
                default="gauges",
                options=(
                    ("gauges", "bore and journal, each by gauge"),
                    ("strip", "soft wire or strip squeezed under the cap"),
                ),
            ),
            Field("diameter", "Diameter", "length", lo=1, hi=2000),
            Field(key="least", label="Least clearance", quantity="length", required=False, lo=0, hi=5),
            Field(key="greatest", label="Greatest clearance", quantity="length", required=False, lo=0, hi=5),
            Field(
                key="least_share",
                label="or least, per mille of the diameter",
                quantity="number",
                required=False,
                lo=0,
                hi=10,
            ),
            Field(
                key="greatest_share",
                label="or greatest, per mille of the diameter",
                quantity="number",
                required=False,
                lo=0,
                hi=10,
            ),
            FORM_LIMIT,
            Field(
                "remedy",
                "Can be brought right by",
                "choice",
                default="none",
                options=(
                    ("none", "re-use or replace only"),
                    ("ream", "a bush reamed or honed to size"),
                    ("cap_shims", "shims under the cap, the same on both sides"),
                    ("scrape", "scraping"),
                ),
            ),
            Field(
                key="torque",
                label="Cap bolt torque",
                quantity="torque",
                required=given.get("method") == "strip",
                lo=0,
                hi=5000,
            ),
        ]
        return whole_form(own)

    def window(self, ctx: Context) -> Window:
        g = ctx.given
        ends = []
        for end in ("least", "greatest"):
            share = g.get(f"{end}_share")
            ends.append(
                g.get(end)
                if g.get(end) is not None
                else share_of_mm(float(g["diameter"]), float(share))
                if share is not None
                else None
            )
        if ends == [None, None]:
            raise RangeError(
                "No least or greatest clearance is given.",
                field="least",
                next_step="Give it in length, or as a share of the diameter.",
            )
        return given_window(g, ends[0], ends[1])

    def slots(self, ctx: Context) -> list[Slot]:
        d = float(ctx.given["diameter"])
        if ctx.given["method"] == "strip":
            found = [
                Slot(
                    key=f"strip.{place}",
                    label=f"Strip, {label}",
                    group="Strip",
                    axes={"what": "strip", "place": place},
                    quantity="length",
                    nature="size",
                    posture="Dry and clean. Lay the strip along the shaft, cap to full torque, off again; "
                    "read its squeezed thickness.",
                    plausible=(0.005, 3.0),
                    peers="strip",
                )
                for place, label in PLACES
            ]
        else:
            near = (d * 0.98, d * 1.02)
            found = size_slots(
                "bore", "Bore", "Bore gauge set on the journal's size; rock it for the least.", near
            )
            if ctx.round == 1:
                found = (
                    size_slots("journal", "Journal", "Micrometer, clear of oil hole and edges.", near) + found
                )
        return [
            *found,
            Slot(
                key=OIL,
                label="Oil hole open and aligned",
                group="Oil hole",
                axes={"step": "oil"},
                quantity="count",
                nature="confirm",
                accepts="confirm",
                posture="Oil hole: a wire through it into the groove. Confirm.",
            ),
        ]

    def _sizes(self, ctx: Context, what: str) -> Sizes:
        """The newest sizes of one member: a journal is read in round 1 and stays."""
        found: dict[tuple[str, str], float] = {}
        for number in range(1, ctx.round + 1):
            then = ctx.at(number)
            sifted = sift(self.slots(then), then.now())
            now = {
                (str(s.axes["place"]), str(s.axes.get("way", ""))): e.number
                for s in self.slots(then)
                if s.axes.get("what") == what
                and (e := sifted.counted.get(s.key)) is not None
                and e.number is not None
            }
            if what != "journal":
                found = {}
            found |= now
        return found

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window = self.slots(ctx), self.window(ctx)
        sifted = sift(slots, ctx.now())
        checks = list(sift_checks(sifted, slots))
        names = ("strip",) if ctx.given["method"] == "strip" else ("bore", "journal")
        sizes = {name: self._sizes(ctx, name) for name in names}
        aim = aim_in(window, ctx.given.get("aim"))
        oil = sifted.counted.get(OIL)
        blockers = (
            ()
            if oil and isinstance(oil.raw, Confirm) and oil.raw.done
            else ("Hold: the oil hole is not confirmed open and aligned.",)
        )
        if not all(sizes.values()):
            empty = Result(
                key="clearance",
                label="Clearance",
                quantity="length",
                value=None,
                window=window,
                verdict=NOT_READ,
                aim=aim,
            )
            return Outcome((empty,), tuple(checks), NOT_READ, sign_blockers=blockers)
        value, working = self._value(ctx, sizes)
        judged = verdict(value, window)
        result = Result(
            key="clearance",
            label="Clearance",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=working.sourced(*source_lines(window)),
            verdict=judged,
            aim=aim,
        )
        checks += [*self._form(ctx, sizes), *self._choices(ctx, sizes, value, window, judged, aim)]
        return Outcome(
            results=(result,),
            checks=tuple(checks),
            verdict=judged,
            scenes=(self._table(ctx, sizes),),
            sign_blockers=blockers,
            observed={"clearance": value},
        )

    def _value(self, ctx: Context, sizes: Mapping[str, Sizes]) -> tuple[Normal, Working]:
        """Two members by two gauges: every share counts, calibration twice."""
        say, gauge = speech(ctx), ctx.find_gauge()
        total = Sum(3 if say.unit == "mm" else 1)
        floor = STRIP_PRIOR_MM if "strip" in sizes else SCATTER_PRIOR_MM
        parts: dict[str, Budget] = {}
        for name, found in sizes.items():
            parts[name] = budget(by_place(found), gauge, "size", floor)
            total.mean(f"Mean {name}", [v * say.per_mm for v in found.values()])
        if "strip" in parts:
            value = Normal(round(parts["strip"].mean, 9), parts["strip"].u)
        else:
            bore, journal = parts["bore"].mean, parts["journal"].mean
            total.line(
                "Clearance",
                f"{say.number(bore)} − {say.number(journal)}",
                (bore - journal) * say.per_mm,
                main=True,
            )
            value = Normal(round(bore - journal, 9), math.hypot(parts["bore"].u, parts["journal"].u))
        show_budget(total, parts[next(iter(parts))], gauge, "size", say.per_mm)
        if len(parts) > 1:
            total.lines.pop()
            total.line("Give or take", "2 × √(bore² + journal²)", expanded(value.u) * say.per_mm, main=True)
        return value, total.working()

    def _form(self, ctx: Context, sizes: Mapping[str, Sizes]) -> list[Check]:
        limit, say, found = ctx.given.get("form_limit"), speech(ctx), []
        for name, members in sizes.items():
            form = form_of(members)
            for word, value in (("oval", form.ovality_mm), ("tapered", form.taper_mm)):
                if limit is not None and value > limit + 1e-9:
                    found.append(
                        Check(
                            f"{word}_{name}",
                            "warn",
                            f"The {name} is {word} by {say.number(value)} {say.unit}, "
                            f"more than {say.size(limit)}: one clearance cannot be right all round.",
                        )
                    )
        return found

    def _choices(
        self,
        ctx: Context,
        sizes: Mapping[str, Sizes],
        value: Normal,
        window: Window,
        judged: Verdict,
        aim: float,
    ) -> list[Check]:
        """What can be done about it, when nothing on the page adjusts it."""
        if not judged.code.startswith("out"):
            return []
        say, remedy = speech(ctx), ctx.given["remedy"]
        off = value.v - aim
        words = [f"Too {'loose' if off > 0 else 'tight'} by {say.number(abs(off))} {say.unit} from the aim."]
        journal = sizes.get("journal", {})
        if journal:
            wanted = sum(journal.values()) / len(journal) + aim
            words.append(f"A new bush would be reamed or honed to {say.size(wanted)}.")
        if remedy != "cap_shims" and ctx.given.get("torque"):
            words.append(self._cap_words(off, say))
        if remedy == "scrape":
            words.append(
                "Scrape to the blue: high spots only, spread over the whole bearing, then read again."
            )
        return [Check("choices", "note", " ".join(words))]

    def _cap_words(self, off: float, say: Speech) -> str:
        which = "out from" if off > 0 else "in"
        return f"Under a cap with shims: {say.number(abs(off))} {which} under each side, the same on both."

    def _table(self, ctx: Context, sizes: Mapping[str, Sizes]) -> Table:
        say, title = speech(ctx), f"Sizes, {speech(ctx).unit}"
        if "strip" not in sizes:
            return size_table(title, sizes, say)
        rows = [
            (label, say.number(sizes["strip"][place, ""]))
            for place, label in PLACES
            if (place, "") in sizes["strip"]
        ]
        return Table(title, ("", "strip"), tuple(rows))

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The bush's bore as measured in that round, else as it was said to be reamed."""
        then = ctx.at(ctx.round if number is None else number)
        sizes = self._sizes(then, "bore") if knob == BORE else {}
        return Position(sum(sizes.values()) / len(sizes), step=BORE_STEP_MM) if sizes else then.state(knob)

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        d = float(ctx.given["diameter"])
        if ctx.given["remedy"] == "ream" and ctx.given["method"] == "gauges":
            return (
                Knob(
                    key=BORE,
                    label="Bush bore",
                    place="",
                    unit="mm",
                    domain=Continuous(BORE_STEP_MM, d * 0.98, d * 1.02),
                    sense=1,
                    noun="bore",
                    title="Bush",
                    read=True,
                    more="Ream or hone the bush to",
                    less="Fit a new bush and ream it to",
                ),
            )
        if ctx.given["remedy"] == "cap_shims":
            return (
                Knob(
                    key=CAP,
                    label="Shims under the cap, each side",
                    place="",
                    unit="mm",
                    domain=Packs(),
                    sense=1,
                    title="Cap, each side",
                ),
            )
        return ()

    def response(self, ctx: Context) -> Response | None:
        """Plain geometry: a bore grows what is reamed, a cap rises what lies under both sides."""
        if not self.knobs(ctx):
            return None
        knob = self.knobs(ctx)[0].key
        floor = STRIP_PRIOR_MM if ctx.given["method"] == "strip" else SCATTER_PRIOR_MM
        return Response(
            rows=("clearance",),
            knobs=(knob,),
            k0=((1.0,),),
            rho=((0.02,),),
            s_a=(0.003,),
            s_r=(floor,),
            harm=("low",),
            repeats=3,
            geometry=knob == BORE,
        )

    def brief(self, ctx: Context) -> Sequence[str]:
        lines = [f"cap at {ctx.given['torque']:g} N·m"] if ctx.given.get("torque") else []
        if ctx.given["remedy"] == "cap_shims":
            lines.append("two of each shim: the same under both sides")
        return lines

    def tools(self, ctx: Context) -> Sequence[str]:
        if ctx.given["method"] == "strip":
            return ("soft strip with its card", f"torque wrench to {ctx.given['torque']:g} N·m")
        own = ("bore gauge", "outside micrometer", "wire for the oil hole")
        return (*own, "reamer or hone") if ctx.given["remedy"] == "ream" else own

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"pack"}) if ctx.given["remedy"] == "cap_shims" else frozenset({BORE})

    def writes(self, ctx: Context) -> frozenset[str]:
        return self.reads(ctx)

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint(h)
            for h in (
                "The shims were not the same under both sides.",
                "The cap was not at its torque, or sat on dirt.",
                "The bush closed in when it was pressed home.",
                "The strip moved, or the shaft was turned.",
            )
        ]
