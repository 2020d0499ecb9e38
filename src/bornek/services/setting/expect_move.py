"""What to expect of a state that the mechanic chooses instead of the proposed one."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core import draw
from bornek.core.advice.propose import Proposal, expect
from bornek.core.advice.replay import replay
from bornek.core.compute import read_state
from bornek.core.errors import InputError
from bornek.core.next_move import Option, describe_option
from bornek.core.plain import dump
from bornek.core.quantities import Speech
from bornek.core.scenes import Scene
from bornek.services.setting.load_setting import open_bench


@dataclass(frozen=True)
class Expectation:
    """A state of the mechanic's own choice, with the drawings that show where it would land."""

    option: Option
    scenes: list[Scene]


def expect_move(session: Session, setting_id: str, state: Any, today: date) -> dict[str, Any]:
    bench = open_bench(session, setting_id, today)
    history = replay(bench.kind, bench.ctx)
    if history is None or history.last.state is None:
        raise InputError(
            "Nothing can be expected before the adjuster's state is entered.",
            field="state",
            next_step="Enter what is in now first.",
        )
    chosen = read_state(state, "state", bench.ctx.unit)
    if isinstance(chosen, tuple) != isinstance(history.last.state, tuple):
        raise InputError(
            "The state is of another sort than this adjuster's.",
            field="state",
            next_step="Give a list of shims for a pack, a number for a spacer.",
        )
    say = Speech(bench.ctx.unit)
    candidate = expect(history, chosen)
    target = bench.kind.evaluate(bench.ctx).target()
    trial = Proposal(candidate)
    scenes: list[Scene] = []
    if target is not None and target.quantity == "length":
        scenes.append(draw.strip(target, history, trial, say))
    pack = draw.pack(history, trial, dict(bench.ctx.stock), say)
    shown: dict[str, Any] = dump(
        Expectation(describe_option(history, candidate, say, None), [*scenes, *([pack] if pack else [])])
    )
    return shown
