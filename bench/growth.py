"""What a long setting and a large job cost: a setting of 2,000 readings and 60 rounds, a job of 300 settings.

python bench/growth.py; prints milliseconds (median of five) of a reading, the setting, the job, its record and
its PDF, and each as a ratio to the same on a small job of the same yard.
"""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime
from itertools import count
from pathlib import Path
from typing import Any

from flask.testing import FlaskClient

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.services.desk import Desk
from bornek.services.setting.record_act import record_act
from bornek.services.setting.take_reading import take_reading
from bornek.services.setting.view import view_setting
from bornek.store.database import Database

NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)
ROUNDS, READINGS, SETTINGS = 60, 2000, 300
SLOTS = [f"travel.{p}.{n}" for p in ("mark_up", "mark_down") for n in (1, 2, 3)]
ACTOR = {"X-Mechanic": "oda"}
LONG, SMALL = "p22.thrust-end-play", "w17.output-end-play"


def long_setting(database: Database) -> None:
    """Sixty rounds; every reading typed, and typed again until there are two thousand."""
    ids = count()
    each = READINGS // ROUNDS
    for number in range(ROUNDS):
        with database.writing() as session:
            desk = Desk(session, "oda", NOW)
            seen = view_setting(session, LONG, NOW.date())["version"]
            act = "move" if number else "as_found"
            pack = [0.5, 0.25, 0.05] if number % 2 else [0.5, 0.25]
            sent = {"id": f"g.{next(ids)}", "kind": act, "states": {"pack": pack}, "seen": seen}
            record_act(desk, LONG, sent)
        last: dict[str, str] = {}
        for n in range(each):
            slot = SLOTS[n % 6]
            text = f"0.{20 + number % 2 * 5 + n % 3:02d}"
            with database.writing() as session:
                sent = {"id": f"g.{next(ids)}", "slot": slot, "text": text}
                if slot in last:
                    seen = view_setting(session, LONG, NOW.date())["version"]
                    sent |= {"supersedes": last[slot], "seen": seen}
                take_reading(Desk(session, "oda", NOW), LONG, sent)
                last[slot] = sent["id"]


def large_job(client: FlaskClient) -> None:
    given = {"least": "0.05", "greatest": "0.1", "sense": "adds", "torque": "80", "source": "card"}
    definition = {
        "places": [{"key": f"p{n}", "label": f"Cover {n}", "shim_form": "C3 ring"} for n in range(SETTINGS)],
        "settings": [
            {"key": f"s{n}", "label": f"End play {n}", "kind": "shim_pack_end_play", "place": f"p{n}", "given": given}
            for n in range(SETTINGS)
        ],
    }  # fmt: skip
    body = {"name": "Many covers", "definition": definition, "seen": 0}
    assert client.post("/api/unit-types/many", json=body, headers=ACTOR).status_code == 201
    job = {"id": "many", "revision": "many.1", "tag": "MANY", "name": "Many covers", "serial": "1"}
    assert client.post("/api/jobs", json=job, headers=ACTOR).status_code == 201


def median_ms(work: Callable[[], Any]) -> float:
    times = []
    for _ in range(5):
        begun = time.perf_counter()
        work()
        times.append(time.perf_counter() - begun)
    return 1000 * statistics.median(times)


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "yard.sqlite")
        database.migrate()
        with database.writing() as session:
            seed(session)
        client = create_app(database, lambda: NOW, trusts=True).test_client()
        long_setting(database)
        large_job(client)
        ids = count()

        def read(setting: str) -> None:
            body = {"id": f"r{next(ids)}", "slot": "travel.mark_up.1", "text": "0.21"}
            answer = client.post(f"/api/settings/{setting}/entries", json=body, headers=ACTOR)
            assert answer.status_code == 201, answer.get_json()

        def get(path: str) -> Callable[[], None]:
            def work() -> None:
                assert client.get(path).status_code == 200

            return work

        print(f"\n{'':34} long or large   small   ratio")
        for words, work, small in (
            (f"reading, {ROUNDS} rounds", lambda: read(LONG), lambda: read(SMALL)),
            ("its setting", get(f"/api/settings/{LONG}"), get(f"/api/settings/{SMALL}")),
            ("its record", get("/api/jobs/p22/record"), get("/api/jobs/w17/record")),
            ("its PDF", get("/api/jobs/p22/record.pdf"), get("/api/jobs/w17/record.pdf")),
            (f"reading, job of {SETTINGS} settings", lambda: read("many.s7"), lambda: read(SMALL)),
            ("job", get("/api/jobs/many"), get("/api/jobs/w17")),
            ("record", get("/api/jobs/many/record"), get("/api/jobs/w17/record")),
            ("PDF", get("/api/jobs/many/record.pdf"), get("/api/jobs/w17/record.pdf")),
            ("board", get("/api/board"), get("/api/board")),
        ):
            big, little = median_ms(work), median_ms(small)
            print(f"{words:34} {big:10.0f} ms {little:7.0f} {big / little:7.1f}", flush=True)


if __name__ == "__main__":
    main()
