"""Size of a journal, a bore or a housing seat against its limits or its fit class.

A seat that a ring has spun on is measured, not felt. All sizes in mm, corrected to nothing: gauge and part
at one temperature.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.readings import budget, show_budget
from bornek.core.settings.common import given_window, source_lines, whole_form
from bornek.core.settings.kind import Check, Field, Offer, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.places_around import FORM_LIMIT, Sizes, by_place, form_of, size_slots, size_table
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift, sift_checks
from bornek.core.tables.iso286 import limits_of
from bornek.core.windows import NOT_READ, Normal, Window, verdict
from bornek.core.working import Line, Sum, Working

SCATTER_PRIOR_MM = 0.002
WHAT = (("journal", "a journal or shaft seat"), ("bore", "a bore"), ("housing", "a housing seat"))


@register
class SeatSize(Setting):
    id = "seat_size"
    title = "Size of a journal, bore or housing seat"
    offers = tuple(
        Offer(
            key=what,
            label=label,
            given={"what": what},
            asks=("nominal", "fit", "least", "greatest", "source"),
            suits=suits,
        )
        for what, label, suits in (
            ("journal", "a journal or seat", ("shaft", "key", "spline")),
            ("bore", "a bore", ("gear", "bearing")),
            ("housing", "a housing seat", ("housing",)),
        )
    )
    cautions = (
        "Part clean, burr-free and at the gauge's temperature; zero on a master of the same size.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return whole_form(
            [
                Field("what", "It is", "choice", options=WHAT, default="journal"),
                Field("nominal", "Nominal size", "length", lo=1, hi=2000),
                Field(
                    "fit",
                    "Fit class (such as k6 or H7)",
                    "text",
                    required=False,
                    why="The limits then come from the ISO 286 table.",
                ),
                Field(key="least", label="Least size", quantity="length", required=False, lo=0.5, hi=2001),
                Field(
                    key="greatest", label="Greatest size", quantity="length", required=False, lo=0.5, hi=2001
                ),
                FORM_LIMIT,
                Field(
                    key="mate",
                    label="Mean size of the mating part",
                    quantity="length",
                    required=False,
                    lo=0.5,
                    hi=2001,
                    why="With it the fit itself is reckoned.",
                ),
            ]
        )

    def window(self, ctx: Context) -> Window:
        fit = str(ctx.given.get("fit") or "").strip()
        if not fit:
            if ctx.given.get("least") is None and ctx.given.get("greatest") is None:
                raise RangeError(
                    "Neither a fit class nor a least or greatest size is given.",
                    field="fit",
                    next_step="Give the class, or the sizes from the drawing.",
                )
            return given_window(ctx.given, ctx.given.get("least"), ctx.given.get("greatest"))
        if fit[:1].isupper() != (ctx.given["what"] != "journal"):
            raise RangeError(
                f"{fit} is a class for {'holes' if fit[:1].isupper() else 'shafts'}.",
                field="fit",
                next_step="Small letters for a journal, capitals for a bore or housing.",
            )
        limits = limits_of(float(ctx.given["nominal"]), fit)
        said = str(ctx.given.get("source") or "")
        return Window(
            limits.least,
            limits.greatest,
            f"{said}; {limits.source}" if said else limits.source,
            str(ctx.given.get("basis", "new parts")),
            str(ctx.given.get("edition", "")),
        )

    def slots(self, ctx: Context) -> list[Slot]:
        nominal = float(ctx.given["nominal"])
        label = dict(WHAT)[ctx.given["what"]].split(" ", 1)[1].capitalize()
        return size_slots(
            "size",
            label,
            "Rock the gauge for the turning point; clear of edge and oil hole.",
            (nominal * 0.98, nominal * 1.02),
        )

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window, gauge, say = self.slots(ctx), self.window(ctx), ctx.find_gauge(), speech(ctx)
        sifted = sift(slots, ctx.now())
        sizes: Sizes = {
            (str(s.axes["place"]), str(s.axes["way"])): e.number
            for s in slots
            if (e := sifted.counted.get(s.key)) is not None and e.number is not None
        }
        checks = list(sift_checks(sifted, slots))
        if not sizes:
            empty = Result(
                key="size", label="Mean size", quantity="length", value=None, window=window, verdict=NOT_READ
            )
            return Outcome((empty,), tuple(checks), NOT_READ)
        parts = budget(by_place(sizes), gauge, "size", SCATTER_PRIOR_MM)
        value, form = Normal(round(parts.mean, 9), parts.u), form_of(sizes)
        total = Sum(3 if say.unit == "mm" else 1)
        total.mean("Mean size", [v * say.per_mm for v in sizes.values()])
        total.line("Ovality", "greatest difference across one place", form.ovality_mm * say.per_mm)
        total.line("Taper", "between the means of the places", form.taper_mm * say.per_mm)
        show_budget(total, parts, gauge, "size", say.per_mm)
        judged = verdict(value, window)
        results = [
            Result(
                key="size",
                label="Mean size",
                quantity="length",
                value=value,
                window=window,
                role="target",
                working=total.working().sourced(*source_lines(window)),
                verdict=judged,
                readings=tuple(sizes.values()),
            )
        ]
        results += self._fit(ctx, value)
        checks += self._form(ctx, form.ovality_mm, form.taper_mm)
        return Outcome(
            tuple(results),
            tuple(checks),
            judged,
            self._sentence(ctx, judged.code),
            scenes=(size_table(f"Sizes, {say.unit}", {"": sizes}, say),),
        )

    def _sentence(self, ctx: Context, code: str) -> str:
        """A seat is not set: it is good, or it goes back to Inspect."""
        if code in ("in", "at_edge") or not code.startswith("out"):
            return ""
        worn = "low" if ctx.given["what"] == "journal" else "high"
        if code.endswith(worn):
            return "Worn: the ring would spin. Back to Inspect: build up, sleeve, or replace."
        return "More stock than the drawing allows: look for a burr, a raised edge or the wrong part."

    def _form(self, ctx: Context, ovality: float, taper: float) -> list[Check]:
        limit = ctx.given.get("form_limit")
        if limit is None:
            return []
        say = speech(ctx)
        return [
            Check(
                f"form_{name.lower()}",
                "warn",
                f"{name} {say.number(value)} {say.unit}, more than {say.size(limit)}: not a seat for a ring.",
            )
            for name, value in (("Ovality", ovality), ("Taper", taper))
            if value > limit + 1e-9
        ]

    def _fit(self, ctx: Context, value: Normal) -> list[Result]:
        mate = ctx.given.get("mate")
        if mate is None:
            return []
        say = speech(ctx)
        clearance = (value.v - mate) if ctx.given["what"] != "journal" else (mate - value.v)
        words = "clearance" if clearance >= 0 else "interference"
        working = Working(
            (
                Line(
                    "Fit",
                    f"{say.number(max(value.v, mate))} − {say.number(min(value.v, mate))}",
                    f"{say.number(abs(clearance))} {words}",
                    True,
                ),
            )
        )
        return [
            Result(
                key="fit",
                label=f"Fit with its mate: {words}",
                quantity="length",
                value=Normal(round(clearance, 9), math.hypot(value.u, value.u)),
                window=None,
                role="info",
                working=working,
            )
        ]

    def tools(self, ctx: Context) -> Sequence[str]:
        return (
            "outside micrometer" if ctx.given["what"] == "journal" else "bore gauge",
            "master of the size",
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset()

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset()
