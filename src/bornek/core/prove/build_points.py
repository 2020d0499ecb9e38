"""What the build leaves open: temporary parts in, dry fits, holes, hold points, torques to check again, loose items."""

from __future__ import annotations

from collections.abc import Mapping

from bornek.core.build.gather import Planned
from bornek.core.build.order import BuildOrder
from bornek.core.build.standing import names
from bornek.core.facts.wrong import Wrong
from bornek.core.phrases import count_words, lower_first
from bornek.core.prove.point import ProvePoint, State, looked_at
from bornek.core.prove.stands import JobStands
from bornek.core.strip.ledger import open_items
from bornek.core.strip.part_counts import part_counts
from bornek.core.units.prove import AGAIN_WORDS

NAMED = 2
"""Steps that are named; the others are counted."""


def build_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.facts.kind import Fact
    >>> from bornek.core.facts.loose import Loose
    >>> from bornek.core.units.definition import Definition
    >>> [p.key for p in build_points(JobStands(Definition(), [Fact("a", "loose", "", Loose("pin", "sump"))], "bench"))]
    ['loose:a']
    """
    found = [*_loose(job), *_counts(job), *_aids(job), *_back_in(job)]
    if job.order is None:
        return found
    found += _temporary(job.order)
    found += _dry(job.order)
    for p in job.order.steps:
        found += _step(job, job.order, p)
    return found + _left(job.order)


def _loose(job: JobStands) -> list[ProvePoint]:
    return [
        ProvePoint(
            f"loose:{i.id}",
            "inside",
            i.what,
            f"dropped at {i.where}, not accounted for",
            to="/strip?zone=loose",
            must=True,
        )
        for i in open_items(job.facts)
    ]


def _counts(job: JobStands) -> list[ProvePoint]:
    """A count that is short stands, unless it is written down that the part was missing as found."""
    missing = {f.body.part for f in job.facts if isinstance(f.body, Wrong) and f.body.what == "missing"}
    return [
        ProvePoint(f"count:{c.part.key}", "inside", c.part.label, c.words, to="/strip?zone=off", must=True)
        for c in part_counts(job.d, job.facts)
        if c.off and c.off != c.part.count and c.part.key not in missing
    ]


def _back_in(job: JobStands) -> list[ProvePoint]:
    """What came off where nobody works the build step by step."""
    off = [p for p in part_counts(job.d, job.facts) if p.off]
    if not off or (job.order is not None and job.order.worked.done):
        return []
    number = count_words(sum(p.off for p in off), "piece")
    words = f"{number} of {count_words(len(off), 'part')} came off: every one back in, the tray empty?"
    return [
        looked_at(
            job,
            ProvePoint("back", "inside", "Nothing left on the tray", words, must=True),
            [p.part.key for p in off],
        )
    ]


def _aids(job: JobStands) -> list[ProvePoint]:
    """What a setting was helped by."""
    return [
        looked_at(
            job,
            ProvePoint(f"aid:{s.id}.{n}", "inside", words, f"helped {lower_first(s.label)}: out?", must=True),
            since=s.signed_at,
        )
        for s in job.settings
        for n, words in enumerate(s.temporary)
    ]


def _temporary(order: BuildOrder) -> list[ProvePoint]:
    """Parts put in only to help, that nothing took out again."""
    inside: dict[str, Planned] = {}
    for key in order.worked.done:
        p = order.by_key.get(key)
        if p is None or not order.worked.in_place(key):
            continue
        for part in p.step.takes_out:
            inside.pop(part, None)
        if p.step.fit == "temporary":
            inside |= dict.fromkeys(p.step.parts or ("",), p)
    return [
        ProvePoint(
            f"temporary:{p.key}.{part}",
            "inside",
            order.d.label_of(part) or p.step.label,
            f"temporary, put in at step {order.number[p.key]}, not out",
            "wrong",
            to="/plan",
            must=True,
        )
        for part, p in inside.items()
    ]


def _dry(order: BuildOrder) -> list[ProvePoint]:
    """Fitted dry, and not for good since."""
    final = {
        part
        for q in order.steps
        if q.step.fit == "final" and order.worked.in_place(q.key)
        for part in q.step.parts
    }
    return [
        ProvePoint(
            f"dry:{p.key}",
            "inside",
            p.step.label,
            f"fitted dry at step {order.number[p.key]}, not for good yet",
            "wrong",
            to="/plan",
            must=True,
        )
        for p in order.steps
        if p.step.fit == "dry" and order.worked.in_place(p.key) and not set(p.step.parts) <= final
    ]


def _step(job: JobStands, order: BuildOrder, p: Planned) -> list[ProvePoint]:
    """What of a step that is in must have been seen."""
    if not order.worked.in_place(p.key):
        return []
    asked: Mapping[str, str] = {"hole": p.step.hole, "hold": "" if p.step.setting else p.step.hold}
    found = []
    for what, words in asked.items():
        if not words:
            continue
        right = order.worked.right(p.key, what)
        state: State = "open" if right is None else "done" if right else "wrong"
        said = "nobody looked" if right is None else "seen" if right else order.worked.seen[p.key, what][1]
        label = words if what == "hole" else f"Hold: {lower_first(words)}"
        found.append(
            ProvePoint(
                f"{what}:{p.key}",
                "inside",
                label[:1].upper() + label[1:],
                f"{lower_first(p.step.label)}: {said}",
                state,
                to=f"/plan/{p.key}",
                must=what == "hold",
            )
        )
    if p.step.again == "closing":
        words = f"{p.step.torque}; {AGAIN_WORDS['closing']}" if p.step.torque else AGAIN_WORDS["closing"]
        point = ProvePoint(f"torque:{p.key}", "inside", p.step.label, words, locked=True)
        found.append(looked_at(job, point, since=order.worked.done[p.key].seq))
    return found


def _left(order: BuildOrder) -> list[ProvePoint]:
    """Steps that are not worked though others are, and those that were skipped with parts in hand."""
    if not order.worked.done:
        return []
    left = [p for p in order.steps if not order.is_done(p.key)]
    found = []
    if left:
        labels = ", ".join(lower_first(p.step.label) for p in left[:NAMED])
        more = f" and {len(left) - NAMED} more" if len(left) > NAMED else ""
        found.append(
            ProvePoint(
                "plan:left",
                "inside",
                f"{count_words(len(left), 'step')} not worked",
                labels + more,
                to="/plan",
            )
        )
    found += [
        ProvePoint(
            f"skipped:{p.key}",
            "inside",
            names(order, p.step.parts),
            f"step {order.number[p.key]} was skipped: {order.worked.done[p.key].words}",
            to=f"/plan/{p.key}",
        )
        for p in order.steps
        if p.key in order.worked.done and order.worked.done[p.key].how == "skipped" and p.step.parts
    ]
    return found
