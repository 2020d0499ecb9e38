"""The rig's gauge takes a pull: what its needle does is looked at as any gauge's."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date
from typing import Any

import numpy as np
from sqlalchemy.orm import Session

from bornek.core.errors import InputError
from bornek.core.practice.rigs.bench_rig import PUSH_STEP_N, Pull
from bornek.core.settings.watch import guide_of
from bornek.core.trace.seen import look
from bornek.core.trace.taken import taken
from bornek.core.trace.trace import Trace
from bornek.devices.ears import Ears
from bornek.services.practice.handled import read_handled
from bornek.services.practice.rigs import Rigs

REST_S, RAMP_S, HELD_S, VALUES_A_S = 0.8, 0.5, 1.0, 25.0
PULL_FIRST = "Pull the bar first: with nothing pulled there is nothing to take."


@dataclass(frozen=True)
class TakenPull:
    """A reading ready to be sent as `taken`."""

    id: str
    slot: str
    text: str
    gauge: str


def take_pull_at(
    session: Session, rigs: Rigs, ears: Ears, key: str, sent: dict[str, Any], today: date
) -> dict[str, Any]:
    """sent: slot, pull (its number) and push [N]. Raises InputError where nothing is pulled, or nothing can be."""
    rig = rigs.bench(key)
    loaded, handled = read_handled(session, rigs, key, today)
    slot = next((s for s in guide_of(loaded.kind, loaded.ctx).slots if s.key == sent["slot"]), None)
    pull = rig.pull(slot, handled, sent["pull"]) if slot else None
    if slot is None or pull is None:
        raise InputError(
            "Nothing is pried at this station.",
            field="slot",
            next_step="Read what stands there, and type it.",
        )
    if not sent["push"]:
        raise InputError(PULL_FIRST, field="push", next_step="Pull it, then take it.")
    trace = trace_of(pull, sent["push"])
    found = look("pry", trace, pull.division / 2).takes
    one = found[0] if found else taken("pry", trace, 0.0, float(trace.v.min()), float(trace.v.max()))
    text = f"{round(one.value / (pull.division / 2)) * pull.division / 2:.4f}".rstrip("0").rstrip(".")
    take = f"rig.{uuid.uuid4().hex[:16]}"
    ears.hold(take, {"texts": {slot.key: text or "0"}, "figures": one.figures(trace)})
    gauge = next((g.id for g in loaded.ctx.gauges.values() if g.can_take(slot.quantity, slot.need)), "")
    return {"id": take, "slot": slot.key, "text": text or "0", "gauge": gauge}


def trace_of(pull: Pull, push: float) -> Trace:
    """What the needle does while the bar is pulled to a push, held and let go.

    >>> trace = trace_of(Pull(tuple(0.001 * i for i in range(33)), 0.01), 200)
    >>> float(trace.v.max()), float(trace.v[-1])
    (0.02, 0.0)
    """
    moments = (0.0, REST_S, REST_S + RAMP_S, REST_S + RAMP_S + HELD_S, REST_S + 2 * RAMP_S + HELD_S)
    t = np.arange(0.0, moments[-1] + REST_S, 1 / VALUES_A_S)
    pushed = np.interp(t, moments, (0.0, 0.0, push, push, 0.0))
    steps = PUSH_STEP_N * np.arange(len(pull.needle))
    return Trace(t, np.interp(pushed, steps, pull.needle))
