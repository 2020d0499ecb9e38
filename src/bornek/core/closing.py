"""What is open when a job is to be closed, where it is settled, and what may stay open with a reason."""

from __future__ import annotations

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.hour_meter import hours_written
from bornek.core.facts.locked_out import LockedOut
from bornek.core.fits.open_fits import open_fits
from bornek.core.parts.causes import find_cause
from bornek.core.parts.holds import holds
from bornek.core.parts.verdicts import NOT_AS_IT_IS, WORDS
from bornek.core.phrases import count_words, lower_first
from bornek.core.prove.point import ProvePoint, leaf_of, left_words
from bornek.core.prove.sheet import ProveSheet
from bornek.core.prove.stands import JobStands, OpenPoint

PLAN_LEFT = "plan:left"
"""Told by the plan's own points when a job is closed."""
IN_WORDS = frozenset({"hold", "held", "loose", "count"})
"""Points that are settled in words, whatever becomes of the unit."""


def open_points(job: JobStands, sheet: ProveSheet) -> list[OpenPoint]:
    """Every open point of a job, what must be settled first; `sheet`: its last look.

    >>> from bornek.core.prove.sheet import prove_sheet
    >>> from bornek.core.units.definition import Definition
    >>> stands = JobStands(Definition(), [], "field")
    >>> [p.key for p in open_points(stands, prove_sheet(stands))]
    ['lock_out', 'release', 'ready:clear', 'ready:guards', 'ready:lock', 'hours']
    """
    found = [*_lock_out(job), *_release(sheet), *_proved(sheet), *_verdicts(job)]
    found += [*_proofs(job), *_orders(job), *job.plan, *_fits(job)]
    if not hours_written(job.facts, "closing"):
        found.append(OpenPoint("hours", "the hour meter at closing is not written down", "/receive", True))
    return sorted({p.key: p for p in found}.values(), key=lambda p: p.may_stay)


def _lock_out(job: JobStands) -> list[OpenPoint]:
    if job.stands != "field" or any(isinstance(f.body, LockedOut) for f in job.facts):
        return []
    words = "it stands in the field and no lock-out is written down"
    return [OpenPoint("lock_out", words, "/strip?zone=found", False)]


def _release(sheet: ProveSheet) -> list[OpenPoint]:
    if sheet.release is not None:
        return []
    return [OpenPoint("release", "it is not released", "/prove?zone=release", False)]


def _proved(sheet: ProveSheet) -> list[OpenPoint]:
    """What the last look left open. What comes after run-in is done or put off before the job is closed; a unit that
    goes out as it is may have open what is not settled in words anyhow."""
    as_it_is = sheet.release is not None and sheet.release.body.how == "as_it_is"
    return [
        OpenPoint(
            p.key,
            left_words(p),
            p.to or f"/prove?zone={leaf_of(p.group)}",
            _may_stay(p, as_it_is),
        )
        for p in sheet.open
        if p.key != PLAN_LEFT
    ]


def _may_stay(point: ProvePoint, as_it_is: bool) -> bool:
    if as_it_is:
        return point.key.partition(":")[0] not in IN_WORDS
    return not point.first and point.group != "after"


def _verdicts(job: JobStands) -> list[OpenPoint]:
    """A verdict that something known since contradicts must be gone by again; none at all may stay."""
    found = [
        OpenPoint(
            f"stale:{x.part.key}",
            f"{x.part.label}: {WORDS[x.chosen]} no longer holds, judge it again",
            "/inspect?zone=parts",
            False,
        )
        for x in job.inspected
        if x.stale
    ]
    unjudged = [x for x in job.inspected if not x.chosen]
    if unjudged:
        names = ", ".join(lower_first(x.part.label) for x in unjudged[:3])
        more = f" and {len(unjudged) - 3} more" if len(unjudged) > 3 else ""
        words = f"{count_words(len(unjudged), 'part')} not judged: {names}{more}"
        found.append(OpenPoint("unjudged", words, "/inspect?zone=parts", True))
    return found


def _proofs(job: JobStands) -> list[OpenPoint]:
    """A hold cleared in words though what it names was not signed after it was put."""
    put = {f.body.cause: f.seq for f in job.facts if isinstance(f.body, CauseNamed)}
    found = []
    for hold in holds(job.facts):
        cause = find_cause(hold.cause)
        if not hold.cleared or not cause.proved_by:
            continue
        if any(s.signed_at > put[cause.key] and s.measures == cause.proved_by for s in job.settings):
            continue
        what = "fit was measured" if cause.proved_by == "fit" else "setting was signed"
        words = f"hold cleared, but no {what} since: {cause.hold}"
        to = "/inspect?zone=parts" if cause.proved_by == "fit" else ""
        found.append(OpenPoint(f"proof:{cause.key}", words, to, True))
    return found


def _orders(job: JobStands) -> list[OpenPoint]:
    out = [o for o in job.orders if o.state != "received"]
    found = [
        OpenPoint(
            f"order:{o.id}", f"{o.label}: {o.state}, {o.supplier}, not here yet", "/inspect?zone=orders", True
        )
        for o in out
    ]
    ordered = {o.part for o in job.orders}
    found += [
        OpenPoint(
            f"to_have:{x.part.key}",
            f"{x.part.label}: {WORDS[x.chosen]}, and nothing was ordered",
            "/inspect?zone=orders",
            True,
        )
        for x in job.inspected
        if x.chosen in NOT_AS_IT_IS and not x.stale and x.part.key not in ordered
    ]
    return found


def _fits(job: JobStands) -> list[OpenPoint]:
    """Fits that are prepared or under way."""
    return [
        OpenPoint(f"fit:{name}", f"{lower_first(name)}: fit not finished", "/fit", True)
        for name in open_fits(job.facts)
    ]
