"""Gauges and the cards that they had."""

from __future__ import annotations

from collections.abc import Collection, Sequence

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from bornek.store import tables as t

_LAST = select(func.max(t.GaugeCard.number)).where(t.GaugeCard.gauge_id == bindparam("gauge_id"))


def card_id(gauge_id: str, number: int) -> str:
    return f"{gauge_id}.{number}"


def last_card(session: Session, gauge_id: str) -> int:
    """The number of the card that holds now; 0 for a gauge that has none."""
    return session.scalars(_LAST, {"gauge_id": gauge_id}).one() or 0


def cards(session: Session, ids: Collection[str]) -> Sequence[t.GaugeCard]:
    return session.scalars(select(t.GaugeCard).where(t.GaugeCard.id.in_(ids))).all()
