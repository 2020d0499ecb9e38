"""Sizes taken at several places along and directions across a bore or a journal: shared by the kinds that do."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from bornek.core.quantities import Speech
from bornek.core.readings import Budget, budget, expected_u, resolution_u, spread
from bornek.core.scenes import Table
from bornek.core.settings.kind import Check, Field, Result, Slot
from bornek.core.settings.records import Context, Entry
from bornek.core.temperature import size_correction_mm, temperature_u_mm
from bornek.core.windows import Normal, Window, verdict

PLACES = (("near", "near end"), ("middle", "middle"), ("far", "far end"))
DIRECTIONS = (("up", "upright"), ("across", "across"))
Sizes = Mapping[tuple[str, str], float]

Readings = Mapping[tuple[str, str], Entry]
"""Entries by place and direction."""

FORM_LIMIT = Field("form_limit", "Ovality or taper at most", "length", required=False, lo=0.001, hi=1)


@dataclass(frozen=True)
class Form:
    """Ovality: greatest difference across one place; taper: between the means of the places [mm]."""

    ovality_mm: float
    taper_mm: float


def size_slots(key: str, label: str, posture: str, plausible: tuple[float, float], needs: str) -> list[Slot]:
    """Three places, two directions each."""
    return [
        Slot(
            key=f"{key}.{place}.{way}",
            label=f"{label}, {place_label}, {way_label}",
            group=label,
            axes={"what": key, "place": place, "way": way},
            quantity="length",
            nature="size",
            needs=needs,
            posture=posture,
            plausible=plausible,
            peers=key,
        )
        for place, place_label in PLACES
        for way, way_label in DIRECTIONS
    ]


def sizes_of(readings: Readings, ctx: Context) -> Sizes:
    """The sizes as they are with gauge and part at one temperature."""
    warmer = [float(ctx.given.get(key, 20.0)) for key in ("part_c", "gauge_c")]
    return {
        at: e.number + size_correction_mm(e.number, warmer[0], warmer[1])
        for at, e in readings.items()
        if e.number is not None
    }


def budget_of(readings: Readings, ctx: Context, floor: float) -> Budget:
    """Mean and uncertainty of a member's sizes, each by its own gauge."""
    sizes = sizes_of(readings, ctx)
    places = dict.fromkeys(place for place, _ in sizes)
    gauges = [ctx.find_gauge(readings[at]) for place in places for at in sizes if at[0] == place]
    found = budget(by_place(sizes), gauges, "size", floor)
    return replace(found, temperature=temperature_u_mm(found.mean))


def single(parts: Budget, floor: float) -> Budget:
    """The budget of one reading among those: an extreme rests on itself alone."""
    return replace(parts, scatter=floor, n=1)


def form_results(name: str, readings: Readings, ctx: Context, window: Window, floor: float) -> list[Result]:
    """Ovality and taper as targets: a form that is broken is not mended by any setting."""
    limit = ctx.given.get("form_limit")
    if limit is None or len(readings) < 2:
        return []
    found = form_of(sizes_of(readings, ctx))
    gauges = [ctx.find_gauge(e) for e in readings.values()]
    u = 2**0.5 * max((resolution_u(g, "size") ** 2 + floor**2) ** 0.5 for g in gauges)
    bound = replace(window, lo=None, hi=float(limit), floor=None)
    return [
        Result(
            key=f"{key}_{name.lower()}",
            label=f"{label} of the {name.lower()}",
            quantity="length",
            value=Normal(value, u),
            window=bound,
            role="target",
            verdict=verdict(Normal(value, u), bound),
            strip=False,
        )
        for key, label, value in (("oval", "Ovality", found.ovality_mm), ("taper", "Taper", found.taper_mm))
    ]


def form_checks(results: Sequence[Result], say: Speech, why: str) -> list[Check]:
    """What stands in the way, in words, for every form limit that is broken; a remark where the gauge cannot
    tell for sure."""
    return [
        Check(
            f"form_{r.key}",
            "stop" if r.verdict.code == "out_high" else "warn",
            f"{r.label}: {say.number(r.value.v)} {say.unit}, more than {say.size(r.window.hi or 0)}: {why}",
            "stop" if r.verdict.code == "out_high" else "",
        )
        for r in results
        if r.key.startswith(("oval_", "taper_"))
        and isinstance(r.value, Normal)
        and r.window is not None
        and r.value.v > r.window.high
    ]


def usual_u(ctx: Context, floor: float, members: int) -> float:
    """Standard uncertainty to expect of the mean of six sizes of so many members."""
    return math.sqrt(members) * expected_u(ctx.find_gauge(), "size", floor, 6)


def by_place(sizes: Sizes) -> dict[str, list[float]]:
    found: dict[str, list[float]] = {}
    for (place, _), size in sizes.items():
        found.setdefault(place, []).append(size)
    return found


def form_of(sizes: Sizes) -> Form:
    """How far from round and from straight.

    >>> form_of({("near", "up"): 50.02, ("near", "across"): 50.00, ("far", "up"): 50.00, ("far", "across"): 50.00})
    Form(ovality_mm=0.02, taper_mm=0.01)
    """
    groups = by_place(sizes)
    means = [sum(g) / len(g) for g in groups.values()]
    return Form(round(max((spread(g) for g in groups.values()), default=0.0), 9), round(spread(means), 9))


def size_table(title: str, sizes: Mapping[str, Sizes], say: Speech) -> Table:
    """Places downward, what was measured and its directions across; ovality and taper below."""
    heads = [f"{name} {way}".strip() for name in sizes for way in ("up", "across")]
    rows = []
    for place, label in PLACES:
        cells = [found.get((place, way)) for found in sizes.values() for way, _ in DIRECTIONS]
        rows.append((label.removesuffix(" end"), *("" if v is None else say.number(v) for v in cells)))
    for word, pick in (("oval", "ovality_mm"), ("taper", "taper_mm")):
        shown = [say.number(getattr(form_of(found), pick)) if found else "" for found in sizes.values()]
        rows.append((word, *(cell for value in shown for cell in (value, ""))))
    return Table(title, ("", *heads), tuple(rows))
