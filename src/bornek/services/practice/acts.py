"""What is done at a rig besides reading and moving: looking, asking for the advice; and how it ended."""

from __future__ import annotations

from datetime import date

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.practice.rigs.faults import LOOK_BY_KEY
from bornek.core.practice.rigs.handled import Handled
from bornek.services.practice.cloth import lift_cloth
from bornek.services.practice.handled import read_handled
from bornek.services.practice.rigs import Rigs
from bornek.services.practice.view import ASK, LOOK, score_at
from bornek.store.practice.book import Attempt, Event


def look_at(session: Session, rigs: Rigs, key: str, look: str, today: date) -> None:
    """Looks at one thing; what it finds is kept."""
    if look not in LOOK_BY_KEY:
        raise InputError(f"There is nothing to look at called {look[:40]!r}.", field="key")
    _, rig = rigs.attempt(key)
    loaded, handled = read_handled(session, rigs, key, today)
    _check_open(loaded.signed)
    _write(rigs, key, LOOK, look, handled, rig.look(LOOK_BY_KEY[look], handled))


def ask_advice(session: Session, rigs: Rigs, key: str, today: date) -> None:
    """The advice for this round, which costs one teardown; once a round."""
    loaded, handled = read_handled(session, rigs, key, today)
    _check_open(loaded.signed)
    if not any(e.what == ASK and e.assembly == handled.assembly for e in rigs.book.events(key)):
        _write(rigs, key, ASK, "", handled, "")


def keep_result(session: Session, rigs: Rigs, key: str, today: date) -> None:
    """How a rig ended, once it is signed: told from its truth."""
    attempt, rig = rigs.attempt(key)
    loaded, handled = read_handled(session, rigs, key, today)
    if not loaded.signed or attempt.result:
        return
    score = score_at(rigs, rig, key, handled)
    cloth = lift_cloth(rig, handled, loaded, score)
    with rigs.book.open() as book:
        row = book.get(Attempt, key)
        if row is not None:
            row.result, row.score, row.best = cloth.result, score.value, score.best


def _write(rigs: Rigs, key: str, what: str, about: str, handled: Handled, words: str) -> None:
    with rigs.book.open() as book:
        book.add(Event(attempt_id=key, what=what, key=about, assembly=handled.assembly, words=words))


def _check_open(signed: bool) -> None:
    if signed:
        raise InputError(
            "The cloth is lifted: this rig is done.",
            field="rig",
            next_step="Begin another, or this one again.",
        )
