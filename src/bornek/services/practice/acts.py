"""What is done at a rig besides reading and moving: looking, asking for the advice, lifting the cloth; and how it
ended."""

from __future__ import annotations

from datetime import date

from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.practice.rigs.cause import CauseRig
from bornek.services.practice.cause_stand import named_in
from bornek.services.practice.rig_yard import job_id
from bornek.services.practice.rigs import ASK, LIFTED, LOOK, Rigs
from bornek.services.practice.standing import score_at, stand_at
from bornek.services.strip.facts_of import facts_of
from bornek.store.practice.book import Attempt, Event


def look_at(session: Session, rigs: Rigs, key: str, look: str, today: date) -> None:
    """Looks at one thing; what it finds is kept."""
    stand = stand_at(session, rigs, key, today)
    if look not in {p.key for p in stand.looks}:
        raise InputError(f"There is nothing to look at called {look[:40]!r}.", field="key")
    _check_open(stand.closed)
    _write(rigs, key, LOOK, look, stand.number, stand.see(look))


def ask_advice(session: Session, rigs: Rigs, key: str, today: date) -> None:
    """The advice for how it stands now, which costs one teardown; once for each state."""
    stand = stand_at(session, rigs, key, today)
    _check_open(stand.closed)
    if not any(e.what == ASK and e.assembly == stand.number for e in rigs.book.events(key)):
        _write(rigs, key, ASK, "", stand.number, "")


def lift_at(session: Session, rigs: Rigs, key: str, today: date) -> None:
    """The cloth of a rig that is a job; that of a setting is lifted when it is signed."""
    _, rig = rigs.attempt(key)
    stand = stand_at(session, rigs, key, today)
    _check_open(stand.closed)
    if stand.setting:
        raise InputError("Sign the setting: that lifts the cloth.", field="rig")
    if isinstance(rig, CauseRig) and not named_in(facts_of(session, job_id(key))):
        raise InputError(
            "No cause is named yet.", field="cause", next_step="Name the one that you go by, then lift it."
        )
    _write(rigs, key, LIFTED, "", stand.number, "")


def keep_result(session: Session, rigs: Rigs, key: str, today: date) -> None:
    """How a rig ended, once its cloth is lifted: told from its truth."""
    attempt, _ = rigs.attempt(key)
    stand = stand_at(session, rigs, key, today)
    if not stand.closed or attempt.result:
        return
    score = score_at(rigs, key, stand)
    cloth = stand.lift(score)
    with rigs.book.open() as book:
        row = book.get(Attempt, key)
        if row is not None:
            row.result, row.score, row.best = cloth.result, score.value, score.best


def _write(rigs: Rigs, key: str, what: str, about: str, number: int, words: str) -> None:
    with rigs.book.open() as book:
        book.add(Event(attempt_id=key, what=what, key=about, assembly=number, words=words))


def _check_open(signed: bool) -> None:
    if signed:
        raise InputError(
            "The cloth is lifted: this rig is done.",
            field="rig",
            next_step="Begin another, or this one again.",
        )
