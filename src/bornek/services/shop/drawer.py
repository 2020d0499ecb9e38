"""The shim drawer: what is there, counted, and what runs low."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.quantities import Speech, from_nm, parse, to_nm
from bornek.services.desk import Desk
from bornek.store import tables as t
from bornek.store.queries.drawer import counts, find_lot


@dataclass(frozen=True)
class LotView:
    form: str
    thickness: float
    mm: str
    thou: str
    count: int


LOW = 1


def view_drawer(session: Session) -> list[dict[str, Any]]:
    mm, thou = Speech("mm"), Speech("thou")
    return [
        {
            "form": lot.form,
            "thickness": from_nm(lot.thickness_nm),
            "mm": mm.size(from_nm(lot.thickness_nm)),
            "thou": thou.number(from_nm(lot.thickness_nm)),
            "count": n,
        }
        for lot, n in counts(session)
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
