"""A vertical motor's thrust end with a plain thrust bearing: nut, carrier, bearing, guide bearing on its cap."""

from __future__ import annotations

from bornek.core.scenes import Section
from bornek.core.settings.figures.figure import Figure


def draw_nut_on_carrier(jacked: bool, lift: str = "") -> Section:
    """`lift`: how far the rotor lifts, in words, once it was measured.

    >>> draw_nut_on_carrier(True).label
    'Thrust end: rotor jacked up'
    """
    f = Figure(f"Thrust end: rotor {'jacked up' if jacked else 'down'}", high=206.0)
    up = 9.0 if jacked else 0.0
    f.box("shaft", 142, 18 - up, 188, 186 - up)
    for x0, x1 in ((120, 142), (188, 210)):
        f.box("part", x0, 36, x1, 54)
    for x0, x1 in ((84, 142), (188, 246)):
        f.box("part", x0, 56, x1, 74)
        f.box("race", x0, 76, x1, 86)
        f.box("cut", x0 - 14 if x0 < 142 else x0, 88, x1 if x0 < 142 else x1 + 14, 110)
    for x0, x1 in ((110, 142), (188, 220)):
        f.box("roller", x0, 160 - up, x1, 178 - up)
        f.box("cut", x0, 138, x1, 150)
    f.words("nut", 212, 32)
    f.words("carrier", 248, 54)
    f.words("thrust", 262, 76)
    f.words("bearing", 262, 92)
    f.words(f"cap, lift {lift}" if lift else "cap", 222, 132)
    f.words("guide bearing", 222, 158)
    f.gauge(60, 36, (138, 18 - up))
    if jacked:
        f.arrow((165, 204), (165, 178))
        f.words("jack", 172, 186)
    return f.scene()
