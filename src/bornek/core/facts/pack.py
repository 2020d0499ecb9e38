"""A shim pack as found."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from bornek.core.facts.kind import FactKind
from bornek.core.facts.registry import register_fact
from bornek.core.quantities import parse, to_nm

if TYPE_CHECKING:
    from bornek.core.facts.about import About


@dataclass(frozen=True)
class PackFound:
    """A shim pack as found: plates as typed, its side, and how its slot or holes stood."""

    place: str
    plates: tuple[str, ...]
    side: str
    slots: str
    remark: str = ""


@register_fact
class PackFoundKind(FactKind):
    key = "pack"
    stage = "strip"
    body = PackFound
    must_say = ("side", "slots")
    rides = True

    def check(self, body: PackFound, about: About) -> None:
        plates_nm(body, about.unit)

    def words(self, body: PackFound) -> str:
        return f"{' + '.join(body.plates) or 'no shims'}; {body.side}; {body.slots}"

    def pack_found(self, body: PackFound, unit: str) -> tuple[str, tuple[int, ...]]:
        return body.place, plates_nm(body, unit)


def plates_nm(body: PackFound, unit: str) -> tuple[int, ...]:
    """The plates of a pack as found in nanometres; a bare number is in the job's unit.

    >>> plates_nm(PackFound("cover", ("0.50", "10 thou"), "left", "down"), "mm")
    (500000, 254000)
    """
    return tuple(to_nm(parse(text, "length", unit).value) for text in body.plates)
