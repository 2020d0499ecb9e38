"""What the page shows of a rig: its score, what was looked at, and what lies under the cloth once it is signed."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import NotFound
from bornek.core.plain import dump
from bornek.core.practice.rigs.faults import LOOK_BY_KEY, LOOKS
from bornek.core.practice.rigs.handled import Handled
from bornek.core.practice.rigs.learners import best_possible
from bornek.core.practice.rigs.rig import BENDS_N, MOST_PUSH_N, PUSH_STEP_N, SAME_PUSH_N, Blades, Pull, Rig
from bornek.core.practice.score import Score, score_of
from bornek.core.settings.watch import guide_of
from bornek.services.practice.cloth import Cloth, lift_cloth
from bornek.services.practice.handled import read_handled
from bornek.services.practice.rig_yard import job_id, setting_id
from bornek.services.practice.rigs import Rigs
from bornek.store.practice.book import Event

ASK, LOOK = "ask", "look"


@dataclass(frozen=True)
class RigLook:
    """`words`: what was found there last; empty where nobody looked."""

    key: str
    label: str
    opens: bool
    words: str


@dataclass(frozen=True)
class RigView:
    id: str
    number: int
    sort: str
    title: str
    job: str
    setting: str
    round: int
    asked: bool
    score: Score
    looks: list[RigLook]
    cloth: Cloth | None


@dataclass(frozen=True)
class DialView:
    """The needle at each push, step by step, from zero in `unit`; `turn` is what one turn of the dial is."""

    needle: list[float]
    division: float
    unit: str
    turn: float
    same_push: float
    bends: float
    most: float
    step: float


@dataclass(frozen=True)
class BladeView:
    """A feeler blade, and how it feels in the gap."""

    label: str
    feel: str


@dataclass(frozen=True)
class PrintView:
    """A flank as the paint shows it, as it is sent where it is taken."""

    flank: str
    mask: list[list[float]]


@dataclass(frozen=True)
class StationView:
    """What stands at a station: a dial with its lever, blades, or words."""

    slot: str
    dial: DialView | None
    blades: list[BladeView]
    paint: PrintView | None
    words: str


def view_rig(session: Session, rigs: Rigs, key: str, today: date) -> dict[str, Any]:
    attempt, rig = rigs.attempt(key)
    loaded, handled = read_handled(session, rigs, key, today)
    events = rigs.book.events(key)
    score = score_at(rigs, rig, key, handled)
    view: dict[str, Any] = dump(
        RigView(
            id=key,
            number=attempt.number,
            sort=attempt.sort,
            title=rig.title,
            job=job_id(key),
            setting=setting_id(key),
            round=loaded.ctx.round,
            asked=any(e.what == ASK and e.assembly == loaded.ctx.round for e in events),
            score=score,
            looks=[_look(look.key, events) for look in LOOKS],
            cloth=lift_cloth(rig, handled, loaded, score) if loaded.signed else None,
        )
    )
    return view


def view_station(
    session: Session, rigs: Rigs, key: str, slot_key: str, repeat: int, today: date
) -> dict[str, Any]:
    """What one meets at a station: the dial's needle for this pull, or what is seen there."""
    _, rig = rigs.attempt(key)
    loaded, handled = read_handled(session, rigs, key, today)
    slot = next((s for s in guide_of(loaded.kind, loaded.ctx).slots if s.key == slot_key), None)
    if slot is None:
        raise NotFound(
            "There is no such station in this round.", field="slot", next_step="Look at the stations again."
        )
    pull = rig.pull(slot, handled, repeat)
    blades = rig.blades(slot, handled, repeat)
    shown = rig.painted(slot, handled)
    paint = PrintView(shown.flank, [list(row) for row in shown.mask]) if shown else None
    told = rig.told(slot, handled) if pull is None and blades is None and shown is None else None
    view: dict[str, Any] = dump(
        StationView(slot_key, _dial(pull), _blades(blades), paint, told.words if told else "")
    )
    return view


def asked_rounds(rigs: Rigs, key: str) -> frozenset[int]:
    """The rounds in which the advice was asked for."""
    return frozenset(e.assembly for e in rigs.book.events(key) if e.what == ASK)


def score_at(rigs: Rigs, rig: Rig, key: str, handled: Handled) -> Score:
    """What a rig cost so far."""
    events = rigs.book.events(key)
    return score_of(handled.teardowns, _count(events, ASK), _count(events, LOOK), best_possible(rig))


def _count(events: list[Event], what: str) -> int:
    return sum(e.what == what for e in events)


def _look(key: str, events: list[Event]) -> RigLook:
    look = LOOK_BY_KEY[key]
    words = next((e.words for e in reversed(events) if e.what == LOOK and e.key == key), "")
    return RigLook(key, look.label, look.opens, words)


def _blades(blades: Blades | None) -> list[BladeView]:
    if blades is None:
        return []
    goes, _ = blades.between()
    return [BladeView(f"{s:.3f}", "goes" if s < goes else "goes, and drags" if s == goes else "does not go")
            for s in blades.sizes]  # fmt: skip


def _dial(pull: Pull | None) -> DialView | None:
    if pull is None:
        return None
    return DialView(
        needle=list(pull.needle), division=pull.division, unit=pull.unit, turn=round(100 * pull.division, 6),
        same_push=SAME_PUSH_N, bends=BENDS_N, most=MOST_PUSH_N, step=PUSH_STEP_N,
    )  # fmt: skip
