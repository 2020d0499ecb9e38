"""A simulated unit that wears at a steady rate and is stripped five times: what the life says of it against the truth."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from bornek.core.life.forecast import forecast
from bornek.core.life.visit import Visit
from bornek.core.wear import TAKEN_APART_MM, Rate
from bornek.core.windows import Normal

STRIPS = 5
READ_U_MM = 0.003
LEFT_MM, LIMIT_MM = 0.08, 0.30
TYPE_RATE, TYPE_SD = 0.000060, 0.000015
"""What units of the type wear by, mm a day, and how far they lie apart."""
BEGUN = date(2000, 1, 1)


@dataclass(frozen=True)
class WornUnit:
    """`meets` the true days after the last strip at which the limit is met."""

    visits: tuple[Visit, ...]
    meets: float
    last: date


@dataclass(frozen=True)
class Outcome:
    """`held`: the band holds the truth; `came_before`: the limit came before *act before*; `off_share`: how far the likely
    day lies off, as a share of the true time."""

    held: bool
    came_before: bool
    off_share: float


def worn_unit(seed: int) -> WornUnit:
    """Five strips some four years apart, each left near the middle of its window.

    >>> len(worn_unit(1).visits)
    5
    """
    rng = np.random.default_rng([20261127, seed])
    rate = max(TYPE_RATE + TYPE_SD * rng.standard_normal(), 1.5e-5)
    day, true = BEGUN, LEFT_MM + 0.01 * rng.standard_normal()
    visits = []
    for n in range(STRIPS):
        if n:
            gap = int(rng.integers(900, 1900))
            day += timedelta(days=gap)
            found = true + rate * gap
            true = LEFT_MM + 0.01 * rng.standard_normal()
        visits.append(
            Visit(
                job=f"{seed}.{n}",
                day=day,
                hours=None,
                found=_read(rng, found) if n else None,
                left=_read(rng, true),
                reset=True,
            )
        )
    return WornUnit(tuple(visits), (LIMIT_MM - true) / rate, day)


def _read(rng: np.random.Generator, true: float) -> Normal:
    """What is read: the gauge, and taking it apart and reading it again."""
    return Normal(float(true + np.hypot(READ_U_MM, TAKEN_APART_MM) * rng.standard_normal()), READ_U_MM)


def outcome(unit: WornUnit, type_known: bool = False) -> Outcome | None:
    """What the life says of a unit against its truth; None where it names no date.

    >>> outcome(worn_unit(3)) is not None
    True
    """
    prior = Rate(TYPE_RATE, TYPE_SD) if type_known else None
    found = forecast(unit.visits, LIMIT_MM, prior=prior)
    if found is None or found.wear.told != "date" or found.wear.likely is None:
        return None
    act_before, late = found.wear.act_before or 0.0, found.wear.late or 0.0
    said = (found.act_before - unit.last).days if found.act_before else act_before
    return Outcome(
        held=act_before <= unit.meets <= late,
        came_before=unit.meets < said,
        off_share=abs(found.wear.likely - unit.meets) / unit.meets,
    )
