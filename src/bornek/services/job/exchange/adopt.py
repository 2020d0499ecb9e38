"""What the shop knows already under the same id: the same is used, another comes in under a name of its own."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.services.desk import digest
from bornek.services.job.exchange.format import ORDER, SHARED, Row, Rows
from bornek.store import tables as t
from bornek.store.base import Base
from bornek.store.queries.shop_lists import live_look_fors
from bornek.store.tables.gauge import CARD

LONGEST = 50


@dataclass(frozen=True)
class Adoption:
    """The rows as they are to be kept here, and those of them that are here already, by table and key."""

    yard: str
    rows: Rows
    here: dict[str, set[str]] = field(default_factory=dict)
    renamed: dict[str, dict[str, str]] = field(default_factory=dict)

    def known(self, table: str, key: str) -> None:
        self.here.setdefault(table, set()).add(key)

    def rename(self, table: str, old: str, new: str) -> None:
        self.renamed.setdefault(table, {})[old] = new

    def new_rows(self, table: str) -> list[Row]:
        """What is to be written here."""
        return [r for r in self.rows[table] if r[key_of(table)] not in self.here.get(table, ())]


def key_of(table: str) -> str:
    return str(next(iter(Base.metadata.tables[table].primary_key.columns)).key)


def adopt(session: Session, rows: Rows, yard: str) -> Adoption:
    """Nothing that is here is touched: what is the same is named, what is not is renamed. Ids that a chain of
    hashes was made over are kept as `known_as`."""
    found = Adoption(yard, {name: [dict(row) for row in rows[name]] for name in ORDER})
    for row in found.rows["mechanic"]:
        ours = session.get(t.Mechanic, row["id"])
        if ours is not None and ours.name != row["name"]:
            _from_there(found, "mechanic", row)
    _gauges(session, found)
    _types(session, found)
    _unit(session, found)
    _components(session, found)
    for row in found.rows["stock_movement"]:
        row["elsewhere"] = True
    _follow(found)
    for table in (*SHARED, "shim_lot", "component", "blob"):
        key = Base.metadata.tables[table].columns[key_of(table)]
        for row in found.rows[table]:
            if session.execute(select(key).where(key == row[key.key])).first() is not None:
                found.known(table, row[key.key])
    live = {(r.part_group, r.key) for r in live_look_fors(session)}
    for row in found.rows["look_for"]:
        if (row["part_group"], row["key"]) in live:
            found.known("look_for", row["id"])
    return found


def _from_there(found: Adoption, table: str, row: Row) -> str:
    old = row["id"]
    row["id"] = new = f"{old[:LONGEST]}.{digest([found.yard, row])[:6]}"
    row["name"] = f"{row['name']} ({found.yard})"
    if "known_as" in Base.metadata.tables[table].columns:
        row["known_as"] = row.get("known_as") or old
    found.rename(table, old, new)
    return new


def _gauges(session: Session, found: Adoption) -> None:
    """A gauge is the same where every card that came with it is one that it has or had here."""
    cards = found.rows["gauge_card"]
    for row in found.rows["gauge"]:
        ours = session.get(t.Gauge, row["id"])
        had = session.scalars(select(t.GaugeCard).where(t.GaugeCard.gauge_id == row["id"])).all()
        sent = [c for c in cards if c["gauge_id"] == row["id"]]
        same = any(_says(row, c) for c in had) and all(
            any(c["id"] == own.id and _says(c, own) for own in had) for c in sent
        )
        if ours is None or same:
            continue
        old = row["id"]
        new = _from_there(found, "gauge", row)
        for card in sent:
            was = card["id"]
            card |= {"id": f"{new}.{card['number']}", "known_as": card.get("known_as") or was}
            found.rename("gauge_card", was, card["id"])
        job = found.rows["job"][0]
        job["gauges"] = [new if g == old else g for g in job.get("gauges", ())]


def _says(row: Mapping[str, Any], card: Any) -> bool:
    return all(row[key] == getattr(card, key) for key in CARD)


def _types(session: Session, found: Adoption) -> None:
    """A type is ours where it has that very revision; a revision that we do not have is of another's type."""
    revisions = found.rows["unit_type_revision"]
    for row in found.rows["unit_type"]:
        sent = [r for r in revisions if r["unit_type_id"] == row["id"]]
        ours = session.get(t.UnitType, row["id"])
        held = [session.get(t.UnitTypeRevision, r["id"]) for r in sent]
        if ours is None or all(
            h is not None and h.sha256 == r["sha256"] for h, r in zip(held, sent, strict=True)
        ):
            continue
        new = _from_there(found, "unit_type", row)
        for revision in sent:
            found.rename("unit_type_revision", revision["id"], f"{new}.{revision['number']}")
            revision["id"] = f"{new}.{revision['number']}"


def _unit(session: Session, found: Adoption) -> None:
    """The same machine where type and serial are the same, whatever it is called; its tag may be taken here."""
    unit = found.rows["unit"][0]
    type_id = found.renamed.get("unit_type", {}).get(unit["unit_type_id"], unit["unit_type_id"])
    same = session.scalars(
        select(t.Unit).where(t.Unit.serial == unit["serial"], t.Unit.unit_type_id == type_id)
    ).first()
    if same is not None:
        if same.id != unit["id"]:
            found.rename("unit", unit["id"], same.id)
            unit["id"] = same.id
        return
    if session.get(t.Unit, unit["id"]) is not None:
        _from_there(found, "unit", unit)
    if session.scalars(select(t.Unit).where(t.Unit.tag == unit["tag"])).first() is not None:
        unit["tag"] = f"{unit['tag']}·{digest([found.yard, unit])[:3]}"


def _components(session: Session, found: Adoption) -> None:
    """A gear set or bearing is known by what it is and its serial."""
    for row in found.rows["component"]:
        same = session.scalars(
            select(t.Component).where(
                t.Component.part_kind == row["kind"], t.Component.serial == row["serial"]
            )
        ).first()
        new = same.id if same is not None else row["id"]
        if same is None and session.get(t.Component, row["id"]) is not None:
            new = f"{row['id'][:LONGEST]}.{digest([found.yard, row])[:6]}"
            row["known_as"] = row.get("known_as") or row["id"]
        if new != row["id"]:
            found.rename("component", row["id"], new)
            row["id"] = new


def _follow(found: Adoption) -> None:
    """Everything that points at a renamed row points at its new name."""
    for name in ORDER:
        for column in Base.metadata.tables[name].columns:
            for key in column.foreign_keys:
                new = found.renamed.get(key.column.table.name, {})
                for row in found.rows[name] if new else ():
                    if row.get(column.key) in new:
                        row[column.key] = new[row[column.key]]
