"""What a setting is given, as its form shows it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from bornek.core.quantities import Speech, say_quantity
from bornek.core.settings.kind import Calculation, Field

Options = Sequence[tuple[str, str]]


@dataclass(frozen=True)
class FieldView:
    key: str
    label: str
    quantity: str
    required: bool
    options: list[list[str]]
    why: str
    shown: str
    typed: Any
    open: bool = False
    """It must be said, and nothing stands for it meanwhile."""


def show_fields(
    kind: Calculation, given: Mapping[str, Any], typed: Mapping[str, Any], say: Speech, places: Options = ()
) -> list[FieldView]:
    """The form as it stands for these answers; `places` are what a field of that quantity chooses from."""
    return [_field(f, given.get(f.key), typed, say, places) for f in kind.form(given)]


def _field(f: Field, value: Any, typed: Mapping[str, Any], say: Speech, places: Options) -> FieldView:
    options = places if f.quantity == "place" else f.options
    if value is None:
        shown = ""
    elif f.quantity in ("choice", "place"):
        shown = dict(options).get(str(value), str(value))
    elif f.quantity in ("text", "lines"):
        shown = value if isinstance(value, str) else "; ".join(value)
    else:
        shown = say_quantity(float(value), f.quantity, say)
    return FieldView(
        key=f.key,
        label=f.label,
        quantity=f.quantity,
        required=f.required,
        options=[list(o) for o in options],
        why=f.why,
        shown=shown,
        typed=typed.get(f.key, f.default),
        open=f.required and f.default is None,
    )
