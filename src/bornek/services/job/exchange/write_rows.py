"""Rows of an exchange file put into tables."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from datetime import datetime
from itertools import groupby
from typing import Any

from sqlalchemy import DateTime, Table, insert
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.services.job.exchange.format import AGAIN, ORDER, Row
from bornek.services.job.exchange.unpack import Bundle
from bornek.store.base import Base


def write_rows(session: Session, bundle: Bundle, rows_of: Callable[[str], list[Row]]) -> None:
    """Every table in its order. Raises InputError where rows point at nothing or stand in each other's way."""
    try:
        for name in ORDER:
            rows = [typed_row(name, row) for row in rows_of(name)]
            if name == "blob":
                rows = [row | _drawn(bundle, row) for row in rows]
            insert_rows(session, Base.metadata.tables[name], rows)
        session.flush()
    except IntegrityError as error:
        raise InputError(
            f"The exchange file does not hold together: {name} points at something that is not in it, or two "
            "rows are one.",
            field="file",
            next_step=AGAIN,
        ) from error


def insert_rows(session: Session, table: Table, rows: Iterable[Row]) -> None:
    """Those that name the same columns go in together, in their order."""
    for _, alike in groupby(rows, key=tuple):
        session.execute(insert(table), list(alike))


def _drawn(bundle: Bundle, row: Row) -> Row:
    """A picture is kept as it was drawn anew, under the name that the record has for it."""
    picture = bundle.pictures[row["sha256"]]
    return {
        "file": picture.sha256,
        "thumb": picture.thumb_sha256,
        "media_type": picture.media_type,
        "size": len(picture.data),
        "width": picture.width,
        "height": picture.height,
    }


def typed_row(name: str, row: Row) -> Row:
    """A row as its table takes it: moments read from their text."""
    columns = Base.metadata.tables[name].columns
    return {
        key: datetime.fromisoformat(value) if value and _is_time(columns[key].type) else value
        for key, value in row.items()
    }


def _is_time(kind: Any) -> bool:
    return isinstance(getattr(kind, "impl", kind), DateTime)
