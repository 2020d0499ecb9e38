"""The shapes in which the strip stage, photos, search and unit types are shown."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from bornek.core.build.first_draft import DraftStep
from bornek.core.phrases import Span
from bornek.core.scenes import Flank, Section
from bornek.core.strip.ledger import LooseItem
from bornek.core.units.checks import LimitQuestion


@dataclass(frozen=True)
class BaselineView:
    key: str
    kind: str
    subject: str
    label: str
    ask: str
    loss: str
    ended_by: list[str]
    state: str
    words: str
    fact: str
    place: str
    setting_id: str
    plates: list[str]


@dataclass(frozen=True)
class PartView:
    key: str
    label: str
    kind: str
    kind_label: str
    number: str
    count: int
    off: int
    reuse: bool
    why: str
    words: str
    faces: str
    single_use: bool
    safety: bool
    component: str


@dataclass(frozen=True)
class RemovalView:
    id: str
    part: str
    label: str
    way: str
    count: int
    tag: str
    side: str
    orientation: str
    mates: list[str]
    bag: str
    bag_code: str
    remark: str
    reuse: bool
    by: str
    at: str


@dataclass(frozen=True)
class WayView:
    key: str
    label: str
    dooms: list[str]
    caution: str


@dataclass(frozen=True)
class NoteView:
    """Something missing or wrong, as found."""

    id: str
    what: str
    words: str
    part: str
    by: str


@dataclass(frozen=True)
class PhotoView:
    id: str
    subject: str
    caption: str
    url: str
    thumb: str
    width: int
    height: int
    by: str
    at: str


@dataclass(frozen=True)
class StripHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    stands: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class StripView:
    job: StripHead
    say: list[Span]
    locked_out: str
    cautions: list[str]
    baselines: list[BaselineView]
    parts: list[PartView]
    removals: list[RemovalView]
    ways: list[WayView]
    notes: list[NoteView]
    loose: list[LooseItem]
    draft: list[DraftStep]
    photos: list[PhotoView]
    flanks: list[Flank]
    section: Section


@dataclass(frozen=True)
class FoundView:
    what: str
    job_id: str
    tag: str
    title: str
    words: str
    to: str


@dataclass(frozen=True)
class SearchView:
    typed: str
    found: list[FoundView]
    more: bool


@dataclass(frozen=True)
class TypeSheet:
    """A unit type opened: its newest definition, how it draws, what it must be asked."""

    type_id: str
    name: str
    number: int
    definition: dict[str, Any]
    section: Section
    questions: list[LimitQuestion]
    problems: dict[str, str]
    revisions: list[int]
    kinds: list[list[str]]
    setting_kinds: list[list[str]]
