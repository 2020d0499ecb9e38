"""The shop's own look-fors and its cross-reference: only added to, never edited away."""

from __future__ import annotations

from itertools import count
from typing import Any

import pytest
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError, OperationalError

from bornek.core.errors import InputError, NotFound, StaleVersion
from bornek.services.desk import Desk
from bornek.services.shop.shop_lists import (
    number_pairs,
    own_look_fors,
    view_cross_numbers,
    view_look_fors,
    write_cross_number,
    write_look_for,
)
from bornek.store.database import Database
from helpers import NOW

_ids = count(1)


def look(database: Database, **sent: Any) -> list[dict[str, Any]]:
    with database.writing() as session:
        body = {
            "id": f"look-{next(_ids)}",
            "group": "nut",
            "label": "Paint",
            "means": "Ours.",
            "kinds": [],
        } | sent
        write_look_for(Desk(session, "jun", NOW), body)
        return view_look_fors(session)


def pair(database: Database, **sent: Any) -> list[dict[str, Any]]:
    with database.writing() as session:
        body = {"id": f"pair-{next(_ids)}", "number": "A 1", "other": "B 2", "words": ""} | sent
        write_cross_number(Desk(session, "jun", NOW), body)
        return view_cross_numbers(session)


def test_the_cores_come_first_and_cannot_be_retired(yard: Database) -> None:
    rows = look(yard)
    assert not rows[0]["own"]
    assert rows[-1]["own"]
    with pytest.raises(NotFound):
        look(yard, retire=rows[0]["key"])


def test_a_retired_look_for_may_come_again(yard: Database) -> None:
    mine = next(r for r in look(yard) if r["own"] and r["label"] == "Paint")
    look(yard, retire=mine["id"])
    again = [r for r in look(yard) if r["own"] and r["label"] == "Paint"]
    assert len(again) == 1
    assert again[0]["key"] == mine["key"]


@pytest.mark.parametrize(
    ("sent", "field"),
    [
        ({"label": " "}, "label"),
        ({"means": ""}, "means"),
        ({"group": "nuts"}, "group"),
        ({"kinds": ["gear"]}, "kinds"),
    ],
)
def test_one_that_cannot_be_is_refused_by_its_field(yard: Database, sent: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as refused:
        look(yard, **sent)
    assert refused.value.field == field


def test_it_may_be_kept_to_some_kinds_of_its_group(yard: Database) -> None:
    look(yard, group="fork", label="Bent tip", kinds=["fork"])
    with yard.reading() as session:
        mine = next(x for x in own_look_fors(session) if x.label == "Bent tip")
    assert mine.kinds == ("fork",)


def test_numbers_are_written_the_same_way_whoever_types_them(yard: Database) -> None:
    pair(yard, number=" tb-9 ", other="k  30")
    with yard.reading() as session:
        assert ("TB-9", "K 30") in number_pairs(session)


@pytest.mark.parametrize("sent", [{"number": ""}, {"other": ""}, {"other": "a 1"}])
def test_two_different_numbers_are_needed(yard: Database, sent: dict[str, Any]) -> None:
    with pytest.raises(InputError, match="Two different numbers"):
        pair(yard, **sent)


def test_a_struck_line_is_gone_and_stays_struck(yard: Database) -> None:
    mine = next(r for r in pair(yard) if r["number"] == "A 1")
    pair(yard, strike=mine["id"])
    with yard.reading() as session:
        assert ("A 1", "B 2") not in number_pairs(session)
    with pytest.raises(StaleVersion):
        pair(yard, strike=mine["id"])


@pytest.mark.parametrize("table", ["look_for", "cross_number"])
def test_nothing_in_the_lists_is_changed_or_deleted(yard: Database, table: str) -> None:
    for command in (f"UPDATE {table} SET void = 1", f"DELETE FROM {table}"):
        with (
            pytest.raises((IntegrityError, OperationalError), match="append-only"),
            yard.writing() as session,
        ):
            session.execute(text(command))


def test_nobody_writes_without_a_name(yard: Database) -> None:
    with pytest.raises(InputError), yard.writing() as session:
        write_look_for(Desk(session, "", NOW), {"id": "x", "group": "nut", "label": "a", "means": "b"})


def test_every_groups_kinds_of_part_are_named(yard: Database) -> None:
    with yard.reading() as session:
        rows = view_look_fors(session)
    assert all(r["part_kinds"] for r in rows)
