"""How backlash and contact answer the members: the prior of what the mechanic will see."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from bornek.core.mesh.bevel_set import SIDES, BevelSet, Side
from bornek.core.mesh.contact import Shift, contact
from bornek.core.mesh.lash import lash_change_mm

STEP_MM = 0.05


@dataclass(frozen=True)
class Slopes:
    """Per mm out of the pinion and of the gear: transverse backlash [mm], and the pattern of either flank lengthwise and
    up the tooth [shares of the flank]."""

    lash: tuple[float, float]
    x: dict[Side, tuple[float, float]]
    y: dict[Side, tuple[float, float]]


@lru_cache(maxsize=128)
def slopes(s: BevelSet) -> Slopes:
    """Central differences over ± 0.05 mm about home.

    Published check values within 10 % or 0.005 per 0.1 mm.

    >>> from bornek.core.mesh.bevel_set import S1
    >>> found = slopes(S1)
    >>> round(found.lash[0], 2), round(found.lash[1], 2)
    (0.38, 0.83)
    """
    lash, xs, ys = [], {side: [] for side in SIDES}, {side: [] for side in SIDES}  # type: ignore[var-annotated]
    for knob in ("pinion", "gear"):
        out, back = (Shift(**{knob: by}) for by in (STEP_MM, -STEP_MM))
        lash.append(lash_change_mm(s, out, back) / (2 * STEP_MM))
        for side in SIDES:
            a, b = contact(s, side, out), contact(s, side, back)
            xs[side].append((a.x - b.x) / (2 * STEP_MM))
            ys[side].append((a.y - b.y) / (2 * STEP_MM))
    return Slopes(
        (lash[0], lash[1]),
        {side: (v[0], v[1]) for side, v in xs.items()},
        {side: (v[0], v[1]) for side, v in ys.items()},
    )
