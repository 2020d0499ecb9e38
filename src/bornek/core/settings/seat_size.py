"""Size of a journal, a bore or a housing seat against its limits or its fit class.

A seat that a ring has spun on is measured, not felt. It is judged twice: where it holds least (the smallest
journal, the greatest bore) for spinning, where it holds most for lost clearance and ring stress. Sizes in mm.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.readings import show_budget
from bornek.core.scenes import Section
from bornek.core.settings.common import given_window, source_lines, temperature_fields, unread, whole_form
from bornek.core.settings.figures.seat_and_micrometer import draw_seat_and_micrometer
from bornek.core.settings.kind import Field, Offer, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.places_around import (
    FORM_LIMIT,
    Readings,
    Sizes,
    budget_of,
    form_checks,
    form_of,
    form_results,
    single,
    size_slots,
    size_table,
    sizes_of,
)
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.tables.iso286 import limits_of
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Sum, Working

SCATTER_PRIOR_MM = 0.002
WHAT = (("journal", "a journal or shaft seat"), ("bore", "a bore"), ("housing", "a housing seat"))


@register
class SeatSize(Setting):
    id = "seat_size"
    wears = 0
    title = "Size of a journal, bore or housing seat"
    plain = "A seat or a bore by itself: its size, its fit"
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
                *temperature_fields("Part's"),
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

    def tells(self, ctx: Context, verdict: str) -> str:
        loose = "out_low" if ctx.given["what"] == "journal" else "out_high"
        return "seat_loose" if verdict == loose else ""

    def thing(self) -> Section:
        return draw_seat_and_micrometer()

    def slots(self, ctx: Context) -> list[Slot]:
        nominal = float(ctx.given["nominal"])
        label = dict(WHAT)[ctx.given["what"]].split(" ", 1)[1].capitalize()
        return size_slots(
            "size",
            label,
            "Rock the gauge for the turning point; clear of edge and oil hole.",
            (nominal * 0.98, nominal * 1.02),
            "inside" if ctx.given["what"] == "bore" else "outside",
        )

    def evaluate(self, ctx: Context) -> Outcome:
        slots, window, say = self.slots(ctx), self.window(ctx), speech(ctx)
        sifted = sift(slots, ctx.now())
        read: Readings = {
            (str(s.axes["place"]), str(s.axes["way"])): e
            for s in slots
            if (e := sifted.counted.get(s.key)) is not None and e.number is not None
        }
        if not read:
            empty = unread("size", "Mean size", window)
            return Outcome((empty,), (), NOT_READ)
        sizes, parts = sizes_of(read, ctx), budget_of(read, ctx, SCATTER_PRIOR_MM)
        value, form = Normal(round(parts.mean, 9), parts.u), form_of(sizes)
        total = Sum(3 if say.unit == "mm" else 1)
        total.mean("Mean size", [v * say.per_mm for v in sizes.values()])
        total.line("Smallest", "of all places", min(sizes.values()) * say.per_mm)
        total.line("Greatest", "of all places", max(sizes.values()) * say.per_mm)
        total.line("Ovality", "greatest difference across one place", form.ovality_mm * say.per_mm)
        total.line("Taper", "between the means of the places", form.taper_mm * say.per_mm)
        show_budget(total, parts, "size", say.per_mm)
        mean = Result(
            key="size",
            label="Mean size",
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=total.working().sourced(*source_lines(window)),
            verdict=verdict(value, window),
            readings=tuple(sizes.values()),
        )
        one_u = single(parts, SCATTER_PRIOR_MM).u
        ends = self._ends(sizes, one_u, window)
        name = str(ctx.given["what"])
        forms = form_results(name, read, ctx, window, SCATTER_PRIOR_MM)
        overall = worst([x.verdict for x in (mean, *ends, *forms)])
        return Outcome(
            (mean, *ends, *forms, *self._fit(ctx, sizes, one_u)),
            tuple(form_checks(forms, say, "not a seat for a ring.")),
            overall,
            self._sentence(ctx, overall.code),
            scenes=(size_table(f"Sizes, {say.unit}", {"": sizes}, say),),
        )

    def _ends(self, sizes: Sizes, u: float, window: Window) -> list[Result]:
        """The smallest place against the least size, the greatest against the greatest."""
        return [
            Result(
                key=key,
                label=label,
                quantity="length",
                value=Normal(size, u),
                window=bound,
                role="target",
                verdict=verdict(Normal(size, u), bound),
                strip=False,
            )
            for key, label, size, bound in (
                ("smallest", "Smallest place", min(sizes.values()), replace(window, hi=None)),
                ("greatest", "Greatest place", max(sizes.values()), replace(window, lo=None)),
            )
            if bound.lo is not None or bound.hi is not None
        ]

    def _sentence(self, ctx: Context, code: str) -> str:
        """A seat is not set: it is good, or it goes back to Inspect."""
        if code in ("in", "at_edge") or not code.startswith("out"):
            return ""
        worn = "low" if ctx.given["what"] == "journal" else "high"
        if code.endswith(worn):
            return "Worn: the ring would spin. Back to Inspect: build up, sleeve, or replace."
        return (
            "Too tight: the ring would be strained and lose its clearance. Look for a burr or the wrong part."
        )

    def _fit(self, ctx: Context, sizes: Sizes, u: float) -> list[Result]:
        """The fit with its mate where it is loosest and where it is tightest: negative is interference."""
        mate = ctx.given.get("mate")
        if mate is None:
            return []
        say, sign = speech(ctx), -1 if ctx.given["what"] == "journal" else 1
        found = []
        for key, label, size in (
            ("loosest", "where it holds least", min(sizes.values()) if sign < 0 else max(sizes.values())),
            ("tightest", "where it holds most", max(sizes.values()) if sign < 0 else min(sizes.values())),
        ):
            clearance = sign * (size - mate)
            words = "clearance" if clearance >= 0 else "interference"
            line = Line(
                "Fit",
                f"{say.number(max(size, mate))} − {say.number(min(size, mate))}",
                f"{say.number(abs(clearance))} {words}",
                True,
            )
            found.append(
                Result(
                    key=f"fit_{key}",
                    label=f"Fit with its mate, {label}: {words}",
                    quantity="length",
                    value=Normal(round(clearance, 9), math.hypot(u, u)),
                    window=None,
                    role="info",
                    working=Working((line,)),
                )
            )
        return found

    def tools(self, ctx: Context) -> Sequence[str]:
        return (
            "outside micrometer" if ctx.given["what"] == "journal" else "bore gauge",
            "master of the size",
        )

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset()

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset()
