"""Clearance of a plain bearing or bush: bore less journal, or a soft strip squeezed in the joint.

Clearance = mean bore − mean journal [mm], diametral; or the mean thickness of the strip with the cap at its torque.
Against least and greatest, or a share of the diameter [‰]. A bush that passes "snug" by feel gets a number here.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from functools import partial
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.readings import Budget, combined, show_budget
from bornek.core.scenes import Section, Table
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, temperature_fields, whole_form
from bornek.core.settings.figures.bush_and_journal import draw_bush_and_journal
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
    Readings,
    Sizes,
    budget_of,
    by_place,
    form_checks,
    form_results,
    single,
    size_slots,
    size_table,
    sizes_of,
    usual_u,
)
from bornek.core.settings.records import Confirm, Context, Entry
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, Normal, Verdict, Window, verdict, worst
from bornek.core.working import Sum, Working

SCATTER_PRIOR_MM = 0.002
BORE_STEP_MM = 0.005
STRIP_PRIOR_MM = 0.005
BORE, CAP = "bore", "pack"
OIL = "oil.hole"
UNEVEN = "Mean and least clearance differ by more than the window: no clearance is right all round."


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
    plain = "A bush or plain bearing on its journal"
    from_drawer = True
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
        return whole_form([*own, *temperature_fields("Parts'")])

    def floor(self, ctx: Context) -> float:
        """A clearance below 0 is an interference: the shaft seizes."""
        return 0.0

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
        return given_window(g, ends[0], ends[1], self.floor(ctx))

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_bush_and_journal()

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
                "bore", "Bore", "Bore gauge set on the journal's size; rock it for the least.", near, "inside"
            )
            if ctx.round == ctx.first_round:
                found = (
                    size_slots(
                        "journal", "Journal", "Micrometer, clear of oil hole and edges.", near, "outside"
                    )
                    + found
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

    def _read(self, ctx: Context, what: str) -> Readings:
        """The newest readings of one member: a journal is read in the first round and stays."""
        found: dict[tuple[str, str], Entry] = {}
        for number in range(ctx.first_round, ctx.round + 1):
            now = ctx.once((self.id, what, number), partial(self._read_in, ctx, what, number))
            if what != "journal":
                found = {}
            found |= now
        return found

    def _read_in(self, ctx: Context, what: str, number: int) -> Readings:
        """The readings of one member in one round."""
        then = ctx.at(number)
        sifted = sift(self.slots(then), then.now())
        return {
            (str(s.axes["place"]), str(s.axes.get("way", ""))): e
            for s in self.slots(then)
            if s.axes.get("what") == what
            and (e := sifted.counted.get(s.key)) is not None
            and e.number is not None
        }

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window = self.slots(ctx), self.window(ctx)
        sifted = sift(slots, ctx.now())
        names = ("strip",) if ctx.given["method"] == "strip" else ("bore", "journal")
        read = {name: self._read(ctx, name) for name in names}
        sizes = {name: sizes_of(found, ctx) for name, found in read.items()}
        usual = usual_u(ctx, self._floor(ctx), len(names))
        aim = aim_in(window, ctx.given.get("aim"), usual)
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
            return Outcome((empty,), (), NOT_READ, sign_blockers=blockers)
        parts = {name: budget_of(found, ctx, self._floor(ctx)) for name, found in read.items()}
        value, working = self._value(ctx, sizes, parts)
        least = self._least(ctx, sizes, parts)
        worse = max(value.v - least.v, 0.0)
        fits = window.low + worse < window.high
        steer = replace(window, lo=window.low + worse) if fits and not math.isinf(window.low) else None
        aim = aim_in(steer or window, ctx.given.get("aim"), usual)
        judged = verdict(value, window)
        below = replace(window, hi=None)
        results = [
            Result(
                key="clearance",
                label="Clearance",
                quantity="length",
                value=value,
                window=window,
                role="target",
                working=working.sourced(*source_lines(window)),
                verdict=judged,
                aim=aim,
                steer=steer,
            ),
            Result(
                key="least",
                label="Least clearance, at the tightest place",
                quantity="length",
                value=least,
                window=below,
                role="target",
                verdict=verdict(least, below),
                strip=False,
            ),
        ]
        for name, found in read.items():
            results += form_results(name, found, ctx, window, self._floor(ctx))
        overall = worst([x.verdict for x in results])
        checks = form_checks(results, speech(ctx), "one clearance cannot be right all round.")
        if not fits:
            checks.append(Check("uneven", "stop", UNEVEN, "stop"))
        checks += self._choices(ctx, sizes, value, overall, aim)
        return Outcome(
            results=tuple(results),
            checks=tuple(checks),
            verdict=overall,
            scenes=(self._table(ctx, sizes, value, least),),
            sign_blockers=blockers,
            observed={"clearance": value},
        )

    def _floor(self, ctx: Context) -> float:
        return STRIP_PRIOR_MM if ctx.given["method"] == "strip" else SCATTER_PRIOR_MM

    def _least(self, ctx: Context, sizes: Mapping[str, Sizes], parts: Mapping[str, Budget]) -> Normal:
        """Where it would seize first: the smallest bore less the greatest journal of one place."""
        one = {name: single(p, self._floor(ctx)) for name, p in parts.items()}
        if "strip" in sizes:
            return Normal(min(sizes["strip"].values()), combined([(1.0, one["strip"])]))
        bores, journals = by_place(sizes["bore"]), by_place(sizes["journal"])
        gaps = [min(b) - max(journals[place]) for place, b in bores.items() if place in journals]
        gap = min(gaps) if gaps else min(map(min, bores.values())) - max(map(max, journals.values()))
        return Normal(round(gap, 9), combined([(1.0, one["bore"]), (-1.0, one["journal"])]))

    def _value(
        self, ctx: Context, sizes: Mapping[str, Sizes], parts: Mapping[str, Budget]
    ) -> tuple[Normal, Working]:
        """What each gauge is off by counts for all that it read: it adds up over two gauges, and cancels where
        one read both members."""
        say = speech(ctx)
        total = Sum(3 if say.unit == "mm" else 1)
        for name, found in sizes.items():
            total.mean(f"Mean {name}", [v * say.per_mm for v in found.values()])
        if "strip" in parts:
            show_budget(total, parts["strip"], "size", say.per_mm)
            return Normal(round(parts["strip"].mean, 9), parts["strip"].u), total.working()
        bore, journal = parts["bore"], parts["journal"]
        clearance = bore.mean - journal.mean
        total.line(
            "Clearance",
            f"{say.number(bore.mean)} − {say.number(journal.mean)}",
            clearance * say.per_mm,
            main=True,
        )
        value = Normal(round(clearance, 9), combined([(1.0, bore), (-1.0, journal)]))
        show_budget(total, bore, "size", say.per_mm)
        total.lines.pop()
        total.line(
            "Give or take",
            "2 × √(bore² + journal²), what a gauge is off by once for all that it read",
            expanded(value.u) * say.per_mm,
            main=True,
        )
        return value, total.working()

    def _choices(
        self, ctx: Context, sizes: Mapping[str, Sizes], value: Normal, judged: Verdict, aim: float
    ) -> list[Check]:
        """What can be done about it, when nothing on the page adjusts it: a sheet names one size only."""
        if not judged.code.startswith("out"):
            return []
        say = speech(ctx)
        off = value.v - aim
        words = [f"Too {'loose' if off > 0 else 'tight'} by {say.number(abs(off))} {say.unit} from the aim."]
        journal = sizes.get("journal", {})
        if not self.knobs(ctx) and journal:
            wanted = sum(journal.values()) / len(journal) + aim
            words.append(f"A new bush would be reamed or honed to {say.size(round(wanted, 3))}.")
        elif not self.knobs(ctx) and ctx.given.get("torque"):
            which = "out from" if off > 0 else "in"
            words.append(
                f"Under a cap with shims: {say.number(abs(off))} {which} under each side, the same on both."
            )
        if ctx.given["remedy"] == "scrape":
            words.append(
                "Scrape to the blue: high spots only, spread over the whole bearing, then read again."
            )
        return [Check("choices", "note", " ".join(words))]

    def _table(self, ctx: Context, sizes: Mapping[str, Sizes], mean: Normal, least: Normal) -> Table:
        say, title = speech(ctx), f"Sizes, {speech(ctx).unit}"
        if "strip" not in sizes:
            table = size_table(title, sizes, say)
            both = ("clearance", "mean", say.number(mean.v), "least", say.number(least.v))
            return Table(title, table.head, (*table.rows, both))
        rows = [
            (label, say.number(sizes["strip"][place, ""]))
            for place, label in PLACES
            if (place, "") in sizes["strip"]
        ]
        return Table(title, ("", "strip"), tuple(rows))

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The bush's bore as measured in that round, else as it was said to be reamed."""
        then = ctx.at(ctx.round if number is None else number)
        sizes = sizes_of(self._read(then, "bore"), then) if knob == BORE else {}
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
        return Response(
            rows=("clearance",),
            knobs=(knob,),
            k0=((1.0,),),
            rho=((0.02,),),
            s_a=(0.003,),
            s_r=(self._floor(ctx),),
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
