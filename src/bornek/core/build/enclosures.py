"""What shuts what in: places closed by parts, the room between two covers of a shaft."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.units.definition import Definition

ENDS = frozenset({"cover"})


@dataclass(frozen=True)
class Enclosure:
    """Shut once all `closers` are in for good. `typed`: the definition says so, else it is taken from the section.
    `ways_in`: openings that stay, so that it never shuts anything out."""

    key: str
    label: str
    closers: tuple[str, ...]
    parts: tuple[str, ...]
    settings: tuple[str, ...] = ()
    ways_in: tuple[str, ...] = ()
    typed: bool = False
    also: tuple[str, ...] = ()
    """Steps that close it by saying so."""


def enclosures(d: Definition) -> list[Enclosure]:
    """Places with what closes them first, then the shafts between two covers.

    >>> from bornek.core.units.definition import Part, Place
    >>> d = Definition(parts=(Part("lid", "Lid", "cover"), Part("cup", "Cup", "other", inside="bore")),
    ...                places=(Place("bore", "left bore", closed_by=("lid",)),))
    >>> [(e.label, e.closers, e.parts) for e in enclosures(d)]
    [('left bore', ('lid',), ('cup',))]
    """
    closing_steps: dict[str, list[str]] = {}
    for step in d.steps:
        for place in step.closes:
            closing_steps.setdefault(place, []).append(step.key)
    found = [
        Enclosure(
            key=p.key,
            label=p.label,
            closers=p.closed_by,
            parts=tuple(x.key for x in d.parts if x.inside == p.key and x.key not in p.closed_by),
            settings=tuple(s.key for s in d.settings if s.place == p.key and p.at not in p.closed_by),
            ways_in=p.ways_in,
            typed=True,
            also=tuple(closing_steps.get(p.key, ())),
        )
        for p in d.places
        if p.closed_by or p.key in closing_steps
    ]
    held = {key for e in found for key in e.parts}
    for shaft in d.shafts:
        row = d.on(shaft.key)
        ends = [i for i, p in enumerate(row) if p.part_kind in ENDS]
        if len(ends) < 2:
            continue
        first, last = row[ends[0]], row[ends[-1]]
        between = tuple(p.key for p in row[ends[0] + 1 : ends[-1]] if p.key not in held)
        if between:
            found.append(
                Enclosure(
                    key=f"between-{shaft.key}",
                    label=shaft.label,
                    closers=(first.key, last.key),
                    parts=between,
                )
            )
    return found
