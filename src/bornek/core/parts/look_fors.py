"""What to look for on each kind of part, and what finding it means. The shop adds its own."""

from __future__ import annotations

import csv
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from importlib import resources

from bornek.core import tables
from bornek.core.units.definition import Part
from bornek.core.units.part_kinds import PART_KINDS


@dataclass(frozen=True)
class LookFor:
    """`kinds`: only these kinds of the group (none: all). `needs`: what the part must have (teeth)."""

    group: str
    key: str
    label: str
    means: str
    kinds: tuple[str, ...] = ()
    needs: str = ""
    own: bool = False


@cache
def core_look_fors() -> tuple[LookFor, ...]:
    text = resources.files(tables).joinpath("look_fors.csv").read_text(encoding="utf-8")
    return tuple(
        LookFor(
            group=r["group"],
            key=r["key"],
            label=r["label"],
            means=r["means"],
            kinds=tuple(k for k in r["kinds"].split(";") if k),
            needs=r["needs"],
        )
        for r in csv.DictReader(text.splitlines())
    )


def look_fors_of(part: Part, own: Sequence[LookFor] = ()) -> list[LookFor]:
    """What is asked of this part: nothing that does not apply to it.

    >>> [x.key for x in look_fors_of(Part("k", "Key", "key"))]
    ['fit', 'sides']
    >>> "pits" in [x.key for x in look_fors_of(Part("d", "Drum", "drum"))]
    False
    """
    return [x for x in (*core_look_fors(), *own) if _applies(x, part)]


def _applies(look: LookFor, part: Part) -> bool:
    if look.group != part.about.group or (look.kinds and part.part_kind not in look.kinds):
        return False
    return look.needs != "teeth" or part.teeth > 0 or part.part_kind in ("worm", "worm_wheel")


def groups() -> dict[str, list[str]]:
    """The groups of part with their kinds' labels.

    >>> groups()["bush"]
    ['bush or plain bearing']
    """
    found: dict[str, list[str]] = {}
    for kind in PART_KINDS.values():
        found.setdefault(kind.group, []).append(kind.label)
    return found
