"""Which limits apply to one machine: by its serial and by whether its parts are new or worn in."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from typing import Any

from bornek.core.errors import InputError
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
            f"No limit row holds for serial {serial!r}: the rows are for {ranges}.", field="serial",
            next_step="Check the plate, or add a row for this serial to the unit type.")  # fmt: skip
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
    put = {"least": least, "greatest": greatest, "source": limit.source, "edition": limit.edition,
           "basis": limit.basis}  # fmt: skip
    return {**given, **more, **{k: v for k, v in put.items() if v}}
