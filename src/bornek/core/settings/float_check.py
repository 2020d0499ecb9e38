"""Health check: axial and radial float against limits by the machine's size, and how they grew over inspections.

Push and pull, lever up and down, zero between; share of the allowance used; with earlier inspections a rate, and the
time before which to act.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from bornek.core.errors import BornekError, InputError
from bornek.core.quantities import Speech, parse, signed
from bornek.core.readings import travel_value
from bornek.core.scenes import Band, LogRow, Needle, RoundLog, Section
from bornek.core.settings.common import PLAY_TELLS, given_window, source_lines, unread, whole_form
from bornek.core.settings.figures.push_and_pull import draw_push_and_pull
from bornek.core.settings.kind import Field, Outcome, Result, Setting, Slot, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.settings.sifting import sift
from bornek.core.wear import Seen, Wear, wear
from bornek.core.windows import NOT_READ, Normal, Window, verdict, worst
from bornek.core.working import Line, Working

REPEATS = 2
SCATTER_PRIOR_MM = 0.004
FLOATS = (
    ("axial", "Axial float", "Push the shaft home, zero, pull it. Type the full travel. Zero between."),
    (
        "radial",
        "Radial float",
        "Lever the shaft down, zero, lever it up with the same pull. Type the full travel.",
    ),
)
NEW = "new"
MOST_HOURS = 1e6


@dataclass(frozen=True)
class Earlier:
    """One inspection before: when (hours or days), what was read by quantity, whether the part was new then."""

    t: float
    label: str
    values: Mapping[str, float]
    new: bool = False


def read_earlier(line: str, by: str, unit: str) -> Earlier:
    """An inspection as it is written: hours or day, axial float, radial float, and "new" where it was set anew.

    >>> read_earlier("2000 0.071 0.030 new", "hours", "mm").values
    {'axial': 0.071, 'radial': 0.03}
    >>> read_earlier("2025-03-01 0.05 0.03", "days", "mm").t - read_earlier("2025-02-01 0.05 0.03", "days", "mm").t
    28.0
    """
    words = line.split()
    new = bool(words) and words[-1].lower() == NEW
    parts = words[:-1] if new else words
    if len(parts) != 3:
        raise InputError(
            f"{line[:60]!r} is not an inspection.",
            field="earlier",
            next_step="Write when, axial float, radial float: 2000 0.071 0.030, or 2025-03-01 0.071 0.030.",
        )
    floats = {
        key: parse(part, "length", unit).value for (key, *_), part in zip(FLOATS, parts[1:], strict=True)
    }
    return Earlier(when(parts[0], by), parts[0] if by == "days" else f"{parts[0]} h", floats, new)


def when(text: str, by: str) -> float:
    """Hours as they stand, or a day counted in days.

    >>> when("2000", "hours")
    2000.0
    """
    try:
        return float(date.fromisoformat(text).toordinal()) if by == "days" else _hours(text)
    except ValueError as wrong:
        want = "a day like 2025-03-01" if by == "days" else "running hours like 2000"
        raise InputError(
            f"{text[:30]!r} is not {want}.", field="earlier", next_step=f"Write {want}."
        ) from wrong


def _hours(text: str) -> float:
    """Running hours, 0 to a million: what is no number, or no time, is refused."""
    hours = float(text)
    if not 0 <= hours <= MOST_HOURS:
        raise ValueError(text)
    return hours


def _seen(value_mm: float, say: Speech) -> Needle:
    return Needle(value_mm, 0.0, say.number(value_mm), "", "")


@register
class FloatCheck(Setting):
    id = "float_check"
    layout = "side_by_side"
    title = "Health check: float against limits by size, and its trend"
    plain = "A running machine: how far its shaft floats, and when that is too far"
    cautions = (
        "The drive is locked out and the load held: a shaft that is pried moves what hangs on it.",
        "Nobody's fingers between coupling halves.",
        "The maker's manual, the shop's rules and local codes come first.",
    )

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        days = given.get("count_by") == "days"
        now = (
            Field("day", "Day of this inspection", "text", required=False, why="Written 2026-03-01.")
            if days
            else Field("hours", "Hour meter now", "number", required=False, lo=0, hi=MOST_HOURS)
        )
        what = "day" if days else "hours"
        own = [
            Field("size", "Machine size", "text", required=False, why="The row of the table: 90 kW, frame 280."),
            Field("axial", "Greatest axial float", "length", lo=0.001, hi=20),
            Field("radial", "Greatest radial float", "length", lo=0.001, hi=20),
            Field("count_by", "Wear is counted in", "choice", default="hours",
                  options=(("hours", "running hours"), ("days", "days"))),
            now,
            Field("earlier", "Earlier inspections, one a line", "lines", required=False,
                  why=f"{what}, axial float, radial float; 'new' at the end where the bearing was set anew."),
        ]  # fmt: skip
        return whole_form(own, aim=False)

    def floor(self, ctx: Context) -> float:
        return 0.0

    def tells(self, ctx: Context, verdict: str) -> str:
        return PLAY_TELLS.get(verdict, "")

    def _window(self, ctx: Context, key: str) -> Window:
        return given_window(ctx.given, None, ctx.given[key], self.floor(ctx))

    def thing(self) -> Section:
        return draw_push_and_pull()

    def slots(self, ctx: Context) -> list[Slot]:
        return [
            Slot(
                key=f"{key}.{n}",
                label=f"{label}, reading {n}",
                group=label,
                axes={"rep": n},
                quantity="length",
                nature="travel",
                posture=posture,
                plausible=(0.0, 5 * float(ctx.given[key])),
                peers=key,
            )
            for key, label, posture in FLOATS
            for n in range(1, REPEATS + 1)
        ]

    def evaluate(self, ctx: Context) -> Outcome:
        results, logs, trends = [], [], dict[str, Wear]()
        for key, label, _ in FLOATS:
            result, trend = self._one(ctx, key, label)
            results.append(result)
            if trend is not None:
                trends[label] = trend
                logs.append(self._log(ctx, key, label, trend))
        overall = worst([r.verdict for r in results])
        read = [r for r in results if r.value is not None]
        words = ""
        if len(read) == len(FLOATS) and overall.code == "in":
            words = " ".join(["Inside its limits: leave it.", *self._first_to_act(ctx, trends)])
        elif overall.code.startswith("out"):
            over = ", ".join(r.label.lower() for r in results if r.verdict.code.startswith("out"))
            words = f"Beyond the limit: {over}. Plan the bearings; it does not go back as it is."
        return Outcome(
            results=tuple(results),
            verdict=overall if read else NOT_READ,
            instruct=words,
            scenes=(draw_push_and_pull(), *logs),
        )

    def _one(self, ctx: Context, key: str, label: str) -> tuple[Result, Wear | None]:
        window = self._window(ctx, key)
        slots = [s for s in self.slots(ctx) if s.key.startswith(key)]
        sifted = sift(slots, ctx.now())
        groups = sifted.numbers(slots)
        if not groups:
            return unread(key, label, window), None
        value = travel_value(groups, sifted.gauges(slots, ctx), SCATTER_PRIOR_MM)
        trend = self._trend(ctx, key, value) if isinstance(value, Normal) else None
        lines = self._working(ctx, key, value, trend) if isinstance(value, Normal) else ()
        result = Result(
            key=key,
            label=label,
            quantity="length",
            value=value,
            window=window,
            role="target",
            working=Working(lines, source_lines(window)),
            verdict=verdict(value, window),
            readings=tuple(v for g in groups.values() for v in g),
        )
        return result, trend

    def _earlier(self, ctx: Context) -> list[Earlier]:
        by = str(ctx.given["count_by"])
        found = []
        for n, line in enumerate(ctx.given.get("earlier") or (), 1):
            try:
                found.append(read_earlier(line, by, ctx.unit))
            except BornekError as refused:
                raise InputError(f"Earlier inspection {n}: {refused.message}", field="earlier") from refused
        return sorted(found, key=lambda e: e.t)

    def _now(self, ctx: Context) -> float | None:
        if ctx.given["count_by"] == "days":
            day = str(ctx.given.get("day") or "")
            return when(day, "days") if day else None
        hours = ctx.given.get("hours")
        return None if hours is None else float(hours)

    def _trend(self, ctx: Context, key: str, value: Normal) -> Wear | None:
        now, earlier = self._now(ctx), self._earlier(ctx)
        if now is None or not earlier or now < earlier[-1].t:
            return None
        seen = [Seen(e.t, e.values[key], value.u, e.new) for e in earlier]
        return wear([*seen, Seen(now, value.v, value.u)], float(ctx.given[key]))

    def _unit(self, ctx: Context) -> str:
        return "days" if ctx.given["count_by"] == "days" else "h"

    def _said(self, ctx: Context, t: float) -> str:
        """A time from now as it is planned by: rounded down to what it is known to."""
        step = 1 if ctx.given["count_by"] == "days" else 50
        return f"{int(t // step * step)} {self._unit(ctx)}"

    def _first_to_act(self, ctx: Context, trends: Mapping[str, Wear]) -> list[str]:
        """What is met first; where nothing can be dated, why."""
        dated = {label: t for label, t in trends.items() if t.told == "date" and t.act_before is not None}
        if not dated:
            return list(dict.fromkeys(t.words for t in trends.values()))[:1]
        label, first = min(dated.items(), key=lambda item: item[1].act_before or 0.0)
        likely = self._said(ctx, first.likely or 0.0)
        before = self._said(ctx, first.act_before or 0.0)
        return [f"Act before {before} more: the {label.lower()} likely meets its limit in {likely}."]

    def _working(self, ctx: Context, key: str, value: Normal, trend: Wear | None) -> tuple[Line, ...]:
        say, limit = speech(ctx), float(ctx.given[key])
        used = Line(
            "Of the allowance", f"{say.number(value.v)} ÷ {say.size(limit)}", f"{value.v / limit:.0%}", True
        )
        if trend is None:
            return (
                used,
                Line("Trend", "needs an earlier inspection and when this one is", "cannot tell yet"),
            )
        if trend.told in ("too few", "past"):
            return (used, Line("Trend", trend.words, ""))
        per, span = (1000.0, "1000 h") if self._unit(ctx) == "h" else (365.25, "a year")
        rate = (
            f"{signed(trend.rate * per * say.per_mm, 4)} ± {signed(2 * trend.rate_sd * per * say.per_mm, 4)}"
        )
        lines = [used, Line("Wear", f"one rate for all lines, {say.unit} in {span}", rate, True)]
        if trend.act_before is not None and trend.likely is not None and trend.late is not None:
            band = f"{self._said(ctx, trend.act_before)} to {self._said(ctx, trend.late)}"
            how = f"({say.size(limit)} − {say.number(trend.now)}) ÷ rate, middle 80 % of what fits"
            lines.append(Line("Limit met in", how, f"{band}, likely {self._said(ctx, trend.likely)}", True))
        return (*lines, Line("Told", trend.words, "")) if trend.words else tuple(lines)

    def _log(self, ctx: Context, key: str, label: str, trend: Wear) -> RoundLog:
        say, limit = speech(ctx), float(ctx.given[key])
        rows = [
            LogRow(e.label, "new" if e.new else "", _seen(e.values[key], say), None)
            for e in self._earlier(ctx)[-4:]
        ]
        rows.append(LogRow("now", "", _seen(trend.now, say), None, remark="as fitted"))
        if trend.likely is not None and trend.act_before is not None:
            land = Band(limit * 0.98, limit * 1.02, f"in {self._said(ctx, trend.likely)}", limit)
            rows.append(
                LogRow("limit met", "", None, land, remark=f"act before {self._said(ctx, trend.act_before)}")
            )
        window = Band(0.0, limit, f"at most {say.size(limit)}", None, False, False)
        return RoundLog(0.0, limit * 1.25, tuple(rows), window, None, label)

    def tools(self, ctx: Context) -> Sequence[str]:
        return ("magnetic base", "pry bar", "soft lever")

    def reads(self, ctx: Context) -> frozenset[str]:
        return frozenset({"axial", "radial"})

    def writes(self, ctx: Context) -> frozenset[str]:
        return frozenset()
