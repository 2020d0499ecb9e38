"""The clearance of a plain bearing from the sizes of its members: mean, least, and the table of both."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.core.readings import Budget, combined, show_budget
from bornek.core.scenes import Table
from bornek.core.settings.bush_read import scatter_mm
from bornek.core.settings.kind import speech
from bornek.core.settings.places_around import PLACES, Sizes, by_place, single, size_table
from bornek.core.settings.records import Context
from bornek.core.uncertainty import expanded
from bornek.core.windows import Normal
from bornek.core.working import Sum, Working


def least_of(ctx: Context, sizes: Mapping[str, Sizes], parts: Mapping[str, Budget]) -> Normal:
    """Where it would seize first: the smallest bore less the greatest journal of one place."""
    one = {name: single(p, scatter_mm(ctx)) for name, p in parts.items()}
    if "strip" in sizes:
        return Normal(min(sizes["strip"].values()), combined([(1.0, one["strip"])]))
    bores, journals = by_place(sizes["bore"]), by_place(sizes["journal"])
    gaps = [min(b) - max(journals[place]) for place, b in bores.items() if place in journals]
    gap = min(gaps) if gaps else min(map(min, bores.values())) - max(map(max, journals.values()))
    return Normal(round(gap, 9), combined([(1.0, one["bore"]), (-1.0, one["journal"])]))


def value_of(ctx: Context, sizes: Mapping[str, Sizes], parts: Mapping[str, Budget]) -> tuple[Normal, Working]:
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


def table_of(ctx: Context, sizes: Mapping[str, Sizes], mean: Normal, least: Normal) -> Table:
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
