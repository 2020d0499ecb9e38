"""Causes of failure ranked by the evidence: for, against, what would tell two apart, the hold each puts.

The rule base is `core/tables/causes.toml`. A cause's score is what speaks for it less twice what speaks
against it (seen, or needed and looked for in vain), less one for every other telling sign looked for in vain.
What the first cause leaves unexplained may be a second fault. It orders; it is no chance and is never shown as one.
"""

from __future__ import annotations

import tomllib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache
from importlib import resources
from typing import Literal

from bornek.core import tables
from bornek.core.errors import InputError
from bornek.core.phrases import lower_first

Seen = Literal["seen", "absent"]
EVIDENCE_SUBJECT = "evidence:"
TELLS = 2
AGAINST = 2
MISSED = 1
"""What tells of a cause and was looked for in vain speaks against it, less than what rules it out."""
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
    proved_by: str = ""
    """What must be signed before its hold is more than words: a setting, or a fit."""


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
    """`leading`: the causes that the evidence cannot tell apart (one: it points there; none: too little).
    `besides`: causes of what the leading ones leave unexplained. `contradictions`: signs that do not go together."""

    ranked: tuple[Ranked, ...]
    leading: tuple[str, ...]
    words: str
    tell_apart: tuple[str, ...]
    besides: tuple[str, ...] = ()
    contradictions: tuple[str, ...] = ()


@dataclass(frozen=True)
class Book:
    """The rule base: `apart` pairs of evidence that one part cannot show at once, `look_fors` and `teeth` what
    a bad grade (by group and look-for) and damage on a tooth map are evidence of."""

    evidence: tuple[Evidence, ...]
    causes: tuple[Cause, ...]
    apart: tuple[tuple[str, str], ...]
    look_fors: Mapping[str, str]
    teeth: Mapping[str, str]


@cache
def book() -> Book:
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
            proved_by=c.get("proved_by", ""),
        )
        for c in data["cause"]
    )
    apart = tuple((a, b) for a, b in data["apart"])
    return Book(evidence, causes, apart, data["look_fors"], data["teeth"])


def all_evidence() -> tuple[Evidence, ...]:
    return book().evidence


def evidence_shown(subject: str) -> Evidence | None:
    """The evidence that a photo's subject names (`evidence:grit`), if it does.

    >>> evidence_shown("evidence:grit").label
    'Grit or metal in the oil'
    """
    key = subject.removeprefix(EVIDENCE_SUBJECT)
    return next((e for e in all_evidence() if e.key == key), None) if key != subject else None


def all_causes() -> tuple[Cause, ...]:
    return book().causes


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
    contradictions = _contradictions(looked, labels)
    ranked = [r for r in _ranking(looked, labels) if r.fors]
    leading = _leading(ranked)
    if not leading:
        words, asked = _too_little(ranked), _ask(ranked[:3], looked, labels)
        return Diagnosis(tuple(ranked), (), words, asked, contradictions=contradictions)
    shown = [r.key for r in ranked]
    besides = _besides(leading, looked, labels)
    ranked = [replace(r, follows=_names(r.follows, shown)) for r in ranked]
    return Diagnosis(
        tuple(ranked),
        tuple(r.key for r in leading),
        _words(leading, besides),
        _ask(leading if len(leading) > 1 else [], looked, labels),
        tuple(r.key for r in besides),
        contradictions,
    )


def _ranking(looked: Mapping[str, Seen], labels: Mapping[str, str]) -> list[Ranked]:
    return sorted((_rank(c, looked, labels) for c in all_causes()), key=lambda r: -r.score)


def _leading(ranked: Sequence[Ranked]) -> list[Ranked]:
    """The first cause and those that explain some of the same signs as well; none where too little speaks."""
    if not ranked or ranked[0].score < TELLS:
        return []
    first = ranked[0]
    return [
        r for r in ranked if r is first or (r.score >= first.score - CLOSE and set(r.fors) & set(first.fors))
    ]


def _besides(
    leading: Sequence[Ranked], looked: Mapping[str, Seen], labels: Mapping[str, str]
) -> list[Ranked]:
    """Second faults: what is left unexplained tells of another cause by itself, and is no mere consequence."""
    explained = {key for r in leading for key in find_cause(r.key).speaks}
    found: list[Ranked] = []
    while True:
        left: dict[str, Seen] = {k: v for k, v in looked.items() if v != "seen" or k not in explained}
        known = {r.key for r in (*leading, *found)}
        more = [
            r
            for r in _ranking(left, labels)
            if r.score >= TELLS and r.key not in known and not known & set(find_cause(r.key).follows)
        ]
        if not more:
            return found
        found.append(more[0])
        explained |= set(find_cause(more[0].key).speaks)


def _words(leading: Sequence[Ranked], besides: Sequence[Ranked]) -> str:
    names, others = ([lower_first(r.label) for r in rows] for rows in (leading, besides))
    if len(names) > 1:
        said = f"Cannot tell apart: {_and(names)}."
        return f"{said} Besides: {_and(others)}." if others else said
    if others:
        return f"{_HOW_MANY[min(len(others), 2)]} faults at once: {_and([*names, *others])}."
    return f"The evidence points to: {names[0]}."


_HOW_MANY = {1: "Two", 2: "Several"}


def _and(names: Sequence[str]) -> str:
    return " and ".join(x for x in (", ".join(names[:-1]), names[-1]) if x)


def _contradictions(looked: Mapping[str, Seen], labels: Mapping[str, str]) -> tuple[str, ...]:
    return tuple(
        f"{labels[a]}, and {lower_first(labels[b])}: not both on one part. Say which part each was seen on."
        for a, b in book().apart
        if looked.get(a) == looked.get(b) == "seen"
    )


def _rank(cause: Cause, looked: Mapping[str, Seen], labels: Mapping[str, str]) -> Ranked:
    seen = [k for k, v in looked.items() if v == "seen"]
    fors = [k for k in seen if k in cause.speaks]
    missed = [
        k
        for k, v in looked.items()
        if v == "absent" and (k in cause.needs or cause.speaks.get(k, 0) >= TELLS)
    ]
    needed = sum(k in cause.needs for k in missed)
    against = [k for k in seen if k in cause.against]
    score = sum(cause.speaks[k] for k in fors) - AGAINST * (len(against) + needed)
    score -= MISSED * (len(missed) - needed)
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


def _names(keys: Sequence[str], shown: Sequence[str]) -> tuple[str, ...]:
    return tuple(find_cause(k).label for k in keys if k in shown)


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
