"""Everything the page shows of one setting."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.gauges import Gauge
from bornek.core.life.memory_lines import MemoryLine
from bornek.core.people.proof import NAMED, proof_words
from bornek.core.plain import dump
from bornek.core.quantities import from_nm
from bornek.core.settings.kind import speech
from bornek.core.settings.knobs import Domain, Knob
from bornek.core.settings.state import StateView, show_state
from bornek.core.sheet import Sheet
from bornek.core.trace.taken import figure_words
from bornek.services.setting.find_gauges import find_gauges
from bornek.services.setting.frozen import not_held
from bornek.services.setting.gauge_lines import talking
from bornek.services.setting.given_view import FieldView, show_fields
from bornek.services.setting.load_setting import LoadedSetting, load_setting
from bornek.services.setting.seal import broken_seal
from bornek.services.setting.station_gauges import StationGauge, station_gauges
from bornek.services.setting.veiled import sheet_shown
from bornek.services.unit.type_memory import type_memory
from bornek.store.queries.jobs import places_of


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
class GivenView:
    seq: int
    fields: list[FieldView]


@dataclass(frozen=True)
class DrawerLot:
    thickness: float
    label: str
    count: int


@dataclass(frozen=True)
class KnobView:
    """An adjuster with what is in now (empty before it was entered) and the drawer its packs draw from."""

    key: str
    label: str
    title: str
    noun: str
    unit: str
    domain: Domain
    state: StateView | None
    drawer: list[DrawerLot]


@dataclass(frozen=True)
class SignatureView:
    """`proof`: whether who signed was proved to be there, in words. `not_held`: what a signature of an older edition does not hold, `broken`: what of it does not match what
    is kept, both in words."""

    by: str
    proof: str
    at: str
    remark: str
    verdict: str
    disturbed: bool
    edition: int
    not_held: list[str]
    broken: list[str]


@dataclass(frozen=True)
class KeptTrace:
    """What the needle did where a reading of this round was taken by a gauge."""

    entry: str
    points: list[float]
    words: str


@dataclass(frozen=True)
class SettingView:
    """One setting, whole: what the page of a setting shows. `memory`: what other jobs of the type showed here, before
    anything was read."""

    id: str
    label: str
    place: str
    shim_form: str
    version: int
    job: JobHead
    gauge: GaugeHead
    stations: list[StationGauge]
    given: GivenView
    knobs: list[KnobView]
    signature: SignatureView | None
    memory: list[MemoryLine]
    traces: list[KeptTrace]
    sheet: Sheet


def view_setting(session: Session, setting_id: str, today: date) -> dict[str, Any]:
    return show_setting(session, load_setting(session, setting_id, today), today)


def show_setting(session: Session, loaded: LoadedSetting, today: date) -> dict[str, Any]:
    log = loaded.log
    sheet: Any = sheet_shown(session, loaded)
    view: dict[str, Any] = dump(
        SettingView(
            id=log.setting.id,
            label=log.setting.label,
            place=log.place.label,
            shim_form=log.place.shim_form,
            version=loaded.version,
            job=JobHead(log.job.id, log.unit.tag, log.unit.name, log.unit.serial, log.job.length_unit),
            gauge=_gauge(loaded),
            stations=_stations(session, loaded, today),
            given=GivenView(log.given.seq, show_given(session, loaded)),
            knobs=[_knob(k, loaded) for k in loaded.reckoning.knobs],
            signature=view_signature(session, loaded),
            memory=type_memory(session, loaded),
            traces=_traces(loaded),
            sheet=sheet,
        )
    )
    return view


def show_given(session: Session, loaded: LoadedSetting) -> list[FieldView]:
    say = speech(loaded.ctx)
    places = [(p.key, p.label) for p in places_of(session, loaded.log.job.id)]
    return show_fields(loaded.kind, loaded.ctx.given, loaded.log.given.given, say, places)


def _stations(session: Session, loaded: LoadedSetting, today: date) -> list[StationGauge]:
    if loaded.signed:
        return []
    shelf = find_gauges(session, today)
    talk = talking(session)
    return station_gauges(loaded.reckoning.guide.slots, shelf.get(loaded.ctx.gauge), shelf, talk)


def _traces(loaded: LoadedSetting) -> list[KeptTrace]:
    here = next((r.id for r in loaded.log.rounds if r.number == loaded.log.round), "")
    return [
        KeptTrace(e.id, [float(p) for p in e.trace["points"]], figure_words(e.trace))
        for e in loaded.log.entries
        if e.trace and e.round_id == here
    ]


def _gauge(loaded: LoadedSetting) -> GaugeHead:
    """The gauge's card; of a signed setting as it was when it was signed."""
    gauge = loaded.ctx.find_gauge()
    signature = loaded.log.signature
    if signature is not None and loaded.signed:
        card = signature.snapshot.get("gauges", {}).get(loaded.ctx.gauge)
        if card:
            gauge = Gauge(**{key: value for key, value in card.items() if key != "resolution"})
    return GaugeHead(
        id=gauge.id,
        name=gauge.name,
        unit=gauge.unit,
        resolution=gauge.resolution,
        due=gauge.due,
        overdue=gauge.overdue,
    )


def _knob(knob: Knob, loaded: LoadedSetting) -> KnobView:
    say = speech(loaded.ctx)
    state = loaded.kind.state(loaded.ctx, knob.key)
    return KnobView(
        key=knob.key,
        label=knob.label,
        title=knob.title,
        noun=knob.noun,
        unit=knob.unit,
        domain=knob.domain,
        state=None if state is None else show_state(state, say),
        drawer=[
            DrawerLot(from_nm(nm), say.size(from_nm(nm)), n)
            for nm, n in loaded.ctx.drawer(knob.places[0]).items()
        ],
    )


def view_signature(session: Session, loaded: LoadedSetting) -> SignatureView | None:
    signature = loaded.log.signature
    if signature is None:
        return None
    return SignatureView(
        proof=proof_words(signature.snapshot.get("proof", NAMED)),
        by=signature.snapshot.get("by") or loaded.names.get(signature.mechanic_id, ""),
        at=signature.at.isoformat(),
        remark=signature.remark,
        verdict=signature.snapshot["sheet"]["verdict"]["code"],
        disturbed=loaded.log.disturbed,
        edition=signature.snapshot.get("edition", 1),
        not_held=not_held(signature.snapshot),
        broken=broken_seal(session, loaded.log.job, signature),
    )
