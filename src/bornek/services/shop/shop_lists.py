"""The shop's own look-fors and its cross-reference of part numbers."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import InputError, NotFound
from bornek.core.parts.look_fors import LookFor, core_look_fors, groups
from bornek.core.plain import dump
from bornek.core.units.part_kinds import PART_KINDS
from bornek.services.desk import Desk, gone
from bornek.store import tables as t
from bornek.store.queries.shop_lists import live_cross_numbers, live_look_fors


@dataclass(frozen=True)
class LookForView:
    """`id` is empty for the core's own."""

    id: str
    group: str
    part_kinds: list[str]
    key: str
    label: str
    means: str
    kinds: list[str]
    own: bool


@dataclass(frozen=True)
class CrossNumberView:
    id: str
    number: str
    other: str
    words: str


def own_look_fors(session: Session) -> list[LookFor]:
    return [
        LookFor(group=r.part_group, key=r.key, label=r.label, means=r.means, kinds=tuple(r.kinds), own=True)
        for r in live_look_fors(session)
    ]


def view_look_fors(session: Session) -> list[dict[str, Any]]:
    """The core's, then the shop's own with the id by which one is retired."""
    kinds = groups()
    rows = [
        LookForView(
            id="",
            group=x.group,
            part_kinds=kinds[x.group],
            key=x.key,
            label=x.label,
            means=x.means,
            kinds=list(x.kinds),
            own=False,
        )
        for x in core_look_fors()
    ]
    rows += [
        LookForView(
            id=r.id,
            group=r.part_group,
            part_kinds=kinds.get(r.part_group, []),
            key=r.key,
            label=r.label,
            means=r.means,
            kinds=list(r.kinds),
            own=True,
        )
        for r in live_look_fors(session)
    ]
    view: list[dict[str, Any]] = dump(rows)
    return view


def write_look_for(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, group, label, means, kinds; or id with retire (the id of one of the shop's own)."""
    who = desk.mechanic()
    if sent.get("retire"):
        old = next((r for r in live_look_fors(desk.session) if r.id == sent["retire"]), None)
        if old is None:
            if desk.session.get(t.LookFor, sent["retire"]) is not None:
                raise gone(0, "This look-for is retired already.", "retire")
            raise NotFound("There is no look-for of the shop's own of that id.", field="retire")
        row = t.LookFor(
            id=sent["id"],
            part_group=old.part_group,
            key=old.key,
            label=old.label,
            means=old.means,
            kinds=old.kinds,
            void=True,
            supersedes=old.id,
            mechanic_id=who.id,
            at=desk.now,
        )
    else:
        row = _new(desk, sent, who.id)
    desk.session.add(row)
    desk.session.flush()


def _new(desk: Desk, sent: dict[str, Any], who: str) -> t.LookFor:
    group, label = sent.get("group", ""), str(sent.get("label", "")).strip()
    if group not in groups():
        raise InputError(f"group must be one of {', '.join(groups())} (got {group!r}).", field="group")
    if not label or not str(sent.get("means", "")).strip():
        raise InputError(
            "A look-for needs its words and what finding it means.", field="label" if not label else "means"
        )
    wrong = [k for k in sent.get("kinds", ()) if k not in PART_KINDS or PART_KINDS[k].group != group]
    if wrong:
        raise InputError(f"{wrong[0]!r} is no kind of part of the group {group}.", field="kinds")
    key = "own-" + (re.sub(r"[^a-z0-9]+", "-", label.lower()).strip("-")[:40] or sent["id"])
    if any(r.key == key and r.part_group == group for r in live_look_fors(desk.session)):
        raise InputError("The shop has this look-for already.", field="label")
    return t.LookFor(
        id=sent["id"],
        part_group=group,
        key=key,
        label=label,
        means=str(sent["means"]).strip(),
        kinds=list(sent.get("kinds", ())),
        void=False,
        supersedes=None,
        mechanic_id=who,
        at=desk.now,
    )


def number_pairs(session: Session) -> list[tuple[str, str]]:
    return [(r.number, r.other) for r in live_cross_numbers(session)]


def view_cross_numbers(session: Session) -> list[dict[str, Any]]:
    view: list[dict[str, Any]] = dump(
        [CrossNumberView(r.id, r.number, r.other, r.words) for r in live_cross_numbers(session)]
    )
    return view


def write_cross_number(desk: Desk, sent: dict[str, Any]) -> None:
    """sent: id, number, other, words; or id with strike (the id of the row that was wrong)."""
    who = desk.mechanic()
    rows = live_cross_numbers(desk.session)
    if sent.get("strike"):
        old = next((r for r in rows if r.id == sent["strike"]), None)
        if old is None:
            if desk.session.get(t.CrossNumber, sent["strike"]) is not None:
                raise gone(0, "This line is struck already.", "strike")
            raise NotFound("There is no such line in the cross-reference.", field="strike")
        number, other, words = old.number, old.other, old.words
    else:
        number, other = (" ".join(str(sent.get(k, "")).upper().split()) for k in ("number", "other"))
        old, words = None, str(sent.get("words", ""))
        if not number or not other or number == other:
            raise InputError("Two different numbers are needed.", field="other")
        if any({r.number, r.other} == {number, other} for r in rows):
            raise InputError(f"{number} and {other} are in the cross-reference already.", field="other")
    desk.session.add(
        t.CrossNumber(
            id=sent["id"],
            number=number,
            other=other,
            words=words,
            void=old is not None,
            supersedes=old.id if old else None,
            mechanic_id=who.id,
            at=desk.now,
        )
    )
    desk.session.flush()
