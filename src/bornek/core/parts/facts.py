"""What inspection writes down: grades, verdicts, teeth, seal tracks, evidence, holds, orders."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from bornek.core.parts.teeth import ToothMark


@dataclass(frozen=True)
class Graded:
    """Grades by look-for; a later one of the same look-for counts. `folds` of a lock washer: on its most
    bent tab; `fresh`: tabs that were never folded."""

    part: str
    grades: dict[str, str]
    note: str = ""
    folds: int | None = None
    fresh: int | None = None


@dataclass(frozen=True)
class Judged:
    """The verdict gone by; `words`: the reason where the school wants one."""

    part: str
    verdict: str
    words: str = ""


@dataclass(frozen=True)
class TeethMarked:
    """The whole map of a gear as it now stands: (tooth, flank, damage)."""

    part: str
    marks: tuple[ToothMark, ...]


@dataclass(frozen=True)
class SealSet:
    """Depths as typed, from the bore's face; `fill` share of the cavity 0 to 1."""

    part: str
    found: str
    planned: str
    groove: str
    lip: Literal["inward", "outward"]
    oil: Literal["inward", "outward"]
    other: str = ""
    fill: float | None = None


@dataclass(frozen=True)
class EvidenceLooked:
    evidence: str
    seen: Literal["seen", "absent", "not looked"]
    part: str = ""
    words: str = ""


@dataclass(frozen=True)
class CauseNamed:
    """The cause gone by; it puts its hold on the build."""

    cause: str
    words: str = ""


@dataclass(frozen=True)
class HoldCleared:
    cause: str
    words: str


@dataclass(frozen=True)
class Ordered:
    """Ordered or sent out; `promised` as 2026-11-30 or empty."""

    part: str
    what: Literal["order", "send_out"]
    number: str
    supplier: str
    count: int = 1
    promised: str = ""
    words: str = ""


@dataclass(frozen=True)
class Promised:
    """A new promise for an order."""

    order: str
    promised: str
    words: str = ""


@dataclass(frozen=True)
class Received:
    """What came, checked against the old part: widths as typed, both or neither."""

    order: str
    number: str = ""
    width_old: str = ""
    width_new: str = ""
    words: str = ""


INSPECTION: dict[str, type[Any]] = {
    "graded": Graded, "judged": Judged, "teeth": TeethMarked, "seal_set": SealSet, "evidence": EvidenceLooked,
    "cause": CauseNamed, "hold_cleared": HoldCleared, "ordered": Ordered, "promised": Promised, "received": Received,
}  # fmt: skip
NEEDED: dict[str, tuple[str, ...]] = {
    "graded": ("part",), "judged": ("part",), "teeth": ("part",), "hold_cleared": ("words",),
    "ordered": ("part", "number", "supplier"), "promised": ("promised",),
    "seal_set": ("part", "found", "planned", "groove"),
}  # fmt: skip
