"""What is asked of parts that came off: new where they hold only once, locked, sealed, aligned."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from bornek.core.facts.match_marks import MatchMarks
from bornek.core.facts.seal_set import SealSet
from bornek.core.parts.seal_track import fill_words
from bornek.core.parts.verdicts import GOES_BACK, WORDS
from bornek.core.prove.point import ProvePoint, looked_at
from bornek.core.prove.stands import JobStands
from bornek.core.units.definition import Part
from bornek.core.units.prove import LOCK_WORDS

SEALS = ("seal", "felt")
SEAL_WAYS = ("lip inward, to the oil", "lip outward", "no lip: felt, soaked")
LOCKING = ("lock_washer",)


def part_points(job: JobStands) -> list[ProvePoint]:
    """
    >>> from bornek.core.units.definition import Definition
    >>> d = Definition(parts=(Part("vent", "Breather", "breather"),))
    >>> [p.key for p in part_points(JobStands(d, [], "bench"))]
    ['breather:vent']
    """
    found: list[ProvePoint] = []
    for part in job.parts_out:
        if part.single_use:
            found.append(_fresh(job, part))
        if part.lock or part.part_kind in LOCKING:
            found.append(_lock(job, part))
        if part.left_hand:
            point = ProvePoint(
                f"left:{part.key}", "inside", part.label, "left-hand thread: tightened to the left?"
            )
            found.append(looked_at(job, point, (part.key,)))
        if part.part_kind in SEALS:
            found.append(_seal(job, part))
    found += _marks(job)
    found += [
        looked_at(job, ProvePoint(f"breather:{p.key}", "inside", p.label, "clear: blown through?"))
        for p in job.d.parts
        if p.part_kind == "breather"
    ]
    return found


def _fresh(job: JobStands, part: Part) -> ProvePoint:
    """A part that holds only once: judged back in is wrong, ordered and received is new."""
    key = f"fresh:{part.key}"
    verdict = next((x.chosen for x in job.inspected if x.part.key == part.key), "")
    if verdict in GOES_BACK:
        words = f"holds only once, and is judged {WORDS[verdict]}"
        return ProvePoint(key, "inside", part.label, words, "wrong", "/inspect?zone=parts", must=part.safety)
    line = next((o for o in reversed(job.orders) if o.part == part.key and o.what == "order"), None)
    if line is not None and line.state != "received":
        words = f"new one {line.state}, {line.supplier}: not here yet"
        return ProvePoint(key, "inside", part.label, words, "open", "/inspect?zone=orders", must=part.safety)
    if line is not None:
        return ProvePoint(key, "inside", part.label, f"new, from {line.supplier}", "done", by=line.by)
    point = ProvePoint(key, "inside", part.label, "holds only once: a new one in?", must=part.safety)
    return looked_at(job, point, (part.key,))


def _lock(job: JobStands, part: Part) -> ProvePoint:
    """Every lock with how it was made, and how many of how many."""
    own = LOCK_WORDS[part.lock] if part.lock else ""
    of = f", {part.count} of them" if part.count > 1 else ""
    point = looked_at(
        job,
        ProvePoint(
            f"lock:{part.key}",
            "inside",
            part.label,
            f"{own or 'locked, and how'}{of}?",
            asks=("way", "photo") if part.count == 1 else ("way", "count", "photo"),
            ways=(own,) if own else tuple(LOCK_WORDS.values()),
            must=True,
            most=part.count,
        ),
        (part.key,),
    )
    said = job.proved.get(point.key)
    if point.state != "done" or said is None:
        return point
    return _counted(point, part, said.body.count)


def _counted(point: ProvePoint, part: Part, count: int | None) -> ProvePoint:
    """Locks that were made, of how many."""
    if count is None or count >= part.count:
        return point
    return replace(point, state="open", words=f"{count} of {part.count} made: {part.count - count} to go")


def _seal(job: JobStands, part: Part) -> ProvePoint:
    planned = [f.body for f in job.facts if isinstance(f.body, SealSet) and f.body.part == part.key]
    words = "which way its lip looks, and greased?"
    ways: Sequence[str] = SEAL_WAYS
    if planned:
        own = f"lip {planned[-1].lip}, oil {planned[-1].oil}"
        grease = fill_words(planned[-1].fill) if planned[-1].fill is not None else "greased"
        words, ways = f"{own}; {grease}?", (own,)
    elif part.faces:
        words, ways = f"{part.faces}, greased?", (part.faces,)
    point = ProvePoint(f"seal:{part.key}", "inside", part.label, words, asks=("way",), ways=tuple(ways))
    return looked_at(job, point, (part.key,))


def _marks(job: JobStands) -> list[ProvePoint]:
    """Match marks that were written down at strip, where a gear of the pair was off."""
    found = []
    for fact in job.facts:
        body = fact.body
        mesh = job.d.mesh(body.mesh) if isinstance(body, MatchMarks) and not body.none else None
        if mesh is None or not {mesh.driver, mesh.driven} & set(job.out):
            continue
        point = ProvePoint(f"marks:{mesh.key}", "inside", mesh.label, f"match marks: {body.marks}. Together?")
        found.append(looked_at(job, point, (mesh.driver, mesh.driven)))
    return list({p.key: p for p in found}.values())
