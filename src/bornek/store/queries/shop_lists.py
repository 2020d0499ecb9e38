"""The shop's own lists: look-fors and numbers that stand for each other."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t


def live_look_fors(session: Session) -> Sequence[t.LookFor]:
    later = aliased(t.LookFor)
    return session.scalars(
        select(t.LookFor)
        .where(~t.LookFor.void, ~exists().where(later.supersedes == t.LookFor.id))
        .order_by(t.LookFor.part_group, t.LookFor.at)
    ).all()


def live_cross_numbers(session: Session) -> Sequence[t.CrossNumber]:
    later = aliased(t.CrossNumber)
    return session.scalars(
        select(t.CrossNumber)
        .where(~t.CrossNumber.void, ~exists().where(later.supersedes == t.CrossNumber.id))
        .order_by(t.CrossNumber.number)
    ).all()
