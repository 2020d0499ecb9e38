"""A view asks the file for the same thing once, however many of its parts want it."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from flask import Flask
from flask.testing import FlaskClient
from sqlalchemy import event

from bornek.store.database import Database
from bornek.store.once import only_reads
from bornek.store.queries.jobs import settings_of

OF_THE_YARD = {
    "job_id": "k08",
    "setting_id": "w17.output-end-play",
    "unit_id": "u-h31",
    "type_id": "ramp-winch",
}
Asked = Counter[tuple[str, str]]


@contextmanager
def listened(database: Database) -> Iterator[list[Asked]]:
    """Every statement with what was filled in, by transaction; not of those that write."""
    heard: list[Asked] = []
    writes = False

    def hear(_c: Any, _cursor: Any, statement: str, filled: Any, _context: Any, _many: bool) -> None:
        nonlocal writes
        if statement.startswith("BEGIN"):
            writes = statement != "BEGIN"
            heard.append(Counter())
        if not writes:
            heard[-1][statement, repr(filled)] += 1

    event.listen(database.engine, "before_cursor_execute", hear)
    try:
        yield heard
    finally:
        event.remove(database.engine, "before_cursor_execute", hear)


def views(app: Flask) -> list[str]:
    """The address of every view of the demo yard that is reached by its job, setting, unit or type."""
    return [
        re.sub(r"<(?:\w+:)?(\w+)>", lambda name: OF_THE_YARD[name[1]], rule.rule)
        for rule in app.url_map.iter_rules()
        if "GET" in (rule.methods or ())
        and rule.rule.startswith("/api/")
        and rule.arguments <= set(OF_THE_YARD)
    ]


def test_no_view_asks_for_the_same_thing_twice(
    application: Flask, client: FlaskClient, yard: Database
) -> None:
    addresses = views(application)
    assert len(addresses) > 40
    asked = 0
    for address in addresses:
        with listened(yard) as heard:
            answer = client.get(address, headers={"X-Mechanic": "marl"})
        again = {asked: n for part in heard for asked, n in part.items() if n > 1}
        assert again == {}, (address, answer.status_code)
        asked += sum(map(len, heard))
    assert asked > 400


def test_what_is_asked_twice_is_heard(yard: Database) -> None:
    for once, most in ((False, 2), (True, 1)):
        with listened(yard) as heard, yard.reading() as session:
            if once:
                only_reads(session)
            settings_of(session, "w17")
            settings_of(session, "w17")
        assert max(heard[-1].values()) == most
