"""Two who wrote on one setting: what each wrote, in words and in the job's own unit."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from bornek.core.advice.reconcile import ANSWERS
from bornek.core.errors import StaleVersion
from bornek.core.settings.kind import speech
from bornek.core.settings.watch import guide_of
from bornek.services.setting.load_setting import LoadedSetting
from bornek.services.setting.read_states import read_states
from bornek.services.setting.record import ACT_WORDS, act_lines, shown_reading

LOOK = "Look at what was written, then send yours again or let it go."


def check_version(loaded: LoadedSetting, seen: int, yours: Mapping[str, Any]) -> None:
    """Raises StaleVersion with both versions when something was written in between."""
    if seen != loaded.version:
        raise stale(loaded, seen, yours, "Somebody else wrote on this setting while you had it open.", LOOK)


def stale(
    loaded: LoadedSetting, seen: int, yours: Mapping[str, Any], message: str, next_step: str
) -> StaleVersion:
    """The refusal, with what was written since and what was about to be."""
    return StaleVersion(
        message,
        field="seen",
        next_step=next_step,
        details={
            "seen": seen,
            "version": loaded.version,
            "yours": _yours(loaded, yours),
            "theirs": [words for _, words in sorted(_theirs(loaded, seen))],
        },
    )


def _theirs(loaded: LoadedSetting, seen: int) -> list[tuple[int, str]]:
    """Everything written on the setting since, each with its number."""
    lines = [(act.seq, f"{act.by}: {act.words}") for act in act_lines(loaded)]
    for e in (e for e in loaded.ctx.entries if e.seq > seen):
        lines.append((e.seq, f"{e.by} read {_label(loaded, e.slot, e.round)}: {_reading(loaded, e.slot, e)}"))
    for x in loaded.log.explanations:
        lines.append(
            (x.seq, f"{loaded.names.get(x.mechanic_id, '')} said of round {x.round}: {_cause(x.cause)}")
        )
    given, signature = loaded.log.given, loaded.log.signature
    lines.append((given.seq, f"{loaded.names.get(given.mechanic_id, '')} changed what is given"))
    if signature is not None:
        lines.append((signature.seq, f"{loaded.names.get(signature.mechanic_id, '')} signed it"))
    return [line for line in lines if line[0] > seen]


def _yours(loaded: LoadedSetting, sent: Mapping[str, Any]) -> str:
    if "slot" in sent:
        typed = "struck" if sent.get("void") else str(sent.get("text") or sent.get("value") or "")
        return f"{_label(loaded, sent['slot'], loaded.log.round)}: {typed[:100]}"
    if "kind" in sent:
        return f"{ACT_WORDS.get(sent['kind'], sent['kind'])}: {_states(loaded, sent.get('states') or {})}"
    if "given" in sent:
        return "What is given: " + ", ".join(f"{k} {v}" for k, v in sent["given"].items())[:400]
    if "cause" in sent:
        return f"{_cause(sent['cause'])} {sent.get('words', '')}".strip()
    return f"Signed. {sent.get('remark', '')}".strip()


def _states(loaded: LoadedSetting, sent: Mapping[str, Any]) -> str:
    """As it would have been written; as it was sent, where it cannot be read."""
    say = speech(loaded.ctx)
    try:
        return "; ".join(state.words(say) for state in read_states(loaded, sent).values()) or "the same pack"
    except Exception:
        return str(dict(sent))[:200]


def _label(loaded: LoadedSetting, slot: str, number: int) -> str:
    slots = guide_of(loaded.kind, loaded.ctx.at(number)).slots
    return next((s.label for s in slots if s.key == slot), slot)


def _reading(loaded: LoadedSetting, slot: str, entry: Any) -> str:
    slots = {s.key: s for s in guide_of(loaded.kind, loaded.ctx.at(entry.round)).slots}
    return shown_reading(slots.get(slot), entry.raw, entry.as_typed, speech(loaded.ctx))


def _cause(key: str) -> str:
    return dict(ANSWERS).get(key, key)
