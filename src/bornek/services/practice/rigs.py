"""The rigs that were begun: the book of practice, and each rig's own database beside it."""

from __future__ import annotations

import shutil
import uuid
from collections import OrderedDict
from collections.abc import Callable
from datetime import datetime
from pathlib import Path
from threading import Lock

from bornek.core.errors import NotFound
from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.rig import Rig
from bornek.core.practice.rigs.rows import BENCH_SORTS, make_bench, make_rig
from bornek.services.practice.rig_yard import fill_rig_yard
from bornek.store.database import Database
from bornek.store.empty_yard import lay_empty
from bornek.store.practice.book import Attempt, PracticeBook
from bornek.store.yard_file import open_yard

OPEN_AT_ONCE = 12
ASK, LOOK, LIFTED = "ask", "look", "lifted"
"""What the book keeps of a rig besides readings and moves."""


class Rigs:
    """All lies in one folder beside the yard's file, and none of it in the yard."""

    def __init__(self, folder: Path, clock: Callable[[], datetime]) -> None:
        self.folder, self._clock = folder, clock
        self.book = PracticeBook(folder / "practice.sqlite")
        self._open: OrderedDict[str, Database] = OrderedDict()
        self._lock = Lock()

    def begin(self, sort: str, number: int, learner: str, name: str) -> str:
        """A fresh rig for a learner; its id."""
        rig = make_rig(sort, number)
        key = uuid.uuid4().hex
        now = self._clock()
        with self._lock:
            database = self._held(key, lay_empty(self._file(key)))
        with database.writing() as session:
            fill_rig_yard(session, rig, key, name, now)
        with self.book.open() as book:
            book.add(Attempt(id=key, learner=learner, sort=sort, number=number, at=now))
        return key

    def attempt(self, key: str) -> tuple[Attempt, Rig]:
        """NotFound where there is no such rig, or it was wiped."""
        found = self.book.attempt(key)
        if found is None:
            raise NotFound("There is no such rig.", field="rig", next_step="Begin one under Practice.")
        return found, make_rig(found.sort, found.number)

    def is_lifted(self, key: str) -> bool:
        """Whether the cloth of a rig that is a job was lifted."""
        return any(e.what == LIFTED for e in self.book.events(key))

    def bench(self, key: str) -> BenchRig:
        """One that is a setting; NotFound for another."""
        attempt, _ = self.attempt(key)
        if attempt.sort not in BENCH_SORTS:
            raise NotFound("There are no stations at this rig.", field="rig")
        return make_bench(attempt.sort, attempt.number)

    def database(self, key: str) -> Database:
        """The rig's own yard, open."""
        self.attempt(key)
        with self._lock:
            return self._held(key, self._open.get(key) or open_yard(self._file(key)))

    def _held(self, key: str, database: Database) -> Database:
        """The last that were used stay open."""
        self._open[key] = database
        self._open.move_to_end(key)
        while len(self._open) > OPEN_AT_ONCE:
            self._open.popitem(last=False)[1].close()
        return database

    def wipe(self, learner: str) -> None:
        """Everything that a learner did is gone."""
        for key in self.book.forget(learner):
            with self._lock:
                held = self._open.pop(key, None)
            if held:
                held.close()
            for path in self.folder.glob(f"rig-{key}*"):
                shutil.rmtree(path) if path.is_dir() else path.unlink(missing_ok=True)

    def close(self) -> None:
        for database in self._open.values():
            database.close()
        self._open.clear()
        self.book.close()

    def _file(self, key: str) -> Path:
        return self.folder / f"rig-{key}.sqlite"


def practice_folder(yard: Path) -> Path:
    """Beside the yard's file."""
    return yard.with_suffix(".practice")
