"""The form of any setting or calculation, as it stands for the answers given so far."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from bornek.core.plain import dump
from bornek.core.quantities import Speech
from bornek.core.settings.given import read_so_far
from bornek.core.settings.registry import find_calculation
from bornek.services.setting.given_view import FieldView, show_fields
from bornek.store.queries.jobs import places_of


@dataclass(frozen=True)
class FormView:
    """What a kind asks for; `problems` by field for what was typed and does not hold."""

    kind: str
    title: str
    cautions: list[str]
    fields: list[FieldView]
    problems: dict[str, str]


def view_form(session: Session, kind_id: str, sent: dict[str, Any]) -> dict[str, Any]:
    """sent: given as typed so far, unit, and optionally job (whose places can be chosen)."""
    kind = find_calculation(kind_id)
    unit, typed = sent["unit"], sent["given"]
    given, problems = read_so_far(kind, typed, unit)
    places = [(p.key, p.label) for p in places_of(session, sent["job"])] if sent["job"] else []
    view: dict[str, Any] = dump(
        FormView(
            kind=kind.id,
            title=kind.title,
            cautions=list(kind.cautions),
            fields=show_fields(kind, given, typed, Speech(unit), places),
            problems=problems,
        )
    )
    return view
