"""Interference of a hub on its seat, from micrometer readings in three planes and two directions."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.errors import RangeError
from bornek.core.fits.sums import MAKERS, FitSum, number_of, or_else, size_line
from bornek.core.gauges import Gauge
from bornek.core.phrases import Say, Span, plain
from bornek.core.quantities import Speech
from bornek.core.readings import Budget, budget, combined, show_budget, spread
from bornek.core.scenes import Table
from bornek.core.settings.kind import Check, Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.tables.iso286 import limits_of
from bornek.core.temperature import size_correction_mm, temperature_u_mm
from bornek.core.windows import Normal, Window, verdict
from bornek.core.working import Sum, Working

PLANES = ("a", "b", "c")
WAYS = ("1", "2")
MEMBERS = (("shaft", "Shaft"), ("bore", "Bore"))
SCATTER_PRIOR_MM = 0.002
CLOSE = 0.02
"""A reading lies within this share of the nominal."""


@dataclass(frozen=True)
class Sizes:
    """One member's readings by plane, at one temperature [mm], and what they come to."""

    name: str
    by_plane: Mapping[str, Sequence[float]]
    budget: Budget

    @property
    def mean(self) -> float:
        return self.budget.mean

    @property
    def ovality(self) -> float:
        return max(spread(v) for v in self.by_plane.values())

    @property
    def taper(self) -> float:
        return spread([sum(v) / len(v) for v in self.by_plane.values()])


def reading_key(member: str, plane: str, way: str) -> str:
    return f"{member}_{plane}{way}"


