"""Parts that went home hot, and when each is cold: what was read near them is read again then."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.build.bench import yard_moment
from bornek.core.facts.fit_seen import FitSeen
from bornek.core.facts.heat_read import HeatRead
from bornek.core.facts.kind import Fact
from bornek.core.facts.reckoned import Reckoned
from bornek.core.fits.hot_fit import Moment, hot_fit


@dataclass(frozen=True)
class GoneHot:
    """`cold`: words for from when on it is cold; empty where nothing tells."""

    part: str
    cold: str


def gone_hot(facts: Sequence[Fact]) -> dict[str, GoneHot]:
    """By the fact that said that it is home.

    >>> gone_hot([])
    {}
    """
    plans = {f.id: f.body for f in facts if isinstance(f.body, Reckoned) and f.body.sum == "fit_heat"}
    found = {}
    for f in facts:
        if not isinstance(f.body, FitSeen) or f.body.what != "home" or f.body.fit not in plans:
            continue
        plan = plans[f.body.fit]
        moments = [
            Moment(yard_moment(x.at), x.body)
            for x in facts
            if isinstance(x.body, HeatRead) and x.body.fit in plans and plans[x.body.fit].part == plan.part
        ]
        state = hot_fit(plan, moments, yard_moment(f.at)) if f.at else None
        cold = f", from {state.cold:%H:%M} on" if state is not None and state.cold is not None else ""
        found[f.id] = GoneHot(plan.part, cold)
    return found
