"""Gauges and the cards that they had."""

from __future__ import annotations

from collections.abc import Collection, Sequence

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from bornek.store import tables as t
from bornek.store.once import read_once

_LAST = select(func.max(t.GaugeCard.number)).where(t.GaugeCard.gauge_id == bindparam("gauge_id"))
_CARDS = select(t.GaugeCard).where(t.GaugeCard.id.in_(bindparam("ids", expanding=True)))


def card_id(gauge_id: str, number: int) -> str:
    return f"{gauge_id}.{number}"


def last_card(session: Session, gauge_id: str) -> int:
    """The number of the card that holds now; 0 for a gauge that has none."""
    return session.scalars(_LAST, {"gauge_id": gauge_id}).one() or 0


def cards(session: Session, ids: Collection[str]) -> Sequence[t.GaugeCard]:
    wanted = sorted(ids)
    return read_once(session, ("cards", *wanted), lambda: session.scalars(_CARDS, {"ids": wanted}).all())
