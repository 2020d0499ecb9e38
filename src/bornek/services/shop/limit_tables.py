"""The shop's own limit tables: CSV in and out, revisions, rows offered where a setting is given."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict, dataclass
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound, StaleVersion
from bornek.core.plain import dump
from bornek.core.settings.registry import find_kind
from bornek.core.tables.shop_limits import LimitRow, read_limits, write_limits
from bornek.services.desk import Desk
from bornek.store import tables as t


@dataclass(frozen=True)
class LimitRowView:
    """`words`: what it gives, in short; `given` is put into the form, source and revision with it."""

    row: str
    range: str
    words: str
    given: dict[str, str]


@dataclass(frozen=True)
class LimitTableView:
    name: str
    number: int
    kind: str
    kind_title: str
    source: str
    rows: list[LimitRowView]


def _last(session: Session) -> Sequence[t.LimitTable]:
    newest = (
        select(t.LimitTable.name, func.max(t.LimitTable.number).label("n"))
        .group_by(t.LimitTable.name)
        .subquery()
    )
    return session.scalars(
        select(t.LimitTable)
        .join(newest, (t.LimitTable.name == newest.c.name) & (t.LimitTable.number == newest.c.n))
        .order_by(t.LimitTable.name)
    ).all()


def _rows(table: t.LimitTable) -> list[LimitRow]:
    return [LimitRow(r["row"], r["over"], r["incl"], r["given"]) for r in table.rows]


def view_limit_tables(session: Session) -> list[dict[str, Any]]:
    """The newest revision of every table."""
    found: list[dict[str, Any]] = dump([_view(table) for table in _last(session)])
    return found


def _view(table: t.LimitTable) -> LimitTableView:
    return LimitTableView(
        name=table.name,
        number=table.number,
        kind=table.kind,
        kind_title=find_kind(table.kind).title,
        source=table.source,
        rows=[_row(table, r) for r in _rows(table)],
    )


def _row(table: t.LimitTable, r: LimitRow) -> LimitRowView:
    ends = [
        f"over {r.over:g}" if r.over is not None else "",
        f"to {r.incl:g} mm" if r.incl is not None else "",
    ]
    put = {"source": f"{table.source}, row {r.row}", "edition": f"revision {table.number}"}
    return LimitRowView(
        row=r.row,
        range=" ".join(e for e in ends if e),
        words=", ".join(f"{key} {value}" for key, value in r.given.items()),
        given={**r.given, **put},
    )


def write_limit_table(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, name, kind, source, csv, seen (the revision that was looked at; 0 for a new table)."""
    who = desk.mechanic()
    kind = find_kind(sent["kind"])
    name, source = sent["name"].strip(), sent["source"].strip()
    if not name or not source:
        raise InputError("A table has a name and a source.", field="name" if not name else "source")
    last = next((x for x in _last(desk.session) if x.name == name), None)
    if (last.number if last else 0) != sent["seen"]:
        raise StaleVersion(
            f"Revision {last.number if last else 0} of {name} is there already; you saw {sent['seen']}.",
            field="seen",
            next_step="Look at the table again, then send yours.",
            details={
                "seen": sent["seen"],
                "version": last.number if last else 0,
                "yours": "Your rows",
                "theirs": [],
            },
        )
    rows = read_limits(sent["csv"], kind)
    number = (last.number if last else 0) + 1
    desk.session.add(
        t.LimitTable(
            id=sent["id"],
            name=name,
            number=number,
            kind=kind.id,
            source=source,
            rows=[asdict(r) for r in rows],
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()


def limit_table_csv(session: Session, name: str) -> str:
    """The newest revision as a file."""
    table = next((x for x in _last(session) if x.name == name), None)
    if table is None:
        raise NotFound(f"No limit table is called {name!r}.", field="name")
    return write_limits(_rows(table))
