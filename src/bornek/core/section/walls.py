"""Rows for the housing: bearings stand in its walls, nothing inside reaches through one."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bornek.core.section.lengths import CLEAR, GAP, WALL
from bornek.core.section.reach import Reach, bored
from bornek.core.section.rows import Rows
from bornek.core.units.definition import Definition, Part, Shaft
from bornek.core.units.part_kinds import BEARINGS, GEARS

Order = Mapping[str, Sequence[Part]]


def in_walls(d: Definition, order: Order) -> dict[str, list[Part]]:
    """By shaft, the bearings that the housing carries: none of those in a bore, on a planet's pin or in the plate."""
    found = {}
    for s in d.shafts:
        own = [] if s.pins else [p for p in order[s.key] if p.part_kind in BEARINGS]
        within = bored(d, s).within if s.inside else ()
        borne = [p for p in own if p not in within and p.key not in d.plate]
        if borne:
            found[s.key] = borne
    return found


def carrier_side(row: Sequence[Part]) -> str:
    """On which end of a carried shaft the carrier stands out: the end away from its gear."""
    at = [i for i, p in enumerate(row) if p.part_kind in BEARINGS]
    gears = [i for i, p in enumerate(row) if p.part_kind in GEARS]
    return "hi" if gears and at and gears[0] < at[0] else "lo"


def place_walls(
    rows: Rows,
    d: Definition,
    order: Order,
    reach: Reach,
    sides: Mapping[str, str],
    walled: Mapping[str, list[Part]],
) -> None:
    rows.minimise({"right": 2, "left": -2, "bottom": 2, "top": -2})
    for lo, hi in (("left", "right"), ("top", "bottom")):
        rows.at_least({hi: 1, lo: -1}, 2 * WALL + 2 * CLEAR)
        rows.wish({lo: 1}, 0, 0.0001)
    for s in d.shafts:
        if s.key in walled:
            low, high = ("top", "bottom") if s.line == "level" else ("left", "right")
            rows.at_least({f"line {s.key}": 1, low: -1}, WALL + CLEAR, ("wall", s.key))
            rows.at_least({high: 1, f"line {s.key}": -1}, WALL + CLEAR, ("wall", s.key))
            followed = any(other.after == s.key for other in d.shafts)
            _borne(rows, s, order[s.key], walled[s.key], reach, sides.get(s.key, ""), followed)
        else:
            _within(rows, s, [p for p in order[s.key] if p.part_kind in GEARS and not s.inside], reach)
    _plate(rows, d, reach)


def _borne(
    rows: Rows,
    shaft: Shaft,
    row: Sequence[Part],
    borne: Sequence[Part],
    reach: Reach,
    side: str,
    followed: bool,
) -> None:
    lo, hi = ("left", "right") if shaft.line == "level" else ("top", "bottom")
    wide, tag = reach.wide, ("wall", shaft.key)
    first, last = row.index(borne[0]), row.index(borne[-1])
    if side == "lo":
        rows.same({row[last].key: 1, lo: -1}, wide[row[last].key] / 2 - WALL / 2, tag)
        _flanges(rows, shaft, row, lo, -1, reach)
        inside = row[last + 1 :]
    elif side == "hi":
        rows.same({row[first].key: 1, hi: -1}, WALL / 2 - wide[row[first].key] / 2, tag)
        _flanges(rows, shaft, row, hi, 1, reach)
        inside = row[:first]
    else:
        if not shaft.after:
            rows.same({row[first].key: 1, lo: -1}, wide[row[first].key] / 2, tag)
        if not followed and (last > first or shaft.after):
            rows.same({row[last].key: 1, hi: -1}, -wide[row[last].key] / 2, tag)
        inside = row[0 if shaft.after else first : len(row) if followed else last + 1]
        _covers(rows, shaft, [] if shaft.after else row[:first], [] if followed else row[last + 1 :], reach)
    _within(rows, shaft, inside, reach)


def _within(rows: Rows, shaft: Shaft, inside: Sequence[Part], reach: Reach) -> None:
    """Inside the walls, along and across."""
    lo, hi = ("left", "right") if shaft.line == "level" else ("top", "bottom")
    low_across, high_across = ("top", "bottom") if shaft.line == "level" else ("left", "right")
    tag = ("wall", shaft.key)
    far = max((reach.far[p.key] for p in inside), default=0.0)
    if inside:
        rows.at_least({f"line {shaft.key}": 1, low_across: -1}, WALL + CLEAR + far, tag)
        rows.at_least({high_across: 1, f"line {shaft.key}": -1}, WALL + CLEAR + far, tag)
    for p in inside:
        if p.part_kind not in BEARINGS:
            rows.at_least({p.key: 1, lo: -1}, WALL + GAP + reach.wide[p.key] / 2, tag)
            rows.at_least({hi: 1, p.key: -1}, WALL + GAP + reach.wide[p.key] / 2, tag)


def _flanges(rows: Rows, shaft: Shaft, row: Sequence[Part], wall: str, out: int, reach: Reach) -> None:
    """A carrier's flange lies on the outer face of the wall; it takes no room on the shaft."""
    for p in row:
        if p.part_kind == "cage":
            rows.same({p.key: 1, wall: -1}, out * reach.wide[p.key] / 2, ("wall", shaft.key))


def _covers(rows: Rows, shaft: Shaft, before: Sequence[Part], behind: Sequence[Part], reach: Reach) -> None:
    """The cover next to the bearing lies on the outer face of its wall; whatever else is outside stays there."""
    lo, hi = ("left", "right") if shaft.line == "level" else ("top", "bottom")
    wide, tag = reach.wide, ("wall", shaft.key)
    if before and before[-1].part_kind == "cover":
        rows.same({before[-1].key: 1, lo: -1}, -wide[before[-1].key] / 2, tag)
    if behind and behind[0].part_kind == "cover":
        rows.same({behind[0].key: 1, hi: -1}, wide[behind[0].key] / 2, tag)
    for p in before:
        rows.at_least({lo: 1, p.key: -1}, wide[p.key] / 2, tag)
    for p in behind:
        rows.at_least({p.key: 1, hi: -1}, wide[p.key] / 2, tag)


def _plate(rows: Rows, d: Definition, reach: Reach) -> None:
    """An intermediate plate across the level shafts, in which these bearings sit."""
    held = [p for k in d.plate if (p := d.part(k)) is not None and p.key in reach.wide]
    level = [p for p in held if (s := d.shaft(p.shaft)) is not None and s.line == "level"]
    for p in level:
        rows.same({p.key: 1, "plate": -1}, 0, ("plate", p.key))
    if level:
        rows.at_least({"plate": 1, "left": -1}, 2 * WALL + GAP, ("plate", level[0].key))
        rows.at_least({"right": 1, "plate": -1}, 2 * WALL + GAP, ("plate", level[0].key))
