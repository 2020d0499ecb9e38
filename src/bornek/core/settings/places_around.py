"""Sizes taken at several places along and directions across a bore or a journal: shared by the kinds that do."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from bornek.core.quantities import Speech
from bornek.core.readings import spread
from bornek.core.scenes import Table
from bornek.core.settings.kind import Field, Slot

PLACES = (("near", "near end"), ("middle", "middle"), ("far", "far end"))
DIRECTIONS = (("up", "upright"), ("across", "across"))
Sizes = Mapping[tuple[str, str], float]

FORM_LIMIT = Field("form_limit", "Ovality or taper at most", "length", required=False, lo=0.001, hi=1)


@dataclass(frozen=True)
class Form:
    """Ovality: greatest difference across one place; taper: between the means of the places [mm]."""

    ovality_mm: float
    taper_mm: float


def size_slots(key: str, label: str, posture: str, plausible: tuple[float, float]) -> list[Slot]:
    """Three places, two directions each."""
    return [
        Slot(
            key=f"{key}.{place}.{way}",
            label=f"{label}, {place_label}, {way_label}",
            group=label,
            axes={"what": key, "place": place, "way": way},
            quantity="length",
            nature="size",
            posture=posture,
            plausible=plausible,
            peers=key,
        )
        for place, place_label in PLACES
        for way, way_label in DIRECTIONS
    ]


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
