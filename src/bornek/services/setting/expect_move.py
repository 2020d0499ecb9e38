"""What to expect of states that the mechanic chooses instead of the proposed ones."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core import draw
from bornek.core.advice.promise import expect
from bornek.core.advice.proposal import Proposal
from bornek.core.draw_packs import packs
from bornek.core.errors import InputError
from bornek.core.options import Option, describe_option
from bornek.core.plain import dump
from bornek.core.scenes import Flank, Scene
from bornek.core.settings.kind import speech
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.read_states import read_states
from bornek.services.setting.veiled import expectation_shown


@dataclass(frozen=True)
class Expectation:
    """States of the mechanic's own choice, with the drawings that show where they would land."""

    option: Option
    scenes: list[Scene]


def expect_move(session: Session, setting_id: str, sent: dict[str, Any], today: date) -> dict[str, Any]:
    """sent: states by adjuster; what is left out stays as it is."""
    loaded = load_setting(session, setting_id, today)
    history = loaded.reckoning.history
    if history is None or history.last.states is None:
        raise InputError(
            "Nothing can be expected before the adjuster's state is entered.",
            field="states",
            next_step="Enter what is in now first.",
        )
    chosen = {**history.last.states, **read_states(loaded, sent["states"])}
    say = speech(loaded.ctx)
    candidate = expect(history, chosen)
    trial, scenes = Proposal(candidate), list[Scene]()
    for row in history.rows:
        result = history.last.outcome.result(row.key)
        if result is not None and row.quantity == "length":
            scenes.append(draw.readout(result, history, trial, say))
        elif result is not None:
            scenes.append(draw.plain_readout(result, history, trial))
    drawers = {k.key: loaded.ctx.drawer(k.places[0]) for k in history.knobs}
    scenes += packs(history, trial, drawers, say)
    by = history.steps(chosen)
    scenes += [
        loaded.kind.after_move(loaded.ctx, scene, candidate.predicted, by)
        for scene in loaded.reckoning.now.scenes
        if isinstance(scene, Flank)
    ]
    shown: dict[str, Any] = dump(Expectation(describe_option(history, candidate, say, None), scenes))
    return expectation_shown(session, shown, loaded.ctx.round)
