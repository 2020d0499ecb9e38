"""The gauge register."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound
from bornek.core.gauge_line import BAUDS, FRAMES, WAYS, TalkLine
from bornek.core.gauges import Gauge
from bornek.core.plain import dump
from bornek.core.quantities import unit_said
from bornek.devices.ears import Ears
from bornek.devices.listener import Listener
from bornek.services.desk import Desk
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.gauge_lines import line_of
from bornek.services.setting.say_gauge import say_gauge
from bornek.store import tables as t
from bornek.store.queries.gauge_cards import card_id, last_card
from bornek.store.tables.gauge import CARD


@dataclass(frozen=True)
class LineChoices:
    """What a gauge's line can be: keys with their words."""

    ways: list[tuple[str, str]]
    frames: list[str]
    bauds: list[int]


def line_choices() -> dict[str, Any]:
    shown: dict[str, Any] = dump(LineChoices(list(WAYS.items()), list(FRAMES), list(BAUDS)))
    return shown


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
    line: TalkLine | None


def view_gauges(session: Session, today: date) -> list[dict[str, Any]]:
    return [
        asdict(g) | {"resolution": g.resolution, "line": _line(line_of(session, g.id))}
        for g in find_gauges(session, today).values()
    ]


def _line(line: TalkLine | None) -> dict[str, Any] | None:
    return asdict(line) if line else None


def write_line(desk: Desk, gauge_id: str, sent: dict[str, Any]) -> None:
    """How a gauge talks, or that it does not any more (`talks` false). The core refuses a line that cannot be."""
    who = desk.mechanic()
    if desk.session.get(t.Gauge, gauge_id) is None:
        raise NotFound(
            f"No gauge has the id {gauge_id!r}.", field="gauge", next_step="Write the gauge's card first."
        )
    line = asdict(TalkLine(**{k: v for k, v in sent.items() if k != "talks"})) if sent["talks"] else {}
    row = desk.session.get(t.GaugeLine, gauge_id) or t.GaugeLine(gauge_id=gauge_id)
    row.line, row.mechanic_id, row.at = line, who.id, desk.now
    desk.session.add(row)
    desk.session.flush()


@dataclass(frozen=True)
class GaugeHeard:
    """How a gauge's line is, tried out: the last line as it came, and the value that its pattern makes of it."""

    state: str
    words: str
    raw: str
    shown: str


def hear_gauge(session: Session, ears: Ears, gauge_id: str, today: date) -> dict[str, Any]:
    """Opens the line, where it is not open, and says what comes."""
    gauge, line = find_gauges(session, today).get(gauge_id), line_of(session, gauge_id)
    if gauge is None or line is None:
        raise NotFound(
            "This gauge does not talk.", field="gauge", next_step="Write on its card how it is reached."
        )
    heard = ears.listen(gauge_id, line).heard()
    says = say_gauge(gauge, heard, unit_said(heard.unit, gauge.quantity), "")
    shown = f"{heard.trace.v[-1]:g} {heard.unit or gauge.unit}" if len(heard.trace) else ""
    return asdict(GaugeHeard(says.state, says.words, heard.raw, shown))


def press(ears: Ears, gauge_id: str) -> None:
    """The key at the page does what the gauge's pedal does; where the gauge sends by that alone, it can do nothing."""
    listener = _heard(ears, gauge_id)
    if listener.own_key:
        raise InputError(
            "Not taken: this gauge sends by its own button or pedal.",
            field="gauge",
            next_step="Press that one.",
        )
    listener.press()


def mean_unit(ears: Ears, gauge_id: str, sent: dict[str, Any]) -> None:
    """Which unit a gauge sends that says another than its card does; until it is opened anew."""
    listener = _heard(ears, gauge_id)
    ears.mean_unit(listener.session, listener.heard().unit, sent["unit"])


def _heard(ears: Ears, gauge_id: str) -> Listener:
    listener = ears.listening(gauge_id)
    if listener is None:
        raise NotFound(
            "Nobody listens to this gauge now.", field="gauge", next_step="Choose it at its station."
        )
    return listener


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
