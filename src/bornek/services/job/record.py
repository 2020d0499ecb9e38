"""The record of a job: as found, every round, as left, working, who and when."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.first_draft import DraftStep, first_draft
from bornek.core.draw import value_label
from bornek.core.parts.causes import evidence_shown
from bornek.core.phrases import adjust, text_of
from bornek.core.plain import dump
from bornek.core.quantities import Speech, from_nm
from bornek.core.scenes import Flank
from bornek.core.settings.records import State
from bornek.core.sheet import Sheet
from bornek.core.strip.baselines import baselines
from bornek.core.strip.facts import LockedOut, Removed, Wrong
from bornek.core.strip.ledger import ledger
from bornek.core.strip.removal import doomed, find_way, standings
from bornek.core.units.definition import Definition
from bornek.services.inspect.inspection_lines import inspection_lines
from bornek.services.job.job_definition import definition_of
from bornek.services.job.view import JobView, job_view
from bornek.services.setting.load_setting import Bench, open_bench, unpack_raw, unpack_state
from bornek.services.setting.view import SignatureView, view_signature
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.lines import FoundLine
from bornek.services.strip.photos_of import photos_view
from bornek.services.strip.view import flanks_of, read_as_found
from bornek.store import tables as t
from bornek.store.queries.jobs import job_with_unit, settings_of
from bornek.store.queries.setting_log import all_entries


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
    """`sheet` is the signed snapshot where there is one, else the present state."""

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


@dataclass(frozen=True)
class RecordView:
    job: JobView
    opened_at: str
    settings: list[RecordSetting]
    strip: list[FoundLine]
    inspection: list[FoundLine]
    flanks: list[Flank]
    draft: list[DraftStep]
    photos: list[str]


ACT_WORDS = {"as_found": "As found", "move": "Move", "reseat": "Re-seated", "recount": "Recounted"}


def view_record(session: Session, job_id: str, today: date) -> dict[str, Any]:
    job, _ = job_with_unit(session, job_id)
    benches = [open_bench(session, s.id, today) for s in settings_of(session, job_id)]
    record = RecordView(
        job_view(session, job_id, today),
        job.opened_at.isoformat(),
        [_setting(b, all_entries(session, b.log.setting.id)) for b in benches],
        *_strip(session, job, today),
    )
    view: dict[str, Any] = dump(record)
    for shown, bench in zip(view["settings"], benches, strict=True):
        if bench.log.signature is not None:
            shown["sheet"] = bench.log.signature.snapshot["sheet"]
    return view


def _strip(
    session: Session, job: t.Job, today: date
) -> tuple[list[FoundLine], list[FoundLine], list[Flank], list[DraftStep], list[str]]:
    """The strip and the inspection in lines, the witness as painted, the first draft of the build, captions of photos."""
    d, facts = definition_of(job), facts_of(session, job.id)
    lines = [
        FoundLine("as found", b.label, b.words or "not written down", "")
        for b in baselines(d, facts, read_as_found(session, job.id))
        if b.kind != "reading"
    ]
    for f in facts:
        body = f.body
        if isinstance(body, LockedOut):
            lines.insert(0, FoundLine("locked out", body.points, f"key with {body.key_holder}", f.by))
        elif isinstance(body, Wrong):
            lines.append(FoundLine(body.what, d.label_of(body.part), body.words, f.by))
        elif isinstance(body, Removed):
            part = d.part(body.part)
            dead = doomed(part, find_way(body.way)) if part else ""
            words = [
                f"{body.count} off, {find_way(body.way).label}",
                f"tag {body.tag}" if body.tag else "",
                body.side,
                body.orientation,
                f"bag {body.bag}" if body.bag else "",
                f"no re-use: {dead}" if dead else "",
                body.remark,
            ]
            lines.append(
                FoundLine("taken off", d.label_of(body.part), "; ".join(w for w in words if w), f.by)
            )
    for s in standings(d, facts):
        if 0 < s.off != s.part.count:
            lines.append(FoundLine("count", s.part.label, s.words, ""))
    for i in ledger(facts):
        lines.append(
            FoundLine("loose", i.what, f"dropped at {i.where}; {i.words or 'NOT ACCOUNTED FOR'}", i.by)
        )
    captions = [
        f"{_shown_on(d, p.subject)}: {p.caption or 'no caption'}" for p in photos_view(session, job.id)
    ]
    inspected = inspection_lines(session, job, d, facts, today)
    return lines, inspected, flanks_of(d, facts), first_draft(d, facts), captions


def _shown_on(d: Definition, subject: str) -> str:
    evidence = evidence_shown(subject)
    return evidence.label if evidence else d.label_of(subject) or "the unit"


def _setting(bench: Bench, entries: Sequence[t.Entry]) -> RecordSetting:
    log, say = bench.log, Speech(bench.ctx.unit)
    first = bench.kind.evaluate(bench.ctx.at(1)).target()
    last = bench.kind.evaluate(bench.ctx).target()
    knobs = [k.key for k in bench.kind.knobs(bench.ctx)]
    found = [bench.kind.state(bench.ctx, k, 1) for k in knobs]
    left = [bench.kind.state(bench.ctx, k) for k in knobs]
    return RecordSetting(
        id=log.setting.id,
        label=log.setting.label,
        place=log.place.label,
        as_found=_stand(value_label(first.value if first else None, say), found, say),
        as_left=_stand(value_label(last.value if last else None, say), left, say),
        sheet=bench.sheet(),
        entries=_entries(bench, entries),
        acts=[_act(a, bench) for a in log.acts],
        explanations=[f"Round {x.round}: {x.cause}. {x.words}".strip() for x in log.explanations],
        signature=view_signature(bench),
        sha256=log.signature.sha256 if log.signature else "",
    )


def _stand(value: str, states: list[State | None], say: Speech) -> str:
    packs = [
        " + ".join(say.size(from_nm(x)) for x in s) + f" = {say.size(from_nm(sum(s)))}"
        if isinstance(s, tuple)
        else say.size(float(s))
        for s in states
        if s is not None
    ]
    return "; ".join([value, *packs])


def _entries(bench: Bench, entries: Sequence[t.Entry]) -> list[RecordEntry]:
    log = bench.log
    numbers = {r.id: r.number for r in log.rounds}
    corrected = {e.supersedes: ("struck" if e.void else "corrected") for e in entries if e.supersedes}
    labels = {s.key: s for n in numbers.values() for s in bench.kind.guide(bench.ctx.at(n)).slots}
    rows = []
    for e in entries:
        raw = unpack_raw(e.raw)
        number = getattr(raw, "value", None)
        slot = labels.get(e.slot)
        gauge = bench.ctx.gauges.get(e.gauge_id or "")
        shown = (
            ""
            if number is None or (slot and slot.quantity != "length")
            else Speech(bench.ctx.unit).number(number)
        )
        fate = "strike" if e.void else corrected.get(e.id, "stands")
        rows.append(
            RecordEntry(
                seq=e.seq,
                round=numbers[e.round_id],
                slot=e.slot,
                label=slot.label if slot else e.slot,
                as_typed=e.as_typed,
                shown=shown or e.as_typed,
                gauge=gauge.name if gauge else "",
                by=bench.names.get(e.mechanic_id, ""),
                at=e.at.isoformat(),
                fate=fate,
            )
        )
    return rows


def _act(act: t.Act, bench: Bench) -> RecordAct:
    say = Speech(bench.ctx.unit)
    words = []
    knobs = {k.key: k for k in bench.kind.knobs(bench.ctx)}
    for row in bench.log.knobs.get(act.id, ()):
        before, after = unpack_state(row.before), unpack_state(row.after)
        if after is None:
            continue
        if before is None or row.knob not in knobs:
            words.append(_stand("", [after], say).lstrip("; "))
        else:
            words.append(text_of(adjust(knobs[row.knob], before, after, say)).strip())
    number = bench.log.act_rounds[act.id]
    return RecordAct(
        seq=act.seq,
        round=number,
        kind=act.kind,
        words=f"{ACT_WORDS.get(act.kind, act.kind)}: {' '.join(words)}",
        remark=act.remark,
        by=bench.names.get(act.mechanic_id, ""),
        at=act.at.isoformat(),
    )
