"""Preload by rolling drag: what the bearings add to the drag of the seals alone.

Target = drag of the seals + what the preload is to add; new and run-in bearings have different windows. Drag is read in
steady turning, never at breakaway, by a scale on a cord or as a torque. The scale's own unit is what is shown.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, ClassVar

from bornek.core.quantities import Shown, shown_in
from bornek.core.readings import budget
from bornek.core.scenes import Section
from bornek.core.settings.common import given_window, source_lines, unread
from bornek.core.settings.counted_nut import Counted, turned_nut
from bornek.core.settings.drag_form import CRUSH, added_window, form_of
from bornek.core.settings.figures.cord_and_scale import draw_cord_and_scale
from bornek.core.settings.kind import Check, Field, Outcome, Result, SlipHint, Slot
from bornek.core.settings.knobs import Knob, Response
from bornek.core.settings.records import Choice, Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.uncertainty import expanded
from bornek.core.windows import NOT_READ, AtMost, Normal, Window, verdict
from bornek.core.working import Line, Working

REPEATS = 3
READ_SHARE = 0.025
"""One steady reading of a drag is good to 5 %: twice this."""
SEAL_WIDTHS = 3.0
"""Seals that drag more than this many widths of the window decide more than the bearings."""
TURN_STEP_DEG, MOST_TURN_DEG = 1.0, 720.0
TO_MIDDLE_DEG = 20.0
"""What a nut turns from first load to the middle of its window, as a guess that the first moves replace."""


@dataclass(frozen=True)
class _Drag:
    """Mean and standard uncertainty of a steady drag, in N or N·m."""

    mean: float
    u: float
    values: tuple[float, ...]


@register
class RollingDrag(Counted):
    id = "rolling_drag"
    wears = -1
    counted_by: ClassVar[float] = TURN_STEP_DEG
    touches: ClassVar[frozenset[str]] = frozenset({"nut", "axial"})
    title = "Preload by rolling drag"
    plain = "Bearings preloaded until they turn so hard: a scale on a cord, or a torque"
    cautions = (
        "Keep the cord and your sleeve clear of the turning shaft; nobody turns it under power.",
        "Steady turning only: the pull that gets it moving is not the drag.",
        "A crush spacer is used up once it is past; a staked nut is single-use.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return form_of(given)

    def quantity(self, ctx: Context) -> str:
        return str(ctx.given["read_as"])

    def _own(self, ctx: Context) -> Shown:
        return shown_in(self.quantity(ctx), str(ctx.given["scale"]))

    def _seals_here(self, ctx: Context) -> bool:
        """The seals are read alone first, and again after the preload was let go."""
        if ctx.round == ctx.first_round:
            return True
        before = ctx.at(ctx.round - 1)
        drag, window = self._read(before, "drag"), self._window(before)
        return drag is not None and window is not None and drag.mean > window.high

    def thing(self) -> Section:
        return draw_cord_and_scale("kgf")

    def slots(self, ctx: Context) -> list[Slot]:
        found = []
        if self._seals_here(ctx):
            posture = (
                "Bearings not loaded: nut loose, ring knocked free. Turn steadily and read the seals alone."
            )
            found += self._stations(ctx, "seal", "Seals alone", posture)
        posture = "Several turns to seat the rollers, then turn steadily and read while it turns."
        found += self._stations(ctx, "drag", "Drag", posture)
        found.append(
            Slot(
                key="even",
                label="Over one turn",
                group="Feel",
                axes={},
                quantity="count",
                nature="count",
                accepts="choice",
                posture="Turn it slowly through a full turn. Is the drag even?",
                options=(("even", "even"), ("rises", "rises at one place"), ("lumpy", "lumpy")),
            )
        )
        return found

    def _stations(self, ctx: Context, key: str, group: str, posture: str) -> list[Slot]:
        lo, hi = added_window(ctx)
        return [
            Slot(
                key=f"{key}.{n}",
                label=f"{group}, reading {n}",
                group=group,
                axes={"rep": n},
                quantity=self.quantity(ctx),
                nature="force",
                posture=posture,
                plausible=(lo / 500, hi * 20),
                peers=key,
                unit=str(ctx.given["scale"]),
            )
            for n in range(1, REPEATS + 1)
        ]

    def _read(self, ctx: Context, key: str) -> _Drag | None:
        """A drag of this round, once it has been read."""
        slots = [s for s in self._stations(ctx, key, key, "") if s.key.startswith(key)]
        sifted = sift(slots, ctx.now())
        groups = sifted.numbers(slots)
        if not groups:
            return None
        values = next(iter(groups.values()))
        mean = sum(values) / len(values)
        gauges = [g for g in sifted.gauges(slots, ctx) if g.quantity == self.quantity(ctx)]
        u = READ_SHARE * mean
        if len(gauges) == len(values):
            u = budget(groups, gauges, "force", READ_SHARE * mean).u
        return _Drag(mean, u, tuple(values))

    def _seal(self, ctx: Context) -> _Drag | None:
        """The seals alone, as they were read last."""
        for number in range(ctx.round, ctx.first_round - 1, -1):
            found = self._read(ctx.at(number), "seal") if self._seals_here(ctx.at(number)) else None
            if found is not None:
                return found
        return None

    def _window(self, ctx: Context) -> Window | None:
        seal = self._seal(ctx)
        if seal is None:
            return None
        lo, hi = added_window(ctx)
        return given_window(ctx.given, seal.mean + lo, seal.mean + hi)

    def evaluate(self, ctx: Context) -> Outcome:
        seal, drag, window = self._seal(ctx), self._read(ctx, "drag"), self._window(ctx)
        lo, hi = added_window(ctx)
        picture = draw_cord_and_scale(self._picture_words(ctx))
        if window is None or seal is None or drag is None:
            shown = window or given_window(ctx.given, lo, hi)
            label = "Drag, seals and preload" if window else "Drag that the preload is to add"
            empty = unread(
                "drag", label, shown, self.quantity(ctx), unit=str(ctx.given["scale"]), aim=shown.middle
            )
            return Outcome((empty,), tuple(self._checks(ctx, seal, None)), NOT_READ, scenes=(picture,))
        value = Normal(drag.mean, math.hypot(drag.u, seal.u))
        judged = verdict(value, window)
        result = Result(
            key="drag",
            label="Drag, seals and preload",
            quantity=self.quantity(ctx),
            value=value,
            window=window,
            role="target",
            working=self._working(ctx, seal, drag, window),
            verdict=judged,
            aim=window.middle,
            readings=drag.values,
            unit=str(ctx.given["scale"]),
        )
        checks = self._checks(ctx, seal, drag)
        unloaded = drag.mean - seal.mean <= expanded(value.u)
        seen = AtMost(seal.mean + expanded(value.u)) if unloaded and judged.code != "in" else value
        return Outcome(
            results=(result,),
            checks=tuple(checks),
            verdict=judged,
            instruct=self._instruct(ctx, judged.code, unloaded),
            scenes=(picture,),
            observed={"drag": seen},
        )

    def _instruct(self, ctx: Context, code: str, unloaded: bool) -> str:
        if code == "out_high":
            return {
                CRUSH: "Past the window: the crush spacer is used up. Fit a new one, read the seals alone, come up again.",
                "staked": "Past the window: take the nut off, it is single-use. Knock the ring free, read the seals "
                "alone, come up again with a new one.",
            }.get(
                str(ctx.given["adjuster"]),
                "Past the window: back the nut off fully, knock the ring free, read the seals alone, come up again "
                "and feel for a lumpy turn.",
            )
        if unloaded and code == "out_low":
            return "No load yet: tighten a little at a time, turning it, until the drag rises above that of the seals."
        return ""

    def _checks(self, ctx: Context, seal: _Drag | None, drag: _Drag | None) -> list[Check]:
        found = []
        own, (lo, hi) = self._own(ctx), added_window(ctx)
        if seal is not None and seal.mean > SEAL_WIDTHS * (hi - lo):
            words = (
                f"The seals drag {own.number(seal.mean)} {own.unit}, more than {SEAL_WIDTHS:g} times the window's width: "
                "small errors in it decide. Read it with care, grease on the lips."
            )
            found.append(Check("seal", "note", words))
        if ctx.given["read_as"] == ctx.given["limit_as"] == "force" and ctx.given.get("radius") is None:
            words = "No radius is given: this counts only if the limit was given on the same radius."
            found.append(Check("radius", "note", words))
        if seal is not None and drag is not None and drag.mean < seal.mean - 2 * math.hypot(seal.u, drag.u):
            words = "It drags less than the seals alone did: read both again, in steady turning."
            found.append(Check("below", "warn", words, "reseat"))
        found += self._feel(ctx)
        return found

    def _feel(self, ctx: Context) -> list[Check]:
        entry = next((e for e in ctx.now() if e.slot == "even"), None)
        felt = entry.raw.option if entry is not None and isinstance(entry.raw, Choice) else "even"
        words = {
            "rises": "The drag rises at one place in a turn: dirt or a bent ring. Clean and read again.",
            "lumpy": "It turns lumpy: dents in the races. The bearings are out, whatever the drag.",
        }.get(felt)
        return [Check("even", "warn" if felt == "rises" else "stop", words, "reseat")] if words else []

    def _working(self, ctx: Context, seal: _Drag, drag: _Drag, window: Window) -> Working:
        own, (lo, hi) = self._own(ctx), added_window(ctx)
        base = shown_in(self.quantity(ctx))
        ends = own.inward(window.low, window.high)

        def both(v: float) -> str:
            return f"{own.number(v)} {own.unit}" + (f" = {base.number(v)} {base.unit}" if own != base else "")

        lines = (
            Line("Seals alone", f"mean of {len(seal.values)}", both(seal.mean)),
            Line("Preload adds", f"{ctx.given['bearings'].replace('_', '-')} bearings",
                 f"{base.number(lo)} to {base.number(hi)} {base.unit}"),
            Line("Together", f"{base.number(seal.mean)} + the window",
                 f"{base.number(window.low)} to {base.number(window.high)} {base.unit}"),
            Line("On the scale", "rounded inward", f"{ends[0]} to {ends[1]} {own.unit}", True),
            Line("Drag", f"mean of {len(drag.values)}, steady turning", both(drag.mean), True),
        )  # fmt: skip
        return Working(lines, source_lines(window))

    def _picture_words(self, ctx: Context) -> str:
        own = self._own(ctx)
        radius = ctx.given.get("radius")
        return f"{own.unit} at r {radius:g}" if radius else own.unit

    def knobs(self, ctx: Context) -> Sequence[Knob]:
        crush = ctx.given["adjuster"] == CRUSH
        return (
            turned_nut(
                "Nut, from where the first drag was read",
                "Nut on the crush spacer" if crush else "Preload nut",
                1,
                (TURN_STEP_DEG, 0.0, MOST_TURN_DEG),
                one_way=crush,
                more="Tighten" if crush else "Tighten to",
                less="Back off to",
            ),
        )

    def response(self, ctx: Context) -> Response:
        lo, hi = added_window(ctx)
        middle = (lo + hi) / 2
        return Response(
            rows=("drag",),
            knobs=("nut",),
            k0=((middle / TO_MIDDLE_DEG,),),
            rho=((0.5,),),
            s_a=(0.06 * middle,),
            s_r=(2 * READ_SHARE * middle,),
            harm=("high",),
            repeats=REPEATS,
        )

    def tools(self, ctx: Context) -> Sequence[str]:
        scale = "spring scale and cord" if ctx.given["read_as"] == "force" else "drag gauge"
        return (scale, "nut socket", "soft hammer to knock the ring free")

    def slips(self, ctx: Context, found: float, predicted: float) -> Sequence[SlipHint]:
        return [
            SlipHint("Breakaway was read for the running drag."),
            SlipHint("The cord pulled at another radius, or rubbed."),
            SlipHint("The rollers had not seated: give it several turns first."),
            SlipHint("The spacer or the ring was not home before."),
        ]
