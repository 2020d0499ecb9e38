"""What the yard's report counts: when something was written, orders that are out, shims used."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bornek.core.facts.ordered import OrderedKind
from bornek.core.facts.received import ReceivedKind
from bornek.store import tables as t
from bornek.store.queries.facts import live_facts


def job_events(session: Session, job_id: str) -> list[tuple[datetime, str, str]]:
    """Every moment at which something was written on a job: by which kind of fact, or on which setting."""
    facts = session.execute(select(t.Fact.at, t.Fact.fact_kind).where(t.Fact.job_id == job_id))
    found = [(at, kind, "") for at, kind in facts]
    entries = session.execute(select(t.Entry.at, t.Entry.setting_id).where(t.Entry.job_id == job_id))
    found += [(at, "", setting) for at, setting in entries]
    mine = select(t.Setting.id).where(t.Setting.job_id == job_id)
    signed = session.execute(
        select(t.Signature.at, t.Signature.setting_id).where(t.Signature.setting_id.in_(mine))
    )
    return found + [(at, "", setting) for at, setting in signed]


def orders_out(session: Session, job_id: str, now: datetime) -> int:
    """Days for which at least one order was out, the longest of them."""
    facts = live_facts(session, job_id)
    came = {f.body.get("order"): f.at for f in facts if f.fact_kind == ReceivedKind.key}
    waited = [(came.get(f.id, now) - f.at).days for f in facts if f.fact_kind == OrderedKind.key]
    return max(waited, default=0)


def stock_used(session: Session, job_ids: Sequence[str]) -> list[tuple[str, int, int]]:
    """Shims taken from the drawer by these jobs: form, thickness [nm], count."""
    rows = session.execute(
        select(t.ShimLot.form, t.ShimLot.thickness_nm, -func.sum(t.StockMovement.delta))
        .join(t.StockMovement, t.StockMovement.lot_id == t.ShimLot.id)
        .join(t.Act, t.Act.id == t.StockMovement.act_id)
        .where(t.Act.job_id.in_(job_ids), t.StockMovement.delta < 0, ~t.StockMovement.elsewhere)
        .group_by(t.ShimLot.form, t.ShimLot.thickness_nm)
        .order_by(t.ShimLot.form, t.ShimLot.thickness_nm)
    )
    return [(form, nm, int(n)) for form, nm, n in rows]
