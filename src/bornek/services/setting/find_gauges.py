"""The shop's gauges as their cards say, now and when something was read by them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.gauges import Gauge
from bornek.store import tables as t
from bornek.store.once import read_once
from bornek.store.queries.gauge_cards import cards
from bornek.store.tables.gauge import CARD

_GAUGES = select(t.Gauge).order_by(t.Gauge.name)


def find_gauges(session: Session, today: date) -> Mapping[str, Gauge]:
    """By id, each with the card that holds now."""
    return read_once(
        session,
        ("gauges", today),
        lambda: {g.id: gauge_of(g, g.id, today) for g in session.scalars(_GAUGES)},
    )


def earlier_cards(session: Session, entries: Sequence[t.Entry], now: Mapping[str, Gauge]) -> dict[str, Gauge]:
    """Cards under which something was read and that say otherwise than the gauge's own does now, by the card's
    id. A reading keeps the card that it was taken with, whatever became of the gauge since."""
    taken = {e.gauge_card_id: e.at.date() for e in entries if e.gauge_card_id}
    found = cards(session, list(taken)) if taken else ()
    return {
        card.id: gauge_of(card, card.id, taken[card.id])
        for card in found
        if not _same(card, now.get(card.gauge_id))
    }


def gauge_of(card: t.Gauge | t.GaugeCard, key: str, day: date) -> Gauge:
    told = {name: getattr(card, name) for name in CARD}
    return Gauge(id=key, overdue=bool(card.due) and card.due < day.isoformat(), **told)


def _same(card: t.GaugeCard, now: Gauge | None) -> bool:
    """Whether the gauge still says the same; when it is due tells nothing of what was read."""
    return now is not None and gauge_of(card, now.id, date.min) == replace(now, due=card.due, overdue=False)
