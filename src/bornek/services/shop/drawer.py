"""The shim drawer: what is there, counted, and what runs low."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.quantities import Speech, from_nm, parse, to_nm
from bornek.core.shims import tolerance_nm
from bornek.services.desk import Desk
from bornek.store import tables as t
from bornek.store.queries.drawer import counts, find_lot, miked


@dataclass(frozen=True)
class LotView:
    form: str
    thickness: float
    mm: str
    thou: str
    count: int
    miked: str
    """What it was measured at, in mm; empty where it was not."""
    tolerance: str


LOW = 1


def view_drawer(session: Session) -> list[dict[str, Any]]:
    mm, thou = Speech("mm"), Speech("thou")
    found = counts(session)
    measured = {form: miked(session, form) for form in dict.fromkeys(lot.form for lot, _ in found)}
    return [
        {
            "form": lot.form,
            "thickness": from_nm(lot.thickness_nm),
            "mm": mm.size(from_nm(lot.thickness_nm)),
            "thou": thou.number(from_nm(lot.thickness_nm)),
            "count": n,
            "miked": mm.number(from_nm(at)) if (at := measured[lot.form].get(lot.thickness_nm)) else "",
            "tolerance": mm.spread(tolerance_nm(lot.thickness_nm) / 1e6),
        }
        for lot, n in found
    ]


def low_shims(session: Session) -> list[str]:
    return [
        f"{lot.form}: {Speech().size(from_nm(lot.thickness_nm))} mm, {n} left"
        for lot, n in counts(session)
        if n <= LOW
    ]


def count_shims(desk: Desk, sent: dict[str, Any]) -> None:
    """Sets a lot to what was counted, by a movement. sent: id, form, thickness, count."""
    who = desk.mechanic()
    spoken = sent["thickness"]
    thickness = to_nm(parse(spoken).value if isinstance(spoken, str) else float(spoken))
    if not 0 < thickness <= 20_000_000:
        raise InputError("A shim is above 0 and at most 20 mm thick.", field="thickness")
    form = sent["form"].strip()
    lot = find_lot(desk.session, form, thickness)
    if lot is None:
        lot = t.ShimLot(id=f"{form}/{thickness}", form=form, thickness_nm=thickness)
        desk.session.add(lot)
        desk.session.flush()
    now = {held.id: n for held, n in counts(desk.session, form)}.get(lot.id, 0)
    desk.session.add(
        t.StockMovement(
            id=sent["id"],
            lot_id=lot.id,
            delta=sent["count"] - now,
            act_id=None,
            remark="counted",
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()


FARTHEST = 3.0
"""A shim that measures farther from its nominal than so many tolerances is another one."""


def mike_shims(desk: Desk, sent: dict[str, Any]) -> None:
    """What a lot really measures. sent: id, form, thickness (its nominal), measured.

    Raises InputError for a lot that is not there, or a measure that is no shim of that nominal.
    """
    who = desk.mechanic()
    nominal, measured = (to_nm(parse(sent[key]).value) for key in ("thickness", "measured"))
    lot = find_lot(desk.session, sent["form"].strip(), nominal)
    if lot is None:
        raise InputError(
            f"No lot of {sent['form']} {Speech().size(from_nm(nominal))} mm is in the drawer.",
            field="thickness",
            next_step="Count it first, then mike one of it.",
        )
    if abs(measured - nominal) > FARTHEST * tolerance_nm(nominal):
        raise InputError(
            f"{sent['measured']} is no shim of {Speech().size(from_nm(nominal))} mm.",
            field="measured",
            next_step="Was it two together, or another nominal? Count it as the thickness that it is.",
        )
    desk.session.add(
        t.ShimMeasure(id=sent["id"], lot_id=lot.id, measured_nm=measured, mechanic_id=who.id, at=desk.now)
    )
    desk.session.flush()
