"""Where a two-row bearing is read on the bench, and the sizes of its four sets at 20 °C."""

from __future__ import annotations

from collections.abc import Mapping
from functools import partial

from bornek.core.gauges import Gauge
from bornek.core.readings import spread
from bornek.core.scenes import Table
from bornek.core.settings.kind import Check, Slot, speech
from bornek.core.settings.records import Context
from bornek.core.settings.sifting import sift
from bornek.core.temperature import size_correction_mm

STATIONS = ("12", "3", "6", "9")
SETS = (
    ("A", "Depth A, cup on the first cone", "Stand the first cone on its back face, cup on it. Press and "
     "rotate to seat. Depth from the cup's upper face down to that cone's front face."),
    ("B", "Depth B, cup on the second cone", "Turn the cup over onto the other cone. Press and rotate to "
     "seat. The same depth. Do not turn the cup within a set."),
    ("W", "Cup width", "Width of the cup, face to face."),
    ("S", "Spacer width", "Width of the spacer, face to face."),
)  # fmt: skip
SPREAD_LIMIT_MM = 0.02
PARALLEL_LIMIT_MM = 0.01
SCATTER_PRIOR_MM = 0.003


def slots_of(ctx: Context) -> list[Slot]:
    """The first round reads all four sets; after a move the spacer alone is owed."""
    owed = SETS if ctx.round == ctx.first_round else SETS[3:]
    return [
        Slot(
            key=f"{key}.{station}",
            label=f"{label}, {station} o'clock",
            group=label,
            axes={"set": key, "station": station},
            quantity="length",
            nature="size",
            needs="depth" if key in ("A", "B") else "outside",
            posture=posture,
            plausible=(1.0, 600.0),
            peers=key,
        )
        for key, label, posture in owed
        for station in STATIONS
    ]


def read_of(ctx: Context) -> dict[str, list[tuple[float, Gauge]]]:
    """Sizes per set corrected to 20 °C with the gauge that read each, the newest round that has them."""
    found: dict[str, list[tuple[float, Gauge]]] = {}
    for number in range(ctx.first_round, ctx.round + 1):
        now = ctx.once(("sets", number), partial(_read_in, ctx, number))
        if number > ctx.first_round:
            now = {"S": [], **now}
        found |= now
    return {k: v for k, v in found.items() if v}


def _read_in(ctx: Context, number: int) -> dict[str, list[tuple[float, Gauge]]]:
    """The sets that were read in one round."""
    then = ctx.at(number)
    slots = slots_of(then)
    sifted = sift(slots, then.now())
    found: dict[str, list[tuple[float, Gauge]]] = {}
    for key in "ABWS":
        mine = [s for s in slots if s.key.startswith(key)]
        values = [v for g in sifted.numbers(mine).values() for v in g]
        if values:
            gauges = sifted.gauges(mine, then)
            found[key] = [(_at_20(v, key, then), g) for v, g in zip(values, gauges, strict=True)]
    return found


def _at_20(size_mm: float, key: str, ctx: Context) -> float:
    part = float(ctx.given["spacer_c" if key == "S" else "bearing_c"])
    gauge = float(ctx.given["gauge_c"])
    return size_mm + size_correction_mm(size_mm, part, gauge)


def seating_checks(ctx: Context, sets: Mapping[str, list[float]]) -> list[Check]:
    """Sets whose stations differ by more than a seated cup, or a spacer with parallel faces, would show."""
    say = speech(ctx)
    found = []
    for key, label, _ in SETS:
        values = sets.get(key, [])
        limit = PARALLEL_LIMIT_MM if key == "S" else SPREAD_LIMIT_MM
        wide = spread(values)
        if wide <= limit + 1e-9:
            continue
        across = max((abs(x - y) for x, y in zip(values, values[2:], strict=False)), default=0)
        why = "re-seat and read again"
        if key == "S":
            why = "not parallel: grind it true and read again"
        elif across > limit + 1e-9:
            why = "tilted across opposite stations: re-seat and read again"
        found.append(
            Check(
                f"spread_{key}",
                "warn",
                f"{label}: the stations differ by {say.number(wide)} {say.unit}, more than "
                f"{say.size(limit)}: {why}.",
                "reseat",
            )
        )
    return found


def table_of(ctx: Context, sets: Mapping[str, list[float]]) -> Table:
    say = speech(ctx)
    rows = tuple(
        (
            key,
            *(say.number(v) for v in values),
            *("" for _ in range(4 - len(values))),
            say.number(sum(values) / len(values)),
        )
        for key, values in sets.items()
    )
    return Table(f"Sizes at 20 °C, {say.unit}", ("", *STATIONS, "mean"), rows)
