"""Sums without a job: a quick answer as it is typed."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from bornek.core.errors import InputError, UnknownKind
from bornek.core.fits.answer import Answer, ask
from bornek.core.fits.sums import FitSum
from bornek.core.plain import dump
from bornek.core.quantities import Speech
from bornek.core.settings.registry import calculations
from bornek.services.setting.given_view import FieldView, show_fields


@dataclass(frozen=True)
class SumName:
    """`at`: whether it belongs to a part or to a step."""

    kind: str
    title: str
    group: str
    at: str


@dataclass(frozen=True)
class SumView:
    """A sum with what was typed so far; `answer` once all of it is said and holds."""

    kind: str
    title: str
    at: str
    cautions: list[str]
    fields: list[FieldView]
    problems: dict[str, str]
    missing: list[str]
    answer: Answer | None


def sum_names() -> list[SumName]:
    """Every sum, its own group together."""
    found = [SumName(k.id, k.title, k.group, k.at) for k in calculations() if isinstance(k, FitSum)]
    groups = ("Sizes", "Bearings", "Heat and cold", "Press", "Torque", "Gears", "Running in")
    return sorted(found, key=lambda s: (groups.index(s.group), s.title))


def find_sum(kind_id: str) -> FitSum:
    kind = next((k for k in calculations() if k.id == kind_id), None)
    if not isinstance(kind, FitSum):
        raise UnknownKind(
            f"No sum is called {kind_id!r}.",
            field="kind",
            next_step="Use one of: " + ", ".join(s.kind for s in sum_names()) + ".",
        )
    return kind


def sum_view(kind: FitSum, typed: dict[str, Any], unit: str) -> SumView:
    asked = ask(kind, typed, unit)
    return SumView(
        kind=kind.id,
        title=kind.title,
        at=kind.at,
        cautions=list(kind.cautions),
        fields=show_fields(kind, asked.given, typed, Speech(unit)),
        problems=dict(asked.problems),
        missing=list(asked.missing),
        answer=asked.answer,
    )


def view_sum(kind_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: given as typed so far, and the unit."""
    shown: dict[str, Any] = dump(sum_view(find_sum(kind_id), sent["given"], sent["unit"]))
    return shown


def settled(kind: FitSum, typed: dict[str, Any], unit: str) -> Answer:
    """The answer to what was typed, all of it. Raises InputError that names every field that does not hold."""
    asked = ask(kind, typed, unit)
    known = {f.key for f in kind.form(asked.given)}
    if stray := [key for key in typed if key not in known]:
        raise InputError(
            f"{kind.title} does not ask for {stray[0]!r}.", field=stray[0], next_step="Leave it out."
        )
    if asked.answer is None:
        wrong = dict(asked.problems) | dict.fromkeys(asked.missing, "is missing")
        raise InputError(
            "; ".join(f"{key}: {why}" if key else why for key, why in wrong.items()),
            field=next(iter(asked.problems), None) or None,
            next_step="Mend the fields named; what was entered is kept.",
            details={"fields": dict(asked.problems)},
        )
    return asked.answer
