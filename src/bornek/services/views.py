"""The shapes in which the application is shown: dumped by the services, typed in the API."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from bornek.core.build.first_draft import DraftStep
from bornek.core.next_move import Option
from bornek.core.phrases import Span
from bornek.core.scenes import Flank, Scene, Section, Strip
from bornek.core.settings.kind import Domain
from bornek.core.sheet import Sheet


@dataclass(frozen=True)
class JobHead:
    id: str
    tag: str
    unit_name: str
    serial: str
    length_unit: str


@dataclass(frozen=True)
class GaugeHead:
    id: str
    name: str
    unit: str
    resolution: float
    due: str
    overdue: bool


@dataclass(frozen=True)
class FieldView:
    key: str
    label: str
    quantity: str
    required: bool
    options: list[list[str]]
    why: str
    shown: str
    typed: Any


@dataclass(frozen=True)
class GivenView:
    seq: int
    fields: list[FieldView]


@dataclass(frozen=True)
class KnobView:
    key: str
    label: str
    title: str
    noun: str
    unit: str
    domain: Domain
    state: Any


@dataclass(frozen=True)
class DrawerLot:
    thickness: float
    label: str
    count: int


@dataclass(frozen=True)
class SignatureView:
    by: str
    at: str
    remark: str
    verdict: str
    disturbed: bool
    current: bool


@dataclass(frozen=True)
class SettingView:
    """One setting, whole: what the page of a setting shows."""

    id: str
    label: str
    place: str
    shim_form: str
    version: int
    job: JobHead
    gauge: GaugeHead
    given: GivenView
    knobs: list[KnobView]
    drawer: list[DrawerLot]
    signature: SignatureView | None
    sheet: Sheet


@dataclass(frozen=True)
class Expectation:
    """A state of the mechanic's own choice, with the drawings that show where it would land."""

    option: Option
    scenes: list[Scene]


@dataclass(frozen=True)
class SettingSummary:
    id: str
    key: str
    label: str
    place: str
    title: str
    round: int
    say: list[Span]
    verdict: str
    verdict_words: str
    strip: Strip | None
    signed: bool
    disturbed: bool
    begun: bool


@dataclass(frozen=True)
class SchoolView:
    """A question where good mechanics differ: the school in force, and the other."""

    key: str
    label: str
    school: str
    does: str
    means: str
    other: str
    other_means: str


@dataclass(frozen=True)
class PlaceView:
    """A place of the section: its parts, what was found there, and the settings that stand there."""

    key: str
    number: int
    label: str
    shim_form: str
    parts: list[str]
    found: list[str]
    settings: list[str]


@dataclass(frozen=True)
class Stay:
    """Where a component was, what it ran with there."""

    tag: str
    unit_name: str
    serial: str
    opened: str
    words: list[str]


@dataclass(frozen=True)
class ComponentView:
    part: str
    label: str
    serial: str
    stays: list[Stay]


@dataclass(frozen=True)
class JobView:
    id: str
    tag: str
    unit_name: str
    serial: str
    complaint: str
    known: str
    stands: str
    basis: str
    bench: str
    length_unit: str
    waits_for: str
    schools: list[SchoolView]
    gauges: list[str]
    cautions: list[str]
    version: int
    closed_at: str
    close_blockers: list[str]
    open: dict[str, int]
    settings: list[SettingSummary]
    section: Section
    places: list[PlaceView]
    components: list[ComponentView]
    definition: dict[str, Any]


@dataclass(frozen=True)
class Owed:
    """Something ordered that is not here yet."""

    label: str
    supplier: str
    promised: str


@dataclass(frozen=True)
class BoardRow:
    """`owed` is out on order; `late` says of what of it the promise has passed."""

    job_id: str
    tag: str
    name: str
    bench: str
    band: str
    waits_for: str
    say: list[Span]
    setting_id: str | None
    setting_label: str
    settings: list[SettingSummary]
    owed: list[Owed]
    late: list[str]


@dataclass(frozen=True)
class BoardView:
    """`rows` are the first of each band; the counts are of all open jobs, `unread` of those not read yet;
    `late` counts orders of the whole yard."""

    say: list[Span]
    needs_hands: int
    held_up: int
    ready: int
    unread: int
    late: int
    rows: list[BoardRow]
    low: list[str]


@dataclass(frozen=True)
class SerialPart:
    """A part that has its own serial."""

    key: str
    label: str


@dataclass(frozen=True)
class UnitTypeView:
    """The newest revision of a unit type; `id` is the revision's."""

    id: str
    type_id: str
    name: str
    number: int
    settings: list[str]
    parts: int
    serial_parts: list[SerialPart]
    gauges: list[str]


@dataclass(frozen=True)
class MechanicView:
    id: str
    name: str


@dataclass(frozen=True)
class LotView:
    form: str
    thickness: float
    mm: str
    thou: str
    count: int


@dataclass(frozen=True)
class GaugeView:
    id: str
    name: str
    unit: str
    division: float
    interpolation: float
    calibration_u: float
    quantity: str
    due: str
    overdue: bool
    resolution: float


@dataclass(frozen=True)
class RecordEntry:
    seq: int
    round: int
    slot: str
    label: str
    as_typed: str
    shown: str
    gauge: str
    by: str
    at: str
    fate: str


@dataclass(frozen=True)
class RecordAct:
    seq: int
    round: int
    kind: str
    words: str
    remark: str
    by: str
    at: str


@dataclass(frozen=True)
class RecordSetting:
    """`sheet` is the signed snapshot where there is one, else the present state."""

    id: str
    label: str
    place: str
    as_found: str
    as_left: str
    sheet: Sheet
    entries: list[RecordEntry]
    acts: list[RecordAct]
    explanations: list[str]
    signature: SignatureView | None
    sha256: str


@dataclass(frozen=True)
class FoundLine:
    """A line of the strip on the record: as found, missing or wrong, taken off, loose."""

    zone: str
    label: str
    words: str
    by: str


@dataclass(frozen=True)
class RecordView:
    job: JobView
    opened_at: str
    settings: list[RecordSetting]
    strip: list[FoundLine]
    inspection: list[FoundLine]
    flanks: list[Flank]
    draft: list[DraftStep]
    photos: list[str]
