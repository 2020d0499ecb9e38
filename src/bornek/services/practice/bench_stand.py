"""Where a rig stands that is one setting."""

from __future__ import annotations

from datetime import date

from sqlalchemy.orm import Session

from bornek.core.practice.rigs.bench_rig import BenchRig
from bornek.core.practice.rigs.faults import LOOK_BY_KEY, LOOKS
from bornek.core.practice.rigs.learners import best_possible
from bornek.services.practice.bench_cloth import lift_bench
from bornek.services.practice.handled import read_handled
from bornek.services.practice.rig_yard import setting_id
from bornek.services.practice.rigs import Rigs
from bornek.services.practice.stand import LookPoint, Stand

POINTS = tuple(LookPoint(look.key, look.label, look.opens) for look in LOOKS)


def stand_at_bench(session: Session, rigs: Rigs, key: str, rig: BenchRig, today: date) -> Stand:
    loaded, handled = read_handled(session, rigs, key, today)
    return Stand(
        number=handled.assembly,
        closed=loaded.signed,
        teardowns=handled.teardowns,
        tenths=0,
        best=best_possible(rig),
        setting=setting_id(key),
        looks=POINTS,
        see=lambda look: rig.look(LOOK_BY_KEY[look], handled),
        lift=lambda score: lift_bench(rig, handled, loaded, score),
    )
