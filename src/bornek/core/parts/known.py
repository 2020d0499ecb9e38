"""What is known already and speaks on a cause: as-found values, tooth maps, seals, grades, fits. It is offered, and a
mechanic takes it; nothing of it counts by itself."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from bornek.core.facts.cause import CauseNamed
from bornek.core.facts.evidence import EvidenceLooked
from bornek.core.facts.graded import Graded
from bornek.core.facts.kind import Fact
from bornek.core.facts.seal_set import SealSet
from bornek.core.facts.teeth import TeethMarked
from bornek.core.parts.causes import Diagnosis, Seen, all_evidence, book, find_cause
from bornek.core.parts.grades import LABELS
from bornek.core.parts.teeth import DAMAGE_WORDS, pattern_words
from bornek.core.phrases import lower_first
from bornek.core.units.definition import Definition

BAD = ("worn_beyond", "unsafe")
BROKEN = ("chip", "crack", "broken", "spall")
ALL_ROUND = 0.8


@dataclass(frozen=True)
class Offered:
    """A piece of evidence that something written down shows, and what that is."""

    evidence: str
    words: str


@dataclass(frozen=True)
class AsFound:
    """A setting or fit as first read: `tells` the evidence that its kind says it is, empty if none."""

    label: str
    words: str
    tells: str


def known_evidence(d: Definition, facts: Sequence[Fact], found: Sequence[AsFound] = ()) -> list[Offered]:
    """Each piece of evidence once, with every reason.

    >>> known_evidence(Definition(), [], [AsFound("Output end play", "0.31 found, 0.21 out", "set_loose")])
    [Offered(evidence='set_loose', words='Output end play: 0.31 found, 0.21 out')]
    """
    said: dict[str, list[str]] = {}
    for x in found:
        if x.tells:
            said.setdefault(x.tells, []).append(f"{x.label}: {x.words}")
    for fact in facts:
        for key, words in _of_fact(d, fact):
            said.setdefault(key, []).append(words)
    return [Offered(key, "; ".join(dict.fromkeys(words))) for key, words in said.items()]


def _of_fact(d: Definition, fact: Fact) -> list[tuple[str, str]]:
    body, label = fact.body, d.label_of(fact.subject) or fact.subject
    if isinstance(body, TeethMarked):
        return _of_teeth(d, body, label)
    if isinstance(body, SealSet) and body.lip != body.oil:
        return [("seal_torn", f"{label}: its lip faces away from the oil")]
    part = d.part(body.part) if isinstance(body, Graded) else None
    if part is None:
        return []
    return [
        (evidence, f"{label}: graded {LABELS[grade]}")
        for key, grade in body.grades.items()
        if grade in BAD and (evidence := book().look_fors.get(f"{part.about.group}.{key}"))
    ]


def _of_teeth(d: Definition, body: TeethMarked, label: str) -> list[tuple[str, str]]:
    part = d.part(body.part)
    total = part.teeth if part else 0
    found = []
    for damage in dict.fromkeys(m.damage for m in body.marks):
        if damage in book().teeth:
            found.append((book().teeth[damage], f"{label}: teeth {DAMAGE_WORDS[damage]}"))
    broken = sorted({m.tooth for m in body.marks if m.damage in BROKEN})
    if len(broken) > 1 and total and "side by side" in pattern_words(total, broken):
        found.append(("teeth_cluster", f"{label}: teeth {', '.join(map(str, broken))} side by side"))
    pitted = {m.tooth for m in body.marks if m.damage == "pits"}
    if total and len(pitted) >= ALL_ROUND * total:
        found.append(("pits_line", f"{label}: {len(pitted)} of {total} teeth pitted"))
    return found


def looked_at(facts: Sequence[Fact]) -> dict[str, Seen]:
    """What was looked for: seen or not there; what was taken back as not looked at is left out."""
    found = {f.body.evidence: f.body.seen for f in facts if isinstance(f.body, EvidenceLooked)}
    return {key: seen for key, seen in found.items() if seen != "not looked"}


def contradicted(
    facts: Sequence[Fact], looked: Mapping[str, str], offered: Sequence[Offered], found: Diagnosis
) -> list[str]:
    """What was written down and does not go together, in words."""
    labels = {e.key: e.label for e in all_evidence()}
    said = [
        f"{labels[o.evidence]} is written down as not there, but {lower_first(o.words)}."
        for o in offered
        if looked.get(o.evidence) == "absent"
    ]
    ranked = {r.key: r for r in found.ranked}
    for key in dict.fromkeys(f.body.cause for f in facts if isinstance(f.body, CauseNamed)):
        against = ranked[key].against if key in ranked else ()
        if against:
            said.append(f"Named: {lower_first(find_cause(key).label)}. Against it: {'; '.join(against)}.")
        elif key not in ranked and looked:
            said.append(f"Named: {lower_first(find_cause(key).label)}. Nothing seen speaks for it.")
    return [*found.contradictions, *said]
