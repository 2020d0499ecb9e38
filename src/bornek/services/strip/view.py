"""The strip stage whole: baselines, parts, what came off, loose items, photos, first draft of the build."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.build.first_draft import DraftStep, first_draft
from bornek.core.facts.kind import Fact
from bornek.core.facts.locked_out import LockedOut
from bornek.core.facts.removed import Removed, bag_code
from bornek.core.facts.witness import Witness
from bornek.core.facts.wrong import Wrong
from bornek.core.phrases import Span
from bornek.core.plain import dump
from bornek.core.quantities import Speech, from_nm
from bornek.core.scenes import Flank, Patch, Section
from bornek.core.settings.state import stored_state
from bornek.core.strip.baselines import Baseline, baselines
from bornek.core.strip.ledger import LooseItem, ledger
from bornek.core.strip.next_step import say_strip
from bornek.core.strip.part_counts import PartCount, part_counts
from bornek.core.strip.ways import WAYS, doomed, find_way
from bornek.core.units.definition import Definition
from bornek.services.job.components import condemned_words
from bornek.services.job.job_definition import definition_of
from bornek.services.job.job_section import section_of
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.offered import OfferedFact, WrittenFact, offered_facts, written_facts
from bornek.services.strip.photos_of import PhotoView, photos_view
from bornek.store import tables as t
from bornek.store.queries.as_found import lay_as_found, read_as_found
from bornek.store.queries.facts import stays_of
from bornek.store.queries.jobs import job_with_unit


@dataclass(frozen=True)
class BaselineView:
    key: str
    kind: str
    subject: str
    label: str
    ask: str
    loss: str
    ended_by: list[str]
    state: str
    words: str
    fact: str
    place: str
    setting_id: str
    plates: list[str]


@dataclass(frozen=True)
class PartView:
    key: str
    label: str
    kind: str
    kind_label: str
    number: str
    count: int
    off: int
    reuse: bool
    why: str
    words: str
    faces: str
    single_use: bool
    safety: bool
    component: str


@dataclass(frozen=True)
class RemovalView:
    id: str
    part: str
    label: str
    way: str
    count: int
    tag: str
    side: str
    orientation: str
    mates: list[str]
    bag: str
    bag_code: str
    remark: str
    reuse: bool
    by: str
    at: str


@dataclass(frozen=True)
class WayView:
    key: str
    label: str
    dooms: list[str]
    caution: str
    asks: list[list[str]]


@dataclass(frozen=True)
class NoteView:
    """Something missing or wrong, as found."""

    id: str
    what: str
    words: str
    part: str
    by: str


@dataclass(frozen=True)
class StripHead:
    id: str
    tag: str
    unit_name: str
    complaint: str
    stands: str
    length_unit: str
    version: int


@dataclass(frozen=True)
class StripView:
    job: StripHead
    say: list[Span]
    locked_out: str
    cautions: list[str]
    baselines: list[BaselineView]
    parts: list[PartView]
    removals: list[RemovalView]
    ways: list[WayView]
    notes: list[NoteView]
    loose: list[LooseItem]
    draft: list[DraftStep]
    photos: list[PhotoView]
    flanks: list[Flank]
    section: Section
    offered: list[OfferedFact]
    written: list[WrittenFact]


FIELD_CAUTION = "In the field: lock out and tag out before a hand goes near it. Prove it dead."


def view_strip(session: Session, job_id: str) -> dict[str, Any]:
    job, unit = job_with_unit(session, job_id)
    d, facts = definition_of(job), facts_of(session, job_id)
    found = baselines(d, facts, read_as_found(session, job_id))
    parts = part_counts(d, facts)
    locked = next((f.body for f in facts if isinstance(f.body, LockedOut)), None)
    asked = [_baseline(session, job, d, b) for b in found]
    view = StripView(
        job=StripHead(
            id=job.id,
            tag=unit.tag,
            unit_name=unit.name,
            complaint=job.complaint,
            stands=job.stands,
            length_unit=job.length_unit,
            version=job.seq,
        ),
        say=list(say_strip(job.stands, found, parts, facts)),
        locked_out=f"{locked.points}; key with {locked.key_holder}" if locked else "",
        cautions=[
            *([FIELD_CAUTION] if job.stands == "field" else []),
            *condemned_words(session, job),
            *d.cautions,
            "The maker's manual, the shop's rules and local codes come first.",
        ],
        baselines=asked,
        parts=_parts(session, job_id, parts),
        removals=[_removal(d, unit.tag, f) for f in facts if isinstance(f.body, Removed)],
        ways=[WayView(w.key, w.label, list(w.dooms), w.caution, [list(a) for a in w.asks]) for w in WAYS],
        notes=[
            NoteView(f.id, f.body.what, f.body.words, f.body.part, f.by)
            for f in facts
            if isinstance(f.body, Wrong)
        ],
        loose=ledger(facts),
        draft=first_draft(d, facts),
        photos=photos_view(session, job_id, facts),
        flanks=flanks_of(d, facts),
        section=_section(job, asked),
        offered=offered_facts(d, "strip"),
        written=written_facts(d, facts, "strip"),
    )
    shown: dict[str, Any] = dump(view)
    return shown


def strip_open(session: Session, job: t.Job) -> int:
    """How many things of the strip stage are still open: baselines, loose items, short counts."""
    facts = facts_of(session, job.id)
    d = definition_of(job)
    wanted = [b for b in baselines(d, facts, read_as_found(session, job.id)) if b.state == "open"]
    short = [s for s in part_counts(d, facts) if 0 < s.off < s.part.count]
    return len(wanted) + len(short) + sum(i.open for i in ledger(facts))


def _baseline(session: Session, job: t.Job, d: Definition, b: Baseline) -> BaselineView:
    place = b.subject if b.fact_kind == "pack" else ""
    setting = f"{job.id}.{b.subject}" if b.fact_kind == "reading" else ""
    if b.fact_kind == "reading":
        place = next((s.place for s in d.settings if s.key == b.subject), "")
    elif b.fact_kind != "pack":
        place = next((p.key for p in d.places if p.at == b.subject), "")
    names = {p.key: p.label for p in d.parts}
    return BaselineView(
        key=b.key,
        kind=b.fact_kind,
        subject=b.subject,
        label=b.label,
        ask=b.ask,
        loss=b.loss,
        ended_by=sorted(names[k] for k in b.ended_by if k in names),
        state=b.state,
        words=b.words,
        fact=b.fact,
        place=place,
        setting_id=setting,
        plates=_plates(session, job, b) if b.fact_kind == "pack" else [],
    )


def _plates(session: Session, job: t.Job, b: Baseline) -> list[str]:
    """The pack already entered as found at a setting of this place, to be offered."""
    lay = lay_as_found(session, job.id, b.subject)
    state = stored_state(lay) if lay else None
    say = Speech(job.length_unit)
    packs = state.packs if state else ()
    return [say.size(from_nm(nm)) for pack in packs for nm in pack]


def _parts(session: Session, job_id: str, parts: Sequence[PartCount]) -> list[PartView]:
    serials = stays_of(session, job_id)
    return [
        PartView(
            key=s.part.key,
            label=s.part.label,
            kind=s.part.part_kind,
            kind_label=s.part.about.label,
            number=s.part.number,
            count=s.part.count,
            off=s.off,
            reuse=s.reuse,
            why=s.why,
            words=s.words,
            faces=s.part.faces,
            single_use=s.part.single_use,
            safety=s.part.safety,
            component=serials[s.part.key][1].serial if s.part.key in serials else "",
        )
        for s in parts
    ]


def _removal(d: Definition, tag: str, fact: Fact) -> RemovalView:
    r, part = fact.body, d.part(fact.subject)
    dead = bool(part and (part.single_use or doomed(part, find_way(r.way))))
    return RemovalView(
        id=fact.id,
        part=r.part,
        label=part.label if part else r.part,
        way=find_way(r.way).label,
        count=r.count,
        tag=r.tag,
        side=r.side,
        orientation=r.orientation,
        mates=[p.label if (p := d.part(m)) else m for m in r.mates],
        bag=r.bag,
        bag_code=bag_code(tag, r.bag) if r.bag else "",
        remark=r.remark,
        reuse=not dead,
        by=fact.by,
        at=fact.at,
    )


def flanks_of(d: Definition, facts: Sequence[Fact]) -> list[Flank]:
    """The as-found witness of each mesh, drive and coast."""
    flanks = []
    for fact in facts:
        if isinstance(fact.body, Witness):
            mesh = d.mesh(fact.subject)
            for side, mask in (("drive", fact.body.drive), ("coast", fact.body.coast)):
                flanks.append(
                    Flank(
                        f"{mesh.label if mesh else fact.subject}, {side} side",
                        side,  # type: ignore[arg-type]
                        (as_found_patch(mask),),
                    )
                )
    return flanks


def as_found_patch(mask: Sequence[Sequence[float]]) -> Patch:
    cells = [(j, i) for i, row in enumerate(mask) for j, v in enumerate(row) if v >= 0.5]
    points = tuple(((j + 0.5) / len(mask[0]), (i + 0.5) / len(mask)) for j, i in cells)
    n = len(points)
    centre = (sum(x for x, _ in points) / n, sum(y for _, y in points) / n) if n else None
    return Patch("as_found", points, centre)


def _section(job: t.Job, found: Sequence[BaselineView]) -> Section:
    """The section with what is still to be found at each place."""
    words: dict[str, str] = {}
    for b in found:
        if b.place:
            words[b.place] = "to find" if b.state == "open" or words.get(b.place) == "to find" else "found"
    return section_of(job, [], "As found, place by place", words)
