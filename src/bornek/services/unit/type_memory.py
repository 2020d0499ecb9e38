"""What other jobs of the type showed at a setting, from their signatures; asked for before the first reading."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.advice.packs import change
from bornek.core.advice.reconcile import ANSWERS
from bornek.core.life.memory_lines import MemoryLine, Remembered, memory_lines
from bornek.core.life.say_life import numbers
from bornek.core.settings.state import State, stored_state
from bornek.services.setting.load_setting import LoadedSetting
from bornek.services.unit.measured import MOVES, read_value, read_window
from bornek.store import tables as t
from bornek.store.queries.history import explanations_of, moved_knobs
from bornek.store.queries.jobs import signed_like


def type_memory(session: Session, loaded: LoadedSetting) -> list[MemoryLine]:
    """Empty once something was read here: then the setting speaks for itself."""
    if loaded.ctx.entries or loaded.log.signature is not None:
        return []
    signed = signed_like(session, loaded.log.setting, loaded.log.unit.unit_type_id)
    jobs = [_remembered(session, signature, unit) for signature, unit in signed]
    target = loaded.reckoning.now.target()
    say = numbers(target.quantity if target else "length", loaded.log.job.length_unit)
    return memory_lines([j for j in jobs if j is not None], say)


def _remembered(session: Session, signature: t.Signature, unit: t.Unit) -> Remembered | None:
    held: Mapping[str, Any] = signature.snapshot
    results = held.get("sheet", {}).get("outcome", {}).get("results", ())
    target = next((r for r in results if r["role"] == "target"), None)
    if target is None:
        return None
    words = dict(ANSWERS)
    put_in = [
        nm
        for before, after in moved_knobs(session, signature.setting_id, MOVES)
        for nm in _plates_in(stored_state(before), stored_state(after))
    ]
    return Remembered(
        job=signature.setting_id.partition(".")[0],
        tag=unit.tag,
        found=read_value(held.get("found", {}).get(target["key"])),
        window=read_window(target["window"]),
        moves=sum(a["kind"] in MOVES for a in held.get("acts", ())),
        put_in=tuple(put_in),
        slips=tuple(words.get(x.cause, x.cause) for x in explanations_of(session, signature.setting_id)),
    )


def _plates_in(before: State | None, after: State | None) -> list[int]:
    """Plates that a move put in."""
    if before is None or after is None:
        return []
    pairs = zip(before.packs, after.packs, strict=False)
    return [nm for was, will in pairs for nm in change(was, will)[1]]
