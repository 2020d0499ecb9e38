"""The yard's rams, ovens, freezers and wrenches as a sum takes them."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from sqlalchemy.orm import Session

from bornek.services.shop.tools import card_of
from bornek.store.queries.shop_time import tool_cards


@dataclass(frozen=True)
class Ready:
    """A tool with what a sum is given by it, as typed; `why_not` where it cannot be used."""

    name: str
    sums: list[str]
    given: dict[str, str]
    why_not: str


def ready_tools(session: Session, today: date) -> list[Ready]:
    found = []
    for row in tool_cards(session):
        card, day = card_of(row), today.isoformat()
        if card.sort == "ram" and card.details.get("area"):
            given = {"area": card.details["area"]}
            if rated := card.details.get("rated_pressure"):
                given["rated_pressure"] = f"{rated} bar"
            found.append(Ready(card.name, ["fit_ram"], given, card.why_not(day)))
        if card.sort == "oven" and card.details.get("hottest"):
            given = {"heater": "oven", "heater_c": card.details["hottest"]}
            found.append(Ready(card.name, ["fit_heat"], given, card.why_not(day)))
        if card.sort == "freezer" and card.details.get("coldest"):
            given = {"cooler": "freezer", "cooler_c": card.details["coldest"]}
            found.append(Ready(card.name, ["fit_heat"], given, card.why_not(day)))
        if card.sort == "torque_wrench" and card.details.get("greatest"):
            given = {
                "wrench_least": card.details.get("least") or "0",
                "wrench_greatest": card.details["greatest"],
                "wrench_due": "good" if card.usable(day) else "due",
            }
            found.append(Ready(card.name, ["fit_bolts", "fit_extension"], given, card.why_not(day)))
    return found
