"""The shop's own lists: look-fors and numbers that stand for each other."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import exists, select
from sqlalchemy.orm import Session, aliased

from bornek.store import tables as t
from bornek.store.once import read_once

_later_look_for = aliased(t.LookFor)
_LOOK_FORS = (
    select(t.LookFor)
    .where(~t.LookFor.void, ~exists().where(_later_look_for.supersedes == t.LookFor.id))
    .order_by(t.LookFor.part_group, t.LookFor.at)
)
_later_number = aliased(t.CrossNumber)
_CROSS_NUMBERS = (
    select(t.CrossNumber)
    .where(~t.CrossNumber.void, ~exists().where(_later_number.supersedes == t.CrossNumber.id))
    .order_by(t.CrossNumber.number)
)


def live_look_fors(session: Session) -> Sequence[t.LookFor]:
    return read_once(session, "look-fors", lambda: session.scalars(_LOOK_FORS).all())


def live_cross_numbers(session: Session) -> Sequence[t.CrossNumber]:
    return read_once(session, "cross numbers", lambda: session.scalars(_CROSS_NUMBERS).all())
