"""Clearance of a plain bearing or bush: bore less journal, or a soft strip squeezed in the joint.

Clearance = mean bore − mean journal [mm], diametral; or the mean thickness of the strip with the cap at its torque.
Against least and greatest, or a share of the diameter [‰]. A bush that passes "snug" by feel gets a number here.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from bornek.core.scenes import Section
from bornek.core.settings.bush_form import ends_given, form_of
from bornek.core.settings.bush_read import OIL, read_of, scatter_mm, slots_of
from bornek.core.settings.bush_sum import least_of, table_of, value_of
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, unread
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
from bornek.core.settings.places_around import Sizes, budget_of, form_checks, form_results, sizes_of, usual_u
from bornek.core.settings.records import Confirm, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.settings.state import Position, State
from bornek.core.windows import NOT_READ, Normal, Verdict, Window, verdict, worst

BORE_STEP_MM = 0.005
BORE, CAP = "bore", "pack"
UNEVEN = "Mean and least clearance differ by more than the window: no clearance is right all round."


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
        return form_of(given)

    def floor(self, ctx: Context) -> float:
        """A clearance below 0 is an interference: the shaft seizes."""
        return 0.0

    def window(self, ctx: Context) -> Window:
        return given_window(ctx.given, *ends_given(ctx.given), self.floor(ctx))

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def thing(self) -> Section:
        return draw_bush_and_journal()

    def slots(self, ctx: Context) -> list[Slot]:
        return slots_of(ctx)

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window = self.slots(ctx), self.window(ctx)
        sifted = sift(slots, ctx.now())
        names = ("strip",) if ctx.given["method"] == "strip" else ("bore", "journal")
        read = {name: read_of(ctx, name) for name in names}
        sizes = {name: sizes_of(found, ctx) for name, found in read.items()}
        usual = usual_u(ctx, scatter_mm(ctx), len(names))
        aim = aim_in(window, ctx.given.get("aim"), usual)
        oil = sifted.counted.get(OIL)
        blockers = (
            ()
            if oil and isinstance(oil.raw, Confirm) and oil.raw.done
            else ("Hold: the oil hole is not confirmed open and aligned.",)
        )
        if not all(sizes.values()):
            empty = unread("clearance", "Clearance", window, aim=aim)
            return Outcome((empty,), (), NOT_READ, sign_blockers=blockers)
        parts = {name: budget_of(found, ctx, scatter_mm(ctx)) for name, found in read.items()}
        value, working = value_of(ctx, sizes, parts)
        least = least_of(ctx, sizes, parts)
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
            results += form_results(name, found, ctx, window, scatter_mm(ctx))
        overall = worst([x.verdict for x in results])
        checks = form_checks(results, speech(ctx), "one clearance cannot be right all round.")
        if not fits:
            checks.append(Check("uneven", "stop", UNEVEN, "stop"))
        checks += self._choices(ctx, sizes, value, overall, aim)
        return Outcome(
            results=tuple(results),
            checks=tuple(checks),
            verdict=overall,
            scenes=(table_of(ctx, sizes, value, least),),
            sign_blockers=blockers,
            observed={"clearance": value},
        )

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

    def state(self, ctx: Context, knob: str, number: int | None = None) -> State | None:
        """The bush's bore as measured in that round, else as it was said to be reamed."""
        then = ctx.at(ctx.round if number is None else number)
        sizes = sizes_of(read_of(then, "bore"), then) if knob == BORE else {}
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
            s_r=(scatter_mm(ctx),),
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
