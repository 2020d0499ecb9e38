"""What is written down about a job besides readings: one record a kind, read from plain data.

Facts are only ever added. One may take another's place (`supersedes`) or strike it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal

from bornek.core.errors import InputError
from bornek.core.parts.facts import INSPECTION, NEEDED
from bornek.core.plain import dump
from bornek.core.quantities import parse, to_nm
from bornek.core.structure import build
from bornek.core.units.definition import Definition

FLANK_ROWS, FLANK_COLUMNS = 12, 24


@dataclass(frozen=True)
class LockedOut:
    """In the field: who locked out, which points, where the key is."""

    points: str
    key_holder: str


@dataclass(frozen=True)
class PackFound:
    """A shim pack as found: plates as typed, its side, and how its slot or holes stood."""

    place: str
    plates: tuple[str, ...]
    side: str
    slots: str
    remark: str = ""


@dataclass(frozen=True)
class Witness:
    """Contact painted or seen on the flank: rows root to tip, columns toe to heel, 0 or 1."""

    mesh: str
    drive: tuple[tuple[float, ...], ...]
    coast: tuple[tuple[float, ...], ...]
    ran: Literal["well", "badly", "cannot tell"] = "cannot tell"
    remark: str = ""


@dataclass(frozen=True)
class MatchMarks:
    mesh: str
    marks: str
    own: bool = False


@dataclass(frozen=True)
class CheckingDistance:
    """A mark on a pinion: a whole checking distance, or a deviation from it with its sense."""

    mesh: str
    typed: str
    unit: Literal["mm", "thou"]
    convention: Literal[
        "distance", "plus is farther from the gear", "plus is nearer to the gear", "not known"
    ]


@dataclass(frozen=True)
class WayRound:
    part: str
    words: str


@dataclass(frozen=True)
class Wrong:
    what: Literal["missing", "wrong"]
    words: str
    part: str = ""


@dataclass(frozen=True)
class LetGo:
    """Baselines given up knowingly, with the reason."""

    items: tuple[str, ...]
    words: str


@dataclass(frozen=True)
class Removed:
    part: str
    way: str
    count: int = 1
    tag: str = ""
    side: str = ""
    orientation: str = ""
    mates: tuple[str, ...] = ()
    bag: str = ""
    remark: str = ""


@dataclass(frozen=True)
class Loose:
    """Something dropped where it must not stay."""

    what: str
    where: str


@dataclass(frozen=True)
class Accounted:
    """A loose item found, or shown by other means not to be inside."""

    loose: str
    words: str


@dataclass(frozen=True)
class Closed:
    words: str = ""


Body = (
    LockedOut
    | PackFound
    | Witness
    | MatchMarks
    | CheckingDistance
    | WayRound
    | Wrong
    | LetGo
    | Removed
    | Loose
    | Accounted
    | Closed
)
FACTS: dict[str, type[Any]] = {
    "locked_out": LockedOut, "pack": PackFound, "witness": Witness, "match_marks": MatchMarks,
    "checking_distance": CheckingDistance, "way_round": WayRound, "wrong": Wrong, "let_go": LetGo,
    "removed": Removed, "loose": Loose, "accounted": Accounted, "closed": Closed, **INSPECTION,
}  # fmt: skip


@dataclass(frozen=True)
class Fact:
    """One fact as stored: `subject` is the place, mesh or part that it is about."""

    id: str
    kind: str
    subject: str
    body: Any
    by: str = ""
    at: str = ""
    seq: int = 0


def read_fact(kind: str, data: Mapping[str, Any], d: Definition, unit: str = "mm") -> tuple[str, Any]:
    """Plain data → (subject, body). Raises InputError naming the field that does not hold.

    >>> read_fact("loose", {"what": "M8 washer", "where": "sump"}, Definition())[1].what
    'M8 washer'
    """
    if kind not in FACTS:
        raise InputError(f"kind must be one of {', '.join(FACTS)} (got {kind!r}).", field="kind")
    body = build(FACTS[kind], data, "What was written")
    _must_say(kind, body)
    subject = _subject(body, d)
    if isinstance(body, PackFound):
        for text in body.plates:
            parse(text, "length", unit)
    if isinstance(body, Witness):
        for side in (body.drive, body.coast):
            _check_mask(side)
    if isinstance(body, CheckingDistance):
        parse(body.typed, "length", body.unit)
    return subject, body


def _must_say(kind: str, body: Any) -> None:
    needed = {
        "locked_out": ("points", "key_holder"),
        "match_marks": ("marks",),
        "way_round": ("words",),
        "wrong": ("words",),
        "loose": ("what", "where"),
        "accounted": ("loose", "words"),
        "let_go": ("words",),
        "checking_distance": ("typed",),
        "pack": ("side", "slots"),
        **NEEDED,
    }
    for name in needed.get(kind, ()):
        if not getattr(body, name):
            raise InputError(
                f"{name.replace('_', ' ')} is empty.", field=name, next_step="Say it in a few words."
            )


def _subject(body: Any, d: Definition) -> str:
    """The key that a fact is about; it must be one of this unit."""
    for name, known in (
        ("mesh", [m.key for m in d.meshes]),
        ("place", [p.key for p in d.places]),
        ("part", [p.key for p in d.parts]),
    ):
        key = getattr(body, name, "")
        if key:
            if key not in known:
                raise InputError(
                    f"This unit has no {name} {key!r}.",
                    field=name,
                    next_step=f"It has: {', '.join(known) or 'none'}.",
                )
            return str(key)
    return str(getattr(body, "loose", ""))


def _check_mask(mask: Sequence[Sequence[float]]) -> None:
    if not mask:
        return
    if len(mask) != FLANK_ROWS or any(len(row) != FLANK_COLUMNS for row in mask):
        raise InputError(f"A flank is {FLANK_ROWS} rows of {FLANK_COLUMNS}.", field="drive")
    if any(not 0 <= v <= 1 for row in mask for v in row):
        raise InputError("Paint is 0 to 1.", field="drive")


def plates_nm(body: PackFound, unit: str) -> tuple[int, ...]:
    """The plates of a pack as found in nanometres; a bare number is in the job's unit.

    >>> plates_nm(PackFound("cover", ("0.50", "10 thou"), "left", "down"), "mm")
    (500000, 254000)
    """
    return tuple(to_nm(parse(text, "length", unit).value) for text in body.plates)


def body_of(fact: Any) -> dict[str, Any]:
    plain: dict[str, Any] = dump(fact)
    return plain
