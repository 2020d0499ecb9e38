"""What was done at a rig, read from its own yard and from the book of practice."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date

from sqlalchemy.orm import Session

from bornek.core.practice.rigs.handled import Handled
from bornek.core.settings.state import State
from bornek.services.practice.rig_yard import setting_id
from bornek.services.practice.rigs import Rigs
from bornek.services.setting.load_setting import LoadedSetting, load_setting


def read_handled(session: Session, rigs: Rigs, attempt: str, today: date) -> tuple[LoadedSetting, Handled]:
    """Every assembly with what was written down of it, and every look."""
    loaded = load_setting(session, setting_id(attempt), today)
    states: list[Mapping[str, State]] = []
    last: Mapping[str, State] = {}
    for number in range(1, loaded.ctx.round + 1):
        for act in loaded.ctx.acts:
            if act.round == number and act.states:
                last = act.states
        states.append(last)
    looks = tuple((e.key, e.assembly) for e in rigs.book.events(attempt) if e.what == "look")
    return loaded, Handled(tuple(states), looks)
