"""Find a bore: the clearance groups of a rolling bearing by its bore, and in which of them lies what was measured."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.draw import nice_step
from bornek.core.errors import InputError
from bornek.core.fits.sums import MAKERS, FitSum, number_of
from bornek.core.phrases import Say, Span, text_of
from bornek.core.quantities import decimals, signed
from bornek.core.scenes import GroupRow, Groups, Needle, Tick
from bornek.core.settings.kind import Field, Outcome, Result, speech
from bornek.core.settings.records import Context
from bornek.core.settings.registry import register
from bornek.core.tables.bearing_marks import SORTS, read_mark
from bornek.core.tables.lookup import GROUPS, Row, row_for
from bornek.core.windows import Interval, Verdict, Window, verdict
from bornek.core.working import Working

SORT_WORDS = (
    ("marked", "as the mark says"),
    ("ball", "deep groove ball"),
    ("cylindrical", "cylindrical roller, cylindrical bore"),
    ("spherical", "spherical roller, cylindrical bore"),
    ("spherical_taper", "spherical roller, tapered bore"),
)


@register
class BearingBore(FitSum):
    id = "bearing_bore"
    title = "Find a bore: clearance groups of a rolling bearing"
    group = "Bearings"
    cautions = ("Radial clearance is read unmounted and unloaded.", MAKERS)

    def form(self, given: Mapping[str, Any]) -> Sequence[Field]:
        return [
            Field(
                "designation", "Number on the ring", "text", required=False, why="The bore is read from it."
            ),
            Field(
                "bore", "Bore, if measured", "length", required=not given.get("designation"), lo=1, hi=1000
            ),
            Field("sort", "The bearing is", "choice", options=SORT_WORDS, default="marked"),
            Field("goes", "Measured: the largest blade that goes", "length", required=False, lo=0, hi=5),
            Field(
                "stops",
                "The smallest that does not",
                "length",
                required=given.get("goes") is not None,
                lo=0,
                hi=5,
            ),
        ]

    def _row(self, ctx: Context) -> tuple[Row, str, float]:
        """The table's row, the group that is stamped and the bore."""
        typed = str(ctx.given.get("designation") or "")
        mark = read_mark(typed) if typed else None
        sort = str(ctx.given["sort"])
        if sort == "marked":
            sort = mark.sort if mark else ""
        if not sort:
            raise InputError(
                "The mark does not say what sort of bearing it is.",
                field="sort",
                next_step="Choose the sort: ball, cylindrical or spherical roller.",
            )
        bore = number_of(ctx, "bore") or (mark.bore_mm if mark else 0.0)
        return row_for(SORTS[sort], bore), mark.group if mark else "CN", bore

    def _measured(self, ctx: Context) -> Interval | None:
        goes, stops = number_of(ctx, "goes"), number_of(ctx, "stops")
        return None if goes is None or stops is None else Interval(goes, stops)

    def evaluate(self, ctx: Context) -> Outcome:
        row, stamped, bore = self._row(ctx)
        measured = self._measured(ctx)
        windows = groups_of(row)
        results = (
            [
                Result(
                    key="group",
                    label=f"{stamped}, as stamped",
                    quantity="length",
                    value=measured,
                    window=windows[stamped],
                    role="info",
                    working=Working((), (row.name, MAKERS)),
                    verdict=verdict(measured, windows[stamped]) if measured else Verdict("not_read"),
                )
            ]
            if stamped in windows and measured
            else []
        )
        scene = self._scene(ctx, windows, stamped, measured, bore)
        return Outcome(tuple(results), scenes=(scene,), instruct=text_of(self._say(ctx)))

    def _say(self, ctx: Context) -> Say:
        row, stamped, bore = self._row(ctx)
        say, measured, windows = speech(ctx), self._measured(ctx), groups_of(row)
        if measured is None:
            if stamped not in windows:
                return (Span(f"Bore {say.size(bore)}: the table gives no {stamped} there."),)
            return (Span(f"Bore {say.size(bore)}: {stamped} is {windows[stamped].words(say)} {say.unit}."),)
        inside = [name for name, w in windows.items() if verdict(measured, w).code == "in"]
        could = [name for name, w in windows.items() if verdict(measured, w).code == "not_proven"]
        read = f"{say.size(measured.a)}–{say.size(measured.b)}"
        if inside:
            return (
                Span(f"{read} lies in "),
                Span(" and ".join(inside), True),
                Span(f"; stamped is {stamped}."),
            )
        if could:
            return (Span(f"{read} may be {' or '.join(could)}: take finer blades. Stamped is {stamped}."),)
        return (Span(f"{read} lies in no group of this bore: worn, or the feeler tilted."),)

    def speak(self, ctx: Context, outcome: Outcome) -> Say:
        return self._say(ctx)

    def head(self, ctx: Context, outcome: Outcome) -> tuple[str, str]:
        row, _, _ = self._row(ctx)
        return "Table", row.name

    def _scene(
        self,
        ctx: Context,
        windows: Mapping[str, Window],
        stamped: str,
        measured: Interval | None,
        bore: float,
    ) -> Groups:
        say = speech(ctx)
        top = max([w.high for w in windows.values()] + ([measured.b] if measured else [])) * 1.08
        step = nice_step(top * say.per_mm, 8)
        ticks = tuple(
            Tick(
                n * step / say.per_mm,
                signed(n * step, max(decimals(step, 0, 4), 2 if say.unit == "mm" else 0)),
            )
            for n in range(int(top * say.per_mm / step) + 1)
        )
        rows = tuple(
            GroupRow(
                name,
                w.low,
                w.high,
                w.words(say),
                name == stamped,
                verdict(measured, w).code if measured else "",
            )
            for name, w in windows.items()
        )
        needle = None
        if measured is not None:
            label = f"{say.size(measured.a)}–{say.size(measured.b)}"
            half = (measured.b - measured.a) / 2
            needle = Needle((measured.a + measured.b) / 2, half, label, say.unit, "between the blades")
        return Groups(f"Radial clearance, bore {say.size(bore)}", say.unit, 0.0, top, ticks, rows, needle)


def groups_of(row: Row) -> dict[str, Window]:
    """The groups that a row gives, with their windows.

    >>> {k: (w.lo, w.hi) for k, w in groups_of(row_for("ric_deep_groove_ball", 20)).items()}["CN"]
    (0.005, 0.02)
    """
    return {
        g: Window(row.number(f"{g}_min_um") / 1000, row.number(f"{g}_max_um") / 1000, f"{row.name}, {g}")
        for g in GROUPS
        if f"{g}_min_um" in row.cells and f"{g}_max_um" in row.cells
    }
