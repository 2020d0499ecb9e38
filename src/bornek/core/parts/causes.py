"""Causes of failure ranked by the evidence: for, against, what would tell two apart, the hold each puts.

The rule base is `core/tables/causes.toml`. A cause's score is what speaks for it less twice what speaks
against it (seen, or needed and looked for in vain). It orders; it is no chance and is never shown as one.
"""

from __future__ import annotations

import tomllib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Literal

from bornek.core import tables
from bornek.core.errors import InputError

Seen = Literal["seen", "absent"]
EVIDENCE_SUBJECT = "evidence:"
TELLS = 2
AGAINST = 2
CLOSE = 1
"""Causes no further than this behind the first cannot be told apart from it."""


@dataclass(frozen=True)
class Evidence:
    key: str
    label: str
    zone: str


@dataclass(frozen=True)
class Cause:
    key: str
    label: str
    speaks: Mapping[str, int]
    against: frozenset[str]
    needs: frozenset[str]
    follows: tuple[str, ...]
    hold: str


@dataclass(frozen=True)
class Ranked:
    """A cause with its evidence in words. `follows`: shown causes whose consequence it may be."""

    key: str
    label: str
    score: int
    fors: tuple[str, ...]
    against: tuple[str, ...]
    follows: tuple[str, ...]
    hold: str


@dataclass(frozen=True)
class Diagnosis:
    """`leading`: the causes that the evidence cannot tell apart (one: it points there; none: too little)."""

    ranked: tuple[Ranked, ...]
    leading: tuple[str, ...]
    words: str
    tell_apart: tuple[str, ...]


@cache
def _book() -> tuple[tuple[Evidence, ...], tuple[Cause, ...]]:
    data = tomllib.loads(resources.files(tables).joinpath("causes.toml").read_text(encoding="utf-8"))
    evidence = tuple(Evidence(key, label, zone) for key, (label, zone) in data["evidence"].items())
    causes = tuple(
        Cause(
            key=c["key"],
            label=c["label"],
            speaks=c["for"],
            against=frozenset(c["against"]),
            needs=frozenset(c.get("needs", ())),
            follows=tuple(c.get("follows", ())),
            hold=c["hold"],
        )
        for c in data["cause"]
    )
    return evidence, causes


def all_evidence() -> tuple[Evidence, ...]:
    return _book()[0]


def evidence_shown(subject: str) -> Evidence | None:
    """The evidence that a photo's subject names (`evidence:grit`), if it does.

    >>> evidence_shown("evidence:grit").label
    'Grit or metal in the oil'
    """
    key = subject.removeprefix(EVIDENCE_SUBJECT)
    return next((e for e in all_evidence() if e.key == key), None) if key != subject else None


def all_causes() -> tuple[Cause, ...]:
    return _book()[1]


def find_cause(key: str) -> Cause:
    found = next((c for c in all_causes() if c.key == key), None)
    if found is None:
        raise InputError(
            f"No cause {key!r} is known.",
            field="cause",
            next_step=f"One of {', '.join(c.key for c in all_causes())}.",
        )
    return found


def diagnose(looked: Mapping[str, Seen]) -> Diagnosis:
    """Ranks the causes by what was seen and what was looked for in vain.

    Raises InputError for evidence that is not in the book.

    >>> d = diagnose({"fluting": "seen", "current": "seen"})
    >>> d.leading, d.words
    (('electrical',), 'The evidence points to: current through it.')
    >>> diagnose({"smeared": "seen"}).leading
    ()
    """
    labels = {e.key: e.label for e in all_evidence()}
    for key in looked:
        if key not in labels:
            raise InputError(f"No evidence {key!r} is known.", field="evidence")
    ranked = sorted((_rank(c, looked, labels) for c in all_causes()), key=lambda r: -r.score)
    ranked = [r for r in ranked if r.fors]
    leading = [r for r in ranked if r.score >= ranked[0].score - CLOSE] if ranked else []
    if not leading or leading[0].score < TELLS:
        return Diagnosis(tuple(ranked), (), _too_little(ranked), _ask(ranked[:3], looked, labels))
    shown = [r.key for r in ranked]
    ranked = [_with_follows(r, shown) for r in ranked]
    names = [r.label.lower() for r in leading]
    if len(leading) == 1:
        words = f"The evidence points to: {names[0]}."
    else:
        words = f"Cannot tell apart: {', '.join(names[:-1])} and {names[-1]}."
    return Diagnosis(
        tuple(ranked),
        tuple(r.key for r in leading),
        words,
        _ask(leading if len(leading) > 1 else [], looked, labels),
    )


def _rank(cause: Cause, looked: Mapping[str, Seen], labels: Mapping[str, str]) -> Ranked:
    seen = [k for k, v in looked.items() if v == "seen"]
    fors = [k for k in seen if k in cause.speaks]
    missed = [k for k in cause.needs if looked.get(k) == "absent"]
    against = [k for k in seen if k in cause.against]
    score = sum(cause.speaks[k] for k in fors) - AGAINST * (len(against) + len(missed))
    return Ranked(
        key=cause.key,
        label=cause.label,
        score=score,
        fors=tuple(labels[k] for k in sorted(fors, key=lambda k: -cause.speaks[k])),
        against=(
            *(labels[k] for k in against),
            *(f"{labels[k]}: looked for, not there" for k in sorted(missed)),
        ),
        follows=cause.follows,
        hold=cause.hold,
    )


def _with_follows(ranked: Ranked, shown: Sequence[str]) -> Ranked:
    names = tuple(find_cause(k).label for k in ranked.follows if k in shown)
    return Ranked(
        key=ranked.key,
        label=ranked.label,
        score=ranked.score,
        fors=ranked.fors,
        against=ranked.against,
        follows=names,
        hold=ranked.hold,
    )


def _too_little(ranked: Sequence[Ranked]) -> str:
    if not ranked:
        return "No cause can be named: nothing seen speaks for one."
    return f"Cannot tell yet: what was seen fits {', '.join(r.label.lower() for r in ranked[:4])}."


def _ask(among: Sequence[Ranked], looked: Mapping[str, Seen], labels: Mapping[str, str]) -> tuple[str, ...]:
    """What has not been looked at and would lift one of these above another."""
    causes = [find_cause(r.key) for r in among]
    asks: list[tuple[int, str]] = []
    for key, label in labels.items():
        if key in looked:
            continue
        pull = [_pull(c, key) for c in causes]
        apart = max(pull, default=0) - min(pull, default=0)
        if len(causes) > 1 and apart >= TELLS:
            best = causes[pull.index(max(pull))]
            asks.append((apart, f"{label}: would speak for {best.label.lower()}"))
    return tuple(words for _, words in sorted(asks, key=lambda a: -a[0])[:6])


def _pull(cause: Cause, key: str) -> int:
    return cause.speaks.get(key, 0) - (AGAINST if key in cause.against else 0)
