"""A unit type opened: how it draws, what does not hold in it yet, what it must be asked, what may be chosen."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bornek.core.errors import NotFound
from bornek.core.plain import dump
from bornek.core.scenes import Section
from bornek.core.section.clashes import Clash
from bornek.core.section.draw_section import section_of
from bornek.core.section.laid import lay_out
from bornek.core.section.sheet_size import HEIGHT, WIDTH
from bornek.core.settings.kind import Setting
from bornek.core.settings.registry import kinds
from bornek.core.train.counted import ratio_words
from bornek.core.train.drawn import warnings
from bornek.core.train.positions import Train
from bornek.core.units.check_planets import planet_words
from bornek.core.units.checks import LimitQuestion, questions
from bornek.core.units.definition import Definition
from bornek.core.units.half_built import read_half_built
from bornek.core.units.known import known_words
from bornek.core.units.part_kinds import FAMILIES, GEARS, PART_KINDS
from bornek.core.units.told import Trouble, tell
from bornek.services.plan.overruled import overruled_needs
from bornek.services.shop.unit_types import last_revision
from bornek.store import tables as t

DRAWN_LEAVES = frozenset({"shafts", "parts", "meshes", "places", "plate"})
"""What does not hold in these is marked on the drawing; the rest is told beside it."""
MOST_RATIOS = 12


@dataclass(frozen=True)
class KindChoice:
    """A kind of part to choose: `family` as it stands with others, `gear`: whether it can mesh."""

    key: str
    label: str
    family: str
    gear: bool


@dataclass(frozen=True)
class TypeSheet:
    """A unit type opened: its newest definition, how it draws, what it must be asked. `troubles`: what does not hold
    yet, also what could not be drawn where the definition puts it. `overruled`: needs that jobs of this type
    overruled, with their reasons: proposals for its next revision. `known`: by setting, what it need not be told.
    `train`: its ratios."""

    type_id: str
    name: str
    number: int
    definition: dict[str, Any]
    section: Section
    questions: list[LimitQuestion]
    troubles: list[Trouble]
    revisions: list[int]
    kinds: list[KindChoice]
    setting_kinds: list[list[str]]
    known: dict[str, str]
    overruled: list[str]
    train: list[str]


KIND_CHOICES = [
    KindChoice(key, PART_KINDS[key].label, family, key in GEARS) for family, keys in FAMILIES for key in keys
]


def view_type(session: Session, type_id: str) -> dict[str, Any]:
    kind, last = session.get(t.UnitType, type_id), last_revision(session, type_id)
    if kind is None or last is None:
        raise NotFound(
            f"No unit type has the key {type_id!r}.",
            field="type_id",
            next_step="Choose one of the yard's unit types.",
        )
    numbers = session.scalars(
        select(t.UnitTypeRevision.number)
        .where(t.UnitTypeRevision.unit_type_id == type_id)
        .order_by(t.UnitTypeRevision.number)
    )
    return _sheet(
        type_id, kind.name, last.number, last.definition, list(numbers), overruled_needs(session, type_id)
    )


def preview_type(definition: dict[str, Any]) -> dict[str, Any]:
    """How a definition would draw, and what does not hold yet; nothing is stored."""
    return _sheet("", "", 0, definition, [])


def _sheet(
    type_id: str,
    name: str,
    number: int,
    definition: dict[str, Any],
    revisions: list[int],
    overruled: Sequence[str] = (),
) -> dict[str, Any]:
    half = read_half_built(definition)
    section, clashing = _drawn(definition, half.d, name or "Section")
    told = [*tell(definition, half.wrong), *clashing]
    troubles = sorted(told, key=lambda x: x.leaf not in DRAWN_LEAVES)
    marked = dict.fromkeys(k for x in troubles if x.leaf in DRAWN_LEAVES for k in x.part_keys)
    sheet = TypeSheet(
        type_id=type_id,
        name=name,
        number=number,
        definition=definition,
        section=replace(section, clash=tuple(marked)),
        questions=questions(half.d),
        troubles=troubles,
        known={s.key: known_words(half.d, s) for s in half.d.settings},
        revisions=revisions,
        kinds=KIND_CHOICES,
        setting_kinds=[[k.id, k.title] for k in kinds() if isinstance(k, Setting)],
        overruled=list(overruled),
        train=train_words(half.d) if _teeth_hold(half.wrong) else [],
    )
    shown: dict[str, Any] = dump(sheet)
    return shown


def _drawn(given: dict[str, Any], d: Definition, name: str) -> tuple[Section, list[Trouble]]:
    """What could be read of a definition, drawn, and what clashes by the rows as they were given."""
    laid = lay_out(d)
    if laid is None:
        return Section("Section", WIDTH, HEIGHT, ()), []
    return section_of(laid, name), [_clashing(given, c) for c in laid.clashes]


def _clashing(given: dict[str, Any], c: Clash) -> Trouble:
    row = next(i for i, r in enumerate(given[c.leaf]) if isinstance(r, dict) and r.get("key") == c.key)
    return Trouble(f"{c.leaf}[{row}].{c.field}", c.leaf, row, c.words, c.words, c.parts)


def _teeth_hold(wrong: Mapping[str, str]) -> bool:
    """Whether gears, shafts and levers hold together, so that ratios can be reckoned."""
    return not any(path.startswith(("shafts", "parts", "meshes", "levers")) for path in wrong)


def train_words(d: Definition) -> list[str]:
    """What it makes of its speed in each position, its sets of planets, and what is odd about them."""
    train = Train(d)
    found = []
    for position in train.driving[:MOST_RATIOS]:
        outs = [f"{s.label} {ratio_words(position.turns(s.key))}" for s in d.shafts if s.power == "out"]
        found.append(f"{position.label if d.levers else 'Ratio'}: {', '.join(outs)}.")
    return [*found, *planet_words(d), *warnings(train)]
