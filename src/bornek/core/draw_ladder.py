"""Every position that an adjuster can be locked in, drawn under the strip."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from bornek.core.advice.history import History
from bornek.core.advice.proposal import Proposal
from bornek.core.quantities import Speech
from bornek.core.scenes import Ladder, Readout, Rung
from bornek.core.settings.state import Position
from bornek.core.windows import Normal

NEAR_DEG = 0.05


def on_strip(scene: Ladder, strip: Readout | None) -> Ladder:
    """The ladder on the scale of the strip above it, as far as that reaches."""
    if strip is None or any(r.value is None for r in scene.rungs):
        return scene
    reached = tuple(r for r in scene.rungs if r.value is not None and strip.lo <= r.value <= strip.hi)
    return replace(scene, rungs=reached, lo=strip.lo, hi=strip.hi)


def ladder(history: History, proposal: Proposal | None, say: Speech, title: str) -> Ladder | None:
    """Every position that can be locked, with what this unit is expected to read there; None where the adjuster
    has none, or nothing was measured yet. The sentence names one of these, in the same digits."""
    knob, row = history.knob, history.row
    if knob.domain.type != "lattice" or history.last.states is None or len(history.rows) > 1:
        return None
    if not any(isinstance(r.found, Normal) for r in history.standing):
        return None
    best = proposal.best if proposal is not None and not proposal.stay else None
    moving = best.states[knob.key] if best is not None else None
    rungs = []
    for n in range(knob.domain.n):
        position = Position(knob.domain.offset + n * knob.domain.step, knob.unit, knob.domain.step)
        v, _ = row.expect(history.travels({knob.key: position}))
        state: Literal["free", "wanted", "now", "move"] = "wanted" if row.window.holds(v) else "free"
        if abs(position.at - history.last.states[knob.key].position) < NEAR_DEG:
            state = "now"
        elif moving is not None and abs(position.at - moving.position) < NEAR_DEG:
            state = "move"
        label = f"{position.label(say)} = {say.number(v)}"
        rungs.append(Rung(position.at, label, state, v, position.label(say)))
    return Ladder(title, tuple(rungs))
