"""Rows for what lies round or in something else: shafts in the bore of others, planets on the pins of a carrier."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bornek.core.section.lengths import NEXT, SHORTEST
from bornek.core.section.reach import BELL, Reach, bored, pin_distance, pinned_row
from bornek.core.section.rows import Rows
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.part_kinds import GEARS

Order = Mapping[str, Sequence[Part]]


def tube_of(row: Sequence[Part]) -> tuple[Sequence[Part], Sequence[Part]]:
    """The parts along a tube, and those beyond it, round what comes out of it."""
    at = next((i for i, p in enumerate(row) if p.part_kind in BELL), len(row))
    return row[:at], row[at:]


def place_nested(rows: Rows, d: Definition, order: Order, reach: Reach) -> tuple[str, ...]:
    """All rows; the shafts that have become tubes."""
    tubes = tuple(s.key for s in d.shafts if d.runs_in(s.key))
    for key in tubes:
        _tube(rows, key, order[key], reach)
    for s in d.shafts:
        if s.inside:
            _inner(rows, d, s, order, reach)
        if s.pins:
            _pins(rows, d, s, order, reach)
    return tubes


def _tube(rows: Rows, key: str, row: Sequence[Part], reach: Reach) -> None:
    lo, hi = f"lo {key}", f"hi {key}"
    rows.at_least({hi: 1, lo: -1}, SHORTEST)
    rows.minimise({hi: 0.5, lo: -0.5})
    along, beyond = tube_of(row)
    for p in along:
        rows.at_least({p.key: 1, lo: -1}, reach.wide[p.key] / 2, ("tube", key))
        rows.at_least({hi: 1, p.key: -1}, reach.wide[p.key] / 2, ("tube", key))
    for p in beyond:
        rows.at_least({p.key: 1, hi: -1}, reach.wide[p.key] / 2, ("tube", key))


def _inner(rows: Rows, d: Definition, shaft: Shaft, order: Order, reach: Reach) -> None:
    tag, wide = ("inside", shaft.key), reach.wide
    lo, hi = f"lo {shaft.inside}", f"hi {shaft.inside}"
    rows.same({f"line {shaft.key}": 1, f"line {shaft.inside}": -1}, 0, tag)
    split = bored(d, shaft)
    for p in split.within:
        rows.at_least({p.key: 1, lo: -1}, wide[p.key] / 2, tag)
        rows.at_least({hi: 1, p.key: -1}, wide[p.key] / 2, tag)
    for p in split.before:
        rows.at_least({lo: 1, p.key: -1}, wide[p.key] / 2 + NEXT, tag)
    round_it = {k for m in d.meshes for k in (m.driver, m.driven)}
    for p in split.after:
        if not (p.part_kind == "ring_gear" and p.key in round_it):
            rows.at_least({p.key: 1, hi: -1}, wide[p.key] / 2, tag)
    _, beyond = tube_of(order[shaft.inside])
    for cover in (p for p in beyond if p.part_kind not in BELL):
        for p in split.after:
            rows.at_least({cover.key: 1, p.key: -1}, (wide[p.key] + wide[cover.key]) / 2 + NEXT, tag)


def _pins(rows: Rows, d: Definition, shaft: Shaft, order: Order, reach: Reach) -> None:
    """Beside the carrier, away from its axis; what the planets mesh with turns about that axis."""
    carrier = d.part(shaft.pins)
    row = order[shaft.key]
    if carrier is None or carrier.key not in reach.wide:
        return
    tag = ("pins", shaft.key)
    own, axis = f"line {shaft.key}", f"line {carrier.shaft}"
    rows.same({own: 1, axis: -1}, -pin_distance(d, shaft, reach.pitch), tag)
    if not row:
        rows.wish({f"bare {shaft.key}": 1, carrier.key: -1}, 0, 0.01)
        return
    inside = pinned_row(tuple(row))
    planet = next((p for p in row if p.part_kind in GEARS), row[0])
    for p, off in inside:
        rows.same({p.key: 1, planet.key: -1}, off, tag)
    side = -1 if carrier.flip else 1
    solid = [p for p in row if p not in [x for x, _ in inside]]
    end = solid[-1] if side > 0 else solid[0]
    rows.same(
        {carrier.key: 1, end.key: -1},
        side * ((reach.wide[carrier.key] + reach.wide[end.key]) / 2 + NEXT),
        tag,
    )
