"""What the page shows of a rig: its score, what was looked at, and what lies under the cloth once it is signed."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.errors import NotFound
from bornek.core.plain import dump
from bornek.core.practice.rigs.bench_rig import BENDS_N, MOST_PUSH_N, PUSH_STEP_N, SAME_PUSH_N, Blades, Pull
from bornek.core.practice.score import Score
from bornek.core.settings.watch import guide_of
from bornek.services.practice.cloth import Cloth
from bornek.services.practice.handled import read_handled
from bornek.services.practice.rig_yard import job_id, path_of
from bornek.services.practice.rigs import ASK, LOOK, Rigs
from bornek.services.practice.stand import LookPoint
from bornek.services.practice.standing import score_at, stand_at
from bornek.store.practice.book import Event


@dataclass(frozen=True)
class RigLook:
    """`words`: what was found there last; empty where nobody looked. `signs`: evidence that may be met there."""

    key: str
    label: str
    opens: bool
    words: str
    signs: list[str]


@dataclass(frozen=True)
class RigView:
    """`page`: the stage at whose page it is worked, found at `path`. `setting`: empty where the rig is a job."""

    id: str
    number: int
    sort: str
    title: str
    page: str
    path: str
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
    stand = stand_at(session, rigs, key, today)
    events = rigs.book.events(key)
    score = score_at(rigs, key, stand)
    view: dict[str, Any] = dump(
        RigView(
            id=key,
            number=attempt.number,
            sort=attempt.sort,
            title=rig.title,
            page=rig.page,
            path=path_of(key, rig),
            job=job_id(key),
            setting=stand.setting,
            round=stand.number,
            asked=any(e.what == ASK and e.assembly == stand.number for e in events),
            score=score,
            looks=[_look(point, events) for point in stand.looks],
            cloth=stand.lift(score) if stand.closed else None,
        )
    )
    return view


def view_station(
    session: Session, rigs: Rigs, key: str, slot_key: str, repeat: int, today: date
) -> dict[str, Any]:
    """What one meets at a station: the dial's needle for this pull, or what is seen there."""
    rig = rigs.bench(key)
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


def _look(point: LookPoint, events: list[Event]) -> RigLook:
    words = next((e.words for e in reversed(events) if e.what == LOOK and e.key == point.key), "")
    return RigLook(point.key, point.label, point.opens, words, list(point.signs))


def _blades(blades: Blades | None) -> list[BladeView]:
    if blades is None:
        return []
    goes, _ = blades.between()
    return [
        BladeView(f"{s:.3f}", "goes" if s < goes else "goes, and drags" if s == goes else "does not go")
        for s in blades.sizes
    ]


def _dial(pull: Pull | None) -> DialView | None:
    if pull is None:
        return None
    return DialView(
        needle=list(pull.needle),
        division=pull.division,
        unit=pull.unit,
        turn=round(100 * pull.division, 6),
        same_push=SAME_PUSH_N,
        bends=BENDS_N,
        most=MOST_PUSH_N,
        step=PUSH_STEP_N,
    )
