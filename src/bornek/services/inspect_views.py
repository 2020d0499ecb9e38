"""The shapes in which inspection, orders and the shop's lists are shown."""

from __future__ import annotations

from dataclasses import dataclass

from bornek.core.parts.causes import Diagnosis
from bornek.core.parts.gauge_plan import GaugeLine
from bornek.core.parts.holds import Hold
from bornek.core.parts.teeth import ToothMark, ToothRing
from bornek.core.phrases import Span
from bornek.core.scenes import Section


@dataclass(frozen=True)
class LookView:
    """A look-for of one part with the grade given, empty if none."""

    key: str
    label: str
    means: str
    own: bool
    grade: str


@dataclass(frozen=True)
class FitView:
    """A measured fit of a part: a setting like any other."""

    setting_id: str
    label: str
    verdict: str
    verdict_words: str
    value: str
    window: str


@dataclass(frozen=True)
class SchoolVerdict:
    """What a school says: the verdict, its label, why, and whether re-use needs a written reason."""

    school: str
    does: str
    verdict: str
    label: str
    words: str
    reason: bool


@dataclass(frozen=True)
class MateView:
    label: str
    teeth: str
    words: str


@dataclass(frozen=True)
class TeethView:
    ring: ToothRing
    marks: list[ToothMark]
    mates: list[MateView]


@dataclass(frozen=True)
class SealView:
    """As typed, and what it comes to."""

    found: str
    planned: str
    groove: str
    lip: str
    oil: str
    other: str
    fill: float | None
    words: list[str]


@dataclass(frozen=True)
class InspectPart:
    key: str
    label: str
    kind: str
    kind_label: str
    group: str
    number: str
    count: int
    off: int
    safety: bool
    scarce: bool
    single_use: bool
    looks: list[LookView]
    worst: str
    worst_label: str
    fits: list[FitView]
    in_force: SchoolVerdict
    other: SchoolVerdict
    notes: list[str]
    chosen: str
    chosen_label: str
    reason: str
    by: str
    stale: bool
    photos: int
    teeth: TeethView | None
    seal: SealView | None
    seal_asked: bool
    folds_asked: bool
    folds: int | None
    fresh: int | None
    order: str
    substitutes: list[str]


@dataclass(frozen=True)
class EvidenceView:
    key: str
    label: str
    zone: str
    seen: str
    words: str
    photos: int


@dataclass(frozen=True)
class OrderView:
    id: str
    job_id: str
    tag: str
    part: str
    label: str
    what: str
    number: str
    count: int
    supplier: str
    promised: str
    state: str
    late: bool
    words: str
    read_again: list[str]
    substitutes: list[str]
    by: str


@dataclass(frozen=True)
class GradeView:
    key: str
    label: str
    typed: str


@dataclass(frozen=True)
class DamageView:
    key: str
    label: str


@dataclass(frozen=True)
class PlaceParts:
    """A place of the section with the keys of its parts."""

    key: str
    parts: list[str]


@dataclass(frozen=True)
class InspectHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    stands: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class InspectView:
    job: InspectHead
    say: list[Span]
    cautions: list[str]
    grades: list[GradeView]
    damages: list[DamageView]
    parts: list[InspectPart]
    judged: int
    not_checked: list[str]
    evidence: list[EvidenceView]
    diagnosis: Diagnosis
    named: list[str]
    holds: list[Hold]
    orders: list[OrderView]
    gauges: list[GaugeLine]
    section: Section
    places: list[PlaceParts]


@dataclass(frozen=True)
class LookForView:
    """`id` is empty for the core's own."""

    id: str
    group: str
    part_kinds: list[str]
    key: str
    label: str
    means: str
    kinds: list[str]
    own: bool


@dataclass(frozen=True)
class CrossNumberView:
    id: str
    number: str
    other: str
    words: str
