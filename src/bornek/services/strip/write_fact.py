"""Something written down about a job: as found, taken off, dropped, locked out. Only ever added."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bornek.core.errors import InputError, NotFound
from bornek.core.parts.check_fact import check_inspection
from bornek.core.parts.facts import Judged
from bornek.core.quantities import from_nm
from bornek.core.strip.baselines import Baseline, baselines, lost_by
from bornek.core.strip.facts import Fact, Loose, PackFound, Removed, body_of, plates_nm, read_fact
from bornek.core.strip.ledger import open_items
from bornek.core.strip.removal import find_way
from bornek.services.desk import Desk
from bornek.services.inspect.fits import check_verdict
from bornek.services.job.index_job import index_fact
from bornek.services.job.job_definition import definition_of
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record_act import write_act
from bornek.services.shop.shop_lists import own_look_fors
from bornek.services.strip.facts_of import facts_of
from bornek.services.strip.view import read_as_found, view_strip
from bornek.store import tables as t
from bornek.store.queries.facts import live_facts
from bornek.store.queries.jobs import job_with_unit


def write_fact(desk: Desk, job_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """Written down in the strip stage: answers with that stage."""
    store_fact(desk, job_id, sent)
    return view_strip(desk.session, job_id)


def store_fact(desk: Desk, job_id: str, sent: dict[str, Any]) -> None:
    """sent: id, kind, body, and optionally supersedes, void, let_go (baseline keys) with let_go_words.

    A removal that would end open baselines is refused, naming them, until it lets them go by name.
    """
    job, unit = job_with_unit(desk.session, job_id)
    who = desk.mechanic()
    d, facts = definition_of(job), facts_of(desk.session, job_id)
    old = _superseded(desk, job_id, sent.get("supersedes"))
    if sent.get("void"):
        if old is None:
            raise InputError("Only something written down can be struck.", field="supersedes")
        kind, subject, body = old.kind, old.subject, dict(old.body)
    else:
        kind = sent["kind"]
        subject, read = read_fact(kind, sent.get("body", {}), d, job.length_unit)
        _check(kind, read, facts, old)
        check_inspection(read, d, facts, own_look_fors(desk.session), job.length_unit)
        if isinstance(read, Judged):
            check_verdict(desk, job, d, facts, read)
        if isinstance(read, Removed):
            _let_go(desk, job, baselines(d, facts, read_as_found(desk.session, job_id)), read, sent)
        body = body_of(read)
        if isinstance(read, PackFound):
            _baseline_pack(desk, job, read)
    _append(desk, job, unit.tag, sent["id"], kind, subject, body, bool(sent.get("void")), old, who.id)


def _append(
    desk: Desk,
    job: t.Job,
    tag: str,
    fact_id: str,
    kind: str,
    subject: str,
    body: dict[str, Any],
    void: bool,
    old: t.Fact | None,
    who: str,
) -> None:
    job.seq += 1
    row = t.Fact(
        id=fact_id,
        job_id=job.id,
        kind=kind,
        subject=subject,
        body=body,
        void=void,
        supersedes=old.id if old else None,
        seq=job.seq,
        mechanic_id=who,
        at=desk.now,
    )
    desk.session.add(row)
    desk.session.flush()
    if not void:
        index_fact(desk.session, tag, row)


def _superseded(desk: Desk, job_id: str, fact_id: str | None) -> t.Fact | None:
    if not fact_id:
        return None
    old = next((f for f in live_facts(desk.session, job_id) if f.id == fact_id), None)
    if old is None:
        raise NotFound(
            "What was to be corrected is not there, or was corrected already.",
            field="supersedes",
            next_step="Look at the page again.",
        )
    return old


def _check(kind: str, body: Any, facts: Sequence[Fact], old: t.Fact | None) -> None:
    if old is not None and old.kind != kind:
        raise InputError(f"A correction of {old.kind} stays {old.kind}.", field="kind")
    if isinstance(body, Removed):
        find_way(body.way)
        if body.count < 1 or body.count > 500:
            raise InputError("count must be 1 to 500.", field="count")
    if kind == "accounted" and not any(f.id == body.loose and isinstance(f.body, Loose) for f in facts):
        raise InputError("There is no loose item of that id.", field="loose")
    if kind == "accounted" and not any(i.id == body.loose for i in open_items(facts)) and old is None:
        raise InputError("This item is accounted for already.", field="loose")
    if kind == "closed":
        raise InputError("A job is closed by its own act.", field="kind", next_step="Use Close the job.")


def _let_go(
    desk: Desk, job: t.Job, found: Sequence[Baseline], removed: Removed, sent: dict[str, Any]
) -> None:
    lost = lost_by(found, removed.part)
    agreed = set(sent.get("let_go", ()))
    open_ones = [b for b in lost if b.key not in agreed]
    if open_ones:
        raise InputError(
            "With this part off, "
            + "; ".join(f"{b.label}: {b.loss}" for b in open_ones)
            + " can no longer be had.",
            field="let_go",
            next_step="Write it down first, or say that it is let go and why.",
            details={"lost": [{"key": b.key, "ask": b.ask, "loss": b.loss} for b in open_ones]},
        )
    if not lost:
        return
    words = str(sent.get("let_go_words", "")).strip()
    if not words:
        raise InputError("Say why the baseline is let go.", field="let_go_words")
    _, unit = job_with_unit(desk.session, job.id)
    body = {"items": [b.key for b in lost], "words": words[:500]}
    _append(desk, job, unit.tag, f"{sent['id']}.let-go", "let_go", "", body, False, None, desk.mechanic().id)


def _baseline_pack(desk: Desk, job: t.Job, found: PackFound) -> None:
    """The same pack is what the setting whose shims lie there starts from, if it has none yet."""
    plates = [from_nm(nm) for nm in plates_nm(found, job.length_unit)]
    for point in definition_of(job).settings:
        loaded = load_setting(desk.session, f"{job.id}.{point.key}", desk.now.date())
        for knob in loaded.reckoning.knobs:
            here = knob.domain.sort == "pack" and (knob.place or point.place) == found.place
            if here and loaded.kind.state(loaded.ctx, knob.key) is None:
                act_id = f"{loaded.log.setting.id}.as-found.{job.seq}"
                write_act(desk, loaded, act_id, "as_found", {knob.key: plates}, "from the strip")
                return
