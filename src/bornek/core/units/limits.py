"""Which limits apply to one machine: by its serial and by whether its parts are new or worn in."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import BornekError, InputError
from bornek.core.quantities import parse
from bornek.core.settings.kind import Calculation
from bornek.core.units.definition import Limit

_TAIL = re.compile(r"^(.*?)(\d+)$")


def in_range(serial: str, first: str, last: str) -> bool | None:
    """Whether a serial lies in a range; None when they cannot be compared.

    Equation: same letters before the last digits, and those digits between the ends; an open end is met.

    >>> in_range("RW7-0412", "RW7-0300", ""), in_range("RW7-0412", "", "RW7-0299")
    (True, False)
    >>> in_range("X-9", "RW7-0300", "") is None
    True
    """
    if not first and not last:
        return True
    here = _split(serial)
    if here is None:
        return None
    held = True
    for end, above in ((first, True), (last, False)):
        if not end:
            continue
        there = _split(end)
        if there is None or there[0] != here[0]:
            return None
        held &= here[1] >= there[1] if above else here[1] <= there[1]
    return held


def _split(serial: str) -> tuple[str, int] | None:
    match = _TAIL.match(serial.strip().upper().replace(" ", ""))
    return (match[1], int(match[2])) if match else None


def choose_limit(limits: Sequence[Limit], serial: str, basis: str) -> Limit:
    """The row for this machine; the row of its basis first, an open serial range last.

    Raises InputError when no row fits: it names the ranges there are.
    """
    fits = [x for x in limits if in_range(serial, x.serial_from, x.serial_to)]
    if not fits:
        ranges = ", ".join(f"{x.serial_from or 'first'} to {x.serial_to or 'last'}" for x in limits)
        raise InputError(
            f"No limit row holds for serial {serial!r}: the rows are for {ranges}.",
            field="serial",
            next_step="Check the plate, or add a row for this serial to the unit type.",
        )
    fits.sort(key=lambda x: (x.basis != basis, not (x.serial_from or x.serial_to)))
    return fits[0]


def give_limits(kind: Calculation, given: Mapping[str, Any], limit: Limit | None) -> dict[str, Any]:
    """What a kind is given, with the chosen row put in.

    A row meant as preload says so where the kind asks what its figure means; elsewhere preload is
    negative play, so the ends change sign and place.
    """
    if limit is None:
        return dict(given)
    least, greatest = limit.least, limit.greatest
    more = {}
    if limit.meant and any(f.key == "meant" for f in kind.form({})):
        more["meant"] = limit.meant
    elif limit.meant == "preload" and not least.startswith(("-", "−")):
        least, greatest = f"-{greatest}" if greatest else "", f"-{least}" if least else ""
    put = {
        "least": least,
        "greatest": greatest,
        "source": limit.source,
        "edition": limit.edition,
        "basis": limit.basis,
    }
    return {**given, **more, **{k: v for k, v in put.items() if v}}


def spell_lengths(kind: Calculation, given: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """The same given with every bare length said in its unit, so that a job in other units reads it right.

    A bare length in a unit type is in mm; what a mechanic types into a job is in the job's unit. A text whose
    value depends on the unit that is supposed is bare.

    >>> from bornek.core.settings.registry import kinds
    >>> kind = next(k for k in kinds() if getattr(k, "offers", ()))
    >>> spell_lengths(kind, {"least": "0.06", "greatest": "5 thou"}, "mm")
    {'least': '0.06 mm', 'greatest': '5 thou'}
    """
    lengths = {f.key for f in kind.form(given) if f.quantity == "length"}
    return {
        key: f"{raw} {unit}" if key in lengths and isinstance(raw, str) and _is_bare(raw) else raw
        for key, raw in given.items()
    }


def _is_bare(text: str) -> bool:
    try:
        one, other = (parse(text, "length", unit).value for unit in ("mm", "thou"))
    except BornekError:
        return False
    return one != other
