"""The contact witness of a mesh, as found."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Literal

from bornek.core.errors import InputError
from bornek.core.facts.kind import FactKind, said_or_none
from bornek.core.facts.registry import register_fact

if TYPE_CHECKING:
    from bornek.core.facts.about import About

FLANK_ROWS, FLANK_COLUMNS = 12, 24


@dataclass(frozen=True)
class Witness:
    """Contact painted or seen on the flank: rows root to tip, columns toe to heel, 0 or 1."""

    mesh: str
    drive: tuple[tuple[float, ...], ...]
    coast: tuple[tuple[float, ...], ...]
    ran: Literal["well", "badly", "cannot tell"] = "cannot tell"
    remark: str = ""
    none: bool = False
    """Looked at, and no witness is to be seen."""


@register_fact
class WitnessKind(FactKind):
    key = "witness"
    stage = "strip"
    body = Witness
    rides = True

    def check(self, body: Witness, about: About) -> None:
        for side in (body.drive, body.coast):
            check_mask(side)
        painted = any(v for side in (body.drive, body.coast) for row in side for v in row)
        said_or_none(painted, body.none, "drive", "Paint what is seen, or say that no witness is to be seen.")

    def words(self, body: Witness) -> str:
        if body.none:
            return "no witness to be seen"
        sides = (("drive", body.drive), ("coast", body.coast))
        painted = " and ".join(n for n, m in sides if m and any(map(any, m)))
        return f"{painted or 'nothing'} painted; ran {body.ran}"


def check_mask(mask: Sequence[Sequence[float]]) -> None:
    """Raises InputError for a flank of another size, or paint that is not 0 to 1."""
    if not mask:
        return
    if len(mask) != FLANK_ROWS or any(len(row) != FLANK_COLUMNS for row in mask):
        raise InputError(f"A flank is {FLANK_ROWS} rows of {FLANK_COLUMNS}.", field="drive")
    if any(not 0 <= v <= 1 for row in mask for v in row):
        raise InputError("Paint is 0 to 1.", field="drive")
