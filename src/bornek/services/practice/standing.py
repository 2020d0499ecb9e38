"""Where any rig stands, by the stage at whose page it is worked; what it cost; and whether its advice is shown."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.practice.rigs.rig import Page
from bornek.core.practice.score import Score, score_of
from bornek.services.practice.bench_stand import stand_at_bench
from bornek.services.practice.cause_stand import stand_at_cause
from bornek.services.practice.order_stand import stand_at_order
from bornek.services.practice.rigs import ASK, LIFTED, LOOK, Rigs
from bornek.services.practice.stand import Stand

STANDS: dict[Page, Callable[[Session, Rigs, str, Any, date], Stand]] = {
    "set": stand_at_bench,
    "inspect": stand_at_cause,
    "plan": stand_at_order,
}


def stand_at(session: Session, rigs: Rigs, key: str, today: date) -> Stand:
    _, rig = rigs.attempt(key)
    return STANDS[rig.page](session, rigs, key, rig, today)


def score_at(rigs: Rigs, key: str, stand: Stand) -> Score:
    """What a rig cost so far."""
    _, rig = rigs.attempt(key)
    done = [e.what for e in rigs.book.events(key)]
    tenths = done.count(LOOK) + stand.tenths
    return score_of(stand.teardowns, done.count(ASK), tenths, stand.best, rig.slack)


def shown_rounds(session: Session, rigs: Rigs, key: str, today: date) -> frozenset[int] | None:
    """The rounds whose advice is shown, for it was asked for; of a job all (None) or none."""
    _, rig = rigs.attempt(key)
    events = rigs.book.events(key)
    asked = frozenset(e.assembly for e in events if e.what == ASK)
    if rig.page == "set":
        return asked
    if any(e.what == LIFTED for e in events):
        return None
    return None if asked and stand_at(session, rigs, key, today).number in asked else frozenset()
