"""A seat measured at three places along it, two ways across."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_seat_and_micrometer() -> Section:
    """
    >>> draw_seat_and_micrometer().label
    'A seat: three places along it, two ways across'
    """
    f = Figure("A seat: three places along it, two ways across")
    f.box("shaft", 20, 96, 80, 140)
    f.box("part", 80, 70, 230, 166)
    f.box("shaft", 230, 96, 310, 140)
    f.centre((8, 118), (324, 118))
    for x in (104.0, 155.0, 206.0):
        f.arrow((x, 44), (x, 68))
        f.arrow((x, 192), (x, 168))
    f.words("near", 80, 22)
    f.words("middle", 126, 22)
    f.words("far", 196, 22)
    f.words("and a quarter turn on", 78, 200)
    return f.scene()
