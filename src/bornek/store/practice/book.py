"""The book of practice: attempts at rigs and what was done at them. It holds nothing of the yard, and no names."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from pathlib import Path

from sqlalchemy import ForeignKey, String, delete, select
from sqlalchemy.orm import DeclarativeBase, Mapped, Session, mapped_column

from bornek.store.base import UtcTime
from bornek.store.engine import engine_of


class PracticeBase(DeclarativeBase):
    type_annotation_map = {datetime: UtcTime, str: String}


class Attempt(PracticeBase):
    """One rig that somebody began. `learner` is a code that only the learner's own browser knows."""

    __tablename__ = "attempt"
    id: Mapped[str] = mapped_column(primary_key=True)
    learner: Mapped[str] = mapped_column(index=True)
    sort: Mapped[str]
    number: Mapped[int]
    at: Mapped[datetime]
    result: Mapped[str] = mapped_column(default="")
    """How it ended, once it was signed: in, more, out."""
    score: Mapped[float] = mapped_column(default=0.0)
    best: Mapped[float] = mapped_column(default=0.0)


class Event(PracticeBase):
    """Something done at a rig that is no reading and no move: a look, or advice that was asked for."""

    __tablename__ = "event"
    id: Mapped[int] = mapped_column(primary_key=True)
    attempt_id: Mapped[str] = mapped_column(ForeignKey("attempt.id"), index=True)
    what: Mapped[str]
    key: Mapped[str]
    assembly: Mapped[int]
    words: Mapped[str]


class PracticeBook:
    """Made when somebody first practises."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._engine = engine_of(path)

    @contextmanager
    def open(self) -> Iterator[Session]:
        """One transaction."""
        if not self._path.exists():
            self._path.parent.mkdir(parents=True, exist_ok=True)
            PracticeBase.metadata.create_all(self._engine)
        with Session(self._engine, expire_on_commit=False) as session, session.begin():
            yield session

    def attempts(self, learner: str) -> list[Attempt]:
        """In the order in which they were begun."""
        if not self._path.exists():
            return []
        with self.open() as session:
            return list(
                session.scalars(select(Attempt).where(Attempt.learner == learner).order_by(Attempt.at))
            )

    def attempt(self, key: str) -> Attempt | None:
        if not self._path.exists():
            return None
        with self.open() as session:
            return session.get(Attempt, key)

    def events(self, key: str) -> list[Event]:
        with self.open() as session:
            return list(session.scalars(select(Event).where(Event.attempt_id == key).order_by(Event.id)))

    def forget(self, learner: str) -> list[str]:
        """Wipes all that a learner did; the ids of the attempts that are gone."""
        if not self._path.exists():
            return []
        with self.open() as session:
            gone = list(session.scalars(select(Attempt.id).where(Attempt.learner == learner)))
            session.execute(delete(Event).where(Event.attempt_id.in_(gone)))
            session.execute(delete(Attempt).where(Attempt.id.in_(gone)))
            return gone

    def close(self) -> None:
        self._engine.dispose()
