"""Size and time of the documents of a job of many parts: full record, build sheet, and the views they are made from.

python bench/paper.py [--parts 300]
"""

from __future__ import annotations

import argparse
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

from flask.testing import FlaskClient

from bornek.app import create_app
from bornek.demo.seed import seed
from bornek.store.database import Database

HEADERS = {"X-Mechanic": "oda"}


def timed(what: str, get: Callable[[], Any]) -> bytes:
    begun = time.perf_counter()
    data: bytes = get().data
    print(f"{what:28} {1000 * (time.perf_counter() - begun):7.0f} ms {len(data) / 1000:8.0f} kB")
    return data


def large_job(client: FlaskClient, parts: int) -> str:
    """A winch with so many parts, every one taken off, judged and put back."""
    job = client.get("/api/jobs/w17").get_json()
    definition = job["definition"]
    more = [
        {
            "key": f"screw-{n}",
            "label": f"Cover screw {n}",
            "kind": "fastener",
            "count": 2,
            "number": f"M10-{n}",
        }
        for n in range(parts - len(definition["parts"]))
    ]
    definition["parts"] = [*definition["parts"], *more]
    body = {
        "id": "big",
        "revision": "ramp-winch.1",
        "tag": "W-99",
        "name": "Large winch",
        "serial": "RW7-0999",
    }
    assert client.post("/api/jobs", json=body, headers=HEADERS).status_code == 201
    seen = client.get("/api/jobs/big").get_json()["version"]
    answer = client.post(
        "/api/jobs/big/definition", json={"definition": definition, "seen": seen}, headers=HEADERS
    )
    assert answer.status_code == 201, answer.get_json()
    for n, part in enumerate(more):
        off = {"part": part["key"], "way": "hand", "count": 2, "tag": f"T-{n}", "bag": str(n % 9 + 1)}
        for kind, sent, path in (
            ("removed", off, "facts"),
            ("judged", {"part": part["key"], "verdict": "replace", "words": "stretched"}, "inspection"),
        ):
            client.post(
                f"/api/jobs/big/{path}",
                json={"id": f"{kind}-{n}", "kind": kind, "body": sent},
                headers=HEADERS,
            )
    return "big"


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--parts", type=int, default=300)
    parts = parser.parse_args().parts
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "yard.sqlite")
        database.migrate()
        with database.writing() as session:
            seed(session)
        client = create_app(database, trusts=True).test_client()
        key = large_job(client, parts)
        for job in ("w17", key):
            print(f"{job}: {len(client.get(f'/api/jobs/{job}').get_json()['definition']['parts'])} parts")
            for what in ("record.pdf", "build-sheet.pdf", "record", "prove"):
                timed(f"  {what}", lambda what=what, job=job: client.get(f"/api/jobs/{job}/{what}"))
        database.close()


if __name__ == "__main__":
    main()
