"""Writers wait their turn; a full disk and a held file are said as such."""

import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager

import pytest
from flask import Flask
from flask.testing import FlaskClient
from sqlalchemy import event

from bornek.core.errors import StorageBusy
from bornek.store.database import Database
from bornek.store.fair_queue import FairQueue
from helpers import Bench


def test_writers_come_in_the_order_in_which_they_asked() -> None:
    queue, order = FairQueue(), []
    asked = [threading.Event() for _ in range(8)]

    def write(n: int) -> None:
        asked[n].set()
        with queue:
            order.append(n)

    threads = [threading.Thread(target=write, args=(n,)) for n in range(8)]
    with queue:
        for n, thread in enumerate(threads):
            thread.start()
            asked[n].wait()
            while len(queue._waiting) <= n:
                pass
    for thread in threads:
        thread.join()
    assert order == list(range(8))


def test_a_write_inside_a_write_is_refused_instead_of_waiting_for_itself(yard: Database) -> None:
    with yard.writing(), pytest.raises(RuntimeError, match="inside a write"), yard.writing():
        pass
    with yard.writing():
        pass


@contextmanager
def each_connection_told(database: Database, pragma: str) -> Iterator[None]:
    def tell(connection: sqlite3.Connection, *_: object) -> None:
        connection.execute(f"PRAGMA {pragma}")

    event.listen(database.engine, "checkout", tell)
    try:
        yield
    finally:
        event.remove(database.engine, "checkout", tell)


def test_a_full_disk_is_said_as_one_and_what_was_typed_can_be_sent_again(
    application: Flask, yard: Database, client: FlaskClient
) -> None:
    pump = Bench(client, "p22.thrust-end-play")
    before = pump.read("travel.mark_up.1", "0.14")
    body = {"slot": "travel.mark_up.2", "text": "0.14", "id": "again"}
    # SQLite takes the pages that there are as the least
    with each_connection_told(yard, "max_page_count = 1"):
        answers = [pump.post("entries", body | {"id": f"r{n}"}) for n in range(40)]
    full = next(a for a in answers if a.status_code != 201)
    assert (full.status_code, full.get_json()["code"]) == (507, "full")
    assert "Everything written before is kept" in full.get_json()["message"]
    with each_connection_told(yard, "max_page_count = 100000"):
        assert pump.post("entries", body).status_code == 201
    assert pump.view()["sheet"]["cells"][0]["shown"] == before["sheet"]["cells"][0]["shown"]


def test_a_file_that_another_program_holds_is_said_as_held(yard: Database) -> None:
    with (
        each_connection_told(yard, "busy_timeout = 1"),
        sqlite3.connect(yard.path, isolation_level=None) as other,
    ):
        other.execute("BEGIN IMMEDIATE")
        with pytest.raises(StorageBusy), yard.writing() as session:
            session.connection()
        other.execute("ROLLBACK")
