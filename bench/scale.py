"""The board with 2,000 open jobs and the search over 100,000 parts.

`python bench/scale.py`: milliseconds over the application's own HTTP client, p50 and p95 of 200 calls, and
the ratio to `/api/health` on the same machine at the same time.
"""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path

from flask.testing import FlaskClient
from sqlalchemy import text

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.services.desk import Desk
from bornek.services.job.receive_job import receive_job
from bornek.store.database import Database

OPEN, CLOSED, CALLS = 2000, 1050, 200
NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)
WORDS = (
    "seal",
    "TB-33",
    "countershaft",
    "wheel bearing",
    "F-1742",
    "CF12-1",
    "oda",
    "gear",
    "W-17",
    "housing",
)


def fill(database: Database) -> None:
    for start in range(0, OPEN + CLOSED, 100):
        with database.writing() as session:
            for n in range(start, min(start + 100, OPEN + CLOSED)):
                desk = Desk(session, "oda", NOW - timedelta(hours=n))
                job = receive_job(
                    desk,
                    {
                        "id": f"b{n}",
                        "revision": "chain-ferry.1",
                        "complaint": f"growls, file {n}",
                        "unit": {
                            "id": f"u{n}",
                            "tag": f"F-{n + 1000}",
                            "name": f"Ferry drive {n}",
                            "serial": f"CF12-{n}",
                        },
                    },
                )
                if n >= OPEN:
                    job.closed_at = NOW


def timed(call: Callable[[int], object]) -> tuple[float, float]:
    found = []
    for n in range(CALLS):
        start = time.perf_counter()
        call(n)
        found.append((time.perf_counter() - start) * 1000)
    return statistics.median(found), statistics.quantiles(found, n=20)[-1]


def get(client: FlaskClient, url: str) -> None:
    answer = client.get(url)
    assert answer.status_code == 200, answer.get_json()


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "yard.sqlite")
        database.migrate()
        with database.writing() as session:
            seed(session)
        start = time.perf_counter()
        fill(database)
        with database.reading() as session:
            parts = session.execute(text("SELECT count(*) FROM part")).scalar()
        print(f"{OPEN + CLOSED} jobs, {parts} parts, filled in {time.perf_counter() - start:.0f} s")
        client = create_app(database, lambda: NOW, trusts=True).test_client()
        start = time.perf_counter()
        get(client, "/api/board")
        print(f"first board, its first piece: {time.perf_counter() - start:.1f} s")
        while client.get("/api/board").get_json()["unread"]:
            pass
        print(f"every standing made: {time.perf_counter() - start:.1f} s")
        health = timed(lambda n: get(client, "/api/health"))
        for name, call in (
            ("board", lambda n: get(client, "/api/board")),
            ("search", lambda n: get(client, f"/api/search?q={WORDS[n % len(WORDS)]}")),
            ("job", lambda n: get(client, f"/api/jobs/b{n}")),
            ("strip", lambda n: get(client, f"/api/jobs/b{n}/strip")),
        ):
            p50, p95 = timed(call)
            print(f"{name:8} p50 {p50:6.1f}  p95 {p95:6.1f} ms  ratio to health {p50 / health[0]:5.0f}")

        def after_a_write(n: int) -> None:
            client.post(
                "/api/jobs/b3/facts",
                headers={"X-Mechanic": "oda"},
                json={"id": f"x{n}", "kind": "wrong", "body": {"what": "wrong", "words": "dent"}},
            )
            get(client, "/api/board")

        p50, p95 = timed(after_a_write)
        print(f"write on a job, then the board: p50 {p50:.1f}  p95 {p95:.1f} ms")
        database.close()


if __name__ == "__main__":
    main()
