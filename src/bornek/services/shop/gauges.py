"""The gauge register."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.gauges import Gauge
from bornek.services.desk import Desk
from bornek.services.setting.load_setting import find_gauges
from bornek.store import tables as t


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


def register_gauge(desk: Desk, sent: dict[str, Any]) -> list[dict[str, Any]]:
    """Adds a gauge or brings its card up to date. The core refuses a card that cannot be."""
    desk.mechanic()
    card = Gauge(**sent)
    row = desk.session.get(t.Gauge, card.id) or t.Gauge(id=card.id)
    row.name, row.quantity, row.unit, row.division = card.name, card.quantity, card.unit, card.division
    row.interpolation, row.calibration_u, row.due = card.interpolation, card.calibration_u, card.due
    desk.session.add(row)
    desk.session.flush()
    return view_gauges(desk.session, desk.today)