@register
class Interference(FitSum):
    id = "fit_interference"
    title = "Interference by micrometer"
    group = "Sizes"
    cautions = (
        "Clean, free of burrs, both at one temperature; zero on a master of the same size.",
        MAKERS,
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        nominal = float(given.get("nominal") or 0)
        lo, hi = (nominal * (1 - CLOSE), nominal * (1 + CLOSE)) if nominal else (1.0, 2000.0)
        readings = [
            Field(
                reading_key(member, plane, way),
                f"{label} {plane}, {'upright' if way == '1' else 'across'}",
                "length",
                required=False,
                lo=round(lo, 4),
                hi=round(hi, 4),
            )
            for member, label in MEMBERS
            for plane in PLANES
            for way in WAYS
        ]
        return [
            Field("nominal", "Nominal diameter", "length", lo=3, hi=2000),
            Field("shaft_fit", "Shaft's class", "text", required=False, why="Such as s6."),
            Field("bore_fit", "Bore's class", "text", required=False, why="Such as H7."),
            Field("least", "Least interference", "length", required=False, lo=-1, hi=5),
            Field("greatest", "Greatest interference", "length", required=False, lo=-1, hi=5),
            Field("source", "Where the limits come from", "text", required=False),
            *readings,
            Field(
                "shaft_division", "Shaft micrometer, one division", "length", default=0.01, lo=0.0001, hi=0.1
            ),
            Field("bore_division", "Bore gauge, one division", "length", default=0.01, lo=0.0001, hi=0.1),
            Field("shaft_c", "Shaft's temperature", "temperature", default=20.0, lo=-20, hi=80),
            Field("bore_c", "Bore's temperature", "temperature", default=20.0, lo=-20, hi=80),
            Field("gauge_c", "Gauges' temperature", "temperature", default=20.0, lo=-20, hi=80),
        ]

    def window(self, ctx: Context) -> Window | None:
        """Interference that the two classes allow, or the limits given; None where neither is."""
        least, greatest = number_of(ctx, "least"), number_of(ctx, "greatest")
        said = str(ctx.given.get("source") or "")
        if least is not None or greatest is not None:
            return Window(least, greatest, said or "limits given, source not named")
        shaft, bore = (str(ctx.given.get(f"{m}_fit") or "").strip() for m, _ in MEMBERS)
        if not shaft and not bore:
            return None
        if not shaft or not bore:
            raise RangeError(
                "One class alone gives no fit.",
                field="bore_fit" if shaft else "shaft_fit",
                next_step="Give both.",
            )
        if not shaft[0].islower() or not bore[0].isupper():
            raise RangeError(
                f"{bore} on {shaft}: small letters are for the shaft, capitals for the bore.",
                field="shaft_fit",
                next_step="Such as s6 for the shaft and H7 for the bore.",
            )
        nominal = float(ctx.given["nominal"])
        s, b = limits_of(nominal, shaft), limits_of(nominal, bore)
        return Window(
            round(s.least - b.greatest, 6),
            round(s.greatest - b.least, 6),
            f"{bore}/{shaft}; {b.source}; {s.source}",
        )

    def sizes(self, ctx: Context) -> list[Sizes]:
        """Those of shaft and bore of which anything was read."""
        found = []
        for member, label in MEMBERS:
            warm, cold = or_else(ctx, f"{member}_c", 20.0), or_else(ctx, "gauge_c", 20.0)
            planes: dict[str, list[float]] = {}
            for plane in PLANES:
                for way in WAYS:
                    read = number_of(ctx, reading_key(member, plane, way))
                    if read is not None:
                        planes.setdefault(plane, []).append(read + size_correction_mm(read, warm, cold))
            if planes:
                gauge = Gauge(
                    member, f"the {label.lower()}'s gauge", division=or_else(ctx, f"{member}_division", 0.01)
                )
                parts = budget(planes, gauge, "size", SCATTER_PRIOR_MM)
                parts = Budget(
                    parts.mean,
                    parts.resolution,
                    parts.scatter,
                    parts.n,
                    parts.gauges,
                    temperature_u_mm(parts.mean),
                )
                found.append(Sizes(label, planes, parts))
        return found

    def evaluate(self, ctx: Context) -> Outcome:
        window, found, say = self.window(ctx), self.sizes(ctx), speech(ctx)
        if len(found) < 2:
            missing = "shaft" if not found or found[0].name == "Bore" else "bore"
            empty = Result("interference", "Interference", "length", None, window)
            return Outcome((empty,), instruct=f"Read the {missing}: three planes, two directions each.")
        shaft, bore = found
        u = combined([(1.0, shaft.budget), (-1.0, bore.budget)])
        value = Normal(round(shaft.mean - bore.mean, 9), u)
        judged = verdict(value, window)
        total = Sum(3 if say.unit == "mm" else 1)
        for member in found:
            total.mean(
                f"Mean of the {member.name.lower()}",
                [v * say.per_mm for p in member.by_plane.values() for v in p],
            )
        total.line(
            "Interference",
            f"{say.number(shaft.mean)} − {say.number(bore.mean)}",
            value.v * say.per_mm,
            say.unit,
            True,
        )
        for member in found:
            total.note(f"Give or take of the {member.name.lower()}", "")
            show_budget(total, member.budget, "size", say.per_mm)
        ends = window and (f"{window.source}.", MAKERS)
        forms = [
            Result(
                f"{kind}_{m.name.lower()}",
                f"{word} of the {m.name.lower()}",
                "length",
                Normal(round(amount, 9), math.sqrt(2) * m.budget.resolution),
                role="info",
                working=Working((size_line(word, how, amount, say),)),
            )
            for m in found
            for kind, word, how, amount in (
                ("oval", "Ovality", "greatest difference across one plane", m.ovality),
                ("taper", "Taper", "between the means of the planes", m.taper),
            )
        ]
        main = Result(
            "interference",
            "Interference",
            "length",
            value,
            window,
            working=total.working().sourced(*(ends or ())),
            verdict=judged,
            readings=(
                round(min(_planes(shaft)) - max(_planes(bore)), 9),
                round(max(_planes(shaft)) - min(_planes(bore)), 9),
            ),
        )
        outcome = Outcome(
            (main, *forms), tuple(self._checks(found, value.v, say)), judged, scenes=(_table(found, say),)
        )
        return Outcome(
            outcome.results, outcome.checks, judged, self._words(ctx, outcome), scenes=outcome.scenes
        )

    def _checks(self, found: Sequence[Sizes], interference: float, say: Speech) -> list[Check]:
        """Form that eats up the fit: more than half of the interference is more than a fit can hide."""
        return [
            Check(
                f"{word}_{m.name.lower()}",
                "warn",
                f"{m.name}: {word} {say.number(amount)} {say.unit}, more than half of the interference.",
                "ask",
            )
            for m in found
            for word, amount in (("oval by", m.ovality), ("tapered by", m.taper))
            if amount > abs(interference) / 2
        ]

    def _words(self, ctx: Context, outcome: Outcome) -> str:
        main = outcome.results[0]
        if not isinstance(main.value, Normal):
            return ""
        say, v = speech(ctx), main.value.v
        kind = "interference" if v >= 0 else "clearance"
        what = f"{say.number(abs(v))} {say.unit} {kind}"
        if main.window is None:
            return f"{what}. No fit is given to judge it by."
        if main.verdict.code.startswith("out"):
            tight = main.verdict.code == "out_high"
            why = "too tight: it would strain the hub" if tight else "too loose: it would turn on its seat"
            return f"{what}, {why}. Back to Inspect: find the part that is out before anything is heated."
        if main.verdict.code == "in":
            return f"{what}: in its fit. Go on to the heat or the press."
        return f"{what}: {main.verdict.words}. Read again with a finer gauge, or more places."

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        words = outcome.instruct
        if "Back to Inspect" in words:
            before, after = words.split("Back to Inspect", 1)
            return (Span(before), Span("Back to Inspect", True), Span(after))
        return plain(words)


def _planes(member: Sizes) -> list[float]:
    return [sum(v) / len(v) for v in member.by_plane.values()]


def _table(found: Sequence[Sizes], say: Speech) -> Table:
    rows = []
    for plane in PLANES:
        cells = []
        for member in found:
            read = list(member.by_plane.get(plane, ()))
            cells += [say.number(v) for v in read] + [""] * (2 - len(read))
        rows.append((plane, *cells))
    heads = [f"{m.name} {way}" for m in found for way in ("upright", "across")]
    return Table(f"Sizes, {say.unit}", ("plane", *heads), tuple(rows))
