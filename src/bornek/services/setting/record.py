"""One setting on the record: as found, every reading and move, as left."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.draw import value_label
from bornek.core.phrases import adjust, lower_first, text_of
from bornek.core.quantities import Speech
from bornek.core.raw import typed_words
from bornek.core.settings.kind import Slot, speech
from bornek.core.settings.records import EXCHANGED, TAKEN_APART, Act, Raw
from bornek.core.settings.state import State
from bornek.core.settings.watch import guide_of
from bornek.core.sheet import Sheet
from bornek.core.trace.taken import figure_words
from bornek.services.setting.frozen import frozen_sheet, left_words
from bornek.services.setting.load_setting import LoadedSetting
from bornek.services.setting.log_records import unpack_raw
from bornek.services.setting.view import SignatureView, view_signature
from bornek.store import tables as t
from bornek.store.queries.setting_log import all_entries

ACT_WORDS = {
    "as_found": "As found",
    "move": "Move",
    "reseat": "Re-seated",
    "recount": "Recounted",
    EXCHANGED: "Another part",
    TAKEN_APART: "Taken apart",
}
NOT_HELD = "not held by this signature"


@dataclass(frozen=True)
class RecordEntry:
    seq: int
    round: int
    slot: str
    label: str
    as_typed: str
    shown: str
    gauge: str
    by: str
    at: str
    fate: str
    taken: str


@dataclass(frozen=True)
class RecordAct:
    seq: int
    round: int
    kind: str
    words: str
    remark: str
    by: str
    at: str


@dataclass(frozen=True)
class RecordSetting:
    """`sheet` is the signed snapshot where it is signed and untouched since, else as it stands."""

    id: str
    label: str
    place: str
    as_found: str
    as_left: str
    sheet: Sheet
    entries: list[RecordEntry]
    acts: list[RecordAct]
    explanations: list[str]
    signature: SignatureView | None
    sha256: str


def record_setting(session: Session, loaded: LoadedSetting) -> RecordSetting:
    """From the signature's snapshot alone, where there is one that nothing was written after."""
    signature = loaded.log.signature
    if signature is None or not loaded.signed:
        return record_now(session, loaded)
    held: Any = signature.snapshot
    sheet: Any = frozen_sheet(held)
    blank = record_head(session, loaded, sheet, as_found=NOT_HELD, as_left=left_words(sheet))
    if "entries" not in held:
        stored = all_entries(session, loaded.log.setting.id)
        return replace(blank, entries=_entries(loaded, stored, {}), acts=act_lines(loaded))
    return replace(
        blank,
        label=held["label"],
        place=held["place"],
        as_found=held["as_found"],
        as_left=held["as_left"],
        entries=[RecordEntry(**row) for row in held["entries"]],
        acts=[RecordAct(**row) for row in held["acts"]],
        explanations=list(held["explanations"]),
    )


def record_now(session: Session, loaded: LoadedSetting) -> RecordSetting:
    """As it stands: what the present kind makes of the log."""
    say, reckoning = speech(loaded.ctx), loaded.reckoning
    first, last = reckoning.outcome(1).target(), reckoning.now.target()
    found = [loaded.kind.state(loaded.ctx, k.key, 1) for k in reckoning.knobs]
    left = [loaded.kind.state(loaded.ctx, k.key) for k in reckoning.knobs]
    sheet: Any = loaded.judged.dumped
    head = record_head(
        session,
        loaded,
        sheet,
        as_found=_in_words(value_label(first.value if first else None, say), found, say),
        as_left=_in_words(value_label(last.value if last else None, say), left, say),
    )
    labels = {
        s.key: s
        for n in range(1, loaded.log.round + 1)
        for s in guide_of(loaded.kind, loaded.ctx.at(n)).slots
    }
    entries = _entries(loaded, all_entries(session, loaded.log.setting.id), labels)
    return replace(head, entries=entries, acts=act_lines(loaded))


def record_head(
    session: Session, loaded: LoadedSetting, sheet: Any, as_found: str, as_left: str
) -> RecordSetting:
    log = loaded.log
    return RecordSetting(
        id=log.setting.id,
        label=log.setting.label,
        place=log.place.label,
        as_found=as_found,
        as_left=as_left,
        sheet=sheet,
        entries=[],
        acts=[],
        explanations=[f"Round {x.round}: {x.cause}. {x.words}".strip() for x in log.explanations],
        signature=view_signature(session, loaded),
        sha256=log.signature.sha256 if log.signature else "",
    )


def _in_words(value: str, states: Sequence[State | None], say: Speech) -> str:
    return "; ".join([value, *(s.words(say) for s in states if s is not None)])


def _entries(
    loaded: LoadedSetting, entries: Sequence[t.Entry], labels: Mapping[str, Slot]
) -> list[RecordEntry]:
    log, say = loaded.log, speech(loaded.ctx)
    numbers = {r.id: r.number for r in log.rounds}
    corrected = {e.supersedes: ("struck" if e.void else "corrected") for e in entries if e.supersedes}
    rows = []
    for e in entries:
        slot = labels.get(e.slot)
        gauge = loaded.ctx.gauges.get(e.gauge_card_id or "") or loaded.ctx.gauges.get(e.gauge_id or "")
        rows.append(
            RecordEntry(
                seq=e.seq,
                round=numbers[e.round_id],
                slot=e.slot,
                label=slot.label if slot else e.slot,
                as_typed=typed_words(unpack_raw(e.raw), e.as_typed),
                shown=shown_reading(slot, unpack_raw(e.raw), e.as_typed, say),
                gauge=gauge.name if gauge else "",
                by=loaded.names.get(e.mechanic_id, ""),
                at=e.at.isoformat(),
                fate="strike" if e.void else corrected.get(e.id, "stands"),
                taken=figure_words(e.trace),
            )
        )
    return rows


def shown_reading(slot: Slot | None, raw: Raw, as_typed: str, say: Speech) -> str:
    """A length in the job's unit, whatever it was typed in; anything else as it was typed."""
    number = getattr(raw, "value", None)
    is_length = slot is not None and slot.quantity == "length"
    return say.number(number) if number is not None and is_length else typed_words(raw, as_typed)


def act_lines(loaded: LoadedSetting) -> list[RecordAct]:
    """Every act in words: each adjuster's change against what was in before it."""
    stored = {a.id: a for a in loaded.log.acts}
    before: dict[str, State] = {}
    rows = []
    for act in loaded.ctx.acts:
        row = stored[act.id]
        rows.append(
            RecordAct(
                seq=act.seq,
                round=act.round,
                kind=act.act_kind,
                words=f"{ACT_WORDS.get(act.act_kind, act.act_kind)}: {act.why or _act_words(loaded, act, before)}",
                remark="" if act.why else row.remark,
                by=act.by,
                at=row.at.isoformat(),
            )
        )
        before.update(act.states)
    return rows


def _act_words(loaded: LoadedSetting, act: Act, before: Mapping[str, State]) -> str:
    say = speech(loaded.ctx)
    knobs = {k.key: k for k in loaded.reckoning.knobs}
    words = []
    for key, after in act.states.items():
        was = before.get(key)
        name = (
            f"{(knobs[key].title or knobs[key].label).lower()}: " if len(knobs) > 1 and key in knobs else ""
        )
        if was is None or key not in knobs:
            words.append(f"{name}{after.words(say)}{'.' if name else ''}")
        elif was != after or act.act_kind == "reseat":
            said = text_of(adjust(knobs[key], was, after, say)).strip()
            words.append(name + (lower_first(said) if name else said))
    return " ".join(words)
