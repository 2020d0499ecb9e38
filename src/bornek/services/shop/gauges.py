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


@dataclass(frozen=True)
class GaugeView:
    id: str
    name: str
    unit: str
    division: float
    interpolation: float
    calibration_u: float
    quantity: str
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
    row.name, row.quantity, row.unit, row.division = card.name, card.quantity, card.unit, card.division
    row.interpolation, row.calibration_u, row.due = card.interpolation, card.calibration_u, card.due
    desk.session.add(row)
    desk.session.flush()
    number = last_card(desk.session, card.id) + 1
    desk.session.add(
        t.GaugeCard(
            id=card_id(card.id, number),
            gauge_id=card.id,
            number=number,
            name=card.name,
            quantity=card.quantity,
            unit=card.unit,
            division=card.division,
            interpolation=card.interpolation,
            calibration_u=card.calibration_u,
            due=card.due,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
