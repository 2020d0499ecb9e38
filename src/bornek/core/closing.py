"""What is open when a job is to be closed, where it is settled, and what may stay open with a reason."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.hour_meter import hours_written
from bornek.core.facts.kind import Fact
from bornek.core.facts.locked_out import lacks_lock_out
from bornek.core.facts.wrong import Wrong
from bornek.core.fits.open_fits import open_fits
from bornek.core.parts.causes import find_cause
from bornek.core.parts.holds import holds, open_holds
from bornek.core.parts.inspection import Inspected
from bornek.core.parts.orders import OrderLine
from bornek.core.parts.verdicts import NOT_AS_IT_IS, WORDS
from bornek.core.phrases import count_words, lower_first, text_of
from bornek.core.strip.ledger import open_items
from bornek.core.strip.part_counts import part_counts
from bornek.core.train.sheet import TrainSheet
from bornek.core.units.definition import Definition


@dataclass(frozen=True)
class OpenPoint:
    """`to`: what follows the job's own address where it is settled. `may_stay`: a job may be closed over it, with
    a reason in words."""

    key: str
    words: str
    to: str
    may_stay: bool


@dataclass(frozen=True)
class SettingStands:
    """A setting as it stands: `signed_at` the seq of a signature that still holds, 0 without one; `measures` what
    it brings in: a fit of one part, or a setting."""

    id: str
    label: str
    verdict: str
    signed_at: int
    disturbed: bool
    measures: str


@dataclass(frozen=True)
class JobStands:
    """All that a closing list is made from."""

    d: Definition
    facts: Sequence[Fact]
    stands: str
    settings: Sequence[SettingStands] = ()
    inspected: Sequence[Inspected] = ()
    orders: Sequence[OrderLine] = ()
    plan: Sequence[OpenPoint] = ()
    train: TrainSheet | None = None


def open_points(job: JobStands) -> list[OpenPoint]:
    """Every open point of a job, what must be settled first.

    >>> [p.key for p in open_points(JobStands(Definition(), [], "field"))]
    ['lock_out', 'hours']
    """
    found = [*_lock_out(job), *_loose(job), *_counts(job), *_holds(job), *_verdicts(job), *_settings(job)]
    found += [*_train(job), *_proofs(job), *_orders(job), *job.plan, *_fits(job)]
    if not hours_written(job.facts, "closing"):
        found.append(OpenPoint("hours", "the hour meter at closing is not written down", "/receive", True))
    return sorted(found, key=lambda p: p.may_stay)


def _lock_out(job: JobStands) -> list[OpenPoint]:
    if not lacks_lock_out(job.stands, job.facts):
        return []
    words = "it stands in the field and no lock-out is written down"
    return [OpenPoint("lock_out", words, "/strip?zone=found", False)]


def _loose(job: JobStands) -> list[OpenPoint]:
    return [
        OpenPoint(
            f"loose:{i.id}",
            f"{i.what}, dropped at {i.where}, is not accounted for",
            "/strip?zone=loose",
            False,
        )
        for i in open_items(job.facts)
    ]


def _counts(job: JobStands) -> list[OpenPoint]:
    """A count that is short stands, unless it is written down that the part was missing as found."""
    missing = {f.body.part for f in job.facts if isinstance(f.body, Wrong) and f.body.what == "missing"}
    return [
        OpenPoint(f"count:{c.part.key}", f"{c.part.label}: {c.words}", "/strip?zone=off", False)
        for c in part_counts(job.d, job.facts)
        if c.off and c.off != c.part.count and c.part.key not in missing
    ]


def _holds(job: JobStands) -> list[OpenPoint]:
    found = [
        OpenPoint(f"hold:{h.cause}", f"hold not cleared: {h.words}", "/inspect?zone=cause", False)
        for h in open_holds(job.facts)
    ]
    found += [
        OpenPoint(f"held:{x.part.key}", f"{x.part.label}: hold the build", "/inspect?zone=parts", False)
        for x in job.inspected
        if x.chosen == "hold"
    ]
    return found


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


def _settings(job: JobStands) -> list[OpenPoint]:
    found = []
    for s in job.settings:
        if s.signed_at:
            continue
        words = f"{s.label}: {s.verdict}"
        words += ", disturbed since it was signed" if s.disturbed else ", not signed"
        found.append(OpenPoint(f"setting:{s.id}", words, f"/set/{s.id}", True))
    return found


def _train(job: JobStands) -> list[OpenPoint]:
    """A train that turns wrong, levers that go together and must not, a mark that is out: nobody closes over these."""
    sheet = job.train
    if sheet is None:
        return []
    said, to = text_of(sheet.say), f"/mesh/train?zone={sheet.leaf}"
    if sheet.state == "wrong":
        return [OpenPoint("train", f"gear train: {said}", to, False)]
    if sheet.state != "open":
        return []
    left = [
        count_words(n, what)
        for rows, what in (
            (sheet.timing, "timing mark"),
            (sheet.positions, "position"),
            (sheet.levers, "lever position"),
        )
        if (n := sum(r.code != "in" for r in rows))
    ]
    return [OpenPoint("train", f"gear train: {', '.join(left)} not looked at", to, True)]


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
