"""What of a gauge's news a page has not used yet: it says with each question what it has."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.errors import InputError
from bornek.core.trace.seen import Seen
from bornek.core.trace.taken import Taken
from bornek.devices.listener import SAME, Heard
from bornek.services.setting.live_view import LiveRefused

MOST_STATIONS = 4


@dataclass(frozen=True)
class Station:
    """A station with the gauge that reads it; what came up to value `after` of `session`, and up to its press number
    `presses`, was used already."""

    slot: str
    gauge: str
    session: str = ""
    after: int = -1
    presses: int = 0


def read_stations(texts: Sequence[str]) -> list[Station]:
    """Stations as the page names them: slot~gauge, and ~session~number~presses once something was heard.

    >>> read_stations(["travel.up.1~dial"])[0].gauge
    'dial'
    """
    if len(texts) > MOST_STATIONS:
        raise InputError(f"At most {MOST_STATIONS} gauges are listened to at once.", field="at")
    found = []
    for text in texts:
        parts = text.split("~")
        if len(parts) not in (2, 5) or not all(x.isdecimal() for x in parts[3:]):
            raise InputError(
                f"A station is slot~gauge or slot~gauge~session~number~presses (got {text[:60]!r}).",
                field="at",
                next_step="Load the page anew: it may be older than the yard.",
            )
        known = (parts[2], int(parts[3]), int(parts[4])) if len(parts) == 5 else ()
        found.append(Station(parts[0], parts[1], *known))
    return found


@dataclass(frozen=True)
class New:
    """Something to be taken, and the press that took it (0: it was seen by itself)."""

    taken: Taken
    press: int = 0

    @property
    def told_by(self) -> tuple[str, int, int]:
        """By what it is known again when it is seen once more: what it is, its mark, and how far off that may be."""
        if self.press:
            return "press", self.press, 0
        return self.taken.how, self.taken.mark, 0 if self.taken.how == "line" else SAME


@dataclass(frozen=True)
class News:
    takes: tuple[New, ...]
    refused: tuple[LiveRefused, ...]


def news_of(seen: Seen, station: Station, heard: Heard, asks: str) -> News:
    """Takes in their order, and the presses that took nothing. While something is asked of the mechanic, nothing is
    taken, and `asks` is said of every press."""
    known = station.session == heard.session
    after = station.after if known else heard.number - 1
    presses = station.presses if known else heard.presses
    pressed = [x for x in seen.presses if x.press.number > presses]
    if asks:
        return News((), tuple(LiveRefused(x.press.number, asks) for x in pressed))
    takes = [New(t) for t in seen.takes if t.mark > after]
    takes += [New(x.taken, x.press.number) for x in pressed if x.taken]
    refused = tuple(LiveRefused(x.press.number, x.words) for x in pressed if not x.taken)
    return News(tuple(sorted(takes, key=lambda new: new.taken.last)), refused)
