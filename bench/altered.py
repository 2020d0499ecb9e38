"""Exchange files altered in one place each: every one is refused in words or taken in whole.

python bench/altered.py [--cases 3000]; prints how many were refused, taken in, answered with a crash, taken in
although a view of them then broke, and how many touched a row that was there before.
"""

from __future__ import annotations

import argparse
import io
import json
import shutil
import tempfile
import zipfile
from collections import Counter
from collections.abc import Iterator
from copy import deepcopy
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from flask import Flask
from sqlalchemy import text

from bornek.app import create_app, wire_of
from bornek.core.practice.streams import Stream
from bornek.demo.seed import seed
from bornek.services.desk import digest
from bornek.store.base import Base
from bornek.store.database import Database
from bornek.store.yard_file import make_yard

NOW = datetime(2026, 11, 24, 9, 0, tzinfo=UTC)
ACTOR = {"X-Mechanic": "oda"}
JOBS = ("w11", "k08", "c09")
NEIGHBOUR = "w17"
ODD: tuple[Any, ...] = (None, True, -1, 0, 7, 10**18, 1e308, "", "x", "w17", "w17.output-end-play", "é" * 300, "a\u0000b",
                        "\ud800", "2026-02-30T00:00:00+00:00", "1e5", [], [1], {}, {"type": "scalar", "value": "9"},
                        {"plates": ["x"]})  # fmt: skip
VIEWS = (
    "",
    "/strip",
    "/inspection",
    "/record",
    "/record.pdf",
    "/readings.csv",
    "/exchange.zip",
    "/bag-labels.pdf",
)
Bundle = tuple[dict[str, Any], dict[str, bytes]]


def opened(data: bytes) -> Bundle:
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        files = {n: archive.read(n) for n in archive.namelist() if n != "job.json"}
        return json.loads(archive.read("job.json")), files


def packed(bundle: Bundle, twice: str = "") -> bytes:
    content, files = bundle
    try:
        seal = digest(content["rows"])
    except UnicodeEncodeError:
        seal = ""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("job.json", json.dumps(content | {"sha256": seal}))
        for name, data in files.items():
            for _ in range(2 if name == twice else 1):
                archive.writestr(name, data)
    return out.getvalue()


def leaves(value: Any, path: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """The path of every value, rows and their insides alike."""
    if path:
        yield path
    items = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    for key, part in items:
        yield from leaves(part, (*path, key))


def put(content: dict[str, Any], path: tuple[Any, ...], how: str, odd: Any) -> None:
    place: Any = content["rows"]
    for key in path[:-1]:
        place = place[key]
    last = path[-1]
    if how == "drop":
        del place[last]
    elif how == "double" and isinstance(place, list):
        place.append(deepcopy(place[last]))
    elif how == "double":
        place[f"{last}2"] = place[last]
    elif how == "nudge" and isinstance(place[last], int | float) and not isinstance(place[last], bool):
        place[last] = place[last] * 25.4 if isinstance(place[last], float) else place[last] + 1
    else:
        place[last] = odd


def altered(bundle: Bundle, stream: Stream) -> bytes:
    """One alteration, drawn at random: of a row, an id, a number, a unit, a member."""
    content, files = deepcopy(bundle[0]), dict(bundle[1])
    names = sorted(files)
    if names and stream.u(0) < 0.04:
        name = names[int(stream.u(1) * len(names))]
        how = int(stream.u(2) * 4)
        if how == 0:
            del files[name]
        elif how == 1:
            files[name] = files[name][:-9]
        elif how == 2:
            files["../" + name] = files[name]
        return packed((content, files), name if how == 3 else "")
    tables = [t for t in sorted(content["rows"]) if content["rows"][t]]
    table = tables[int(stream.u(1) * len(tables))]
    paths = [(table, *p) for p in leaves(content["rows"][table])]
    path = paths[int(stream.u(2) * len(paths))]
    how = ("drop", "double", "nudge", "odd", "odd", "odd")[int(stream.u(3) * 6)]
    put(content, path, how, ODD[int(stream.u(4) * len(ODD))])
    return packed((content, files))


class Yard:
    """A yard with one job of its own, put back after every file that was taken in."""

    def __init__(self, folder: Path, demo: Path) -> None:
        self.folder, self.path = folder, folder / "yard.sqlite"
        home = Database(demo)
        shown = create_app(home, lambda: NOW, trusts=True).test_client()
        self.bundles = {job: opened(shown.get(f"/api/jobs/{job}/exchange.zip").data) for job in JOBS}
        own = Database(folder / "begun.sqlite")
        own.migrate()
        self.app: Flask = create_app(own, lambda: NOW, trusts=True)
        file = shown.get(f"/api/jobs/{NEIGHBOUR}/exchange.zip").data
        taken = self.app.test_client().post("/api/jobs/imports", data=file, headers=ACTOR)
        assert taken.status_code == 201, taken.get_json()
        own.close()
        home.close()
        self.fresh()

    def fresh(self) -> None:
        for end in ("", "-wal", "-shm"):
            Path(f"{self.path}{end}").unlink(missing_ok=True)
        shutil.copy(self.folder / "begun.sqlite", self.path)
        self.database = Database(self.path)
        self.app.extensions["bornek"] = wire_of(self.database, lambda: NOW)
        self.before = self.rows()

    def rows(self) -> dict[str, set[str]]:
        with self.database.reading() as session:
            return {
                name: {repr(tuple(r)) for r in session.execute(text(f"SELECT * FROM {name}"))}
                for name in Base.metadata.tables
                if name not in ("idempotency", "standing")
            }

    def take(self, job: str, file: bytes) -> str:
        """What became of a file: refused, taken in, or one of the three things that must not be."""
        client = self.app.test_client()
        answer = client.post("/api/jobs/imports", data=file, headers=ACTOR)
        if answer.status_code >= 500:
            return "crashed"
        if answer.status_code != 201:
            fine = answer.get_json().get("message") and self.rows() == self.before
            return "refused" if fine else "refused, yet something was written"
        after = self.rows()
        touched = any(self.before[name] - after[name] for name in after)
        drawer = client.get("/api/drawer").get_json()
        job_id = answer.get_json()["job_id"]
        views = ["/api/board", f"/api/jobs/{NEIGHBOUR}", *(f"/api/jobs/{job_id}{view}" for view in VIEWS)]
        settings = client.get(f"/api/jobs/{job_id}").get_json().get("settings", [])
        views += [f"/api/settings/{s['id']}" for s in settings]
        broken = [v for v in views if client.get(v).status_code not in (200, 422)]
        self.database.close()
        self.fresh()
        if touched or drawer != client.get("/api/drawer").get_json():
            return "touched"
        return f"broke {broken[0]}" if broken else "taken in"


def run(yard: Yard, cases: int, seed_: int = 1, say: bool = False) -> Counter[str]:
    counted: Counter[str] = Counter()
    for case in range(cases):
        job = JOBS[case % len(JOBS)]
        file = altered(yard.bundles[job], Stream(seed_, case))
        became = yard.take(job, file)
        if say and became not in ("refused", "taken in"):
            print(case, job, became, flush=True)
        counted[became] += 1
    return counted


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--cases", type=int, default=3000)
    parser.add_argument("--seed", type=int, default=1)
    args = parser.parse_args()
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        make_yard(folder / "home.sqlite", seed)
        counted = run(Yard(folder, folder / "home.sqlite"), args.cases, args.seed, say=True)
    print(f"\n{args.cases} altered files: " + ", ".join(f"{n} {what}" for what, n in counted.most_common()))


if __name__ == "__main__":
    main()
