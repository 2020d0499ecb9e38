"""What was typed or sent for one station or one adjuster → its raw value or state."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.door import check_plain
from bornek.core.errors import InputError
from bornek.core.gauges import TAKE_WORDS, Gauge
from bornek.core.quantities import UNITS, parse
from bornek.core.settings.kind import Slot
from bornek.core.settings.knobs import Knob
from bornek.core.settings.records import Between, Choice, Confirm, Paint, Raw, Scalar
from bornek.core.settings.state import State, read_state
from bornek.core.structure import build

MOST_CELLS = 200
"""Rows, and columns, of a painted flank."""


def read_raw(slot: Slot, raw: Any, default_unit: str) -> Raw:
    """What was typed or sent for a slot → its raw value. Texts are parsed as spoken.

    Raises InputError naming the station, what it takes and what was given.
    """
    check_plain(raw)
    if slot.accepts == "confirm":
        if not isinstance(raw, bool):
            raise InputError(f"{slot.label} is answered yes or no (true or false).", field=slot.key)
        return Confirm(raw)
    if slot.accepts == "choice":
        if not isinstance(raw, str) or raw not in dict(slot.options):
            raise InputError(f"{slot.label}: choose one of {', '.join(dict(slot.options))}.", field=slot.key)
        return Choice(raw)
    if slot.accepts == "paint":
        return _paint(slot, raw)
    if slot.accepts == "between":
        return _between(slot, raw, default_unit)
    return Scalar(_number(slot, raw, default_unit))


_STORED: dict[str, type[Any]] = {
    "scalar": Scalar,
    "between": Between,
    "paint": Paint,
    "choice": Choice,
    "confirm": Confirm,
}


def check_raw(stored: Mapping[str, Any]) -> None:
    """Raises InputError for a stored raw value that is none of those that are read here.

    >>> check_raw({"type": "scalar", "value": 0.12})
    >>> check_raw({"type": "scalar", "value": "a lot"})
    Traceback (most recent call last):
    bornek.core.errors.InputError: The reading does not hold: value must be a number (got 'a lot').
    """
    kind = _STORED.get(str(stored.get("type")))
    if kind is None:
        raise InputError(f"No reading is of the sort {str(stored.get('type'))[:40]!r}.", field="raw")
    build(kind, {key: value for key, value in stored.items() if key != "type"}, "The reading")


def typed_words(raw: Raw, typed: str) -> str:
    """A reading as it was typed; one that was drawn, in words.

    >>> typed_words(Paint("drive", ((0.0, 1.0), (0.0, 0.0))), "{...}")
    '25 % painted'
    >>> typed_words(Scalar(0.2), "0.20")
    '0.20'
    """
    if not isinstance(raw, Paint):
        return typed
    cells = [v for row in raw.mask for v in row]
    return f"{100 * sum(cells) / len(cells):.0f} % painted"


def check_gauge(slot: Slot, gauge: Gauge, field: str = "gauge") -> None:
    """Raises InputError where a gauge for one quantity is named for a station of another."""
    if slot.accepts in ("scalar", "between") and gauge.quantity != slot.quantity:
        raise InputError(
            f"{gauge.name} measures {gauge.quantity}, {slot.label} is a {slot.quantity}.",
            field=field,
            next_step=f"Name a gauge for {slot.quantity}.",
        )
    if slot.accepts in ("scalar", "between") and not gauge.can_take(slot.quantity, slot.need):
        takes = " and ".join(TAKE_WORDS[x] for x in gauge.takes)
        raise InputError(
            f"{gauge.name} takes {takes}; {slot.label} is {TAKE_WORDS[slot.need]}.",
            field=field,
            next_step=f"Name a gauge that can take {TAKE_WORDS[slot.need]}, or mend the gauge's card.",
        )


def _paint(slot: Slot, raw: Any) -> Paint:
    if not isinstance(raw, Mapping) or not isinstance(raw.get("mask"), list):
        raise InputError(f"{slot.label} needs a flank and a mask of shares.", field=slot.key)
    own = str(slot.axes.get("flank", "")) or "drive"
    flank = raw.get("flank", own)
    if flank != own:
        raise InputError(
            f"{slot.label} is painted on the {own} flank (got {str(flank)[:40]!r}).",
            field=slot.key,
            next_step="Paint it at the station of its own flank.",
        )
    rows = raw["mask"]
    widths = {len(row) if isinstance(row, list) else -1 for row in rows}
    if len(rows) > MOST_CELLS or len(widths) != 1 or not 0 < min(widths) <= MOST_CELLS:
        raise InputError(
            f"{slot.label}: a mask is 1 to {MOST_CELLS} rows of one length, each of 1 to {MOST_CELLS} shares.",
            field=slot.key,
        )
    for value in (v for row in rows for v in row):
        if not isinstance(value, int | float) or isinstance(value, bool) or not 0 <= value <= 1:
            raise InputError(
                f"{slot.label}: a share of paint is a number from 0 to 1 (got {str(value)[:40]!r}).",
                field=slot.key,
            )
    return Paint(own, tuple(tuple(float(v) for v in row) for row in rows))


def _number(slot: Slot, raw: Any, default_unit: str) -> float:
    if isinstance(raw, str):
        unit = default_unit if default_unit in UNITS[slot.quantity] else slot.unit or None
        value = parse(raw, slot.quantity, unit).value
    elif isinstance(raw, int | float) and not isinstance(raw, bool):
        value = float(raw)
    else:
        raise InputError(
            f"{slot.label} needs a number (got {str(raw)[:60]!r}).",
            field=slot.key,
            next_step="Type the reading.",
        )
    return value


def _between(slot: Slot, raw: Any, default_unit: str) -> Between:
    parts: Any = raw
    if isinstance(raw, str):
        parts = raw.split(" / ") if " / " in raw else raw.replace("/", " ").split()
    if not isinstance(parts, list | tuple) or len(parts) != 2:
        raise InputError(
            f"{slot.label} needs two blades: the largest that goes and the smallest that does not.",
            field=slot.key,
            next_step="Type them with a space: 0.09 0.10.",
        )
    lo, hi = (_number(slot, p, default_unit) for p in parts)
    if lo < 0 or lo >= hi:
        raise InputError(
            f"{slot.label}: the blade that goes must be thinner than the one that does not, and none below 0.",
            field=slot.key,
            next_step="Type the one that goes first.",
        )
    return Between(lo, hi)


def read_knob(knob: Knob, raw: Any, unit: str, field: str = "states") -> State:
    """What was typed or sent for one adjuster, in the job's unit where it names none."""
    check_plain(raw)
    return read_state(knob.domain.sort, raw, unit, knob.unit, knob.domain.step, field)
