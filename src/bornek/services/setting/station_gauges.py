"""Which gauge a station is read with: the setting's own where it can, else the finest on the shelf that can."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence, Set
from dataclasses import dataclass
from typing import Any

from bornek.core.gauges import Gauge
from bornek.core.settings.given import read_given
from bornek.core.settings.kind import Setting, Slot
from bornek.core.settings.records import Context

READ = ("scalar", "between")


@dataclass(frozen=True)
class StationGauge:
    """`gauge` is taken where nobody names another; `could` are all that can take what the station needs,
    `talking` those of them whose needle can be heard here."""

    slot: str
    gauge: str
    name: str
    could: list[list[str]]
    talking: list[str]


def able(slot: Slot, shelf: Iterable[Gauge]) -> list[Gauge]:
    """The gauges that can take a station, those within their date first, the finest first."""
    fit = [g for g in shelf if g.can_take(slot.quantity, slot.need)]
    return sorted(fit, key=lambda g: (g.overdue, g.resolution, g.calibration_u, g.id))


def gauge_at(slot: Slot, own: Gauge | None, shelf: Iterable[Gauge]) -> Gauge | None:
    """The gauge that a reading is taken with where nobody names one.

    >>> lift = Slot("t", "Travel", "Travel", {}, "length", "travel")
    >>> depth = Gauge("d", "Depth 9", takes=("depth",))
    >>> dial, fine = Gauge("a", "Dial"), Gauge("b", "Lever", division=0.002)
    >>> gauge_at(lift, depth, [depth, dial, fine]).name, gauge_at(lift, dial, [fine]).name
    ('Lever', 'Dial')
    """
    if slot.accepts not in READ:
        return own
    if own is not None and own.can_take(slot.quantity, slot.need):
        return own
    found = able(slot, shelf)
    return found[0] if found else None


def station_gauges(
    slots: Sequence[Slot], own: Gauge | None, shelf: Mapping[str, Gauge], talking: Set[str] = frozenset()
) -> list[StationGauge]:
    """For every station that a gauge reads: with which, and with which it could be."""
    shown = []
    for slot in slots:
        if slot.accepts not in READ:
            continue
        taken = gauge_at(slot, own, shelf.values())
        could = [[g.id, g.name] for g in able(slot, shelf.values())]
        heard = [key for key, _ in could if key in talking and slot.motion]
        shown.append(
            StationGauge(slot.key, taken.id if taken else "", taken.name if taken else "", could, heard)
        )
    return shown


def first_gauge(kind: Setting, given: Mapping[str, Any], unit: str, shelf: Iterable[Gauge]) -> str:
    """The finest gauge for the first station of a setting that is begun now; empty where there is none."""
    read = read_given(kind, given, unit)
    slots = kind.slots(Context(given=read, unit=unit))
    slot = next((s for s in slots if s.accepts in READ), None)
    found = able(slot, shelf) if slot else []
    return found[0].id if found else ""


def need_of(slots: Sequence[Slot]) -> str:
    """What a setting's gauge must take: as its first station that a gauge reads."""
    return next((s.need for s in slots if s.accepts in READ), "")
