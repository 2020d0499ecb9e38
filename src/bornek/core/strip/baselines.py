"""What must be written down as found before anything is disturbed, and what each removal would end."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from bornek.core.facts.kind import Fact
from bornek.core.facts.let_go import LetGo
from bornek.core.facts.registry import find_fact_kind
from bornek.core.phrases import lower_first
from bornek.core.units.definition import Definition, Place, SettingPoint
from bornek.core.units.part_kinds import GEARS, POSITION

Kind = Literal["reading", "pack", "witness", "match_marks", "checking_distance", "way_round"]
ORDER: tuple[Kind, ...] = ("reading", "match_marks", "checking_distance", "way_round", "pack", "witness")
NAMES: dict[Kind, str] = {
    "reading": "{} as found",
    "match_marks": "match marks of the {}",
    "checking_distance": "checking-distance mark of the {}",
    "way_round": "way round of the {}",
    "pack": "shim pack at the {}",
    "witness": "contact witness of the {}",
}


@dataclass(frozen=True)
class Baseline:
    """One thing to write down as found, under its `name` on the record. `ended_by`: parts whose removal ends the
    chance of it."""

    key: str
    fact_kind: Kind
    subject: str
    label: str
    name: str
    ask: str
    loss: str
    ended_by: frozenset[str]
    state: Literal["open", "taken", "let go"] = "open"
    words: str = ""
    fact: str = ""


def baselines(d: Definition, facts: Sequence[Fact] = (), read: Collection[str] = ()) -> list[Baseline]:
    """Every baseline of a unit with its state. `read`: settings whose as-found reading is there."""
    gone = {item: f for f in facts if isinstance(f.body, LetGo) for item in f.body.items}
    taken = {f"{f.fact_kind}:{f.subject}": f for f in facts}
    found = []
    for kind, subject, label, ask, loss, ended in _wanted(d):
        key = f"{kind}:{subject}"
        state: Literal["open", "taken", "let go"] = "open"
        words, fact = "", ""
        if kind == "reading" and subject in read:
            state = "taken"
        elif key in taken:
            state, words, fact = "taken", _words(taken[key]), taken[key].id
        elif key in gone:
            state, words = "let go", f"let go by {gone[key].by}: {gone[key].body.words}"
        found.append(
            Baseline(
                key=key,
                fact_kind=kind,
                subject=subject,
                label=label,
                name=NAMES[kind].format(lower_first(label)),
                ask=ask,
                loss=loss,
                ended_by=ended,
                state=state,
                words=words,
                fact=fact,
            )
        )
    return sorted(found, key=lambda b: ORDER.index(b.fact_kind))


def lost_by(found: Sequence[Baseline], part: str) -> list[Baseline]:
    """The open baselines that can no longer be had once this part is off."""
    return [b for b in found if b.state == "open" and part in b.ended_by]


def _wanted(d: Definition) -> list[tuple[Kind, str, str, str, str, frozenset[str]]]:
    rows: list[tuple[Kind, str, str, str, str, frozenset[str]]] = []
    for s in d.settings:
        rows.append(
            (
                "reading",
                s.key,
                s.label,
                f"Read the {s.label.lower()} as found",
                "how it ran before",
                _of_setting(d, s),
            )
        )
    for m in d.meshes:
        gears = frozenset({m.driver, m.driven})
        rows.append(
            (
                "match_marks",
                m.key,
                m.label,
                f"Match marks of the {m.label.lower()}: read them, or paint your own",
                "which tooth met which gap",
                gears,
            )
        )
        if m.crossed:
            rows.append(
                (
                    "checking_distance",
                    m.key,
                    m.label,
                    f"Checking-distance mark on the pinion of the {m.label.lower()}",
                    "nothing: it stays on the part",
                    frozenset(),
                )
            )
            rows.append(
                (
                    "witness",
                    m.key,
                    m.label,
                    f"Paint the contact witness of the {m.label.lower()}",
                    "where the teeth met with the packs that were in",
                    _chain(d, gears),
                )
            )
    for p in d.places:
        if p.shim_form not in ("", "none"):
            rows.append(
                (
                    "pack",
                    p.key,
                    p.label,
                    f"Shim pack at the {p.label}: plates, side, slots",
                    "which shims ran on which side",
                    _behind(d, p),
                )
            )
    for part in d.parts:
        if part.faces:
            rows.append(
                (
                    "way_round",
                    part.key,
                    part.label,
                    f"Which way round the {part.label.lower()} sits",
                    "which way it faced",
                    frozenset({part.key}),
                )
            )
    return rows


def _of_setting(d: Definition, s: SettingPoint) -> frozenset[str]:
    places = [p for key in (s.place, *s.rests_on) if (p := d.place(key))]
    return _chain(d, frozenset(part.key for p in places for part in d.parts_at(p)))


def _chain(d: Definition, keys: frozenset[str]) -> frozenset[str]:
    """The parts that hold the shafts of these parts in place, and the parts themselves."""
    shafts = {p.shaft for p in d.parts if p.key in keys and p.shaft}
    return keys | {p.key for p in d.parts if p.shaft in shafts and p.part_kind in POSITION}


def _behind(d: Definition, place: Place) -> frozenset[str]:
    """A pack can still be counted with its cover off, not once what lies behind is out."""
    own = frozenset(p.key for p in d.parts_at(place))
    return _chain(d, own) - {
        p.key for p in d.parts if p.part_kind in ("cover", "cage") or p.part_kind in GEARS
    }


def _words(fact: Fact) -> str:
    """A baseline's fact in a few words."""
    return "" if isinstance(fact.body, dict) else find_fact_kind(fact.fact_kind).words(fact.body)
