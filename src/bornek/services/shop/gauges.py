"""The gauge register."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.gauges import Gauge
from bornek.services.desk import Desk
from bornek.services.setting.find_gauges import find_gauges
from bornek.store import tables as t
from bornek.store.queries.gauge_cards import card_id, last_card
from bornek.store.tables.gauge import CARD


@dataclass(frozen=True)
class GaugeView:
    id: str
    name: str
    unit: str
    division: float
    interpolation: float
    calibration_u: float
    quantity: str
    takes: list[str]
    due: str
    overdue: bool
    resolution: float


def view_gauges(session: Session, today: date) -> list[dict[str, Any]]:
    return [asdict(g) | {"resolution": g.resolution} for g in find_gauges(session, today).values()]


def register_gauge(desk: Desk, sent: dict[str, Any]) -> None:
    """Adds a gauge or gives it a new card; the old one stays with what was read by it. The core refuses a card
    that cannot be."""
    who = desk.mechanic()
    card = Gauge(**sent)
    row = desk.session.get(t.Gauge, card.id) or t.Gauge(id=card.id)
    told = {name: getattr(card, name) for name in CARD} | {"takes": list(card.takes)}
    for name, value in told.items():
        setattr(row, name, value)
    desk.session.add(row)
    desk.session.flush()
    number = last_card(desk.session, card.id) + 1
    desk.session.add(
        t.GaugeCard(
            id=card_id(card.id, number),
            gauge_id=card.id,
            number=number,
            mechanic_id=who.id,
            at=desk.now,
            **told,
        )
    )
    desk.session.flush()
