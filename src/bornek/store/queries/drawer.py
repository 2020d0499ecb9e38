"""The shim drawer: lots and their counts."""

from __future__ import annotations

from sqlalchemy import BindParameter, bindparam, func, select
from sqlalchemy.orm import Session

from bornek.store import tables as t

_FORM: BindParameter[str] = bindparam("form")
_COUNTS = (
    select(t.ShimLot, func.sum(t.StockMovement.delta))
    .join(t.StockMovement, t.StockMovement.lot_id == t.ShimLot.id)
    .where(~t.StockMovement.elsewhere)
    .group_by(t.ShimLot.id)
    .order_by(t.ShimLot.form, t.ShimLot.thickness_nm.desc())
)
_COUNTS_OF = _COUNTS.where(t.ShimLot.form == _FORM)
_LOT = select(t.ShimLot).where(t.ShimLot.form == _FORM, t.ShimLot.thickness_nm == bindparam("thickness_nm"))
_MIKED = (
    select(t.ShimLot.thickness_nm, t.ShimMeasure.measured_nm)
    .join(t.ShimMeasure, t.ShimMeasure.lot_id == t.ShimLot.id)
    .where(t.ShimLot.form == _FORM)
    .order_by(t.ShimMeasure.at, t.ShimMeasure.id)
)


def counts(session: Session, form: str | None = None) -> list[tuple[t.ShimLot, int]]:
    """Lots of this drawer with what their movements add up to, thickest first."""
    rows = session.execute(_COUNTS) if form is None else session.execute(_COUNTS_OF, {"form": form})
    return [(lot, int(n)) for lot, n in rows]


def find_lot(session: Session, form: str, thickness_nm: int) -> t.ShimLot | None:
    return session.scalars(_LOT, {"form": form, "thickness_nm": thickness_nm}).one_or_none()


def movements_by_form(session: Session) -> dict[str, int]:
    """How many movements each form of shim has had: rises with every one."""
    rows = session.execute(
        select(t.ShimLot.form, func.count())
        .join(t.StockMovement, t.StockMovement.lot_id == t.ShimLot.id)
        .group_by(t.ShimLot.form)
    )
    return dict(rows.all())


def miked(session: Session, form: str) -> dict[int, int]:
    """What the lots of a form were measured at, by nominal; the last measure of each."""
    rows = session.execute(_MIKED, {"form": form})
    return {row.thickness_nm: row.measured_nm for row in rows}
