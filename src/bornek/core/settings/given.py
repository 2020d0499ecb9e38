"""Reads what is given against a kind's form, and describes that form as a JSON schema."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import Any

from bornek.core.errors import BornekError, InputError
from bornek.core.quantities import UNITS, parse
from bornek.core.settings.kind import Calculation, Field

MOST_LINES = 100
MOST_PASSES = 6
"""How often a form may change by its own answers."""


def read_given(kind: Calculation, typed: Mapping[str, Any], unit: str = "mm") -> dict[str, Any]:
    """Typed texts and numbers → the core's units, defaults filled in.

    Numbers are taken as the core's unit (mm, N·m, N, °C), texts are parsed as spoken, bare
    numbers in texts of a length take the job's `unit`. Raises InputError that names every field
    that does not hold; nothing is dropped in silence.
    """
    read, problems = _read_fields(kind, typed, unit)
    asked = {f.key for f in kind.form(read)} | {f.key for f in kind.form({})}
    for key in typed:
        if key not in asked:
            problems[key] = f"{kind.title} does not ask for {key!r}."
    if problems:
        raise InputError(
            "; ".join(f"{k}: {why}" for k, why in problems.items()),
            field=next(iter(problems)),
            next_step="Mend the fields named; what was entered is kept in the form.",
            details={"fields": problems},
        )
    return read


def read_stored(
    kind: Calculation, stored: Mapping[str, Any], version: int, unit: str = "mm"
) -> tuple[dict[str, Any], dict[str, str]]:
    """What was typed under an earlier version of the kind, read as the present one asks for it.

    A field that came since takes its default; what is no longer asked for is passed over. Returns what
    could be read, and by field what must be entered before the setting can be judged again.
    """
    typed = stored if version == kind.version else kind.upgrade(stored, version)
    return _read_fields(kind, typed, unit)


def read_so_far(
    kind: Calculation, typed: Mapping[str, Any], unit: str = "mm"
) -> tuple[dict[str, Any], dict[str, str]]:
    """A form half filled in: what could be read, and by field what was typed and does not hold."""
    read, problems = _read_fields(kind, typed, unit)
    return read, {key: why for key, why in problems.items() if typed.get(key) not in (None, "", [])}


def missing_of(kind: Calculation, given: Mapping[str, Any]) -> list[Field]:
    """Fields that must be said and are not in what was read so far."""
    return [f for f in kind.form(given) if f.required and f.key not in given]


def _read_fields(
    kind: Calculation, typed: Mapping[str, Any], unit: str
) -> tuple[dict[str, Any], dict[str, str]]:
    """Reads field by field; what one answer adds to the form or changes in it is read next."""
    read: dict[str, Any] = {}
    problems: dict[str, str] = {}
    fields = list(kind.form({}))
    seen: dict[str, Field] = {}
    for _ in range(MOST_PASSES):
        for f in fields:
            seen[f.key] = f
            problems.pop(f.key, None)
            read.pop(f.key, None)
            try:
                value = _read(f, typed.get(f.key), unit)
            except BornekError as error:
                problems[f.key] = f"{error.message} {error.next_step}"
                continue
            if value is not None:
                read[f.key] = value
        fields = [f for f in kind.form(read) if seen.get(f.key) != f]
        if not fields:
            break
    asked = {f.key for f in kind.form(read)}
    return read, {key: why for key, why in problems.items() if key in asked}


def _read(f: Field, raw: Any, unit: str) -> Any:
    if raw is None or raw == "" or raw == []:
        if f.default is not None:
            return f.default
        if f.required:
            raise InputError(f"{f.label} is missing.", next_step="Enter it.")
        return None
    if f.quantity == "choice":
        if not isinstance(raw, str) or raw not in dict(f.options):
            raise InputError(f"{f.label}: {str(raw)[:60]!r} is not one of {', '.join(dict(f.options))}.")
        return raw
    if f.quantity in ("text", "place"):
        if not isinstance(raw, str) or len(raw) > 400:
            raise InputError(f"{f.label} must be a text of at most 400 characters.")
        return raw.strip()
    if f.quantity == "lines":
        lines = raw.splitlines() if isinstance(raw, str) else raw
        if (
            not isinstance(lines, list)
            or not all(isinstance(x, str) for x in lines)
            or len(lines) > MOST_LINES
        ):
            raise InputError(f"{f.label} must be a list of texts, {MOST_LINES} at most.")
        return [x.strip() for x in lines if x.strip()]
    return _number(f, raw, unit)


def _number(f: Field, raw: Any, unit: str) -> float | int:
    if isinstance(raw, str):
        quantity = f.quantity if f.quantity in UNITS else "count"
        value = parse(raw, quantity, f.unit or (unit if quantity == "length" else None)).value
    elif isinstance(raw, int | float) and not isinstance(raw, bool):
        value = float(raw)
    else:
        raise InputError(f"{f.label} must be a number or a text with a unit.")
    if not math.isfinite(value):
        raise InputError(f"{f.label} must be a finite number.")
    if f.quantity == "count" and value != round(value):
        raise InputError(
            f"{f.label} is a whole number (got {value:g}).", next_step="Type it without decimals."
        )
    if (f.lo is not None and value < f.lo) or (f.hi is not None and value > f.hi):
        raise InputError(
            f"{f.label} must be {f.lo:g} to {f.hi:g} (got {value:g}).",
            next_step="Was a unit or a decimal mistaken?",
        )
    return int(value) if f.quantity == "count" else value


def given_schema(kind: Calculation) -> dict[str, Any]:
    """The JSON schema of what a kind is given; fields that depend on others are optional here."""
    fields = {f.key: f for f in kind.form({})}
    required = [f.key for f in fields.values() if f.required and f.default is None]
    for f in list(fields.values()):
        for option, _ in f.options:
            for more in kind.form({f.key: option}):
                fields.setdefault(more.key, more)
    return {
        "type": "object",
        "properties": {key: _schema(f) for key, f in fields.items()},
        "required": required,
        "additionalProperties": False,
    }


def _schema(f: Field) -> dict[str, Any]:
    about = {"title": f.label} | ({"description": f.why} if f.why else {})
    if f.quantity == "choice":
        return about | {"enum": [key for key, _ in f.options]}
    if f.quantity in ("text", "place"):
        return about | {"type": "string"}
    if f.quantity == "lines":
        return about | {"type": "array", "items": {"type": "string"}}
    limits = {"minimum": f.lo, "maximum": f.hi}
    number = {"type": "integer" if f.quantity == "count" else "number"} | {
        k: v for k, v in limits.items() if v is not None
    }
    return about | {"anyOf": [number, {"type": "string", "description": "as spoken: 8 thou"}]}
