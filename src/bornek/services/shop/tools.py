"""The yard's tools on the shelf: cards as they stand, and a next card of one."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.bench import YardTool
from bornek.core.build.yard_tools import RESOURCES, SORTS, ToolCard, check_tool, tool_fields
from bornek.core.errors import StaleVersion
from bornek.core.plain import dump
from bornek.services.desk import Desk
from bornek.services.setting.given_view import FieldView
from bornek.store import tables as t
from bornek.store.queries.shop_time import tool_cards


@dataclass(frozen=True)
class ToolView:
    """`seen` is the number of its card."""

    tool: str
    seen: int
    sort: str
    sort_label: str
    name: str
    count: int
    out_of_order: bool
    words: str
    details: dict[str, str]
    said: list[str]
    usable: bool
    why_not: str


@dataclass(frozen=True)
class ToolSort:
    key: str
    label: str
    fields: list[FieldView]


@dataclass(frozen=True)
class ToolShelf:
    tools: list[ToolView]
    sorts: list[ToolSort]


def card_of(row: t.YardTool) -> ToolCard:
    return ToolCard(row.sort, row.name, row.count, row.out_of_order, row.words, dict(row.details))


def view_tools(session: Session, today: date) -> dict[str, Any]:
    view: dict[str, Any] = dump(
        ToolShelf(
            tools=[_view(row, today.isoformat()) for row in tool_cards(session)],
            sorts=[ToolSort(key, label, _fields(key)) for key, label in SORTS.items()],
        )
    )
    return view


def _fields(sort: str) -> list[FieldView]:
    return [
        FieldView(
            key=f.key,
            label=f.label,
            quantity=f.quantity,
            required=f.required,
            options=[],
            why=f.why,
            shown="",
            typed="",
        )
        for f in tool_fields(sort)
    ]


def _view(row: t.YardTool, today: str) -> ToolView:
    card = card_of(row)
    labels = {f.key: f.label for f in tool_fields(card.sort)}
    return ToolView(
        tool=row.tool,
        seen=row.number,
        sort=card.sort,
        sort_label=SORTS.get(card.sort, card.sort),
        name=card.name,
        count=card.count,
        out_of_order=card.out_of_order,
        words=card.words,
        details=dict(card.details),
        said=[f"{labels.get(k, k)}: {v}" for k, v in card.details.items() if v],
        usable=card.usable(today),
        why_not=card.why_not(today),
    )


def write_tool(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, tool, seen (0 for a new one), sort, name, count, out_of_order, words, details. Raises StaleVersion
    when somebody wrote a newer card."""
    who = desk.mechanic()
    card = ToolCard(
        sort=sent["sort"],
        name=sent["name"].strip(),
        count=sent["count"],
        out_of_order=sent["out_of_order"],
        words=sent["words"].strip(),
        details={k: str(v).strip() for k, v in sent["details"].items() if str(v).strip()},
    )
    check_tool(card)
    last = next((r for r in tool_cards(desk.session) if r.tool == sent["tool"]), None)
    newest = last.number if last else 0
    if newest != sent["seen"]:
        raise StaleVersion(
            f"Card {newest} of this tool is there already; you wrote on {sent['seen']}.",
            field="seen",
            next_step="Look at the newer card, then write yours again.",
            details={
                "seen": sent["seen"],
                "version": newest,
                "yours": card.name,
                "theirs": [last.name] if last else [],
            },
        )
    desk.session.add(
        t.YardTool(
            id=sent["id"],
            tool=sent["tool"],
            number=newest + 1,
            sort=card.sort,
            name=card.name,
            count=card.count,
            out_of_order=card.out_of_order,
            words=card.words,
            details=dict(card.details),
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()


def yard_tools(session: Session, today: date) -> list[YardTool] | None:
    """For the findings of a build; None where the yard keeps no list."""
    rows = tool_cards(session)
    if not rows:
        return None
    day = today.isoformat()
    cards = [card_of(r) for r in rows]
    return [YardTool(c.sort, c.name, c.usable(day), c.why_not(day), *c.reach()) for c in cards]


def resources(session: Session, today: date) -> dict[str, int]:
    """How many of each resource can be used; one of each where the yard keeps no list."""
    rows = tool_cards(session)
    if not rows:
        return dict.fromkeys(RESOURCES, 1)
    day = today.isoformat()
    found = dict.fromkeys(RESOURCES, 0)
    for row in rows:
        if row.sort in found and card_of(row).usable(day):
            found[row.sort] += row.count
    return {name: n for name, n in found.items() if n}
