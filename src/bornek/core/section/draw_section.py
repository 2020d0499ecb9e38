"""The section of a unit from its definition: shapes, flags on places, names of shafts."""

from __future__ import annotations

import math
from dataclasses import replace
from itertools import combinations

from bornek.core.scenes import Section, SectionFlag, SectionLabel
from bornek.core.section.flags import ROOM, Box, Wanted, leader_end, place_boxes
from bornek.core.section.laid import Laid, Point, lay_out
from bornek.core.section.names import name_spot, shown_name, wide_of
from bornek.core.section.sheet_size import HEIGHT, WIDTH
from bornek.core.units.definition import Definition, Shaft

FLAG = (104.0, 54.0)
LINE = 20.0
MOST_GROWN = 24
NEAR = 26.0
"""A name farther than this from the end of its shaft is led there."""


def draw_section(d: Definition, label: str = "Section") -> Section:
    """The whole drawing, on a sheet of 880 by 530 or as much larger as it needs; a unit without a shaft gives an
    empty sheet. What clashes is drawn as near as it can be and marked."""
    laid = lay_out(d)
    return Section(label, WIDTH, HEIGHT, ()) if laid is None else section_of(laid, label)


def section_of(laid: Laid, label: str) -> Section:
    """What was laid out, on its sheet: flags on places, names of shafts."""
    for _ in range(MOST_GROWN):
        section = _on_sheet(laid, label)
        if not _overlaps(section):
            break
        laid = replace(laid, sheet=laid.sheet.grown())
    return section


def _on_sheet(laid: Laid, label: str) -> Section:
    move, anchors, sheet = laid.move, laid.anchors, laid.sheet
    shapes = tuple(replace(s, points=tuple(move(p) for p in s.points)) for s in laid.shapes)
    names = [(shown_name(laid, s), move(name_spot(laid, s))) for s in laid.d.shafts]
    wanted = [Wanted(move(at), *FLAG) for _, at in anchors]
    wanted += [Wanted(at, wide_of(text) + 8, LINE, led=False) for text, at in names]
    boxes = place_boxes(wanted, shapes, sheet.width, sheet.height)
    flags = tuple(
        SectionFlag(
            key=p.key,
            number=n + 1,
            label=p.label,
            x=box[0],
            y=box[1],
            w=FLAG[0],
            h=FLAG[1],
            spot=want.spot,
            leader=leader_end(want.spot, box),
        )
        for n, ((p, _), want, box) in enumerate(zip(anchors, wanted, boxes, strict=False))
    )
    labels = tuple(
        SectionLabel(
            text=text,
            x=box[0],
            y=box[1],
            w=box[2] - box[0],
            h=box[3] - box[1],
            shaft=s.key,
            full=s.label,
            line=_line(laid, s),
            leader=_leader(at, box),
        )
        for (text, at), box, s in zip(names, boxes[len(anchors) :], laid.d.shafts, strict=True)
    )
    return Section(
        label=label,
        width=sheet.width,
        height=sheet.height,
        shapes=shapes,
        flags=flags,
        labels=labels,
        clash=tuple(dict.fromkeys(k for c in laid.clashes for k in c.parts)),
    )


def _line(laid: Laid, shaft: Shaft) -> tuple[Point, ...]:
    return tuple(laid.move(laid.frames[shaft.key].at(u, 0)) for u in laid.placed.ends(shaft.key))


def _leader(spot: Point, box: Box) -> tuple[Point, ...]:
    end = leader_end(spot, box)
    return (spot, end) if math.dist(spot, end) > NEAR else ()


def _overlaps(section: Section) -> bool:
    boxes: list[Box] = [(f.x, f.y, f.x + f.w, f.y + f.h) for f in section.flags]
    boxes += [(x.x, x.y, x.x + x.w, x.y + x.h) for x in section.labels]
    return any(
        a[0] < b[2] + ROOM / 2
        and b[0] < a[2] + ROOM / 2
        and a[1] < b[3] + ROOM / 2
        and b[1] < a[3] + ROOM / 2
        for a, b in combinations(boxes, 2)
    )
