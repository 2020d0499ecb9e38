"""Something written down about a job: as found, taken off, dropped, graded, ordered. Only ever added."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bornek.core.errors import InputError, NotFound
from bornek.core.facts.about import About
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.locked_out import check_locked_out
from bornek.core.facts.registry import body_of, find_fact_kind, read_fact
from bornek.core.facts.step_worked import StepWorked
from bornek.core.facts.way_round import WayRound, WayRoundKind
from bornek.core.parts.disturbed import disturbances
from bornek.core.quantities import from_nm
from bornek.core.strip.baselines import Baseline, baselines, lost_by
from bornek.core.units.definition import Definition
from bornek.services.desk import Desk, gone
from bornek.services.inspect.fits import check_verdict
from bornek.services.job.job_definition import definition_of
from bornek.services.people.second import check_second
from bornek.services.plan.check_work import check_plan
from bornek.services.plan.load_plan import load_plan
from bornek.services.setting.disturb import disturb
from bornek.services.setting.load_setting import load_setting
from bornek.services.setting.record_act import write_act
from bornek.services.shop.shop_lists import own_look_fors
from bornek.services.strip.append_fact import append_fact
from bornek.services.strip.facts_of import facts_of
from bornek.store import tables as t
from bornek.store.queries.as_found import read_as_found
from bornek.store.queries.facts import live_facts, photos_of
from bornek.store.queries.jobs import open_job
from bornek.store.queries.yard import local

REASON_LETTERS = 500
OWN_DOOR = ("plan", "fit", "prove")
"""Stages whose facts are written down there alone: what stands beside the keys is filled in there."""


def write_fact(desk: Desk, job_id: str, sent: dict[str, Any], stage: str = "") -> None:
    """`stage`: only facts of that stage are taken. sent: id, kind, body, and optionally supersedes, void, let_go (baseline keys) with let_go_words.

    A removal that would end open baselines is refused, naming them, until it lets them go by name.
    """
    job, _ = open_job(desk.session, job_id)
    desk.mechanic()
    old = _superseded(desk, job_id, sent.get("supersedes"))
    if old is not None:
        desk.check("work")
    if sent.get("void"):
        if old is None:
            raise InputError("Only something written down can be struck.", field="supersedes")
        facts = facts_of(desk.session, job_id)
        append_fact(desk, job, sent["id"], old.fact_kind, old.subject, dict(old.body), old, void=True)
        _disturb(desk, job, old.fact_kind, facts, sent["id"])
        return
    d, facts = definition_of(job), facts_of(desk.session, job_id)
    kind = find_fact_kind(sent["kind"])
    desk.check(kind.right)
    if kind.stage != stage and (stage or kind.stage in OWN_DOOR):
        raise InputError(f"{kind.key!r} is not written down in this stage.", field="kind")
    if kind.own_act:
        raise InputError(kind.own_act, field="kind")
    if old is not None and old.fact_kind != kind.key:
        raise InputError(f"A correction of {old.fact_kind} stays {old.fact_kind}.", field="kind")
    subject, body = read_fact(kind.key, sent.get("body", {}), d)
    kind.check(body, _about(desk, job, d, facts, old is not None))
    off = kind.takes_off(body)
    if off or kind.inside:
        check_locked_out(job.stands, facts)
    if off:
        found = baselines(d, facts, read_as_found(desk.session, job_id))
        way = kind.way_seen(body)
        if way and _write_way(desk, job, found, off, way, sent):
            found = baselines(d, facts_of(desk.session, job_id), read_as_found(desk.session, job_id))
        _let_go(desk, job, found, off, sent)
    pack = kind.pack_found(body, job.length_unit)
    if pack is not None:
        _baseline_pack(desk, job, *pack)
    append_fact(desk, job, sent["id"], kind.key, subject, body_of(body), old)
    _disturb(desk, job, kind.key, facts, sent["id"])


def _disturb(desk: Desk, job: t.Job, fact_kind: str, before: Sequence[Fact], cause: str) -> None:
    """In the same transaction: settings that do not hold any more are to be read again."""
    if find_fact_kind(fact_kind).disturbs:
        after = facts_of(desk.session, job.id)
        disturb(desk, job, cause, disturbances(definition_of(job), before, after, job.length_unit))


def _about(desk: Desk, job: t.Job, d: Definition, facts: Sequence[Fact], correcting: bool) -> About:
    return About(
        d=d,
        facts=facts,
        own=own_look_fors(desk.session),
        unit=job.length_unit,
        judge=lambda body: _judge(desk, job, d, facts, body),
        correcting=correcting,
        photos={a.id for a, _ in photos_of(desk.session, job.id)},
    )


def _judge(desk: Desk, job: t.Job, d: Definition, facts: Sequence[Fact], body: Any) -> None:
    """What a body alone cannot tell: the school of a verdict, the build order of a step."""
    if isinstance(body, Judged):
        check_verdict(desk, job, d, facts, body)
        return
    if isinstance(body, StepWorked):
        check_second(desk, body.second)
    check_plan(load_plan(desk.session, job, local(desk.session, desk.now)), body)


def _superseded(desk: Desk, job_id: str, fact_id: str | None) -> t.Fact | None:
    if not fact_id:
        return None
    old = next((f for f in live_facts(desk.session, job_id) if f.id == fact_id), None)
    if old is None:
        row = desk.session.get(t.Fact, fact_id)
        if row is None or row.job_id != job_id:
            raise NotFound("There is nothing of that id to correct.", field="supersedes")
        raise gone(row.seq, "What was to be corrected was corrected or struck already.", "supersedes")
    return old


def _write_way(
    desk: Desk, job: t.Job, found: Sequence[Baseline], part: str, way: str, sent: dict[str, Any]
) -> bool:
    """Which way round a part sat is seen as it comes off: that is its baseline, if it was not written before."""
    asked = next((b for b in found if b.fact_kind == WayRoundKind.key and b.subject == part), None)
    if asked is None or asked.state == "taken":
        return False
    agreed = set(sent.get("let_go", ()))
    if asked.key in agreed:
        raise InputError(
            "Which way round it sat is written down and let go: one of the two.",
            field="orientation",
            next_step="Leave it empty, or do not let it go.",
        )
    append_fact(desk, job, f"{sent['id']}.way", WayRoundKind.key, part, body_of(WayRound(part, way)))
    return True


def _let_go(desk: Desk, job: t.Job, found: Sequence[Baseline], part: str, sent: dict[str, Any]) -> None:
    lost = lost_by(found, part)
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
    _, body = read_fact(
        "let_go", {"items": [b.key for b in lost], "words": words[:REASON_LETTERS]}, Definition()
    )
    append_fact(desk, job, f"{sent['id']}.let-go", "let_go", "", body_of(body))


def _baseline_pack(desk: Desk, job: t.Job, place: str, plates_nm: Sequence[int]) -> None:
    """The same pack is what the setting whose shims lie there starts from, if it has none yet."""
    plates = [from_nm(nm) for nm in plates_nm]
    for point in definition_of(job).settings:
        loaded = load_setting(desk.session, f"{job.id}.{point.key}", desk.today)
        for knob in loaded.reckoning.knobs:
            here = knob.domain.sort == "pack" and (knob.place or point.place) == place
            if here and loaded.kind.state(loaded.ctx, knob.key) is None:
                act_id = f"{loaded.log.setting.id}.as-found.{job.seq}"
                write_act(desk, loaded, act_id, "as_found", {knob.key: plates}, "from the strip")
                return
