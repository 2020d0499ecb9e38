"""Whether anything changed that a setting rests on.

Nothing in these tables is ever changed or taken away: the last row of each tells.
"""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy import bindparam, text
from sqlalchemy.orm import Session

from bornek.store.once import read_once

SHOP = ("stock_movement", "gauge_card", "signature", "mechanic", "shim_measure")
OWN = ("entry", "given_revision", "explanation", "signature", "round", "proposal")
_SHOP = text("SELECT " + ", ".join(f"(SELECT MAX(rowid) FROM {table})" for table in SHOP))
_OWN = text(
    "SELECT "
    + ", ".join(f"(SELECT MAX(rowid) FROM {table} WHERE setting_id = :setting)" for table in OWN)
    + ", (SELECT MAX(rowid) FROM act_knob WHERE place_id IN :places)"
).bindparams(bindparam("places", expanding=True))


def shop_mark(session: Session) -> tuple[int, ...]:
    """The same as long as no shim was moved, no gauge got a card, nothing was signed, nobody came."""
    return read_once(session, "shop mark", lambda: tuple(n or 0 for n in session.execute(_SHOP).one()))


def setting_mark(session: Session, setting_id: str, place_ids: Sequence[str]) -> tuple[int, ...]:
    """The same as long as nothing was written on a setting and no adjuster at its places was touched."""
    row = session.execute(_OWN, {"setting": setting_id, "places": list(place_ids)}).one()
    return tuple(n or 0 for n in row)
