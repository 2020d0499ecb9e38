"""Outlines of what lies round other parts: ring gears, planet carriers, discs, drums."""

from __future__ import annotations

from bornek.core.section.lengths import RIM, TOOTH
from bornek.core.section.outline import Outline, edge, face
from bornek.core.section.place_parts import Spot

WEB = 8.0
SEAT = 14.0
PLATES = 6


def ring_gear(s: Spot, flip: int) -> list[Outline]:
    """A rim with its teeth inside: on a web from its shaft, or seated in the housing that holds it."""
    h, r = s.along / 2, s.radius
    tip = (s.pitch or r - RIM) - TOOTH / 2
    rim = [face("part", -h, h, tip, r), edge("edge", (-h, tip + TOOTH), (h, tip + TOOTH))]
    if s.part.held:
        return [*rim, face("cut", -h, h, r, r + SEAT)]
    back = -h * flip
    return [face("part", min(back, back - WEB * flip), max(back, back - WEB * flip), s.near - 1, r), *rim]


def carrier(s: Spot, flip: int) -> list[Outline]:
    h = s.along / 2
    return [
        face("part", -h, h, s.near - 1, s.radius),
        face("part", -h * 1.6, h * 1.6, s.near - 1, s.near + 9),
    ]


def discs(s: Spot, flip: int) -> list[Outline]:
    """Plates by turns on the hub and in the drum."""
    h, r = s.along / 2, s.radius
    hub, step = s.near + (r - s.near) * 0.2, 2 * h / PLATES
    found = [face("part", -h, h, s.near - 1, hub)]
    for i in range(PLATES):
        u = -h + (i + 0.15) * step
        low, high = (hub, r * 0.9) if i % 2 else (hub + (r - hub) * 0.25, r)
        found.append(face("roller" if i % 2 else "race", u, u + step * 0.7, low, high))
    return found


def cup(s: Spot, flip: int) -> list[Outline]:
    """A drum: hub and web at its closed end, the rim over what lies in it."""
    h, r = s.along / 2, s.radius
    shut, open_end = -h * flip, h * flip
    web = (min(shut, shut + WEB * flip), max(shut, shut + WEB * flip))
    return [
        face("part", *web, s.near - 1, r),
        face("part", min(shut, open_end), max(shut, open_end), r - 10, r),
    ]
