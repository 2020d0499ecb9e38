"""What was done on one setting of another job: moves of its adjusters, what odd rounds turned out to be."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.store import tables as t


def moved_knobs(
    session: Session, setting_id: str, kinds: Sequence[str]
) -> list[tuple[dict[str, Any], dict[str, Any]]]:
    """Before and after of every adjuster at the setting's own place, for acts of some kinds."""
    place = select(t.Setting.place_id).where(t.Setting.id == setting_id)
    rows = session.execute(
        select(t.ActKnob.before, t.ActKnob.after)
        .join(t.Act, t.Act.id == t.ActKnob.act_id)
        .where(t.Act.act_kind.in_(kinds), t.ActKnob.place_id.in_(place))
        .order_by(t.Act.seq)
    )
    return [(dict(before), dict(after)) for before, after in rows]


def explanations_of(session: Session, setting_id: str) -> Sequence[t.Explanation]:
    return session.scalars(
        select(t.Explanation).where(t.Explanation.setting_id == setting_id).order_by(t.Explanation.round)
    ).all()
