"""What was sent for a setting's adjusters, read by what each of them is."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.errors import InputError
from bornek.core.raw import read_knob
from bornek.core.settings.state import State
from bornek.services.setting.load_setting import LoadedSetting


def read_states(loaded: LoadedSetting, sent: Mapping[str, Any]) -> dict[str, State]:
    """By adjuster. Raises InputError for one that is not there, or a state of another sort."""
    knobs = {k.key: k for k in loaded.reckoning.knobs}
    unknown = set(sent) - set(knobs)
    if unknown:
        raise InputError(
            f"There is no adjuster {sorted(unknown)[0]!r} here.",
            field="states",
            next_step="Adjusters: " + ", ".join(knobs) + ".",
        )
    return {key: read_knob(knobs[key], raw, loaded.ctx.unit) for key, raw in sent.items()}
