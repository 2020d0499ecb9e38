"""Everything the page shows of one setting."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.core.quantities import Speech, from_nm, say_quantity
from bornek.core.settings.kind import Domain, Field
from bornek.core.sheet import Sheet
from bornek.services.setting.load_setting import Bench, open_bench


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


def view_setting(session: Session, setting_id: str, today: date) -> dict[str, Any]:
    return view_bench(open_bench(session, setting_id, today))


def view_bench(bench: Bench) -> dict[str, Any]:
    log, ctx = bench.log, bench.ctx
    say, gauge = Speech(ctx.unit), ctx.find_gauge()
    fields = [_field(f, bench, say) for f in bench.kind.form(ctx.given)]
    view: dict[str, Any] = dump(
        SettingView(
            id=log.setting.id,
            label=log.setting.label,
            place=log.place.label,
            shim_form=log.place.shim_form,
            version=bench.version,
            job=JobHead(log.job.id, log.unit.tag, log.unit.name, log.unit.serial, log.job.length_unit),
            gauge=GaugeHead(
                id=gauge.id,
                name=gauge.name,
                unit=gauge.unit,
                resolution=gauge.resolution,
                due=gauge.due,
                overdue=gauge.overdue,
            ),
            given=GivenView(log.given.seq, fields),
            knobs=[
                KnobView(
                    key=k.key,
                    label=k.label,
                    title=k.title,
                    noun=k.noun,
                    unit=k.unit,
                    domain=k.domain,
                    state=bench.kind.state(ctx, k.key),
                )
                for k in bench.kind.knobs(ctx)
            ],
            drawer=[DrawerLot(from_nm(nm), say.size(from_nm(nm)), n) for nm, n in ctx.stock.items()],
            signature=view_signature(bench),
            sheet=bench.sheet(),
        )
    )
    return view


def view_signature(bench: Bench) -> SignatureView | None:
    signature = bench.log.signature
    if signature is None:
        return None
    return SignatureView(
        by=bench.names.get(signature.mechanic_id, ""),
        at=signature.at.isoformat(),
        remark=signature.remark,
        verdict=signature.snapshot["sheet"]["verdict"]["code"],
        disturbed=bench.log.disturbed,
        current=bench.ctx.signed,
    )


def _field(f: Field, bench: Bench, say: Speech) -> FieldView:
    value = bench.ctx.given.get(f.key)
    if value is None:
        shown = ""
    elif f.quantity == "choice":
        shown = dict(f.options).get(str(value), str(value))
    elif f.quantity in ("text", "lines"):
        shown = value if isinstance(value, str) else "; ".join(value)
    else:
        shown = say_quantity(float(value), f.quantity, say)
    return FieldView(
        key=f.key,
        label=f.label,
        quantity=f.quantity,
        required=f.required,
        options=[list(o) for o in f.options],
        why=f.why,
        shown=shown,
        typed=bench.log.given.given.get(f.key, f.default),
    )
