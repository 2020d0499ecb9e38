"""A part as inspected: what is looked for, the grades given, the verdict of each school, the one gone by."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from bornek.core.facts.corrected import Corrected
from bornek.core.facts.graded import Graded
from bornek.core.facts.judged import Judged
from bornek.core.facts.kind import Fact
from bornek.core.facts.removed import Removed
from bornek.core.facts.seal_set import SealSet
from bornek.core.facts.teeth import TeethMarked
from bornek.core.parts.grades import worst_grade
from bornek.core.parts.look_fors import LookFor, look_fors_of
from bornek.core.parts.seal_track import judge_track, lip_words, track_words
from bornek.core.parts.teeth import DAMAGE_WORDS, GRADED_AS, ToothMark
from bornek.core.parts.verdicts import (
    GOES_BACK,
    NOT_AS_IT_IS,
    WORDS,
    Basis,
    PartVerdict,
    School,
    judge,
    may_not_go_back,
)
from bornek.core.phrases import Say, Span, count_words, plain
from bornek.core.quantities import Speech, parse
from bornek.core.strip.ways import doomed, find_way
from bornek.core.units.definition import Definition, Part


@dataclass(frozen=True)
class Inspected:
    """`chosen` is empty until a verdict was gone by; `stale`: something known since speaks against it, or was
    looked at again."""

    part: Part
    looks: tuple[LookFor, ...]
    basis: Basis
    worst: str
    a: PartVerdict
    b: PartVerdict
    notes: tuple[str, ...]
    chosen: str
    reason: str
    by: str
    stale: bool


@dataclass(frozen=True)
class Beside:
    """What is known of a part besides the job's facts: verdict codes of its measured fits and the seq at which
    they were last written on, and why it was condemned in another housing, by its serial."""

    fits: Sequence[str] = ()
    fits_at: int = 0
    condemned: str = ""


def inspect(
    d: Definition,
    part: Part,
    facts: Sequence[Fact],
    own: Sequence[LookFor] = (),
    beside: Beside = Beside(),
    school: School = "A",
    unit: str = "mm",
) -> Inspected:
    """Everything known of one part: what was written down, its fits, its past.

    >>> d = Definition(parts=(Part("k", "Key", "key"),))
    >>> seen = [Fact("1", "graded", "k", Graded("k", {"fit": "sound", "sides": "dress"}))]
    >>> inspect(d, d.parts[0], seen).a.label
    'dress and re-use'
    """
    looks = tuple(look_fors_of(part, own))
    grades: dict[str, str] = {}
    notes, chosen, at = [], None, beside.fits_at
    folds, fresh = None, None
    for fact in facts:
        if isinstance(fact.body, Graded) and fact.body.part == part.key:
            grades |= fact.body.grades
            at = max(at, fact.seq)
            folds = fact.body.folds if fact.body.folds is not None else folds
            fresh = fact.body.fresh if fact.body.fresh is not None else fresh
            if fact.body.note:
                notes.append(f"{fact.body.note} ({fact.by})" if fact.by else fact.body.note)
        elif isinstance(fact.body, Judged) and fact.body.part == part.key:
            chosen = fact
        elif _looked_at_again(fact, part):
            at = max(at, fact.seq)
    why = next(
        (
            w
            for f in facts
            if isinstance(f.body, Removed)
            and f.body.part == part.key
            and (w := doomed(part, find_way(f.body.way)))
        ),
        "",
    )
    marks = teeth_of(facts, part.key)
    teeth = worst_grade(GRADED_AS[m.damage] for m in marks)
    basis = Basis(
        grades=grades,
        asked=[x.key for x in looks],
        fits=tuple(beside.fits),
        doomed=why,
        folds=folds,
        fresh=fresh,
        teeth=teeth,
        teeth_words=_teeth_words(marks, teeth),
        seal=_seal_trouble(seal_of(facts, part.key), unit),
        condemned=beside.condemned,
    )
    body = chosen.body if chosen else None
    refused = body is not None and body.verdict in GOES_BACK and bool(may_not_go_back(part, basis, school))
    return Inspected(
        part=part,
        looks=looks,
        basis=basis,
        worst=worst_grade(grades.get(x.key, "") for x in looks),
        a=judge(part, basis, "A"),
        b=judge(part, basis, "B"),
        notes=tuple(notes),
        chosen=body.verdict if body else "",
        reason=body.words if body else "",
        by=chosen.by if chosen else "",
        stale=chosen is not None and (chosen.seq < at or refused),
    )


def _looked_at_again(fact: Fact, part: Part) -> bool:
    """Whether a fact, besides grades, may change the verdict on a part."""
    body = fact.body
    if isinstance(body, Corrected):
        return body.what == "school" and body.key == "reuse"
    return isinstance(body, TeethMarked | SealSet) and body.part == part.key


def _teeth_words(marks: Sequence[ToothMark], worst: str) -> str:
    """
    >>> _teeth_words((ToothMark(3, "drive", "broken"), ToothMark(4, "tip", "chip")), "unsafe")
    'Tooth 3 broken off'
    """
    bad = [m for m in marks if GRADED_AS[m.damage] == worst]
    if not bad:
        return ""
    teeth = sorted({m.tooth for m in bad})
    named = ", ".join(map(str, teeth[:6])) + (f" and {len(teeth) - 6} more" if len(teeth) > 6 else "")
    damage = ", ".join(dict.fromkeys(DAMAGE_WORDS[m.damage] for m in bad))
    return f"{'Tooth' if len(teeth) == 1 else 'Teeth'} {named} {damage}"


def _seal_trouble(seal: SealSet | None, unit: str) -> str:
    """Why the lip would not hold where it is to go; empty if it would."""
    if seal is None:
        return ""
    found, planned, groove = (parse(x, "length", unit).value for x in (seal.found, seal.planned, seal.groove))
    said = [] if seal.lip == seal.oil else [lip_words(seal.lip, seal.oil)]
    if groove and not judge_track(found, planned, groove).clear:
        said.append(track_words(found, planned, groove, Speech(unit)))
    return " ".join(said).rstrip(".")


def by_school(x: Inspected, school: School) -> PartVerdict:
    return x.b if school == "B" else x.a


def not_checked(found: Sequence[Inspected]) -> list[str]:
    """What could not be checked, for the record."""
    return [
        f"{x.part.label}: {look.label.lower()}"
        for x in found
        for look in x.looks
        if x.basis.grades.get(look.key) == "not_checked"
    ]


def must_be_had(found: Sequence[Inspected], ordered: frozenset[str]) -> list[Inspected]:
    """Parts to be replaced or sent out that nobody has ordered yet."""
    return [x for x in found if x.chosen in NOT_AS_IT_IS and x.part.key not in ordered]


def say_inspect(found: Sequence[Inspected], ordered: frozenset[str], open_holds: int) -> Say:
    """The one sentence of the stage.

    >>> say_inspect([], frozenset(), 0)[0].text
    'No parts are listed. Fill in what this unit is made of.'
    """
    if not found:
        return plain("No parts are listed. Fill in what this unit is made of.")
    judged = [x for x in found if x.chosen and not x.stale]
    if not judged:
        return (
            Span("Inspect "),
            Span(count_words(len(found), "part"), True),
            Span(", one at a time. Begin with any."),
        )
    left = [x for x in found if not x.chosen or x.stale]
    if left:
        return (
            Span("Next: the "),
            Span(left[0].part.label.lower(), True),
            Span(f". {count_words(len(left), 'part')} to judge."),
        )
    need = must_be_had(found, ordered)
    if need:
        return (
            Span("Order the "),
            Span(need[0].part.label.lower(), True),
            Span(f". {len(need)} not ordered yet."),
        )
    held = [x for x in found if x.chosen == "hold"]
    if held or open_holds:
        return (
            Span("Every part is judged. "),
            Span(f"{len(held) + open_holds} holds", True),
            Span(" are open."),
        )
    return plain("Every part is judged. Plan the build.")


def seal_of(facts: Sequence[Fact], part: str) -> SealSet | None:
    found = [f.body for f in facts if isinstance(f.body, SealSet) and f.body.part == part]
    return found[-1] if found else None


def teeth_of(facts: Sequence[Fact], part: str) -> tuple[ToothMark, ...]:
    found = [f.body.marks for f in facts if isinstance(f.body, TeethMarked) and f.body.part == part]
    return found[-1] if found else ()


def mates_of(d: Definition, part: str) -> list[tuple[Part, Part, str]]:
    """The meshes of a gear: itself, its mate, the mesh's kind."""
    pairs: list[tuple[Part, Part, str]] = []
    for mesh in d.meshes:
        if part in (mesh.driver, mesh.driven):
            me, other = d.part(part), d.part(mesh.driven if part == mesh.driver else mesh.driver)
            if me and other:
                pairs.append((me, other, mesh.mesh_kind))
    return pairs


def verdict_words(x: Inspected) -> str:
    """The verdict gone by in a line for the record."""
    if not x.chosen:
        return "not judged"
    return f"{WORDS[x.chosen]}{f': {x.reason}' if x.reason else ''}"
